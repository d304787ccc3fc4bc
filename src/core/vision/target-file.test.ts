/** What a printed picture is found by, as bytes. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makePictureTarget } from './picture-target';
import { MOST_TARGET_BYTES, readTarget, writeTarget } from './target-file';
import { testPoster } from './testing';

const picture = testPoster(1);
const target = makePictureTarget(picture);
const bytes = writeTarget(target, picture);

describe('written and read', () => {
  test('it is the same target, to the last bit', () => {
    expect(target.described.count).toBeGreaterThan(400);
    expect(readTarget(bytes, picture)).toEqual(target);
  });
  test('also of pictures with nothing on them, and of other shapes', () => {
    for (const other of [
      testPoster(2, 0, 64, 40),
      testPoster(3, 40, 640, 100),
      testPoster(4, 40, 60, 900),
      testPoster(5, 1, 4, 4),
    ]) {
      const made = makePictureTarget(other);
      expect(readTarget(writeTarget(made, other), other)).toEqual(made);
    }
  });
  test('it weighs what its size is bounded by, or less', () => {
    expect(bytes.length).toBeGreaterThan(20_000);
    expect(MOST_TARGET_BYTES).toBeGreaterThan(bytes.length);
    expect(MOST_TARGET_BYTES).toBeLessThan(120_000);
  });
  test('from the midst of other bytes', () => {
    const among = new Uint8Array(bytes.length + 7);
    among.set(bytes, 3);
    expect(readTarget(among.subarray(3, 3 + bytes.length), picture)).toEqual(target);
  });
});

describe('what is none', () => {
  const refused = expect.objectContaining({ code: 'target.unreadable' });
  const reading =
    (of: Uint8Array, beside = picture) =>
    () =>
      readTarget(of, beside);
  test('cut off anywhere, longer than it says, empty', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: bytes.length - 1 }), (length) => {
        expect(reading(bytes.slice(0, length))).toThrow(refused);
      }),
      { numRuns: 60 },
    );
    expect(reading(Uint8Array.of(...bytes, 0))).toThrow(refused);
  });
  test('of another picture, of another version, something else', () => {
    expect(reading(bytes, testPoster(1, 40, 360, 484))).toThrow(/belongs to another picture/);
    const newer = bytes.slice();
    newer[4] = 9;
    expect(reading(newer)).toThrow(/another version/);
    expect(reading(new TextEncoder().encode('<!doctype html><html></html>'))).toThrow(/something else/);
  });
  test('counts that promise more than there is, numbers that are none, places beside the picture', () => {
    const changed = (at: number, value: number, as: 'u32' | 'f32' = 'u32'): Uint8Array => {
      const copy = bytes.slice();
      const view = new DataView(copy.buffer);
      if (as === 'u32') view.setUint32(at, value, true);
      else view.setFloat32(at, value, true);
      return copy;
    };
    expect(reading(changed(12, 0xffffffff))).toThrow(/too large/);
    expect(reading(changed(16, 0xffffffff))).toThrow(/too large/);
    expect(reading(changed(20, NaN, 'f32'))).toThrow(/no number/);
    expect(reading(changed(bytes.length - 4, 0xffffffff))).toThrow(/beside the picture/);
    const views = target.described.views.length;
    const { count } = target.described;
    const ofViews = 20 + views * 24 + count * (32 + 12);
    const wrong = bytes.slice();
    wrong[ofViews] = views;
    expect(reading(wrong)).toThrow(/a view that it has not/);
  });
  test('any bytes at all are read or refused with that sentence, and nothing else happens', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), fc.integer({ min: 0, max: 19 }), (noise, from) => {
        const of = bytes.slice();
        of.set(noise, from);
        try {
          readTarget(of, picture);
        } catch (error) {
          expect(error).toEqual(refused);
        }
      }),
      { numRuns: 100 },
    );
  });
});
