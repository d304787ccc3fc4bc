/** What behaviour can change about an object. */
import type { Vec3 } from '../maths/vec3';

export interface Values {
  visible: boolean;
  opacity: number;
  move: Vec3;
  turn: Vec3;
  scale: Vec3;
}
