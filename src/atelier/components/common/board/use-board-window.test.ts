import { expect, test } from '@jest/globals';
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
test('a small board is shown whole; of a large one half a screen more than is seen, until that is left', () => {
  let all = Array.from({ length: LARGE - 1 }, (_, i) => node(i));
  const small = useBoardWindow(() => all);
  expect(small.shown.value).toHaveLength(LARGE - 1);
  all = [...all, node(LARGE)];
  const large = useBoardWindow(() => all);
  expect(large.shown.value).toEqual([]);
  const view = (left: number) => ({ left, top: 0, right: left + 900, bottom: 500 });
  large.look(view(0));
  const first = large.shown.value;
  expect(first.map(({ id }) => id)).toEqual(['n0', 'n1', 'n2', 'n3', 'n4']);
  large.look(view(400));
  expect(large.shown.value).toBe(first);
  large.look(view(1000));
  expect(large.shown.value.at(-1)!.id).toBe('n7');
});
test('bounds are around all nodes', () => {
  expect(boundsOf([])).toBeNull();
  expect(boundsOf([node(0), node(2)])).toMatchObject({ left: 0, top: 0, right: 820 });
});
