import { describe, expect, test } from '@jest/globals';
import { Document, WebIO } from '@gltf-transform/core';
import { EXTMeshoptCompression, ALL_EXTENSIONS } from '@gltf-transform/extensions';
import { meshopt, draco } from '@gltf-transform/functions';
import draco3d from 'draco3dgltf';
import fc from 'fast-check';
import { MeshoptDecoder, MeshoptEncoder, MeshoptSimplifier } from 'meshoptimizer';
import { sharpCodec } from '../../../../scripts/sharp-codec';
import { painted, plain, png, text, u32le } from '../testing';
import { cross, dot, length, subtract, type Vec3 } from '../../maths/vec3';
import { companionsOf } from './companions';
import { checkGlb } from './glb';
import { boundsOf, inspectModel, partsOf, worldTriangles } from './inspect';
import { cornerNormals } from './normals';
import { readObj } from './obj';
import { openGlb, openGltf, writeGlb, type ModelDecoders } from './open-model';
import { plainDocument } from './plain-model';
import { AS_IT_IS } from './as-it-is';
import { headFactor, prepareModel, type PrepareTools } from './prepare';
import { settleModel } from './settle';
import { readStl } from './stl';
import { deviationBetween, squaredToTriangle, Surface } from './surface-distance';
import { triangulate } from './triangulate';

const decoders: ModelDecoders = {
  draco: () => draco3d.createDecoderModule(),
  meshopt: async () => {
    await MeshoptDecoder.ready;
    return MeshoptDecoder;
  },
};
const tools: PrepareTools = {
  codec: sharpCodec,
  simplifier: async () => {
    await MeshoptSimplifier.ready;
    return MeshoptSimplifier;
  },
};
const settleTools = { codec: sharpCodec, ktx2: () => Promise.reject(new Error('no ktx2 here')) };

/** A surface of revolution: `profile` gives radius and height around. */
const ring = (radius: number, thick: number, steps = 48, around = 16): Document => {
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
const glbOf = (document: Document): Promise<Uint8Array> => writeGlb(document);
const sizeIn = (document: Document): Vec3 => {
  const { low, high } = boundsOf(worldTriangles(document));
  return subtract(high, low);
};

describe('polygons become triangles', () => {
  const area = (points: readonly Vec3[], order: readonly number[]): number => {
    let sum = 0;
    for (let i = 0; i < order.length; i += 3) {
      const [a, b, c] = [points[order[i]!]!, points[order[i + 1]!]!, points[order[i + 2]!]!];
      sum += length(cross(subtract(b, a), subtract(c, a))) / 2;
    }
    return sum;
  };
  test('an L that is not convex keeps its area and its side', () => {
    const l: Vec3[] = [
      [0, 0, 0],
      [2, 0, 0],
      [2, 1, 0],
      [1, 1, 0],
      [1, 2, 0],
      [0, 2, 0],
    ];
    const order = triangulate(l);
    expect(order).toHaveLength(12);
    expect(area(l, order)).toBeCloseTo(3, 9);
    for (let i = 0; i < order.length; i += 3) {
      const [a, b, c] = [l[order[i]!]!, l[order[i + 1]!]!, l[order[i + 2]!]!];
      expect(cross(subtract(b, a), subtract(c, a))[2]).toBeGreaterThan(0);
    }
  });
  test('any star, in any plane, gives n - 2 triangles of the same area', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 1, noNaN: true }), { minLength: 5, maxLength: 20 }),
        fc.integer({ min: 0, max: 2 }),
        (radii, axis) => {
          const flat = radii.map((r, i) => {
            const a = (i / radii.length) * 2 * Math.PI;
            return [r * Math.cos(a), r * Math.sin(a)] as const;
          });
          const points = flat.map(([x, y]): Vec3 =>
            axis === 0 ? [3, x, y] : axis === 1 ? [y, 3, x] : [x, y, 3],
          );
          const shoelace =
            Math.abs(
              flat.reduce(
                (s, [x, y], i) =>
                  s + x * flat[(i + 1) % flat.length]![1] - flat[(i + 1) % flat.length]![0] * y,
                0,
              ),
            ) / 2;
          const order = triangulate(points);
          return order.length === (points.length - 2) * 3 && Math.abs(area(points, order) - shoelace) < 1e-9;
        },
      ),
    );
  });
  test('what has no area or crosses itself does not hang', () => {
    expect(triangulate([[0, 0, 0]])).toEqual([]);
    expect(triangulate(Array.from({ length: 6 }, (): Vec3 => [1, 1, 1]))).toHaveLength(12);
    expect(
      triangulate([
        [0, 0, 0],
        [1, 1, 0],
        [1, 0, 0],
        [0, 1, 0],
      ]).length,
    ).toBeGreaterThan(0);
  });
});

test('normals are smooth over gentle edges and sharp over hard ones', () => {
  // Two squares that meet at an angle: corners on the shared edge.
  const roof = (fold: number): Float32Array => {
    const [c, s] = [Math.cos((fold * Math.PI) / 180), Math.sin((fold * Math.PI) / 180)];
    const positions = [0, 0, 0, 1, 0, 0, 0, 0, -1, 0, 0, 0, -c, -s, 0, 0, 0, 1];
    return cornerNormals(positions, [0, 1, 2, 3, 4, 5], 40);
  };
  const n = (list: Float32Array, i: number): Vec3 => [list[i * 3]!, list[i * 3 + 1]!, list[i * 3 + 2]!];
  expect(dot(n(roof(60), 0), [0, 1, 0])).toBeCloseTo(1, 5);
  expect(Math.abs(n(roof(20), 0)[0])).toBeGreaterThan(0.05);
});

const CUBE = `# eight corners
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
const MTL = `newmtl Shell\nKd 0.5 0.5 0.5\nNs 100\nd 0.5\nmap_Kd -s 1 1 1 tex/wood grain.png\n`;

describe('OBJ', () => {
  const texture = png(plain(4, 4, [200, 100, 50, 255]));
  test('quads, negative numbers, parts, materials and a texture with options before its name', () => {
    const companions = companionsOf(
      new Map([
        ['m/box.mtl', text(MTL)],
        ['textures/Wood Grain.png', texture],
      ]),
      'm/',
    );
    const model = readObj(text(CUBE), 'm/box.obj', companions);
    expect(model.notes).toEqual([]);
    expect(model.meshes.map((m) => m.part)).toEqual(['Box', 'Lid']);
    const document = plainDocument(model.meshes, model.materials);
    const facts = inspectModel(document);
    expect(facts).toMatchObject({
      triangles: 12,
      materials: 1,
      textures: 1,
      texturePixels: 4,
      low: [-1, -1, -1],
      high: [1, 1, 1],
    });
    const material = document.getRoot().listMaterials()[0]!;
    expect(material.getAlphaMode()).toBe('BLEND');
    expect(material.getBaseColorFactor()).toEqual([1, 1, 1, 0.5]);
    // All normals point out of the cube.
    const primitive = document.getRoot().listMeshes()[0]!.listPrimitives()[0]!;
    const [p, q]: [number[], number[]] = [[], []];
    for (let i = 0; i < primitive.getAttribute('POSITION')!.getCount(); i++) {
      primitive.getAttribute('POSITION')!.getElement(i, p);
      primitive.getAttribute('NORMAL')!.getElement(i, q);
      expect(dot(p as unknown as Vec3, q as unknown as Vec3)).toBeGreaterThan(0.9);
    }
  });
  test('what did not come along is named', () => {
    expect(readObj(text(CUBE), 'box.obj').notes[0]).toContain('box.mtl');
    const half = readObj(text(CUBE), 'box.obj', companionsOf(new Map([['box.mtl', text(MTL)]])));
    expect(half.notes[0]).toContain('wood grain.png');
  });
  test.each([
    ['a point that is not there', 'v 0 0 0\nf 1 2 3\n', 'line 2'],
    ['a point zero', 'v 0 0 0\nf 0 0 0\n', 'line 2'],
    ['a missing number', 'v 0 0\n', 'line 1'],
    ['points alone', 'v 0 0 0\nv 1 0 0\n', 'no faces'],
    ['points that are no numbers', 'v a b c\nv 1 0 0\nv 0 1 0\nf 1 2 3\n', 'numbers'],
  ])('%s is a sentence', (_what, obj, words) => {
    expect(() => readObj(text(obj), 'shell.obj')).toThrow(
      expect.objectContaining({
        name: 'IconiaError',
        message: expect.stringMatching(new RegExp(`shell\\.obj.*${words}`)),
      }),
    );
  });
});

describe('STL', () => {
  const triangle = [0, 0, 0, 1, 0, 0, 0, 1, 0];
  const binary = (triangles: number[][]): Uint8Array => {
    const bytes = new Uint8Array(84 + 50 * triangles.length);
    const view = new DataView(bytes.buffer);
    view.setUint32(80, triangles.length, true);
    triangles.forEach((t, i) => t.forEach((x, k) => view.setFloat32(84 + 50 * i + 12 + 4 * k, x, true)));
    return bytes;
  };
  const ascii =
    'solid s\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid s\n';
  test('binary and text give the same triangle', () => {
    for (const bytes of [binary([triangle]), text(ascii)])
      expect(readStl(bytes, 's.stl').meshes[0]!.positions).toEqual(triangle);
  });
  test('points that are no numbers are left out with their triangle, and that is said', () => {
    const model = readStl(binary([triangle, [NaN, ...triangle.slice(1)]]), 's.stl');
    expect(model.meshes[0]!.positions).toHaveLength(9);
    expect(model.notes[0]).toContain('1 triangles');
  });
  test('cut off or empty, it is a sentence', () => {
    for (const bytes of [binary([triangle]).slice(0, 100), binary([]), text(ascii.slice(0, 80))])
      expect(() => readStl(bytes, 's.stl')).toThrow(
        expect.objectContaining({ message: expect.stringContaining('s.stl') }),
      );
  });
});

describe('GLB', () => {
  test('is written and read back, plain, with Draco and with meshopt', async () => {
    const original = ring(0.08, 0.01);
    const facts = inspectModel(original);
    const io = new WebIO().registerExtensions(ALL_EXTENSIONS).registerDependencies({
      'draco3d.encoder': await draco3d.createEncoderModule(),
      'meshopt.encoder': MeshoptEncoder,
    });
    await MeshoptEncoder.ready;
    const packed = {
      plain: await glbOf(original),
      draco: await io.writeBinary(await ring(0.08, 0.01).transform(draco())),
      meshopt: await io.writeBinary(await ring(0.08, 0.01).transform(meshopt({ encoder: MeshoptEncoder }))),
    };
    for (const [kind, bytes] of Object.entries(packed)) {
      const opened = await openGlb(bytes, `${kind}.glb`, decoders);
      await settleModel(opened, `${kind}.glb`, settleTools);
      const seen = inspectModel(opened);
      expect(seen.triangles).toBe(facts.triangles);
      sizeIn(opened).forEach((x, k) => expect(x).toBeCloseTo(sizeIn(original)[k]!, 3));
      // Written again, it needs no decoder any more.
      const again = checkGlb(await writeGlb(opened), 'again.glb');
      expect(JSON.stringify(again.json.extensionsRequired ?? [])).not.toMatch(/draco|meshopt/);
    }
    expect(packed.draco.length).toBeLessThan(packed.plain.length);
    expect(EXTMeshoptCompression.EXTENSION_NAME).toBe('EXT_meshopt_compression');
  });

  const json = (change: (j: Record<string, unknown>) => void): Promise<Uint8Array> =>
    glbOf(ring(0.08, 0.01)).then((bytes) => {
      const { json: j, bin } = checkGlb(bytes, 'x.glb');
      change(j);
      return glb(j, bin!);
    });
  const glb = (j: object, bin: Uint8Array, lie = 0): Uint8Array => {
    const description = text(JSON.stringify(j).padEnd(Math.ceil(JSON.stringify(j).length / 4) * 4));
    const data = new Uint8Array(Math.ceil(bin.length / 4) * 4);
    data.set(bin);
    const total = 12 + 8 + description.length + 8 + data.length + lie;
    return Uint8Array.from([
      ...text('glTF'),
      ...u32le(2),
      ...u32le(total),
      ...u32le(description.length),
      ...text('JSON'),
      ...description,
      ...u32le(data.length),
      ...text('BIN\0'),
      ...data,
    ]);
  };
  const opens = (bytes: Uint8Array) =>
    openGlb(bytes, 'crown.glb', decoders).then((d) => settleModel(d, 'crown.glb', settleTools));
  const refusal = (code: string) =>
    expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('crown.glb') });
  type J = Record<string, unknown[]> & { nodes: { children?: number[]; translation?: unknown[] }[] };

  test.each<[string, string, (j: J) => void]>([
    [
      'a cycle of parts',
      'model.broken',
      (j) => {
        j.nodes.push({ children: [2] }, { children: [1] });
      },
    ],
    [
      'a part in two others',
      'model.broken',
      (j) => {
        j.nodes.push({ children: [0] }, { children: [0] });
      },
    ],
    [
      'a part that is not there',
      'model.broken',
      (j) => {
        j.nodes.push({ children: [99] });
      },
    ],
    [
      '100,000 parts',
      'model.nodes',
      (j) => {
        j.nodes.push(...Array.from({ length: 100_000 }, () => ({})));
      },
    ],
    [
      'a place that is no number',
      'model.broken',
      (j) => {
        j.nodes[0]!.translation = [null, 0, 0];
      },
    ],
    [
      'an accessor beyond its data',
      'model.broken',
      (j) => {
        (j.accessors[0] as { count: number }).count *= 2;
      },
    ],
    [
      'a view beyond its buffer',
      'model.broken',
      (j) => {
        (j.bufferViews[0] as { byteLength: number }).byteLength = 1e9;
      },
    ],
    [
      'a buffer that is not there',
      'model.cut-off',
      (j) => {
        (j.buffers[0] as { byteLength: number }).byteLength = 1e9;
      },
    ],
    [
      'an address outside',
      'model.outside',
      (j) => {
        j.images = [{ uri: 'https://example.invalid/a.png' }];
      },
    ],
    [
      'an unknown extension that it needs',
      'model.extension',
      (j) => {
        j.extensionsRequired = ['ODD_shape'];
      },
    ],
    [
      'another version',
      'model.version',
      (j) => {
        (j as unknown as { asset: object }).asset = { version: '1.0' };
      },
    ],
    [
      'no meshes',
      'model.empty',
      (j) => {
        j.nodes.forEach((n) => delete (n as { mesh?: number }).mesh);
        j.meshes = [];
      },
    ],
  ])('%s is a sentence', async (_what, code, change) => {
    await expect(opens(await json((j) => change(j as J)))).rejects.toEqual(refusal(code));
  });
  test('lengths that lie, and an end anywhere', async () => {
    const bytes = await glbOf(ring(0.08, 0.01, 8, 4));
    const { json: j, bin } = checkGlb(bytes, 'x');
    await expect(opens(glb(j, bin!, 4))).rejects.toEqual(refusal('model.cut-off'));
    for (let end = 0; end < bytes.length; end += 13)
      await expect(opens(bytes.slice(0, end))).rejects.toEqual(
        expect.objectContaining({ name: 'IconiaError', message: expect.stringContaining('crown.glb') }),
      );
  });
  test('points that are no numbers are left out with their triangles, and that is said', async () => {
    const document = ring(0.08, 0.01, 8, 4);
    const position = document.getRoot().listMeshes()[0]!.listPrimitives()[0]!.getAttribute('POSITION')!;
    position.setElement(0, [NaN, 0, 0]);
    const before = inspectModel(document).triangles;
    const opened = await openGlb(await glbOf(document), 'crown.glb', decoders);
    const notes = await settleModel(opened, 'crown.glb', settleTools);
    expect(notes.join()).toContain('1 points of crown.glb');
    expect(inspectModel(opened).triangles).toBe(before - 1);
    expect(inspectModel(opened).high.every((x) => Number.isFinite(x))).toBe(true);
  });
  test('glTF finds its files by name, and does without a picture that did not come', async () => {
    const document = ring(0.08, 0.01, 8, 4);
    const texture = document
      .createTexture('t')
      .setImage(png(plain(2, 2, [1, 2, 3, 255])) as Uint8Array<ArrayBuffer>)
      .setMimeType('image/png')
      .setURI('t.png');
    document.getRoot().listMaterials()[0]!.setBaseColorTexture(texture);
    const { json: j, resources } = await new WebIO().writeJSON(document);
    const files = new Map(Object.entries(resources).map(([k, v]) => [`scan/${k}`, v as Uint8Array]));
    const bytes = text(JSON.stringify(j));
    const whole = await openGltf(bytes, 'scan.gltf', companionsOf(files, 'scan/'), decoders);
    expect(whole.notes).toEqual([]);
    expect(inspectModel(whole.document)).toMatchObject({ textures: 1, triangles: 64 });
    const without = await openGltf(
      bytes,
      'scan.gltf',
      companionsOf(new Map([...files].filter(([k]) => !k.endsWith('.png')))),
      decoders,
    );
    expect(without.notes[0]).toContain('t.png');
    await expect(openGltf(bytes, 'scan.gltf', companionsOf(new Map()), decoders)).rejects.toMatchObject({
      code: 'model.companion',
    });
  });
});

describe('repairs', () => {
  test('units, up and pivot: where points land', async () => {
    const original = ring(8, 1);
    const { document } = await prepareModel(
      original,
      { ...AS_IT_IS, up: 'z', size: { kind: 'factor', factor: 0.01 }, pivot: { kind: 'base' } },
      tools,
    );
    // The ring lies in x and z; with z up it stands on its edge.
    const { low, high } = boundsOf(worldTriangles(document));
    expect(low[1]).toBeCloseTo(0, 6);
    expect(high[1]).toBeCloseTo(0.18, 4);
    expect((low[0] + high[0]) / 2).toBeCloseTo(0, 6);
    expect(high[2] - low[2]).toBeCloseTo(0.02, 4);
    // The original is not touched.
    expect(sizeIn(original)[0]).toBeCloseTo(18, 3);
  });
  test('fits a ring around a head by its hole, whatever stands out of it', async () => {
    const document = ring(9, 1);
    expect(headFactor(worldTriangles(document)) * 16).toBeCloseTo(0.178, 2);
    const { document: fitted } = await prepareModel(document, { ...AS_IT_IS, size: { kind: 'head' } }, tools);
    expect(sizeIn(fitted)[0]).toBeCloseTo((0.178 * 20) / 16, 2);
  });
  test('a pivot on a picked part, and a longest side', async () => {
    const model = readObj(text(CUBE.replace('mtllib box.mtl', '')), 'box.obj');
    const document = plainDocument(model.meshes, model.materials);
    expect(partsOf(document).map((p) => p.name)).toEqual(['Box', 'Lid']);
    const { document: moved } = await prepareModel(
      document,
      { ...AS_IT_IS, size: { kind: 'longest', metres: 0.5 }, pivot: { kind: 'part', part: 0 } },
      tools,
    );
    expect(Math.max(...sizeIn(moved))).toBeCloseTo(0.5, 6);
    // The first part is bottom and two sides: its middle is the middle of the cube.
    expect(boundsOf(worldTriangles(moved)).low[0]).toBeCloseTo(-0.25, 6);
  });
  test('simplifies to the budget and says how far the surface moved', async () => {
    const original = ring(0.08, 0.02, 160, 40);
    expect(inspectModel(original).triangles).toBe(12_800);
    const { document, deviation } = await prepareModel(original, { ...AS_IT_IS, triangles: 2000 }, tools);
    const { triangles } = inspectModel(document);
    expect(triangles).toBeLessThanOrEqual(2000);
    expect(triangles).toBeGreaterThan(1200);
    expect(deviation!.most).toBeGreaterThan(0);
    expect(deviation!.most).toBeLessThan(0.01);
  });
  test('drops what nothing uses and shrinks textures, keeping transparency', async () => {
    const document = ring(0.08, 0.01, 8, 4);
    const picture = painted(64, 64, (x, y) => [x * 4, y * 4, 99, x < 32 ? 255 : 0]);
    const used = document
      .createTexture('used')
      .setImage(png(picture) as Uint8Array<ArrayBuffer>)
      .setMimeType('image/png');
    document
      .createTexture('unused')
      .setImage(png(picture) as Uint8Array<ArrayBuffer>)
      .setMimeType('image/png');
    const primitive = document.getRoot().listMeshes()[0]!.listPrimitives()[0]!;
    const count = primitive.getAttribute('POSITION')!.getCount();
    primitive.setAttribute(
      'TEXCOORD_0',
      document
        .createAccessor()
        .setType('VEC2')
        .setArray(new Float32Array(count * 2))
        .setBuffer(document.getRoot().listBuffers()[0]!),
    );
    document.getRoot().listMaterials()[0]!.setBaseColorTexture(used).setAlphaMode('BLEND');
    const { document: light } = await prepareModel(
      document,
      { ...AS_IT_IS, prune: true, pack: true, textures: { longest: 16, format: 'jpeg', quality: 80 } },
      tools,
    );
    const facts = inspectModel(light);
    expect(facts).toMatchObject({ textures: 1, texturePixels: 16 });
    expect(light.getRoot().listTextures()[0]!.getMimeType()).toBe('image/webp');
    expect((await writeGlb(light)).length).toBeLessThan((await writeGlb(document)).length);
    expect(sizeIn(light)[0]).toBeCloseTo(0.18, 3);
  });
  test('a skinned model is measured where its bones put it, and is sized with them', async () => {
    const document = ring(8, 1, 8, 4);
    const root = document.getRoot();
    const node = root.listNodes()[0]!;
    const buffer = root.listBuffers()[0]!;
    const bone = document.createNode('Bone').setScale([0.01, 0.01, 0.01]);
    root.listScenes()[0]!.addChild(bone);
    const primitive = root.listMeshes()[0]!.listPrimitives()[0]!;
    const count = primitive.getAttribute('POSITION')!.getCount();
    primitive
      .setAttribute(
        'JOINTS_0',
        document
          .createAccessor()
          .setType('VEC4')
          .setArray(new Uint8Array(count * 4))
          .setBuffer(buffer),
      )
      .setAttribute(
        'WEIGHTS_0',
        document
          .createAccessor()
          .setType('VEC4')
          .setArray(Float32Array.from({ length: count * 4 }, (_, i) => (i % 4 === 0 ? 1 : 0)))
          .setBuffer(buffer),
      );
    node.setSkin(document.createSkin().addJoint(bone));
    expect(inspectModel(document)).toMatchObject({ bones: 1 });
    expect(sizeIn(document)[0]).toBeCloseTo(0.18, 3);
    const { document: doubled } = await prepareModel(
      document,
      { ...AS_IT_IS, size: { kind: 'factor', factor: 2 } },
      tools,
    );
    expect(sizeIn(doubled)[0]).toBeCloseTo(0.36, 3);
  });
});

describe('distance to a surface', () => {
  const coordinate = fc.double({ min: -2, max: 2, noNaN: true });
  const point: fc.Arbitrary<Vec3> = fc.tuple(coordinate, coordinate, coordinate);
  test('the nearest point of a triangle is in it and nothing in it is nearer', () => {
    fc.assert(
      fc.property(
        point,
        point,
        point,
        point,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (p, a, b, c, u, v) => {
          const near = Math.sqrt(squaredToTriangle(...p, [...a, ...b, ...c], 0));
          const [s, t] = u + v > 1 ? [1 - u, 1 - v] : [u, v];
          const inside = [0, 1, 2].map(
            (k) => a[k]! + s * (b[k]! - a[k]!) + t * (c[k]! - a[k]!),
          ) as unknown as Vec3;
          return near <= length(subtract(p, inside)) + 1e-9;
        },
      ),
    );
  });
  test('the tree finds what looking at every triangle finds', () => {
    const points = worldTriangles(ring(1, 0.3, 24, 8));
    const surface = new Surface(points);
    fc.assert(
      fc.property(point, (p) => {
        let best = Infinity;
        for (let i = 0; i < points.length; i += 9) {
          best = Math.min(best, Math.sqrt(squaredToTriangle(...p, points, i)));
        }
        return Math.abs(surface.distance(p) - best) < 1e-6;
      }),
      { numRuns: 50 },
    );
  });
  test('a surface does not deviate from itself, and by its offset from another', () => {
    const flat = Float32Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0]);
    const raised = flat.map((x, i) => (i % 3 === 2 ? 0.1 : x));
    expect(deviationBetween(flat, flat).most).toBeCloseTo(0, 9);
    expect(deviationBetween(flat, raised).most).toBeCloseTo(0.1, 6);
  });
});
