/** What a viewer did on a take, recorded: one list, in order of time. */
import type { z } from 'zod';
import { recordSchema, type viewerInputSchema } from '../document/viewer-input-schema';
import { STEPS_PER_SECOND, type Seconds } from '../units';

export type ViewerInput = Readonly<z.infer<typeof viewerInputSchema>>;
export type InputKind = ViewerInput['kind'];
export type InputOf<Kind extends InputKind> = Extract<ViewerInput, { kind: Kind }>;
export interface Recorded<Input extends ViewerInput = ViewerInput> {
  readonly time: Seconds;
  readonly input: Input;
}
export type RecordedOf<Kind extends InputKind> = Recorded<InputOf<Kind>>;

/**
 * What was kept outside, in order; null where it is no such list. A record that cannot be read is left out: the others were
 * somebody's work.
 */
export const readRecorded = (kept: unknown): readonly Recorded[] | null => {
  if (!Array.isArray(kept)) return null;
  const records = kept.flatMap((record): Recorded[] => {
    const { data } = recordSchema.safeParse(record);
    return data ? [data] : [];
  });
  return records.length === 0 && kept.length > 0 ? null : inOrder(records);
};

/** The step a moment belongs to. */
export const stepAt = (time: Seconds): number => Math.round(time * STEPS_PER_SECOND);

/** In order of time; what was done at one moment stays in the order it was done. */
export const inOrder = (list: readonly Recorded[]): readonly Recorded[] =>
  list.toSorted((a, b) => a.time - b.time);

/** With one more, in its place. */
export const withRecord = (
  list: readonly Recorded[],
  time: Seconds,
  input: ViewerInput,
): readonly Recorded[] => inOrder([...list, { time, input }]);

/** Those of a kind, in their order. */
export const recordedOf = <Kind extends InputKind>(
  list: readonly Recorded[],
  kind: Kind,
): readonly RecordedOf<Kind>[] =>
  list.filter((record): record is RecordedOf<Kind> => record.input.kind === kind);

/** The taps that a take carries itself. */
export const recordedTaps = (
  taps: readonly { readonly time: Seconds; readonly x: number; readonly y: number }[],
): readonly RecordedOf<'tap'>[] => taps.map(({ time, x, y }) => ({ time, input: { kind: 'tap', x, y } }));
