import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { effectScope, shallowRef, type EffectScope } from 'vue';
import type { GraphNode } from '../../../../core/graph/graph';
import { boundsOf, LARGE, nodesIn, useBoardWindow } from './use-board-window';

const node = (i: number, from: number | null = null): GraphNode => ({
  id: `n${i}`,
  at: [i * 300, 0] as const,
  inputs: from === null ? {} : { a: { node: `n${from}`, port: 'value' } },
});

test('in a part of a board are its nodes, and those that wires run to', () => {
  const all = [node(0), node(1, 0), node(2), node(3, 2), node(9, 1), node(8)];
  const ids = nodesIn(all, { left: 290, top: -10, right: 500, bottom: 100 }).map(({ id }) => id);
  expect(ids).toEqual(['n0', 'n1', 'n9']);
});
describe('what is made of a board', () => {
  let scope: EffectScope;
  beforeEach(() => {
    jest.useFakeTimers();
    scope = effectScope();
  });
  afterEach(() => {
    scope.stop();
    jest.useRealTimers();
  });
  const view = (left: number) => ({ left, top: 0, right: left + 900, bottom: 500 });
  const ids = (nodes: readonly GraphNode[]): string[] => nodes.map(({ id }) => id);
  const opened = (count: number) => {
    const all = shallowRef<readonly GraphNode[]>(Array.from({ length: count }, (_, i) => node(i)));
    return { all, ...scope.run(() => useBoardWindow(() => all.value))! };
  };
  test('a small one is all there', () => {
    const { shown, missing } = opened(LARGE - 1);
    expect(shown.value).toHaveLength(LARGE - 1);
    expect(missing.value).toEqual([]);
  });
  test('of a large one what is seen first, and a quarter of a screen around it', () => {
    const { shown, look } = opened(LARGE);
    expect(shown.value).toEqual([]);
    look(view(0));
    expect(ids(shown.value)).toEqual(['n0', 'n1', 'n2', 'n3']);
  });
  test('nothing is made while it is moved; what is missing is, once it rests, and what is left is let go', () => {
    const { shown, missing, look } = opened(LARGE);
    look(view(0));
    const first = shown.value;
    look(view(150));
    expect(shown.value).toBe(first);
    for (let left = 200; left <= 3000; left += 100) {
      look(view(left));
      jest.advanceTimersByTime(16);
    }
    expect(ids(shown.value)).toEqual(ids(first));
    expect(ids(missing.value)).toContain('n12');
    jest.advanceTimersByTime(1000);
    expect(missing.value).toEqual([]);
    expect(ids(shown.value)).toContain('n12');
    expect(ids(shown.value)).not.toContain('n0');
  });
  test('a node that was just made is there at once', () => {
    const { all, shown, look } = opened(LARGE);
    look(view(0));
    all.value = [...all.value, { ...node(0), id: 'fresh' }];
    expect(ids(shown.value)).toContain('fresh');
    all.value = all.value.filter(({ id }) => id !== 'n1');
    expect(ids(shown.value)).toEqual(['n0', 'n2', 'n3', 'fresh']);
  });
});
test('bounds are around all nodes', () => {
  expect(boundsOf([])).toBeNull();
  expect(boundsOf([node(0), node(2)])).toMatchObject({ left: 0, top: 0, right: 820 });
});
