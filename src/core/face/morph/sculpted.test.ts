import { describe, expect, test } from '@jest/globals';
import { fromAngles, rotate } from '../../maths/quaternion';
import { pointAt, type Vec3 } from '../../maths/vec3';
import { FACE_LANDMARKS } from '../landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES, TRIANGLES, UV } from '../neutral';
import { refine, subdivide } from '../subdivide';
import { FACE_WIDTH, transferMesh, type SculptedMesh } from './sculpted';

const near = ([x, y, z]: Vec3, i: number, radius: number): number => {
  const [a, b, c] = pointAt(NEUTRAL_FACE, i);
  return Math.exp(-((x - a) ** 2 + (y - b) ** 2 + (z - c) ** 2) / radius ** 2);
};
/** Sculpted: a chin drawn down and forward, a broader nose, a raised brow. Metres, smooth. */
const sculpt = (p: Vec3): Vec3 => {
  const [chin, nose, brow] = [near(p, 152, 0.03), near(p, 4, 0.018), near(p, 9, 0.03)];
  return [p[0] * (1 + 0.25 * nose), p[1] - 0.018 * chin + 0.004 * brow, p[2] + 0.008 * chin + 0.003 * nose];
};
/** Others, one part of the face each. */
const PARTS: Readonly<Record<string, (p: Vec3) => Vec3>> = {
  'a long nose': (p) => [p[0], p[1], p[2] + 0.012 * near(p, 4, 0.02)],
  'full cheeks': (p) => {
    const k = near(p, 50, 0.025) + near(p, 280, 0.025);
    return [p[0] * (1 + 0.05 * k), p[1], p[2] + 0.007 * k];
  },
};
const movesBy = (by: (p: Vec3) => Vec3): Float32Array =>
  Float32Array.from({ length: FACE_LANDMARKS * 3 }, (_, k) => {
    const i = Math.floor(k / 3);
    return by(pointAt(NEUTRAL_FACE, i))[k % 3]! - NEUTRAL_FACE[k]!;
  });
const WANTED = movesBy(sculpt);
const rmsOff = (moves: Float32Array, wanted = WANTED): number => {
  let sum = 0;
  for (let k = 0; k < moves.length; k++) sum += (moves[k]! - wanted[k]!) ** 2;
  return Math.sqrt(sum / FACE_LANDMARKS) / FACE_WIDTH;
};
/** How much a transfer that did nothing would be off. */
const NOTHING = rmsOff(new Float32Array(FACE_LANDMARKS * 3));

const mapped = (positions: ArrayLike<number>, at: (p: Vec3) => Vec3): Float32Array => {
  const out = new Float32Array(positions.length);
  for (let i = 0; i < positions.length / 3; i++) out.set(at(pointAt(positions, i)), 3 * i);
  return out;
};
const same: SculptedMesh = { positions: mapped(NEUTRAL_FACE, sculpt), triangles: TRIANGLES, uv: UV };
/** Another topology: finer, its corners elsewhere, no UVs. About 3,500 triangles. */
const finer = subdivide(FACE_LANDMARKS, OPEN_TRIANGLES);
const otherBy = (by: (p: Vec3) => Vec3): SculptedMesh => ({
  positions: mapped(refine(finer, NEUTRAL_FACE, 3), by),
  triangles: finer.triangles,
  uv: null,
});
const other = otherBy(sculpt);
const moved = (mesh: SculptedMesh, k: number, angles: Vec3, by: Vec3): SculptedMesh => {
  const q = fromAngles(angles);
  return {
    ...mesh,
    positions: mapped(mesh.positions, (p) => rotate(q, p).map((v, i) => k * v + by[i]!) as unknown as Vec3),
  };
};

describe('a sculpted mesh in the face layout', () => {
  test('moves every landmark as it was sculpted', () => {
    const { moves, by, error } = transferMesh(same);
    expect(by).toBe('layout');
    expect(rmsOff(moves)).toBeLessThan(0.004);
    expect(error).toBeLessThan(0.01);
  });
  test('also a hundred times too large, turned by a right angle and elsewhere', () => {
    const { moves } = transferMesh(moved(same, 100, [-90, 0, 0], [30, -12, 5]));
    expect(rmsOff(moves)).toBeLessThan(0.004);
  });
});

describe('a sculpted mesh of another topology', () => {
  test('is transferred to within 1 % of the face’s width', () => {
    const { moves, by } = transferMesh(other);
    expect(by).toBe('surface');
    expect(NOTHING).toBeGreaterThan(0.015);
    expect(rmsOff(moves)).toBeLessThan(0.008);
    // The tip of the chin goes as far as it was drawn.
    expect(moves[3 * 152 + 1]! / WANTED[3 * 152 + 1]!).toBeGreaterThan(0.93);
  });

  test.each(Object.entries(PARTS))(
    '%s too, of the open face and of one with eyes and mouth closed',
    (_, by) => {
      const closed = subdivide(FACE_LANDMARKS, TRIANGLES);
      const shut = {
        positions: mapped(refine(closed, NEUTRAL_FACE, 3), by),
        triangles: closed.triangles,
        uv: null,
      };
      const all = rmsOff(new Float32Array(FACE_LANDMARKS * 3), movesBy(by));
      for (const mesh of [otherBy(by), shut]) {
        const off = rmsOff(transferMesh(mesh).moves, movesBy(by));
        expect(off).toBeLessThan(0.008);
        expect(off).toBeLessThan(0.68 * all);
      }
    },
  );
});

describe('meshes that are none', () => {
  test('without triangles it says so', () =>
    expect(() => transferMesh({ positions: [0, 0, 0], triangles: [], uv: null }, 'crab.glb')).toThrow(
      'crab.glb has no triangles',
    ));
  test('a box does not resemble a face, and the sentence says how far off it is', () => {
    const box: SculptedMesh = {
      positions: [0, 0, 0, 1, 0, 0, 1, 0.02, 0, 0, 0.02, 0],
      triangles: [0, 1, 2, 0, 2, 3],
      uv: null,
    };
    expect(() => transferMesh(box, 'plank.glb')).toThrow(
      /plank\.glb does not resemble a face: .* \d+ % of its width/,
    );
  });
});
