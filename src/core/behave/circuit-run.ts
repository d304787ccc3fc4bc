/**
 * Runs planned circuits: every output has a place in one array of numbers (vectors in several), or in one of other things, and every node is a
 * function that reads and fills places. No code is made at run time.
 */
import { fnv1a } from '../maths/hash';
import type { CircuitId, NodeId } from '../document/schema';
import type { InputPort, NodeInstant } from '../kinds/nodes/node-kind';
import { nodeKind, portsOf, type BehaviourNode } from '../kinds/nodes/nodes';
import {
  converted,
  NOTHING,
  portValue,
  PORT_TYPES,
  type PortType,
  type PortValue,
} from '../kinds/nodes/ports';
import type { PlannedBehaviour, PlannedCircuit } from '../program/circuits';

/** Where a value is kept: from a place of the numbers on, or at a place of the things. */
interface Place {
  readonly type: PortType;
  readonly at: number;
}
/** All that circuits keep from step to step. */
export interface CircuitState {
  readonly numbers: Float64Array;
  readonly things: readonly PortValue[];
  readonly memory: readonly unknown[];
}
/** What nodes are told, and who asks: chance is of each node by itself. */
export interface AskedInstant extends NodeInstant {
  asks: { readonly circuit: CircuitId; readonly node: NodeId; readonly seed: number };
}
type Stepping = (at: AskedInstant) => void;

/** A node with its places. */
interface PlacedNode {
  readonly circuit: CircuitId;
  readonly planned: PlannedBehaviour;
  /** What it reads, and as what. */
  readonly reads: readonly { readonly from: Place; readonly as: PortType }[];
  readonly outputs: readonly Place[];
  /** Where its state is kept; -1 for none. */
  readonly kept: number;
}

const keyOf = (circuit: CircuitId, node: NodeId, port: string): string => `${circuit} ${node} ${port}`;

/** What a node does behind its step; gets what is at its inputs. Null for most. */
export type ActOf = (planned: PlannedBehaviour, inputs: readonly (() => PortValue)[]) => (() => void) | null;

export class CircuitRun {
  private readonly numbers: Float64Array;
  private readonly things: PortValue[];
  private memory: unknown[] = [];
  private readonly nodes: readonly PlacedNode[];
  private readonly places = new Map<string, Place>();
  private readonly steps: readonly Stepping[];
  private readonly setAside: { readonly from: Place; readonly to: Place }[] = [];

  constructor(
    private readonly circuits: readonly PlannedCircuit[],
    actOf: ActOf = () => null,
  ) {
    const numbers: number[] = [];
    const things: PortValue[] = [];
    const place = (type: PortType, value: PortValue): Place => {
      if (PORT_TYPES[type].width === 0) return { type, at: things.push(value) - 1 };
      const at = numbers.length;
      if (typeof value === 'number') numbers.push(value);
      else numbers.push(...(value as readonly number[]));
      return { type, at };
    };
    // Outputs first, so that late inputs find those of nodes that come after them.
    for (const { id, order } of circuits)
      for (const { node } of order)
        for (const port of portsOf(node).outputs)
          this.places.set(keyOf(id, node.id, port.name), place(port.type, firstValue(node, port.type)));
    this.nodes = circuits.flatMap(({ id, order }) => order.map((planned) => this.placed(id, planned, place)));
    this.numbers = Float64Array.from(numbers);
    this.things = things;
    this.steps = this.stepsOf(actOf);
  }

  private placed(
    circuit: CircuitId,
    planned: PlannedBehaviour,
    place: (type: PortType, value: PortValue) => Place,
  ): PlacedNode {
    const { node, inputs } = planned;
    const { run } = nodeKind(node.kind);
    const { outputs } = portsOf(node);
    return {
      circuit,
      planned,
      reads: inputs.map(({ port, wire }) => {
        if (!wire) return { from: place(port.type, unwiredValue(node, port)), as: port.type };
        const from = this.places.get(keyOf(circuit, wire.node, wire.output.name))!;
        if (!port.late) return { from, as: port.type };
        // What is read late is set aside before one of those that read late changes: each sees what the others gave in this step.
        const aside = place(from.type, NOTHING[from.type]);
        this.setAside.push({ from, to: aside });
        return { from: aside, as: port.type };
      }),
      outputs: outputs.map((port) => this.places.get(keyOf(circuit, node.id, port.name))!),
      kept: run.as === 'memory' ? this.memory.push(run.fresh(node.set as never)) - 1 : -1,
    };
  }

  /** Sums of one kind that need nothing of each other go together; then what is read late; then what nodes do. */
  private stepsOf(actOf: ActOf): Stepping[] {
    const acts: Stepping[] = [];
    const late: Stepping[] = [];
    const inLevels: { readonly level: number; readonly kind: string; readonly placed: PlacedNode }[] = [];
    const levels = new Map<string, number>();
    for (const placed of this.nodes) {
      const { circuit, planned, reads } = placed;
      const { node, inputs } = planned;
      const isLate = inputs.some(({ port }) => port.late === true);
      let level = 0;
      if (!isLate)
        for (const { wire } of inputs)
          if (wire) level = Math.max(level, 1 + (levels.get(`${circuit} ${wire.node}`) ?? -1));
      levels.set(`${circuit} ${node.id}`, isLate ? -1 : level);
      if (node.off) continue;
      if (portsOf(node).outputs.length > 0) {
        if (isLate) late.push(this.stepOf(placed));
        else inLevels.push({ level, kind: node.kind, placed });
      }
      const act = actOf(
        planned,
        reads.map(
          ({ from, as }) =>
            () =>
              this.read(from, as),
        ),
      );
      if (act) acts.push(act);
    }
    inLevels.sort((x, y) => x.level - y.level || (x.kind < y.kind ? -1 : x.kind > y.kind ? 1 : 0));
    const steps: Stepping[] = [];
    for (let first = 0; first < inLevels.length;) {
      const { level, kind } = inLevels[first]!;
      let end = first;
      while (end < inLevels.length && inLevels[end]!.level === level && inLevels[end]!.kind === kind) end++;
      const batch = inLevels.slice(first, end).map(({ placed }) => placed);
      const { run } = nodeKind(batch[0]!.planned.node.kind);
      if (run.as === 'reads')
        steps.push(
          readStep(
            this.numbers,
            run.of,
            batch.map(({ planned }) => planned.node.set as never),
            batch.map(({ outputs }) => outputs[0]!.at),
          ),
        );
      else if (run.as === 'numbers' || run.as === 'follows')
        steps.push(
          batchStep(
            this.numbers,
            run.of,
            run.as === 'follows',
            batch.map(({ reads }) => reads.map(({ from }) => from.at)),
            batch.map(({ outputs }) => outputs[0]!.at),
          ),
        );
      else steps.push(...batch.map((placed) => this.stepOf(placed)));
      first = end;
    }
    if (late.length > 0)
      late.unshift(() => {
        for (const { from, to } of this.setAside) this.write(to, this.read(from));
      });
    return [...steps, ...late, ...acts];
  }

  private stepOf({ circuit, planned, reads, outputs, kept }: PlacedNode): Stepping {
    const { node } = planned;
    const { run } = nodeKind(node.kind);
    if (run.as === 'numbers' || run.as === 'follows')
      return batchStep(
        this.numbers,
        run.of,
        run.as === 'follows',
        [reads.map(({ from }) => from.at)],
        [outputs[0]!.at],
      );
    const set = node.set as never;
    if (run.as === 'reads') return readStep(this.numbers, run.of, [set], [outputs[0]!.at]);
    const asks = { circuit, node: node.id, seed: fnv1a(`${circuit} ${node.id}`) };
    // Filled anew in each step: nothing is made for what goes in.
    const given: PortValue[] = reads.map(({ as }) => NOTHING[as]);
    const fill = (): never => {
      for (let i = 0; i < reads.length; i++) given[i] = this.read(reads[i]!.from, reads[i]!.as);
      return given as never;
    };
    const give = (values: readonly PortValue[]): void => {
      for (let i = 0; i < outputs.length; i++) this.write(outputs[i]!, values[i]!);
    };
    if (run.as === 'values') {
      const { of } = run;
      return (at) => {
        at.asks = asks;
        give(of(fill(), set, at));
      };
    }
    const { next } = run;
    return (at) => {
      at.asks = asks;
      const { state, out } = next(this.memory[kept] as never, fill(), set, at);
      this.memory[kept] = state;
      give(out);
    };
  }

  private read({ type, at }: Place, as: PortType = type): PortValue {
    const { width } = PORT_TYPES[type];
    if (width === 1 && as !== 'list') return this.numbers[at]!;
    const value =
      width === 0
        ? this.things[at]!
        : width === 1
          ? this.numbers[at]!
          : [...this.numbers.subarray(at, at + width)];
    return type === as ? value : converted(value, type, as);
  }
  private write({ type, at }: Place, value: PortValue): void {
    const { width } = PORT_TYPES[type];
    if (width === 0) this.things[at] = value;
    else if (width === 1) this.numbers[at] = value as number;
    else this.numbers.set(value as readonly number[], at);
  }

  /** Whether there is nothing to be worked out. */
  get isEmpty(): boolean {
    return this.steps.length === 0;
  }
  /** One step of all nodes. */
  step(at: AskedInstant): void {
    for (const step of this.steps) step(at);
  }
  /** What is at an output now; undefined where there is none. */
  valueAt(circuit: CircuitId, node: NodeId, port: string): PortValue | undefined {
    const place = this.places.get(keyOf(circuit, node, port));
    return place && this.read(place);
  }

  /** What a node has kept; undefined for one that keeps nothing. */
  memoryOf(circuit: CircuitId, node: NodeId): unknown {
    const placed = this.nodes.find((one) => one.circuit === circuit && one.planned.node.id === node);
    return placed && placed.kept >= 0 ? this.memory[placed.kept] : undefined;
  }

  save(): CircuitState {
    return { numbers: this.numbers.slice(), things: [...this.things], memory: [...this.memory] };
  }
  restore({ numbers, things, memory }: CircuitState): void {
    this.numbers.set(numbers);
    things.forEach((thing, i) => (this.things[i] = thing));
    this.memory = [...memory];
  }

  /** The state of a run of other circuits, as it goes on in this one: what nodes that are still there, as the same kind, have kept. */
  carried(before: readonly PlannedCircuit[], state: CircuitState): CircuitState {
    const [old, now] = [new CircuitRun(before), new CircuitRun(this.circuits)];
    old.restore(state);
    const byId = new Map(old.nodes.map((placed) => [`${placed.circuit} ${placed.planned.node.id}`, placed]));
    for (const { circuit, planned, outputs, kept } of now.nodes) {
      const was = byId.get(`${circuit} ${planned.node.id}`);
      if (was?.planned.node.kind !== planned.node.kind || planned.node.off) continue;
      outputs.forEach((place, i) => {
        const before = was.outputs[i];
        // Ports can be others than they were.
        if (before?.type === place.type) now.write(place, old.read(before));
      });
      if (kept >= 0 && was.kept >= 0) now.memory[kept] = old.memory[was.kept];
    }
    return now.save();
  }
}

/** Before the first step. What is switched off has no value, if it is a number. */
const firstValue = (node: BehaviourNode, type: PortType): PortValue => {
  if (node.off) return type === 'number' ? NaN : NOTHING[type];
  const { run } = nodeKind(node.kind);
  return run.as === 'follows' ? run.fresh : NOTHING[type];
};
const unwiredValue = (node: BehaviourNode, { name, type, usual }: InputPort): PortValue =>
  portValue(node.values[name], type) ?? portValue(usual ?? undefined, type) ?? NOTHING[type];

/** Numbers of the moment, of nodes of one kind. */
const readStep = (
  numbers: Float64Array,
  of: (set: never, at: NodeInstant) => number,
  sets: readonly never[],
  outputs: readonly number[],
): Stepping => {
  const to = Int32Array.from(outputs);
  return (at) => {
    for (let i = 0; i < to.length; i++) numbers[to[i]!] = of(sets[i]!, at);
  };
};

/** Most numbers that go into a sum. */
const MOST_INPUTS = 5;

/** Sums of one kind, one after another, without making lists. What follows gets what it gave before as the first number. */
const batchStep = (
  numbers: Float64Array,
  of: (...numbers: number[]) => number,
  isFollowing: boolean,
  reads: readonly (readonly number[])[],
  outputs: readonly number[],
): Stepping => {
  const to = Int32Array.from(outputs);
  const all = isFollowing ? reads.map((from, i) => [outputs[i]!, ...from]) : reads;
  const inputs = all[0]!.length;
  const [a, b, c, d, e] = Array.from({ length: MOST_INPUTS }, (_, n) =>
    Int32Array.from(all, (from) => from[n] ?? 0),
  ) as [Int32Array, Int32Array, Int32Array, Int32Array, Int32Array];
  const count = to.length;
  switch (inputs) {
    case 1:
      return () => {
        for (let i = 0; i < count; i++) numbers[to[i]!] = of(numbers[a[i]!]!);
      };
    case 2:
      return () => {
        for (let i = 0; i < count; i++) numbers[to[i]!] = of(numbers[a[i]!]!, numbers[b[i]!]!);
      };
    case 3:
      return () => {
        for (let i = 0; i < count; i++)
          numbers[to[i]!] = of(numbers[a[i]!]!, numbers[b[i]!]!, numbers[c[i]!]!);
      };
    case 4:
      return () => {
        for (let i = 0; i < count; i++)
          numbers[to[i]!] = of(numbers[a[i]!]!, numbers[b[i]!]!, numbers[c[i]!]!, numbers[d[i]!]!);
      };
    default:
      return () => {
        for (let i = 0; i < count; i++)
          numbers[to[i]!] = of(
            numbers[a[i]!]!,
            numbers[b[i]!]!,
            numbers[c[i]!]!,
            numbers[d[i]!]!,
            numbers[e[i]!]!,
          );
      };
  }
};
