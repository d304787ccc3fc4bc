/** How models are worn is told by their shape. Head pieces are fitted by what encloses the head: crowns and caps at their base, closed pieces where they are widest. */
import { describe, expect, test } from '@jest/globals';
import {
  EARRING_HEIGHT,
  GLASSES_WIDTH,
  HEAD_PIECE_WIDTH,
  HEAD_SHELL_WIDTH,
  MASK_WIDTH,
} from '../../face/head-fit';
import type { WornAs } from '../../schema/worn-as';
import { likelyWorn, wornFactor } from './worn-as';

/** As it is likely worn, or else as a crown. */
const headFactor = (points: ArrayLike<number>): number => wornFactor(points, likelyWorn(points) ?? 'crown');

/** A body of revolution: its radius from the base (0) to the top (1), in metres. */
const turned = (radius: (share: number) => number, tall: number, at = [0, 0, 0]): number[] => {
  const points: number[] = [];
  for (let i = 0; i <= 24; i++)
    for (let k = 0; k < 48; k++) {
      const [r, a] = [radius(i / 24), (k / 48) * 2 * Math.PI];
      points.push(at[0]! + r * Math.cos(a), at[1]! + (tall * i) / 24, at[2]! + r * Math.sin(a));
    }
  return points;
};
/** Wide in the middle, closed at the top, with the hole of a neck at the base. */
const shell = (wide: number, neck: number) => (share: number) =>
  share < 0.5
    ? neck + (wide - neck) * Math.sin(share * Math.PI)
    : wide * Math.sqrt(Math.max(0, 1 - ((share - 0.5) / 0.5) ** 2));

describe('how large a head piece has to be', () => {
  test('a closed one is fitted where it is widest, not at the hole of its neck', () => {
    // 30 cm wide with a neck hole of 10 cm: by its hole it would have become 53 cm wide.
    const k = headFactor(turned(shell(0.15, 0.05), 0.34));
    expect(0.3 * k).toBeCloseTo(HEAD_SHELL_WIDTH, 2);
  });
  test('as a crown too: nobody means the hole of its neck', () =>
    expect(0.3 * wornFactor(turned(shell(0.15, 0.05), 0.34), 'crown')).toBeCloseTo(HEAD_SHELL_WIDTH, 2));
  test('the same a hundred times as large, and away from its origin', () => {
    const k = headFactor(turned(shell(15, 5), 34, [40, 3, -7]));
    expect(30 * k).toBeCloseTo(HEAD_SHELL_WIDTH, 2);
  });
  test('a crown that opens upwards is fitted at its base', () => {
    const k = headFactor(turned((share) => 0.08 + 0.05 * share, 0.12));
    expect(0.16 * k).toBeGreaterThan(HEAD_PIECE_WIDTH * 0.85);
    expect(0.16 * k).toBeLessThan(HEAD_PIECE_WIDTH * 1.02);
  });
  test('a cap is fitted at its base, though it is closed above', () => {
    const k = headFactor(turned((share) => 0.1 * Math.sqrt(Math.max(0, 1 - share ** 2)), 0.1));
    expect(0.2 * k).toBeGreaterThan(HEAD_PIECE_WIDTH * 0.95);
    expect(0.2 * k).toBeLessThan(HEAD_PIECE_WIDTH * 1.25);
  });
  test('what has no hole is measured outside', () => {
    const block: number[] = [];
    for (const x of [-0.05, 0, 0.05])
      for (const y of [0, 0.1]) for (const z of [-0.05, 0, 0.05]) block.push(x, y, z);
    expect(headFactor(block) * 0.1).toBeCloseTo(HEAD_PIECE_WIDTH, 6);
  });
  test('nothing at all stays as it is', () => expect(headFactor([0, 0, 0])).toBe(1));
});

/** Points on a grid over a patch, each coordinate from two shares. */
const patch = (at: (u: number, v: number) => readonly [number, number, number], steps = 16): number[] => {
  const points: number[] = [];
  for (let i = 0; i <= steps; i++) for (let k = 0; k <= steps; k++) points.push(...at(i / steps, k / steps));
  return points;
};
/** Two lenses in front, two temples that run back. */
const glasses = [
  ...patch((u, v) => [-0.07 + 0.14 * u, -0.02 + 0.04 * v, 0.07]),
  ...patch((u, v) => [-0.07, 0.01 + 0.005 * v, 0.07 - 0.14 * u]),
  ...patch((u, v) => [0.07, 0.01 + 0.005 * v, 0.07 - 0.14 * u]),
];
/** The front of a face, bent backwards at its sides. */
const mask = patch((u, v) => {
  const a = (u - 0.5) * Math.PI * 0.9;
  return [0.08 * Math.sin(a), -0.1 + 0.2 * v, 0.08 * Math.cos(a)];
});
const hoop = patch((u, v) => [
  0.02 * Math.cos(u * 2 * Math.PI),
  0.02 * Math.sin(u * 2 * Math.PI),
  0.001 * Math.cos(v * 2 * Math.PI),
]);
const drop = turned((share) => 0.008 * Math.sin(share * Math.PI), 0.05);

describe('how it is likely to be worn', () => {
  test.each<[string, number[], WornAs | null]>([
    ['a piece that encloses the head', turned(shell(0.15, 0.05), 0.34), 'shell'],
    ['a crown', turned((share) => 0.08 + 0.05 * share, 0.12), 'crown'],
    ['a band', turned(() => 0.09, 0.03), 'band'],
    ['a cap', turned((share) => 0.1 * Math.sqrt(Math.max(0, 1 - share ** 2)), 0.1), 'cap'],
    ['glasses', glasses, 'glasses'],
    ['a mask', mask, 'mask'],
    ['a hoop', hoop, 'earring'],
    ['a drop', drop, 'earring'],
    ['a sheet lying on the ground', patch((u, v) => [u, 0, v]), null],
    ['a block', patch((u, v) => [u, v, Math.round(u * 7) % 2]), null],
  ])('%s', (_name, points, as) => {
    expect(likelyWorn(points)).toBe(as);
    // A hundred times as large, and elsewhere, it is the same thing.
    expect(likelyWorn(points.map((x, i) => 100 * x + [30, -4, 7][i % 3]!))).toBe(as);
  });
  test('glasses and masks are fitted from side to side, earrings from top to bottom', () => {
    expect(wornFactor(glasses, 'glasses') * 0.14).toBeCloseTo(GLASSES_WIDTH, 6);
    expect(wornFactor(mask, 'mask') * 0.16 * Math.sin(0.45 * Math.PI)).toBeCloseTo(MASK_WIDTH, 6);
    expect(wornFactor(drop, 'earring') * 0.05).toBeCloseTo(EARRING_HEIGHT, 6);
  });
});
