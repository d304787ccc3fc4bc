/** Undo and redo lead back to what was selected and open when something was done. */
import { beforeEach, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { blankEffect } from '../../core/document/defaults';
import type { CueId, ObjectId } from '../../core/document/schema';
import { addObject, changeObject, removeObject } from '../../core/edits/object-edits';
import { headAnchor } from '../../core/kinds/objects/placed';
import { newSolid } from '../../core/kinds/objects/solid';
import { blankRecord, pretendBrowser, pretendReaderAndServer } from './testing';

pretendBrowser();
await pretendReaderAndServer();
const { useDeskStore } = await import('./desk');
const { useEffectStore } = await import('./effect');

const [PEARL, SHELL, KELP] = ['obj_pearl', 'obj_shell', 'obj_kelp'] as ObjectId[];
const solid = (id: ObjectId) => newSolid(id, 'box', 0, headAnchor('forehead'));
beforeEach(() => {
  setActivePinia(createPinia());
  const objects = { [PEARL!]: solid(PEARL!), [SHELL!]: solid(SHELL!) };
  useEffectStore().begin(blankRecord({ ...blankEffect(''), objects }));
});
const selected = () => useDeskStore().selection;

test('what was typed on one object is undone there, whatever is selected since', () => {
  const [store, desk] = [useEffectStore(), useDeskStore()];
  desk.selected = PEARL!;
  Object.assign(desk.behave, { section: 'scope', cue: 'cue_one' as CueId, action: 'act_one' });
  store.edit(changeObject(store.effect, PEARL!, { visible: false }));
  desk.selected = SHELL!;
  Object.assign(desk.behave, { section: 'cues', cue: null, action: null });
  store.undo();
  expect([selected(), desk.behave.section, desk.behave.action]).toEqual([[PEARL], 'scope', 'act_one']);
  desk.selected = SHELL!;
  store.redo();
  expect(selected()).toEqual([PEARL]);
});
test('what was deleted comes back selected; what is added again too', () => {
  const [store, desk] = [useEffectStore(), useDeskStore()];
  desk.selected = PEARL!;
  store.edit(removeObject(store.effect, PEARL!));
  desk.selected = null;
  store.undo();
  expect(selected()).toEqual([PEARL]);
  desk.selected = null;
  store.edit(addObject(solid(KELP!)));
  store.undo();
  expect(selected()).toEqual([]);
  store.redo();
  expect(selected()).toEqual([KELP]);
});
test('nothing that is not there is selected', () => {
  const [store, desk] = [useEffectStore(), useDeskStore()];
  store.edit(addObject(solid(KELP!)));
  desk.selected = KELP!;
  store.edit(changeObject(store.effect, KELP!, { visible: false }));
  store.undo();
  store.undo();
  expect(selected()).toEqual([]);
});
