import { fnv1a } from './hash';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EASING_NAMES, ease } from './easing';
import { composePoses, inversePose, toLocal, toOuter, type Pose } from './pose';
import { alignPoints } from './procrustes';
import {
  angleBetween,
  anglesNear,
  multiplyQuaternions,
  fromAngles,
  fromAxisAngle,
  conjugate,
  rotate,
  toAngles,
} from './quaternion';
import { Random } from './random';
import { interpolate } from './scalar';
import { add, distance, scale, type Vec3 } from './vec3';
import { BLEND_MODES, type BlendMode } from '../document/schema';
import { blendOver, type Rgb } from './blend';

const coordinate = fc.double({ min: -10, max: 10, noNaN: true });
const vec = fc.tuple(coordinate, coordinate, coordinate);
const angle = fc.double({ min: -720, max: 720, noNaN: true });
const angles = fc.tuple(angle, angle, angle);
const pose: fc.Arbitrary<Pose> = fc.record({ position: vec, rotation: angles.map(fromAngles) });
const near = (a: Vec3, b: Vec3, by = 1e-6) => expect(distance(a, b)).toBeLessThan(by);

describe('quaternions', () => {
  test('a quarter turn about y takes z to x', () => {
    near(rotate(fromAxisAngle([0, 1, 0], 90), [0, 0, 1]), [1, 0, 0]);
  });
  test('XYZ angles compose as Rx Ry Rz', () => {
    const q = multiplyQuaternions(
      multiplyQuaternions(fromAxisAngle([1, 0, 0], 30), fromAxisAngle([0, 1, 0], 40)),
      fromAxisAngle([0, 0, 1], 50),
    );
    near(rotate(fromAngles([30, 40, 50]), [1, 2, 3]), rotate(q, [1, 2, 3]));
  });
  test('angles read back give the same turn', () => {
    fc.assert(
      fc.property(angles, (a) => angleBetween(fromAngles(a), fromAngles(toAngles(fromAngles(a)))) < 1e-3),
    );
  });
  test('turning by the conjugate leads back', () => {
    fc.assert(
      fc.property(
        angles,
        vec,
        (a, v) => distance(rotate(conjugate(fromAngles(a)), rotate(fromAngles(a), v)), v) < 1e-6,
      ),
    );
  });
  test('angles are never wrapped: the nearest reading to where the drag was', () => {
    const read = anglesNear(fromAngles([0, 0, -36]), [0, 0, 300]);
    expect(read[2]).toBeCloseTo(324, 6);
    expect(anglesNear(fromAngles([0, 0, 324]), [0, 0, -30])[2]).toBeCloseTo(-36, 6);
  });
  test('a drag in small steps runs on past every full turn, about any axis', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0, 1, 2),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(1, -1),
        (axis, step, sign) => {
          let read: Vec3 = [0, 0, 0];
          const unit: [number, number, number] = [0, 0, 0];
          unit[axis] = 1;
          for (let a = 0; a <= 900; a += step) {
            read = anglesNear(fromAxisAngle(unit, sign * a), read);
            // Same turn, and no jump.
            if (angleBetween(fromAngles(read), fromAxisAngle(unit, sign * a)) > 1e-3) return false;
            if (axis !== 1 && Math.abs(read[axis]! - sign * a) > 1e-3) return false;
          }
          return true;
        },
      ),
    );
  });
});

describe('poses', () => {
  test('out and back', () => {
    fc.assert(fc.property(pose, vec, (p, v) => distance(toLocal(p, toOuter(p, v)), v) < 1e-6));
  });
  test('composing is going out twice, and the inverse undoes it', () => {
    fc.assert(
      fc.property(pose, pose, vec, (a, b, v) => {
        const both = composePoses(a, b);
        return (
          distance(toOuter(both, v), toOuter(a, toOuter(b, v))) < 1e-6 &&
          distance(toOuter(inversePose(both), toOuter(both, v)), v) < 1e-6
        );
      }),
    );
  });
});

describe('alignment of points', () => {
  test('finds turn, scale and move exactly', () => {
    const points: Vec3[] = [
      [0, 0, 0],
      [1, 0, 0],
      [0, 2, 0],
      [0, 0, 3],
      [1, 1, 1],
    ];
    fc.assert(
      fc.property(angles, vec, fc.double({ min: 0.1, max: 10, noNaN: true }), (a, move, k) => {
        const turn = fromAngles(a);
        const found = alignPoints(
          points,
          points.map((p) => add(scale(rotate(turn, p), k), move)),
          [1, 2, 1, 1, 0.5],
        );
        return (
          Math.abs(found.scale - k) < 1e-6 * k + 1e-9 &&
          angleBetween(found.rotation, turn) < 1e-3 &&
          distance(found.position, move) < 1e-5
        );
      }),
    );
  });
  test('a point with no weight does not count', () => {
    const points: Vec3[] = [
      [0, 0, 0],
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ];
    const found = alignPoints(points, [...points.slice(0, 3), [9, 9, 9]], [1, 1, 1, 0]);
    expect(found.scale).toBeCloseTo(1, 9);
  });
});

describe('easing', () => {
  test.each(EASING_NAMES)('%s runs from 0 to 1 and clamps', (name) => {
    expect(ease(name, 0)).toBeCloseTo(0, 9);
    expect(ease(name, 1)).toBeCloseTo(1, 9);
    expect(ease(name, -3)).toBeCloseTo(0, 9);
    expect(ease(name, 7)).toBeCloseTo(1, 9);
  });
  test('known values', () => {
    expect(ease('in', 0.5)).toBe(0.125);
    expect(ease('out', 0.5)).toBe(0.875);
    expect(ease('inOut', 0.25)).toBe(0.0625);
    // Penner's back curve overshoots by a tenth.
    expect(Math.max(...Array.from({ length: 101 }, (_, i) => ease('overshoot', i / 100)))).toBeCloseTo(
      1.1,
      2,
    );
  });
});

describe('seeded random', () => {
  test('the same seed gives the same numbers, and going on from a saved state too', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 0, max: 50 }), (seed, skip) => {
        const a = new Random(seed);
        for (let i = 0; i < skip; i++) a.next();
        const b = Random.restore(a.save());
        return [1, 2, 3].every(() => a.next() === b.next());
      }),
    );
  });
  test('is spread evenly', () => {
    const random = new Random(1);
    const bins = new Array<number>(10).fill(0);
    for (let i = 0; i < 10_000; i++) bins[Math.floor(random.next() * 10)]!++;
    for (const n of bins) expect(Math.abs(n - 1000)).toBeLessThan(120);
  });
});

test('curves go through their keys and are flat outside', () => {
  const keys = [
    [1, 10],
    [2, 20],
    [4, 0],
  ] as const;
  expect([0, 1, 2, 4, 9].map((t) => interpolate(keys, t))).toEqual([10, 10, 20, 0, 0]);
  expect(interpolate(keys, 3)).toBe(10);
});

describe('blend modes over an opaque backdrop', () => {
  const grey = (x: number): Rgb => [x, x, x];
  const closeTo = (seen: Rgb, wanted: Rgb): void =>
    seen.forEach((x, i) => expect(x).toBeCloseTo(wanted[i]!, 6));
  // Worked out by hand from the formulas of sections 10.1 and 10.2.
  test.each<[BlendMode, Rgb, Rgb, Rgb]>([
    ['normal', [0.2, 0.4, 0.6], [0.8, 0.1, 0.3], [0.8, 0.1, 0.3]],
    ['multiply', [0.5, 1, 0], [0.4, 0.3, 0.7], [0.2, 0.3, 0]],
    ['screen', [0.5, 1, 0], [0.4, 0.3, 0.7], [0.7, 1, 0.7]],
    ['overlay', [0.25, 0.75, 0.5], [0.4, 0.4, 0.8], [0.2, 0.7, 0.8]],
    ['darken', [0.2, 0.9, 0.5], [0.4, 0.3, 0.5], [0.2, 0.3, 0.5]],
    ['lighten', [0.2, 0.9, 0.5], [0.4, 0.3, 0.5], [0.4, 0.9, 0.5]],
    ['color-dodge', [0, 0.3, 0.5], [1, 0.4, 1], [0, 0.5, 1]],
    ['color-burn', [1, 0.6, 0.5], [0, 0.5, 0], [1, 0.2, 0]],
    ['hard-light', [0.4, 0.4, 0.8], [0.25, 0.75, 0.5], [0.2, 0.7, 0.8]],
    ['soft-light', [0.25, 0.64, 0.5], [0.5, 1, 0], [0.25, 0.8, 0.25]],
    ['difference', [0.2, 0.9, 0.5], [0.4, 0.3, 0.5], [0.2, 0.6, 0]],
    ['exclusion', [0.2, 0.9, 0.5], [0.4, 0.3, 0.5], [0.44, 0.66, 0.5]],
    // Grey has no hue and no saturation, and a colour laid on grey keeps the grey's luminosity.
    ['hue', [0.3, 0.3, 0.3], [1, 0, 0], [0.3, 0.3, 0.3]],
    ['saturation', [1, 0, 0], [0.5, 0.5, 0.5], [0.3, 0.3, 0.3]],
    ['color', [0.3, 0.3, 0.3], [1, 0, 0], [1, 0, 0]],
    ['luminosity', [0.5, 0.5, 0.5], [0, 1, 0], [0.59, 0.59, 0.59]],
    ['plus-lighter', [0.7, 0.2, 0], [0.6, 0.6, 0.1], [1, 0.8, 0.1]],
  ])('%s', (mode, backdrop, source, wanted) => {
    closeTo(blendOver(mode, backdrop, source, 1), wanted);
  });
  test('half opaque, half of it', () => {
    closeTo(blendOver('normal', grey(0.2), grey(0.8), 0.5), grey(0.5));
    closeTo(blendOver('plus-lighter', grey(0.2), grey(0.6), 0.5), grey(0.5));
    closeTo(blendOver('difference', grey(0.2), grey(0.9), 0.5), grey(0.45));
  });
  test('nothing at opacity 0, and never out of range; multiply never lightens, screen never darkens', () => {
    const unit = fc.double({ min: 0, max: 1, noNaN: true });
    const colour = fc.tuple(unit, unit, unit);
    fc.assert(
      fc.property(colour, colour, unit, (b, s, a) => {
        for (const mode of BLEND_MODES) {
          blendOver(mode, b, s, 0).forEach((x, i) => expect(x).toBeCloseTo(b[i]!, 10));
          for (const x of blendOver(mode, b, s, a)) expect(x > -1e-9 && x < 1 + 1e-9).toBe(true);
        }
        return b.every(
          (x, i) =>
            blendOver('multiply', b, s, a)[i]! <= x + 1e-12 && blendOver('screen', b, s, a)[i]! >= x - 1e-12,
        );
      }),
    );
  });
});

test('FNV-1a by its published vectors', () => {
  expect(fnv1a('')).toBe(0x811c9dc5);
  expect(fnv1a('a')).toBe(0xe40c292c);
  expect(fnv1a('foobar')).toBe(0xbf9cf968);
});
