/** A text: its words, typeface, letters, arc, colours. */
import type { z } from 'zod';
import type { Anchor, AnchorKind } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { choice, colour, keysOf, number, share } from '../../schema/properties';
import { text as words } from '../../schema/values-schema';
import { defineObject } from './object-kind';
import { FOREHEAD, placed } from './placed';
import { restOn } from './resting';
import { textExtent } from './text-layout';

const ALIGN_WORDS = { left: 'Left', centre: 'Middle', right: 'Right' } as const;
export const TEXT_ALIGNS = keysOf(ALIGN_WORDS);

export const text = defineObject({
  kind: 'text',
  fields: {
    text: words(500),
    /** A font that was brought in; null is the one Iconia ships. */
    font: assetIdSchema.nullable(),
    size: number({
      name: 'Height of a line',
      low: 0.0005,
      high: 100,
      unit: 'centimetres',
      digits: 2,
      step: 0.1,
      mark: 'h',
      driven: true,
    }),
    align: choice('Lines are aligned', ALIGN_WORDS),
    colour: colour('Colour of the letters', { short: 'Colour' }),
    /** Width of the outline as a share of the line's height; 0 has none. */
    outline: number({
      name: 'Width of the outline',
      low: 0,
      high: 0.5,
      unit: 'percent',
      digits: 1,
      mark: 'line',
      driven: true,
    }),
    outlineColour: colour('Colour of the outline', { short: 'Outline' }),
    /** Degrees of a circle the line is bent to: above 0 like a hill, below like a bowl. */
    arc: number({ name: 'Arc', low: -350, high: 350, unit: 'degrees', step: 5, mark: 'arc', driven: true }),
    /** As a share of the line's height. */
    spacing: number({
      name: 'Space between letters',
      low: -0.2,
      high: 2,
      unit: 'percent',
      mark: 'gap',
      driven: true,
    }),
    opacity: share('Opacity'),
    blend: blendSchema,
  },
  isSeen: true,
  drawn: 'flat',
  drawnBy: ['texts'],
  isTouched: true,
  onFace: false,
  shows: ['font'],
  rests: 'before',
  ground: ({ size }) => ({ base: -size / 2 }),
  bounds: (object) => {
    const { low, high } = textExtent(object);
    return { low: [low[0], low[1], 0], high: [high[0], high[1], 0] };
  },
});
export type TextObject = z.infer<typeof text.schema>;

const SIZE: Record<AnchorKind, number> = {
  head: 0.03,
  skin: 0.008,
  hand: 0.015,
  world: 0.15,
  picture: 0.02,
  screen: 0.01,
  backdrop: 0.02,
};

/** A text, as it is added: as large as things on its anchor usually are, named by its first line. */
export const newText = (
  id: ObjectId,
  content: string,
  order: number,
  anchor: Anchor = FOREHEAD,
): TextObject => ({
  ...placed(id, content.split('\n')[0] || 'Text', order, anchor),
  kind: 'text',
  ...restOn(anchor, text.rests, { base: -SIZE[anchor.kind] / 2 }),
  text: content,
  font: null,
  size: SIZE[anchor.kind],
  align: 'centre',
  colour: '#ffffff',
  outline: 0,
  outlineColour: '#1d2327',
  arc: 0,
  spacing: 0,
  opacity: 1,
  blend: 'normal',
});
