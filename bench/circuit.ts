/**
 * Behaviour circuits: 10,000 nodes a step, beside the same computation written by hand; a mixed effect; and how long a circuit of 2,000 nodes takes to compile.
 */
import { newCircuit } from '../src/core/document/new-circuit';
import type { Circuit, CircuitId, Effect, NodeId } from '../src/core/document/schema';
import { newBehaviourNode, type BehaviourNode, type NodeKind } from '../src/core/kinds/nodes/nodes';
import { planCircuits } from '../src/core/program/circuits';
import { compile } from '../src/core/program/program';
import { sampleEffect } from '../src/core/document/sample';
import { Runtime } from '../src/core/behave/runtime';
import { FIRST_TAKE } from '../src/core/takes/library';
import { STEP } from '../src/core/units';
import { report, timed } from './report';

const CHAIN = 10;
const id = (chain: number, n: number): NodeId => `node_c${chain}n${n}` as NodeId;
/** A chain of ten: time, made a wave, carried, smoothed. */
const chainOf = (c: number): BehaviourNode[] => {
  const from = (n: number) => ({ node: id(c, n), port: n === 0 ? 'seconds' : 'value' });
  const made = (n: number, kind: NodeKind, values: BehaviourNode['values'] = {}, port = 'a'): BehaviourNode =>
    newBehaviourNode(id(c, n), kind, [0, 0], { values, inputs: { [port]: from(n - 1) } });
  return [
    newBehaviourNode(id(c, 0), 'time'),
    made(1, 'multiply', { b: 40 + (c % 17) }),
    made(2, 'sine', {}, 'angle'),
    made(3, 'add', { b: c * 0.001 }),
    made(4, 'remap', { from: -1, to: 1, 'new from': 0, 'new to': 2 }, 'value'),
    made(5, 'clamp', { from: 0.1, to: 1.9 }, 'value'),
    made(6, 'mix', { b: 1, share: 0.3 }),
    made(7, 'smooth', { behind: 0.2 }, 'value'),
    made(8, 'power', { b: 1.5 }),
    made(9, 'subtract', { b: 0.5 }),
  ];
};
const circuitOf = (nodes: number): Circuit => ({
  ...newCircuit('circuit_bench' as CircuitId, 'Bench', 0),
  nodes: Object.fromEntries(
    Array.from({ length: nodes / CHAIN }, (_, c) => chainOf(c)).flatMap((chain) =>
      chain.map((n) => [n.id, n]),
    ),
  ) as Circuit['nodes'],
});
const withCircuit = (effect: Effect, circuit: Circuit): Effect => ({
  ...effect,
  circuits: { [circuit.id]: circuit } as Effect['circuits'],
});

/** The same as the chains, as a programmer would write it. */
const byHand = (chains: number): (() => void) => {
  const smooth = new Float64Array(chains).fill(NaN);
  const out = new Float64Array(chains);
  const keep = Math.exp(-STEP / 0.2);
  let step = 0;
  return () => {
    const time = step++ * STEP;
    for (let c = 0; c < chains; c++) {
      const wave = Math.sin((time * (40 + (c % 17)) * Math.PI) / 180) + c * 0.001;
      const carried = ((wave + 1) / 2) * 2;
      const held = Math.min(1.9, Math.max(0.1, carried));
      const mixed = held * 0.7 + 0.3;
      smooth[c] = Number.isNaN(smooth[c]!) ? mixed : mixed + (smooth[c]! - mixed) * keep;
      out[c] = smooth[c]! ** 1.5 - 0.5;
    }
  };
};

const frame = FIRST_TAKE.frameAt(0);
const stepping = (effect: Effect): (() => void) => {
  const runtime = new Runtime(compile(effect), { fountains: false });
  return () => void runtime.step(frame);
};

const empty = timed(20, 30, stepping(sampleEffect(0, 0)));
const circuit = timed(20, 30, stepping(withCircuit(sampleEffect(0, 0), circuitOf(10_000)))) - empty;
const hand = timed(20, 30, byHand(1000));
report({
  name: 'circuit.10000',
  value: circuit,
  unit: 'ms a step',
  ratio: circuit / hand,
  against: 'by hand',
});

const mixed = withCircuit(sampleEffect(200, 50), circuitOf(500));
report({ name: 'circuit.mixed', value: timed(20, 30, stepping(mixed)), unit: 'ms a step' });

const effect = sampleEffect(0, 0);
const big = circuitOf(2000);
report({
  name: 'circuit.compile-2000',
  value: timed(15, 1, () => void planCircuits(withCircuit(effect, big))),
  unit: 'ms',
});
