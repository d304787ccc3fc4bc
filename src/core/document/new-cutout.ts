/** A new cutout of a face, as it is before a creator changes anything. */
import { partExtent } from '../face/cutout';
import type { CutoutPart } from '../face/cutout-parts';
import type { FeaturePoint } from '../face/feature-points';
import type { Spot } from '../face/skin-spot';
import { FLAT, headAnchor, placed } from './new-objects';
import { cardExtent, restOn } from './resting';
import type { Anchor, Cutout, ObjectId } from './schema';

const CUTOUT_NAMES: Readonly<Record<CutoutPart, string>> = {
  mouth: 'Mouth',
  leftEye: 'Left eye',
  rightEye: 'Right eye',
  nose: 'Nose',
  face: 'Face',
  drawn: 'Part of the face',
};
/** Where on the head each part is; what is drawn lies before the nose. */
const CUTOUT_POINTS: Readonly<Record<CutoutPart, FeaturePoint>> = {
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
  anchor: Anchor = headAnchor(CUTOUT_POINTS[part]),
): Cutout => {
  const outline = part === 'drawn' ? FIRST_OUTLINE.map(([u, v]): [number, number] => [u, v]) : [];
  const edge = part === 'face' ? { inner: 0.012, outer: 0.002 } : { inner: 0.002, outer: 0.01 };
  const own = partExtent(part, edge.outer, outline);
  const extent = anchor.kind === 'head' || anchor.kind === 'skin' ? own : cardExtent(own[0] / own[1], anchor);
  return {
    ...placed(id, CUTOUT_NAMES[part], order, anchor),
    kind: 'cutout',
    ...restOn(anchor, { kind: 'cutout', extent }),
    extent,
    ...FLAT,
    part,
    outline,
    ...edge,
    face: 1,
    made: true,
    flip: false,
  };
};
