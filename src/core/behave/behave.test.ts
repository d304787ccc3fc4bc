import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blankEffect } from '../document/defaults';
import { newCue } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { newCard } from '../kinds/objects/card';
import { sampleAsset, sampleEffect } from '../document/sample';
import type { Action, ActionKind, Cue, CueId, Effect, ObjectId } from '../document/schema';
import { FIRST_TAKE } from '../takes/library';
import type { TrackFrame } from '../tracking/track-frame';
import { STEP } from '../units';
import { chronicleOf } from './chronicle';
import { standingReasons } from './explain';
import { Player } from './player';
import { compile } from '../program/program';
import type { ReadyTrigger } from '../kinds/triggers/ready-triggers';
import { Runtime } from './runtime';
import { whyCue } from './why';

const CARD = 'obj_card' as ObjectId;
const CUE = 'cue_test' as CueId;

const frameWith = (jawOpen: number, mouthPucker = 0): TrackFrame => ({
  ...FIRST_TAKE.frameAt(0),
  faces: [{ ...FIRST_TAKE.frameAt(0).faces[0]!, expressions: { jawOpen, mouthPucker } }],
});
const shut = frameWith(0);
const open = frameWith(0.9);
const nobody: TrackFrame = { ...shut, faces: [] };
const tap = { taps: [{ x: 0.5, y: 0.5 }], fingers: [] };

const effectWith = (
  trigger: ReadyTrigger,
  beats: Partial<Action>[][],
  card: { visible?: boolean } = {},
): Effect => {
  const asset = sampleAsset(0);
  const cue: Cue = newCue(
    CUE,
    trigger,
    0,
    beats.map((actions, b) => ({
      id: `beat_${b}xxx`,
      actions: actions.map(
        (a, i) => ({ ...newAction(`act_${b}x${i}xx`, a.kind as ActionKind, CARD), ...a }) as Action,
      ),
    })),
  );
  return {
    ...blankEffect('Test'),
    assets: { [asset.id]: asset },
    objects: { [CARD]: { ...newCard(CARD, asset, 0), move: [0, 0, 0], ...card } },
    cues: { [CUE]: cue },
  } as Effect;
};

/** Steps through `seconds` of the frame and gives the card's values. */
const run = (runtime: Runtime, seconds: number, frame = shut) => {
  for (let i = 0; i < Math.round(seconds / STEP); i++) runtime.step(frame);
  return runtime.values(0);
};

describe('triggers', () => {
  test('the effect starts once, at the first step', () => {
    const runtime = new Runtime(compile(effectWith('effectStarts', [[{ kind: 'hide' }]])));
    expect(runtime.step(shut)).toHaveLength(1);
    expect(runtime.values(0).visible).toBe(false);
    expect(runtime.step(shut)).toHaveLength(0);
  });
  test('a mouth opens when it passes the threshold, and again only after it has closed', () => {
    const runtime = new Runtime(compile(effectWith('mouthOpens', [[{ kind: 'toggle' }]])));
    const fired = [0, 0.39, 0.41, 0.9, 0.35, 0.41, 0.2, 0.5].map(
      (jaw) => runtime.step(frameWith(jaw)).length,
    );
    // 0.35 is below the threshold but not yet closed: no flutter.
    expect(fired).toEqual([0, 0, 1, 0, 0, 0, 0, 1]);
  });
  test('a mouth closes only after it was open', () => {
    const runtime = new Runtime(compile(effectWith('mouthCloses', [[{ kind: 'toggle' }]])));
    expect([0, 0, 0.9, 0.9, 0.1].map((jaw) => runtime.step(frameWith(jaw)).length)).toEqual([0, 0, 0, 0, 1]);
  });
  test('a face that leaves closes its mouth', () => {
    const runtime = new Runtime(compile(effectWith('mouthCloses', [[{ kind: 'toggle' }]])));
    expect([open, nobody].map((f) => runtime.step(f).length)).toEqual([0, 1]);
  });
  test('lips pucker; a tap taps', () => {
    const pucker = new Runtime(compile(effectWith('lipsPucker', [[{ kind: 'hide' }]])));
    expect([frameWith(0, 0.4), frameWith(0, 0.6)].map((f) => pucker.step(f).length)).toEqual([0, 1]);
    const tapped = new Runtime(compile(effectWith('screenTapped', [[{ kind: 'hide' }]])));
    expect(tapped.step(shut)).toHaveLength(0);
    expect(tapped.step(shut, tap)).toHaveLength(1);
  });
  test('a cue that is off does nothing', () => {
    const effect = effectWith('effectStarts', [[{ kind: 'hide' }]]);
    effect.cues[CUE]!.enabled = false;
    expect(run(new Runtime(compile(effect)), 1).visible).toBe(true);
  });
});

describe('actions', () => {
  const started = (action: Partial<Action>, card: { visible?: boolean } = {}) =>
    new Runtime(compile(effectWith('effectStarts', [[action]], card)));

  test('shows after its delay and stays', () => {
    const runtime = started({ kind: 'show', delay: 0.5 }, { visible: false });
    expect(run(runtime, 0.45).visible).toBe(false);
    expect(run(runtime, 0.1).visible).toBe(true);
    expect(run(runtime, 5).visible).toBe(true);
  });
  test('shows there and back for its duration, as often as told', () => {
    const runtime = started({ kind: 'show', duration: 1, thereAndBack: true, repeat: 2 }, { visible: false });
    const seen = Array.from({ length: 5 }, (_, i) => run(runtime, i === 0 ? 0.5 : 1).visible);
    expect(seen).toEqual([true, false, true, false, false]);
  });
  test('fades with its easing and ends exactly', () => {
    const runtime = started({ kind: 'fade', opacity: 0.2, duration: 1, easing: 'steady' });
    expect(run(runtime, 0.5 + STEP).opacity).toBeCloseTo(0.6, 2);
    expect(run(runtime, 1).opacity).toBe(0.2);
  });
  test('moves by, twice: goes on from where it was', () => {
    const runtime = started({ kind: 'move', mode: 'by', by: [0, 0.1, 0], duration: 0.5, repeat: 2 });
    expect(run(runtime, 2).move[1]).toBeCloseTo(0.2, 9);
  });
  test('turns by 720 degrees without wrapping', () => {
    const runtime = started({ kind: 'turn', mode: 'by', by: [0, 0, 720], duration: 1, easing: 'steady' });
    expect(run(runtime, 0.75 + STEP).turn[2]).toBeCloseTo(540, 0);
    expect(run(runtime, 1).turn[2]).toBe(720);
  });
  test('sizes to a share of the placed size, there and back', () => {
    const runtime = started({
      kind: 'size',
      mode: 'to',
      factor: 3,
      duration: 1,
      thereAndBack: true,
      easing: 'steady',
    });
    expect(run(runtime, 1 + STEP).scale[0]).toBeCloseTo(3, 1);
    expect(run(runtime, 2).scale[0]).toBe(1);
  });
  test('repeats without end', () => {
    const runtime = started({
      kind: 'turn',
      mode: 'by',
      by: [0, 0, 10],
      duration: 0.1,
      repeat: 0,
      easing: 'steady',
    });
    expect(run(runtime, 10).turn[2]).toBeGreaterThan(980);
  });
  test('the second beat waits for the whole first one', () => {
    const effect = effectWith('effectStarts', [
      [
        { kind: 'fade', opacity: 0.5, duration: 0.2 },
        { kind: 'fade', opacity: 0.5, duration: 0.2, delay: 0.8 },
      ],
      [{ kind: 'hide' }],
    ]);
    const runtime = new Runtime(compile(effect));
    expect(run(runtime, 0.95).visible).toBe(true);
    expect(run(runtime, 0.1).visible).toBe(false);
  });
});

describe('save and restore', () => {
  test('a runtime restored from a snapshot goes on exactly as the uninterrupted one', () => {
    const program = compile(sampleEffect(4, 12));
    const step = fc.record({
      jaw: fc.double({ min: 0, max: 1, noNaN: true }),
      pucker: fc.double({ min: 0, max: 1, noNaN: true }),
      tap: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 120 }), fc.nat(120), (steps, cut) => {
        const whole = new Runtime(program);
        let broken = new Runtime(program);
        steps.forEach(({ jaw, pucker, tap: tapped }, i) => {
          if (i === cut) {
            // Through text, as it would be kept.
            const saved = JSON.parse(JSON.stringify(broken.save())) as ReturnType<Runtime['save']>;
            broken = new Runtime(program);
            broken.restore(saved);
          }
          const inputs = tapped ? tap : undefined;
          expect(broken.step(frameWith(jaw, pucker), inputs)).toEqual(
            whole.step(frameWith(jaw, pucker), inputs),
          );
        });
        // JSON knows no -0.
        expect(JSON.stringify(broken.save())).toBe(JSON.stringify(whole.save()));
      }),
      { numRuns: 40 },
    );
  });
  test('a snapshot does not change when the runtime goes on', () => {
    const runtime = new Runtime(
      compile(effectWith('effectStarts', [[{ kind: 'fade', opacity: 0, duration: 1 }]])),
    );
    run(runtime, 0.2);
    const saved = runtime.save();
    const text = JSON.stringify(saved);
    run(runtime, 0.5);
    expect(JSON.stringify(saved)).toBe(text);
  });
});

describe('the player', () => {
  const effect = effectWith('mouthOpens', [[{ kind: 'show', duration: 1, thereAndBack: true }]], {
    visible: false,
  });
  test('any moment asked for, in any order, is as in a run from the start', () => {
    const straight = new Player(effect, FIRST_TAKE);
    const expected = Array.from({ length: 24 }, (_, i) => straight.at(i / 2).values(0).visible);
    expect(expected).toContain(true);
    fc.assert(
      fc.property(fc.array(fc.nat(23), { minLength: 1, maxLength: 12 }), (moments) => {
        const player = new Player(effect, FIRST_TAKE);
        return moments.every((m) => player.at(m / 2).values(0).visible === expected[m]);
      }),
      { numRuns: 25 },
    );
  });
  test('recorded taps are replayed at their step', () => {
    const player = new Player(effectWith('screenTapped', [[{ kind: 'hide' }]]), FIRST_TAKE, {
      recorded: [{ time: 2, input: { kind: 'tap', x: 0.1, y: 0.2 } }],
    });
    expect(player.at(1.9).values(0).visible).toBe(true);
    expect(player.at(2.0).values(0).visible).toBe(false);
    expect(player.at(1.0).values(0).visible).toBe(true);
    const fired: unknown[] = [];
    player.run((moment) => fired.push(...moment.fired));
    expect(fired).toEqual([{ cue: CUE, time: 2 }]);
  });
});

describe('why nothing happens', () => {
  const reasons = (effect: Effect) => standingReasons(effect, effect.cues[CUE]!).map((r) => r.code);
  test('no target, no action, off', () => {
    expect(reasons(effectWith('effectStarts', [[{ kind: 'show', targets: [] }]]))).toEqual(['no-target']);
    expect(reasons(effectWith('effectStarts', []))).toEqual(['no-actions']);
    const off = effectWith('effectStarts', [[{ kind: 'hide' }]]);
    off.cues[CUE]!.enabled = false;
    expect(reasons(off)).toEqual(['off']);
  });
  test('showing what is shown, hiding what is hidden, moving what is never seen, by nothing', () => {
    expect(reasons(effectWith('effectStarts', [[{ kind: 'show' }]]))).toEqual(['already-shown']);
    expect(reasons(effectWith('effectStarts', [[{ kind: 'hide' }]], { visible: false }))).toEqual([
      'already-hidden',
    ]);
    expect(
      reasons(effectWith('effectStarts', [[{ kind: 'move', by: [0, 1, 0] }]], { visible: false })),
    ).toEqual(['target-hidden']);
    expect(reasons(effectWith('effectStarts', [[{ kind: 'move', mode: 'by', by: [0, 0, 0] }]]))).toEqual([
      'no-change',
    ]);
  });
  test('a beat after an endless one is never reached', () => {
    expect(
      reasons(effectWith('effectStarts', [[{ kind: 'turn', by: [0, 1, 0], repeat: 0 }], [{ kind: 'hide' }]])),
    ).toEqual(['never-reached']);
  });
  test('a threshold the take never reaches is named with the peak', () => {
    const effect = effectWith('mouthOpens', [[{ kind: 'hide' }]]);
    Object.assign(effect.cues[CUE]!.triggers[0]!, { level: 0.95 });
    const reasons = whyCue(effect, effect.cues[CUE]!, chronicleOf(effect, FIRST_TAKE));
    expect(reasons).toEqual([
      { code: 'not-reached', trigger: 0, value: expect.closeTo(0.9, 5), time: expect.any(Number) },
    ]);
  });
  test('a cue that fires and can be seen has no reason against it', () => {
    const effect = effectWith('mouthOpens', [[{ kind: 'hide' }]]);
    expect(whyCue(effect, effect.cues[CUE]!, chronicleOf(effect, FIRST_TAKE))).toEqual([]);
  });
});
