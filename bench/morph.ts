/** Face morphs: a sculpted mesh of 5,000 triangles that is no face layout, fitted and transferred. */
import { NEUTRAL_FACE } from '../src/core/face/neutral';
import { transferMesh, type SculptedMesh } from '../src/core/face/morph/sculpted';
import { spotOnFace } from '../src/core/face/skin-spot';
import { median, report } from './report';

const SIDE = 51;
/** A grid over the middle of the face, its chin drawn down, in centimetres and lying on its back. */
const grid = (): SculptedMesh => {
  const face = Float32Array.from(NEUTRAL_FACE);
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let j = 0; j < SIDE; j++)
    for (let i = 0; i < SIDE; i++) {
      // Rounded like a face: a square's corners lie beyond it.
      const [a, b] = [(2 * i) / (SIDE - 1) - 1, (2 * j) / (SIDE - 1) - 1];
      const [x, y] = [a * Math.sqrt(1 - (b * b) / 2), b * Math.sqrt(1 - (a * a) / 2)];
      const [px, py, pz] = spotOnFace(face, [0.5 + 0.46 * x, 0.5 + 0.47 * y]).position;
      const low = Math.max(0, -py - 0.05) / 0.05;
      positions.push(100 * px, 100 * pz, -100 * (py - 0.015 * low * low));
    }
  for (let j = 0; j + 1 < SIDE; j++)
    for (let i = 0; i + 1 < SIDE; i++) {
      const k = j * SIDE + i;
      triangles.push(k, k + SIDE, k + 1, k + 1, k + SIDE, k + SIDE + 1);
    }
  return { positions, triangles, uv: null };
};

const mesh = grid();
const times = Array.from({ length: 5 }, () => {
  const start = performance.now();
  transferMesh(mesh);
  return performance.now() - start;
});
report({ name: 'morph.transfer-5k', value: median(times), unit: 'ms' });
