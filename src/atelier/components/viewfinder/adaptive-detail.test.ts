import { describe, expect, test } from '@jest/globals';
import type { Detail } from '../../../stage/take-picture';
import { AdaptiveDetail } from './adaptive-detail';

const made = (detail: Detail = 'full', full = 2) => {
  const adaptive = new AdaptiveDetail(detail, () => full);
  const frames = (count: number, elapsed: number, more: { moving?: boolean; camera?: boolean } = {}) =>
    Array.from({ length: count }, () =>
      adaptive.step({ elapsed, moving: true, camera: false, ...more }),
    ).filter(Boolean);
  return { adaptive, frames };
};

describe('a picture that a machine draws too slowly', () => {
  test('loses the detail of the take first, step by step, then its size', () => {
    const { adaptive, frames } = made();
    expect(frames(6, 0.2)).toEqual(['detail']);
    expect([adaptive.detail, adaptive.share]).toEqual(['soft', 1]);
    frames(4, 0.2);
    expect([adaptive.detail, adaptive.share]).toEqual(['plain', 1]);
    expect(frames(5, 0.2)).toEqual(['density']);
    expect(adaptive.share).toBeCloseTo(1 / 1.4, 9);
    frames(100, 0.2);
    expect(adaptive.density).toBe(0.4);
  });
  test('is left alone while frames come in time, and by a single late one', () => {
    const { frames } = made();
    expect(frames(50, 0.016)).toEqual([]);
    for (let i = 0; i < 10; i++) expect([...frames(4, 0.2), ...frames(1, 0.01)]).toEqual([]);
  });
  test('has its full size again as soon as it stands still', () => {
    const { adaptive, frames } = made('plain');
    frames(20, 0.2);
    expect(adaptive.share).toBeLessThan(1);
    expect(frames(2, 0.2, { moving: false })).toEqual(['density']);
    expect(adaptive.share).toBe(1);
  });
  test('of a camera keeps its detail, which there is none of, and gets smaller at once', () => {
    const { adaptive, frames } = made();
    expect(frames(6, 0.2, { camera: true })).toEqual(['density']);
    expect(adaptive.detail).toBe('full');
  });
});
