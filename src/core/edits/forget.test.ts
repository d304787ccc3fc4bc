import { describe, expect, test } from '@jest/globals';
import { sampleEffect } from '../document/sample';
import { applyEdit } from '../document/edit';
import { effectSchema, type CueId, type Effect, type EffectObject, type ObjectId } from '../document/schema';
import { blankEffect } from '../document/defaults';
import { newCue, newDrive, newVariable } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { newGroup } from '../kinds/objects/group';
import { newLayer } from '../kinds/objects/layer';
import { referencesIn } from '../schema/references';
import type { DriveId, VariableId } from '../schema/behave-ids';
import { removeCue } from './cue-edits';
import { removeObjects } from './object-edits';
import { removeVariable } from './viewer-edits';

const [A, B] = ['obj_aaaa', 'obj_bbbb'] as ObjectId[];
const V = 'var_tide' as VariableId;

/** Everything that can name an object, a cue and a variable does. */
const tangled = (): Effect => {
  const first = newCue('cue_first' as CueId, 'objectTapped', 0, [
    {
      id: 'beat_first',
      actions: [
        { ...newAction('act_shows', 'show', A!), targets: [A!, B!] },
        { ...newAction('act_follow', 'follow', B!), object: A! } as never,
        { ...newAction('act_vars', 'variable', null), variable: V } as never,
        { ...newAction('act_cues', 'cue', null), cue: 'cue_first' } as never,
      ],
    },
  ]);
  const cue = {
    ...first,
    triggers: [{ kind: 'touch', gesture: 'tap', object: A! }],
    conditions: [{ signal: { kind: 'variable', variable: V }, is: 'above', value: 0 }],
  } as Effect['cues'][CueId];
  const other = {
    ...newCue('cue_other' as CueId, 'cueEnds', 1, []),
    triggers: [{ kind: 'cue', cue: cue.id, moment: 'ends', share: 0.5 }],
  } as Effect['cues'][CueId];
  const drive = newDrive('drive_afar' as DriveId, 0, { kind: 'apart', object: A!, from: null }, {
    kind: 'variable',
    variable: V,
  } as never);
  const objects: EffectObject[] = [
    newLayer(A!, { region: 'lips' }, 0),
    { ...newLayer(B!, { region: 'lids' }, 1), maskedBy: A! },
    newGroup('obj_cccc' as ObjectId, 'Shells', 2),
  ];
  return {
    ...blankEffect('Tangled'),
    objects: Object.fromEntries(objects.map((o) => [o.id, o])),
    cues: { [cue.id]: cue, [other.id]: other },
    variables: { [V]: newVariable(V, 'tide', 0) },
    drives: { [drive.id]: drive },
  };
};
const names = (effect: Effect, id: string): boolean =>
  referencesIn(effectSchema, effect).some((r) => r.id === id);

describe('what is deleted', () => {
  test.each([
    ['an object', A!, (e: Effect) => removeObjects(e, [A!])],
    ['a cue', 'cue_first', (e: Effect) => removeCue(e, 'cue_first' as CueId)],
  ])('%s is named nowhere any more, the document stays valid, and undo brings all back', (_, id, remove) => {
    const effect = tangled();
    expect(names(effect, id)).toBe(true);
    const { effect: after, inverse } = applyEdit(effect, remove(effect));
    expect(names(after, id)).toBe(false);
    expect(effectSchema.safeParse(after).error?.issues ?? []).toEqual([]);
    expect(inverse.length).toBeGreaterThan(0);
  });

  test('what drove it has something to be chosen, and what did not name it stays the very same', () => {
    const effect = tangled();
    const { effect: after } = applyEdit(effect, removeVariable(effect, V));
    expect(Object.values(after.drives)[0]!.to).toEqual({ kind: 'variable', variable: null });
    expect(names(after, V)).toBe(false);
    expect(after.cues['cue_other' as CueId]).toBe(effect.cues['cue_other' as CueId]);
    expect(after.objects).toBe(effect.objects);
  });

  test('of many objects at once only what named one of them changes', () => {
    const effect = sampleEffect(300, 20);
    const [gone] = Object.keys(effect.objects) as ObjectId[];
    const { effect: after, forward } = applyEdit(effect, removeObjects(effect, [gone!]));
    expect(names(after, gone!)).toBe(false);
    for (const { path } of forward) expect(path).toMatch(/^\/(objects\/|cues\/|prompts\/|drives\/)/);
  });
});
