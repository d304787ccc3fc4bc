/** STL, binary and text: triangles only, without parts, materials or unit. */
import { Bytes } from '../bytes';
import { MOST_TRIANGLES } from '../limits';
import { cutOff, refuse } from '../refuse';
import type { PlainMesh } from './plain-model';

export interface StlModel {
  readonly meshes: readonly PlainMesh[];
  readonly notes: readonly string[];
}

const finish = (positions: number[], name: string): StlModel => {
  const kept: number[] = [];
  for (let i = 0; i + 8 < positions.length; i += 9) {
    const triangle = positions.slice(i, i + 9);
    if (triangle.every((x) => Number.isFinite(x))) kept.push(...triangle);
  }
  const skipped = (positions.length - kept.length) / 9;
  if (kept.length === 0)
    refuse('model.empty', `${name} has no triangles: there is nothing to see. Export it again.`);
  return {
    meshes: [
      {
        part: name.replace(/^.*\//, '').replace(/\.[^.]+$/, ''),
        material: '',
        positions: kept,
        uvs: [],
        normals: [],
      },
    ],
    notes: skipped > 0 ? [`${skipped} triangles with points that are no numbers were left out.`] : [],
  };
};

/** Throws `IconiaError`: `model.*`. */
export const readStl = (bytes: Uint8Array, name: string): StlModel => {
  const from = new Bytes(bytes, () => cutOff('model', name));
  const isText = /^\s*solid\b[\s\S]{0,2000}?facet\s+normal/.test(
    new TextDecoder('latin1').decode(bytes.subarray(0, 4096)),
  );
  const tooMany = (): never =>
    refuse(
      'model.triangles',
      `${name} has more than ${MOST_TRIANGLES / 1e6} million triangles. Simplify it before you export it.`,
    );
  if (!isText) {
    const count = from.u32le(80);
    if (count > MOST_TRIANGLES) tooMany();
    if (84 + 50 * count > from.length) cutOff('model', name);
    const positions: number[] = [];
    for (let t = 0; t < count; t++)
      for (let k = 0; k < 9; k++) positions.push(from.f32le(84 + t * 50 + 12 + k * 4));
    return finish(positions, name);
  }
  const text = new TextDecoder().decode(bytes);
  const positions: number[] = [];
  for (const match of text.matchAll(/\bvertex\s+(\S+)\s+(\S+)\s+(\S+)/g)) {
    positions.push(Number(match[1]), Number(match[2]), Number(match[3]));
    if (positions.length > MOST_TRIANGLES * 9) tooMany();
  }
  if (!/\bendsolid\b/.test(text)) cutOff('model', name);
  if (positions.length % 9 !== 0)
    refuse('model.broken', `${name} is a damaged STL: a triangle lacks a corner. Export it again.`);
  return finish(positions, name);
};
