/**
 * What in a document names something else. An id is made by `idOf('cues')`, so the schema itself says what is a reference and
 * to what; nothing is guessed from how a text begins.
 *
 * ```ts
 * mapReferences(cueSchema, cue, (to, id) => (to === 'objects' ? copies.get(id) : id));
 * ```
 */
import { z } from 'zod';
import { describe, type ReferenceProperty } from './properties';
import type { Referred } from './referred';
import { idText } from './values-schema';
import { defOf, type Def } from './zod-def';

interface Reference {
  readonly to: Referred;
  /** What it needed of the other it has taken over. */
  readonly baked: boolean;
}
const referred = z.registry<Reference>();

/** The schema of an id that names something of one kind. */
export const idOf = (to: Referred, { baked = false } = {}) =>
  idText.clone().register(referred, { to, baked });

/** Schemas of what has to be named, though nothing is yet. */
const toBeChosen = new WeakSet<z.ZodType>();
/** What a reference says of itself beside its name. */
type More = Omit<ReferenceProperty, 'type' | 'to' | 'name'>;
const choosing = <S extends z.ZodType>(id: S, name: string, more: More) =>
  describe(id.nullable(), { type: 'reference', to: referred.get(id)!.to, name, ...more });
/** Something that has to be named and may not be yet. */
export const toChoose = <S extends z.ZodType>(id: S, name: string, more: More = {}) => {
  const schema = choosing(id, name, more);
  toBeChosen.add(schema);
  return schema;
};
/** Something that may be named; `none` is what it is otherwise: "the viewer". */
export const orNone = <S extends z.ZodType>(id: S, name: string, none: string, more: More = {}) =>
  choosing(id, name, { none, ...more });

type Change = (to: Referred, id: string) => string | null;

/**
 * The same value, with every id in it as `change` wants it. Null takes a reference away: it is null where it may be, left out
 * of lists and of records; where something has to be named it stays.
 */
export const mapReferences = <T>(schema: z.ZodType, value: T, change: Change): T =>
  mapped(schema, value, change, false) as T;

/** A reference in a value: null where nothing is chosen yet that has to be. */
export interface Named {
  readonly to: Referred;
  readonly id: string | null;
  readonly baked: boolean;
}

/** Every reference in a value, in its order. One that may be null and is says nothing. */
export const referencesIn = (schema: z.ZodType, value: unknown): Named[] => {
  const found: Named[] = [];
  collect(schema, value, found);
  return found;
};

const collect = (schema: z.ZodType, value: unknown, found: Named[]): void => {
  const reference = referred.get(schema);
  if (reference && typeof value === 'string') found.push({ ...reference, id: value });
  const def = defOf(schema);
  switch (def.type) {
    case 'object':
      for (const [key, inner] of Object.entries(def.shape!))
        collect(inner, (value as Record<string, unknown>)[key], found);
      return;
    case 'record':
      for (const [key, v] of Object.entries(value as object)) {
        collect(def.keyType!, key, found);
        collect(def.valueType!, v, found);
      }
      return;
    case 'array':
      for (const v of value as unknown[]) collect(def.element!, v, found);
      return;
    case 'tuple':
      def.items!.forEach((inner, i) => collect(inner, (value as unknown[])[i], found));
      return;
    case 'union': {
      const option = optionFor(def, value);
      if (option) collect(option, value, found);
      return;
    }
    case 'nullable': {
      const inner = referred.get(def.innerType!);
      if (value !== null) collect(def.innerType!, value, found);
      else if (inner && toBeChosen.has(schema)) found.push({ ...inner, id: null });
      return;
    }
    case 'optional':
    case 'default':
    case 'readonly':
      if (value !== undefined) collect(def.innerType!, value, found);
      return;
    case 'pipe':
      collect(def.in!, value, found);
  }
};

/** The ids of one kind that a value names, each once, in its order: those that are `baked`, or those that are not. */
export const namedIn = (schema: z.ZodType, value: unknown, to: Referred, baked = false): string[] => [
  ...new Set(
    referencesIn(schema, value).flatMap((r) => (r.to === to && r.baked === baked && r.id ? [r.id] : [])),
  ),
];

/** Of what a value names, the first that is not chosen or not there any more. */
export const lackingIn = (
  schema: z.ZodType,
  value: unknown,
  has: (to: Referred, id: string) => boolean,
): Referred | null =>
  referencesIn(schema, value).find(({ to, id }) => id === null || !has(to, id))?.to ?? null;

const mapped = (schema: z.ZodType, value: unknown, change: Change, mayBeNull: boolean): unknown => {
  const reference = referred.get(schema);
  if (reference && typeof value === 'string') {
    const to = change(reference.to, value);
    return to ?? (mayBeNull ? null : value);
  }
  const def = defOf(schema);
  switch (def.type) {
    case 'object':
      return mappedObject(def.shape!, value, change);
    case 'record':
      return mappedRecord(def, value, change);
    case 'array':
      return mappedList(def.element!, value, change);
    case 'tuple':
      return (value as unknown[]).map((v, i) => mapped(def.items![i]!, v, change, false));
    case 'union': {
      const option = optionFor(def, value);
      return option ? mapped(option, value, change, mayBeNull) : value;
    }
    case 'nullable':
      return value === null ? null : mapped(def.innerType!, value, change, true);
    case 'optional':
    case 'default':
    case 'readonly':
      return value === undefined ? undefined : mapped(def.innerType!, value, change, mayBeNull);
    case 'pipe':
      return mapped(def.in!, value, change, mayBeNull);
    default:
      return value;
  }
};

/** The one of several that a value is: told by its kind where it has one. */
const optionFor = ({ options, discriminator }: Def, value: unknown): z.ZodType | undefined => {
  if (discriminator === undefined) return options!.find((o) => o.safeParse(value).success);
  const kind = (value as Record<string, unknown>)[discriminator];
  let known = optionsByKind.get(options!);
  if (!known) optionsByKind.set(options!, (known = new Map()));
  if (!known.has(kind))
    known.set(
      kind,
      options!.find((o) => defOf(o).shape?.[discriminator]?.safeParse(kind).success),
    );
  return known.get(kind);
};
/** Found once for each kind: a circuit asks for thousands of nodes. */
const optionsByKind = new WeakMap<object, Map<unknown, z.ZodType | undefined>>();

const mappedObject = (shape: Record<string, z.ZodType>, value: unknown, change: Change): unknown =>
  Object.fromEntries(
    Object.entries(value as object).map(([key, v]) => [
      key,
      shape[key] ? mapped(shape[key], v, change, false) : (v as unknown),
    ]),
  );

const mappedRecord = ({ keyType, valueType }: Def, value: unknown, change: Change): unknown => {
  const isReference = referred.has(valueType!);
  return Object.fromEntries(
    Object.entries(value as object).flatMap(([key, v]) => {
      const named = mapped(keyType!, key, change, true) as string | null;
      const to = mapped(valueType!, v, change, isReference);
      return named === null || (isReference && to === null) ? [] : [[named, to]];
    }),
  );
};

const mappedList = (element: z.ZodType, value: unknown, change: Change): unknown => {
  const isReference = referred.has(element);
  return (value as unknown[])
    .map((v) => mapped(element, v, change, isReference))
    .filter((v) => !(isReference && v === null));
};
