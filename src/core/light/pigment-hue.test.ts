import { expect, test } from '@jest/globals';
import { pigmentHue } from './pigment-hue';

test('light without a colour changes nothing, however dim', () => {
  for (const white of ['#ffffff', '#808080', '#202020'])
    for (const channel of pigmentHue(white)) expect(channel).toBeCloseTo(1, 6);
});
test('a lamp of warm light makes pigment redder and less blue; black light breaks nothing', () => {
  const [r, g, b] = pigmentHue('#ffb070');
  expect(r).toBeGreaterThan(1.1);
  expect(g).toBeLessThan(r);
  expect(b).toBeLessThan(0.85);
  for (const channel of pigmentHue('#000000')) expect(channel).toBeGreaterThan(0);
});
