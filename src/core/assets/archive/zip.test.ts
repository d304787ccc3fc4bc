import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { u16le, u32le } from '../testing';
import { crc32, readZip } from './zip';

const refusal = (code: string) =>
  expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('frames.zip') });
const opened = (bytes: Uint8Array) => {
  const zip = readZip(bytes, 'frames.zip');
  return Object.fromEntries(zip.entries.map((e) => [e.path, zip.read(e)]));
};
/** Changes bytes at the first place where the signature stands. */
const changed = (bytes: Uint8Array, signature: number, at: number, to: readonly number[]): Uint8Array => {
  const copy = bytes.slice();
  const view = new DataView(copy.buffer);
  for (let i = 0; i + 4 <= copy.length; i++)
    if (view.getUint32(i, true) === signature) {
      copy.set(to, i + at);
      return copy;
    }
  throw new Error('no such signature');
};
const DIRECTORY = 0x02014b50;

test('CRC-32 of the check string (ISO 3309)', () => expect(crc32(strToU8('123456789'))).toBe(0xcbf43926));

describe('zip', () => {
  test('what is packed comes out again, stored and deflated', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.stringMatching(/^[a-z]{1,8}(\/[a-z]{1,8})?$/), fc.uint8Array({ maxLength: 300 }), {
          maxKeys: 8,
        }),
        fc.constantFrom(0, 6),
        (files, level) => {
          expect(opened(zipSync(files, { level: level as 0 | 6 }))).toEqual(files);
        },
      ),
    );
  });
  test('folders are no files', () => {
    expect(Object.keys(opened(zipSync({ 'a/': new Uint8Array(), 'a/b.txt': strToU8('x') })))).toEqual([
      'a/b.txt',
    ]);
  });
  const zip = zipSync({ 'frames/one.png': strToU8('one'.repeat(50)), 'two.png': strToU8('two'.repeat(50)) });
  test.each<[string, string, Uint8Array]>([
    ['a path that climbs out', 'zip.path', zipSync({ '../../etc/one.png': strToU8('x') })],
    ['a path with a drive', 'zip.path', zipSync({ 'C:\\one.png': strToU8('x') })],
    ['an absolute path', 'zip.path', zipSync({ '/one.png': strToU8('x') })],
    ['a bomb', 'zip.bomb', zipSync({ 'zeros.bin': new Uint8Array(30_000_000) }, { level: 9 })],
    ['a size that lies upwards', 'zip.bomb', changed(zip, DIRECTORY, 24, u32le(0x7fffffff))],
    ['a size that lies downwards', 'zip.damaged', changed(zip, DIRECTORY, 24, u32le(5))],
    ['a check sum that lies', 'zip.damaged', changed(zip, DIRECTORY, 16, u32le(5))],
    ['a password', 'zip.encrypted', changed(zip, DIRECTORY, 8, u16le(1))],
    ['an unusual packing', 'zip.method', changed(zip, DIRECTORY, 10, u16le(99))],
    ['a broken directory', 'zip.damaged', changed(zip, DIRECTORY, 0, u32le(0))],
    ['no zip at all', 'zip.cut-off', strToU8('PK and nothing more, really')],
    ['more entries than are there', 'zip.damaged', changed(zip, 0x06054b50, 10, u16le(9))],
    ['the 64-bit kind', 'zip.zip64', changed(zip, 0x06054b50, 10, u16le(0xffff))],
  ])('%s is refused', (_what, code, bytes) => {
    expect(() => opened(bytes)).toThrow(expect.objectContaining({ name: 'IconiaError', code }));
  });
  test('entries that share bytes are refused', () => {
    const twice = changed(zip, DIRECTORY, 42, u32le(0));
    const second = twice.slice();
    const view = new DataView(second.buffer);
    let seen = 0;
    for (let i = 0; i + 4 <= second.length; i++)
      if (view.getUint32(i, true) === DIRECTORY && ++seen === 2) second.set(u32le(0), i + 42);
    expect(() => opened(second)).toThrow(refusal('zip.bomb'));
  });
  test('cut off anywhere', () => {
    for (let end = 0; end < zip.length; end++)
      expect(() => opened(zip.slice(0, end))).toThrow(expect.objectContaining({ name: 'IconiaError' }));
  });
});
