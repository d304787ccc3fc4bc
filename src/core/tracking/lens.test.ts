/** How cameras open, by the longer side of their pictures. */
import { expect, test } from '@jest/globals';
import { believedLens, fovYOfLens, lensOfFovY, USUAL_LENS } from './lens';

test('an upright picture opens upwards as a lying one does sideways', () => {
  expect(fovYOfLens(480, 640)).toBe(USUAL_LENS);
  const across =
    (2 * Math.atan(Math.tan((fovYOfLens(640, 480) * Math.PI) / 360) * (640 / 480)) * 180) / Math.PI;
  expect(across).toBeCloseTo(USUAL_LENS, 9);
});
test('a lens and its field of view lead to each other, in any shape', () => {
  for (const [w, h] of [
    [640, 480],
    [480, 640],
    [500, 500],
  ] as const)
    for (const lens of [40, 62, 90]) expect(lensOfFovY(w, h, fovYOfLens(w, h, lens))).toBeCloseTo(lens, 9);
});
test('what is told is believed when it is news', () => {
  expect(believedLens(62, null)).toBe(62);
  expect(believedLens(62, 63)).toBe(62);
  expect(believedLens(62, 55)).toBe(55);
  expect(believedLens(55, 55.5)).toBe(55);
});
