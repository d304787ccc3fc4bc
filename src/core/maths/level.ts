/**
 * A signal watched for crossing a level: it counts as over once it has stayed over for a while, and as back once it has stayed
 * below a lower one, so that it cannot flutter. Plain data that one step turns into the next.
 */
import type { Seconds } from '../units';

export interface Level {
  /** Over this it rises... */
  readonly level: number;
  /** ...and below this it falls; not above `level`. */
  readonly release: number;
  /** How long it has to stay there before that counts. */
  readonly hold: Seconds;
}

export interface LevelState {
  readonly over: boolean;
  /** For how long it has been on the other side; 0 while it is on its own. */
  readonly since: Seconds;
}
export const NOT_OVER: LevelState = { over: false, since: 0 };

export type Crossing = 'rise' | 'fall';

/**
 * One step of `step` seconds. What is no number changes nothing and starts no hold. Sums of steps are compared with a
 * thousandth of a second to spare.
 */
export const nextLevel = (
  state: LevelState,
  value: number,
  { level, release, hold }: Level,
  step: Seconds,
): { readonly state: LevelState; readonly event: Crossing | null } => {
  const back = Math.min(level, release);
  const crossed = state.over ? value < back : value >= level;
  if (!crossed) return { state: state.since === 0 ? state : { over: state.over, since: 0 }, event: null };
  // It is on the other side from the first step on which it is seen there.
  if (state.since + 0.001 >= hold)
    return { state: { over: !state.over, since: 0 }, event: state.over ? 'fall' : 'rise' };
  return { state: { over: state.over, since: state.since + step }, event: null };
};
