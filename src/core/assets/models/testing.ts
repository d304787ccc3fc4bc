/** What the tests of models share. */
import { Document, type Node } from '@gltf-transform/core';
import draco3d from 'draco3dgltf';
import { MeshoptDecoder, MeshoptSimplifier } from 'meshoptimizer';
import { sharpCodec } from '../../../../scripts/sharp-codec';
import { subtract, type Vec3 } from '../../maths/vec3';
import { boundsOf } from './bounds';
import { worldTriangles } from './inspect';
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

/**
 * A lantern as tools write them: in centimetres, lying on its back, under a node that sets both right. Its lid has its origin at the hinge,
 * a knob hangs in the lid; its glass was never given an origin. Lit, the lid opens by 90 degrees in a second.
 */
export const lantern = (): Document => {
  const document = new Document();
  const buffer = document.createBuffer();
  const colours: Record<string, [number, number, number, number]> = {
    'Lid of brass': [0.8, 0.02, 0.02, 1],
    Glass: [0.1, 0.2, 0.9, 1],
  };
  const material = (name: string) =>
    document
      .createMaterial(colours[name] ? name : 'Iron')
      .setBaseColorFactor(colours[name] ?? [0.3, 0.3, 0.3, 1])
      .setMetallicFactor(0);
  const block = (name: string, low: Vec3, high: Vec3, at: Vec3 = [0, 0, 0]): Node => {
    const corners = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((i) =>
      [0, 1, 2].map((k) => ((i >> k) & 1 ? high[k]! : low[k]!)),
    );
    const faces = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6];
    const primitive = document
      .createPrimitive()
      .setAttribute(
        'POSITION',
        document.createAccessor().setType('VEC3').setArray(Float32Array.from(corners)).setBuffer(buffer),
      )
      .setIndices(
        document.createAccessor().setType('SCALAR').setArray(Uint16Array.from(faces)).setBuffer(buffer),
      )
      .setMaterial(material(name));
    const mesh = document.createMesh(`${name} mesh`).addPrimitive(primitive);
    return document.createNode(name).setMesh(mesh).setTranslation([at[0], at[1], at[2]]);
  };
  // Up is z here, in centimetres.
  const body = block('Body', [-10, -10, 0], [10, 10, 20]);
  const lid = block('Lid of brass', [-10, -20, 0], [10, 0, 2], [0, 10, 20]);
  const knob = block('Knob', [-1, -1, 0], [1, 1, 3], [0, -10, 2]);
  const glass = block('Glass', [-5, -5, 4], [5, 5, 16]);
  lid.addChild(knob);
  const half = Math.SQRT1_2;
  const root = document
    .createNode('Lantern')
    .setRotation([-half, 0, 0, half])
    .setScale([0.01, 0.01, 0.01])
    .addChild(body)
    .addChild(lid)
    .addChild(glass);
  document.createScene('Scene').addChild(root);
  const times = document.createAccessor().setType('SCALAR').setArray(Float32Array.of(0, 1)).setBuffer(buffer);
  const turns = document
    .createAccessor()
    .setType('VEC4')
    .setArray(Float32Array.of(0, 0, 0, 1, -half, 0, 0, half))
    .setBuffer(buffer);
  const sampler = document.createAnimationSampler().setInput(times).setOutput(turns);
  const channel = document
    .createAnimationChannel()
    .setTargetNode(lid)
    .setTargetPath('rotation')
    .setSampler(sampler);
  document.createAnimation('Open').addSampler(sampler).addChannel(channel);
  return document;
};
