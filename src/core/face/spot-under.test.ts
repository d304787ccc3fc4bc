import { describe, expect, test } from '@jest/globals';
import { fromAngles } from '../maths/quaternion';
import { toOuter, type Pose } from '../maths/pose';
import { pointAt, subtract } from '../maths/vec3';
import { NEUTRAL_FACE, UV } from './neutral';
import { spotOnFace } from './skin-spot';
import { spotUnder } from './spot-under';

const pose: Pose = { position: [0.05, -0.02, -0.6], rotation: fromAngles([8, 20, -5]) };
const face = { pose, landmarks: NEUTRAL_FACE };
const rayTo = (head: readonly [number, number, number]) => ({
  from: [0, 0, 0] as const,
  along: toOuter(pose, head),
});

describe('the spot under a ray', () => {
  test.each([1, 4, 9, 50, 151, 152, 205])('landmark %i is found where the layout has it', (i) => {
    const spot = spotUnder(face, rayTo(pointAt(NEUTRAL_FACE, i)))!;
    expect(spot[0]).toBeCloseTo(UV[2 * i]!, 2);
    expect(spot[1]).toBeCloseTo(UV[2 * i + 1]!, 2);
  });
  test('it is the way back from a spot to the face', () => {
    for (const spot of [
      [0.4, 0.55],
      [0.62, 0.3],
      [0.5, 0.8],
    ] as const) {
      const found = spotUnder(face, rayTo(spotOnFace(NEUTRAL_FACE, spot).position))!;
      expect(Math.hypot(found[0] - spot[0], found[1] - spot[1])).toBeLessThan(0.004);
    }
  });
  test('beside the face there is none, nor behind it', () => {
    expect(spotUnder(face, rayTo([0.3, 0, 0]))).toBeNull();
    const behind = toOuter(pose, [0, 0, -0.5]);
    expect(
      spotUnder(face, { from: behind, along: subtract(toOuter(pose, [0, 0, 0.07]), behind) }),
    ).toBeNull();
  });
});
