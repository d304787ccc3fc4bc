import { expect, test } from '@jest/globals';
import { farToNear } from './far-to-near';
import { NEUTRAL_FACE, TRIANGLES } from './neutral';

const middle = (i: number, order: Uint16Array) => {
  const out = [0, 0, 0];
  for (let k = 0; k < 3; k++)
    for (let a = 0; a < 3; a++) out[a]! += NEUTRAL_FACE[3 * order[3 * i + k]! + a]! / 3;
  return out;
};

test('every triangle of the face once, the farthest first', () => {
  const order = new Uint16Array(TRIANGLES.length);
  const eye = [0.5, 0.1, 0.4] as const;
  farToNear(TRIANGLES, NEUTRAL_FACE, eye, order);
  const far = Array.from({ length: TRIANGLES.length / 3 }, (_, i) =>
    Math.hypot(...middle(i, order).map((x, a) => x - eye[a]!)),
  );
  for (let i = 1; i < far.length; i++) expect(far[i]).toBeLessThanOrEqual(far[i - 1]! + 1e-9);
  const keys = (list: ArrayLike<number>) =>
    Array.from(
      { length: list.length / 3 },
      (_, i) => `${list[3 * i]} ${list[3 * i + 1]} ${list[3 * i + 2]}`,
    ).sort();
  expect(keys(order)).toEqual(keys(TRIANGLES));
});
