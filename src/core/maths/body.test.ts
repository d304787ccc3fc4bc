import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { thrown, type Body, type BodyWorld } from './body';
import { onPath } from './path';
import { hangingRope, swungRope } from './rope';
import { distance, length, type Vec3 } from './vec3';

const STEP = 1 / 60;
const NOTHING: BodyWorld = { radius: 0.02, gravity: 9.81, floor: null, bounce: 0.5, ball: null, box: null };
const after = (body: Body, world: BodyWorld, seconds: number): { body: Body; hits: number } => {
  let [now, hits] = [body, 0];
  for (let i = 0; i < seconds * 60; i++) {
    const next = thrown(now, world, STEP);
    now = next.body;
    if (next.hits) hits++;
  }
  return { body: now, hits };
};
const REST: Body = { at: [0, 1, 0], speed: [0, 0, 0] };

describe('a ball that is thrown', () => {
  test('falls as Galilei says, and flies on sideways', () => {
    const { body } = after({ at: [0, 0, 0], speed: [2, 0, 0] }, NOTHING, 1);
    expect(body.at[1]).toBeCloseTo(-9.81 / 2, 1);
    expect(body.at[0]).toBeCloseTo(2, 6);
  });
  test('bounces to a quarter of the height at half the speed, and comes to lie on the floor', () => {
    const world = { ...NOTHING, floor: 0 };
    let [now, highest, landed] = [REST, 0, false];
    for (let i = 0; i < 120; i++) {
      const next = thrown(now, world, STEP);
      now = next.body;
      if (next.hits && landed) break;
      landed ||= next.hits;
      if (landed) highest = Math.max(highest, now.at[1]);
    }
    expect(highest - 0.02).toBeCloseTo((1 - 0.02) / 4, 1);
    const { body } = after(REST, world, 10);
    expect(body.at[1]).toBeCloseTo(0.02, 3);
    expect(length(body.speed)).toBeLessThan(0.01);
    expect(after(body, world, 2).hits).toBe(0);
  });
  test('never is within a ball or a box, wherever it comes from', () => {
    const place = fc.tuple(
      ...[0, 1, 2].map(() => fc.double({ min: -1, max: 1, noNaN: true })),
    ) as unknown as fc.Arbitrary<Vec3>;
    fc.assert(
      fc.property(place, place, (at, speed) => {
        const ball = { centre: [0, 0, 0] as Vec3, radius: 0.2 };
        const box = { centre: [0.7, 0, 0] as Vec3, half: [0.2, 0.1, 0.2] as Vec3 };
        let now: Body = { at, speed };
        for (let i = 0; i < 60; i++) {
          now = thrown(now, { ...NOTHING, ball, box: null }, STEP).body;
          expect(distance(now.at, ball.centre)).toBeGreaterThan(ball.radius + 0.02 - 1e-6);
        }
        now = { at, speed };
        for (let i = 0; i < 60; i++) {
          now = thrown(now, { ...NOTHING, box }, STEP).body;
          const out = now.at.map((x, k) => Math.abs(x - box.centre[k]!) - box.half[k]!);
          expect(Math.max(...out)).toBeGreaterThan(-1e-6);
        }
      }),
      { numRuns: 60 },
    );
  });
  test('falls onto a box from above and stays there', () => {
    const box = { centre: [0, 0, 0] as Vec3, half: [0.5, 0.1, 0.5] as Vec3 };
    const { body, hits } = after(REST, { ...NOTHING, box, bounce: 0 }, 3);
    expect(body.at).toEqual([0, expect.closeTo(0.12, 3), 0]);
    expect(hits).toBe(1);
  });
});

describe('a string', () => {
  const swung = (from: (i: number) => Vec3, steps: number) => {
    let rope = hangingRope(from(0), 0.3, 6);
    for (let i = 1; i <= steps; i++)
      rope = swungRope(rope, from(i), 0.3, { gravity: 9.81, damping: 0.5 }, STEP);
    return rope.points;
  };
  test('hangs straight down, as long as it is', () => {
    const points = swung(() => [0, 0, 0], 600);
    expect(points.at(-1)).toEqual([expect.closeTo(0, 6), expect.closeTo(-0.3, 1), 0]);
  });
  test('trails behind what pulls it, then comes to rest below it', () => {
    const points = swung((i) => [i * 0.02, 0, 0], 30);
    expect(points.at(-1)![0]).toBeLessThan(points[0]![0] - 0.02);
    const rested = swung((i) => [Math.min(i, 30) * 0.02, 0, 0], 1500);
    expect(rested.at(-1)![0]).toBeCloseTo(0.6, 1);
  });
  test('no piece gets much longer than it is', () => {
    const points = swung((i) => [Math.sin(i / 7) * 0.2, Math.cos(i / 5) * 0.1, 0], 200);
    for (let i = 1; i < points.length; i++)
      expect(distance(points[i]!, points[i - 1]!)).toBeLessThan(0.3 / 6 + 0.02);
  });
});

describe('a path', () => {
  const points: Vec3[] = [
    [0, 0, 0],
    [1, 0, 0],
    [1, 1, 0],
    [0, 1, 0],
  ];
  test('runs through its points', () => {
    for (const [i, share] of [0, 1 / 3, 2 / 3, 1].entries())
      expect(distance(onPath(points, share, false).at, points[i]!)).toBeLessThan(1e-9);
    for (const [i, share] of [0, 0.25, 0.5, 0.75].entries())
      expect(distance(onPath(points, share, true).at, points[i]!)).toBeLessThan(1e-9);
    expect(distance(onPath(points, 1, true).at, points[0]!)).toBeLessThan(1e-9);
  });
  test('a share that is no number, and one without end round a closed path, has no point', () => {
    for (const [share, closed] of [
      [NaN, false],
      [NaN, true],
      [Infinity, true],
    ] as const)
      expect(onPath(points, share, closed)).toEqual({ at: [NaN, NaN, NaN], along: [NaN, NaN, NaN] });
    expect(onPath(points, Infinity, false).at).toEqual(points[3]);
  });
  test('straight points give a straight, even path; beyond its ends it stays', () => {
    const straight: Vec3[] = [
      [0, 0, 0],
      [1, 0, 0],
      [2, 0, 0],
    ];
    expect(onPath(straight, 0.3, false)).toEqual({
      at: [expect.closeTo(0.6, 6), 0, 0],
      along: [expect.closeTo(2, 6), 0, 0],
    });
    expect(onPath(straight, 7, false).at).toEqual([2, 0, 0]);
    expect([onPath([], 0.5, false).at, onPath([[1, 2, 3]], 0.5, true).at]).toEqual([
      [0, 0, 0],
      [1, 2, 3],
    ]);
  });
  test('what it says of its way is its slope', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.boolean(), (share, closed) => {
        const [a, b] = [onPath(points, share - 1e-6, closed).at, onPath(points, share + 1e-6, closed).at];
        const { along } = onPath(points, share, closed);
        for (const k of [0, 1, 2]) expect((b[k]! - a[k]!) / 2e-6).toBeCloseTo(along[k]!, 2);
      }),
    );
  });
});
