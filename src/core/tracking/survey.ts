/** A tracker over a whole take: how far off it is at each moment, where it is lost, and where it is worst. */
import type { Seconds } from '../units';
import type { Comparison } from './compare';

/** One moment that the tracker looked at. */
export interface SurveyMoment extends Comparison {
  readonly time: Seconds;
  readonly milliseconds: number;
}

/** What can be read off a moment: metres, degrees, shares or milliseconds, as the error says it. */
export const MEASURES = [
  'angle',
  'position',
  'landmarks',
  'shape',
  'expression',
  'corners',
  'delay',
] as const;
export type Measure = (typeof MEASURES)[number];

/** What trackers look for. Every moment is measured for each of them. */
export const SUBJECTS = ['faces', 'hands', 'pictures', 'surfaces'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** Each subject has measures of its own; the delay is that of all together. */
const MEASURES_OF: Readonly<Record<Subject, readonly Measure[]>> = {
  faces: ['angle', 'position', 'landmarks', 'expression', 'delay'],
  hands: ['angle', 'position', 'landmarks', 'shape', 'delay'],
  pictures: ['angle', 'position', 'corners', 'delay'],
  // Their tracker is simulated, so its delay says nothing.
  surfaces: ['position', 'angle'],
};
export const measuresOf = (of: Subject): readonly Measure[] => MEASURES_OF[of];

/** Null where nothing of it was found. */
export const measured = (moment: SurveyMoment, of: Subject, measure: Measure): number | null => {
  if (measure === 'delay') return moment.milliseconds;
  const { error } = moment[of];
  if (!error) return null;
  if (measure === 'expression') return 'expression' in error ? (error.expression?.off ?? null) : null;
  if (measure === 'landmarks') return 'landmarks' in error ? error.landmarks : null;
  if (measure === 'shape') return 'shape' in error ? error.shape : null;
  if (measure === 'corners') return 'corners' in error ? error.corners : null;
  return error[measure];
};

export interface Summary {
  /** Moments with something in sight, and those of them in which less was found than was there. */
  readonly inSight: number;
  readonly lost: number;
  readonly median: number | null;
  readonly worst: number | null;
}

export const summaryOf = (moments: readonly SurveyMoment[], of: Subject, measure: Measure): Summary => {
  const there = moments.filter((m) => m[of].inSight > 0);
  const values = there.flatMap((m) => measured(m, of, measure) ?? []).sort((a, b) => a - b);
  return {
    inSight: there.length,
    lost: there.filter((m) => m[of].found < m[of].inSight).length,
    median: values[values.length >> 1] ?? null,
    worst: values.at(-1) ?? null,
  };
};

/** Moments nearer than this to a worse one are part of it. */
const APART: Seconds = 0.5;

/** The worst moments, the worst first: lost ones before those that are far off. */
export const worstMoments = (
  moments: readonly SurveyMoment[],
  of: Subject,
  measure: Measure,
  count = 3,
): readonly SurveyMoment[] => {
  const badness = (m: SurveyMoment): number =>
    m[of].found < m[of].inSight ? Infinity : (measured(m, of, measure) ?? 0);
  const ordered = moments
    .filter((m) => m[of].inSight > 0)
    .sort((a, b) => badness(b) - badness(a) || a.time - b.time);
  const worst: SurveyMoment[] = [];
  for (const moment of ordered) {
    if (worst.length >= count) break;
    if (worst.every((w) => Math.abs(w.time - moment.time) >= APART)) worst.push(moment);
  }
  return worst;
};
