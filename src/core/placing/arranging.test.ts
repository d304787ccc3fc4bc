/** Spreading, aligning, mirroring, dragging by handles, and placing anew without moving. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { composeMatrix, transformPoint, multiplyMatrices, decomposeMatrix } from '../maths/matrix';
import { angleBetween, fromAngles, fromAxisAngle, rotate } from '../maths/quaternion';
import { distance, length, type Vec3 } from '../maths/vec3';
import { aligned, distributed } from './arrange';
import type { Box } from '../maths/box';
import { dragged, draggedPivot, handlePlaceOf, snapped, type Held } from './drag';
import { moveForPivot, placedIn, sameSurroundings } from './keep-pose';
import { boundedMove, boundedScale } from '../schema/limits';
import { localMatrix, type Placed } from './local';
import { mirrored, mirroredAnchor } from './mirror';
import { copiesOf, NO_JITTER, NO_STEPS, overSurface, type Spread } from './spread';
import { box, id } from './testing';

const FIRST: Placed = { move: [1, 1, 1], turn: [0, 10, 0], scale: [2, 2, 2] };
const spread = (shape: Spread['shape'], more: Partial<Spread> = {}): Spread => ({
  count: 8,
  shape,
  steps: NO_STEPS,
  jitter: NO_JITTER,
  seed: 1,
  ...more,
});
const metres = fc.double({ min: -3, max: 3, noNaN: true });
const triple = (part: fc.Arbitrary<number>): fc.Arbitrary<Vec3> => fc.tuple(part, part, part);
const degrees = fc.double({ min: -80, max: 80, noNaN: true });
const factor = fc.double({ min: 0.2, max: 4, noNaN: true });
const anyPlaced = fc.record({ move: triple(metres), turn: triple(degrees), scale: triple(factor) });

describe('spreading', () => {
  test('a ring: even angles, the same distance, fronts outwards, angles that run on', () => {
    const copies = copiesOf(
      spread({ kind: 'ring', radius: 0.5, angle: 45, outward: true, about: 'y' }),
      FIRST,
    );
    copies.forEach(({ move, turn, scale }, i) => {
      expect(length(move)).toBeCloseTo(0.5, 12);
      expect(turn[1]).toBeCloseTo(10 + 45 * i, 6);
      expect(scale).toEqual([2, 2, 2]);
      const a = (i * Math.PI) / 4;
      expect(distance(move, [0.5 * Math.sin(a), 0, 0.5 * Math.cos(a)])).toBeLessThan(1e-12);
    });
  });
  test('not turned outwards they all look the same way; an upright ring stands', () => {
    const ring = { kind: 'ring', radius: 0.5, angle: 90, outward: false, about: 'z' } as const;
    for (const { turn, move } of copiesOf(spread(ring), FIRST)) {
      expect(turn[1]).toBeCloseTo(10, 9);
      expect(move[2]).toBe(0);
    }
  });
  test('a line and a grid: steps in centimetres, the grid about its middle', () => {
    const line = copiesOf(spread({ kind: 'line', step: [0.1, 0, -0.2] }, { count: 3 }), FIRST);
    expect(line.map((c) => c.move)).toEqual([
      [0, 0, 0],
      [0.1, 0, -0.2],
      [0.2, 0, -0.4],
    ]);
    const grid = copiesOf(
      spread({ kind: 'grid', columns: 3, gap: [0.1, 0.2], upright: true }, { count: 6 }),
      FIRST,
    );
    const sum = grid.reduce<Vec3>(
      (s, c) => [s[0] + c.move[0], s[1] + c.move[1], s[2] + c.move[2]],
      [0, 0, 0],
    );
    expect(length(sum)).toBeLessThan(1e-12);
    expect(grid[0]!.move).toEqual([-0.1, 0.1, 0]);
  });
  test('from one to the next: turned, sized, later', () => {
    const steps = { turn: [0, 0, 5], size: 0.5, delay: 0.25 } as const;
    const copies = copiesOf(spread({ kind: 'line', step: [0, 0, 0] }, { count: 4, steps }), {
      ...FIRST,
      turn: [0, 0, 0],
    });
    expect(copies.map((c) => Math.round(c.turn[2]))).toEqual([0, 5, 10, 15]);
    expect(copies.map((c) => c.scale[0])).toEqual([2, 1, 0.5, 0.25]);
    expect(copies.map((c) => c.delay)).toEqual([0, 0.25, 0.5, 0.75]);
  });
  test('jitter stays within what is asked, is the same for a seed and another for another', () => {
    const shape = { kind: 'line', step: [0, 0, 0] } as const;
    const jitter = { move: 0.02, turn: 10, size: 0.3, delay: 0.5 };
    const make = (seed: number) =>
      copiesOf(spread(shape, { count: 60, jitter, seed }), { ...FIRST, turn: [0, 0, 0] });
    for (const { move, turn, scale, delay } of make(3)) {
      for (const x of move) expect(Math.abs(x)).toBeLessThanOrEqual(0.02);
      expect(angleBetween(fromAngles(turn), fromAngles([0, 0, 0]))).toBeLessThan(18);
      expect(scale[0] / 2).toBeGreaterThanOrEqual(0.7);
      expect(scale[0] / 2).toBeLessThanOrEqual(1.3);
      expect(delay).toBeGreaterThanOrEqual(0);
    }
    expect(make(3)).toEqual(make(3));
    expect(make(4)).not.toEqual(make(3));
    expect(new Set(make(3).map((c) => c.delay)).size).toBeGreaterThan(20);
  });
  test('over a surface: by area, on it, out of it', () => {
    // A small and a large triangle in the plane of x and y; the large one has nine times the area.
    const positions = [0, 0, 0, 1, 0, 0, 0, 1, 0, 5, 0, 0, 8, 0, 0, 5, 3, 0];
    const spots = overSurface({ positions, triangles: [0, 1, 2, 3, 4, 5] }, 200, 7);
    expect(spots.filter(({ at }) => at[0] < 2)).toHaveLength(20);
    for (const { at, rotation } of spots) {
      expect(at[2]).toBe(0);
      expect(rotate(rotation, [0, 0, 1])[2]).toBeCloseTo(1, 9);
    }
    expect(overSurface({ positions: [0, 0, 0, 0, 0, 0, 0, 0, 0], triangles: [0, 1, 2] }, 5, 1)).toEqual([]);
  });
});

describe('aligning and distributing', () => {
  const at = (low: number, high: number): Box => ({ low: [low, 0, 0], high: [high, 1, 1] });
  const boxes = [at(0, 1), at(3, 5), at(6, 7)];
  test('edges and middles', () => {
    expect(aligned(boxes, 0, 'low')).toEqual([0, -3, -6]);
    expect(aligned(boxes, 0, 'high')).toEqual([6, 2, 0]);
    expect(aligned(boxes, 0, 'middle')).toEqual([3, -0.5, -3]);
  });
  test('gaps become alike, the outer two stay, whatever the order', () => {
    expect(distributed(boxes, 0)).toEqual([0, -0.5, 0]);
    expect(distributed([boxes[2]!, boxes[0]!, boxes[1]!], 0)).toEqual([0, 0, -0.5]);
    expect(distributed(boxes.slice(0, 2), 0)).toEqual([0, 0]);
  });
  test('distributed twice, nothing moves any more', () =>
    fc.assert(
      fc.property(fc.array(metres, { minLength: 3, maxLength: 8 }), (list) => {
        const all = list.map((x) => at(x, x + 0.5));
        const moved = distributed(all, 0).map((by, i) => at(all[i]!.low[0] + by, all[i]!.high[0] + by));
        for (const by of distributed(moved, 0)) expect(Math.abs(by)).toBeLessThan(1e-7);
      }),
    ));
});

describe('mirroring', () => {
  test('every point goes to the other side', () =>
    fc.assert(
      fc.property(anyPlaced, triple(metres), (placed, p) => {
        const [x, y, z] = transformPoint(localMatrix(placed, [0, 0, 0]), p);
        const other = transformPoint(localMatrix(mirrored(placed), [0, 0, 0]), p);
        expect(distance(other, [-x, y, z])).toBeLessThan(1e-9);
      }),
    ));
  test('twice is nothing, and anchors change sides', () => {
    expect(mirrored(mirrored(FIRST))).toEqual(FIRST);
    expect(mirroredAnchor({ kind: 'head', face: 1, point: 'eyeLeft', grows: true })).toMatchObject({
      point: 'eyeRight',
    });
    expect(mirroredAnchor({ kind: 'skin', face: 1, spot: [0.3, 0.6] })).toMatchObject({ spot: [0.7, 0.6] });
    expect(mirroredAnchor({ kind: 'screen', pin: 'right' })).toEqual({ kind: 'screen', pin: 'left' });
    expect(mirroredAnchor({ kind: 'backdrop' })).toEqual({ kind: 'backdrop' });
  });
});

describe('handles', () => {
  const base = composeMatrix([0.4, 0.2, -1], fromAngles([10, 40, -20]), [2, 2, 2]);
  const held = (name: string, placed: Placed, pivot: Vec3 = [0, 0, 0]): Held => ({
    object: {
      id: id(name),
      pivot: [...pivot],
      move: [...placed.move],
      turn: [...placed.turn],
      scale: [...placed.scale],
    },
    base,
  });
  const world = ({ object, base: b }: Held, placed: Placed, p: Vec3) =>
    transformPoint(multiplyMatrices(b, localMatrix(placed, object.pivot)), p);
  test('moving: every point goes the way of the handles, whatever it hangs in', () =>
    fc.assert(
      fc.property(anyPlaced, triple(metres), triple(metres), (placed, by, p) => {
        const h = held('a', placed);
        const [before, after] = [world(h, placed, p), world(h, dragged(h, { kind: 'move', by }, true), p)];
        expect(distance(after, [before[0] + by[0], before[1] + by[1], before[2] + by[2]])).toBeLessThan(1e-8);
      }),
    ));
  test('turning: about the pivot when alone, about the common point when not', () =>
    fc.assert(
      fc.property(
        anyPlaced,
        triple(metres),
        fc.double({ min: -170, max: 170, noNaN: true }),
        (placed, about, angle) => {
          const by = fromAxisAngle([0.6, 0.8, 0], angle);
          const even = { ...placed, scale: [1.5, 1.5, 1.5] as Vec3 };
          const h = held('a', even);
          const together = dragged(h, { kind: 'turn', by, about }, false);
          for (const p of [
            [0, 0, 0],
            [0.3, -0.2, 0.5],
          ] as Vec3[]) {
            const before = world(h, even, p);
            const wanted = rotate(by, [before[0] - about[0], before[1] - about[1], before[2] - about[2]]);
            const after = world(h, together, p);
            expect(
              distance(after, [about[0] + wanted[0], about[1] + wanted[1], about[2] + wanted[2]]),
            ).toBeLessThan(1e-6);
          }
          expect(dragged(h, { kind: 'turn', by, about }, true).move).toEqual(even.move);
        },
      ),
    ));
  test('sizing: along its own axes when alone, evenly about the common point when not', () => {
    const h = held('a', FIRST);
    const alone = dragged(h, { kind: 'size', factors: [2, 1, 0.5], about: [0, 0, 0] }, true);
    expect(alone).toEqual({ ...FIRST, scale: [4, 2, 1] });
    const about: Vec3 = [0.1, 0.2, 0.3];
    const together = dragged(h, { kind: 'size', factors: [3, 3, 3], about }, false);
    const [before, after] = [world(h, FIRST, [0.2, 0, 0]), world(h, together, [0.2, 0, 0])];
    before.forEach((x, k) => expect(after[k]).toBeCloseTo(about[k]! + 3 * (x - about[k]!), 9));
  });
  test('a pivot that is dragged moves nothing else', () =>
    fc.assert(
      fc.property(anyPlaced, triple(metres), triple(metres), triple(metres), (placed, pivot, by, p) => {
        const h = held('a', placed, pivot);
        const before = world(h, placed, p);
        const next = draggedPivot(h, by);
        const after = transformPoint(
          multiplyMatrices(base, localMatrix({ ...placed, move: next.move }, next.pivot)),
          p,
        );
        expect(distance(after, before)).toBeLessThan(1e-7);
      }),
    ));
  test('snapping rounds what has changed and leaves the rest', () => {
    const steps = { move: 0.005, turn: 15, size: 0.1 };
    const after = {
      move: [1.0012, 1.0163, 1] as Vec3,
      turn: [0, 38, 0] as Vec3,
      scale: [2.04, 2, 2] as Vec3,
    };
    const { move, turn, scale } = snapped(after, { ...FIRST, move: [1, 1, 1] }, steps);
    expect(move[1]).toBeCloseTo(1.015, 12);
    expect(move[2]).toBe(1);
    expect(turn).toEqual([0, 45, 0]);
    expect(scale[0]).toBeCloseTo(2, 12);
  });
  test('they stand on the pivot of one and in the middle of several', () => {
    const [a, b] = [held('a', FIRST), held('b', { ...FIRST, move: [3, 1, 1] })];
    const options = { sizing: false, even: true };
    expect(handlePlaceOf([], 'own', options)).toBeNull();
    expect(distance(handlePlaceOf([a], 'own', options)!.point, transformPoint(base, [1, 1, 1]))).toBeLessThan(
      1e-9,
    );
    expect(
      distance(handlePlaceOf([a, b], 'own', options)!.point, transformPoint(base, [2, 1, 1])),
    ).toBeLessThan(1e-9);
    expect(handlePlaceOf([a], 'world', options)!.axes).toEqual([0, 0, 0, 1]);
    expect(
      angleBetween(handlePlaceOf([a], 'parent', options)!.axes, decomposeMatrix(base).rotation),
    ).toBeLessThan(1e-4);
    // Sizing one object shows its own axes, whatever was chosen.
    expect(handlePlaceOf([a], 'world', { sizing: true, even: false })).toMatchObject({ uneven: true });
    expect(handlePlaceOf([a], 'world', { sizing: true, even: false })!.axes).not.toEqual([0, 0, 0, 1]);
  });
});

describe('placing anew without moving', () => {
  test('in another base it stays where it is seen', () =>
    fc.assert(
      fc.property(anyPlaced, anyPlaced, triple(metres), (a, b, p) => {
        const even = { ...b, scale: [b.scale[0], b.scale[0], b.scale[0]] as Vec3 };
        const object = box('a', { kind: 'backdrop' }, { ...a, scale: [1.5, 1.5, 1.5] } as never);
        const world = localMatrix(object, object.pivot);
        const base = localMatrix(even, [0, 0, 0]);
        const there = multiplyMatrices(base, localMatrix(placedIn(base, world, object), object.pivot));
        expect(distance(transformPoint(there, p), transformPoint(world, p))).toBeLessThan(1e-6);
      }),
    ));
  test('about another pivot it stays where it is seen', () => {
    const object = box('a', { kind: 'backdrop' }, {
      move: [1, 2, 3],
      turn: [20, 30, 40],
      scale: [2, 1, 3],
    } as never);
    const pivot: Vec3 = [0.5, -1, 2];
    const move = moveForPivot(object, pivot);
    const after = localMatrix({ ...object, move }, pivot);
    const before = localMatrix(object, object.pivot);
    expect(distance(transformPoint(after, [7, 8, 9]), transformPoint(before, [7, 8, 9]))).toBeLessThan(1e-9);
  });
  test('poses are carried within one head, one picture, one surface', () => {
    const head = { kind: 'head', face: 1, point: 'chin', grows: true } as const;
    expect(sameSurroundings(head, { ...head, face: 2, point: 'crown' })).toBe(true);
    expect(sameSurroundings(head, { kind: 'skin', face: 1, spot: [0, 0] })).toBe(true);
    expect(sameSurroundings(head, { kind: 'backdrop' })).toBe(false);
    expect(sameSurroundings({ kind: 'world', surface: 'floor' }, { kind: 'world', surface: 'wall' })).toBe(
      false,
    );
  });
  test('bounds: nothing farther than 100 m, nothing of no size, mirrored stays mirrored', () => {
    expect(boundedMove([1e9, -1e9, NaN])).toEqual([100, -100, 0]);
    expect(boundedScale([0, -2, 1e9])).toEqual([1e-4, -2, 1e4]);
  });
});
