import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromAngles, rotate } from '../maths/quaternion';
import { add, subtract, type Vec3 } from '../maths/vec3';
import { newCard } from '../kinds/objects/card';
import { cardAfter } from './replaced-card';
import { sampleAsset } from '../document/sample';
import type { Card, ObjectId, PictureAsset } from '../document/schema';

const picture = (width: number, height: number, layer: PictureAsset['layer'] = null): PictureAsset => ({
  ...sampleAsset(0),
  width,
  height,
  layer,
});
const layer = (
  left: number,
  top: number,
  width: number,
  height: number,
  canvas: [number, number] = [1000, 800],
) => picture(width, height, { canvas, left, top, width, height });
const card = (change: Partial<Card> = {}): Card => ({
  ...newCard('obj_1' as ObjectId, picture(100, 50), 0),
  extent: [0.2, 0.1],
  move: [0.01, 0.02, 0.03],
  ...change,
});

describe('a card whose picture is replaced', () => {
  test('by one of the same shape stays as it is, whatever its pixels', () => {
    const one = card();
    expect(cardAfter(one, picture(100, 50), picture(2000, 1000))).toBe(one);
  });
  test('by one of another shape keeps its width and its place', () => {
    expect(cardAfter(card(), picture(100, 50), picture(100, 200))).toEqual({
      extent: [0.2, 0.4],
      move: [0.01, 0.02, 0.03],
    });
  });
  test('a layer that grew to the right grows there, in the same metres a pixel', () => {
    const after = cardAfter(
      card({ extent: [0.02, 0.02] }),
      layer(100, 100, 100, 100),
      layer(100, 100, 200, 100),
    );
    expect(after.extent).toEqual([0.04, 0.02]);
    // Its left edge stays: the middle moves by half of what it grew.
    expect(after.move[0]).toBeCloseTo(0.02, 12);
    expect(after.move.slice(1)).toEqual([0.02, 0.03]);
  });
  test('another canvas says nothing about where the layer was: its place is kept', () => {
    const after = cardAfter(card(), layer(0, 0, 100, 50), layer(500, 500, 100, 50, [2000, 800]));
    expect(after.move).toEqual([0.01, 0.02, 0.03]);
  });
  test('what is painted stays where it is on the face: corners of the canvas do not move', () => {
    const place = fc.record({
      left: fc.integer({ min: 0, max: 800 }),
      top: fc.integer({ min: 0, max: 600 }),
      width: fc.integer({ min: 1, max: 200 }),
      height: fc.integer({ min: 1, max: 200 }),
    });
    const angle = fc.double({ min: -180, max: 180, noNaN: true });
    const factor = fc.double({ min: 0.2, max: 4, noNaN: true });
    /** Where a pixel of the canvas lies in space. */
    const inSpace = (
      c: Pick<Card, 'extent' | 'move' | 'turn' | 'scale'>,
      l: ReturnType<typeof layer>,
      x: number,
      y: number,
    ): Vec3 => {
      const p = l.layer!;
      const own: Vec3 = [
        ((x - p.left) / p.width - 0.5) * c.extent[0] * c.scale[0],
        -(((y - p.top) / p.height - 0.5) * c.extent[1]) * c.scale[1],
        0,
      ];
      return add(c.move, rotate(fromAngles(c.turn), own));
    };
    fc.assert(
      fc.property(
        place,
        place,
        fc.tuple(angle, angle, angle),
        fc.tuple(factor, factor),
        (a, b, turn, [sx, sy]) => {
          const [old, next] = [
            layer(a.left, a.top, a.width, a.height),
            layer(b.left, b.top, b.width, b.height),
          ];
          const before = card({ turn, scale: [sx, sy, 1], extent: [a.width * 0.0002, a.height * 0.0002] });
          const after = { ...before, ...cardAfter(before, old, next) };
          for (const [x, y] of [
            [0, 0],
            [1000, 0],
            [333, 800],
          ] as const) {
            const moved = subtract(inSpace(after, next, x, y), inSpace(before, old, x, y));
            expect(Math.hypot(...moved)).toBeLessThan(1e-9);
          }
        },
      ),
    );
  });
});

test('what covered the backdrop covers it with a picture of any shape; elsewhere the width is kept', () => {
  const square = { ...sampleAsset(3), width: 300, height: 300 };
  const tall = { ...sampleAsset(4), width: 100, height: 400 };
  const wide = { ...sampleAsset(5), width: 800, height: 100 };
  const behind = newCard('obj_behind' as ObjectId, sampleAsset(1), 0, { kind: 'backdrop' });
  for (const next of [square, tall, wide]) {
    const [width, height] = cardAfter(behind, sampleAsset(1), next).extent;
    expect(width).toBeGreaterThan(0.09 - 1e-9);
    expect(height).toBeGreaterThan(0.16 - 1e-9);
    expect(width / height).toBeCloseTo(next.width / next.height, 6);
  }
  const small = { ...behind, extent: [0.03, 0.03] as [number, number] };
  expect(cardAfter(small, sampleAsset(1), tall).extent).toEqual([0.03, expect.closeTo(0.12, 9)]);
});
