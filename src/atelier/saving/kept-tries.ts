/**
 * What an effect is tried on, and what was recorded there: kept in this browser by effect and take, and no part of the effect. A
 * browser that keeps nothing loses it with the window, and nothing else.
 */
import type { RecordedControl, RecordedEvent, RecordedTap, RecordedTouch } from '../../core/behave/player';
import { FIRST_TAKE } from '../../core/takes/library';
import type { Take } from '../../core/takes/take';

/** What a viewer did on a take, by kind. */
export interface Recorded {
  readonly taps: readonly RecordedTap[];
  readonly touches: readonly RecordedTouch[];
  readonly controls: readonly RecordedControl[];
  readonly events: readonly RecordedEvent[];
}

const takeKey = (effect: string): string => `iconia.take.${effect}`;
const recordedKey = (kind: keyof Recorded, effect: string, take: string): string =>
  kind === 'taps' && take === FIRST_TAKE.id ? `iconia.taps.${effect}` : `iconia.${kind}.${effect}.${take}`;

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

/** What was recorded for an effect on a take; where nothing was, the taps are those that the take itself carries. */
export const keptRecorded = (effect: string, take: Take): Recorded => {
  const list = <K extends keyof Recorded>(kind: K, otherwise: Recorded[K]): Recorded[K] => {
    const kept = read(recordedKey(kind, effect, take.id));
    // Each of them is something that happened at a time.
    const isList = Array.isArray(kept) && kept.every((record) => Number.isFinite(record?.time));
    return isList ? (kept as unknown as Recorded[K]) : otherwise;
  };
  return {
    taps: list('taps', take.spec.taps),
    touches: list('touches', []),
    controls: list('controls', []),
    events: list('events', []),
  };
};
export const keepRecorded = <K extends keyof Recorded>(
  effect: string,
  take: Take,
  kind: K,
  records: Recorded[K],
): void => write(recordedKey(kind, effect, take.id), records);
