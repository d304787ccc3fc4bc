/**
 * Behaviour circuits. They are worked out before cues, and see the effect as the step before left it, as triggers and conditions do; what they bid
 * cues is done in the same step. What they write comes after cues and drives, in their order: see `writing.ts`.
 */
import type { CircuitId, NodeId } from '../../document/schema';
import type { WholeWrites } from '../../kinds/actions/action-kind';
import { nodeKind, type BehaviourNode } from '../../kinds/nodes/nodes';
import { isMissing, type PortValue } from '../../kinds/nodes/ports';
import type { Signal } from '../../kinds/signals/signals';
import type { Watched, WatchResult, WatchState } from '../../kinds/triggers/trigger-kind';
import { nextWatch, type Trigger } from '../../kinds/triggers/triggers';
import type { Setter, Sinks } from '../../kinds/writables/writable-kind';
import type { Writable } from '../../kinds/writables/writables';
import { pcg3d } from '../../maths/hash';
import { planCircuits } from '../../program/circuits';
import type { Program } from '../../program/program';
import { STEP } from '../../units';
import { CircuitRun, type CircuitState, type AskedInstant } from '../circuit-run';
import type { Json, ScriptEngine, ScriptGiven, ScriptTaken } from '../../script/engine';
import type { NodeWorld } from '../../kinds/nodes/node-kind';
import { WorldAt } from '../world-at';
import { signalNow, type Instant } from '../signals';
import type { Witness } from '../witness';
import { watchedAt } from '../watch/watching';
import type { Part, Step } from './part';

/** What nodes are told of an instant. */
class NodeNow implements AskedInstant {
  asks: AskedInstant['asks'] = { circuit: '' as CircuitId, node: '' as NodeId, seed: 0 };
  constructor(
    private readonly at: Instant,
    private readonly watched: Watched,
    private readonly scripts: Scripts,
  ) {
    this.places = new WorldAt(at);
  }
  private readonly places: NodeWorld;
  get step(): number {
    return this.at.step;
  }
  get time(): number {
    return this.at.step * STEP;
  }
  signal(signal: Signal): number {
    return signalNow(signal, this.at);
  }
  watch(trigger: Trigger, state: WatchState): WatchResult {
    return nextWatch(trigger, state, this.watched);
  }
  random(n = 0): number {
    return pcg3d(this.asks.seed, this.at.step, n)[0] / 4294967296;
  }
  get world(): NodeWorld {
    return this.places;
  }
  script(
    source: string,
    inputs: ScriptGiven['inputs'],
    reads: Readonly<Record<string, Signal>>,
    state: Json,
  ): ScriptTaken | null {
    const { engine, witness } = this.scripts;
    if (!engine) return null;
    const read: Record<string, number | null> = {};
    for (const [name, signal] of Object.entries(reads)) {
      const value = this.signal(signal);
      read[name] = Number.isNaN(value) ? null : value;
    }
    const { circuit, node, seed } = this.asks;
    const chance = pcg3d(seed, this.at.step, SCRIPT_CHANCE)[0];
    const taken = engine.step(source, { time: this.time, dt: STEP, seed: chance, inputs, read, state });
    const place = { circuit, node };
    if (witness) {
      for (const log of taken.logs) witness.scripted(place, { log }, this.time);
      if (taken.problem) witness.scripted(place, { problem: taken.problem }, this.time);
    }
    return taken;
  }
}

/** Tells the chance of a script from that of other nodes. */
const SCRIPT_CHANCE = 0x5c;
/** What runs scripts, and who is told what they log. */
export interface Scripts {
  readonly engine: ScriptEngine | null;
  readonly witness: Witness | null;
}

export class CircuitsPart implements Part<CircuitState> {
  private readonly run: CircuitRun;
  /** Written in this step: by which setter, what. */
  private readonly setters: Setter<never>[] = [];
  private readonly values: (PortValue | readonly PortValue[])[] = [];

  constructor(
    program: Program,
    private readonly around: {
      readonly setterOf: (writable: Writable) => Setter;
      readonly sinks: Sinks;
      readonly write: WholeWrites;
      /** Makes known what cues did in the step before. */
      readonly tellCues: (step: Step) => void;
      readonly scripts: Scripts;
    },
  ) {
    this.run = new CircuitRun(planCircuits(program.effect), ({ node, inputs: ports }, inputs) =>
      // What needs a wire and has none does nothing, and says so.
      ports.some(({ port, wire }) => port.needed && !wire) ? null : this.actOf(node, inputs),
    );
  }

  private actOf(node: BehaviourNode, inputs: readonly (() => PortValue)[]): (() => void) | null {
    const { writes, lays, steers, does } = nodeKind(node.kind);
    const { write, setterOf, sinks } = this.around;
    if (steers) {
      const steer = steers(node.set as never, sinks);
      return () => {
        const now = inputs.map((one) => one());
        if (now.at(-1) === 0 || now.some(isMissing)) return;
        this.setters.push(steer as Setter<never>);
        this.values.push(now as never);
      };
    }
    if (does)
      return () =>
        does(
          inputs.map((now) => now()),
          node.set as never,
          write,
        );
    const set = writes ? setterOf(writes(node.set as never)) : lays?.setter(node.set as never, sinks);
    if (!set) return null;
    const [value, isOn] = inputs;
    return () => {
      const now = value!();
      // What has no value writes nothing.
      if (isOn!() === 0 || isMissing(now)) return;
      this.setters.push(set);
      this.values.push(now);
    };
  }

  step(step: Step): void {
    if (this.run.isEmpty) return;
    this.around.tellCues(step);
    this.run.step(new NodeNow(step.at, watchedAt(step.at, step.happened), this.around.scripts));
  }

  /** Hands over what was written in this step. */
  writeAll(): void {
    for (let i = 0; i < this.setters.length; i++) this.setters[i]!(this.values[i] as never);
    this.setters.length = this.values.length = 0;
  }

  /** What is at an output now; undefined where there is none. */
  valueAt(circuit: CircuitId, node: NodeId, port: string): PortValue | undefined {
    return this.run.valueAt(circuit, node, port);
  }

  /** What a node has kept; undefined for one that keeps nothing. */
  memoryOf(circuit: CircuitId, node: NodeId): unknown {
    return this.run.memoryOf(circuit, node);
  }

  save(): CircuitState {
    return this.run.save();
  }
  restore(state: CircuitState): void {
    this.run.restore(state);
  }
  carry(before: Program, state: CircuitState): CircuitState {
    return this.run.carried(planCircuits(before.effect), state);
  }
}
