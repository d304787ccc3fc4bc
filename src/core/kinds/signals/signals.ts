/**
 * Signals: numbers about faces, objects and the viewer that change with time. Cues watch them, conditions compare them, they drive things.
 * All kinds of them, and what follows from their definitions.
 */
import { z } from 'zod';
import type { ObjectId } from '../../schema/placed-schema';
import { propertiesIn, type Property, type UnitName } from '../../schema/properties';
import { finite } from '../../schema/values-schema';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import type { Names } from '../names';
import { formula } from './formula';
import { PLAIN_SIGNAL_KINDS } from './plain-signals';
import type { SignalSource, SignalSpec } from './signal-kind';

/** In the order of the menu. */
export const SIGNAL_KINDS_BY_NAME = { ...PLAIN_SIGNAL_KINDS, formula } as const;
type Kinds = typeof SIGNAL_KINDS_BY_NAME;
export type SignalKind = keyof Kinds;
export const SIGNAL_KINDS = Object.keys(SIGNAL_KINDS_BY_NAME) as readonly SignalKind[];
export type Signal = OfKinds<Kinds>;
export const signalSchema = schemaOfKinds(SIGNAL_KINDS_BY_NAME);

/** What a kind is, for whoever does not care which one it is. */
export const signalKind = (
  kind: SignalKind,
): SignalSpec<Signal> & { readonly schema: z.ZodType; readonly fresh: object } =>
  SIGNAL_KINDS_BY_NAME[kind] as never;

/** The value now; NaN where there is none: no such face, no such object, nowhere to be found. */
export const readSignal = (signal: Signal, from: SignalSource): number =>
  signalKind(signal.kind).read(signal, from);

/** A signal as it is first chosen; one that is of an object is of this one. */
export const newSignal = (kind: SignalKind, of: ObjectId | null): Signal => {
  const signal = { kind, ...structuredClone(signalKind(kind).fresh) } as Signal;
  return 'object' in signal ? { ...signal, object: of } : signal;
};

/** What can be set of a signal, by its path. */
export const signalProperties = (signal: Signal): Readonly<Record<string, Property>> =>
  propertiesIn(signalKind(signal.kind).schema, signal);

/** Whether it is 1 or 0, with nothing between. */
export const isTruth = (signal: Signal): boolean => signalKind(signal.kind).isTruth?.(signal) === true;

/** The unit its values are shown in; `unitOf` says that of a number of an object. */
export const shownIn = (signal: Signal, unitOf: Names['unitOfNumber']): UnitName =>
  signalKind(signal.kind).shownIn?.(signal, unitOf) ?? 'plain';

/** Whether it asks where objects are. */
export const isPlacedSignal = (signal: Signal): boolean =>
  signalKind(signal.kind).isPlaced?.(signal) === true;

export const COMPARISONS = ['above', 'below', 'equals', 'differs'] as const;
export const conditionSchema = z.strictObject({
  signal: signalSchema,
  is: z.enum(COMPARISONS),
  value: finite,
});
export type Condition = z.infer<typeof conditionSchema>;
export type Comparison = Condition['is'];

/** Whether a value is as a condition wants it. */
export const compares = (now: number, is: Comparison, value: number): boolean => {
  switch (is) {
    case 'above':
      return now > value;
    case 'below':
      return now < value;
    case 'equals':
      return Math.abs(now - value) < 1e-6;
    case 'differs':
      return Math.abs(now - value) >= 1e-6;
  }
};

/** Whether a condition holds; one whose signal has no value does not. */
export const holds = ({ signal, is, value }: Condition, from: SignalSource): boolean => {
  const now = readSignal(signal, from);
  return !Number.isNaN(now) && compares(now, is, value);
};
