/** Nodes as text: a round trip is the same circuit, and what is no such text is refused with a sentence, nothing half pasted. */
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleEffect } from '../document/sample';
import {
  MOST_NODES,
  SCHEMA_VERSION,
  type CircuitId,
  type Effect,
  type NodeId,
  type ObjectId,
  type VariableId,
} from '../document/schema';
import { IconiaError } from '../errors';
import { newBehaviourNode, NODE_KINDS, type BehaviourNode } from '../kinds/nodes/nodes';
import { nodesOfText, textOfNodes } from './circuit-text';
import { isPortNode } from './whole-compounds';

const id = (name: string) => `node_${name.padEnd(6, 'x')}` as NodeId;
const effect = sampleEffect(2, 0);
const [OBJECT] = Object.keys(effect.objects) as ObjectId[];
const ids = (): (() => NodeId) => {
  let n = 0;
  return () => id(`new${n++}`);
};
const wire = (node: string, port: string) => ({ node: id(node), port });
const read = (text: string, around: Record<NodeId, BehaviourNode> = {}): BehaviourNode[] =>
  nodesOfText(text, effect, around, ids()).nodes;
const refusal = (text: string): string => {
  try {
    read(text);
  } catch (error) {
    expect(error).toBeInstanceOf(IconiaError);
    expect((error as Error).message).toMatch(/[.] Nothing was pasted[.]$/);
    return (error as Error).message;
  }
  throw new Error('It was taken.');
};
const file = (nodes: unknown, more: object = {}): string =>
  JSON.stringify({ format: 'iconia-nodes', schema: SCHEMA_VERSION, nodes, ...more });

const counter = newBehaviourNode(id('many'), 'counter', [0, 0], { inputs: { up: wire('tap', 'event') } });
const tap: BehaviourNode = { ...newBehaviourNode(id('tap'), 'trigger', [200, 0]), off: true };
const add = newBehaviourNode(id('add'), 'add', [400, 0], {
  values: { b: 4 },
  inputs: { a: wire('many', 'count') },
});

describe('a round trip', () => {
  test('what was copied with an older Iconia is brought up to this one', () => {
    const old = JSON.parse(readFileSync('src/core/document/fixtures/schema-15.json', 'utf8')) as Effect;
    const { nodes } = old.circuits['circuit_swing' as CircuitId]!;
    const compounds = Object.values(old.compounds);
    expect(compounds[0]).not.toHaveProperty('notes');
    const text = file(Object.values(nodes), { schema: 15, compounds });
    const pasted = nodesOfText(text, effect, {}, ids());
    expect(pasted.nodes.map(({ kind }) => kind)).toEqual(['time', 'write', 'compound']);
    expect(pasted.compounds).toEqual([{ ...compounds[0], notes: {} }]);
  });
  test('variables that are read or written go along, where they are not there', () => {
    const score = { id: 'variable_score' as VariableId, name: 'Score', order: 0, start: 2 };
    const from = { ...effect, variables: { [score.id]: score } } as Effect;
    const writes = newBehaviourNode(id('puts'), 'write', [0, 0], {
      set: { to: { kind: 'variable', variable: score.id } },
    });
    const text = textOfNodes([writes], from);
    const pasted = nodesOfText(text, effect, {}, ids());
    expect(pasted.variables).toEqual([score]);
    expect(pasted.nodes[0]!.set).toEqual(writes.set);
    expect(nodesOfText(text, from, {}, ids()).variables).toEqual([]);
    expect(() => nodesOfText(text.replace('"start": 2', '"start": "two"'), effect, {}, ids())).toThrow(
      /One of the variables.*Nothing was pasted/,
    );
  });
  test('has the same kinds, values, settings and wires, and ids of its own', () => {
    const [many, tapped, sum] = read(textOfNodes([counter, tap, add], effect)) as [
      BehaviourNode,
      BehaviourNode,
      BehaviourNode,
    ];
    expect([many.id, tapped.id, sum.id]).toEqual([id('new0'), id('new1'), id('new2')]);
    expect(many.inputs).toEqual({ up: { node: tapped.id, port: 'event' } });
    expect(tapped).toMatchObject({ kind: 'trigger', off: true, set: tap.set });
    expect(sum).toMatchObject({ values: { b: 4 }, inputs: { a: { node: many.id, port: 'count' } } });
  });
  test.each(NODE_KINDS.filter((kind) => !isPortNode({ kind })))('of a node of the kind %s', (kind) => {
    const node = newBehaviourNode(id('one'), kind, [3, 4]);
    expect(read(textOfNodes([node], effect))).toEqual([{ ...node, id: id('new0'), at: [31, 32] }]);
  });
  test('a wire from outside runs on where its source is, and is left out where not', () => {
    expect(read(textOfNodes([counter], effect), { [tap.id]: tap })[0]!.inputs).toEqual(counter.inputs);
    expect(read(textOfNodes([counter], effect))[0]!.inputs).toEqual({});
  });
  test('what it names that is not in this effect is to be chosen anew', () => {
    const named = (object: string) =>
      newBehaviourNode(id('text'), 'writeText', [0, 0], { set: { object: object as ObjectId } });
    expect(read(textOfNodes([named(OBJECT!)], effect))[0]!.set).toEqual({ object: OBJECT });
    expect(read(textOfNodes([named('obj_elsewhere')], effect))[0]!.set).toEqual({ object: null });
  });
});

describe('refused', () => {
  test.each<[string, string, RegExp]>([
    ['no JSON', 'Low Tide Nights', /no text of nodes/],
    ['other JSON', '{"a": 1}', /no text of nodes/],
    ['a list', '[]', /no text of nodes/],
    ['a newer one', file([], { schema: SCHEMA_VERSION + 1 }), /copied from a newer Iconia .* Update Iconia/],
    ['none', file([]), /no nodes in that text/],
    ['an unknown kind', file([{ kind: 'warp' }]), /Node 1 is of a kind that is not known here: “warp”/],
    ['no node', file([null]), /Node 1 is of a kind that is not known here: “undefined”/],
    ['a broken node', file([{ ...add, at: 'there' }]), /Node 1 \(add\) does not hold together: at/],
    ['an id twice', file([add, add]), /same id/],
    [
      'an input that is not there',
      file([{ ...add, inputs: { z: wire('add', 'value') } }]),
      /has no input “z”/,
    ],
    [
      'an output that is not there',
      file([tap, { ...counter, inputs: { up: wire('tap', 'z') } }]),
      /has no output “z”/,
    ],
    [
      'a wire of another type',
      file([newBehaviourNode(id('words'), 'text'), { ...add, inputs: { a: wire('words', 'text') } }]),
      /brings what is not read there/,
    ],
    [
      'too many',
      file(Array.from({ length: MOST_NODES + 1 }, () => 0)),
      /20001 nodes, and a circuit holds 20000/,
    ],
    ['a hundred thousand', file(Array.from({ length: 100_000 }, () => 0)), /100000 nodes/],
    [
      'before there were any',
      file([tap]).replace(`"schema":${SCHEMA_VERSION}`, '"schema":3'),
      /no text of nodes/,
    ],
    [
      'of an older one, damaged',
      '{"format":"iconia-nodes","schema":15,"nodes":[null],"compounds":[5]}',
      /not known here/,
    ],
    ['a prototype', '{"format":"iconia-nodes","schema":15,"nodes":[{"kind":"__proto__"}]}', /not known here/],
    ['very much text', ' '.repeat(20e6 + 1), /too much text/],
  ])('%s', (_, text, why) => expect(refusal(text)).toMatch(why));
  test('whatever else is pasted', () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 4 }), (text) => {
        expect(refusal(text)).toContain('no text of nodes');
      }),
      { numRuns: 200 },
    );
  });
});
