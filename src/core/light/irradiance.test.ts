import { expect, test } from '@jest/globals';
import { irradianceOf, lightOnto } from './irradiance';

test('in an even surrounding every surface is as light as that', () => {
  const even = irradianceOf(8, 4, () => [1, 0.5, 0.25]);
  for (const towards of [
    [0, 1, 0],
    [0, -1, 0],
    [1, 0, 0],
    [0.6, 0, 0.8],
  ] as const)
    lightOnto(even, towards).forEach((v, c) => expect(v).toBeCloseTo([1, 0.5, 0.25][c]!, 2));
});

test('under a white sky what faces up gets all of it, what faces aside half, what faces down almost nothing', () => {
  const sky = irradianceOf(64, 32, (_, y) => (y < 16 ? [1, 1, 1] : [0, 0, 0]));
  expect(lightOnto(sky, [0, 1, 0])[0]).toBeCloseTo(1, 1);
  expect(lightOnto(sky, [1, 0, 0])[0]).toBeCloseTo(0.5, 1);
  expect(lightOnto(sky, [0, -1, 0])[0]).toBeLessThan(0.06);
});

test('a lamp in the picture lights from where it is: the middle column looks along +x, the next quarter along +z', () => {
  const lamp = irradianceOf(64, 32, (x, y) =>
    x >= 46 && x <= 49 && y >= 14 && y <= 17 ? [100, 0, 0] : [0, 0, 0],
  );
  const from = (v: readonly [number, number, number]): number => lightOnto(lamp, v)[0];
  expect(from([0, 0, 1])).toBeGreaterThan(4 * from([1, 0, 0]));
  expect(from([0, 0, 1])).toBeGreaterThan(10 * from([0, 0, -1]));
  expect(lightOnto(lamp, [0, 0, 1])[1]).toBe(0);
});
