/** What is printed has the size that it is said to have. */
import { describe, expect, test } from '@jest/globals';
import { PDFDocument, PDFRawStream, decodePDFRawStream } from '@cantoo/pdf-lib';
import { encode } from 'fast-png';
import { pageSize, printSheet } from './print-sheet';

const POINTS = 72 / 0.0254;
const png = encode({ width: 3, height: 4, channels: 3, depth: 8, data: new Uint8Array(36).fill(90) });

describe('a sheet to print', () => {
  test('A4 upright or across where the picture fits, else as large as it asks for', () => {
    expect(pageSize(0.14, 0.19)).toEqual([0.21, 0.297]);
    expect(pageSize(0.25, 0.13)).toEqual([0.297, 0.21]);
    const [w, h] = pageSize(0.6, 0.8);
    expect(w).toBeCloseTo(0.624, 9);
    expect(h).toBeCloseTo(0.854, 9);
    // A tiny picture still leaves room for the ruler.
    expect(pageSize(0.02, 0.4)[0]).toBeGreaterThan(0.12);
  });
  test('the picture and the ruler are drawn in their true size', async () => {
    const bytes = await printSheet({
      name: 'Tide card',
      bytes: png,
      mime: 'image/png',
      width: 0.15,
      height: 0.2,
    });
    const document = await PDFDocument.load(bytes);
    expect(document.getPageCount()).toBe(1);
    const [page] = document.getPages();
    expect(page!.getWidth()).toBeCloseTo(0.21 * POINTS, 3);
    const drawn = document.context
      .enumerateIndirectObjects()
      .map(([, object]) => object)
      .filter((object) => object instanceof PDFRawStream)
      .map((stream) => new TextDecoder('latin1').decode(decodePDFRawStream(stream).decode()))
      .find((text) => text.includes(' Do'))!;
    // The image's matrix: how large a unit square becomes.
    const scales = [...drawn.matchAll(/([\d.]+) 0 0 ([\d.]+) 0 0 cm/g)].map((m) => [
      Number(m[1]),
      Number(m[2]),
    ]);
    expect(scales).toContainEqual([expect.closeTo(0.15 * POINTS, 2), expect.closeTo(0.2 * POINTS, 2)]);
    // The ruler's long line is ten centimetres.
    const lines = [...drawn.matchAll(/([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/g)].map(
      (m) => Number(m[3]) - Number(m[1]),
    );
    expect(Math.max(...lines)).toBeCloseTo(0.1 * POINTS, 2);
  });
});
