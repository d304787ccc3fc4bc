/** Signals as they are offered: one flat list, part by part, sought by the words people use. */
import type { EffectObject } from '../objects/objects';
import type { Property } from '../../schema/properties';
import { newSignal, SIGNAL_KINDS, signalKind, signalProperties, type Signal } from './signals';

export interface OfferedSignal {
  /** Tells it apart from all others that are offered. */
  readonly key: string;
  readonly signal: Signal;
  /** "is shown", "jaw open" */
  readonly words: string;
  /** What it is of: "Head", "Pearl". */
  readonly group: string;
  /** All it is sought by. */
  readonly seek: string;
}

const partOf = (signal: Signal): string | null => {
  const { parts } = signalKind(signal.kind);
  return parts ? String((signal as unknown as Record<string, unknown>)[parts.field]) : null;
};
/** The key under which a signal is offered, whatever else is set of it. */
export const offeredKey = (signal: Signal): string => {
  const part = partOf(signal);
  return part === null ? signal.kind : `${signal.kind} ${part}`;
};

/** What is left to be set of a signal when it was chosen from what is offered. */
export const leftToSet = (signal: Signal): Readonly<Record<string, Property>> => {
  const field = signalKind(signal.kind).parts?.field;
  return Object.fromEntries(Object.entries(signalProperties(signal)).filter(([path]) => path !== field));
};

/** All signals, those of the object first that is worked on. */
export const offeredSignals = (own: EffectObject | null): readonly OfferedSignal[] =>
  SIGNAL_KINDS.flatMap((kind): OfferedSignal[] => {
    const { name, parts, also = '' } = signalKind(kind);
    const fresh = newSignal(kind, own?.id ?? null);
    if (!parts) {
      return [{ key: kind, signal: fresh, words: name, group: 'Others', seek: `${name} ${also}` }];
    }
    const group = own && 'object' in fresh ? own.name : name;
    const property = signalProperties(fresh)[parts.field];
    const options = parts.of
      ? own
        ? parts.of(own)
        : []
      : property?.type === 'choice'
        ? property.options
        : [];
    return options.map(({ value, label }) => {
      const signal = { ...fresh, [parts.field]: value } as Signal;
      return {
        key: offeredKey(signal),
        signal,
        words: label,
        group,
        seek: `${group} ${name} ${label} ${parts.also?.[value] ?? ''} ${also}`,
      };
    });
  });
