/** What the tests of models share. */
import type { Document } from '@gltf-transform/core';
import draco3d from 'draco3dgltf';
import { MeshoptDecoder, MeshoptSimplifier } from 'meshoptimizer';
import { sharpCodec } from '../../../../scripts/sharp-codec';
import { subtract, type Vec3 } from '../../maths/vec3';
import { boundsOf, worldTriangles } from './inspect';
import { writeGlb, type ModelDecoders } from './open-model';
import { plainDocument } from './plain-model';
import type { PrepareTools } from './prepare';

export const decoders: ModelDecoders = {
  draco: () => draco3d.createDecoderModule(),
  meshopt: async () => {
    await MeshoptDecoder.ready;
    return MeshoptDecoder;
  },
};
export const tools: PrepareTools = {
  codec: sharpCodec,
  simplifier: async () => {
    await MeshoptSimplifier.ready;
    return MeshoptSimplifier;
  },
};
export const settleTools = { codec: sharpCodec, ktx2: () => Promise.reject(new Error('no ktx2 here')) };

export const CUBE = `# eight corners
mtllib box.mtl
o Box
v -1 -1 -1\nv 1 -1 -1\nv 1 1 -1\nv -1 1 -1\nv -1 -1 1\nv 1 -1 1\nv 1 1 1\nv -1 1 1
vt 0 0\nvt 1 0\nvt 1 1\nvt 0 1
usemtl Shell
f 1/1 4/4 3/3 2/2
f 5/1 6/2 7/3 8/4
f 1/1 2/2 6/3 5/4
g Lid
f 4/1 8/2 7/3 3/4
f -8/1 -4/2 -1/3 -5/4
f 2/1 3/2 7/3 6/4
`;

/** A surface of revolution: `profile` gives radius and height around. */
export const ring = (radius: number, thick: number, steps = 48, around = 16): Document => {
  const positions: number[] = [];
  const point = (i: number, j: number): Vec3 => {
    const [a, b] = [(i / steps) * 2 * Math.PI, (j / around) * 2 * Math.PI];
    const r = radius + thick * Math.cos(b);
    return [r * Math.cos(a), thick * Math.sin(b) + thick, r * Math.sin(a)];
  };
  for (let i = 0; i < steps; i++)
    for (let j = 0; j < around; j++) {
      const [a, b, c, d] = [point(i, j), point(i, j + 1), point(i + 1, j), point(i + 1, j + 1)];
      positions.push(...a, ...b, ...c, ...b, ...d, ...c);
    }
  return plainDocument([{ part: 'Ring', material: '', positions, uvs: [], normals: [] }], new Map());
};
export const glbOf = (document: Document): Promise<Uint8Array> => writeGlb(document);
export const sizeIn = (document: Document): Vec3 => {
  const { low, high } = boundsOf(worldTriangles(document));
  return subtract(high, low);
};
