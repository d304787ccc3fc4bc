import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { length } from './vec3';
import { bounced, circled, followed, onSpring, shaken, swayed, type Sprung } from './motion';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a circle', () => {
  test('keeps its distance and stays across its axis', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('x', 'y', 'z'),
        number(0.01, 10),
        number(-2000, 2000),
        (axis, radius, angle) => {
          const p = circled(axis, radius, angle);
          expect(length(p)).toBeCloseTo(radius, 6);
          expect(p['xyz'.indexOf(axis)]).toBeCloseTo(0, 9);
        },
      ),
    ));
  test('around a head it goes from the right to the back for angles above 0', () => {
    const [x, , z] = circled('y', 1, 90);
    expect(x).toBeCloseTo(0, 9);
    expect(z).toBeCloseTo(-1, 9);
  });
});

describe('following', () => {
  test('is 63 % nearer after its lag, and the same in any steps', () => {
    expect(followed(0, 1, 0.5, 0.5)).toBeCloseTo(1 - Math.exp(-1), 9);
    fc.assert(
      fc.property(
        number(-5, 5),
        number(-5, 5),
        number(0.01, 3),
        fc.integer({ min: 1, max: 40 }),
        (at, to, lag, n) => {
          let now = at;
          for (let i = 0; i < n; i++) now = followed(now, to, lag, 1 / n);
          expect(now).toBeCloseTo(followed(at, to, lag, 1), 6);
        },
      ),
    );
    expect(followed(0, 1, 0, 0.01)).toBe(1);
  });
});

describe('a spring', () => {
  test('is the same in any steps, however it is damped', () =>
    fc.assert(
      fc.property(
        number(-3, 3),
        number(-5, 5),
        number(-3, 3),
        number(0.1, 6),
        fc.oneof(number(0.05, 0.95), fc.constant(1), number(1.05, 3)),
        fc.integer({ min: 2, max: 30 }),
        (at, speed, target, swings, damping, n) => {
          const spring = { swings, damping };
          let now: Sprung = { at, speed };
          for (let i = 0; i < n; i++) now = onSpring(now, target, spring, 0.5 / n);
          const once = onSpring({ at, speed }, target, spring, 0.5);
          expect(now.at).toBeCloseTo(once.at, 5);
          expect(now.speed).toBeCloseTo(once.speed, 3);
        },
      ),
    ));

  test('its speed is how its place changes', () => {
    for (const damping of [0.3, 1, 1.8]) {
      const spring = { swings: 2, damping };
      const at = (t: number) => onSpring({ at: 0, speed: 3 }, 1, spring, t).at;
      const { speed } = onSpring({ at: 0, speed: 3 }, 1, spring, 0.2);
      expect((at(0.2001) - at(0.1999)) / 0.0002).toBeCloseTo(speed, 3);
    }
  });

  test('comes to rest at its target; only a loose one swings over', () => {
    const most = (damping: number): number => {
      let [now, top] = [{ at: 0, speed: 0 } as Sprung, 0];
      for (let n = 0; n < 600; n++) {
        now = onSpring(now, 1, { swings: 2, damping }, 1 / 60);
        top = Math.max(top, now.at);
      }
      expect(now.at).toBeCloseTo(1, 3);
      return top;
    };
    // A damping of 0.3 swings over by exp(-pi 0.3 / sqrt(1 - 0.09)).
    expect(most(0.3)).toBeCloseTo(1 + Math.exp((-Math.PI * 0.3) / Math.sqrt(0.91)), 2);
    expect(most(1)).toBeLessThan(1.0001);
    expect(most(2)).toBeLessThan(1.0001);
  });
});

describe('going on by themselves', () => {
  test('sway and bounce come round, and begin where they are', () => {
    expect(swayed(0, 2)).toBe(0);
    expect(swayed(0.125, 2)).toBeCloseTo(1, 9);
    expect(bounced(0, 3)).toBe(0);
    expect(bounced(0.5, 1)).toBe(1);
    expect(bounced(7.25, 1)).toBeCloseTo(bounced(0.25, 1), 9);
  });

  test('trembling stays within its bounds, goes smoothly, and is the same for the same seed', () =>
    fc.assert(
      fc.property(number(0, 100), number(0.1, 20), fc.nat(1000), (time, rate, seed) => {
        const [a, b] = [shaken(time, rate, seed), shaken(time + 1e-4 / rate, rate, seed)];
        a.forEach((v, k) => {
          expect(Math.abs(v)).toBeLessThanOrEqual(1);
          expect(Math.abs(b[k]! - v)).toBeLessThan(0.001);
        });
        expect(shaken(time, rate, seed)).toEqual(a);
      }),
    ));
});
