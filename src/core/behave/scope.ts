/** Signals and cues over a whole take at once: the effect runs ahead, without being drawn. */
import type { CueId } from '../document/schema';
import { STEP, STEPS_PER_SECOND, type Seconds } from '../units';
import type { Player } from './player';
import { signalNow, type Signal } from './signals';

/** A stretch in which a cue was at work. */
export interface CueBar {
  readonly cue: CueId;
  readonly from: Seconds;
  /** Infinity when it never ended. */
  readonly to: Seconds;
}

export interface Scope {
  /** Values a second. */
  readonly rate: number;
  /** One line a signal, in the order they were asked for; NaN where there is no value. */
  readonly lines: readonly Float32Array[];
  readonly bars: readonly CueBar[];
}

/** Runs the player from its start over the take's length. Every step is a value. */
export const scopeOf = (player: Player, signals: readonly Signal[]): Scope => {
  const steps = Math.max(1, Math.round(player.take.duration * STEPS_PER_SECOND));
  const lines = signals.map(() => new Float32Array(steps).fill(NaN));
  const bars: CueBar[] = [];
  const open = new Map<number, Seconds>();
  const { program } = player;
  player.run(({ step, runtime, frame, fired }) => {
    if (step >= steps) return;
    signals.forEach((signal, i) => (lines[i]![step] = signalNow(signal, program, runtime, frame)));
    const time = step * STEP;
    program.cues.forEach(({ id }, i) => {
      const began = open.get(i);
      // A cue that fires again while it is at work begins a bar of its own.
      const again = fired.some((f) => f.cue === id);
      if (began !== undefined && (again || !runtime.isAtWork(i))) {
        bars.push({ cue: id, from: began, to: again ? time : time + STEP });
        open.delete(i);
      }
      if (again && runtime.isAtWork(i)) open.set(i, time);
      else if (again) bars.push({ cue: id, from: time, to: time + STEP });
    });
  });
  for (const [i, from] of open) bars.push({ cue: program.cues[i]!.id, from, to: Infinity });
  return { rate: STEPS_PER_SECOND, lines, bars: bars.sort((a, b) => a.from - b.from) };
};

/** The value of a line at a time; NaN beyond its ends and where there is none. */
export const valueAt = ({ rate, lines }: Scope, line: number, time: Seconds): number =>
  lines[line]?.[Math.round(time * rate)] ?? NaN;

/** Least and most of a line; null where it has no value at all. */
export const rangeOf = (line: Float32Array): readonly [number, number] | null => {
  let [low, high] = [Infinity, -Infinity];
  for (const v of line) {
    if (Number.isNaN(v)) continue;
    low = Math.min(low, v);
    high = Math.max(high, v);
  }
  return low <= high ? [low, high] : null;
};
