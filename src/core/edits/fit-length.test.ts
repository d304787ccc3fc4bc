import { expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { changed } from '../document/edit';
import type { Anchor, Effect, ObjectId, Solid } from '../document/schema';
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
