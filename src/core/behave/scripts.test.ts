/** Scripts within an effect: the shipped examples by known answers, and going on identically from any step. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { newCircuit } from '../document/new-circuit';
import { boundReads } from '../document/script-names';
import type { CircuitId, Effect, NodeId, Signal } from '../document/schema';
import { newBehaviourNode, type BehaviourNode } from '../kinds/nodes/nodes';
import type { PortValue } from '../kinds/nodes/ports';
import { SCRIPT_EXAMPLES } from '../kinds/nodes/script-examples';
import { newPort } from '../kinds/nodes/declared-ports';
import { type Script, type ScriptMemory } from '../kinds/nodes/script-nodes';
import { compile } from '../program/program';
import type { ScriptEngine } from '../script/engine';
import { loadQuickJs } from '../script/quickjs-engine';
import { Runtime } from './runtime';
import { effectOf, faceWith } from './testing';

let engine: ScriptEngine;
beforeAll(async () => {
  engine = await loadQuickJs();
});

const CIRCUIT = 'circuit_main' as CircuitId;
const SCRIPT = 'node_script' as NodeId;
const EVENTS = 'node_events' as NodeId;
const jawOpen: Signal = { kind: 'expression', face: 1, name: 'jawOpen' };
const KNOWN = [{ name: 'jawOpen', signal: jawOpen, words: 'jaw open', seek: '' }] as never;

interface Around {
  readonly values?: BehaviourNode['values'];
  /** An event runs into this input in these steps. */
  readonly events?: readonly [port: string, steps: readonly number[]];
}
const effectWith = (script: Partial<Script>, { values = {}, events }: Around = {}): Effect => {
  const set = { ...script, reads: boundReads(script.source ?? '', {}, KNOWN) };
  const inputs = events ? { [events[0]]: { node: EVENTS, port: 'event' } } : {};
  const nodes: BehaviourNode[] = [newBehaviourNode(SCRIPT, 'script', [0, 0], { set, inputs, values })];
  if (events)
    nodes.push(
      newBehaviourNode(EVENTS, 'script', [0, 0], {
        set: {
          takes: [],
          gives: [newPort('event', 'event')],
          source: `export const state = { step: -1 };
export function step({ state }) { state.step += 1; return { event: [${events[1].join()}].includes(state.step) }; }`,
        },
      }),
    );
  const circuit = {
    ...newCircuit(CIRCUIT, 'Main', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  };
  return effectOf([], [], { circuits: { [CIRCUIT]: circuit } } as never);
};
const example = (name: string) => SCRIPT_EXAMPLES.find(({ id }) => id === name)!;
const at = (runtime: Runtime, port: string): PortValue => runtime.nodeValue(CIRCUIT, SCRIPT, port)!;
/** What outputs are after each of so many steps. */
const run = (
  effect: Effect,
  steps: number,
  ports: readonly string[],
  jaw: (step: number) => number = () => 0,
): PortValue[][] => {
  const runtime = new Runtime(compile(effect), { scripts: engine });
  return Array.from({ length: steps }, (_, i) => {
    runtime.step(faceWith({ jawOpen: jaw(i) }));
    return ports.map((port) => at(runtime, port));
  });
};

describe('the shipped examples', () => {
  test('count: goes up at each event, and says every fifth', () => {
    const seen = run(effectWith(example('count'), { events: ['event', [1, 2, 5, 6, 7, 9]] }), 12, [
      'count',
      'fifth',
    ]);
    expect(seen.map(([count]) => count)).toEqual([0, 1, 2, 2, 2, 3, 4, 5, 5, 6, 6, 6]);
    expect(seen.findIndex(([, fifth]) => fifth === 1)).toBe(7);
    expect(seen.filter(([, fifth]) => fifth === 1)).toHaveLength(1);
  });
  test('countdown: two seconds are two seconds', () => {
    const effect = effectWith(example('countdown'), { events: ['start', [10]], values: { length: 2 } });
    const seen = run(effect, 150, ['text', 'over']);
    expect([seen[9]![0], seen[10]![0], seen[70]![0], seen[129]![0]]).toEqual(['', '2', '1', '0']);
    expect(seen.flatMap(([, over], i) => (over === 1 ? [i] : []))).toEqual([129]);
  });
  test('follow: comes to rest where it is drawn to, over it first', () => {
    // From step 10 on it is drawn from 0 to 1.
    const on = Array.from({ length: 200 }, (_, i) => i + 10);
    const seen = run(effectWith(example('follow'), { events: ['value', on] }), 200, ['value']).map(
      ([value]) => value as number,
    );
    expect(seen.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 0));
    expect(Math.max(...seen)).toBeGreaterThan(1.05);
    expect(seen.at(-1)).toBeCloseTo(1, 2);
  });
  test('wander: within its reach, and elsewhere after each time', () => {
    const seen = run(effectWith(example('wander'), { values: { each: 0.5, reach: 0.2 } }), 120, ['at']).map(
      ([place]) => place as number[],
    );
    expect(Math.max(...seen.flat().map(Math.abs))).toBeLessThanOrEqual(0.2);
    expect(seen[29]).not.toEqual(seen[59]);
    expect(seen[59]).not.toEqual(seen[89]);
  });
  test('letter by letter: a letter each twelfth of a second', () => {
    const effect = effectWith(example('typing'), {
      events: ['start', [0]],
      values: { words: 'ebb 🌊', pace: 12 },
    });
    const seen = run(effect, 40, ['text', 'done']);
    expect([0, 5, 10, 15, 20, 25].map((i) => seen[i]![0])).toEqual(['', 'e', 'eb', 'ebb', 'ebb ', 'ebb 🌊']);
    expect(seen.flatMap(([, done], i) => (done === 1 ? [i] : []))).toEqual([25]);
  });
  test('in turns: each as long as the table says, and again from the first', () => {
    const seen = run(effectWith(example('turns'), { events: ['start', [0]] }), 60 * 5, ['name', 'changed']);
    expect([0, 119, 120, 149, 150, 269, 270].map((i) => seen[i]![0])).toEqual([
      ...['ebb', 'ebb', 'slack', 'slack', 'flood', 'flood', 'ebb'],
    ]);
    expect(seen.flatMap(([, changed], i) => (changed === 1 ? [i] : []))).toEqual([0, 120, 150, 270]);
  });
  test('figure of eight: back where it was after a round, and twice in the middle', () => {
    const seen = run(effectWith(example('orbit'), { values: { round: 1, wide: 0.1 } }), 121, ['at']).map(
      ([place]) => place as number[],
    );
    expect(seen[60]![0]).toBeCloseTo(seen[0]![0]!, 9);
    expect(seen[30]![0]).toBeCloseTo(0, 9);
    expect(seen[15]![0]).toBeCloseTo(0.1, 9);
  });
  test('middle: one that jumps does no harm', () => {
    const effect = effectWith(example('middle'), { values: { value: 3 } });
    expect(run(effect, 70, ['middle', 'last']).at(-1)).toEqual([3, Array.from({ length: 60 }, () => 3)]);
  });
  test('open: reads the mouth by its name, and does not flutter', () => {
    const jaw = (i: number): number => (i < 10 ? 0.1 : i < 20 ? 0.55 : i < 30 ? 0.45 : i < 40 ? 0.1 : 0.9);
    const seen = run(effectWith(example('open')), 50, ['times', 'opened'], jaw);
    expect([9, 19, 29, 39, 49].map((i) => seen[i]![0])).toEqual([0, 1, 1, 1, 2]);
    expect(seen.flatMap(([, opened], i) => (opened === 1 ? [i] : []))).toEqual([10, 40]);
  });
  test('catch: an open mouth under it scores, a shut one does not; the time runs out, and the best is kept', () => {
    const around: Around = { events: ['start', [0, 200]], values: { length: 3, reach: 0.2 } };
    const shut = run(effectWith(example('catch'), around), 190, ['score', 'over']);
    expect(shut.at(-1)![0]).toBe('0');
    expect(shut.flatMap(([, over], i) => (over === 1 ? [i] : []))).toEqual([180]);
    // It is open in the first of two games only.
    const jaw = (i: number): number => (i < 190 ? 0.9 : 0);
    const open = run(effectWith(example('catch'), around), 420, ['score', 'best', 'playing'], jaw);
    const won = Number(open[185]![0]);
    expect(won).toBeGreaterThan(5);
    expect(open[185]).toEqual([String(won), String(won), 0]);
    expect(open.at(-1)).toEqual(['0', String(won), 0]);
  });
});

test.each(SCRIPT_EXAMPLES.map((of) => [of.id, of] as const))(
  '%s: taken back to any step it goes on as it did',
  (_, of) => {
    const event = of.takes.find(({ type }) => type === 'event');
    const effect = effectWith(of, event ? { events: [event.name, [2, 9, 31]] } : {});
    const ports = of.gives.map(({ name }) => name);
    const jaw = (i: number): number => (Math.sin(i / 5) + 1) / 2;
    const runtime = new Runtime(compile(effect), { scripts: engine });
    const saves = [runtime.save()];
    const seen: unknown[] = [];
    const take = (i: number): unknown => {
      runtime.step(faceWith({ jawOpen: jaw(i) }));
      return [ports.map((port) => at(runtime, port)), runtime.nodeMemory(CIRCUIT, SCRIPT)];
    };
    for (let i = 0; i < 60; i++) {
      seen.push(take(i));
      saves.push(runtime.save());
    }
    for (const from of [47, 3, 0, 30, 59, 12]) {
      // Nothing of it lies in the sandbox.
      if (from % 2 === 0) engine.release();
      runtime.restore(saves[from]!);
      for (let i = from; i < Math.min(60, from + 20); i++) expect(take(i)).toEqual(seen[i]);
    }
    expect((runtime.nodeMemory(CIRCUIT, SCRIPT) as ScriptMemory).problem).toBeNull();
  },
);

test('one that is stopped keeps what it gave last, says so once, and the effect goes on', () => {
  const told: unknown[] = [];
  const effect = effectWith({
    takes: [],
    gives: [newPort('n')],
    source: `export const state = { n: 0 };
export function step({ state, log }) {
  log(state.n);
  state.n += 1;
  if (state.n === 3) for (;;) {}
  return { n: state.n };
}`,
  });
  const runtime = new Runtime(compile(effect), {
    scripts: engine,
    witness: { acted: () => {}, refused: () => {}, scripted: (_place, said) => told.push(said) },
  });
  const seen = Array.from({ length: 5 }, () => {
    runtime.step(faceWith({}));
    return at(runtime, 'n');
  });
  expect(seen).toEqual([1, 2, 2, 2, 2]);
  expect(told).toEqual([
    { log: '0' },
    { log: '1' },
    { log: '2' },
    { problem: { line: 5, message: expect.stringContaining('goes on for too long') } },
  ]);
  // Mended, it begins anew in the next step.
  const mended = compile({
    ...effect,
    circuits: effectWith({
      takes: [],
      gives: [newPort('n')],
      source: `export const state = { n: 10 };
export function step({ state }) { return { n: (state.n += 1) }; }`,
    }).circuits,
  });
  const next = new Runtime(mended, { scripts: engine });
  next.carryOn(compile(effect), runtime.save());
  next.step(faceWith({}));
  expect(at(next, 'n')).toBe(11);
});

test('a change is live within the next step, and goes on from its state', () => {
  const effect = (by: number): Effect =>
    effectWith({
      takes: [],
      gives: [newPort('n')],
      source: `export const state = { n: 0 };
export function step({ state }) { return { n: (state.n += ${by}) }; }`,
    });
  const before = compile(effect(1));
  const runtime = new Runtime(before, { scripts: engine });
  for (let i = 0; i < 4; i++) runtime.step(faceWith({}));
  const next = new Runtime(compile(effect(100)), { scripts: engine });
  next.carryOn(before, runtime.save());
  next.step(faceWith({}));
  expect(at(next, 'n')).toBe(104);
});

test('without anything that runs scripts they rest', () => {
  const runtime = new Runtime(compile(effectWith(example('orbit'))));
  runtime.step(faceWith({}));
  expect(at(runtime, 'at')).toEqual([0, 0, 0]);
});
