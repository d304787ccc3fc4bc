/** What is wrong with a behaviour circuit is said of the node; what is not wrong runs all the same. */
import { describe, expect, test } from '@jest/globals';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../kinds/nodes/nodes';
import type { BehaviourNodes, NodeId, ObjectId, VariableId } from '../document/schema';
import { planNodes } from './circuits';

const id = (name: string) => `node_${name.padEnd(4, 'x')}` as NodeId;
const wire = (from: string, port = 'value') => ({ node: id(from), port });
const node = <K extends NodeKind>(
  name: string,
  kind: K,
  inputs: Record<string, { node: NodeId; port: string }> = {},
  set: object = {},
): BehaviourNode => newBehaviourNode(id(name), kind, [0, 0], { inputs, set });
const circuit = (...nodes: BehaviourNode[]): BehaviourNodes =>
  Object.fromEntries(nodes.map((n) => [n.id, n]));
const TIDE = { to: { kind: 'variable', variable: 'variable_tide' as VariableId } };
const codes = (...nodes: BehaviourNode[]): string[] =>
  planNodes(circuit(...nodes)).troubles.map(({ code }) => code);

test('what is whole has no trouble, and each node comes after what it reads', () => {
  const { order, troubles } = planNodes(
    circuit(
      node('out', 'write', { value: wire('sum') }, TIDE),
      node('sum', 'add', { a: wire('one'), b: wire('one') }),
      node('one', 'number'),
    ),
  );
  expect(troubles).toEqual([]);
  expect(order.map((p) => p.node.id)).toEqual([id('one'), id('sum'), id('out')]);
});

describe('troubles', () => {
  test('a circle, and none where it runs through a step before', () => {
    const out = node('out', 'write', { value: wire('sum') }, TIDE);
    const sum = node('sum', 'add', { a: wire('back') });
    expect(codes(out, sum, node('back', 'negate', { a: wire('sum') }))).toEqual(['loop']);
    expect(codes(out, sum, node('back', 'before', { value: wire('sum') }))).toEqual([]);
  });
  test('a wire that carries what is not read there is not followed', () => {
    const { order, troubles } = planNodes(
      circuit(node('out', 'write', { value: wire('words', 'text') }, TIDE), node('words', 'text')),
    );
    expect(troubles).toContainEqual({
      code: 'mismatch',
      node: id('out'),
      port: 'value',
      from: 'text',
      to: 'number',
    });
    expect(troubles).toContainEqual({ code: 'unwired', node: id('out'), port: 'value' });
    expect(order).toHaveLength(2);
  });
  test('an event that comes from nowhere, a wire from a node that is gone', () => {
    expect(codes(node('out', 'scene', {}, { scene: 'scene_a' }))).toEqual(['unwired']);
    expect(codes(node('out', 'write', { value: wire('gone') }, TIDE))).toEqual(['lost-wire']);
  });
  test('a node that reaches no end is idle, and is worked out all the same', () => {
    const { order, troubles } = planNodes(
      circuit(node('a', 'number'), node('b', 'negate', { a: wire('a') })),
    );
    expect(troubles.map((t) => [t.code, 'node' in t && t.node])).toEqual([
      ['idle', id('a')],
      ['idle', id('b')],
    ]);
    expect(order).toHaveLength(2);
  });
  test('nothing chosen to be written, or something that is not there', () => {
    const one = node('one', 'number');
    expect(codes(one, node('out', 'write', { value: wire('one') }))).toEqual(['lacks']);
    const gone = node(
      'out',
      'write',
      { value: wire('one') },
      {
        to: { kind: 'number', objects: ['obj_gone' as ObjectId], property: 'size' },
      },
    );
    expect(planNodes(circuit(one, gone), (to) => to !== 'objects').troubles).toContainEqual({
      code: 'lacks',
      node: id('out'),
      what: 'objects',
    });
  });
});
