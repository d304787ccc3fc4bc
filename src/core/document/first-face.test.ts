import { expect, test } from '@jest/globals';
import { newCutout } from '../kinds/objects/cutout';
import { newLashes } from '../kinds/objects/lashes';
import { newLayer } from '../kinds/objects/layer';
import { blankEffect } from './defaults';
import { asFirstFace } from './first-face';
import { effectSchema, type Effect, type EffectObject, type ObjectId } from './schema';

const id = (name: string) => `obj_${name}` as ObjectId;
const objects: EffectObject[] = [
  newLayer(id('first'), { region: 'lips' }, 0, 1),
  newLayer(id('second'), { region: 'lids' }, 1, 2),
  newLashes(id('every'), 2, 'every'),
  { ...newCutout(id('mouth'), 'mouth', 3), face: 2 },
];
const effect: Effect = {
  ...blankEffect('Two'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
};
const faceOf = (one: Effect, name: string) => (one.objects[id(name)]!.anchor as { face: unknown }).face;

test('the second face and the first change places; what every face wears stays', () => {
  const seen = asFirstFace(effect, 2);
  expect([faceOf(seen, 'first'), faceOf(seen, 'second'), faceOf(seen, 'every')]).toEqual([2, 1, 'every']);
  expect(seen.objects[id('mouth')]).toMatchObject({ face: 1 });
  expect(effectSchema.safeParse(seen).success).toBe(true);
  expect(asFirstFace(seen, 2)).toEqual(effect);
});

test('for the first face, and for all, it is the effect itself', () => {
  for (const face of [1, 'every', 'any'] as const) expect(asFirstFace(effect, face)).toBe(effect);
});
