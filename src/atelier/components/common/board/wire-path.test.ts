import { expect, test } from '@jest/globals';
import { bendIndex, wirePath } from './wire-path';

test('a wire runs through its bends, in their order', () => {
  const path = wirePath(
    [0, 0],
    [
      [100, 50],
      [200, -20],
    ],
    [300, 10],
  );
  const at = (point: string) => path.indexOf(point);
  expect(path.startsWith('M0,0')).toBe(true);
  expect(at('100,50')).toBeGreaterThan(0);
  expect(at('200,-20')).toBeGreaterThan(at('100,50'));
  expect(path.endsWith('300,10')).toBe(true);
});

test('a bend comes between the two that it lies nearest to', () => {
  const via = [
    [100, 100],
    [200, 100],
  ] as const;
  const index = (x: number, y: number) => bendIndex([x, y], [0, 0], via, [300, 0]);
  expect([index(40, 50), index(150, 105), index(260, 30)]).toEqual([0, 1, 2]);
  expect(bendIndex([5, 5], [0, 0], [], [0, 0])).toBe(0);
});
