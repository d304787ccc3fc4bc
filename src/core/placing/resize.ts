/** Another size without leaving the ground: what stands keeps its foot where it is. Metres. */
import type { EffectObject } from '../document/schema';
import { sizeOf, type Box } from '../maths/box';
import { fromAngles, rotate } from '../maths/quaternion';
import { add, multiply, subtract, type Vec3 } from '../maths/vec3';

type Posed = Pick<EffectObject, 'move' | 'turn' | 'scale' | 'pivot'>;

/** The point that stays where it is: in the middle, at the foot of what stands, on the ground of what comes out of its anchor. */
const footOf = ({ low, high }: Box, isStanding: boolean): Vec3 => [
  (low[0] + high[0]) / 2,
  isStanding ? low[1] : (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
];

/** The longest side of a thing of this box, as it is sized. */
export const longestSide = (box: Box, scale: Vec3): number =>
  Math.max(...multiply(sizeOf(box), scale.map(Math.abs) as unknown as Vec3), 1e-9);

/** The move with which a thing that had the box `was` stands on the same foot with the box `next`, sized by `scale`. */
export const onSameFoot = (
  { move, turn, scale: before, pivot }: Posed,
  was: Box,
  next: Box,
  scale: Vec3,
  isStanding: boolean,
): Vec3 => {
  const foot = (box: Box, by: Vec3): Vec3 =>
    rotate(fromAngles(turn), multiply(subtract(footOf(box, isStanding), pivot), by));
  return add(move, subtract(foot(was, before), foot(next, scale)));
};
