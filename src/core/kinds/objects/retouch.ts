/** Retouch: evens out the skin and brightens the eyes and teeth, each by itself. */
import { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { share, yesNo } from '../../schema/properties';
import { defineObject } from './object-kind';
import { onFace } from './on-face';
import { onWholeFace, placed } from './placed';

const part = (name: string, short: string) =>
  z.strictObject({ on: yesNo(name), amount: share(`${name}, how much`, { short }) });

export const retouch = defineObject({
  kind: 'retouch',
  fields: {
    /** Of all of it. */
    opacity: share('Strength'),
    smooth: z.strictObject({
      on: yesNo('Even skin'),
      strength: share('Strength of even skin', { short: 'Strength' }),
      /** How much of the finest texture stays. */
      detail: share('Detail that stays', { short: 'Detail' }),
    }),
    underEyes: part('Light under the eyes', 'Under eyes'),
    eyes: part('Brightness of the eyes', 'Eyes'),
    teeth: part('Brightness of the teeth', 'Teeth'),
  },
  ...onFace,
  rests: 'before',
});
export type Retouch = z.infer<typeof retouch.schema>;

/** Retouch on a face, as it is added. */
export const newRetouch = (id: ObjectId, order: number, face: FaceChoice = 1): Retouch => ({
  ...placed(id, 'Retouch', order, onWholeFace(face)),
  kind: 'retouch',
  opacity: 1,
  smooth: { on: true, strength: 0.5, detail: 0.35 },
  // Skin alone: eyes and teeth are the creator's to brighten.
  underEyes: { on: false, amount: 0.35 },
  eyes: { on: false, amount: 0.3 },
  teeth: { on: false, amount: 0.3 },
});

/** What retouch does, each part by itself: even skin, and what is lightened. */
export const RETOUCH_PARTS = ['smooth', 'underEyes', 'eyes', 'teeth'] as const;
export type RetouchPart = (typeof RETOUCH_PARTS)[number];
const NAMES: Record<RetouchPart, string> = {
  smooth: 'Retouch',
  underEyes: 'Rested eyes',
  eyes: 'Bright eyes',
  teeth: 'White teeth',
};

/** Retouch that does one thing alone; the rest of the face stays as it is. */
export const newRetouchOf = (
  part: RetouchPart,
  id: ObjectId,
  order: number,
  face: FaceChoice = 1,
): Retouch => {
  const all = newRetouch(id, order, face);
  return {
    ...all,
    name: NAMES[part],
    smooth: { ...all.smooth, on: part === 'smooth' },
    underEyes: { ...all.underEyes, on: part === 'underEyes' },
    eyes: { ...all.eyes, on: part === 'eyes' },
    teeth: { ...all.teeth, on: part === 'teeth' },
  };
};
