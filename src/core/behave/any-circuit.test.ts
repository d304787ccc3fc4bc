/** Any circuit with formulas and scripts in it, beside formulas that drive: restored at any step it goes on identically. */
import { beforeAll, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive, newVariable } from '../document/new-cues';
import { newCircuit } from '../document/new-circuit';
import type { CircuitId, Drive, DriveId, Effect, NodeId, Signal, VariableId } from '../document/schema';
import { effectSchema } from '../document/schema';
import {
  newBehaviourNode,
  NODE_KINDS,
  portsOf,
  type BehaviourNode,
  type NodeKind,
} from '../kinds/nodes/nodes';
import { conversion } from '../kinds/nodes/ports';
import { SCRIPT_EXAMPLES } from '../kinds/nodes/script-examples';
import { compile } from '../program/program';
import type { ScriptEngine } from '../script/engine';
import { loadQuickJs } from '../script/quickjs-engine';
import { Runtime, type Snapshot } from './runtime';
import { card, CARD, cueOf, effectOf, faceWith, TAP } from './testing';

let engine: ScriptEngine;
beforeAll(async () => {
  engine = await loadQuickJs();
});

const CIRCUIT = 'circuit_main' as CircuitId;
const id = (n: number) => `node_${String(n).padStart(4, '0')}` as NodeId;
const jawOpen: Signal = { kind: 'expression', face: 1, name: 'jawOpen' };
const SCORE = newVariable('variable_score' as VariableId, 'Score', 0);
const FORMULAS = [
  'a + b * c',
  'mix(a, b, 0.3) + jawOpen',
  'sin(time * 90) * d',
  'max(a, b) - floor(c)',
] as const;
const READS = { jawOpen, time: { kind: 'time' } } as const;
/** What is set of a node of a kind, in some way of many. */
const setOf = (kind: NodeKind, way: number): object => {
  if (kind === 'write')
    return way % 2 === 0
      ? { to: { kind: 'number', objects: [CARD], property: 'moveX' } }
      : { to: { kind: 'variable', variable: SCORE.id } };
  if (kind === 'signal')
    return { signal: way % 2 === 0 ? jawOpen : { kind: 'variable', variable: SCORE.id } };
  if (kind === 'formula') {
    const text = FORMULAS[way % FORMULAS.length]!;
    return {
      text,
      inputs: Object.fromEntries(Object.entries(READS).filter(([name]) => text.includes(name))),
    };
  }
  if (kind === 'eachItem')
    return { text: ['item * 2', 'item + place / count', 'a - item'][way % 3], inputs: {} };
  if (kind === 'script') {
    const { takes, gives, source } = SCRIPT_EXAMPLES[way % SCRIPT_EXAMPLES.length]!;
    return { takes, gives, source };
  }
  return {};
};
/** Formulas and scripts as often as all others together. */
const anyKind = fc.oneof(
  fc.constantFrom(...NODE_KINDS),
  fc.constantFrom<NodeKind>('formula', 'script', 'write', 'signal'),
);

/** Up to 14 nodes of any kind that are wired as their types allow, forwards and backwards. */
const anyCircuit = fc
  .array(fc.tuple(anyKind, fc.nat(60), fc.array(fc.nat(60), { maxLength: 5 })), {
    minLength: 1,
    maxLength: 14,
  })
  .map((drawn) => {
    const nodes = drawn.map(([kind, way], i) =>
      newBehaviourNode(id(i), kind, [0, 0], { set: setOf(kind, way) }),
    );
    return drawn.map(([, , picks], i): BehaviourNode => {
      const inputs: Record<string, { node: NodeId; port: string }> = {};
      portsOf(nodes[i]!).inputs.forEach(({ name, type }, n) => {
        const pick = picks[n];
        const source = pick === undefined ? undefined : nodes[pick % nodes.length];
        const output = source && portsOf(source).outputs.find((o) => conversion(o.type, type) !== undefined);
        if (output) inputs[name] = { node: source.id, port: output.name };
      });
      return { ...nodes[i]!, inputs } as BehaviourNode;
    });
  });
const formulaDrive = (text: string): Drive => {
  const fresh = newDrive(
    'drive_turn' as DriveId,
    0,
    {
      kind: 'formula',
      text,
      inputs: { score: { kind: 'variable', variable: SCORE.id }, jawOpen },
      unit: 'degrees',
    },
    { kind: 'number', objects: [CARD], property: 'turnZ' },
  );
  return { ...fresh, remap: { ...fresh.remap, bounded: false } };
};

test('any circuit, with formulas and scripts', () => {
  fc.assert(
    fc.property(anyCircuit, fc.nat(19), (nodes, at) => {
      const circuit = {
        ...newCircuit(CIRCUIT, 'Main', 0),
        nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
      };
      const drive = formulaDrive('score * 2 + jawOpen');
      const cue = cueOf('screenTapped', [[{ kind: 'toggle' }]]);
      const effect = effectOf([cue], [card()], {
        circuits: { [CIRCUIT]: circuit } as Effect['circuits'],
        drives: { [drive.id]: drive } as Effect['drives'],
        variables: { [SCORE.id]: SCORE } as Effect['variables'],
      });
      expect(effectSchema.safeParse(effect).error?.issues ?? []).toEqual([]);
      const program = compile(effect);
      const fresh = () => new Runtime(program, { scripts: engine });
      const runtime = fresh();
      const frames = (n: number) => faceWith({ jawOpen: (n % 7) / 7 });
      const inputs = (n: number) => (n % 5 === 2 ? TAP : undefined);
      const all = (of: Runtime): unknown => [
        nodes.map((n) => portsOf(n).outputs.map((o) => of.nodeValue(CIRCUIT, n.id, o.name))),
        // It is changed in place.
        { ...of.values(0) },
        of.variable(SCORE.id),
      ];
      let saved: Snapshot | null = null;
      const seen: unknown[] = [];
      for (let n = 0; n < 30; n++) {
        if (n === at) saved = runtime.save();
        runtime.step(frames(n), inputs(n));
        seen.push(all(runtime));
      }
      const again = fresh();
      again.restore(saved!);
      for (let n = at; n < 30; n++) {
        again.step(frames(n), inputs(n));
        expect(all(again)).toEqual(seen[n]);
      }
    }),
    { numRuns: 60 },
  );
});
