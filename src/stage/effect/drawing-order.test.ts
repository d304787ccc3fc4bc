/** What is drawn before what. */
import { expect, test } from '@jest/globals';
import { FOREHEAD } from '../../core/kinds/objects/placed';
import { newContactShadow } from '../../core/kinds/objects/contact-shadow';
import { newFill } from '../../core/kinds/objects/fill';
import { newOccluder } from '../../core/kinds/objects/occluder';
import { newShadowCatcher } from '../../core/kinds/objects/shadow-catcher';
import type { Anchor, ObjectId } from '../../core/document/schema';
import { orderOf } from './drawing-order';

const ID = 'obj_thing' as ObjectId;
const FLOOR: Anchor = { kind: 'world', surface: 'floor' };

test('what stands higher in the Stack is drawn later', () => {
  const fill = newFill(ID, 0, FLOOR);
  expect(orderOf(fill, FLOOR, 0)).toBeGreaterThan(orderOf(fill, FLOOR, 1));
});
test('shadows on the floor are drawn below what stands on it, wherever they are in the Stack, and after occluders', () => {
  const lowest = orderOf(newFill(ID, 0, FLOOR), FLOOR, 1999);
  for (const ground of [newContactShadow(ID, 0, FLOOR), newShadowCatcher(ID, 0, FLOOR)]) {
    expect(orderOf(ground, FLOOR, 0)).toBeLessThan(lowest);
    expect(orderOf(ground, FLOOR, 1999)).toBeGreaterThan(orderOf(newOccluder(ID, 0), FLOOR, 0));
    expect(orderOf(ground, FLOOR, 0)).toBeGreaterThan(orderOf(ground, FLOOR, 1));
  }
});
test('a shadow on the face keeps its place in the Stack', () => {
  const [above, below] = [newContactShadow(ID, 0, FOREHEAD), newFill(ID, 0, FOREHEAD)];
  expect(orderOf(above, FOREHEAD, 3)).toBeGreaterThan(orderOf(below, FOREHEAD, 4));
});
