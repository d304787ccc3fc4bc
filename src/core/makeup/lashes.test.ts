import { describe, expect, test } from '@jest/globals';
import { EYE_RIGHT } from '../face/landmarks';
import { EYEBALL_RIGHT, NEUTRAL_FACE } from '../face/neutral';
import { fromAngles, rotate } from '../maths/quaternion';
import { distance, pointAt, subtract, dot, normalise, type Vec3 } from '../maths/vec3';
import { LASH_PIECES, LASH_POINTS, lashCount, lashPoints, lashTriangles, type LashStyle } from './lashes';

const style: LashStyle = { length: 1, curl: 55, density: 1, lower: false };
const at = (points: Float32Array, lash: number, k: number): Vec3 => pointAt(points, lash * LASH_POINTS + k);
const tip = (points: Float32Array, lash: number): Vec3 => at(points, lash, LASH_POINTS - 1);
const root = (points: Float32Array, lash: number): Vec3 => {
  const [a, b] = [at(points, lash, 0), at(points, lash, 1)];
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
};
const meanLength = (points: Float32Array, count: number): number => {
  let sum = 0;
  for (let l = 0; l < count; l++) sum += distance(root(points, l), tip(points, l));
  return sum / count;
};

describe('lashes', () => {
  const points = lashPoints(NEUTRAL_FACE, 'right', style);
  const count = lashCount(style);

  test('there are as many as the style says, each of triangles within the points', () => {
    expect(points).toHaveLength(count * LASH_POINTS * 3);
    expect(points.every(Number.isFinite)).toBe(true);
    const triangles = lashTriangles(count);
    expect(triangles).toHaveLength(count * (2 * LASH_PIECES - 1) * 3);
    expect(Math.max(...triangles)).toBe(count * LASH_POINTS - 1);
    expect(lashCount({ ...style, density: 2 })).toBe(2 * count);
    expect(lashCount({ ...style, lower: true })).toBeGreaterThan(count);
  });

  test('grow out of the upper lid, away from the eye, and bend upwards', () => {
    const lid = [...EYE_RIGHT.slice(8), EYE_RIGHT[0]].map((i) => pointAt(NEUTRAL_FACE, i));
    for (let l = 0; l < count; l++) {
      const from = root(points, l);
      expect(Math.min(...lid.map((p) => distance(p, from)))).toBeLessThan(0.004);
      const way = normalise(subtract(tip(points, l), from));
      expect(dot(way, normalise(subtract(from, EYEBALL_RIGHT)))).toBeGreaterThan(0.2);
      expect(tip(points, l)[1]).toBeGreaterThan(from[1]);
    }
  });

  test('are fine at the root and finer towards the tip: at 720 x 1280 and an arm’s length none is 3 pixels wide', () => {
    // A face 0.56 m before a lens of 44 degrees: so many pixels a metre.
    const pixels = 1280 / (2 * 0.56 * Math.tan((22 * Math.PI) / 180));
    const width = (lash: number, joint: number) =>
      distance(at(points, lash, 2 * joint), at(points, lash, 2 * joint + 1)) * pixels;
    for (let l = 0; l < count; l++) {
      expect(width(l, 0)).toBeLessThan(3);
      expect(width(l, 0)).toBeGreaterThan(0.5);
      for (let p = 1; p < LASH_PIECES; p++) expect(width(l, p)).toBeLessThan(width(l, p - 1));
    }
  });

  test('longer and more curled as asked', () => {
    const long = lashPoints(NEUTRAL_FACE, 'right', { ...style, length: 2 });
    expect(meanLength(long, count) / meanLength(points, count)).toBeCloseTo(2, 1);
    const straight = lashPoints(NEUTRAL_FACE, 'right', { ...style, curl: 0 });
    let higher = 0;
    for (let l = 0; l < count; l++) higher += tip(points, l)[1] - tip(straight, l)[1];
    expect(higher / count).toBeGreaterThan(0.001);
  });

  test('go down with the lid as it closes', () => {
    const shut = Float64Array.from(NEUTRAL_FACE);
    // The upper lid turns about the middle of the eyeball.
    for (const i of EYE_RIGHT.slice(9)) {
      const turned = rotate(fromAngles([38, 0, 0]), subtract(pointAt(NEUTRAL_FACE, i), EYEBALL_RIGHT));
      turned.forEach((x, k) => (shut[3 * i + k] = x + EYEBALL_RIGHT[k]!));
    }
    const closed = lashPoints(shut, 'right', style);
    const middle = Math.floor(count / 2);
    const way = (p: Float32Array) => normalise(subtract(tip(p, middle), root(p, middle)))[1];
    expect(way(closed)).toBeLessThan(way(points) - 0.2);
    expect(tip(closed, middle)[1]).toBeLessThan(tip(points, middle)[1] - 0.003);
  });

  test('both eyes are alike, and the same every time', () => {
    const left = lashPoints(NEUTRAL_FACE, 'left', style);
    for (const l of [5, 20, 40]) {
      const [a, b] = [tip(points, l), tip(left, l)];
      expect(distance([-a[0], a[1], a[2]], b)).toBeLessThan(0.0015);
    }
    expect(lashPoints(NEUTRAL_FACE, 'right', style)).toEqual(points);
  });
});
