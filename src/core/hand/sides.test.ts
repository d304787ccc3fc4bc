/** Left and right do not flicker. */
import { expect, test } from '@jest/globals';
import { HandSides, type SideSeen } from './sides';

const at = (x: number, side: 'left' | 'right', score = 0.9): SideSeen => ({ x, y: 0.5, side, score });

test('the first word counts until another is said more often', () => {
  const sides = new HandSides();
  expect(sides.decide([at(0.3, 'left')])).toEqual(['left']);
  sides.decide([at(0.3, 'left')]);
  sides.decide([at(0.31, 'left')]);
  // Once is a slip.
  expect(sides.decide([at(0.32, 'right')])).toEqual(['left']);
  expect(sides.decide([at(0.32, 'left')])).toEqual(['left']);
  // For good it is a mend.
  let last = '';
  for (let n = 0; n < 8; n++) [last = ''] = sides.decide([at(0.33, 'right')]);
  expect(last).toBe('right');
});
test('one that is less sure counts for less', () => {
  const sides = new HandSides();
  sides.decide([at(0.3, 'right', 0.6)]);
  expect(sides.decide([at(0.3, 'left', 0.55)])).toEqual(['left']);
  const surer = new HandSides();
  surer.decide([at(0.3, 'right', 0.95)]);
  expect(surer.decide([at(0.3, 'left', 0.55)])).toEqual(['right']);
});
test('two hands keep theirs, in whatever order they come', () => {
  const sides = new HandSides();
  for (let n = 0; n < 4; n++) sides.decide([at(0.2, 'left'), at(0.8, 'right')]);
  expect(sides.decide([at(0.79, 'left'), at(0.21, 'left')])).toEqual(['right', 'left']);
});
test('a hand elsewhere, or one that was away, begins anew', () => {
  const sides = new HandSides();
  for (let n = 0; n < 4; n++) sides.decide([at(0.2, 'left')]);
  expect(sides.decide([at(0.7, 'right')])).toEqual(['right']);
  sides.decide([]);
  expect(sides.decide([at(0.2, 'right')])).toEqual(['right']);
});
