/** All that happens to an effect over a whole take: what fired, what acted on what, what was refused, how near triggers came. */
import type { ActionKind, CueId, ObjectId, Signal } from '../document/schema';
import { STEP, STEPS_PER_SECOND, type Seconds } from '../units';
import { hasScripts } from '../document/behaviour-queries';
import { changesOf } from './put-back';
import { Player, type PlayerOptions } from './player';
import type { Effect } from '../document/schema';
import type { Take } from '../takes/take';
import type { PortPlace } from './port-place';
import type { Firing, Refusal, ScriptPlace, ScriptTold } from './witness';
import type { SpeedMemory } from './signals';
import type { Values } from '../kinds/values';

/** An action began on an object, or undid what it had done. */
export interface Acted {
  readonly time: Seconds;
  readonly cue: CueId;
  readonly action: string;
  readonly kind: ActionKind;
  /** Null for what acts on the effect as a whole. */
  readonly target: ObjectId | null;
  readonly what: 'begins' | 'returns' | 'turnsBack' | 'resets';
  readonly changes: readonly (keyof Values)[];
}
export interface Refused {
  readonly time: Seconds;
  readonly cue: CueId;
  readonly why: Refusal;
}
/** How near the signal of a level came to crossing it. */
export interface Nearest {
  readonly cue: CueId;
  /** Index of the trigger. */
  readonly trigger: number;
  /** The highest, or for one that falls the lowest; null where it never had a value. */
  readonly value: number | null;
  readonly time: Seconds;
}
/** A stretch in which a cue was at work. */
export interface CueBar {
  readonly cue: CueId;
  readonly from: Seconds;
  /** Infinity when it never ended. */
  readonly to: Seconds;
}

export interface PortLine {
  readonly place: PortPlace;
  readonly line: Float32Array;
}
export type Scripted = ScriptPlace & ScriptTold & { readonly time: Seconds };

export interface Chronicle {
  /** Values a second, of the lines. */
  readonly rate: number;
  /** One line a signal, in the order they were asked for; NaN where there is no value. */
  readonly lines: readonly Float32Array[];
  readonly bars: readonly CueBar[];
  readonly firings: readonly Firing[];
  readonly acts: readonly Acted[];
  readonly refusals: readonly Refused[];
  readonly nearest: readonly Nearest[];
  /** What was at outputs of nodes that were asked for, a value each step; what is no number is NaN. */
  readonly ports: readonly PortLine[];
  /** What scripts logged, and where they were stopped. */
  readonly scripted: readonly Scripted[];
}

/** More of them nobody reads, and an endless circle of cues makes one a step. */
const MOST_TOLD = 5000;
/** A level is looked at so often: expressions do not change faster. */
const LOOKS_EVERY = 2;

export interface Told extends PlayerOptions {
  readonly signals?: readonly Signal[];
  /** Outputs of nodes of circuits. */
  readonly ports?: readonly PortPlace[];
}

/** Nothing happens where there are no cues; it is known without a run. */
export const UNEVENTFUL: Chronicle = {
  rate: STEPS_PER_SECOND,
  lines: [],
  bars: [],
  firings: [],
  acts: [],
  refusals: [],
  nearest: [],
  ports: [],
  scripted: [],
};
/** Whether a run would tell nothing: no cue can fire, no script log, no signal is asked for. */
export const isUneventful = (effect: Effect, { signals = [], ports = [] }: Told): boolean =>
  signals.length === 0 && ports.length === 0 && Object.keys(effect.cues).length === 0 && !hasScripts(effect);

/** Runs the effect from its start over the take's length, without drawing. Every step is a value of each line. */
export const chronicleOf = (effect: Effect, take: Take, told: Told = {}): Chronicle => {
  const acts: Acted[] = [];
  const refusals: Refused[] = [];
  const firings: Firing[] = [];
  const scripted: Scripted[] = [];
  const player = new Player(effect, take, {
    ...told,
    fountains: false,
    witness: {
      acted: (cue, compiled, what, time) => {
        if (acts.length >= MOST_TOLD) return;
        const { action, target } = compiled;
        acts.push({
          time,
          cue,
          action: action.id,
          kind: action.kind,
          target: target < 0 ? null : player.program.objects[target]!.id,
          what,
          changes: target < 0 ? [] : changesOf(player.program, compiled),
        });
      },
      refused: (cue, why, time) => {
        if (refusals.length < MOST_TOLD) refusals.push({ time, cue, why });
      },
      scripted: (place, said, time) => {
        // However much was logged before, that it stopped is told.
        if ('problem' in said || scripted.length < MOST_TOLD) scripted.push({ ...place, ...said, time });
      },
    },
  });
  const { program } = player;
  const signals = told.signals ?? [];
  const steps = Math.max(1, Math.round(take.duration * STEPS_PER_SECOND));
  const lines = signals.map(() => new Float32Array(steps).fill(NaN));
  const ports = (told.ports ?? []).map((place) => ({ place, line: new Float32Array(steps).fill(NaN) }));
  const memory: SpeedMemory = {};
  const levels = program.cues.flatMap(({ id, cue }) =>
    cue.triggers.flatMap((trigger, index) =>
      trigger.kind === 'level' ? [{ cue: id, index, trigger, value: null as number | null, time: 0 }] : [],
    ),
  );
  const bars: CueBar[] = [];
  const open = new Map<number, Seconds>();
  player.run(({ step, runtime, frame, fired }) => {
    if (step >= steps) return;
    const time = step * STEP;
    if (firings.length < MOST_TOLD) firings.push(...fired);
    signals.forEach((signal, i) => (lines[i]![step] = runtime.signal(signal, frame, memory)));
    for (const { place, line } of ports) {
      const value = runtime.nodeValue(place.circuit, place.node, place.port);
      if (typeof value === 'number') line[step] = value;
    }
    if (step % LOOKS_EVERY === 0)
      for (const level of levels) {
        const value = runtime.signal(level.trigger.signal, frame, memory);
        const way = level.trigger.when === 'rises' ? 1 : -1;
        if (Number.isNaN(value) || (level.value !== null && way * value <= way * level.value)) continue;
        level.value = value;
        level.time = time;
      }
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
  return {
    rate: STEPS_PER_SECOND,
    lines,
    bars: bars.sort((a, b) => a.from - b.from).slice(0, MOST_TOLD),
    firings,
    acts,
    refusals,
    nearest: levels.map(({ cue, index, value, time }) => ({ cue, trigger: index, value, time })),
    ports,
    scripted,
  };
};

/** The value of a line at a time; NaN beyond its ends and where there is none. */
export const valueAt = (
  { rate, lines }: Pick<Chronicle, 'rate' | 'lines'>,
  line: number,
  time: Seconds,
): number => lines[line]?.[Math.round(time * rate)] ?? NaN;

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
