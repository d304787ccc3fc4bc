import { expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { changed } from '../document/edit';
import type { Anchor, Effect, ObjectId, Solid } from '../document/schema';
import { sampleModel } from '../document/sample-assets';
import { newGroup } from '../kinds/objects/group';
import { newModel } from '../kinds/objects/model';
import { newPart } from '../kinds/objects/part';
import { newSolid } from '../kinds/objects/solid';
import { boxAroundObjects } from '../placing/measure';
import { restOf } from '../placing/rest';
import { fitToLength, lengthOf } from './fit-length';

const [BUOY, POST] = ['obj_buoy', 'obj_post'] as [ObjectId, ObjectId];
const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const solid = (id: ObjectId, more: Partial<Solid>): Solid => ({ ...newSolid(id, 'box', 0, FLOOR), ...more });
const effect: Effect = {
  ...blankEffect('Pier'),
  objects: {
    [BUOY]: solid(BUOY, { extent: [0.2, 0.4, 0.2], move: [0, 0.2, -1], turn: [0, 30, 0] }),
    [POST]: solid(POST, { extent: [0.1, 0.1, 0.8], move: [0.5, 0.05, -1], pivot: [0, -0.05, 0] }),
  },
};
const boxOf = (now: Effect, id: ObjectId) => boxAroundObjects(now, restOf(now), [id])!;

test('one thing gets its longest side, and stays on the ground', () => {
  const after = changed(effect, fitToLength(effect, [BUOY], 1));
  const { low, high } = boxOf(after, BUOY);
  expect(high[1] - low[1]).toBeCloseTo(1, 6);
  expect(low[1]).toBeCloseTo(boxOf(effect, BUOY).low[1], 6);
  expect(lengthOf(after, [BUOY])).toBeCloseTo(1, 6);
  expect(after.objects[POST]).toEqual(effect.objects[POST]);
});
test('several grow by one factor: the longest gets the length, each on its own foot', () => {
  const after = changed(effect, fitToLength(effect, [BUOY, POST], 1.6));
  expect(lengthOf(after, [POST])).toBeCloseTo(1.6, 6);
  expect(lengthOf(after, [BUOY])).toBeCloseTo(0.8, 6);
  for (const id of [BUOY, POST]) expect(boxOf(after, id).low[1]).toBeCloseTo(boxOf(effect, id).low[1], 6);
});
test('no length, and nothing with a size, change nothing', () => {
  expect(changed(effect, fitToLength(effect, [BUOY], 0))).toEqual(effect);
  expect(lengthOf(effect, [])).toBeNull();
});
test('what hangs in another grows with it once; a group has no length of its own', () => {
  const shell = sampleModel(1);
  const [SHELL, PEARL] = ['obj_shell', 'obj_pearl'] as [ObjectId, ObjectId];
  const model = newModel(SHELL, shell, 0, FLOOR);
  const apart: Effect = {
    ...blankEffect('Shell'),
    assets: { [shell.id]: shell },
    objects: { [SHELL]: model, [PEARL]: newPart(PEARL, model, 1, shell.tree!, 0) },
  };
  const after = changed(apart, fitToLength(apart, [SHELL, PEARL], 0.4));
  expect(lengthOf(after, [SHELL])).toBeCloseTo(0.4, 6);
  expect(after.objects[PEARL]).toEqual(apart.objects[PEARL]);
  const group = { ...newGroup('obj_group' as ObjectId, 'Pier', 2, FLOOR) };
  const grouped: Effect = { ...effect, objects: { ...effect.objects, [group.id]: group } };
  expect(lengthOf(grouped, [BUOY, group.id])).toBeNull();
  expect(changed(grouped, fitToLength(grouped, [BUOY, group.id], 2))).toEqual(grouped);
});
