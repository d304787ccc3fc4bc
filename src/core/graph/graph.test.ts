import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { copiedNodes, wouldLoop, type Graph, type GraphNode, type Ports } from './graph';
import { freePlace, tidyPlaces } from './layout';
import { planGraph } from './plan';

const PORTS: Ports = {
  inputs: [{ name: 'a' }, { name: 'b' }, { name: 'must', needed: true }],
  outputs: [{ name: 'out' }],
};
const portsOf = (): Ports => PORTS;
const node = (id: string, inputs: GraphNode['inputs'] = {}): GraphNode => ({ id, at: [0, 0], inputs });
const from = (id: string, port = 'out') => ({ node: id, port });
const graphOf = (...nodes: GraphNode[]): Graph<GraphNode> => Object.fromEntries(nodes.map((n) => [n.id, n]));
const plan = (graph: Graph<GraphNode>, ...ends: string[]) =>
  planGraph(
    graph,
    ends.map((id) => graph[id]!),
    portsOf,
  );

/** Any graph of up to 12 nodes, wires running anywhere. */
const anyGraph = fc
  .array(fc.array(fc.nat(11), { maxLength: 3 }), { minLength: 1, maxLength: 12 })
  .map((wires) =>
    graphOf(
      ...wires.map((to, i) =>
        node(
          `n${i}`,
          Object.fromEntries(to.map((k, j) => [['a', 'b', 'must'][j]!, from(`n${k % wires.length}`)])),
        ),
      ),
    ),
  );

describe('a plan', () => {
  test('each node comes after all that it needs, once; what reaches no end is idle', () => {
    const graph = graphOf(
      node('end', { a: from('mid'), b: from('first'), must: from('mid') }),
      node('mid', { must: from('first') }),
      node('first', {}),
      node('alone'),
    );
    const { order, troubles } = plan(graph, 'end');
    expect(order.map((p) => p.node.id)).toEqual(['first', 'mid', 'end']);
    expect(order[2]!.inputs.map((i) => i.wire?.node ?? null)).toEqual(['mid', 'first', 'mid']);
    expect(troubles).toEqual([
      { code: 'unwired', node: 'first', port: 'must' },
      { code: 'idle', node: 'alone' },
    ]);
  });
  test('several ends share what they both need', () => {
    const graph = graphOf(
      node('one', { must: from('both') }),
      node('two', { must: from('both') }),
      node('both', { must: from('deep') }),
      node('deep', { must: from('gone') }),
    );
    const { order, troubles } = plan(graph, 'one', 'two');
    expect(order.map((p) => p.node.id)).toEqual(['deep', 'both', 'one', 'two']);
    expect(troubles).toEqual([{ code: 'lost-wire', node: 'deep', port: 'must' }]);
  });
  test('a circle is told with the nodes it runs through, and is not followed', () => {
    const graph = graphOf(
      node('end', { must: from('x') }),
      node('x', { must: from('y') }),
      node('y', { must: from('x') }),
    );
    const { order, troubles } = plan(graph, 'end');
    expect(order).toHaveLength(3);
    expect(troubles).toEqual([{ code: 'loop', node: 'y', port: 'must', through: ['x', 'y'] }]);
  });
  test('an output that is not there is a lost wire', () => {
    const graph = graphOf(node('end', { must: from('x', 'nothing') }), node('x', { must: from('x') }));
    expect(plan(graph, 'end').troubles).toContainEqual({ code: 'lost-wire', node: 'end', port: 'must' });
  });
  test('any graph: wires that are followed run from what was worked out before', () => {
    fc.assert(
      fc.property(anyGraph, (graph) => {
        const { order, troubles } = plan(graph, 'n0');
        const at = new Map(order.map((p, i) => [p.node.id, i]));
        expect(at.size).toBe(order.length);
        order.forEach(({ inputs }, i) => {
          for (const { wire } of inputs) if (wire) expect(at.get(wire.node)!).toBeLessThan(i);
        });
        const idle = troubles.filter((t) => t.code === 'idle').length;
        expect(order.length + idle).toBe(Object.keys(graph).length);
      }),
    );
  });
  test('any graph without circles: one is made exactly when it would be', () => {
    fc.assert(
      fc.property(anyGraph, fc.nat(11), fc.nat(11), (made, i, j) => {
        const ids = Object.keys(made);
        // Only wires to what comes later: no circle.
        const graph = graphOf(
          ...Object.values(made).map((n) =>
            node(
              n.id,
              Object.fromEntries(
                Object.entries(n.inputs).filter(([, w]) => ids.indexOf(w.node) > ids.indexOf(n.id)),
              ),
            ),
          ),
        );
        const [source, into] = [ids[i % ids.length]!, ids[j % ids.length]!];
        const wired = {
          ...graph,
          [into]: { ...graph[into]!, inputs: { ...graph[into]!.inputs, new: from(source) } },
        };
        const withNew: Ports = { ...PORTS, inputs: [...PORTS.inputs, { name: 'new' }] };
        const { troubles } = planGraph(wired, Object.values(wired), () => withNew);
        expect(troubles.some((t) => t.code === 'loop')).toBe(wouldLoop(graph, source, into));
      }),
    );
  });
});

describe('what is read late', () => {
  const late: Ports = { ...PORTS, inputs: [...PORTS.inputs, { name: 'late', late: true }] };
  const graph = graphOf(node('end', { must: from('back') }), node('back', { late: from('end') }));
  test('closes no circle, and what it reads is worked out too', () => {
    const { order, troubles } = planGraph(graph, [graph['end']!], () => late);
    expect(order.map((p) => p.node.id)).toEqual(['back', 'end']);
    expect(order[0]!.inputs.find((i) => i.port.name === 'late')!.wire).toMatchObject({ node: 'end' });
    expect(troubles).toEqual([{ code: 'unwired', node: 'back', port: 'must' }]);
    const alone = planGraph(graph, [graph['back']!], () => late);
    expect(alone.order.map((p) => p.node.id)).toEqual(['back', 'end']);
  });
  test('is passed over when a wire is asked about', () => {
    const isLate = (_: GraphNode, port: string): boolean => port === 'late';
    const only = graphOf(node('a', { late: from('b') }), node('b'));
    expect(wouldLoop(only, 'a', 'b')).toBe(true);
    expect(wouldLoop(only, 'a', 'b', isLate)).toBe(false);
  });
});

describe('copies', () => {
  test('are wired among each other as they were, and to what they were wired to before', () => {
    const [a, b] = [node('a', { must: from('else') }), node('b', { a: from('a') })];
    let n = 0;
    const copies = copiedNodes([a, b], () => `copy${n++}`);
    expect(copies).toEqual([
      { id: 'copy0', at: [28, 28], inputs: { must: from('else') } },
      { id: 'copy1', at: [28, 28], inputs: { a: from('copy0') } },
    ]);
  });
});

describe('places', () => {
  test('any graph: wires that are followed run to the right, and nothing lies on anything', () => {
    fc.assert(
      fc.property(anyGraph, (graph) => {
        const { order } = plan(graph, 'n0');
        const places = tidyPlaces(graph, order, () => 60);
        expect(places.size).toBe(Object.keys(graph).length);
        for (const { node: to, inputs } of order)
          for (const { wire } of inputs)
            if (wire) expect(places.get(wire.node)![0]).toBeLessThan(places.get(to.id)![0]);
        const all = [...places.values()];
        all.forEach(([x, y], i) => {
          for (const [u, v] of all.slice(0, i))
            expect(Math.abs(x - u) >= 162 || Math.abs(y - v) >= 60).toBe(true);
        });
      }),
    );
  });
  test('nodes without any wire lie in rows below those that are wired', () => {
    const loose = Array.from({ length: 9 }, (_, i) => node(`loose${i}`));
    const graph = graphOf(node('a'), node('b', { must: from('a') }), ...loose);
    const places = tidyPlaces(graph, plan(graph, 'b', ...loose.map((n) => n.id)).order, () => 60);
    const lowest = Math.max(places.get('a')![1], places.get('b')![1]) + 60;
    const at = loose.map((n) => places.get(n.id)!);
    expect(at.every(([, y]) => y >= lowest)).toBe(true);
    expect(new Set(at.map(([, y]) => y)).size).toBe(2);
    expect(new Set(at.map(([x]) => x)).size).toBe(6);
  });
  test('a free place is where it was wanted when nothing is there', () => {
    expect(freePlace({}, () => 60, 60, [5, 7])).toEqual([5, 7]);
    const at = freePlace(graphOf(node('a')), () => 60, 60, [0, 0]);
    expect(Math.abs(at[0]) >= 162 || Math.abs(at[1]) >= 60).toBe(true);
  });
});
