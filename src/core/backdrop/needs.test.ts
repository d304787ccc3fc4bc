import { expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { newCard, newFill, newGroup, newLive } from '../document/new-objects';
import { sampleAsset } from '../document/sample';
import type { CameraPart, Effect, EffectObject, ObjectId } from '../document/schema';
import { needsPeople } from './needs';

const BEHIND = { kind: 'backdrop' } as const;
const id = 'obj_only' as ObjectId;
const withOnly = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Needs'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const live = (part: CameraPart): Effect => withOnly(newLive(id, part, 0));

test('people are looked for only when something lies behind them, or shows them or the room', () => {
  expect(needsPeople(withOnly())).toBe(false);
  expect(needsPeople(withOnly(newCard(id, sampleAsset(1), 0)))).toBe(false);
  expect(needsPeople(withOnly(newFill(id, 0, BEHIND)))).toBe(true);
  expect([live('whole'), live('face')].map(needsPeople)).toEqual([false, false]);
  expect([live('person'), live('background')].map(needsPeople)).toEqual([true, true]);
});

test('an empty group behind people asks for nothing; what hangs in it does', () => {
  const group = newGroup('obj_group' as ObjectId, 'Group', 0, BEHIND);
  expect(needsPeople(withOnly(group))).toBe(false);
  expect(needsPeople(withOnly(group, { ...newFill(id, 1), parent: group.id }))).toBe(true);
});
