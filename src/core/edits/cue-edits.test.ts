import { describe, expect, test } from '@jest/globals';
import { CARD, card, cueOf, effectOf } from '../behave/testing';
import { copiedCue, moveBeat, moveCue, pasteBeat, pasteCues, putCue, removeCue } from './cue-edits';
import { applyEdit, type Edit } from '../document/edit';
import { applyPatch } from '../document/patch';
import { newControl, newDrive } from '../document/new-cues';
import { cueOrder } from '../document/queries';
import {
  cueSchema,
  effectSchema,
  type ControlId,
  type CueId,
  type DriveId,
  type Effect,
  type ObjectId,
} from '../document/schema';
import { putControl, putDrive, removeControl } from './viewer-edits';

const ids = () => {
  let n = 0;
  return (prefix: string): string => `${prefix}_new${n++}`;
};
const done = (effect: Effect, edit: Edit): Effect => {
  const { effect: after, inverse } = applyEdit(effect, edit);
  expect(applyPatch(after, inverse)).toEqual(effect);
  return after;
};
const other = 'obj_other' as ObjectId;
const beats = [
  [{ kind: 'show' as const }, { kind: 'move' as const, delay: 0.3, repeat: 4, thereAndBack: true }],
  [{ kind: 'cue' as const, cue: 'cue_test' as CueId, do: 'stop' as const }],
];
const cue = cueOf('objectTapped', beats, {
  triggers: [{ kind: 'touch', gesture: 'tap', object: CARD }],
  conditions: [{ signal: { kind: 'object', object: CARD, of: 'visible' }, is: 'above', value: 0.5 }],
  cooldown: 1.5,
  note: 'kept',
  colour: '#aa3311',
});

describe('copying cues', () => {
  test('all values, new ids, and where it named itself it names the copy', () => {
    const copy = copiedCue(cue, 'cue_copy' as CueId, 7, ids());
    expect(copy).toMatchObject({ id: 'cue_copy', order: 7, cooldown: 1.5, note: 'kept', colour: '#aa3311' });
    expect(copy.beats[1]!.actions[0]).toMatchObject({ kind: 'cue', cue: 'cue_copy' });
    const idsOf = (c: typeof cue) => c.beats.flatMap((b) => [b.id, ...b.actions.map((a) => a.id)]);
    expect(idsOf(copy).filter((id) => idsOf(cue).includes(id))).toEqual([]);
    expect(copy.beats[0]!.actions[1]).toMatchObject({ delay: 0.3, repeat: 4, thereAndBack: true });
  });
  test('pasted onto another object it is about that one: its target, trigger and condition', () => {
    const effect = effectOf([cue], [card(), card(other, { order: 1 })]);
    const made: CueId[] = [];
    const after = done(effect, pasteCues(effect, { cues: [cue] }, ids(), other, made));
    const pasted = after.cues[made[0]!]!;
    expect(pasted.beats[0]!.actions.map((a) => a.targets)).toEqual([[other], [other]]);
    expect(pasted.triggers).toEqual([{ kind: 'touch', gesture: 'tap', object: other }]);
    expect(pasted.conditions[0]!.signal).toMatchObject({ object: other });
    expect(cueOrder(after).at(-1)!.id).toBe(pasted.id);
    expect(after.cues[cue.id]).toEqual(cue);
  });
  test('pasted into another effect, what is not there is left open to be chosen', () => {
    const elsewhere = effectOf([], [card(other)]);
    const made: CueId[] = [];
    const after = done(elsewhere, pasteCues(elsewhere, { cues: [cue] }, ids(), null, made));
    const pasted = after.cues[made[0]!]!;
    expect(cueSchema.safeParse(pasted).error).toBeUndefined();
    expect(pasted.beats[0]!.actions[0]!.targets).toEqual([]);
    expect(pasted.triggers).toEqual([{ kind: 'touch', gesture: 'tap', object: null }]);
    // It still stops itself: it came along.
    expect(pasted.beats[1]!.actions[0]).toMatchObject({ cue: pasted.id });
    expect(effectSchema.safeParse(after).error).toBeUndefined();
  });
  test('two that name each other are pasted as a pair', () => {
    const a = cueOf('screenTapped', [[{ kind: 'cue', cue: 'cue_bbbb' as CueId, do: 'start' }]], {
      id: 'cue_aaaa' as CueId,
    });
    const b = cueOf('effectStarts', [[{ kind: 'hide' }]], { id: 'cue_bbbb' as CueId, triggers: [] });
    const made: CueId[] = [];
    const after = done(effectOf([]), pasteCues(effectOf([]), { cues: [a, b] }, ids(), null, made));
    expect(after.cues[made[0]!]!.beats[0]!.actions[0]).toMatchObject({ cue: made[1] });
  });
  test('a cue that is called, or noted, like an id keeps its name and note', () => {
    const called = { ...cue, name: 'cue_ball and more', note: 'obj_oldhat', group: 'scene_1234' };
    const made: CueId[] = [];
    const elsewhere = effectOf([], [card(other)]);
    const after = done(elsewhere, pasteCues(elsewhere, { cues: [called] }, ids(), null, made));
    expect(after.cues[made[0]!]).toMatchObject({
      name: 'cue_ball and more',
      note: 'obj_oldhat',
      group: 'scene_1234',
    });
    expect(effectSchema.safeParse(after).error).toBeUndefined();
    // A name that is the very id of something that was copied along, too.
    const copy = copiedCue({ ...cue, name: CARD }, 'cue_copy' as CueId, 1, ids(), new Map([[CARD, other]]));
    expect(copy.name).toBe(CARD);
  });
});

describe('order', () => {
  const named = (name: string, order: number) =>
    cueOf('screenTapped', [[{ kind: 'hide' }]], { id: `cue_${name}` as CueId, order });
  const effect = effectOf([named('aaaa', 0), named('bbbb', 1), named('cccc', 2)]);
  const order = (e: Effect) =>
    cueOrder(e)
      .map((c) => c.id.slice(4, 5))
      .join('');
  test('a cue goes before another, to the beginning, to the end; before itself or one that is gone nothing changes', () => {
    expect(order(done(effect, moveCue(effect, 'cue_cccc' as CueId, 'cue_bbbb' as CueId)))).toBe('acb');
    expect(order(done(effect, moveCue(effect, 'cue_cccc' as CueId, 'cue_aaaa' as CueId)))).toBe('cab');
    expect(order(done(effect, moveCue(effect, 'cue_aaaa' as CueId, null)))).toBe('bca');
    expect(order(done(effect, moveCue(effect, 'cue_aaaa' as CueId, 'cue_gone' as CueId)))).toBe('abc');
  });
  test('a beat goes to another place', () => {
    const one = effectOf([cue]);
    const [first, second] = cue.beats.map((b) => b.id);
    const after = done(one, moveBeat(cue.id, first!, 1));
    expect(after.cues[cue.id]!.beats.map((b) => b.id)).toEqual([second, first]);
    expect(done(one, moveBeat(cue.id, 'beat_gone', 0))).toEqual(one);
  });
  test('a beat is pasted behind another with all its values and new ids; targets that are gone are left out', () => {
    const one = effectOf([cue], [card(other)]);
    const [first] = cue.beats;
    const withTwo = { ...first!, actions: first!.actions.map((a) => ({ ...a, targets: [CARD, other] })) };
    const after = done(one, pasteBeat(one, cue.id, withTwo, first!.id, ids()));
    const beats = after.cues[cue.id]!.beats;
    expect(beats.map((b) => b.id)).toEqual([first!.id, 'beat_new0', cue.beats[1]!.id]);
    expect(beats[1]!.actions[1]).toMatchObject({ kind: 'move', delay: 0.3, repeat: 4, targets: [other] });
    expect(beats[1]!.actions.some((a) => first!.actions.some((b) => b.id === a.id))).toBe(false);
  });
  test('put and removed', () => {
    const with_ = done(effectOf([]), putCue(cue));
    expect(with_.cues[cue.id]).toEqual(cue);
    expect(done(with_, removeCue(with_, cue.id)).cues).toEqual({});
  });
});

test('a control goes with what it drove, and comes back with it', () => {
  const control = newControl('control_aaaa' as ControlId, 'slider', 'S', 0);
  const drive = newDrive(
    'drive_aaaa' as DriveId,
    0,
    { kind: 'control', control: control.id },
    { kind: 'number', objects: [CARD], property: 'size' },
  );
  const free = newDrive(
    'drive_bbbb' as DriveId,
    1,
    { kind: 'time' },
    { kind: 'number', objects: [CARD], property: 'size' },
  );
  let effect = effectOf([]);
  for (const edit of [putControl(control), putDrive(drive), putDrive(free)]) effect = done(effect, edit);
  expect(effectSchema.safeParse(effect).error).toBeUndefined();
  const after = done(effect, removeControl(effect, control.id));
  expect(after.controls).toEqual({});
  expect(Object.keys(after.drives)).toEqual(['drive_bbbb']);
});
