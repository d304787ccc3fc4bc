/** Where points of the neutral face before a plain colour are seen, in pixels from the lower left. */
import { fromAngles } from '../../src/core/maths/quaternion';
import { toOuter } from '../../src/core/maths/pose';
import type { Vec3 } from '../../src/core/maths/vec3';
import { projectPoint } from '../../src/core/tracking/project';
import { SIZE } from './face-pixels';

const CAMERA = {
  pose: { position: [0, 0, 0] as Vec3, rotation: [0, 0, 0, 1] as const },
  fovY: 40,
  aspect: 1,
};

/** `p` is in head space, `turn` the degrees the head is turned by. */
export const seenAt = (p: Vec3, turn: Vec3 = [0, 0, 0]): [number, number] => {
  const pose = { position: [0, 0, -0.42] as Vec3, rotation: fromAngles(turn) };
  const [x, y] = projectPoint(CAMERA, CAMERA.fovY, 1, toOuter(pose, p))!;
  return [x * SIZE, (1 - y) * SIZE];
};
