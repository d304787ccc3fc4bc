/**
 * What runs scripts, whatever it is made of. A script is a small module that is asked in every step; it keeps nothing but its state,
 * which is plain JSON and comes in and goes out with each step, so a scripted effect is scrubbed both ways like any other.
 */
import type { Seconds } from '../units';

export type Json = null | boolean | number | string | readonly Json[] | { readonly [name: string]: Json };

/** What a script is given in a step. A number that is missing (NaN) is null, here and within lists. */
export interface ScriptGiven {
  readonly time: Seconds;
  readonly dt: Seconds;
  /** What its chance begins with in this step. */
  readonly seed: number;
  readonly inputs: Readonly<Record<string, Json>>;
  /** Signals of the effect that it names, by their names. */
  readonly read: Readonly<Record<string, number | null>>;
  /** As it was left; null before its first step. */
  readonly state: Json;
}
/** Why a script was stopped, in a sentence, and in which line. */
export interface ScriptProblem {
  readonly message: string;
  readonly line: number | null;
}
export interface ScriptTaken {
  /** What it gave; what is not named stays as it was. */
  readonly out: Readonly<Record<string, Json>>;
  readonly state: Json;
  readonly logs: readonly string[];
  /** It did not come to its end: nothing of the step counts. */
  readonly problem: ScriptProblem | null;
}

export interface ScriptEngine {
  /** One step of a script, from its source. */
  step(source: string, given: ScriptGiven): ScriptTaken;
  /** Lets go of all that scripts were prepared for. It may be asked again. */
  release(): void;
}

/** What a script may use in one step. */
export const BUDGET = {
  /** Calls of functions and turns of loops; a pass of a `for` loop is two turns. */
  turns: 500_000,
  /** Things that are moved at once: letters and items of what is filled, joined, sorted, spread. */
  moved: 2_000_000,
  /** Letters of its state as JSON. */
  state: 65_536,
  /** Lines it logs, and letters of one. */
  logs: 20,
  logged: 200,
  /** Bytes of memory, of all scripts of an effect. */
  memory: 32 * 2 ** 20,
} as const;
