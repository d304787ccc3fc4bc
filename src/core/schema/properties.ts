/**
 * Properties are described where their schema is: what they are called, between what they lie, in which unit they are shown, whether
 * behaviour can change them. Forms, drives, actions and the scope read that.
 *
 * ```ts
 * const fields = { rate: number({ name: 'Particles a second', low: 0, high: 5000, unit: 'perSecond', driven: true }) };
 * propertiesIn(z.object(fields), { rate: 30 }).rate; // { type: 'number', name: 'Particles a second', ... }
 * ```
 */
import { z } from 'zod';
import type { Referred } from './referred';
import { defOf } from './zod-def';

/** How a number is shown: by which factor, with what behind it, how exactly, and what one step is. Digits and step are as shown. */
interface Unit {
  readonly factor: number;
  readonly mark: string;
  /** As it is read out after the name. */
  readonly words: string;
  readonly digits: number;
  readonly step: number;
  /** The unit in the document, for lists of numbers. */
  readonly base: string;
}
export const UNITS = {
  plain: { factor: 1, mark: '', words: '', digits: 2, step: 0.1, base: '' },
  count: { factor: 1, mark: '', words: '', digits: 0, step: 1, base: '' },
  percent: { factor: 100, mark: '%', words: 'per cent', digits: 0, step: 1, base: '' },
  /** Of a hundred, as the document has it. */
  percentPoints: { factor: 1, mark: '%', words: 'per cent', digits: 0, step: 1, base: '%' },
  centimetres: { factor: 100, mark: ' cm', words: 'cm', digits: 1, step: 1, base: 'm' },
  millimetres: { factor: 1000, mark: ' mm', words: 'mm', digits: 1, step: 1, base: 'm' },
  seconds: { factor: 1, mark: ' s', words: 'seconds', digits: 2, step: 0.1, base: 's' },
  milliseconds: { factor: 1, mark: ' ms', words: 'milliseconds', digits: 1, step: 1, base: 'ms' },
  degrees: { factor: 1, mark: '°', words: 'degrees', digits: 0, step: 1, base: '°' },
  perSecond: { factor: 1, mark: ' /s', words: '', digits: 0, step: 1, base: 'a second' },
  centimetresPerSecond: { factor: 100, mark: ' cm/s', words: 'cm a second', digits: 1, step: 1, base: 'm/s' },
  metres: { factor: 1, mark: ' m', words: 'm', digits: 3, step: 0.001, base: 'm' },
  kelvin: { factor: 1, mark: ' K', words: 'kelvin', digits: 0, step: 50, base: 'K' },
  pixels: { factor: 1, mark: ' px', words: 'pixels', digits: 1, step: 0.1, base: 'px' },
  rounds: { factor: 1, mark: ' ×', words: '', digits: 0, step: 1, base: '' },
  turnsPerSecond: { factor: 1, mark: ' ↻', words: 'turns a second', digits: 1, step: 0.1, base: 'turns/s' },
} as const satisfies Record<string, Unit>;
export type UnitName = keyof typeof UNITS;

interface Described {
  /** In full, as it is read out without its neighbours. */
  readonly name: string;
  /** Beside a slider, where the name is too long for that. */
  readonly short?: string;
  /** What it is for, where the name does not say it. */
  readonly help?: string;
  /** What stands before it in a row: a letter, a word. */
  readonly mark?: string;
}
export interface NumberProperty extends Described {
  readonly type: 'number';
  /** The least and the most, in the document's unit. */
  readonly low: number;
  readonly high: number;
  readonly unit: UnitName;
  readonly whole?: boolean;
  /** What forms offer, where a document may hold more. */
  readonly offered?: readonly [low: number, high: number];
  /** As shown, where they differ from what is usual for the unit. */
  readonly digits?: number;
  readonly step?: number;
  /** Shown without its unit, where the neighbours in its row have it too. */
  readonly bare?: boolean;
  /** Actions, drives, formulas and scripts can change it. */
  readonly driven?: boolean;
  /** Not offered: what fades write, where the number of this path says how strong a thing is. */
  readonly quietFor?: string;
}
export interface ChoiceProperty extends Described {
  readonly type: 'choice';
  readonly options: readonly { readonly value: string; readonly label: string }[];
}
export interface SwitchProperty extends Described {
  readonly type: 'switch';
  /** What is chosen where it is so, and where not: "show", "hide". */
  readonly words?: { readonly yes: string; readonly no: string };
}
export interface ColourProperty extends Described {
  readonly type: 'colour';
}
/** Something else of the document. */
export interface ReferenceProperty extends Described {
  readonly type: 'reference';
  readonly to: Referred;
  /** Said while nothing is chosen that has to be. */
  readonly ask?: string;
  /** What it is where nothing has to be chosen: "the viewer". */
  readonly none?: string;
}
/** A number that may be left to what is usual. */
export interface MaybeProperty extends Described {
  readonly type: 'maybe';
  /** Said while it is left. */
  readonly none?: string;
  /** What it is when it is first set, in the document's unit. */
  readonly start: number;
  readonly number: NumberProperty;
}
export type Property =
  | NumberProperty
  | MaybeProperty
  | ChoiceProperty
  | SwitchProperty
  | ColourProperty
  | ReferenceProperty;

const described = z.registry<Property>();
/** Gives a schema its description; the same schema. */
export const describe = <S extends z.ZodType>(schema: S, property: Property): S => {
  described.add(schema, property);
  return schema;
};

/** A number between `low` and `high`. */
export const number = (of: Omit<NumberProperty, 'type'>) => {
  const bounded = z.number().min(of.low).max(of.high);
  return (of.whole ? bounded.int() : bounded).register(described, { type: 'number', ...of });
};
/** A share from 0 to 1, shown in per cent. */
export const share = (name: string, more: Partial<Omit<NumberProperty, 'type' | 'name'>> = {}) =>
  number({ name, low: 0, high: 1, unit: 'percent', driven: true, ...more });
/** A number or null, which leaves it to what is usual; `start` is what it is when it is first set. */
export const maybe = (
  of: Omit<NumberProperty, 'type'>,
  { start, name, none }: { readonly start: number; readonly name?: string; readonly none?: string },
) =>
  describe(number(of).nullable(), {
    type: 'maybe',
    name: name ?? of.name,
    ...(none === undefined ? {} : { none }),
    start,
    number: { type: 'number', ...of },
  });
/** One of a few words; `labels` says how each is shown. */
export const choice = <const T extends string>(
  name: string,
  labels: Readonly<Record<T, string>>,
  more: Omit<ChoiceProperty, 'type' | 'name' | 'options'> = {},
) => {
  const values = Object.keys(labels) as [T, ...T[]];
  const options = values.map((value) => ({ value, label: labels[value] }));
  return z.enum(values).register(described, { type: 'choice', name, options, ...more });
};
/** Something that is so or not. */
export const yesNo = (name: string, more: Omit<SwitchProperty, 'type' | 'name'> = {}) =>
  z.boolean().register(described, { type: 'switch', name, ...more });
/** A colour as sRGB hex. */
export const colour = (name: string, more: Omit<ColourProperty, 'type' | 'name'> = {}) =>
  hexText().register(described, { type: 'colour', name, ...more });
/** A colour that is told by something else. */
export const hexText = () => z.string().regex(/^#[0-9a-f]{6}$/, 'A colour looks like #0f6b62.');

/**
 * Every described property of a value by its path, `smooth.strength` or `wind.0`. What is null has none; of a choice between shapes only
 * the one that the value has counts.
 */
export const propertiesIn = (schema: z.ZodType, value: unknown): Record<string, Property> => {
  const found: Record<string, Property> = {};
  collect(schema, value, '', found);
  return found;
};

const collect = (schema: z.ZodType, value: unknown, path: string, found: Record<string, Property>): void => {
  const property = described.get(schema);
  if (property) found[path] = property;
  // The number stands in it already.
  if (property?.type === 'maybe') return;
  const at = (key: string | number): string => (path === '' ? String(key) : `${path}.${key}`);
  const inside = (key: string | number): unknown => (value as Record<string, unknown> | undefined)?.[key];
  const def = defOf(schema);
  switch (def.type) {
    case 'object':
      for (const [key, inner] of Object.entries(def.shape!)) collect(inner, inside(key), at(key), found);
      return;
    case 'tuple':
      def.items!.forEach((inner, i) => collect(inner, inside(i), at(i), found));
      return;
    case 'array':
      (value as unknown[] | undefined)?.forEach((v, i) => collect(def.element!, v, at(i), found));
      return;
    case 'record': {
      // Those that are not there yet can be set too.
      const keys = def.keyType instanceof z.ZodEnum ? def.keyType.options : [];
      for (const key of keys) collect(def.valueType!, inside(key), at(key), found);
      return;
    }
    case 'union': {
      const kind = def.discriminator === undefined ? undefined : inside(def.discriminator);
      const option = def.options!.find(
        (o) => kind !== undefined && defOf(o).shape?.[def.discriminator!]?.safeParse(kind).success,
      );
      if (option) collect(option, value, path, found);
      return;
    }
    case 'nullable':
      if (value !== null && value !== undefined) collect(def.innerType!, value, path, found);
      return;
    case 'optional':
      collect(def.innerType!, value, path, found);
  }
};

/** What stands at a path of a value; undefined where there is nothing. */
export const valueAt = (value: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], value);

/** The same value with `to` at a path. */
export const withValueAt = <T>(value: T, path: string, to: unknown): T =>
  replaced(value, path.split('.'), to) as T;

const replaced = (value: unknown, [key, ...rest]: readonly string[], to: unknown): unknown => {
  if (key === undefined) return to;
  if (Array.isArray(value))
    return value.map((v, i) => (String(i) === key ? replaced(v, rest, to) : (v as unknown)));
  const record = (value ?? {}) as Record<string, unknown>;
  return { ...record, [key]: replaced(record[key], rest, to) };
};

/** "Strength of the light, per cent": a number's name with its unit, as it is read out. */
export const readOut = ({ name, unit }: Pick<NumberProperty, 'name' | 'unit'>): string =>
  UNITS[unit].words ? `${name}, ${UNITS[unit].words}` : name;

/** "strength of the light", "shortest life (s)": a number in a list of numbers, in the document's unit. */
export const listed = ({ name, unit }: Pick<NumberProperty, 'name' | 'unit'>): string => {
  const { base } = UNITS[unit];
  const small = name.charAt(0).toLowerCase() + name.slice(1);
  return base && !small.includes(base) ? `${small} (${base})` : small;
};

/** A table of words for a list of names. */
export const wordsOf = <T extends string>(names: readonly T[], words: (name: T) => string) =>
  Object.fromEntries(names.map((name) => [name, words(name)])) as Record<T, string>;

/** The keys of a table of words, in its order. */
export const keysOf = <T extends string>(words: Readonly<Record<T, unknown>>): readonly T[] =>
  Object.keys(words) as T[];
