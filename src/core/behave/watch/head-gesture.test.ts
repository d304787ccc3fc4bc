import { describe, expect, test } from '@jest/globals';
import { fromAngles } from '../../maths/quaternion';
import type { Vec3 } from '../../maths/vec3';
import { SHIPPED_TAKES } from '../../takes/library';
import { STEP } from '../../units';
import { nextHeadGesture, type HeadGestureState } from './head-gesture';
import { type HeadGesture } from '../../kinds/triggers/gestures';

/** The gestures of a head held by `at` for some seconds, with their times. */
const watched = (at: (t: number) => Vec3, seconds: number): [HeadGesture, number][] => {
  let state: HeadGestureState | null = null;
  const out: [HeadGesture, number][] = [];
  for (let n = 0; n * STEP < seconds; n++) {
    const next = nextHeadGesture(state, fromAngles(at(n * STEP)), STEP);
    state = next.state;
    if (next.gesture) out.push([next.gesture, n * STEP]);
  }
  return out;
};
const wave = (t: number, from: number, until: number, rate: number, far: number): number =>
  t < from || t > until ? 0 : far * Math.sin(2 * Math.PI * rate * (t - from));

describe('gestures of a head', () => {
  test('a nod: down and up again', () => {
    const found = watched((t) => [12 * Math.max(0, wave(t, 1, 1.5, 1, 1)), 0, 0], 3);
    expect(found.map(([g]) => g)).toEqual(['nod']);
    expect(found[0]![1]).toBeGreaterThan(1.2);
    expect(found[0]![1]).toBeLessThan(1.6);
  });

  test('a shake: to one side, to the other, and back', () => {
    const found = watched((t) => [0, wave(t, 1, 2.4, 1.4, 14), wave(t, 1, 2.4, 1.4, 3)], 4);
    expect(found[0]?.[0]).toBe('shake');
    expect(found.every(([g]) => g === 'shake')).toBe(true);
  });

  test('a tilt: to the shoulder', () => {
    const found = watched((t) => [0, 0, t < 1 ? 0 : 20 * Math.min(1, (t - 1) / 0.5)], 3);
    expect(found.map(([g]) => g)).toEqual(['tilt']);
  });

  test('neither looking somewhere, nor turning slowly, nor trembling is one', () => {
    expect(watched((t) => [0, t < 1 ? 0 : 25 * Math.min(1, (t - 1) / 0.4), 0], 4)).toEqual([]);
    expect(watched((t) => [4 * Math.sin(t / 2), 30 * Math.sin(t / 3), 0], 12)).toEqual([]);
    expect(watched((t) => [3 * Math.sin(40 * t), 3 * Math.sin(33 * t), 2 * Math.sin(50 * t)], 6)).toEqual([]);
  });

  test('on takes: nods and tilts where they are, none where somebody only turns slowly', () => {
    const of = (id: string): HeadGesture[] => {
      const take = SHIPPED_TAKES.find((t) => t.id === id)!;
      let state: HeadGestureState | null = null;
      const out: HeadGesture[] = [];
      for (let n = 0; n * STEP < take.duration; n++) {
        const face = take.frameAt(n * STEP).faces[0];
        if (!face) continue;
        const next = nextHeadGesture(state, face.pose.rotation, STEP);
        state = next.state;
        if (next.gesture) out.push(next.gesture);
      }
      return out;
    };
    const nods = of('nod-and-tilt');
    expect(nods).toContain('nod');
    expect(nods).toContain('tilt');
    expect(nods).not.toContain('shake');
    expect(of('slow-turn')).toEqual([]);
    expect(of('neutral')).toEqual([]);
  });

  test('goes on identically from any step', () => {
    const at = (t: number): Vec3 => [12 * Math.max(0, wave(t, 1, 1.5, 1, 1)), 0, 0];
    let state: HeadGestureState | null = null;
    for (let n = 0; n < 80; n++) state = nextHeadGesture(state, fromAngles(at(n * STEP)), STEP).state;
    const kept = JSON.parse(JSON.stringify(state)) as HeadGestureState;
    for (let n = 80; n < 110; n++) {
      const [a, b] = [state!, kept].map((s) => nextHeadGesture(s, fromAngles(at(n * STEP)), STEP));
      expect(a!.gesture).toBe(b!.gesture);
    }
  });
});
