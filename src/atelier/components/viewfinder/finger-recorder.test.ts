import { describe, expect, test } from '@jest/globals';
import type { Finger } from '../../../core/program/inputs';
import { FingerRecorder } from './finger-recorder';

const recorder = () => {
  const seen: Finger[][] = [];
  let begun = 0;
  const fingers = new FingerRecorder({
    begin: () => void begun++,
    change: (list) => void seen.push([...list]),
  });
  return { fingers, seen, begun: () => begun };
};

describe('fingers on the Viewfinder', () => {
  test('down and up without moving is a tap, and records nothing', () => {
    const { fingers, seen, begun } = recorder();
    fingers.down(1, { x: 0.5, y: 0.5 });
    fingers.move(1, { x: 0.505, y: 0.5 });
    expect(fingers.up(1)).toBe(false);
    expect(seen).toEqual([]);
    expect(begun()).toBe(0);
  });
  test('a drag begins where the finger came down, and ends with no finger', () => {
    const { fingers, seen, begun } = recorder();
    fingers.down(1, { x: 0.5, y: 0.5 });
    fingers.move(1, { x: 0.6, y: 0.5 });
    fingers.move(1, { x: 0.7, y: 0.5 });
    expect(fingers.up(1)).toBe(true);
    expect(begun()).toBe(1);
    expect(seen).toEqual([
      [{ id: 1, x: 0.5, y: 0.5 }],
      [{ id: 1, x: 0.6, y: 0.5 }],
      [{ id: 1, x: 0.7, y: 0.5 }],
      [],
    ]);
  });
  test('a second finger begins a pinch at once; the gesture ends when both are up', () => {
    const { fingers, seen, begun } = recorder();
    fingers.down(1, { x: 0.4, y: 0.5 });
    fingers.down(2, { x: 0.6, y: 0.5 });
    expect(seen.at(-1)!.map((f) => f.id)).toEqual([1, 2]);
    expect(fingers.up(1)).toBe(true);
    expect(seen.at(-1)!.map((f) => f.id)).toEqual([2]);
    expect(fingers.up(2)).toBe(true);
    expect(begun()).toBe(1);
    fingers.down(1, { x: 0.4, y: 0.5 });
    expect(fingers.up(1)).toBe(false);
  });
  test('the wheel is two fingers around the pointer that spread or turn', () => {
    const { fingers, seen } = recorder();
    fingers.wheel({ x: 0.5, y: 0.5 }, { pinch: 2 });
    const apart = ([a, b]: Finger[]): number => Math.hypot(b!.x - a!.x, b!.y - a!.y);
    expect(apart(seen[1]!) / apart(seen[0]!)).toBeCloseTo(2, 9);
    expect(seen.at(-1)).toEqual([]);
    fingers.wheel({ x: 0.5, y: 0.5 }, { twist: 90 });
    const [a, b] = seen[4]!;
    expect(a!.x).toBeCloseTo(b!.x, 9);
    expect((seen[4]![0]!.y + seen[4]![1]!.y) / 2).toBeCloseTo(0.5, 9);
  });
  test('while a finger lies on the picture the wheel does nothing', () => {
    const { fingers, seen } = recorder();
    fingers.down(1, { x: 0.5, y: 0.5 });
    fingers.wheel({ x: 0.5, y: 0.5 }, { pinch: 2 });
    expect(seen).toEqual([]);
  });
});
