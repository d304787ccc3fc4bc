/** A sound; on the screen it is everywhere, elsewhere it comes from where it is. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { assetIdSchema, type SoundAsset } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { number, share, yesNo } from '../../schema/properties';
import { defineObject } from './object-kind';
import { MARK } from './mark';
import { objectNameFor, placed } from './placed';

export const sound = defineObject({
  kind: 'sound',
  fields: {
    asset: assetIdSchema.nullable(),
    opacity: share('Volume'),
    /** Else a cue has to set it off. */
    runs: yesNo('Sounds from the start'),
    loop: yesNo('Again and again'),
    fadeIn: number({ name: 'Fades in over', low: 0, high: 60, unit: 'seconds', mark: 'in' }),
    fadeOut: number({ name: 'Fades out over', low: 0, high: 60, unit: 'seconds', mark: 'out' }),
    /** 1 is as high as it was recorded. */
    pitch: number({ name: 'Pitch', low: 0.25, high: 4, unit: 'percent', mark: 'pitch', driven: true }),
    /** Within so many metres it is as loud as it can be; twice as far it is half as loud. */
    near: number({
      name: 'As loud as can be within',
      low: 0.01,
      high: 100,
      unit: 'centimetres',
      digits: 0,
      mark: 'up to',
      driven: true,
    }),
  },
  isSeen: false,
  drawn: 'otherwise',
  drawnBy: [],
  isTouched: false,
  onFace: false,
  shows: ['sound'],
  rests: 'inPlace',
  bounds: () => MARK,
});
export type SoundObject = z.infer<typeof sound.schema>;

/** A sound plays when a cue says so. */
export const newSound = (
  id: ObjectId,
  asset: SoundAsset | null,
  order: number,
  anchor: Anchor,
): SoundObject => ({
  ...placed(id, asset ? objectNameFor(asset, 'Sound') : 'Sound', order, anchor),
  kind: 'sound',
  asset: asset?.id ?? null,
  opacity: 1,
  runs: false,
  loop: asset?.loop != null,
  fadeIn: 0,
  fadeOut: 0.1,
  pitch: 1,
  near: 0.5,
});
