/** Skin by its own numbers: how much it mirrors, how far light creeps under it, how its parts differ. */
import { expect, test } from '@jest/globals';
import { linearOf, luminance, rgbOf } from '../maths/srgb';
import type { Hex } from '../units';
import { SKIN_TONES, SKINS } from './skin-tones';

const lightOf = (hex: Hex) => linearOf(rgbOf(hex));
const each = SKIN_TONES.map((tone) => SKINS[tone]);

test('no tone mirrors more than oily skin does, none less than bare skin', () => {
  // 2.8 % at an index of refraction of 1.4: ((1.4 - 1) / (1.4 + 1)) squared; a film of oil adds less than as much again.
  const bare = (0.4 / 2.4) ** 2;
  for (const { shine } of each) {
    expect(shine).toBeGreaterThanOrEqual(bare);
    expect(shine).toBeLessThanOrEqual(2 * bare);
  }
});
test('light creeps reddest everywhere, and less far the deeper the skin', () => {
  each.forEach(({ creep: [r, g, b] }, i) => {
    expect(r).toBeGreaterThan(g);
    expect(g).toBeGreaterThan(b);
    if (i > 0) expect(r).toBeLessThan(each[i - 1]!.creep[0]);
  });
});
test('each tone is deeper than the one before, and its lips are redder than its skin and never near black', () => {
  each.forEach(({ base, lips }, i) => {
    if (i > 0) expect(luminance(lightOf(base))).toBeLessThan(luminance(lightOf(each[i - 1]!.base)));
    const [skin, lip] = [lightOf(base), lightOf(lips)];
    expect(lip[0] / lip[1]).toBeGreaterThan(skin[0] / skin[1]);
    expect(luminance(lightOf(lips))).toBeGreaterThan(0.3 * luminance(lightOf(base)));
  });
});
