/** A cutout: a part of a face as the camera sees it now, cut out with a soft edge. */
import { z } from 'zod';
import { MOST_FACES, type Anchor } from '../../schema/anchor-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { number, yesNo } from '../../schema/properties';
import { unit } from '../../schema/values-schema';
import { partExtent } from '../../face/cutout';
import { CUTOUT_PARTS, type CutoutPart } from '../../face/cutout-parts';
import type { FeaturePoint } from '../../face/feature-points';
import type { Spot } from '../../face/skin-spot';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { FLAT, flatFields, headAnchor, placed } from './placed';
import { cardExtent, restOn } from './resting';

/** Metres on a head of the usual size. */
const edge = (name: string, short: string) =>
  number({
    name,
    short,
    low: 0,
    high: 0.1,
    offered: [0, 0.04],
    unit: 'millimetres',
    digits: 0,
    driven: true,
  });

export const cutout = defineObject({
  kind: 'cutout',
  fields: {
    ...flatFields,
    part: z.enum(CUTOUT_PARTS),
    /** The outline of a drawn part, by the face layout. */
    outline: z.array(z.tuple([unit, unit])).max(48),
    /** How far inside the outline the edge begins, and how far outside it ends. */
    inner: edge('Soft edge inside the outline', 'Soft inside'),
    outer: edge('Soft edge outside the outline', 'Soft outside'),
    /** Whose: the number of the face. On a face it is that face's own. */
    face: z.number().int().min(1).max(MOST_FACES),
    /** With make-up and morphs, as the effect shows the face; else as the camera sees it. */
    made: yesNo('With make-up and shape', { help: 'Off, it is the camera picture as it comes' }),
    /** Left and right change places. */
    flip: yesNo('Mirrored'),
  },
  isSeen: true,
  drawn: 'flat',
  drawnBy: ['cutouts', 'camera'],
  isTouched: true,
  onFace: false,
  rests: 'before',
  ground: ({ extent }) => ({ extent }),
  bounds: ({ extent: [width, height] }) => boxAbout(width, height, 0),
  needs: () => ['faces'],
});
export type Cutout = z.infer<typeof cutout.schema>;

const NAMES: Readonly<Record<CutoutPart, string>> = {
  mouth: 'Mouth',
  leftEye: 'Left eye',
  rightEye: 'Right eye',
  nose: 'Nose',
  face: 'Face',
  drawn: 'Part of the face',
};
/** Where on the head each part is; what is drawn lies before the nose. */
const POINTS: Readonly<Record<CutoutPart, FeaturePoint>> = {
  mouth: 'mouth',
  leftEye: 'eyeLeft',
  rightEye: 'eyeRight',
  nose: 'noseTip',
  face: 'noseTip',
  drawn: 'noseTip',
};
/** A first outline for what is drawn: around the nose and the mouth. */
export const FIRST_OUTLINE: readonly Spot[] = Array.from({ length: 24 }, (_, i): Spot => {
  const a = (i / 24) * 2 * Math.PI;
  return [0.5 + 0.15 * Math.cos(a), 0.66 + 0.17 * Math.sin(a)];
});

/** A part of a face, as large as it is on the face; on the screen as wide as a card there. */
export const newCutout = (
  id: ObjectId,
  part: CutoutPart,
  order: number,
  anchor: Anchor = headAnchor(POINTS[part]),
): Cutout => {
  const outline = part === 'drawn' ? FIRST_OUTLINE.map(([u, v]): [number, number] => [u, v]) : [];
  const soft = part === 'face' ? { inner: 0.012, outer: 0.002 } : { inner: 0.002, outer: 0.01 };
  const own = partExtent(part, soft.outer, outline);
  const extent = anchor.kind === 'head' || anchor.kind === 'skin' ? own : cardExtent(own[0] / own[1], anchor);
  return {
    ...placed(id, NAMES[part], order, anchor),
    kind: 'cutout',
    ...restOn(anchor, cutout.rests, { extent }),
    extent,
    ...FLAT,
    part,
    outline,
    ...soft,
    face: 1,
    made: true,
    flip: false,
  };
};
