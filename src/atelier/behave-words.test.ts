import { ACTIONS_BY_GROUP } from '../core/kinds/actions/actions';
import { describe, expect, test } from '@jest/globals';
import { READY_BY_GROUP, READY_NAMES, readyTrigger, rises } from '../core/kinds/triggers/ready-triggers';
import { PROMPT_LANGUAGES, promptLanguage } from '../core/behave/prompt-languages';
import { promptText } from '../core/behave/prompt-texts';
import type { Reason } from '../core/behave/why';
import { newCue, newDrive } from '../core/document/new-cues';
import { newAction } from '../core/kinds/actions/actions';
import { blankEffect } from '../core/document/defaults';
import { sampleEffect } from '../core/document/sample';
import {
  ACTION_KINDS,
  READY_PROMPTS,
  signalSchema,
  type ActionKind,
  type Condition,
  type CueId,
  type DriveId,
  type ObjectId,
} from '../core/document/schema';
import { EASING_NAMES } from '../core/maths/easing';
import { newSignal, SIGNAL_KINDS } from '../core/kinds/signals/signals';
import * as words from './behave-words';

const A = 'obj_sample0' as ObjectId;
const effect = sampleEffect(1, 1);
const cue = {
  ...newCue('cue_words' as CueId, 'mouthOpens', 0, [
    { id: 'beat_x', actions: [newAction('act_x', 'show', A)] },
  ]),
  triggers: [rises({ kind: 'expression', face: 1, name: 'jawOpen' }, 0.45), readyTrigger('recordStarts')],
  conditions: [
    { signal: { kind: 'object', object: A, of: 'visible' }, is: 'above', value: 0.5 },
  ] as Condition[],
  cooldown: 2,
};

describe('every name the core knows has a word, and no two the same', () => {
  test.each([['easings', EASING_NAMES, words.EASING_WORDS]] as const)('%s', (_, names, table) => {
    const said = names.map((name) => (table as Record<string, string>)[name]);
    expect(said.every(Boolean)).toBe(true);
    expect(new Set(said).size).toBe(names.length);
  });
  test('each trigger and each action stands in one group of its list', () => {
    expect(READY_BY_GROUP.flatMap(([, list]) => list).sort()).toEqual([...READY_NAMES].sort());
    expect(ACTIONS_BY_GROUP.flatMap(([, list]) => list).sort()).toEqual([...ACTION_KINDS].sort());
  });
  test('each signal can be said, with nothing chosen yet', () => {
    for (const kind of SIGNAL_KINDS) {
      expect(signalSchema.parse(newSignal(kind, null))).toBeTruthy();
      expect(words.signalWords(effect, newSignal(kind, null))).not.toBe('');
    }
  });
});

describe('cues without a name', () => {
  const [first, second] = ['cue_first', 'cue_second'] as CueId[];
  const after = (id: CueId, other: CueId) => ({
    ...newCue(id, 'cueEnds', 0, []),
    name: '',
    triggers: [{ kind: 'cue', cue: other, moment: 'ends', share: 0.5 } as const],
  });
  test('are called by what sets them off, even where they set each other off', () => {
    const cues = { [first]: after(first, second), [second]: after(second, first) };
    expect(words.cueName({ ...effect, cues }, first)).toBe('““a cue without a name” ends” ends');
  });
  test('one that sets itself off', () => {
    const cues = { [first]: after(first, first) };
    expect(words.cueName({ ...effect, cues }, first)).toBe('“a cue without a name” ends');
    expect(words.whenWords({ ...effect, cues }, cues[first]!)).toBe('“a cue without a name” ends');
    const condition: Condition = { signal: { kind: 'progress', cue: first }, is: 'above', value: 0.5 };
    expect(words.conditionWords({ ...effect, cues }, condition)).toMatch(/^progress of /);
  });
});

describe('sentences', () => {
  test('what sets a cue off', () => {
    expect(words.whenWords(effect, cue)).toBe('mouth opens or recording starts');
    expect(words.whenWords(effect, { ...cue, triggers: [] })).toBe('another cue starts it');
    const near = readyTrigger('viewerNear');
    expect(words.triggerWords(effect, near)).toBe('viewer comes within 0.8 m of an object to be chosen');
    expect(words.triggerWords(effect, { kind: 'touch', gesture: 'doubleTap', object: A })).toBe(
      'Shell 0 is double-tapped',
    );
  });
  test.each([
    [{ signal: { kind: 'object', object: A, of: 'visible' }, is: 'above', value: 0.5 }, 'Shell 0 is shown'],
    [{ signal: { kind: 'object', object: A, of: 'visible' }, is: 'below', value: 0.5 }, 'Shell 0 is hidden'],
    [{ signal: { kind: 'times', cue: null }, is: 'above', value: 0 }, '“a cue to be chosen” has fired'],
    [{ signal: { kind: 'loudness' }, is: 'below', value: 0.25 }, 'loudness is below 0.25'],
  ] as const)('condition %#', (condition, said) => {
    expect(words.conditionWords(effect, condition)).toBe(said);
  });
  test('actions, in the units of the interface', () => {
    const summary = (change: object, kind: ActionKind) =>
      words.actionSummary(effect, { ...newAction('act_x', kind, A), ...change } as never);
    expect(summary({ opacity: 0.25 }, 'fade')).toBe('fade to 25 %');
    expect(summary({ mode: 'by', by: [0, 0.031, 0] }, 'move')).toBe('move by 0, 3.1, 0 cm');
    expect(summary({ mode: 'to', by: [0, 0, -36] }, 'turn')).toBe('turn to 0, 0, -36°');
    expect(summary({ factor: 1.3 }, 'size')).toBe('size to 130 %');
    for (const kind of ACTION_KINDS) expect(summary({}, kind)).not.toMatch(/undefined|null|NaN/);
  });
  test('times', () => {
    const action = { ...newAction('act_x', 'turn', A), duration: 0.4, delay: 1, repeat: 3 };
    expect(words.timingWords(action, false)).toBe('0.4 s after 1 s, 3 times');
    expect(words.timingWords({ ...action, repeat: 0, delay: 0, thereAndBack: true }, false)).toBe(
      '0.4 s, there and back, without end',
    );
    const drive = newDrive('drive_x' as DriveId, 0, newSignal('time', null), {
      kind: 'duration',
      cue: 'cue_x' as CueId,
      action: action.id,
    });
    const driven = words.drivenWords(effect, { ...drive, remap: { ...drive.remap, to: [8, 0.2] } });
    expect(words.timingWords(action, false, driven)).toBe(
      `0.2 to 8 s by ${words.signalWords(effect, drive.signal)} after 1 s, 3 times`,
    );
  });
});

describe('why nothing happens', () => {
  const about = { actionId: 'act_x', target: A };
  const reasons: Reason[] = [
    { code: 'off' },
    { code: 'no-triggers' },
    { code: 'no-actions' },
    { code: 'beat-off', beat: 0 },
    { code: 'no-target', actionId: 'act_x' },
    { code: 'action-lacks', actionId: 'act_x', what: 'cue' },
    { code: 'trigger-lacks', trigger: 0, what: 'object' },
    { code: 'condition-lacks', condition: 0, what: 'variable' },
    { code: 'out-of-reach', of: 'trigger', index: 0, reach: [0, 1] },
    { code: 'out-of-reach', of: 'condition', index: 0, reach: [0, 1] },
    { code: 'wrong-kind', ...about },
    { code: 'target-hidden', ...about },
    { code: 'already-shown', ...about },
    { code: 'already-hidden', ...about },
    { code: 'no-change', ...about },
    { code: 'never-reached', beatIndex: 1 },
    { code: 'endless', actionId: 'act_x' },
    { code: 'sets-itself-off' },
    { code: 'two-writers', ...about, other: 'cue_sample0' as CueId },
    { code: 'refused', why: { code: 'once' }, time: 2, times: 1 },
    { code: 'refused', why: { code: 'busy' }, time: 2, times: 3 },
    { code: 'refused', why: { code: 'cooldown' }, time: 2, times: 1 },
    { code: 'refused', why: { code: 'condition', index: 0, value: null }, time: 2, times: 1 },
    { code: 'not-happened', trigger: 1 },
    { code: 'not-reached', trigger: 0, value: null, time: 0 },
  ];
  test.each(reasons.map((r, i) => [`${i} ${r.code}`, r] as const))('%s is a sentence', (_, reason) => {
    const text = words.reasonWords(effect, cue, reason);
    expect(text).toMatch(/^[A-Z“].*\.$/);
    expect(text).not.toMatch(/undefined|null|NaN/);
    if ('target' in reason) expect(text).toContain('Shell 0');
  });
  test('a threshold not reached is told with both numbers', () => {
    expect(words.reasonWords(effect, cue, { code: 'not-reached', trigger: 0, value: 0.314, time: 1 })).toBe(
      'Not fired on this take: jaw open peaked at 0.31, needs 0.45.',
    );
  });
  test('what is so or not is said to never come, and no level is offered', () => {
    const palm = { ...cue, triggers: [readyTrigger('palmOpens')] };
    const reason = { code: 'not-reached', trigger: 0, value: 0, time: 1 } as const;
    expect(words.reasonWords(effect, palm, reason)).toBe(
      'Not fired on this take: it never comes that an open palm is shown.',
    );
  });
  test('a condition that did not hold says what it was', () => {
    const why = { code: 'condition', index: 0, value: 0 } as const;
    expect(words.reasonWords(effect, cue, { code: 'refused', why, time: 1.5, times: 2 })).toBe(
      'Set off at 1.50 s (2 times in all), but not: Shell 0 is shown (it was 0).',
    );
  });
});

describe('ready prompts', () => {
  test('each in every language that ships, none twice in one', () => {
    for (const language of PROMPT_LANGUAGES) {
      const said = READY_PROMPTS.map((key) => promptText({ text: { kind: 'ready', key } }, language));
      expect(said.every((t) => t.length > 1 && t.length <= 30)).toBe(true);
      expect(new Set(said).size).toBe(said.length);
    }
  });
  test('the language is the first the viewer prefers that ships; else English', () => {
    expect(promptLanguage(['pt-BR', 'en'])).toBe('pt');
    expect(promptLanguage(['xx', 'fr-CA'])).toBe('fr');
    expect(promptLanguage([])).toBe('en');
    expect(promptText({ text: { kind: 'own', text: 'Wave' } }, 'de')).toBe('Wave');
  });
});

test('a share is one in per cent in every sentence: what is asked, what it can be, what it was', () => {
  const signal = { kind: 'object', object: 'obj_none', of: 'opacity' } as never;
  const cue = {
    ...newCue('cue_faint' as CueId, 'screenTapped', 0, []),
    conditions: [{ signal, is: 'above' as const, value: 1.5 }],
  };
  const effect = { ...blankEffect('Faint'), cues: { [cue.id]: cue } };
  expect(words.conditionWords(effect, cue.conditions[0]!)).toMatch(/opacity is above 150 %$/);
  const reason = { code: 'out-of-reach', of: 'condition', index: 0, reach: [0, 1] } as never;
  expect(words.reasonWords(effect, cue, reason)).toMatch(
    /above 150 %, but that only goes from 0 % to 100 %\.$/,
  );
});
