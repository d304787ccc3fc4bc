import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { u32 } from '../testing';
import { readFont } from './font';

const woff2 = new Uint8Array(
  readFileSync(
    'node_modules/@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
  ),
);

describe('fonts', () => {
  test('say their family, style, glyphs and what they allow', () => {
    expect(readFont(woff2, 'hanken.woff2')).toMatchObject({
      mime: 'font/woff2',
      family: 'Hanken Grotesk',
      style: 'Regular',
      embedding: 'free',
    });
    expect(readFont(woff2, 'hanken.woff2').glyphs).toBeGreaterThan(200);
  });
  test('cut off, swollen or no fonts at all are sentences', () => {
    const swollen = woff2.slice();
    swollen.set(u32(0x7fffffff), 16);
    const tables = Uint8Array.from([
      0,
      1,
      0,
      0,
      0,
      1,
      0,
      0,
      0,
      0,
      0,
      0,
      110,
      97,
      109,
      101,
      0,
      0,
      0,
      0,
      ...u32(9999),
      ...u32(9999),
    ]);
    for (const [bytes, code] of [
      [woff2.slice(0, 4000), 'font.cut-off'],
      [swollen, 'font.bomb'],
      [tables, 'font.cut-off'],
      [Uint8Array.from([0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]), 'font.broken'],
      [new TextEncoder().encode('Dear creator'), 'font.not-a-font'],
    ] as const)
      expect(() => readFont(bytes, 'kelp.ttf')).toThrow(
        expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('kelp.ttf') }),
      );
  });
});
