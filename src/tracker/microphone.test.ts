import { describe, expect, test } from '@jest/globals';
import { loudnessOf } from './microphone';

describe('how loud it is', () => {
  const tone = (amplitude: number) =>
    Float32Array.from({ length: 1024 }, (_, i) => amplitude * Math.sin(i / 3));
  test('silence is 0, full scale is 1, twice as loud is 6 dB more', () => {
    expect(loudnessOf(new Float32Array(1024))).toBe(0);
    expect(loudnessOf(tone(1))).toBe(1);
    expect(loudnessOf(tone(0.05)) - loudnessOf(tone(0.025))).toBeCloseTo(6.02 / 45, 2);
    expect(loudnessOf([])).toBe(0);
  });
});
