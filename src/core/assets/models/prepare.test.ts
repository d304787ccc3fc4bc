import { describe, expect, test } from '@jest/globals';
import { painted, png, text } from '../testing';
import { boundsOf } from './bounds';
import { inspectModel, partsOf, worldTriangles } from './inspect';
import { readObj } from './obj';
import { writeGlb } from './open-model';
import { plainDocument } from './plain-model';
import { AS_IT_IS } from './as-it-is';
import { wornFactor } from './worn-as';
import { prepareModel } from './prepare';

import { CUBE, ring, sizeIn, tools } from './testing';

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
    expect(wornFactor(worldTriangles(document), 'crown') * 16).toBeCloseTo(0.178, 2);
    const { document: fitted } = await prepareModel(
      document,
      { ...AS_IT_IS, size: { kind: 'head', as: 'crown' } },
      tools,
    );
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
