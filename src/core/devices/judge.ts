/** Holds an estimate against what phones report of themselves, and says how sure it is. */
import type { PhoneReport } from '../contract/try-contract';
import type { Milliseconds } from '../units';
import { CLASSES, PHONE_CLASSES, type PhoneClass } from './classes';
import { estimate } from './estimate';
import type { LoadPart } from './load';

/** Where no phone has drawn it, what is estimated may be off by this factor, up or down. */
export const UNSURE = 2;
/** Screens show 60 pictures a second: whoever shows nearly that may be quicker still. */
const AT_THE_TOP = 57;

export interface Observed {
  /** Of a picture as the phone shows them; at most that where it shows as many as its screen can. */
  readonly milliseconds: Milliseconds;
  readonly isMost: boolean;
  /** The class whose estimate for what it draws comes nearest. */
  readonly nearest: PhoneClass;
  /** What was estimated of that class, for as many pixels. */
  readonly estimated: Milliseconds;
}

/** What a report tells of speed; null where nothing was drawn, or the page was not seen. */
export const observe = (load: readonly LoadPart[], report: PhoneReport): Observed | null => {
  const pixels = report.drawn.width * report.drawn.height;
  if (report.rate < 0.5 || pixels === 0) return null;
  const isMost = report.rate >= AT_THE_TOP;
  const milliseconds = 1000 / report.rate;
  const estimates = PHONE_CLASSES.map((id) => [id, estimate(load, CLASSES[id], pixels).drawing] as const);
  const far = (ms: Milliseconds): number =>
    // One that shows all its screen can is as quick as that or quicker.
    isMost && ms <= milliseconds ? 0 : Math.abs(Math.log(ms / milliseconds));
  const [nearest, estimated] = estimates.reduce((best, one) => (far(one[1]) < far(best[1]) ? one : best));
  return { milliseconds, isMost, nearest, estimated };
};

export interface Sureness {
  /** Phones of this class that have drawn it. */
  readonly phones: number;
  /** What is estimated lies within this factor of what they took. */
  readonly within: number;
}

/** How sure the estimate for a class is. */
export const surenessOf = (observed: readonly Observed[], of: PhoneClass): Sureness => {
  const mine = observed.filter(({ nearest }) => nearest === of);
  if (mine.length === 0) return { phones: 0, within: UNSURE };
  const off = mine.map(({ milliseconds, estimated, isMost }) =>
    isMost && estimated <= milliseconds ? 1 : Math.exp(Math.abs(Math.log(estimated / milliseconds))),
  );
  return { phones: mine.length, within: Math.max(1.1, ...off) };
};
