/** A camera card: shows the camera picture, or a part of it, as it is now. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { cameraView, type CameraPart } from '../../schema/values-schema';
import { boxAbout } from '../../maths/box';
import { needsOfPart } from '../needs';
import { defineObject } from './object-kind';
import { FLAT, FOREHEAD, flatFields, hidesFarther, placed } from './placed';
import { cardExtent, restOn } from './resting';

export const live = defineObject({
  kind: 'live',
  fields: { ...flatFields, ...cameraView },
  isSeen: true,
  drawn: 'flat',
  drawnBy: ['camera'],
  isTouched: true,
  onFace: false,
  holds: ['things'],
  rests: 'before',
  ground: ({ extent }) => ({ extent }),
  bounds: ({ extent: [width, height] }) => boxAbout(width, height, 0),
  needs: ({ part }) => needsOfPart(part),
});
export type Live = z.infer<typeof live.schema>;

const NAMES: Record<CameraPart, string> = {
  whole: 'Camera picture',
  person: 'Person',
  background: 'Room behind',
  face: 'Flat face',
};
/** Further copies of the person stand farther out, left and right in turn. */
const copyAside = (n: number): number => (n % 2 === 0 ? -1 : 1) * (0.024 + 0.008 * Math.floor(n / 2));

/**
 * Shows the camera picture; behind the people it fills the screen. A copy of the person stands beside them there, smaller,
 * with its lower edge on that of the screen; the `n`-th one farther out.
 */
export const newLive = (
  id: ObjectId,
  part: CameraPart,
  order: number,
  anchor: Anchor = FOREHEAD,
  n = 0,
): Live => {
  const behind = anchor.kind === 'backdrop';
  const aside = behind && part === 'person';
  const extent = cardExtent(part === 'face' ? 1 : 9 / 16, anchor);
  return {
    ...placed(id, NAMES[part], order, anchor),
    depthWrite: hidesFarther(anchor),
    kind: 'live',
    ...restOn(anchor, live.rests, { extent }),
    ...(aside ? { move: [copyAside(n), -0.016, 0], scale: [0.8, 0.8, 0.8] } : {}),
    extent,
    ...FLAT,
    fit: behind && !aside ? 'cover' : 'free',
    part,
    crop: [0, 0, 1, 1],
    flip: false,
    blur: behind && !aside ? 0.4 : 0,
  };
};
