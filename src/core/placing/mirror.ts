/** Mirroring left and right: across the middle of the face, of the picture, of the screen. */
import type { Anchor } from '../document/schema';
import type { FeaturePoint } from '../face/feature-points';
import type { Placed } from './local';

/**
 * The mirrored pose: M T R S = T(Mm) (M R M) (M S) with M = diag(-1, 1, 1), and M R M turns the other way about y and
 * z. The negative size mirrors what is shown.
 */
export const mirrored = ({ move, turn, scale }: Placed): Placed => ({
  move: [0 - move[0], move[1], move[2]],
  turn: [turn[0], 0 - turn[1], 0 - turn[2]],
  scale: [0 - scale[0], scale[1], scale[2]],
});

const otherSide = (point: FeaturePoint): FeaturePoint =>
  (point.endsWith('Left')
    ? point.replace(/Left$/, 'Right')
    : point.replace(/Right$/, 'Left')) as FeaturePoint;

/** The anchor on the other side. */
export const mirroredAnchor = (anchor: Anchor): Anchor => {
  if (anchor.kind === 'head') return { ...anchor, point: otherSide(anchor.point) };
  if (anchor.kind === 'skin') return { ...anchor, spot: [1 - anchor.spot[0], anchor.spot[1]] };
  if (anchor.kind === 'screen' && anchor.pin === 'left') return { ...anchor, pin: 'right' };
  if (anchor.kind === 'screen' && anchor.pin === 'right') return { ...anchor, pin: 'left' };
  return anchor;
};
