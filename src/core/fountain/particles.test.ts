import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { composeMatrix, IDENTITY_MATRIX } from '../maths/matrix';
import { STEP } from '../units';
import { bornAt, sprayed } from './area';
import {
  newParticles,
  restoredParticles,
  savedParticles,
  stepParticles,
  type FountainNow,
  type Particles,
} from './particles';
import type { FountainArea, FountainSettings } from './settings';

const SETTINGS: FountainSettings = {
  area: { kind: 'point' },
  rate: 60,
  life: [2, 2],
  speed: [1, 1],
  spread: 0,
  gravity: 0,
  drag: 0,
  wind: [0, 0, 0],
  turbulence: { strength: 0, size: 0.1 },
  spin: [0, 0],
  bounce: null,
  faceBounce: null,
  most: 1000,
  seed: 7,
};
const NOW: FountainNow = {
  matrix: IDENTITY_MATRIX,
  open: 1,
  burst: 0,
  points: null,
  floor: null,
  head: null,
};
const ran = (
  steps: number,
  settings: Partial<FountainSettings> = {},
  now: Partial<FountainNow> = {},
): Particles => {
  const p = newParticles(1000);
  for (let n = 0; n < steps; n++) stepParticles(p, { ...SETTINGS, ...settings }, { ...NOW, ...now }, STEP);
  return p;
};

describe('how many there are', () => {
  test('as many as the rate says, and each lives its time', () => {
    expect(ran(60).born).toBe(60);
    expect(ran(60).count).toBe(60);
    // Two seconds later as many die as are born.
    expect(ran(240).count).toBeGreaterThanOrEqual(119);
    expect(ran(240).count).toBeLessThanOrEqual(121);
    expect(ran(60, { rate: 7.5 }).born).toBe(7);
    expect(ran(600, { rate: 7.5 }).born).toBe(75);
  });

  test('a burst comes at once, a shut fountain gives nothing, and no more than fit live', () => {
    const p = newParticles(1000);
    stepParticles(p, SETTINGS, { ...NOW, open: 0, burst: 40 }, STEP);
    expect(p.count).toBe(40);
    stepParticles(p, SETTINGS, { ...NOW, open: 0 }, STEP);
    expect(p.count).toBe(40);
    expect(ran(60, { most: 25 }).count).toBe(25);
  });

  test('numbers that are none, or beyond all measure, stay sane', () => {
    for (const rate of [NaN, -5, Infinity]) expect(ran(3, { rate, most: 50 }).count).toBeLessThanOrEqual(50);
    const p = ran(30, { drag: NaN, gravity: Infinity, turbulence: { strength: NaN, size: 0 }, life: [0, 0] });
    expect([...p.x.slice(0, p.count)].every(Number.isFinite)).toBe(true);
  });
});

describe('how they fly', () => {
  const only = (steps: number, settings: Partial<FountainSettings>, now: Partial<FountainNow> = {}) => {
    const p = newParticles(10);
    const all = { ...SETTINGS, life: [60, 60] as const, ...settings };
    stepParticles(p, all, { ...NOW, ...now, open: 0, burst: 1 }, STEP);
    for (let n = 0; n < steps; n++) stepParticles(p, all, { ...NOW, ...now, open: 0 }, STEP);
    return { at: [p.x[0]!, p.y[0]!, p.z[0]!], v: [p.vx[0]!, p.vy[0]!, p.vz[0]!] };
  };
  test('straight on without forces, on a parabola under gravity', () => {
    expect(only(60, {}).at[1]).toBeCloseTo(1, 5);
    // v t - g t² / 2, to within a step of it.
    expect(only(60, { speed: [4, 4], gravity: 9.81 }).at[1]).toBeCloseTo(4 - 9.81 / 2, 0);
    expect(only(60, { gravity: 9.81 }).v[1]).toBeCloseTo(1 - 9.81, 3);
  });

  test('drag takes speed as e to the minus t, whatever the step; wind carries along', () => {
    expect(only(60, { drag: 1 }).v[1]).toBeCloseTo(Math.exp(-1), 4);
    const blown = only(600, { drag: 2, wind: [0.5, 0, -0.2] });
    expect(blown.v[0]).toBeCloseTo(0.5, 3);
    expect(blown.v[2]).toBeCloseTo(-0.2, 3);
  });

  test('the floor is not passed, and each bounce is lower', () => {
    let [low, last] = [Infinity, Infinity];
    const tops: number[] = [];
    const p = newParticles(4);
    const settings = {
      ...SETTINGS,
      life: [60, 60] as const,
      speed: [0, 0] as const,
      gravity: 9.81,
      bounce: 0.6,
    };
    const now = { ...NOW, matrix: composeMatrix([0, 1, 0], [0, 0, 0, 1], [1, 1, 1]), floor: 0, open: 0 };
    stepParticles(p, settings, { ...now, burst: 1 }, STEP);
    let rising = false;
    for (let n = 0; n < 400; n++) {
      stepParticles(p, settings, now, STEP);
      low = Math.min(low, p.y[0]!);
      const up = p.vy[0]! > 0;
      if (rising && !up) tops.push(p.y[0]!);
      rising = up;
    }
    expect(low).toBeGreaterThan(-0.001);
    expect(tops.length).toBeGreaterThan(2);
    for (const top of tops.slice(0, 4)) {
      expect(top).toBeLessThan(last);
      last = top;
    }
  });

  test('the fountain’s own place, way and size count', () => {
    const quarter = composeMatrix([1, 2, 3], [0, 0, -Math.SQRT1_2, Math.SQRT1_2], [2, 2, 2]);
    const { at, v } = only(60, {}, { matrix: quarter });
    // +Y has become +X, and it sprays twice as fast.
    expect(v[0]).toBeCloseTo(2, 5);
    expect(at[0]).toBeCloseTo(3, 4);
    expect(at[1]).toBeCloseTo(2, 4);
  });

  test('swirls neither gather nor scatter: a cloud keeps its density', () => {
    const p = newParticles(1000);
    const settings: FountainSettings = {
      ...SETTINGS,
      area: { kind: 'box', size: [0.4, 0.4, 0.4] },
      speed: [0, 0],
      life: [60, 60],
      drag: 3,
      turbulence: { strength: 0.3, size: 0.4 },
    };
    stepParticles(p, settings, { ...NOW, open: 0, burst: 1000 }, STEP);
    const inside = (): number => {
      let count = 0;
      for (let i = 0; i < p.count; i++) if (Math.hypot(p.x[i]!, p.y[i]!, p.z[i]!) < 0.12) count++;
      return count;
    };
    const before = inside();
    for (let n = 0; n < 60; n++) stepParticles(p, settings, { ...NOW, open: 0 }, STEP);
    expect(inside() / before).toBeGreaterThan(0.6);
    expect(inside() / before).toBeLessThan(1.5);
  });
});

describe('the same steps give the same', () => {
  const lively: FountainSettings = {
    ...SETTINGS,
    area: { kind: 'sphere', radius: 0.1 },
    rate: 140,
    life: [0.2, 0.9],
    speed: [0.2, 1.4],
    spread: 50,
    gravity: 4,
    drag: 0.6,
    turbulence: { strength: 2, size: 0.2 },
    spin: [-2, 2],
    bounce: 0.4,
  };
  const now = { ...NOW, floor: -0.1 };
  const advance = (p: Particles, steps: number): Particles => {
    for (let n = 0; n < steps; n++) stepParticles(p, lively, now, STEP);
    return p;
  };
  test('also when it is saved in between; another seed gives another', () => {
    const whole = savedParticles(advance(newParticles(1000), 140));
    const half = savedParticles(advance(newParticles(1000), 77));
    const rest = savedParticles(advance(restoredParticles(half, 1000), 63));
    expect(rest).toEqual(whole);
    const other = newParticles(1000);
    for (let n = 0; n < 140; n++) stepParticles(other, { ...lively, seed: 8 }, now, STEP);
    expect(savedParticles(other).x).not.toEqual(whole.x);
  });
});

describe('where they are born', () => {
  const unit = fc.double({ min: 0, max: 1, noNaN: true });
  const within: readonly [FountainArea, (p: readonly number[]) => boolean][] = [
    [{ kind: 'point' }, (p) => p.every((v) => v === 0)],
    [{ kind: 'disc', radius: 0.3 }, ([x, y, z]) => y === 0 && Math.hypot(x!, z!) <= 0.3 + 1e-9],
    [{ kind: 'plane', width: 1, depth: 2 }, ([x, , z]) => Math.abs(x!) <= 0.5 && Math.abs(z!) <= 1],
    [
      { kind: 'box', size: [1, 2, 3] },
      ([x, y, z]) => Math.abs(x!) <= 0.5 && Math.abs(y!) <= 1 && Math.abs(z!) <= 1.5,
    ],
    [{ kind: 'sphere', radius: 2 }, (p) => Math.hypot(...p) <= 2 + 1e-9],
    [{ kind: 'points' }, ([x]) => [0, 1, 4].includes(x!)],
  ];
  test.each(within)('$kind', (area, holds) =>
    fc.assert(
      fc.property(fc.tuple(unit, unit, unit), (random) =>
        expect(holds(bornAt(area, random, [1, 2, 3, 4, 5, 6]))).toBe(true),
      ),
    ),
  );

  test('a cone keeps its angle, 180 degrees are everywhere', () => {
    for (let n = 0; n < 200; n++) {
      const [a, b] = [(n % 20) / 19, n / 200];
      expect(sprayed(0.5, a, b)[1]).toBeGreaterThanOrEqual(Math.cos(0.5) - 1e-9);
    }
    expect(sprayed(Math.PI, 1, 0.3)[1]).toBeCloseTo(-1, 9);
  });
});
