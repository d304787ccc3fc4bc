/** @jest-environment ./scripts/jest-page.mjs */
import { afterEach, expect, test } from '@jest/globals';
import { useVueFlow, type Edge, type VueFlowStore } from '@vue-flow/core';
import { createApp, nextTick, shallowRef, toRaw, type App } from 'vue';
import { useBoardSync, type BoardNode } from './use-board-sync';

let app: App | null = null;
afterEach(() => app?.unmount());

const node = (id: string, x = 0, more: Partial<BoardNode> = {}): BoardNode => ({
  id,
  type: 'card',
  position: { x, y: 0 },
  selected: false,
  ...more,
});
const VIA = [] as const;
const wire = (source: string, target: string, via: readonly unknown[] = VIA): Edge => ({
  id: `${target} a`,
  source,
  sourceHandle: 'value',
  target,
  targetHandle: 'a',
  class: '',
  data: { via, words: 'a' },
});
const drawn = (nodes: readonly BoardNode[], edges: readonly Edge[] = []) => {
  const wanted = { nodes: shallowRef(nodes), edges: shallowRef(edges) };
  let flow!: VueFlowStore;
  app = createApp({
    setup: () => {
      flow = useVueFlow({ id: 'board', applyDefault: false });
      useBoardSync(
        flow,
        () => wanted.nodes.value,
        () => wanted.edges.value,
      );
      return () => null;
    },
  });
  app.mount(document.createElement('div'));
  const have = () => ({
    nodes: flow.nodes.value.map(({ id, position: { x } }) => [id, x]),
    edges: flow.edges.value.map(({ source, target }) => `${source} ${target}`),
  });
  return { wanted, flow, have };
};

test('what is wanted is there once, wires behind the nodes that they join', async () => {
  const { wanted, have } = drawn([node('a'), node('b', 10)], [wire('a', 'b')]);
  expect(have()).toEqual({
    nodes: [
      ['a', 0],
      ['b', 10],
    ],
    edges: ['a b'],
  });
  wanted.nodes.value = [node('b', 10), node('c', 20)];
  wanted.edges.value = [wire('b', 'c')];
  await nextTick();
  expect(have()).toEqual({
    nodes: [
      ['b', 10],
      ['c', 20],
    ],
    edges: ['b c'],
  });
});
test('a node that stays is the same one, with what is new of it; those that did not change are not touched', async () => {
  const { wanted, flow } = drawn([node('a'), node('b', 10), node('c', 20)]);
  const before = toRaw(flow.nodes.value).map(toRaw);
  wanted.nodes.value = [node('a', 5), node('b', 10, { selected: true }), node('c', 20)];
  await nextTick();
  const after = toRaw(flow.nodes.value).map(toRaw);
  expect(after.every((one, i) => one === before[i])).toBe(true);
  expect(flow.nodes.value.map(({ position, selected }) => [position.x, selected])).toEqual([
    [5, false],
    [10, true],
    [20, false],
  ]);
});
test('a wire that comes from elsewhere, or is bent, is drawn anew', async () => {
  const { wanted, flow, have } = drawn([node('a'), node('b'), node('c')], [wire('a', 'c')]);
  wanted.edges.value = [wire('b', 'c')];
  await nextTick();
  expect(have().edges).toEqual(['b c']);
  wanted.edges.value = [wire('b', 'c', [[1, 2]])];
  await nextTick();
  expect(flow.edges.value.map(({ data }) => data.via)).toEqual([[[1, 2]]]);
});
test('what is changed by hand on the board is laid in: places, sizes, what is selected', () => {
  const { flow } = drawn([node('a')]);
  flow.addSelectedNodes([flow.findNode('a')!]);
  expect(flow.findNode('a')!.selected).toBe(true);
  flow.updateNodePositions([{ id: 'a', position: { x: 3, y: 4 } } as never], true, false);
  expect(flow.findNode('a')!.position).toEqual({ x: 3, y: 4 });
});
