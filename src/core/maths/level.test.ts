import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { STEP } from '../units';
import { nextLevel, NOT_OVER, type Crossing, type Level, type LevelState } from './level';

const watch = (values: readonly number[], level: Level): (Crossing | null)[] => {
  let state: LevelState = NOT_OVER;
  return values.map((value) => {
    const next = nextLevel(state, value, level, STEP);
    state = next.state;
    return next.event;
  });
};
const times = (n: number, value: number): number[] => Array.from({ length: n }, () => value);
const plain: Level = { level: 0.5, release: 0.35, hold: 0 };

describe('a level that is watched', () => {
  test('without a hold it counts at once; between both levels nothing changes', () => {
    expect(watch([0.2, 0.5, 0.4, 0.6, 0.34, 0.45, 0.5], plain)).toEqual([
      null,
      'rise',
      null,
      null,
      'fall',
      null,
      'rise',
    ]);
  });

  test('with a hold it counts after that long, and a short visit does not', () => {
    const held = { ...plain, hold: 0.25 };
    const events = watch([...times(10, 0.9), ...times(3, 0), ...times(30, 0.9)], held);
    expect(events.filter(Boolean)).toEqual(['rise']);
    // Fifteen steps are a quarter of a second.
    expect(events.indexOf('rise')).toBe(13 + 15);
    const fall = watch([...times(20, 0.9), ...times(5, 0), ...times(5, 0.9), ...times(20, 0)], held);
    expect(fall.filter(Boolean)).toEqual(['rise', 'fall']);
    expect(fall.indexOf('fall')).toBe(30 + 15);
  });

  test('rises and falls take turns, whatever comes; what is no number changes nothing', () =>
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.double({ min: -1, max: 2 }), fc.constant(NaN)), { maxLength: 80 }),
        fc.record({
          level: fc.double({ min: 0, max: 1, noNaN: true }),
          release: fc.double({ min: 0, max: 1, noNaN: true }),
          hold: fc.double({ min: 0, max: 0.2, noNaN: true }),
        }),
        (values, level) => {
          const events = watch(values, level).filter(Boolean);
          events.forEach((event, i) => expect(event).toBe(i % 2 === 0 ? 'rise' : 'fall'));
          expect(
            watch(
              values.map(() => NaN),
              level,
            ).some(Boolean),
          ).toBe(false);
        },
      ),
    ));
});
