/** How things lie or stand on what they stick to before anybody moves them. Metres, degrees. */
import { featurePoint, type FeaturePoint } from '../../face/feature-points';
import { NEUTRAL_FACE } from '../../face/neutral';
import { HEAD_SEAT } from '../../face/head-fit';
import type { Box } from '../../maths/box';
import { WORN_ON, type WornAs } from '../../schema/worn-as';
import type { Anchor, AnchorKind } from '../../schema/anchor-schema';

type Triple = [number, number, number];

/** Whether things stand up from it along +Y; else they come out of it along +Z. */
export const standsOn = (anchor: Anchor): boolean => anchor.kind === 'world' && anchor.surface !== 'wall';

/** Width of a new card: a little wider than the eyes are apart, as wide as a poster, as the whole backdrop... */
const CARD_WIDTH: Record<AnchorKind, number> = {
  head: 0.12,
  skin: 0.03,
  hand: 0.06,
  world: 0.5,
  picture: 0.1,
  screen: 0.045,
  backdrop: 0.09,
};
/** The backdrop of the usual upright screen. */
const BACKDROP = [0.09, 0.16] as const;

/** Extent of a card of this shape (width over height). A backdrop covers the whole screen. */
export const cardExtent = (aspect: number, anchor: Anchor): [number, number] => {
  let width = CARD_WIDTH[anchor.kind];
  if (anchor.kind === 'backdrop') width = Math.max(BACKDROP[0], BACKDROP[1] * aspect);
  return [width, width / aspect];
};

/** Whether a card covers all of the backdrop, as one does that was put there. */
export const coversBackdrop = (extent: readonly [number, number]): boolean =>
  extent[0] > BACKDROP[0] - 1e-6 && extent[1] > BACKDROP[1] - 1e-6;

/** Extent of a card for a picture of another shape: as wide as it was; what covered the backdrop goes on covering it. */
export const extentFor = (
  card: { readonly extent: readonly [number, number]; readonly anchor: Anchor },
  aspect: number,
): [number, number] =>
  card.anchor.kind === 'backdrop' && coversBackdrop(card.extent)
    ? cardExtent(aspect, card.anchor)
    : [card.extent[0], card.extent[0] / aspect];

/** A floor begins at the viewer's feet: what stands on it is seen a step farther away. */
export const groundDepth = (anchor: Anchor): number =>
  anchor.kind === 'world' && anchor.surface === 'floor' ? -0.8 : 0;

/**
 * How a thing comes to lie on its anchor: models stand, and sit on a crown; solids stand; some stand in its very place; layers lie in the
 * skin; everything else lies a little before it.
 */
export type RestStyle = 'model' | 'solid' | 'inPlace' | 'inSkin' | 'before';

/** What of its size matters for that. */
export interface Ground {
  readonly extent?: readonly [number, number];
  /** Lowest point over the origin, for what stands. */
  readonly base?: number;
  /** How it is worn on a head, and the box around it. */
  readonly worn?: WornAs | null;
  readonly box?: Box;
}

interface Seat {
  readonly move: Triple;
  readonly turn: Triple;
}
const seat = (x: number, y: number, z: number, turnY = 0): Seat => ({ move: [x, y, z], turn: [0, turnY, 0] });
/** A little before the face. */
const BEFORE = seat(0, 0, 0.01);
/** Points of the head that look to the side, or stick out: flat things face away from the head there. +X is the wearer's left. */
const FLAT_SEATS: Partial<Record<FeaturePoint, Seat>> = {
  headCentre: seat(0, 0, 0),
  crown: seat(0, 0.03, 0),
  earLeft: seat(0.008, 0, 0, 90),
  earRight: seat(-0.008, 0, 0, -90),
  cheekLeft: seat(0.006, 0, 0.008, 35),
  cheekRight: seat(-0.006, 0, 0.008, -35),
  noseTip: seat(0, 0, 0.014),
  eyeLeft: seat(0, 0, 0.014),
  eyeRight: seat(0, 0, 0.014),
};
/** Where models stand or hang: on the nose, below the ears and the chin; a whole head piece about the middle of the head. */
const MODEL_SEATS: Partial<Record<FeaturePoint, Seat>> = {
  headCentre: seat(0, 0, 0),
  crown: { move: [...HEAD_SEAT], turn: [0, 0, 0] },
  noseTip: seat(0, 0.008, 0.002),
  earLeft: seat(0.006, -0.03, 0.002, 90),
  earRight: seat(-0.006, -0.03, 0.002, -90),
  chin: seat(0, -0.008, 0.006),
};
/**
 * Where the origin of a thing that is worn has to lie from the point of the head that it sticks to, where that depends on its box: glasses and
 * masks touch the face with their front, in their middle. Null for what rests by its origin.
 */
export const wornMove = (as: WornAs | null, { low, high }: Box): Triple | null => {
  if (as !== 'glasses' && as !== 'mask') return null;
  // A little before the bridge of the nose, or its tip.
  const before = as === 'glasses' ? 0.012 : 0.004;
  return [-(low[0] + high[0]) / 2, -(low[1] + high[1]) / 2, before - high[2]];
};

/** Over the skin of a palm or a finger: the points of a hand lie inside it. */
const IN_PALM = 0.022;

/** How far before the tip of the nose a thing begins that goes over it. */
const BEFORE_NOSE = 0.014;
/** What goes over the whole face would be pierced by the nose: how far forward it has to lie, from the point it sticks to. */
const clearOfNose = (
  point: FeaturePoint,
  [x, y, z]: Triple,
  [width, height]: readonly [number, number],
): Triple => {
  const [from, nose] = [featurePoint(NEUTRAL_FACE, point), featurePoint(NEUTRAL_FACE, 'noseTip')];
  const isOver = Math.abs(nose[0] - from[0] - x) < width / 2 && Math.abs(nose[1] - from[1] - y) < height / 2;
  return isOver ? [x, y, Math.max(z, nose[2] - from[2] + BEFORE_NOSE)] : [x, y, z];
};

/** What stands on the nose stands on its base. */
const onHead = (
  point: FeaturePoint,
  rests: RestStyle,
  base: number,
  extent: readonly [number, number] | undefined,
): Seat => {
  const isModel = rests === 'model';
  const { move, turn } = (isModel ? MODEL_SEATS[point] : undefined) ?? FLAT_SEATS[point] ?? BEFORE;
  const lift = isModel && point === 'noseTip' ? Math.max(0, -base) : 0;
  const there: Triple = [move[0], move[1] + lift, move[2]];
  // What looks to the side does not go over the face.
  const isOver = rests === 'before' && extent !== undefined && turn[1] === 0;
  return { move: isOver ? clearOfNose(point, there, extent) : there, turn: [...turn] };
};

/** Move and turn of a new object on an anchor. */
export const restOn = (
  anchor: Anchor,
  rests: RestStyle,
  { extent, base = 0, worn = null, box }: Ground = {},
): { move: Triple; turn: Triple } => {
  const turn: Triple = [0, 0, 0];
  const stands = rests === 'model' || rests === 'solid';
  switch (anchor.kind) {
    case 'head':
      if (rests === 'inPlace') return { move: [0, 0, 0], turn };
      if (worn && box && anchor.point === WORN_ON[worn]) {
        const move = wornMove(worn, box);
        if (move) return { move, turn };
      }
      return onHead(anchor.point, rests, base, extent);
    case 'hand':
      // It lies in the palm, or before the fingertip; what stands, stands on its base.
      if (rests === 'inPlace') return { move: [0, 0, 0], turn };
      return stands ? { move: [0, Math.max(0, -base), IN_PALM], turn } : { move: [0, 0, IN_PALM], turn };
    case 'skin':
      return { move: [0, 0, rests === 'inSkin' ? 0 : 0.002], turn };
    case 'world':
      if (!standsOn(anchor)) return { move: [0, 0, 0.005], turn };
      return { move: [0, extent ? extent[1] / 2 : Math.max(0, -base), groundDepth(anchor)], turn };
    case 'picture':
      // Models stand on the picture; cards and texts lie on it.
      return stands ? { move: [0, 0, Math.max(0, -base)], turn: [90, 0, 0] } : { move: [0, 0, 0.001], turn };
    case 'screen':
    case 'backdrop':
      return { move: [0, 0, 0], turn };
  }
};
