import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { cueOf, effectOf } from '../behave/testing';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { readEffect } from './migrations';
import { newControl, newPrompt } from './new-cues';
import { actsOnObjects, newAction } from '../kinds/actions/actions';
import { newFountain } from '../kinds/objects/fountain';
import { newSound } from '../kinds/objects/sound';
import { objectSchema } from '../kinds/objects/objects';
import {
  ACTION_KINDS,
  actionSchema,
  controlSchema,
  cueSchema,
  driveSchema,
  easingSchema,
  effectSchema,
  promptSchema,
  triggerSchema,
  type ControlId,
  type CueId,
  type ObjectId,
  type PromptId,
} from './schema';

const ok = (schema: { safeParse(x: unknown): { success: boolean } }, x: unknown): boolean =>
  schema.safeParse(x).success;
const A = 'obj_aaaa' as ObjectId;

describe('what is new is what the schema takes', () => {
  test.each(ACTION_KINDS.map((k) => [k]))('action %s', (kind) => {
    const action = newAction('act_aaaa', kind, A);
    expect(actionSchema.safeParse(action).error).toBeUndefined();
    expect(action.targets).toEqual(actsOnObjects(kind) ? [A] : []);
    expect(newAction('act_bbbb', kind, null).targets).toEqual([]);
  });
  test('controls, prompts, fountains, sounds, cues', () => {
    for (const kind of ['slider', 'choice', 'switch', 'button'] as const)
      expect(ok(controlSchema, newControl('control_aaaa' as ControlId, kind, 'C', 0))).toBe(true);
    expect(ok(promptSchema, newPrompt('prompt_aaaa' as PromptId, 0))).toBe(true);
    for (const anchor of [
      { kind: 'screen', pin: 'centre' },
      { kind: 'world', surface: 'floor' },
    ] as const) {
      expect(ok(objectSchema, newFountain(A, 0, anchor))).toBe(true);
      expect(ok(objectSchema, newSound(A, null, 0, anchor))).toBe(true);
    }
    expect(ok(cueSchema, cueOf('mouthOpens', [[{ kind: 'show' }]]))).toBe(true);
  });
});

describe('bad numbers and strange things are refused', () => {
  const action = newAction('act_aaaa', 'move', A);
  test.each([
    [{ duration: NaN }],
    [{ duration: Infinity }],
    [{ duration: -1 }],
    [{ duration: 1e9 }],
    [{ delay: -0.1 }],
    [{ repeat: 1.5 }],
    [{ repeat: -1 }],
    [{ by: [0, 0] }],
    [{ by: [0, NaN, 0] }],
    [{ axes: 'world' }],
    [{ targets: ['not an id'] }],
    [{ easing: 'wobbly' }],
    [{ easing: { kind: 'bezier', handles: [1.2, 0, 0, 1] } }],
    [{ easing: { kind: 'steps', count: 0, jump: 'end' } }],
    [{ vary: { seed: 1, delay: 0, speed: 1, amount: 0 } }],
    [{ extra: true }],
    [{ kind: 'explode' }],
  ])('action with %j', (change) => expect(ok(actionSchema, { ...action, ...change })).toBe(false));
  test.each([
    [{ kind: 'every', seconds: 0 }],
    [{ kind: 'after', seconds: NaN }],
    [
      {
        kind: 'level',
        signal: { kind: 'expression', face: 9, name: 'jawOpen' },
        when: 'rises',
        level: 0,
        slack: 0,
        hold: 0,
      },
    ],
    [
      {
        kind: 'level',
        signal: { kind: 'expression', face: 1, name: 'noSuch' },
        when: 'rises',
        level: 0,
        slack: 0,
        hold: 0,
      },
    ],
    [{ kind: 'level', signal: { kind: 'time' }, when: 'rises', level: 0, slack: -1, hold: 0 }],
    [{ kind: 'cue', cue: null, moment: 'passes', share: 1.1 }],
    [{ kind: 'screen', gesture: 'swipe' }],
  ])('trigger %j', (trigger) => expect(ok(triggerSchema, trigger)).toBe(false));
  test('a curve may leave 0 and 1 upwards, not sideways', () => {
    expect(ok(easingSchema, { kind: 'bezier', handles: [0.2, -1.5, 0.8, 2.5] })).toBe(true);
    expect(ok(easingSchema, { kind: 'bezier', handles: [-0.1, 0, 1, 1] })).toBe(false);
  });
  test('a drive may run backwards, not to what is no number', () => {
    const drive = {
      id: 'drive_aaaa',
      order: 0,
      enabled: true,
      signal: { kind: 'time' },
      remap: { from: [1, 0], to: [8, 0.2], curve: [0, 0, 1, 1], bounded: true },
      lag: 0,
      to: { kind: 'number', objects: [], property: 'size' },
    };
    expect(ok(driveSchema, drive)).toBe(true);
    expect(ok(driveSchema, { ...drive, remap: { ...drive.remap, to: [0, Infinity] } })).toBe(false);
  });
  test('a thousand cues and no more; twenty controls and no more', () => {
    const many = (n: number) =>
      Object.fromEntries(
        Array.from({ length: n }, (_, i) => {
          const id = `cue_n${i}xx` as CueId;
          return [id, cueOf('effectStarts', [], { id })];
        }),
      );
    const effect = effectOf([]);
    expect(ok(effectSchema, { ...effect, cues: many(1000) })).toBe(true);
    expect(ok(effectSchema, { ...effect, cues: many(1001) })).toBe(false);
  });
});

describe('schema 8 is brought up', () => {
  const old = (): Record<string, unknown> =>
    JSON.parse(readFileSync('src/core/document/fixtures/schema-8.json', 'utf8')) as Record<string, unknown>;
  test('one trigger and one target become lists, and do the same', () => {
    const effect = readEffect(old());
    const pucker = effect.cues['cue_pucker' as CueId]!;
    expect(pucker.triggers).toEqual([readyTrigger('lipsPucker')]);
    expect(pucker.beats[0]!.actions.map((a) => a.targets)).toEqual([
      ['obj_bubbles'],
      ['obj_bubbles'],
      ['obj_bubbles'],
    ]);
    expect(pucker.beats.every((b) => b.begins === 1 && b.enabled)).toBe(true);
    expect(pucker).toMatchObject({
      fires: 'each',
      again: 'restart',
      cooldown: 0,
      conditions: [],
      resets: [],
    });
    expect(effect.cues['cue_sway' as CueId]!.triggers).toEqual([{ kind: 'effectStarts' }]);
    expect(effect).toMatchObject({ controls: {}, prompts: {}, variables: {}, drives: {} });
  });
  test('a falling trigger falls where it did: at 70 % of what it rose over', () => {
    const document = old();
    const cues = document.cues as Record<string, { trigger: unknown }>;
    cues.cue_pucker!.trigger = { kind: 'mouthCloses', threshold: 0.5 };
    cues.cue_sway!.trigger = { kind: 'screenTapped', threshold: 0.4 };
    const effect = readEffect(document);
    expect(effect.cues['cue_pucker' as CueId]!.triggers[0]).toMatchObject({
      when: 'falls',
      level: 0.35,
      slack: 0.15,
      signal: { name: 'jawOpen' },
    });
    expect(effect.cues['cue_sway' as CueId]!.triggers).toEqual([{ kind: 'screen', gesture: 'tap' }]);
  });
});
