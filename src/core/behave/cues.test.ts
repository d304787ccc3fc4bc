/** When cues fire, and how their beats follow each other. */
import { describe, expect, test } from '@jest/globals';
import { newDrive } from '../document/new-cues';
import type { Cue, CueId, DriveId, ObjectId } from '../document/schema';
import { STEP } from '../units';
import { compile, variedBy } from '../program/program';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { Runtime } from './runtime';
import {
  CARD,
  card,
  cueOf,
  effectOf,
  faceWith,
  pass,
  STILL,
  TAP,
  FADE,
  running,
  tap,
  type Told,
} from './testing';

const id = <T>(text: string): T => text as T;

describe('when a cue fires', () => {
  test('any of several triggers sets it off, both at once only once', () => {
    const cue = cueOf('effectStarts', [[{ kind: 'toggle' }]], {
      triggers: [readyTrigger('mouthOpens'), readyTrigger('screenTapped')],
    });
    const runtime = running([cue]);
    expect(tap(runtime)).toBe(1);
    expect(runtime.step(faceWith({ jawOpen: 1 })).length).toBe(1);
    runtime.step(STILL);
    expect(runtime.step(faceWith({ jawOpen: 1 }), TAP).length).toBe(1);
  });
  test('once, with a pause, not while at work', () => {
    const taps = (more: Partial<Cue>, seconds: number): number[] => {
      const runtime = running([cueOf('screenTapped', [[FADE]], more)]);
      return Array.from({ length: 4 }, () => {
        const fired = tap(runtime);
        pass(runtime, seconds);
        return fired;
      });
    };
    expect(taps({ fires: 'once' }, 2)).toEqual([1, 0, 0, 0]);
    expect(taps({ cooldown: 1 }, 0.6)).toEqual([1, 0, 1, 0]);
    expect(taps({ again: 'ignore' }, 0.4)).toEqual([1, 0, 0, 1]);
    expect(taps({}, 0.4)).toEqual([1, 1, 1, 1]);
  });
  test('only if: all of its conditions, or any', () => {
    const on = (match: 'all' | 'any', jawOpen: number, mouthPucker: number): number => {
      const above = (name: 'jawOpen' | 'mouthPucker') =>
        ({ signal: { kind: 'expression', face: 1, name }, is: 'above', value: 0.5 }) as const;
      const cue = cueOf('screenTapped', [[FADE]], {
        match,
        conditions: [above('jawOpen'), above('mouthPucker')],
      });
      return running([cue]).step(faceWith({ jawOpen, mouthPucker }), TAP).length;
    };
    expect([on('all', 1, 1), on('all', 1, 0), on('any', 1, 0), on('any', 0, 0)]).toEqual([1, 0, 1, 0]);
  });
  test('a condition about what is not there does not hold', () => {
    const cue = cueOf('screenTapped', [[FADE]], {
      conditions: [
        {
          signal: { kind: 'object', object: id<ObjectId>('obj_gone'), of: 'opacity' },
          is: 'below',
          value: 9,
        },
      ],
    });
    expect(tap(running([cue]))).toBe(0);
  });
  test('only after another has fired: an anemone that folds only if a tap has opened it', () => {
    const opens = cueOf('screenTapped', [[{ kind: 'show' }]], { id: id<CueId>('cue_opens') });
    const folds = cueOf('lipsPucker', [[{ kind: 'hide' }]], {
      conditions: [{ signal: { kind: 'times', cue: opens.id }, is: 'above', value: 0 }],
    });
    const runtime = running([opens, folds]);
    const pucker = faceWith({ mouthPucker: 1 });
    expect(runtime.step(pucker)).toHaveLength(0);
    runtime.step(STILL, TAP);
    expect(runtime.step(pucker)).toHaveLength(1);
  });
});

describe('forth and back by turns', () => {
  test('the second time everything goes back over its own time to what it was', () => {
    const cue = cueOf(
      'screenTapped',
      [
        [{ kind: 'move', mode: 'by', by: [0.1, 0, 0], duration: 1, easing: 'steady' } as Told],
        [FADE, { kind: 'hide', delay: 0.2 }],
      ],
      { fires: 'toggle' },
    );
    const runtime = running([cue]);
    tap(runtime);
    let now = pass(runtime, 3);
    expect([now.move[0], now.opacity, now.visible]).toEqual([expect.closeTo(0.1, 9), 0, false]);
    tap(runtime);
    now = pass(runtime, 0.5);
    expect(now.visible).toBe(true);
    expect(now.move[0]).toBeCloseTo(0.05, 2);
    expect(now.opacity).toBeCloseTo(0.5, 1);
    now = pass(runtime, 1);
    expect([now.move[0], now.opacity]).toEqual([0, 1]);
    tap(runtime);
    expect(pass(runtime, 3).move[0]).toBeCloseTo(0.1, 9);
  });
  test('turned round half-way it goes back from where it is', () => {
    const cue = cueOf('screenTapped', [[FADE]], { fires: 'toggle' });
    const runtime = running([cue]);
    tap(runtime);
    pass(runtime, 0.5);
    const there = runtime.values(0).opacity;
    tap(runtime);
    expect(runtime.values(0).opacity).toBeCloseTo(there, 1);
    expect(pass(runtime, 1.1).opacity).toBe(1);
  });
});

describe('beats', () => {
  const second = (begins: number, first: Told[] = [FADE]) => {
    const cue = cueOf('effectStarts', [first, [{ kind: 'hide' }]]);
    cue.beats[1]!.begins = begins;
    const runtime = running([cue]);
    let steps = 0;
    while (runtime.values(0).visible && steps < 600) {
      runtime.step(STILL);
      steps++;
    }
    return (steps - 1) * STEP;
  };
  test.each([
    [1, 1],
    [0.5, 0.5],
    [0.25, 0.25],
    [0, 0],
  ])('begins when %f of the one before is behind: at %f s', (begins, at) => {
    expect(second(begins)).toBeCloseTo(at, 6);
  });
  test('the slowest action of the beat before counts, its delay with it', () => {
    expect(second(1, [FADE, { ...FADE, delay: 0.5, duration: 1.5 } as Told])).toBeCloseTo(2, 6);
    expect(second(0.5, [FADE, { ...FADE, delay: 0.5, duration: 1.5 } as Told])).toBeCloseTo(1, 6);
  });
  test('after an endless one it never begins, part-way of its first round it does', () => {
    const endless = [{ kind: 'turn', duration: 2, repeat: 0 } as Told];
    expect(second(1, endless)).toBeGreaterThan(9);
    expect(second(0.5, endless)).toBeCloseTo(1, 6);
  });
  test('a beat that is switched off is skipped', () => {
    const cue = cueOf('effectStarts', [[{ kind: 'hide' }], [FADE]]);
    cue.beats[0]!.enabled = false;
    const now = pass(running([cue]), 2);
    expect([now.visible, now.opacity]).toEqual([true, 0]);
  });
  test('a lid opens over 2 s and begins to turn half-way on', () => {
    const cue = cueOf('recordStarts', [
      [
        {
          kind: 'pose',
          move: [0, 0.02, 0],
          turn: [-70, 0, 0],
          scale: [1, 1, 1],
          way: 'typed',
          duration: 2,
          easing: 'steady',
        } as Told,
      ],
      [{ kind: 'move', mode: 'by', by: [0.06, 0, 0], duration: 1, easing: 'steady' } as Told],
    ]);
    cue.beats[1]!.begins = 0.5;
    const runtime = running([cue]);
    runtime.step(STILL, { taps: [], fingers: [], events: ['recordStarts'] });
    expect(pass(runtime, 1).turn[0]).toBeCloseTo(-35, 0);
    expect(pass(runtime, 1.2).turn[0]).toBe(-70);
  });
});

describe('two that write one property', () => {
  test('in one step the lower cue of the sheet wins', () => {
    const to = (name: string, order: number, opacity: number) =>
      cueOf('effectStarts', [[{ kind: 'fade', opacity, duration: 0 } as Told]], {
        id: id<CueId>(`cue_${name}`),
        order,
      });
    expect(pass(running([to('bbbb', 1, 0.7), to('aaaa', 2, 0.3)]), 0.1).opacity).toBe(0.3);
    expect(pass(running([to('bbbb', 2, 0.7), to('aaaa', 1, 0.3)]), 0.1).opacity).toBe(0.7);
  });
  test('what is driven lies over what cues do, which goes on beneath', () => {
    const drive = {
      ...newDrive(
        id<DriveId>('drive_aaaa'),
        0,
        { kind: 'expression', face: 1, name: 'jawOpen' },
        { kind: 'number', objects: [CARD], property: 'opacity' },
      ),
      remap: { from: [0, 1], to: [0.9, 0.1], curve: [0, 0, 1, 1], bounded: true },
    } as const;
    const runtime = running([cueOf('effectStarts', [[FADE]])], { drives: { [drive.id]: drive } as never });
    expect(pass(runtime, 2, faceWith({ jawOpen: 0.5 })).opacity).toBeCloseTo(0.5, 6);
    expect(pass(runtime, 0.1, faceWith({ jawOpen: 1 })).opacity).toBeCloseTo(0.1, 6);
    // Its face is gone: the last value stays.
    expect(pass(runtime, 0.1, { ...STILL, faces: [] }).opacity).toBeCloseTo(0.1, 6);
  });
});

test('a drive drives the same number of several objects; one that is gone is left out', () => {
  const other = { ...effectOf([]).objects[CARD]!, id: 'obj_other' as ObjectId };
  const drive = newDrive(
    id<DriveId>('drive_many'),
    0,
    { kind: 'expression', face: 1, name: 'jawOpen' },
    { kind: 'number', objects: [CARD, other.id, 'obj_gone' as ObjectId], property: 'opacity' },
  );
  const runtime = running([], {
    objects: { ...effectOf([]).objects, [other.id]: other },
    drives: { [drive.id]: drive } as never,
  });
  pass(runtime, 0.5, faceWith({ jawOpen: 0.25 }));
  for (const i of [0, 1]) expect(runtime.values(i).opacity).toBeCloseTo(0.25, 6);
});

describe('vary', () => {
  test('by a seed: the same each time, within what is set, and no two alike', () => {
    const vary = { seed: 7, delay: 2, speed: 0.5, amount: 0.3 };
    const all = Array.from({ length: 40 }, (_, n) => variedBy(vary, n));
    expect(all).toEqual(Array.from({ length: 40 }, (_, n) => variedBy(vary, n)));
    for (const { delay, speed, amount } of all) {
      expect(delay).toBeGreaterThanOrEqual(0);
      expect(delay).toBeLessThanOrEqual(2);
      expect(Math.abs(speed - 1)).toBeLessThanOrEqual(0.5);
      expect(Math.abs(amount - 1)).toBeLessThanOrEqual(0.3);
    }
    expect(new Set(all.map((v) => v.delay.toFixed(6))).size).toBe(40);
    expect(variedBy({ ...vary, seed: 8 }, 0)).not.toEqual(all[0]);
    expect(variedBy(null, 3)).toEqual({ delay: 0, speed: 1, amount: 1 });
  });
  test('twelve copies in one action: later, slower, farther, each in its own way; the next beat waits for the last', () => {
    const crabs = Array.from({ length: 12 }, (_, i) => card(id<ObjectId>(`obj_crab${i}`), { order: i }));
    const vary = { seed: 3, delay: 1, speed: 0.3, amount: 0.5 };
    const cue = cueOf('effectStarts', [
      [
        {
          kind: 'move',
          targets: crabs.map((c) => c.id),
          mode: 'by',
          by: [1, 0, 0],
          duration: 1,
          easing: 'steady',
          vary,
        } as Told,
      ],
      [{ kind: 'hide', targets: crabs.map((c) => c.id) } as Told],
    ]);
    const runtime = running([cue], {}, crabs);
    pass(runtime, 0.8);
    expect(new Set(crabs.map((_, i) => runtime.values(i).move[0].toFixed(5))).size).toBeGreaterThan(9);
    const longest = Math.max(...crabs.map((_, n) => variedBy(vary, n)).map((v) => v.delay + 1 / v.speed));
    pass(runtime, longest - 0.8 - 0.05);
    expect(runtime.values(0).visible).toBe(true);
    pass(runtime, 0.2);
    crabs.forEach((_, i) => {
      expect(runtime.values(i).visible).toBe(false);
      expect(runtime.values(i).move[0]).toBeCloseTo(variedBy(vary, i).amount, 6);
    });
  });
});

describe('one cue by itself', () => {
  test('fires at once, and no other cue does', () => {
    const asked = cueOf('screenTapped', [[FADE]], {
      conditions: [{ signal: { kind: 'time' }, is: 'above', value: 99 }],
    });
    const other = cueOf('effectStarts', [[{ kind: 'hide' }]], { id: id<CueId>('cue_other') });
    const runtime = new Runtime(compile(effectOf([asked, other])), { only: asked.id });
    expect(runtime.step(STILL).map((f) => f.cue)).toEqual([asked.id]);
    expect(tap(runtime)).toBe(0);
    expect(pass(runtime, 2)).toMatchObject({ visible: true, opacity: 0 });
  });
});
