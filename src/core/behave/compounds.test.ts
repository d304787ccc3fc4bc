/** A compound does exactly what the nodes did of which it was made, wherever it is used, and goes on identically from any step. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit } from '../document/edit';
import { newCircuit } from '../document/new-circuit';
import type { CircuitId, CompoundId, Effect, NodeId } from '../document/schema';
import { makeCompound } from '../edits/compound-edits';
import { IconiaError } from '../errors';
import { newBehaviourNode, nodeKind, type BehaviourNode, type NodeKind } from '../kinds/nodes/nodes';
import { conversion } from '../kinds/nodes/ports';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { effectOf, faceWith } from './testing';

const CIRCUIT = 'circuit_main' as CircuitId;
const id = (n: number) => `node_n${String(n).padStart(3, '0')}` as NodeId;
const IDS = {
  compound: 'compound_made' as CompoundId,
  use: 'node_use' as NodeId,
  enter: 'node_enter' as NodeId,
  leave: 'node_leave' as NodeId,
};
/** Nodes without chance: that is of each node by itself, and a copy within a compound has its own. */
const KINDS: readonly NodeKind[] = [
  ...([
    'number',
    'add',
    'multiply',
    'clamp',
    'compare',
    'counter',
    'toggle',
    'spring',
    'smooth',
    'before',
  ] as const),
  ...(['joinVector', 'splitVector', 'becomesTrue', 'select', 'formatNumber', 'gate'] as const),
];

const anyNodes = fc
  .array(fc.tuple(fc.nat(KINDS.length - 1), fc.array(fc.nat(60), { maxLength: 4 }), fc.boolean()), {
    minLength: 3,
    maxLength: 14,
  })
  .map((drawn) => {
    const mouth = newBehaviourNode(id(0), 'signal', [0, 0], {
      set: { signal: { kind: 'expression', face: 1, name: 'jawOpen' } },
    });
    const nodes: BehaviourNode[] = [mouth];
    for (const [kind, wires] of drawn) {
      const inputs: Record<string, { node: NodeId; port: string }> = {};
      for (const [i, port] of nodeKind(KINDS[kind]!).inputs.entries()) {
        const fits = nodes.flatMap((n) =>
          nodeKind(n.kind).outputs.flatMap((out) =>
            conversion(out.type, port.type) === undefined ? [] : [{ node: n.id, port: out.name }],
          ),
        );
        const wire = fits[(wires[i] ?? 0) % Math.max(1, fits.length)];
        if (wire && wires[i] !== undefined) inputs[port.name] = wire;
      }
      nodes.push(newBehaviourNode(id(nodes.length), KINDS[kind]!, [0, 0], { inputs }));
    }
    return { nodes, chosen: nodes.filter((_, i) => i > 0 && drawn[i - 1]![2]).map((n) => n.id) };
  });

const effectOfNodes = (nodes: readonly BehaviourNode[]): Effect =>
  effectOf([], [], {
    circuits: {
      [CIRCUIT]: {
        ...newCircuit(CIRCUIT, 'Main', 0),
        nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
      },
    },
  } as never);

test('made a compound of, a circuit gives the same in every step, also from the middle', () => {
  expect(KINDS.length).toBeGreaterThan(12);
  let made = 0;
  fc.assert(
    fc.property(anyNodes, fc.nat(11), ({ nodes, chosen }, at) => {
      const plain = effectOfNodes(nodes);
      let whole: Effect;
      try {
        whole = applyEdit(plain, makeCompound(plain, CIRCUIT, chosen, 'Made', IDS)).effect;
      } catch (error) {
        expect(error).toBeInstanceOf(IconiaError);
        return;
      }
      made++;
      const [one, other] = [new Runtime(compile(plain)), new Runtime(compile(whole))];
      const outside = nodes.filter((n) => !chosen.includes(n.id));
      const both = (step: number): void => {
        const frame = faceWith({ jawOpen: Math.abs(Math.sin(step / 3)) });
        one.step(frame);
        other.step(frame);
        for (const n of outside)
          for (const out of nodeKind(n.kind).outputs)
            expect(other.nodeValue(CIRCUIT, n.id, out.name)).toEqual(one.nodeValue(CIRCUIT, n.id, out.name));
        // Those within are found by their use.
        for (const inner of chosen)
          for (const out of nodeKind(nodes.find((n) => n.id === inner)!.kind).outputs)
            expect(other.nodeValue(CIRCUIT, `${IDS.use}/${inner}` as NodeId, out.name)).toEqual(
              one.nodeValue(CIRCUIT, inner, out.name),
            );
      };
      const saves = [other.save()];
      const before = [one.save()];
      for (let step = 0; step < 12; step++) {
        both(step);
        saves.push(other.save());
        before.push(one.save());
      }
      other.restore(saves[at]!);
      one.restore(before[at]!);
      for (let step = at; step < 12; step++) both(step);
    }),
    { numRuns: 150 },
  );
  expect(made).toBeGreaterThan(20);
});
