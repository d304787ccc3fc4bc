/**
 * What an effect is tried on, and what was recorded there: kept in this browser by effect and take, and no part of the effect. A
 * browser that keeps nothing loses it with the window, and nothing else.
 */
import { inOrder, readRecorded, recordedTaps, type Recorded } from '../../core/behave/recorded';
import { FIRST_TAKE } from '../../core/takes/library';
import type { Take } from '../../core/takes/take';

const takeKey = (effect: string): string => `iconia.take.${effect}`;
const recordedKey = (effect: string, take: string): string => `iconia.recorded.${effect}.${take}`;

const read = (key: string): unknown => {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
};
const write = (key: string, value: unknown): void => {
  try {
    localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // It holds until the window is closed.
  }
};

/** The id of the take an effect was seen on last. */
export const keptTake = (effect: string): string | null => {
  const take = read(takeKey(effect));
  return typeof take === 'string' ? take : null;
};
/** The take an effect is seen on when it is opened next. */
export const keepTake = (effect: string, take: string): void => write(takeKey(effect), take);

/** Each kind was kept in a list of its own once. Null where there is none of them. */
const keptByKind = (effect: string, take: Take): readonly Recorded[] | null => {
  const records: unknown[] = [];
  let any = false;
  for (const [list, kind] of [
    ['taps', 'tap'],
    ['touches', 'fingers'],
    ['controls', 'control'],
    ['events', 'event'],
  ] as const) {
    const key =
      list === 'taps' && take.id === FIRST_TAKE.id
        ? `iconia.taps.${effect}`
        : `iconia.${list}.${effect}.${take.id}`;
    const kept = read(key);
    if (!Array.isArray(kept)) continue;
    any = true;
    for (const record of kept as unknown[]) {
      const { time, ...input } = Object(record) as { time?: unknown };
      records.push({ time, input: { ...input, kind } });
    }
  }
  return any ? readRecorded(records) : null;
};

/** What was recorded for an effect on a take; where nothing was, the taps are those that the take itself carries. */
export const keptRecorded = (effect: string, take: Take): readonly Recorded[] =>
  readRecorded(read(recordedKey(effect, take.id))) ??
  keptByKind(effect, take) ??
  inOrder(recordedTaps(take.spec.taps));

export const keepRecorded = (effect: string, take: Take, records: readonly Recorded[]): void =>
  write(recordedKey(effect, take.id), records);
