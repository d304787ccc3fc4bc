import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newControl, newDrive, newPrompt, newVariable } from '../document/new-cues';
import { newFountain } from '../document/new-objects';
import type {
  Action,
  ActionKind,
  ControlId,
  Cue,
  CueId,
  DriveId,
  Effect,
  ObjectId,
  PromptId,
  Trigger,
  VariableId,
} from '../document/schema';
import { STEP } from '../units';
import type { Inputs } from './inputs';
import { compile, variedBy } from './program';
import { readyTrigger } from './ready-triggers';
import { Runtime } from './runtime';
import { CARD, card, cueOf, effectOf, faceWith, pass, STILL, TAP } from './testing';

type Told = Partial<Action> & { readonly kind: ActionKind };
const FADE: Told = { kind: 'fade', opacity: 0, duration: 1, easing: 'steady' } as Told;
const run = (cues: Cue[], more: Partial<Effect> = {}, objects = [card()]) =>
  new Runtime(compile(effectOf(cues, objects, more)));
const tap = (runtime: Runtime): number => runtime.step(STILL, TAP).length;
const id = <T>(text: string): T => text as T;

describe('when a cue fires', () => {
  test('any of several triggers sets it off, both at once only once', () => {
    const cue = cueOf('effectStarts', [[{ kind: 'toggle' }]], {
      triggers: [readyTrigger('mouthOpens'), readyTrigger('screenTapped')],
    });
    const runtime = run([cue]);
    expect(tap(runtime)).toBe(1);
    expect(runtime.step(faceWith({ jawOpen: 1 })).length).toBe(1);
    runtime.step(STILL);
    expect(runtime.step(faceWith({ jawOpen: 1 }), TAP).length).toBe(1);
  });
  test('once, with a pause, not while at work', () => {
    const taps = (more: Partial<Cue>, seconds: number): number[] => {
      const runtime = run([cueOf('screenTapped', [[FADE]], more)]);
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
      return run([cue]).step(faceWith({ jawOpen, mouthPucker }), TAP).length;
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
    expect(tap(run([cue]))).toBe(0);
  });
  test('only after another has fired: an anemone that folds only if a tap has opened it', () => {
    const opens = cueOf('screenTapped', [[{ kind: 'show' }]], { id: id<CueId>('cue_opens') });
    const folds = cueOf('lipsPucker', [[{ kind: 'hide' }]], {
      conditions: [{ signal: { kind: 'times', cue: opens.id }, is: 'above', value: 0 }],
    });
    const runtime = run([opens, folds]);
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
    const runtime = run([cue]);
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
    const runtime = run([cue]);
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
    const runtime = run([cue]);
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
    const now = pass(run([cue]), 2);
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
    const runtime = run([cue]);
    runtime.step(STILL, { taps: [], fingers: [], events: ['recordStarts'] });
    expect(pass(runtime, 1).turn[0]).toBeCloseTo(-35, 0);
    expect(pass(runtime, 1.2).turn[0]).toBe(-70);
  });
});

describe('resets, starts, stops', () => {
  test('reset in mid-flight: it stops, and all is as it was placed', () => {
    const cue = cueOf('mouthOpens', [[FADE, { kind: 'move' } as Told]], {
      resets: [readyTrigger('screenTapped')],
    });
    const runtime = run([cue]);
    runtime.step(faceWith({ jawOpen: 1 }));
    pass(runtime, 0.5, faceWith({ jawOpen: 1 }));
    expect(runtime.values(0).opacity).toBeLessThan(0.6);
    runtime.step(faceWith({ jawOpen: 1 }), TAP);
    expect(runtime.values(0)).toMatchObject({ opacity: 1, move: [0, 0, 0] });
    expect(pass(runtime, 1, faceWith({ jawOpen: 1 })).opacity).toBe(1);
    expect(runtime.isAtWork(0)).toBe(false);
  });
  test('shown while the mouth is open', () => {
    const cue = cueOf('mouthOpens', [[{ kind: 'show' }]], { resets: [readyTrigger('mouthCloses')] });
    const runtime = run([cue], {}, [card(CARD, { visible: false })]);
    const seen = [0, 0.9, 0.9, 0, 0.9].map((jawOpen) => {
      runtime.step(faceWith({ jawOpen }));
      return runtime.values(0).visible;
    });
    expect(seen).toEqual([false, true, true, false, true]);
  });
  test('what is to last only as long is as before, also when the cue fires again meanwhile, or is stopped', () => {
    const other = id<CueId>('cue_stops');
    const stops = cueOf('mouthOpens', [[{ kind: 'cue', cue: id<CueId>('cue_test'), do: 'stop' } as Told]], {
      id: other,
    });
    const shown = cueOf('screenTapped', [[{ kind: 'show', duration: 1, after: 'return' }]]);
    const runtime = run([shown, stops], {}, [card(CARD, { visible: false })]);
    tap(runtime);
    pass(runtime, 0.5);
    tap(runtime);
    expect(pass(runtime, 0.8).visible).toBe(true);
    expect(pass(runtime, 0.4).visible).toBe(false);
    tap(runtime);
    runtime.step(faceWith({ jawOpen: 1 }));
    runtime.step(STILL);
    expect(runtime.values(0).visible).toBe(false);
  });
  test('what goes there and back does not wander off, however often it is set off on the way', () => {
    const rise = cueOf('screenTapped', [
      [{ kind: 'move', mode: 'by', by: [0, 0.1, 0], duration: 0.5, thereAndBack: true } as Told],
    ]);
    const runtime = run([rise]);
    for (let i = 0; i < 6; i++) {
      tap(runtime);
      pass(runtime, 0.3);
    }
    expect(pass(runtime, 2).move[1]).toBeCloseTo(0, 9);
  });
  test('a reset takes back what this cue did, not what others did, and nothing at all before it has fired', () => {
    const moves = cueOf(
      'effectStarts',
      [[{ kind: 'move', mode: 'by', by: [0.1, 0, 0], duration: 0 } as Told]],
      {
        id: id<CueId>('cue_moves'),
      },
    );
    const fades = cueOf('mouthOpens', [[FADE]], { resets: [readyTrigger('screenTapped')] });
    const dims = cueOf('effectStarts', [[{ kind: 'fade', opacity: 0.4, duration: 0 } as Told]], {
      id: id<CueId>('cue_dims'),
    });
    const runtime = run([moves, dims, fades]);
    runtime.step(STILL);
    tap(runtime);
    expect(runtime.values(0).opacity).toBe(0.4);
    runtime.step(faceWith({ jawOpen: 1 }));
    pass(runtime, 2, faceWith({ jawOpen: 1 }));
    expect(runtime.values(0).opacity).toBe(0);
    tap(runtime);
    expect(runtime.values(0)).toMatchObject({ opacity: 1, move: [0.1, 0, 0] });
  });
  test('a reset does not let what fires once fire again, nor is it counted less', () => {
    const once = cueOf('mouthOpens', [[FADE]], { fires: 'once', resets: [readyTrigger('screenTapped')] });
    const runtime = run([once]);
    const open = faceWith({ jawOpen: 1 });
    expect(runtime.step(open)).toHaveLength(1);
    tap(runtime);
    expect(runtime.step(open)).toHaveLength(0);
    expect(runtime.times(0)).toBe(1);
  });
  test('a fountain set off again while it flows still ends', () => {
    const fountain = { ...newFountain(CARD, 0, { kind: 'screen', pin: 'centre' }), runs: false };
    const flows = cueOf('screenTapped', [[{ kind: 'flow', duration: 1, after: 'return' }]]);
    const runtime = run([flows], {}, [fountain]);
    tap(runtime);
    pass(runtime, 0.5);
    tap(runtime);
    pass(runtime, 0.5);
    expect(runtime.values(0).open).toBe(1);
    expect(pass(runtime, 1).open).toBe(0);
  });
  test('a cue starts and stops another, in the next step; what it did stays', () => {
    const other = cueOf('effectStarts', [[{ ...FADE, duration: 2 } as Told]], {
      id: id<CueId>('cue_other'),
      triggers: [],
    });
    const starts = cueOf('screenTapped', [[{ kind: 'cue', cue: other.id, do: 'start' } as Told]]);
    const stops = cueOf('mouthOpens', [[{ kind: 'cue', cue: other.id, do: 'stop' } as Told]], {
      id: id<CueId>('cue_stops'),
    });
    const runtime = run([other, starts, stops]);
    expect(runtime.step(STILL, TAP).map((f) => f.cue)).toEqual(['cue_test']);
    expect(runtime.step(STILL).map((f) => f.cue)).toEqual(['cue_other']);
    pass(runtime, 1);
    runtime.step(faceWith({ jawOpen: 1 }));
    runtime.step(faceWith({ jawOpen: 1 }));
    const stopped = runtime.values(0).opacity;
    expect(stopped).toBeCloseTo(0.49, 1);
    expect(pass(runtime, 2, faceWith({ jawOpen: 1 })).opacity).toBe(stopped);
  });
  test('a cue that sets itself off fires once a step at the most, and everything goes on', () => {
    const cue = cueOf('effectStarts', [[{ kind: 'toggle' }]], {
      triggers: [
        { kind: 'effectStarts' },
        { kind: 'cue', cue: id<CueId>('cue_test'), moment: 'begins', share: 0.5 },
      ],
    });
    const runtime = run([cue]);
    const fired = Array.from({ length: 100 }, () => runtime.step(STILL).length);
    expect(new Set(fired)).toEqual(new Set([1]));
  });
  test('a circle of a hundred cues that set each other off takes its time and no more', () => {
    const cues = Array.from({ length: 100 }, (_, i) =>
      cueOf(
        'effectStarts',
        [[{ kind: 'cue', cue: `cue_n${(i + 1) % 100}xx`, do: 'start' } as unknown as Told]],
        {
          id: id<CueId>(`cue_n${i}xx`),
          ...(i === 0 ? {} : { triggers: [] }),
        },
      ),
    );
    const runtime = run(cues);
    for (let i = 0; i < 300; i++) expect(runtime.step(STILL).length).toBeLessThanOrEqual(1);
  });
  test('a thousand taps in one step are one firing', () => {
    const runtime = run([cueOf('screenTapped', [[{ kind: 'toggle' }]])]);
    const inputs: Inputs = { taps: Array.from({ length: 1000 }, () => ({ x: 0.5, y: 0.5 })), fingers: [] };
    expect(runtime.step(STILL, inputs)).toHaveLength(1);
  });
});

describe('two that write one property', () => {
  test('in one step the lower cue of the sheet wins', () => {
    const to = (name: string, order: number, opacity: number) =>
      cueOf('effectStarts', [[{ kind: 'fade', opacity, duration: 0 } as Told]], {
        id: id<CueId>(`cue_${name}`),
        order,
      });
    expect(pass(run([to('bbbb', 1, 0.7), to('aaaa', 2, 0.3)]), 0.1).opacity).toBe(0.3);
    expect(pass(run([to('bbbb', 2, 0.7), to('aaaa', 1, 0.3)]), 0.1).opacity).toBe(0.7);
  });
  test('what is driven lies over what cues do, which goes on beneath', () => {
    const drive = {
      ...newDrive(
        id<DriveId>('drive_aaaa'),
        0,
        { kind: 'expression', face: 1, name: 'jawOpen' },
        { kind: 'number', object: CARD, property: 'opacity' },
      ),
      remap: { from: [0, 1], to: [0.9, 0.1], curve: [0, 0, 1, 1], bounded: true },
    } as const;
    const runtime = run([cueOf('effectStarts', [[FADE]])], { drives: { [drive.id]: drive } as never });
    expect(pass(runtime, 2, faceWith({ jawOpen: 0.5 })).opacity).toBeCloseTo(0.5, 6);
    expect(pass(runtime, 0.1, faceWith({ jawOpen: 1 })).opacity).toBeCloseTo(0.1, 6);
    // Its face is gone: the last value stays.
    expect(pass(runtime, 0.1, { ...STILL, faces: [] }).opacity).toBeCloseTo(0.1, 6);
  });
});

describe('controls and variables', () => {
  const slider = {
    ...newControl(id<ControlId>('control_speed'), 'slider', 'Speed', 0),
    least: 0,
    most: 1,
    start: 0,
  };
  const set = (value: number): Inputs => ({
    taps: [],
    fingers: [],
    controls: [{ control: slider.id, value }],
  });
  test('a slider drives how long a turn takes, backwards: 8 s down to 0.2 s, without a jump', () => {
    const ring = cueOf('effectStarts', [
      [{ kind: 'circle', axis: 'y', duration: 8, repeat: 0, easing: 'steady' } as Told],
    ]);
    const drive = {
      ...newDrive(
        id<DriveId>('drive_ring'),
        0,
        { kind: 'control', control: slider.id },
        { kind: 'duration', cue: ring.id, action: ring.beats[0]!.actions[0]!.id },
      ),
      remap: { from: [0, 1], to: [8, 0.2], curve: [0, 0, 1, 1], bounded: true },
    };
    const object = card(CARD, { move: [0.1, 0, 0] });
    const runtime = run(
      [ring],
      { controls: { [slider.id]: slider } as never, drives: { [drive.id]: drive } as never },
      [object],
    );
    const angle = (): number =>
      (Math.atan2(-runtime.values(0).move[2], runtime.values(0).move[0]) * 180) / Math.PI;
    const speed = (): number => {
      const before = angle();
      runtime.step(STILL);
      return (((angle() - before + 540) % 360) - 180) / STEP;
    };
    pass(runtime, 0.5);
    expect(speed()).toBeCloseTo(360 / 8, 1);
    const before = angle();
    runtime.step(STILL, set(1));
    expect(Math.abs(angle() - before)).toBeLessThan(40);
    runtime.step(STILL);
    expect(speed()).toBeCloseTo(360 / 0.2, 0);
    runtime.step(STILL, set(0.5));
    runtime.step(STILL);
    expect(speed()).toBeCloseTo(360 / 4.1, 1);
  });
  test('what is no number is not taken', () => {
    const runtime = run([], { controls: { [slider.id]: slider } as never });
    runtime.step(STILL, set(NaN));
    expect(runtime.control(slider.id)).toBe(0);
    runtime.step(STILL, set(0.4));
    expect(runtime.control(slider.id)).toBe(0.4);
    expect(runtime.control('control_other')).toBeNaN();
  });
  test('a variable is counted up, compared, and told when it changes', () => {
    const variable = newVariable(id<VariableId>('variable_taps'), 'Taps', 0);
    const counts = cueOf('screenTapped', [
      [{ kind: 'variable', variable: variable.id, mode: 'by', value: 1 } as Told],
    ]);
    const third = cueOf('effectStarts', [[{ kind: 'hide' }]], {
      id: id<CueId>('cue_third'),
      triggers: [{ kind: 'variable', variable: variable.id }],
      conditions: [{ signal: { kind: 'variable', variable: variable.id }, is: 'equals', value: 3 }],
    });
    const runtime = run([counts, third], { variables: { [variable.id]: variable } as never });
    const seen = Array.from({ length: 4 }, () => {
      tap(runtime);
      return pass(runtime, 0.1).visible;
    });
    expect(seen).toEqual([true, true, false, false]);
    expect(runtime.variable(variable.id)).toBe(4);
  });
});

describe('prompts', () => {
  const prompt = (name: string, more: object = {}) => ({
    ...newPrompt(id<PromptId>(`prompt_${name}`), 0),
    ...more,
  });
  const withPrompts = (...list: ReturnType<typeof prompt>[]) =>
    ({ prompts: Object.fromEntries(list.map((p) => [p.id, p])) }) as Partial<Effect>;
  test('shown from the start until the mouth opens', () => {
    const runtime = run([], withPrompts(prompt('open')));
    runtime.step(STILL);
    expect(runtime.prompt).toBe('prompt_open');
    runtime.step(faceWith({ jawOpen: 1 }));
    expect(runtime.prompt).toBeNull();
  });
  test('for so many seconds; by a cue; only while its condition holds; the last one is read', () => {
    const timed = prompt('time', { seconds: 1, hiddenWhen: [] });
    const asked = prompt('asks', {
      shownWhen: [],
      hiddenWhen: [],
      onlyIf: [{ signal: { kind: 'faces' }, is: 'above', value: 0 }],
    });
    const cue = cueOf('screenTapped', [[{ kind: 'prompt', prompt: asked.id, show: true } as Told]]);
    const runtime = run([cue], withPrompts(timed, asked));
    runtime.step(STILL, TAP);
    expect(runtime.prompt).toBe('prompt_time');
    runtime.step(STILL);
    expect(runtime.prompt).toBe('prompt_asks');
    runtime.step({ ...STILL, faces: [] });
    expect(runtime.prompt).toBe('prompt_time');
    pass(runtime, 1);
    expect(runtime.prompt).toBeNull();
  });
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
    const runtime = run([cue], {}, crabs);
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

describe('bad input', () => {
  test.each([0, 1e9, 3600, 1e-9])('a duration of %d s leaves sane values', (duration) => {
    for (const kind of [
      'move',
      'turn',
      'size',
      'circle',
      'shake',
      'sway',
      'bounce',
      'follow',
      'colour',
      'pose',
    ] as const)
      for (const repeat of [0, 1, 5]) {
        const runtime = run([cueOf('effectStarts', [[{ kind, duration, repeat } as Told]])]);
        const now = pass(runtime, 0.5);
        for (const v of [...now.move, ...now.turn, ...now.scale, now.opacity])
          expect(Number.isFinite(v)).toBe(true);
      }
  });
  test('a target, cue, control, scene or variable that is gone is left out', () => {
    const gone: Told[] = [
      { kind: 'hide', targets: [id<ObjectId>('obj_gone')] },
      { kind: 'cue', cue: id<CueId>('cue_gone'), do: 'start' } as Told,
      { kind: 'variable', variable: id<VariableId>('variable_gone') } as Told,
      { kind: 'prompt', prompt: id<PromptId>('prompt_gone') } as Told,
      { kind: 'scene', scene: 'scene_gone' } as unknown as Told,
      { kind: 'follow', object: id<ObjectId>('obj_gone') } as Told,
      { kind: 'circle', around: 'object', object: id<ObjectId>('obj_gone') } as Told,
      FADE,
    ];
    expect(pass(run([cueOf('effectStarts', [gone])]), 2).opacity).toBe(0);
  });
});

describe('restored at any step', () => {
  test('it goes on exactly as one that was not interrupted', () => {
    const slider = newControl(id<ControlId>('control_aaaa'), 'slider', 'S', 0);
    const variable = newVariable(id<VariableId>('variable_aaaa'), 'V', 0);
    const fountain = {
      ...newFountain(id<ObjectId>('obj_fount'), 1, { kind: 'screen', pin: 'centre' }),
      rate: 50,
    };
    const cues = [
      cueOf('screenTapped', [[{ kind: 'move', repeat: 3, thereAndBack: true } as Told], [FADE]], {
        fires: 'toggle',
      }),
      cueOf('mouthOpens', [[{ kind: 'sway' } as Told, { kind: 'shake' } as Told]], {
        id: id<CueId>('cue_open'),
        resets: [readyTrigger('mouthCloses')],
      }),
      cueOf(
        'controlChanges',
        [
          [
            { kind: 'burst', targets: [fountain.id], count: 9 } as Told,
            { kind: 'variable', variable: variable.id, mode: 'by', value: 1 } as Told,
          ],
        ],
        {
          id: id<CueId>('cue_ctl1'),
          triggers: [{ kind: 'control', control: slider.id }],
          cooldown: 0.1,
        },
      ),
      cueOf('variableChanges', [[{ kind: 'follow', object: fountain.id, swings: 1 } as Told]], {
        id: id<CueId>('cue_var1'),
        triggers: [{ kind: 'variable', variable: variable.id }],
      }),
      cueOf('nods', [[{ kind: 'number', property: 'size', mode: 'to', value: 2 } as Told]], {
        id: id<CueId>('cue_nods'),
      }),
    ];
    const drive = {
      ...newDrive(
        id<DriveId>('drive_aaaa'),
        0,
        { kind: 'control', control: slider.id },
        { kind: 'number', object: fountain.id, property: 'rate' },
      ),
      lag: 0.3,
    };
    const program = compile(
      effectOf(cues, [card(), fountain], {
        controls: { [slider.id]: slider },
        variables: { [variable.id]: variable },
        drives: { [drive.id]: drive },
        prompts: { prompt_aaaa: newPrompt(id<PromptId>('prompt_aaaa'), 0) },
      } as never),
    );
    const move = fc.record({
      jaw: fc.constantFrom(0, 0.3, 0.9),
      tap: fc.boolean(),
      set: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: null }),
    });
    const inputs = (m: { tap: boolean; set: number | null }): Inputs => ({
      taps: m.tap ? TAP.taps : [],
      fingers: [],
      ...(m.set === null ? {} : { controls: [{ control: slider.id, value: m.set }] }),
    });
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 90 }), fc.nat(90), (moves, cut) => {
        const whole = new Runtime(program);
        let broken = new Runtime(program);
        moves.forEach((m, i) => {
          if (i === cut) {
            const saved = broken.save();
            // What goes on does not change what was saved.
            broken.step(faceWith({ jawOpen: m.jaw }), inputs(m));
            broken = new Runtime(program);
            broken.restore(structuredClone(saved));
          }
          const frame = faceWith({ jawOpen: m.jaw });
          expect(broken.step(frame, inputs(m))).toEqual(whole.step(frame, inputs(m)));
        });
        expect(JSON.stringify(broken.save())).toBe(JSON.stringify(whole.save()));
      }),
      { numRuns: 30 },
    );
  });
});

test('triggers are watched by plain data that goes through JSON', () => {
  const trigger: Trigger = readyTrigger('mouthOpens');
  const runtime = run([cueOf('effectStarts', [[FADE]], { triggers: [trigger] })]);
  pass(runtime, 0.2, faceWith({ jawOpen: 0.9 }));
  const saved = runtime.save();
  expect(JSON.parse(JSON.stringify(saved.cues))).toEqual(saved.cues);
});
