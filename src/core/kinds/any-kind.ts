/** What the lists of kinds have in common: one schema for all of them, whatever a kind of theirs is. */
import { z } from 'zod';

/** Kinds by their names; each has the schema of what is of it. */
type Kinds = Readonly<Record<string, { readonly schema: z.ZodType }>>;

/** What is of any of the kinds. */
export type OfKinds<K extends Kinds> = { [N in keyof K]: z.infer<K[N]['schema']> }[keyof K];

/** The schema of whatever is of one of the kinds, told by its `kind`. */
export const schemaOfKinds = <K extends Kinds>(kinds: K): z.ZodType<OfKinds<K>> => {
  const schemas = Object.values(kinds).map(({ schema }) => schema);
  // A list of at least one, which no type tells of the values of a table.
  return z.discriminatedUnion('kind', schemas as never) as unknown as z.ZodType<OfKinds<K>>;
};
