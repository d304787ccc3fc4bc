/**
 * What can be written while an effect runs, all the time, by whatever works out a number: drives today. A kind is one file beside this one,
 * listed in `writables.ts`: from there the schema of the document, what is offered, between which ends it begins, in which unit it is shown,
 * who else writes it and what becomes of a written number follow by themselves.
 */
import { z } from 'zod';
import type { CueId, VariableId } from '../../schema/behave-ids';
import type { MaterialId } from '../../schema/material-schema';
import type { ObjectId } from '../../schema/placed-schema';
import type { UnitName } from '../../schema/properties';
import type { Hex, Seconds } from '../../units';
import type { EffectObject } from '../objects/objects';

/** An input of a node of a surface circuit. */
export interface InputOfCircuit {
  readonly material: MaterialId;
  readonly node: string;
  readonly port: string;
}

/** Writes one value; what a step does not write is as it would be without. */
export type Setter<Value = number> = (value: Value) => void;

/**
 * Where written numbers go: a setter for each, got once and called in every step; null for what is not there. The runtime's part for it is
 * `behave/parts/written-part.ts`.
 */
export interface Sinks {
  /** A number of an object, by its path in `kinds/numbers.ts`. What the object has not is left alone. */
  number(object: ObjectId, property: string): Setter | null;
  /** What a text object says. */
  text(object: ObjectId): Setter<string> | null;
  /** What an object is tinted by, or is of. */
  colour(object: ObjectId): Setter<Hex> | null;
  /** The picture that a card shows; what is no picture changes nothing. */
  picture(object: ObjectId): Setter<string> | null;
  variable(variable: VariableId): Setter | null;
  /** How long one round of an action takes, in seconds. */
  duration(action: string): Setter | null;
  input(of: InputOfCircuit): Setter | null;
}

/** What kinds ask of the document. */
export interface WritableFacts {
  object(id: ObjectId): EffectObject | undefined;
  /** What an action of a cue takes; null where there is none. */
  duration(cue: CueId | null, action: string): Seconds | null;
}

export type Ends = readonly [low: number, high: number];

/** What a kind says; `W` is one of it. */
export interface WritableSpec<W> {
  /** Of all of its kind, in menus. */
  readonly group: string;
  /** One for each single value it writes: who has the same key writes the same thing. None while it is still to be chosen. */
  readonly keys: (writable: W) => readonly string[];
  /** Between what a number begins that is carried to it, so that something sensible is seen at once. */
  readonly ends: (writable: W, facts: WritableFacts) => Ends;
  /** The unit it is shown in. */
  readonly unit: (writable: W, facts: WritableFacts) => UnitName;
  /** Writes all of it. */
  readonly setters: (writable: W, of: Sinks) => readonly (Setter | null)[];
}

export type WritableOf<K extends string, F extends z.core.$ZodLooseShape> = z.infer<
  z.ZodObject<{ kind: z.ZodLiteral<K> } & F, z.core.$strict>
>;
interface Definition<K extends string, F extends z.core.$ZodLooseShape> extends WritableSpec<
  WritableOf<K, F>
> {
  readonly kind: K;
  readonly fields: F;
}

/** Makes a kind: its schema is its fields. */
export const defineWritable = <const K extends string, const F extends z.core.$ZodLooseShape>(
  definition: Definition<K, F>,
) => ({
  ...definition,
  schema: z.strictObject({ kind: z.literal(definition.kind), ...definition.fields }),
});
