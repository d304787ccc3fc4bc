/** What stops, resets and drives cues: other cues, controls, variables, prompts. */
import { describe, expect, test } from '@jest/globals';
import { newControl, newDrive, newPrompt, newVariable } from '../document/new-cues';
import { newFountain } from '../kinds/objects/fountain';
import type { ControlId, CueId, DriveId, Effect, PromptId, VariableId } from '../document/schema';
import { STEP } from '../units';
import type { Inputs } from '../program/inputs';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { CARD, card, cueOf, faceWith, pass, STILL, TAP, FADE, running, tap, type Told } from './testing';

const id = <T>(text: string): T => text as T;

describe('resets, starts, stops', () => {
  test('reset in mid-flight: it stops, and all is as it was placed', () => {
    const cue = cueOf('mouthOpens', [[FADE, { kind: 'move' } as Told]], {
      resets: [readyTrigger('screenTapped')],
    });
    const runtime = running([cue]);
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
    const runtime = running([cue], {}, [card(CARD, { visible: false })]);
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
    const runtime = running([shown, stops], {}, [card(CARD, { visible: false })]);
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
    const runtime = running([rise]);
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
    const runtime = running([moves, dims, fades]);
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
    const runtime = running([once]);
    const open = faceWith({ jawOpen: 1 });
    expect(runtime.step(open)).toHaveLength(1);
    tap(runtime);
    expect(runtime.step(open)).toHaveLength(0);
    expect(runtime.times(0)).toBe(1);
  });
  test('a fountain set off again while it flows still ends', () => {
    const fountain = { ...newFountain(CARD, 0, { kind: 'screen', pin: 'centre' }), runs: false };
    const flows = cueOf('screenTapped', [[{ kind: 'flow', duration: 1, after: 'return' }]]);
    const runtime = running([flows], {}, [fountain]);
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
    const runtime = running([other, starts, stops]);
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
    const runtime = running([cue]);
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
    const runtime = running(cues);
    for (let i = 0; i < 300; i++) expect(runtime.step(STILL).length).toBeLessThanOrEqual(1);
  });
  test('a thousand taps in one step are one firing', () => {
    const runtime = running([cueOf('screenTapped', [[{ kind: 'toggle' }]])]);
    const inputs: Inputs = { taps: Array.from({ length: 1000 }, () => ({ x: 0.5, y: 0.5 })), fingers: [] };
    expect(runtime.step(STILL, inputs)).toHaveLength(1);
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
    const runtime = running(
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
    const runtime = running([], { controls: { [slider.id]: slider } as never });
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
    const runtime = running([counts, third], { variables: { [variable.id]: variable } as never });
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
    const runtime = running([], withPrompts(prompt('open')));
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
    const runtime = running([cue], withPrompts(timed, asked));
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
