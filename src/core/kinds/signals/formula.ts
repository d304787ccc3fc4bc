/** A line of sums over other signals, each by a name. Formulas are written in number fields: then one drives that number, as signals do. */
import { z } from 'zod';
import { compileFormula, type Run } from '../../formula/compile';
import { MOST_LETTERS, parseFormula } from '../../formula/parse';
import { FormulaProblem } from '../../formula/problem';
import { perObject } from '../../memo';
import { UNITS, type UnitName } from '../../schema/properties';
import { text } from '../../schema/values-schema';
import { PLAIN_SIGNAL_KINDS, plainSignalSchema, type PlainSignal } from './plain-signals';
import { defineSignal, type SignalSource, type SignalSpec } from './signal-kind';

/** What is read under a name. */
export type FormulaInputs = Readonly<Record<string, PlainSignal>>;
/** A formula, and what its names mean. */
export const formulaFields = { text: text(MOST_LETTERS), inputs: z.record(text(60), plainSignalSchema) };
export interface Formula {
  readonly text: string;
  readonly inputs: FormulaInputs;
}

const kindOf = (signal: PlainSignal): SignalSpec<PlainSignal> => PLAIN_SIGNAL_KINDS[signal.kind] as never;
const unitNames = Object.keys(UNITS) as [UnitName, ...UnitName[]];

interface Compiled {
  readonly inputs: readonly PlainSignal[];
  /** As many numbers as it is given, used anew each time it is worked out. */
  readonly named: Float64Array;
  readonly run: Run;
}
/**
 * What works a formula out; `more` are names beside those that it reads.
 * Throws `FormulaProblem`.
 */
export const compiledFormula = (
  { text: written, inputs }: Formula,
  unit: UnitName,
  more: readonly string[] = [],
): Compiled => {
  const names = Object.entries(inputs).map(([name, signal]) => ({
    name,
    is: kindOf(signal).measures?.(signal) ?? ('number' as const),
  }));
  const plain = more.map((name) => ({ name, is: 'number' as const }));
  return {
    inputs: Object.values(inputs),
    named: new Float64Array(names.length + more.length),
    run: compileFormula(parseFormula(written), [...names, ...plain], unit),
  };
};
type Tried = (...given: Parameters<typeof compiledFormula>) => Compiled | FormulaProblem;
/** The same, or what is wrong with it: a document may hold any text. */
const tried: Tried = (...given) => {
  try {
    return compiledFormula(...given);
  } catch (error) {
    if (error instanceof FormulaProblem) return error;
    throw error;
  }
};
/** What is wrong with a formula; null for nothing. */
export const problemOf = (...given: Parameters<Tried>): FormulaProblem | null => {
  const one = tried(...given);
  return one instanceof FormulaProblem ? one : null;
};
/** Null for one that cannot be worked out. */
export const compiledOrNull = (...given: Parameters<Tried>): Compiled | null => {
  const one = tried(...given);
  return one instanceof FormulaProblem ? null : one;
};
const keptOf = perObject((signal: Formula & { readonly unit: UnitName }) =>
  compiledOrNull(signal, signal.unit),
);
const readOne = (signal: PlainSignal, from: SignalSource): number => kindOf(signal).read(signal, from);

export const formula = defineSignal({
  kind: 'formula',
  name: 'Formula',
  also: 'sum calculate expression equation maths',
  fields: {
    ...formulaFields,
    /** What a number without a unit counts in: that of the field it is written in. */
    unit: z.enum(unitNames),
  },
  fresh: { text: '', inputs: {}, unit: 'plain' },
  words: ({ text: written }) => `= ${written || '…'}`,
  read: (signal, from) => {
    const compiled = keptOf(signal);
    if (!compiled) return NaN;
    const { inputs, named, run } = compiled;
    for (let i = 0; i < inputs.length; i++) named[i] = readOne(inputs[i]!, from);
    return run(named);
  },
  needs: ({ inputs }) => Object.values(inputs).flatMap((one) => kindOf(one).needs?.(one) ?? []),
  isPlaced: ({ inputs }) => Object.values(inputs).some((one) => kindOf(one).isPlaced?.(one) === true),
});
