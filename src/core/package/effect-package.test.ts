import { describe, expect, test } from '@jest/globals';
import Ajv from 'ajv/dist/2020.js';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { sampleAsset, sampleEffect } from '../document/sample';
import type { AssetId } from '../document/schema';
import { readPackage, trimForRelease, writePackage } from './effect-package';
import { manifestJsonSchema } from './manifest';

const effect = {
  ...sampleEffect(2, 1),
  listing: { summary: 'Two shells.', tags: ['shell'], icon: sampleAsset(0).id },
};
effect.assets[sampleAsset(9).id] = sampleAsset(9);
const bytesOf = (id: AssetId) => new Uint8Array(effect.assets[id]!.bytes).fill(7);
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
    expect([...opened.assets.keys()]).toEqual(['asset_sample0', 'asset_sample1']);
    expect(opened.assets.get(sampleAsset(1).id)!.bytes).toEqual(bytesOf(sampleAsset(1).id));
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
