import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import * as fontkit from 'fontkit';
import { unpackWoff } from './woff';

const file = (weight: number): Uint8Array =>
  new Uint8Array(
    readFileSync(`node_modules/@fontsource/hanken-grotesk/files/hanken-grotesk-latin-${weight}-normal.woff`),
  );

describe('a WOFF font unpacked', () => {
  test.each([400, 700])(
    'of weight %d is the OpenType font it was made from: same names, same glyphs',
    (weight) => {
      const woff = file(weight);
      const plain = unpackWoff(woff, 'tide.woff');
      expect(new DataView(plain.buffer).getUint32(0)).toBe(0x00010000);
      const [before, after] = [
        fontkit.create(Buffer.from(woff)),
        fontkit.create(Buffer.from(plain)),
      ] as fontkit.Font[];
      expect(after!.familyName).toBe(before!.familyName);
      expect(after!.numGlyphs).toBe(before!.numGlyphs);
      const outline = (font: fontkit.Font): string =>
        font
          .layout('Low Tide')
          .glyphs.map((g) => g.path.toSVG())
          .join();
      expect(outline(after!)).toBe(outline(before!));
      expect(outline(after!).length).toBeGreaterThan(500);
    },
  );

  test('its tables lie in the file, on fours, and sum up to what the directory says', () => {
    const plain = unpackWoff(file(400), 'tide.woff');
    const view = new DataView(plain.buffer);
    for (let i = 0; i < view.getUint16(4); i++) {
      const [tag, checksum, offset, size] = [0, 4, 8, 12].map((k) => view.getUint32(12 + 16 * i + k)) as [
        number,
        number,
        number,
        number,
      ];
      expect(offset % 4).toBe(0);
      expect(offset + size).toBeLessThanOrEqual(plain.length);
      let sum = 0;
      for (let k = 0; k < size; k += 4) sum = (sum + view.getUint32(offset + k)) >>> 0;
      // The table `head` holds a sum over the whole file, which is left out of its own.
      if (tag !== 0x68656164) expect(sum).toBe(checksum);
    }
  });

  test('that is cut off is refused by name', () => {
    expect(() => unpackWoff(file(400).slice(0, 900), 'tide.woff')).toThrow(/tide\.woff/);
  });
});
