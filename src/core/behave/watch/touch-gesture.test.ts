import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { STEP } from '../../units';
import type { Finger } from '../../program/inputs';
import { nextTouch, NO_TOUCH, type TouchGesture, type TouchState } from './touch-gesture';

const finger = (x: number, y: number, id = 1): Finger => ({ id, x, y });
const done = (steps: readonly (readonly Finger[])[]): TouchGesture[] => {
  let state: TouchState = NO_TOUCH;
  return steps.flatMap((fingers) => {
    const next = nextTouch(state, fingers, 9 / 16, STEP);
    state = next.state;
    return next.events.map((e) => e.kind);
  });
};
const lies = (steps: number, ...fingers: Finger[]): Finger[][] =>
  Array.from({ length: steps }, () => fingers);
const none = (steps: number): Finger[][] => Array.from({ length: steps }, () => []);
const moves = (steps: number, at: (share: number) => Finger[]): Finger[][] =>
  Array.from({ length: steps }, (_, i) => at(i / (steps - 1)));

describe('what fingers do', () => {
  test('down and up is a tap, twice at the same place a double tap too', () => {
    expect(done([...lies(5, finger(0.5, 0.5)), ...none(3)])).toEqual(['tap']);
    const twice = [...lies(4, finger(0.5, 0.5)), ...none(8), ...lies(4, finger(0.51, 0.5)), ...none(3)];
    expect(done(twice)).toEqual(['tap', 'tap', 'doubleTap']);
    // A third one does not make another.
    expect(done([...twice, ...lies(4, finger(0.5, 0.5)), ...none(2)])).toEqual([
      'tap',
      'tap',
      'doubleTap',
      'tap',
    ]);
  });

  test('too late or too far away it is two taps', () => {
    expect(
      done([...lies(4, finger(0.5, 0.5)), ...none(30), ...lies(4, finger(0.5, 0.5)), ...none(2)]),
    ).toEqual(['tap', 'tap']);
    expect(
      done([...lies(4, finger(0.2, 0.5)), ...none(5), ...lies(4, finger(0.8, 0.5)), ...none(2)]),
    ).toEqual(['tap', 'tap']);
  });

  test('lying still it holds, once, and is no tap afterwards', () => {
    expect(done([...lies(60, finger(0.5, 0.5)), ...none(3)])).toEqual(['hold']);
    expect(done([...lies(25, finger(0.5, 0.5)), ...none(3)])).toEqual(['tap']);
  });

  test('moving it drags, and no longer holds or taps', () => {
    const drag = moves(60, (s) => [finger(0.3 + 0.4 * s, 0.5)]);
    expect(done([...drag, ...none(2)])).toEqual(['drag']);
  });

  test('two fingers pinch and twist, and neither taps nor drags', () => {
    const apart = moves(30, (s) => [finger(0.4 - 0.1 * s, 0.5), finger(0.6 + 0.1 * s, 0.5, 2)]);
    expect(done([...apart, ...none(2)])).toEqual(['pinch']);
    const around = moves(30, (s) => {
      const a = s * 0.6;
      const [dx, dy] = [0.1 * Math.cos(a), 0.1 * Math.sin(a)];
      return [finger(0.5 - dx / (9 / 16), 0.5 - dy), finger(0.5 + dx / (9 / 16), 0.5 + dy, 2)];
    });
    expect(done([...around, ...none(2)])).toEqual(['twist']);
    expect(done([...lies(10, finger(0.4, 0.5), finger(0.6, 0.5, 2)), ...none(2)])).toEqual([]);
  });

  test('each is told once for fingers that are down, and it goes on identically from any step', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.array(
            fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
            { maxLength: 2 },
          ),
          {
            maxLength: 40,
          },
        ),
        fc.nat(39),
        (places, cut) => {
          const steps = places.map((list) => list.map(([x, y], i) => finger(x, y, i + 1)));
          let state: TouchState = NO_TOUCH;
          const seen = new Set<string>();
          steps.forEach((fingers, n) => {
            const kept = n === cut ? (JSON.parse(JSON.stringify(state)) as TouchState) : state;
            const next = nextTouch(kept, fingers, 9 / 16, STEP);
            expect(next).toEqual(nextTouch(state, fingers, 9 / 16, STEP));
            if (fingers.length === 0) seen.clear();
            else
              for (const { kind } of next.events) {
                expect(seen.has(kind)).toBe(false);
                seen.add(kind);
              }
            state = next.state;
          });
        },
      ),
    ));
});
