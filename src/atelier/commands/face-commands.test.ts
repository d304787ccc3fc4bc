/** What the kit puts on a face beside layers: each part of retouch by itself, hair, irises, lashes; looks that are put on and mixed. */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import type { EffectObject, Retouch } from '../../core/document/schema';
import { newRetouch } from '../../core/kinds/objects/retouch';
import { effectWith, id } from '../../core/placing/testing';
import { blankRecord, pretendBrowser } from '../stores/testing';

pretendBrowser();
const { useDeskStore } = await import('../stores/desk');
const { useEffectStore } = await import('../stores/effect');
const { extraOn, FACE_EXTRAS, keepLook, lookChoices, putExtra, wear } = await import('./face-commands');

let effectStore: ReturnType<typeof useEffectStore>;
let desk: ReturnType<typeof useDeskStore>;
// What is unsaved would be tried again for ever: there is no server.
afterEach(() => effectStore.close());
beforeEach(() => {
  setActivePinia(createPinia());
  effectStore = useEffectStore();
  effectStore.begin(blankRecord());
  desk = useDeskStore();
});
const all = (): EffectObject[] => Object.values(effectStore.effect.objects);
const partsOn = ({ smooth, underEyes, eyes, teeth }: Retouch) => [smooth.on, underEyes.on, eyes.on, teeth.on];

test('each is put on once, a second click selects it; retouch does one thing a piece', () => {
  for (const extra of FACE_EXTRAS) putExtra(extra, 1);
  expect(all()).toHaveLength(FACE_EXTRAS.length);
  const retouch = all().filter((o): o is Retouch => o.kind === 'retouch');
  expect(retouch.map((o) => [o.name, ...partsOn(o)])).toEqual([
    ['Retouch', true, false, false, false],
    ['Rested eyes', false, true, false, false],
    ['Bright eyes', false, false, true, false],
    ['White teeth', false, false, false, true],
  ]);
  const teeth = extraOn('teeth', 1)!;
  desk.selected = null;
  putExtra('teeth', 1);
  expect(desk.selected).toBe(teeth.id);
  expect(all()).toHaveLength(FACE_EXTRAS.length);
  expect(extraOn('teeth', 2)).toBeUndefined();
});

test('one retouch that does several things is found for each of them', () => {
  const one = {
    ...newRetouch(id('aaaa'), 0),
    eyes: { on: true, amount: 0.2 },
  };
  effectStore.edit({
    label: 'Open',
    change: (draft) => void Object.assign(draft, effectWith([one], [])),
  });
  putExtra('eyes', 1);
  expect(desk.selected).toBe(one.id);
  expect(extraOn('teeth', 1)).toBeUndefined();
});

test('a look keeps all its pieces of retouch, and gives them back with the ids they had', () => {
  for (const extra of ['smooth', 'teeth'] as const) putExtra(extra, 1);
  const before = all().map((o) => [o.id, o.name]);
  keepLook(1);
  const look = lookChoices().find((l) => l.own)!;
  wear(look, 1);
  expect(all().map((o) => [o.id, o.name])).toEqual(before);
});
