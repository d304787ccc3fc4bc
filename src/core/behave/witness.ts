/** What is told of a run, to whoever marks it or wants to know why. */
import type { CircuitId, CueId, NodeId } from '../document/schema';
import type { ScriptProblem } from '../script/engine';
import type { Seconds } from '../units';
import type { CompiledAction } from '../program/program';

/** A cue that fired, for marks and explanations. */
export interface Firing {
  readonly cue: CueId;
  readonly time: Seconds;
  /** It went back to how things were. */
  readonly back?: true;
}

/** Why a cue that was set off did not fire. */
export type Refusal =
  | { readonly code: 'once' }
  | { readonly code: 'busy' }
  | { readonly code: 'cooldown' }
  /** By the index of the condition, with what its signal was; null where it had no value. */
  | { readonly code: 'condition'; readonly index: number; readonly value: number | null };

/** Told of what happens, by whoever wants to know why. */
export interface Witness {
  acted(
    cue: CueId,
    compiled: CompiledAction,
    what: 'begins' | 'returns' | 'turnsBack' | 'resets',
    time: Seconds,
  ): void;
  refused(cue: CueId, why: Refusal, time: Seconds): void;
  /** A script logged a line, or was stopped. */
  scripted(script: ScriptPlace, told: ScriptTold, time: Seconds): void;
}

/** Where a script is. */
export interface ScriptPlace {
  readonly circuit: CircuitId;
  readonly node: NodeId;
}
export type ScriptTold = { readonly log: string } | { readonly problem: ScriptProblem };
