import { describe, expect, test } from '@jest/globals';
import { WebIO } from '@gltf-transform/core';
import { EXTMeshoptCompression, ALL_EXTENSIONS } from '@gltf-transform/extensions';
import { meshopt, draco } from '@gltf-transform/functions';
import draco3d from 'draco3dgltf';
import { MeshoptEncoder } from 'meshoptimizer';
import { plain, png, text, u32le } from '../testing';
import { companionsOf } from './companions';
import { checkGlb } from './glb';
import { checkGltf } from './gltf-structure';
import { inspectModel } from './inspect';
import { openGlb, openGltf, writeGlb } from './open-model';
import { settleModel } from './settle';

import { decoders, glbOf, ring, settleTools, sizeIn } from './testing';

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

describe('what a model claims', () => {
  const asset = { version: '2.0' };
  const none = () => 0;
  test('a chain of thousands of parts is refused at once', () => {
    const nodes = Array.from({ length: 15_000 }, (_, i) => (i < 14_999 ? { children: [i + 1] } : {}));
    const began = performance.now();
    expect(() => checkGltf({ asset, nodes }, 'chain.gltf', none)).toThrow(
      expect.objectContaining({ code: 'model.deep', message: expect.stringContaining('chain.gltf') }),
    );
    expect(performance.now() - began).toBeLessThan(2000);
    const wide = [
      { children: Array.from({ length: 5000 }, (_, i) => i + 1) },
      ...Array<object>(5000).fill({}),
    ];
    expect(() => checkGltf({ asset, nodes: wide }, 'wide.gltf', none)).not.toThrow();
  });
  test('a few hundred bytes that claim gigabytes are refused before anything is made', () => {
    const accessors = Array<object>(40).fill({ count: 20_000_000, componentType: 5126, type: 'VEC4' });
    expect(() => checkGltf({ asset, accessors }, 'claim.gltf', none)).toThrow(
      expect.objectContaining({ code: 'model.too-heavy', message: expect.stringContaining('512 MB') }),
    );
    const buffers = [{ byteLength: 0 }, { byteLength: 2_000_000_000 }];
    expect(() => checkGltf({ asset, buffers }, 'claim.gltf', none)).toThrow(
      expect.objectContaining({ code: 'model.too-heavy' }),
    );
  });
});
