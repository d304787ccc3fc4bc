import { describe, expect, test } from '@jest/globals';
import { fromAngles, rotate } from '../../maths/quaternion';
import { pointAt, type Vec3 } from '../../maths/vec3';
import { FACE_LANDMARKS } from '../landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES, TRIANGLES, UV } from '../neutral';
import { refine, subdivide } from '../subdivide';
import { FACE_WIDTH, transferMesh, type SculptedMesh } from './sculpted';

/** Sculpted: a chin drawn down and forward, a broader nose, a raised brow. Metres, smooth. */
const sculpt = ([x, y, z]: Vec3): Vec3 => {
  const near = (i: number, radius: number): number => {
    const [a, b, c] = pointAt(NEUTRAL_FACE, i);
    return Math.exp(-((x - a) ** 2 + (y - b) ** 2 + (z - c) ** 2) / radius ** 2);
  };
  const [chin, nose, brow] = [near(152, 0.03), near(4, 0.018), near(9, 0.03)];
  return [x * (1 + 0.25 * nose), y - 0.018 * chin + 0.004 * brow, z + 0.008 * chin + 0.003 * nose];
};
const WANTED = Float32Array.from({ length: FACE_LANDMARKS * 3 }, (_, k) => {
  const i = Math.floor(k / 3);
  return sculpt(pointAt(NEUTRAL_FACE, i))[k % 3]! - NEUTRAL_FACE[k]!;
});
const rmsOff = (moves: Float32Array): number => {
  let sum = 0;
  for (let k = 0; k < moves.length; k++) sum += (moves[k]! - WANTED[k]!) ** 2;
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
const other: SculptedMesh = (() => {
  const finer = subdivide(FACE_LANDMARKS, OPEN_TRIANGLES);
  return { positions: mapped(refine(finer, NEUTRAL_FACE, 3), sculpt), triangles: finer.triangles, uv: null };
})();
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
    expect(rmsOff(moves)).toBeLessThan(0.01);
    // The tip of the chin goes nearly as far as it was drawn.
    expect(moves[3 * 152 + 1]! / WANTED[3 * 152 + 1]!).toBeGreaterThan(0.7);
  });
  test('100 times too large and turned by 90 degrees it is fitted by itself', () => {
    const { moves, fit, error } = transferMesh(moved(other, 100, [-90, 0, 0], [14, 3, -8]));
    expect(fit.scale * 100).toBeGreaterThan(0.94);
    expect(fit.scale * 100).toBeLessThan(1.06);
    expect(error).toBeLessThan(0.03);
    expect(rmsOff(moves)).toBeLessThan(0.012);
  });
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
