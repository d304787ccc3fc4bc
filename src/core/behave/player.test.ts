import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newControl, newDrive } from '../document/new-cues';
import type { ControlId, DriveId, Effect } from '../document/schema';
import { FIRST_TAKE, SHIPPED_TAKES } from '../takes/library';
import { Player, type PlayerOptions } from './player';
import { inOrder, type Recorded } from './recorded';
import { CARD, cueOf, effectOf } from './testing';

const control = newControl('control_size' as ControlId, 'slider', 'Size', 0);
const drive = newDrive(
  'drive_size' as DriveId,
  0,
  { kind: 'control', control: control.id },
  { kind: 'number', objects: [CARD], property: 'opacity' },
);
const effect: Effect = effectOf(
  [
    cueOf('screenTapped', [[{ kind: 'move', mode: 'by', by: [0.01, 0, 0], duration: 0.5 } as never]]),
    cueOf('recordStarts', [[{ kind: 'hide' }]], { id: 'cue_recs' as never }),
  ],
  undefined,
  { controls: { [control.id]: control }, drives: { [drive.id]: drive } } as never,
);
const tap = (time: number): Recorded => ({ time, input: { kind: 'tap', x: 0.5, y: 0.5 } });
const set = (time: number, value: number): Recorded => ({
  time,
  input: { kind: 'control', control: control.id, value },
});
const starts = (time: number): Recorded => ({ time, input: { kind: 'event', event: 'recordStarts' } });

/** Counts the frames that are asked for: each is a step that is run. */
const counted = () => {
  let asked = 0;
  const take = {
    ...FIRST_TAKE,
    frameAt: (time: number) => {
      asked++;
      return FIRST_TAKE.frameAt(time);
    },
  };
  return { take, steps: () => asked };
};

describe('records on a take', () => {
  test('controls are set and events happen at their step, both ways through time', () => {
    const player = new Player(effect, FIRST_TAKE, { recorded: [set(2, 0.25), set(4, 0.75), starts(5)] });
    expect([1, 3, 4.5, 2.5].map((t) => player.at(t).values(0).opacity)).toEqual(
      [0.5, 0.25, 0.75, 0.25].map((v) => expect.closeTo(v, 9)),
    );
    expect([4.9, 5.1, 4].map((t) => player.at(t).values(0).visible)).toEqual([true, false, true]);
  });
});

test('noise is heard from its record to the next, over what the take sounds, both ways through time', () => {
  const quiet = {
    ...FIRST_TAKE,
    frameAt: (time: number) => ({ ...FIRST_TAKE.frameAt(time), loudness: 0.2 }),
  };
  const recorded: Recorded[] = [
    { time: 2, input: { kind: 'noise', level: 0.9 } },
    { time: 3, input: { kind: 'noise', level: 0 } },
  ];
  const listening = effectOf([cueOf('loud', [[{ kind: 'hide' }]], { fires: 'each' } as never)]);
  const player = new Player(listening, quiet, { recorded });
  const heard = (time: number): number =>
    player.at(time).signal({ kind: 'loudness' }, quiet.frameAt(time), {}) as number;
  const seen = (time: number): boolean => player.at(time).values(0).visible;
  expect([1.9, 2, 2.9, 3, 1.9].map(heard)).toEqual([0.2, 0.9, 0.9, 0.2, 0.2]);
  expect([1.9, 2.1, 1.9].map(seen)).toEqual([true, false, true]);
});

describe('a player that goes on from another', () => {
  test('what is recorded now is seen without running again what was before', () => {
    const { take, steps } = counted();
    const recorded = [tap(1)];
    const first = new Player(effect, take, { recorded });
    first.at(10);
    const before = steps();
    const next = new Player(effect, take, { recorded: [...recorded, set(10, 0.1)], before: first });
    expect(next.at(10).values(0).opacity).toBeCloseTo(0.1, 9);
    // A second at the most, instead of ten.
    expect(steps() - before).toBeLessThanOrEqual(61);
  });
  test('the same as one that ran from the start, whatever was recorded, taken away and asked for', () => {
    const one = fc
      .tuple(
        fc.integer({ min: 0, max: 50 }),
        fc.constantFrom(tap, (t: number) => set(t, (t * 7) % 1), starts),
      )
      .map(([n, make]) => make(n / 10));
    const records = fc.array(one, { maxLength: 10 }).map(inOrder);
    fc.assert(
      fc.property(
        records,
        records,
        fc.integer({ min: 0, max: 55 }),
        fc.integer({ min: 0, max: 55 }),
        (a, b, m, n) => {
          // Part of the second is kept from the first, as it is when something is added or removed.
          const recorded = inOrder([...a.filter((_, i) => i % 2 === 0), ...b]);
          const first = new Player(effect, FIRST_TAKE, { recorded: a });
          first.at(m / 10);
          const next = new Player(effect, FIRST_TAKE, { recorded, before: first });
          const fresh = new Player(effect, FIRST_TAKE, { recorded });
          const of = (p: Player) => ({ ...p.at(n / 10).values(0) });
          expect(of(next)).toEqual(of(fresh));
        },
      ),
      { numRuns: 40 },
    );
  });
  test.each<[string, Effect, PlayerOptions, (typeof SHIPPED_TAKES)[number]]>([
    ['another effect', structuredClone(effect), {}, FIRST_TAKE],
    ['another take', effect, {}, SHIPPED_TAKES[1]!],
    ['one cue alone', effect, { only: 'cue_test' as never }, FIRST_TAKE],
  ])('%s begins anew', (_, other, options, take) => {
    const first = new Player(effect, FIRST_TAKE, { recorded: [tap(1)] });
    first.at(6);
    const next = new Player(other, take, { recorded: [tap(1)], ...options, before: first });
    const fresh = new Player(other, take, { recorded: [tap(1)], ...options });
    expect(next.at(5).values(0)).toEqual(fresh.at(5).values(0));
    if (other !== effect) expect(next.program).not.toBe(first.program);
  });
});
