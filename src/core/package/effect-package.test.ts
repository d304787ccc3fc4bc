import { describe, expect, test } from '@jest/globals';
import Ajv from 'ajv/dist/2020.js';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { newMorph } from '../kinds/objects/morph';
import { newModel } from '../kinds/objects/model';
import { sampleAsset, sampleEffect, sampleFile } from '../document/sample';
import { sampleModel } from '../document/sample-assets';
import type { FileRef, ObjectId } from '../document/schema';
import { packMoves } from '../face/morph/packed-moves';
import { trimForRelease, writePackage } from './effect-package';
import { readPackage } from './read-package';
import { manifestJsonSchema } from './manifest';

const effect = {
  ...sampleEffect(2, 1),
  listing: { summary: 'Two shells.', tags: ['shell'], icon: sampleAsset(0).id },
};
effect.assets[sampleAsset(9).id] = sampleAsset(9);
const bytesOf = (file: FileRef) => new Uint8Array(file.bytes).fill(7);
const zip = writePackage(effect, 3, bytesOf);

describe('effect package', () => {
  test('what is written is read back, without what is not used', () => {
    const opened = readPackage(zip);
    expect(opened.effect).toEqual(trimForRelease(effect));
    expect(opened.manifest).toMatchObject({
      name: 'Sample',
      release: 3,
      summary: 'Two shells.',
      tags: ['shell'],
    });
    const files = [sampleFile(0), sampleFile(1)];
    expect([...opened.files.keys()]).toEqual(files.map((f) => f.sha256));
    expect(opened.files.get(files[1]!.sha256)!.bytes).toEqual(bytesOf(files[1]!));
  });
  test('carries what viewers need, not what the atelier keeps beside it', () => {
    const model = { ...sampleModel(1), original: [sampleFile(40)], preview: sampleFile(41).sha256 };
    const id = 'obj_model' as ObjectId;
    const more = {
      ...effect,
      assets: { ...effect.assets, [model.id]: model },
      objects: { ...effect.objects, [id]: newModel(id, model, 9) },
    };
    const opened = readPackage(writePackage(more, 1, bytesOf));
    expect(opened.manifest.files.map((f) => f.path)).toContain(`assets/${model.files[0]!.sha256}.glb`);
    expect(opened.files.has(sampleFile(40).sha256)).toBe(false);
    expect(opened.effect.assets[model.id]).toMatchObject({ original: null, preview: null });
  });
  test('a morph travels without the model it was sculpted in', () => {
    const model = sampleModel(1);
    const id = 'obj_morph' as ObjectId;
    const moves = packMoves(new Float32Array(3 * 468).fill(0.001));
    const mesh = {
      asset: model.id,
      file: model.files[0]!.sha256,
      moves,
      error: 0.01,
      by: 'surface' as const,
    };
    const morph = { ...newMorph(id, 9), mesh };
    const more = {
      ...effect,
      assets: { ...effect.assets, [model.id]: model },
      objects: { ...effect.objects, [id]: morph },
    };
    const opened = readPackage(writePackage(more, 1, bytesOf));
    expect(opened.files.has(model.files[0]!.sha256)).toBe(false);
    expect(opened.effect.assets[model.id]).toBeUndefined();
    expect(opened.effect.objects[id]).toEqual(morph);
  });
  test('packages of versions 1 and 2 are still read', () => {
    const files = unzipSync(zip);
    const manifest = JSON.parse(new TextDecoder().decode(files['manifest.json'])) as Record<string, unknown>;
    const { files: list, targets: _targets, ...rest } = manifest;
    const old = {
      ...rest,
      version: 1,
      assets: (list as object[]).map((file, i) => ({ id: `asset_sample${i}`, ...file })),
    };
    const opened = readPackage(zipSync({ ...files, 'manifest.json': strToU8(JSON.stringify(old)) }));
    expect(opened.manifest.version).toBe(3);
    expect(opened.effect).toEqual(trimForRelease(effect));
    const second = { ...rest, files: list, version: 2 };
    const newer = readPackage(zipSync({ ...files, 'manifest.json': strToU8(JSON.stringify(second)) }));
    expect([newer.files.size, newer.targets.size]).toEqual([2, 0]);
  });
  test('what printed pictures are found by travels with them; without it the package is refused', () => {
    const [printed] = [sampleFile(0).sha256];
    const made = Uint8Array.from({ length: 300 }, (_, i) => i % 7);
    const packed = writePackage(effect, 1, bytesOf, new Map([[printed!, made]]));
    const opened = readPackage(packed);
    expect([...opened.targets]).toEqual([[printed, made]]);
    const path = opened.manifest.targets[0]!.path;
    const files = unzipSync(packed);
    expect(files[path]).toEqual(made);
    for (const instead of [made.slice(1), null]) {
      const { [path]: _gone, ...others } = files;
      const changed = zipSync(instead ? { ...others, [path]: instead } : others);
      expect(() => readPackage(changed)).toThrow(expect.objectContaining({ code: 'package.unreadable' }));
    }
  });
  test('the same effect gives the same bytes', () => {
    expect(writePackage(effect, 3, bytesOf)).toEqual(zip);
  });
  test('its manifest follows the JSON Schema that lies beside it', () => {
    const files = unzipSync(zip);
    const json = (name: string) => JSON.parse(new TextDecoder().decode(files[name])) as object;
    expect(json('manifest.schema.json')).toEqual(JSON.parse(JSON.stringify(manifestJsonSchema())));
    const validate = new Ajv({ strict: false }).compile(json('manifest.schema.json'));
    expect(validate(json('manifest.json'))).toBe(true);
    expect(validate({ ...json('manifest.json'), release: 0 })).toBe(false);
  });
  test.each([
    ['not a zip', strToU8('hello')],
    ['empty', new Uint8Array()],
    ['cut off', zip.slice(0, zip.length / 2)],
    ['no manifest', zipSync({ 'effect.json': strToU8('{}') })],
    ['a manifest that is no JSON', zipSync({ 'manifest.json': strToU8('{') })],
    ['another format', zipSync({ 'manifest.json': strToU8('{"format":"other"}') })],
    [
      'an asset missing',
      zipSync(
        Object.fromEntries(Object.entries(unzipSync(zip)).filter(([name]) => !name.startsWith('assets/'))),
      ),
    ],
    [
      'an asset changed',
      zipSync({
        ...unzipSync(zip),
        ...Object.fromEntries(
          Object.keys(unzipSync(zip))
            .filter((n) => n.startsWith('assets/'))
            .map((n) => [n, strToU8('x')]),
        ),
      }),
    ],
  ])('%s: refused with a sentence', (_what, bytes) => {
    expect(() => readPackage(bytes)).toThrow(expect.objectContaining({ code: 'package.unreadable' }));
  });
});
