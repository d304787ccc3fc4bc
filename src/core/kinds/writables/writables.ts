/** All that can be written while an effect runs, and what follows from the definitions of its kinds. */
import type { z } from 'zod';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import { circuit } from './circuit';
import { duration } from './duration';
import { number } from './number';
import { variable } from './variable';
import type { Ends, Setter, Sinks, WritableFacts, WritableSpec } from './writable-kind';
import type { UnitName } from '../../schema/properties';

/** In the order of the menu. */
export const WRITABLE_KINDS_BY_NAME = { number, duration, variable, circuit } as const;
type Kinds = typeof WRITABLE_KINDS_BY_NAME;
export type WritableKind = keyof Kinds;
export const WRITABLE_KINDS = Object.keys(WRITABLE_KINDS_BY_NAME) as readonly WritableKind[];
export type Writable = OfKinds<Kinds>;
export type WritableNamed<K extends WritableKind> = Extract<Writable, { kind: K }>;
export const writableSchema = schemaOfKinds(WRITABLE_KINDS_BY_NAME);

/** What a kind is, for whoever does not care which one it is. */
export const writableKind = (kind: WritableKind): WritableSpec<Writable> & { readonly schema: z.ZodType } =>
  WRITABLE_KINDS_BY_NAME[kind] as never;

/** One for each single value it writes: who has the same key writes the same thing. */
export const writtenKeys = (writable: Writable): readonly string[] =>
  writableKind(writable.kind).keys(writable);

/** Between what a number begins that is carried to it, in the document's units. */
export const endsOf = (writable: Writable, facts: WritableFacts): Ends =>
  writableKind(writable.kind).ends(writable, facts);

/** The unit it is shown in. */
export const unitOf = (writable: Writable, facts: WritableFacts): UnitName =>
  writableKind(writable.kind).unit(writable, facts);

/** Writes all of it that is there: got once, called in every step. */
export const setterOf = (writable: Writable, of: Sinks): Setter => {
  const setters = writableKind(writable.kind)
    .setters(writable, of)
    .filter((set) => set !== null);
  return (value) => {
    for (const set of setters) set(value);
  };
};
