import { describe, expect, test } from '@jest/globals';
import { hairInWhole, hairMatte } from './hair-matte';

const [WIDTH, HEIGHT] = [120, 80];
/** A pixel of the small copy is this many of the picture. */
const STEP = 4;
const SMALL = { width: WIDTH / STEP, height: HEIGHT / STEP };
type Colour = readonly [number, number, number];

/** Skin with hair above an edge that runs in teeth, all finer than the small copy. */
const isHair = (x: number, y: number): boolean => y > HEIGHT / 2 + 3 * Math.abs((x % 8) - 4) - 6;
const grain = (x: number, y: number): number => ((x * 13 + y * 7) % 9) - 4;
const pictureOf = (skin: Colour, hair: Colour) => {
  const whole = new Uint8Array(4 * WIDTH * HEIGHT);
  const data = new Uint8Array(4 * SMALL.width * SMALL.height);
  const guess = new Uint8Array(SMALL.width * SMALL.height);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++)
      for (let k = 0; k < 3; k++)
        whole[4 * (y * WIDTH + x) + k] = (isHair(x, y) ? hair : skin)[k]! + grain(x, y);
  for (let y = 0; y < SMALL.height; y++)
    for (let x = 0; x < SMALL.width; x++) {
      const i = y * SMALL.width + x;
      const sum = [0, 0, 0, 0];
      for (let v = 0; v < STEP; v++)
        for (let u = 0; u < STEP; u++) {
          const [a, b] = [x * STEP + u, y * STEP + v];
          for (let k = 0; k < 3; k++) sum[k]! += whole[4 * (b * WIDTH + a) + k]!;
          sum[3]! += isHair(a, b) ? 1 : 0;
        }
      for (let k = 0; k < 3; k++) data[4 * i + k] = Math.round(sum[k]! / STEP ** 2);
      // As it is judged: one or the other.
      guess[i] = sum[3]! > STEP ** 2 / 2 ? 255 : 0;
    }
  return { whole, small: { ...SMALL, data }, guess };
};
describe('where hair ends', () => {
  test.each([
    ['dark hair on light skin', [224, 180, 156], [44, 30, 22]],
    ['white hair on light skin', [224, 176, 152], [214, 210, 204]],
    ['dark hair on dark skin', [92, 58, 44], [22, 18, 18]],
    ['red hair on skin as bright', [190, 128, 100], [176, 100, 52]],
  ] as const)('%s: the edge of the picture, not that of the small copy', (_, skin, hair) => {
    const { whole, small, guess } = pictureOf(skin, hair);
    const picture = { data: whole, width: WIDTH, height: HEIGHT };
    const fine = hairInWhole(hairMatte(small, guess), small, picture);
    // The guess itself, no colour counted.
    const flat = Float32Array.from({ length: 4 * guess.length }, (_, i) =>
      i % 4 === 3 ? guess[i >> 2]! / 255 : 0,
    );
    const plain = hairInWhole(flat, small, picture);
    const wrong = (found: Float32Array): number =>
      found.reduce((n, v, i) => n + (v > 0.5 === isHair(i % WIDTH, Math.floor(i / WIDTH)) ? 0 : 1), 0);
    const [guessed, matted] = [wrong(plain), wrong(fine)];
    expect(guessed).toBeGreaterThan(150);
    expect(matted).toBeLessThan(0.4 * guessed);
  });

  test('all hair is 1 and none is 0, whatever the colours', () => {
    const { small } = pictureOf([224, 180, 156], [44, 30, 22]);
    const count = SMALL.width * SMALL.height;
    expect([...hairMatte(small, new Uint8Array(count))].every((v) => v === 0)).toBe(true);
    const all = hairMatte(small, new Uint8Array(count).fill(255));
    expect([...all].every((v, i) => v === (i % 4 === 3 ? 1 : 0))).toBe(true);
  });

  test('a picture of one colour keeps what was guessed, softened', () => {
    const small = { ...SMALL, data: new Uint8Array(4 * SMALL.width * SMALL.height).fill(128) };
    const guess = new Uint8Array(SMALL.width * SMALL.height);
    for (let i = 0; i < guess.length; i++) guess[i] = i % SMALL.width < SMALL.width / 2 ? 255 : 0;
    const matte = hairMatte(small, guess);
    const at = (x: number): number => {
      const i = 4 * (10 * SMALL.width + x);
      return (128 / 255) * (matte[i]! + matte[i + 1]! + matte[i + 2]!) + matte[i + 3]!;
    };
    expect(at(2)).toBeCloseTo(1, 5);
    expect(at(SMALL.width - 3)).toBeCloseTo(0, 5);
    for (let x = 1; x < SMALL.width; x++) expect(at(x)).toBeLessThanOrEqual(at(x - 1) + 1e-6);
  });
});
