/** Known answers. */
import { fromAngles } from '../../../maths/quaternion';
import type { ROTATION_NODES } from '../vector-nodes';
import { near, once, type CasesOf } from './testing';

const HALF_TURN = fromAngles([0, 180, 0]).map(near);

export const ROTATION_CASES: CasesOf<typeof ROTATION_NODES> = {
  rotationFrom: [once({ angles: [0, 180, 0] }, HALF_TURN)],
  anglesOf: [once({ rotation: fromAngles([10, 20, 30]) }, [near(10), near(20), near(30)])],
  aboutAxis: [once({ angle: 180 }, HALF_TURN)],
  lookingAt: [
    once({ from: [0, 0, 0], to: [0, 0, -2] }, HALF_TURN),
    once({ from: [1, 1, 1], to: [1, 1, 1] }, [0, 0, 0, 1]),
  ],
  turnAfter: [
    once({ first: fromAngles([90, 0, 0]), then: fromAngles([-90, 0, 0]) }, [
      near(0),
      near(0),
      near(0),
      near(1),
    ]),
  ],
  mixRotations: [
    once(
      { a: fromAngles([0, 0, 0]), b: fromAngles([0, 90, 0]), share: 0.5 },
      fromAngles([0, 45, 0]).map(near),
    ),
  ],
  turned: [once({ vector: [0, 0, 1], by: fromAngles([0, 90, 0]) }, [near(1), near(0), near(0)])],
  rotationAngle: [once({ a: fromAngles([0, 0, 0]), b: fromAngles([0, 30, 0]) }, near(30))],
};
