import { describe, expect, test } from '@jest/globals';
import { EYE_OPENINGS, FACE_REGIONS, faceRegion } from './regions';
import { OVAL } from './landmarks';
import { UV } from './neutral';
import { isInside } from '../maths/polygon';
import { fillOutlines, maskBounds, MOUTH_BELOW, regionMask } from './region-mask';
import { soften } from '../maths/soften';

const SIZE = 256;
const at = (mask: Uint8Array, u: number, v: number): number =>
  mask[Math.min(SIZE - 1, Math.floor(v * SIZE)) * SIZE + Math.min(SIZE - 1, Math.floor(u * SIZE))]!;

describe('outlines filled', () => {
  test('a square covers its area, shares at the edge', () => {
    const mask = fillOutlines(
      [
        [
          [0.1, 0.1],
          [0.35, 0.1],
          [0.35, 0.6],
          [0.1, 0.6],
        ],
      ],
      50,
    );
    expect(mask.reduce((a, b) => a + b, 0) / 2500).toBeCloseTo(0.25 * 0.5, 6);
    // 0.35 * 50 = 17.5: the eighteenth pixel of a row is half inside.
    expect(mask[10 * 50 + 17]).toBeCloseTo(0.5, 6);
    expect(mask[10 * 50 + 18]).toBe(0);
  });
  test('a hole is left out', () => {
    const square = (a: number, b: number) =>
      [
        [a, a],
        [b, a],
        [b, b],
        [a, b],
      ] as const;
    const mask = fillOutlines([square(0, 1), square(0.25, 0.75)], 40);
    expect(mask.reduce((a, b) => a + b, 0)).toBeCloseTo(1600 - 400, 4);
  });
});

describe('softening', () => {
  test('spreads a point as a Gaussian of that deviation, and loses nothing', () => {
    const size = 101;
    const mask = new Float32Array(size * size);
    mask[50 * size + 50] = 1;
    soften(mask, size, size, 6);
    let [sum, variance] = [0, 0];
    mask.forEach((m, i) => {
      sum += m;
      variance += m * ((i % size) - 50) ** 2;
    });
    expect(sum).toBeCloseTo(1, 4);
    expect(Math.sqrt(variance)).toBeGreaterThan(5.4);
    expect(Math.sqrt(variance)).toBeLessThan(6.6);
  });
  test('what lies anywhere in a mask is softened the same way, at one edge as at the other', () => {
    /** A block in a mask of 90 x 70, three pixels wide. */
    const softened = (left: number, top: number): ((x: number, y: number) => number) => {
      const mask = new Float32Array(90 * 70);
      for (let y = 0; y < 12; y++) for (let x = 0; x < 3; x++) mask[90 * (y + top) + x + left] = 0.8;
      soften(mask, 90, 70, 3);
      return (x, y) => mask[90 * y + x]!;
    };
    const [middle, moved, first, last] = [
      softened(40, 30),
      softened(33, 23),
      softened(0, 0),
      softened(87, 58),
    ];
    expect(middle(41, 36)).toBeGreaterThan(0.1);
    for (let y = 10; y < 60; y++)
      for (let x = 10; x < 70; x++) expect(moved(x - 7, y - 7)).toBeCloseTo(middle(x, y), 5);
    for (let y = 0; y < 30; y++)
      for (let x = 0; x < 20; x++) expect(last(89 - x, 69 - y)).toBeCloseTo(first(x, y), 5);
  });
  test('hardly soft is left as it is', () => {
    const mask = Float32Array.from([0, 1, 0, 0]);
    soften(mask, 2, 2, 0.05);
    expect([...mask]).toEqual([0, 1, 0, 0]);
  });
});

describe('masks of regions', () => {
  test.each(FACE_REGIONS)(
    '%s: full inside, nothing at the edge of the face, the same on both sides',
    (name) => {
      const mask = regionMask(name, SIZE);
      expect(Math.max(...mask)).toBeGreaterThan(name === 'liner' || name === 'lipLiner' ? 110 : 160);
      let [left, right] = [0, 0];
      mask.forEach((m, i) => (i % SIZE < SIZE / 2 ? (left += m) : (right += m)));
      expect(left / right).toBeGreaterThan(0.93);
      expect(left / right).toBeLessThan(1.07);
      // No seam where the mesh of the face ends.
      if (name !== 'face')
        for (const i of OVAL) expect(at(mask, UV[2 * i]!, UV[2 * i + 1]!)).toBeLessThan(16);
    },
  );

  test('the whole face is there in full when it is hard', () => {
    const mask = regionMask('face', SIZE, 0);
    expect(at(mask, 0.5, 0.5)).toBe(255);
    const [x, y] = [UV[2 * 234]!, UV[2 * 234 + 1]!];
    expect(at(mask, x + 0.01, y)).toBe(255);
  });

  test('softness widens the edge and keeps the middle', () => {
    const count = (mask: Uint8Array) => mask.filter((m) => m > 8 && m < 247).length;
    expect(count(regionMask('nose', SIZE, 3))).toBeGreaterThan(1.5 * count(regionMask('nose', SIZE, 1)));
    expect(count(regionMask('nose', SIZE, 0))).toBeLessThan(0.6 * count(regionMask('nose', SIZE, 1)));
  });

  test('lips leave the mouth out, and the line between eyes and mouth lies between them', () => {
    const middleOf = (outline: readonly (readonly [number, number])[]) =>
      outline.reduce(([a, b], [u, v]) => [a + u / outline.length, b + v / outline.length], [0, 0]) as [
        number,
        number,
      ];
    const mouth = faceRegion('lips').holes[0]!;
    expect(at(regionMask('lips', SIZE, 0), ...middleOf(mouth))).toBeLessThan(160);
    for (const [, v] of mouth) expect(v).toBeGreaterThan(MOUTH_BELOW);
    for (const eye of EYE_OPENINGS) for (const [, v] of eye) expect(v).toBeLessThan(MOUTH_BELOW);
  });

  test('bounds hold all that is painted', () => {
    const [left, top, right, bottom] = maskBounds(regionMask('lips', SIZE), SIZE)!;
    for (const [u, v] of faceRegion('lips').outlines[0]!) {
      expect(u).toBeGreaterThan(left);
      expect(u).toBeLessThan(right);
      expect(v).toBeGreaterThan(top);
      expect(v).toBeLessThan(bottom);
    }
    expect(right - left).toBeLessThan(0.5);
    expect(maskBounds(new Uint8Array(16), 4)).toBeNull();
  });

  test('outlines of the new regions lie inside the face', () => {
    const oval = OVAL.map((i) => [UV[2 * i]!, UV[2 * i + 1]!] as const);
    for (const name of ['crease', 'lipLiner', 'noseBridge', 'noseTip'] as const)
      for (const line of faceRegion(name).outlines)
        for (const point of line) expect(isInside(point, oval)).toBe(true);
  });
});

/** Of a mask on the wearer's right cheek: how long it is to how broad, how it rises towards the temple in degrees, and its values. */
const strokeOf = (mask: Uint8Array) => {
  let [sum, mu, mv] = [0, 0, 0];
  const half: (readonly [number, number, number])[] = [];
  mask.forEach((m, i) => {
    const [x, y] = [i % SIZE, Math.floor(i / SIZE)];
    if (x >= SIZE / 2 || m === 0) return;
    half.push([x, y, m]);
    sum += m;
    mu += m * x;
    mv += m * y;
  });
  [mu, mv] = [mu / sum, mv / sum];
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y, m] of half) {
    xx += (m * (x - mu) ** 2) / sum;
    xy += (m * (x - mu) * (y - mv)) / sum;
    yy += (m * (y - mv) ** 2) / sum;
  }
  const spread = Math.hypot(xx - yy, 2 * xy);
  return {
    ratio: Math.sqrt((xx + yy + spread) / (xx + yy - spread)),
    // The temple is to the left, and up is less.
    rise: (Math.atan2(2 * xy, xx - yy) / 2) * (180 / Math.PI),
    values: half.map(([, , m]) => m),
  };
};
test.each(['cheeks', 'cheekbones', 'contour'] as const)('%s run from the cheek up to the temple', (name) => {
  const { ratio, rise } = strokeOf(regionMask(name, SIZE));
  expect(ratio).toBeGreaterThan(1.4);
  expect(rise).toBeGreaterThan(18);
  expect(rise).toBeLessThan(50);
});
test('blush is hardly anywhere even: most of it is on its way out, so that it has no rim', () => {
  const { values } = strokeOf(regionMask('cheeks', SIZE));
  const most = Math.max(...values);
  const shareAbove = (t: number) => values.filter((m) => m > t * most).length / values.length;
  expect(shareAbove(0.9)).toBeLessThan(0.12);
  expect(shareAbove(0.5)).toBeLessThan(0.45);
});
