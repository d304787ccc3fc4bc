import { describe, expect, test } from '@jest/globals';
import type { BehaviourNodes, NodeId } from '../document/schema';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../kinds/nodes/nodes';
import { upstream, whyNode, type PortHistory } from './why-node';

const id = (name: string) => `node_${name.padEnd(4, 'x')}` as NodeId;
const wire = (node: string, port = 'event') => ({ node: id(node), port });
const node = (
  name: string,
  kind: NodeKind,
  inputs: BehaviourNode['inputs'] = {},
  more: Partial<BehaviourNode> = {},
): BehaviourNode => ({ ...newBehaviourNode(id(name), kind, [0, 0], { inputs }), ...more }) as BehaviourNode;
const graph = (...nodes: BehaviourNode[]): BehaviourNodes => Object.fromEntries(nodes.map((n) => [n.id, n]));
const NEVER: PortHistory = { times: 0, range: [0, 0] };
const ONCE: PortHistory = { times: 1, range: [0, 1] };
/** Nothing has happened, but for these. */
const history =
  (told: Readonly<Record<string, PortHistory>> = {}) =>
  (of: NodeId, port: string): PortHistory =>
    told[`${of} ${port}`] ?? told[of] ?? NEVER;

describe('why nothing has come of a node', () => {
  const tap = node('tap', 'trigger');
  const every = node('nth', 'everyNth', { event: wire('tap') });
  const cue = node('cue', 'cue', { event: wire('nth') });

  test('a wire that was forgotten is found from the end', () => {
    const lost = node('nth', 'everyNth');
    expect(whyNode(graph(tap, lost, cue), cue, history())).toEqual({
      through: [cue.id, lost.id],
      cause: { code: 'unwired', port: 'event' },
    });
    expect(whyNode(graph(cue), { ...cue, inputs: {} } as BehaviourNode, history())?.cause).toEqual({
      code: 'unwired',
      port: 'event',
    });
  });
  test('what did not happen is told through what waits for it', () => {
    expect(whyNode(graph(tap, every, cue), cue, history())).toEqual({
      through: [cue.id, every.id, tap.id],
      cause: { code: 'not-happened' },
    });
  });
  test('where it happened, but not often enough, it is the node between', () => {
    expect(whyNode(graph(tap, every, cue), cue, history({ [tap.id]: ONCE }))).toEqual({
      through: [cue.id, every.id],
      cause: { code: 'kept' },
    });
    expect(whyNode(graph(tap, every, cue), cue, history({ [tap.id]: ONCE, [every.id]: ONCE }))).toBeNull();
    expect(whyNode(graph(tap, every, cue), tap, history({ [tap.id]: ONCE }))).toBeNull();
  });
  test('a node that is off, and a gate that is shut', () => {
    const off = { ...every, off: true } as BehaviourNode;
    expect(whyNode(graph(tap, off, cue), cue, history())?.cause).toEqual({ code: 'off' });
    const gate = node('nth', 'gate', { event: wire('tap') }, { values: { while: 0 } });
    expect(whyNode(graph(tap, gate, cue), cue, history({ [tap.id]: ONCE }))).toEqual({
      through: [cue.id, gate.id],
      cause: { code: 'shut', port: 'while' },
    });
  });
  test('a comparison that never came true says how near its number came', () => {
    const mouth = node('open', 'signal');
    const compare = node('more', 'compare', { a: wire('open', 'value') }, { values: { b: 0.9 } });
    const rises = node('rise', 'becomesTrue', { value: wire('more', 'yes') });
    const start = node('cue', 'cue', { event: wire('rise') });
    const why = whyNode(
      graph(mouth, compare, rises, start),
      start,
      history({ [`${mouth.id} value`]: { times: 0, range: [0.1, 0.6] } }),
    );
    expect(why?.through.at(-1)).toBe(compare.id);
    expect(why?.cause).toEqual({ code: 'not-reached', range: [0.1, 0.6] });
  });
  test('of numbers nothing is asked, and a circle of waiting ends', () => {
    const number = node('numb', 'number');
    expect(whyNode(graph(number), number, history())).toBeNull();
    const [a, b] = [
      node('aaaa', 'everyNth', { event: wire('bbbb') }),
      node('bbbb', 'everyNth', { event: wire('aaaa') }),
    ];
    expect(whyNode(graph(a, b), a, history())?.cause).toEqual({ code: 'kept' });
  });
  test('all that a node hears of is found, up to so many', () => {
    expect(upstream(graph(tap, every, cue), cue.id, 60)).toEqual([cue.id, every.id, tap.id]);
    expect(upstream(graph(tap, every, cue), cue.id, 2)).toHaveLength(2);
  });
});
