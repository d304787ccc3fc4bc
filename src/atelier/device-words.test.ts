import { expect, test } from '@jest/globals';
import { loadOf } from '../core/devices/load';
import { blankEffect } from '../core/document/defaults';
import type { Effect, EffectObject, ObjectId } from '../core/document/schema';
import { newFill } from '../core/kinds/objects/fill';
import { newLive } from '../core/kinds/objects/live';
import { newRetouch } from '../core/kinds/objects/retouch';
import { adviceFor, partName } from './device-words';

const ID = 'obj_thing1' as ObjectId;
const SCREEN = { kind: 'screen', pin: 'centre' } as const;
const partOf = (object: EffectObject) => {
  const effect: Effect = { ...blankEffect('Kelp'), objects: { [ID]: object } };
  const part = loadOf(effect).find((p) => p.of === 'object')!;
  return { part, name: partName(part, effect) };
};
const advice = (object: EffectObject) => adviceFor(partOf(object).part);

test('a part is called as the object is; what is gone has a word too', () => {
  const { part, name } = partOf({ ...newRetouch(ID, 0), name: 'Calm skin' });
  expect([name, partName(part, blankEffect('Kelp'))]).toEqual(['Calm skin', 'An object']);
});

test('advice is of what is so: what is worn covers no screen, what is not blurred has no blur', () => {
  expect(advice(newRetouch(ID, 0))).toContain('Leave out what you do not see');
  expect(advice(newFill(ID, 0))).toBeNull();
  expect(advice({ ...newFill(ID, 0, SCREEN), extent: [0.02, 0.02] })).toBeNull();
  expect(advice({ ...newFill(ID, 0, SCREEN), extent: [0.09, 0.16] })).toContain('covers most of the screen');
  expect(advice(newLive(ID, 'whole', 0, SCREEN))).toBeNull();
  expect(advice({ ...newLive(ID, 'whole', 0, SCREEN), blur: 0.5 })).toContain('Blurring');
});
