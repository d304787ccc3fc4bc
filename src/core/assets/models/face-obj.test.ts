import { describe, expect, test } from '@jest/globals';
import { transferMesh } from '../../face/morph/sculpted';
import { sliderMoves } from '../../face/morph/moves';
import { FACE_LANDMARKS } from '../../face/landmarks';
import { FACE_WIDTH } from '../../face/morph/sculpted';
import { faceObj } from './face-obj';
import { readObj } from './obj';
import { openGlb, writeGlb } from './open-model';
import { plainDocument } from './plain-model';
import { sculptedMeshOf } from './sculpted-mesh';

const NO_DECODERS = {} as Parameters<typeof openGlb>[2];

/** As a creator does it: the face is taken out, changed, brought in as a model, and measured. */
const throughFiles = async (moves: Float32Array | null) => {
  const text = new TextEncoder().encode(faceObj(moves));
  const { meshes, materials } = readObj(text, 'face.obj');
  const glb = await writeGlb(plainDocument(meshes, materials));
  return transferMesh(sculptedMeshOf(await openGlb(glb, 'face.glb', NO_DECODERS)), 'face.glb');
};

describe('the face to sculpt', () => {
  test('untouched, it changes nothing', async () => {
    const { moves, by, error } = await throughFiles(null);
    expect(by).toBe('layout');
    expect(error).toBeLessThan(0.0001);
    expect(Math.max(...moves.map(Math.abs))).toBeLessThan(0.00001);
  });

  test('sculpted, every point is found where it was put', async () => {
    const wanted = sliderMoves('chin');
    const { moves, by } = await throughFiles(wanted);
    expect(by).toBe('layout');
    const off = Math.sqrt(moves.reduce((s, v, k) => s + (v - wanted[k]!) ** 2, 0) / FACE_LANDMARKS);
    expect(off / FACE_WIDTH).toBeLessThan(0.004);
    expect(moves[3 * 152 + 1]! / wanted[3 * 152 + 1]!).toBeGreaterThan(0.95);
  });
});
