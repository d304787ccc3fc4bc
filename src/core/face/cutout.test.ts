import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromAngles, rotate } from '../maths/quaternion';
import { add, distance, length, scale, subtract, type Vec3 } from '../maths/vec3';
import { cutoutWindow, MOST_CORNERS, partExtent, partOutline } from './cutout';
import { CUTOUT_PARTS } from './cutout-parts';
import { NEUTRAL_FACE } from './neutral';

const FACE = Float32Array.from(NEUTRAL_FACE);
const EYE: Vec3 = [0, 0, 0.5];
const window = (part: 'mouth' | 'nose', angles: Vec3 = [0, 0, 0], factor = 1) =>
  cutoutWindow(
    { pose: { position: [0, 0, 0], rotation: fromAngles(angles) }, landmarks: FACE },
    EYE,
    partOutline(FACE, part),
    partExtent(part, 0.01),
    factor,
  );

describe('a part of a face', () => {
  test.each(CUTOUT_PARTS.filter((p) => p !== 'drawn'))('%s has an outline that fits its window', (part) => {
    const points = partOutline(FACE, part);
    expect(points.length).toBeGreaterThan(8);
    expect(points.length).toBeLessThanOrEqual(MOST_CORNERS);
    const [w, h] = partExtent(part, 0.004);
    const wide = Math.max(...points.map((p) => p[0])) - Math.min(...points.map((p) => p[0]));
    const high = Math.max(...points.map((p) => p[1])) - Math.min(...points.map((p) => p[1]));
    expect(w).toBeGreaterThan(wide + 0.007);
    expect(h).toBeGreaterThan(high + 0.007);
    expect(w).toBeLessThan(0.25);
  });

  test('the wearer’s left eye is on their left', () => {
    const x = (part: 'leftEye' | 'rightEye') =>
      partOutline(FACE, part).reduce((sum, p) => sum + p[0], 0) / partOutline(FACE, part).length;
    expect(x('leftEye')).toBeGreaterThan(0.02);
    expect(x('rightEye')).toBeLessThan(-0.02);
  });

  test('drawn on the layout, it is found on the face; no more corners than are drawn', () => {
    const square = [
      [0.4, 0.2],
      [0.6, 0.2],
      [0.6, 0.3],
      [0.4, 0.3],
    ] as const;
    const points = partOutline(FACE, 'drawn', square);
    expect(points).toHaveLength(4);
    for (const [, y] of points) expect(y).toBeGreaterThan(FACE[3 * 9 + 1]! - 0.01);
    expect(
      partOutline(
        FACE,
        'drawn',
        Array.from({ length: 90 }, () => square[0]),
      ).length,
    ).toBe(MOST_CORNERS);
  });
});

describe('the window onto it', () => {
  test('lies in the face, as large as the part, larger on a larger head', () => {
    const [w, h] = partExtent('mouth', 0.01);
    const { across, up, facing } = window('mouth');
    expect(length(across)).toBeCloseTo(w, 9);
    expect(length(up)).toBeCloseTo(h, 9);
    expect(facing).toBe(1);
    expect(length(window('mouth', [0, 0, 0], 1.5).across)).toBeCloseTo(1.5 * w, 9);
  });

  test('turns with the head, and is gone when it is seen from the side', () => {
    const turned = window('nose', [0, 30, 0]);
    const along = scale(turned.across, 1 / length(turned.across));
    expect(distance(along, rotate(fromAngles([0, 30, 0]), [1, 0, 0]))).toBeLessThan(1e-9);
    expect(window('nose', [0, 85, 0]).facing).toBe(0);
    const half = window('nose', [0, 66, 0]).facing;
    expect(half).toBeGreaterThan(0.05);
    expect(half).toBeLessThan(0.95);
  });

  test('its outline covers the part as the camera sees it, whatever its depth', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -35, max: 35, noNaN: true }),
        fc.double({ min: -25, max: 25, noNaN: true }),
        (yaw, pitch) => {
          const rotation = fromAngles([pitch, yaw, 0]);
          const { centre, across, up, outline } = window('nose', [pitch, yaw, 0]);
          const [x, y] = [scale(across, 1 / length(across)), scale(up, 1 / length(up))];
          partOutline(FACE, 'nose').forEach((p, i) => {
            const world = rotate(rotation, p);
            const onPlane = add(centre, add(scale(x, outline[i]![0]), scale(y, outline[i]![1])));
            // Both lie on one ray of the camera.
            const [a, b] = [subtract(world, EYE), subtract(onPlane, EYE)];
            const cos = (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / (length(a) * length(b));
            expect(cos).toBeGreaterThan(1 - 1e-9);
          });
        },
      ),
      { numRuns: 25 },
    ));
});
