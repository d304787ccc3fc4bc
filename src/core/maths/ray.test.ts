import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { projectPoint } from '../tracking/project';
import { fromAngles } from './quaternion';
import { composeMatrix, transformPoint } from './matrix';
import { intersectEllipsoid, intersectBox, intersectPlane, pointOn, transformRay, rayThrough } from './ray';
import { distance, type Vec3 } from './vec3';

const camera = {
  pose: { position: [0.1, 1.2, 0.4] as Vec3, rotation: fromAngles([-25, 30, 4]) },
  fovY: 60,
  aspect: 9 / 16,
};
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('rays', () => {
  test('a ray through a point of the picture goes through what is seen there', () =>
    fc.assert(
      fc.property(share, share, fc.double({ min: 0.1, max: 20, noNaN: true }), (x, y, far) => {
        const ray = rayThrough(camera, camera.fovY, camera.aspect, x, y);
        const seen = projectPoint(camera, camera.fovY, camera.aspect, pointOn(ray, far))!;
        expect(Math.hypot(seen[0] - x, seen[1] - y)).toBeLessThan(1e-9);
      }),
    ));
  test('boxes: met from outside, from within, beside, behind', () => {
    const [low, high]: [Vec3, Vec3] = [
      [-1, -1, -1],
      [1, 1, 1],
    ];
    expect(intersectBox({ from: [0, 0, 5], along: [0, 0, -1] }, low, high)).toBe(4);
    expect(intersectBox({ from: [0, 0, 0], along: [0, 0, -1] }, low, high)).toBe(0);
    expect(intersectBox({ from: [2, 0, 5], along: [0, 0, -1] }, low, high)).toBeNull();
    expect(intersectBox({ from: [0, 0, 5], along: [0, 0, 1] }, low, high)).toBeNull();
  });
  test('balls: a long one is met where it begins', () => {
    expect(intersectEllipsoid({ from: [0, 0, 5], along: [0, 0, -1] }, [0, 0, 0], [1, 1, 3])).toBeCloseTo(
      2,
      12,
    );
    expect(intersectEllipsoid({ from: [1.01, 0, 5], along: [0, 0, -1] }, [0, 0, 0], [1, 1, 3])).toBeNull();
    expect(intersectEllipsoid({ from: [0, 0, 9], along: [0, 0, 1] }, [0, 0, 0], [1, 1, 3])).toBeNull();
  });
  test('planes: where the floor is', () => {
    const ray = rayThrough(camera, 60, 9 / 16, 0.5, 0.5);
    const t = intersectPlane(ray, [0, 0, 0], [0, 1, 0])!;
    expect(pointOn(ray, t)[1]).toBeCloseTo(0, 12);
    expect(intersectPlane({ from: [0, 1, 0], along: [1, 0, 0] }, [0, 0, 0], [0, 1, 0])).toBeNull();
    expect(intersectPlane({ from: [0, 1, 0], along: [0, 1, 0] }, [0, 0, 0], [0, 1, 0])).toBeNull();
  });
  test('in the space of a turned and sized object the same place is met', () => {
    const m = composeMatrix([1, 2, -3], fromAngles([20, 40, 60]), [2, 0.5, 3]);
    const at = transformPoint(m, [0.5, 0, 0]);
    const ray = { from: [0, 0, 0] as Vec3, along: at };
    const local = transformRay(m, ray)!;
    expect(distance(pointOn(local, 1), [0.5, 0, 0])).toBeLessThan(1e-12);
    expect(transformRay(composeMatrix([0, 0, 0], [0, 0, 0, 1], [1, 0, 1]), ray)).toBeNull();
  });
});
