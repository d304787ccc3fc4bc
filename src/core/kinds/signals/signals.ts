/**
 * Signals: numbers about faces, objects and the viewer that change with time. Cues watch them, conditions compare them, they drive things.
 * All kinds of them, and what follows from their definitions.
 */
import { z } from 'zod';
import type { ObjectId } from '../../schema/placed-schema';
import { propertiesIn, type Property } from '../../schema/properties';
import { finite } from '../../schema/values-schema';
import { schemaOfKinds, type OfKinds } from '../any-kind';
import { angle } from './angle';
import { apart } from './apart';
import { control } from './control';
import { expression } from './expression';
import { faces } from './faces';
import { facesApart } from './faces-apart';
import { hand } from './hand';
import { head } from './head';
import { loudness } from './loudness';
import { noise } from './noise';
import { object } from './object';
import { picture } from './picture';
import { progress } from './progress';
import { random } from './random';
import { scene } from './scene';
import type { SignalSource, SignalSpec } from './signal-kind';
import { time } from './time';
import { times } from './times';
import { variable } from './variable';

/** In the order of the menu: what is looked for most comes first. */
export const SIGNAL_KINDS_BY_NAME = {
  object,
  expression,
  head,
  hand,
  faces,
  picture,
  control,
  variable,
  apart,
  facesApart,
  angle,
  scene,
  loudness,
  time,
  progress,
  times,
  random,
  noise,
} as const;
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

/** Whether a condition holds; one whose signal has no value does not. */
export const holds = ({ signal, is, value }: Condition, from: SignalSource): boolean => {
  const now = readSignal(signal, from);
  if (Number.isNaN(now)) return false;
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
