/** The real trackers over the whole take: what came of it, while it is this take and this effect's printed pictures. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../core/errors';
import type { SurveyMoment } from '../../core/tracking/survey';
import { performanceOf, PERFORMERS, screenTest } from '../../core/takes/library';
import { makeTake } from '../../core/takes/make-take';
import type { Take } from '../../core/takes/take';
import { surveyTake, surveyTakes } from '../../tracker/take-survey';
import type { TakeDrawing } from '../../tracker/take-tracker';
import { usePlaybackStore } from './playback';

/** What every performer does while the tracker looks: turns, opens the mouth, puckers, blinks. */
const PERFORMANCE = 'turn-and-mouth';

export interface PerformerReading {
  readonly id: string;
  readonly name: string;
  readonly moments: readonly SurveyMoment[];
}

export const useSurveyStore = defineStore('survey', () => {
  const playback = usePlaybackStore();
  const moments = shallowRef<readonly SurveyMoment[]>([]);
  /** How much of the take is done; null when nothing is under way. */
  const share = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  let abort: AbortController | null = null;

  const cancel = (): void => {
    abort?.abort();
    abort = null;
    share.value = null;
  };
  const forget = (): void => {
    cancel();
    moments.value = [];
    trouble.value = null;
  };
  /** What was looked at: another take, or other pictures, is another survey. */
  const subject = computed(() => {
    const { pictures, surfaces } = playback.needsOfTake();
    return JSON.stringify([playback.take.id, pictures.map((p) => [p.id, p.key]), surfaces]);
  });
  watch(subject, forget);

  /** One piece of work at a time; what comes of one that was ended is let go. */
  const work = async (
    what: (signal: AbortSignal, ifStill: (take: () => void) => void) => Promise<void>,
  ): Promise<void> => {
    cancel();
    trouble.value = null;
    const mine = new AbortController();
    abort = mine;
    share.value = 0;
    const ifStill = (take: () => void): void => {
      if (abort === mine) take();
    };
    try {
      await what(mine.signal, ifStill);
    } catch (cause) {
      ifStill(() => (trouble.value = sentence(cause)));
    } finally {
      ifStill(cancel);
    }
  };

  const run = (drawing: TakeDrawing): Promise<void> =>
    work(async (signal, ifStill) => {
      moments.value = [];
      await surveyTake(playback.take, drawing, playback.needsOfTake(), {
        signal,
        onMoment: (moment, done) =>
          ifStill(() => {
            moments.value = [...moments.value, moment];
            share.value = done;
          }),
      });
    });
  /** The same on every performer: one that the tracker fails on is seen. */
  const performers = shallowRef<readonly PerformerReading[]>([]);
  const runPerformers = (drawingOf: (take: Take) => TakeDrawing): Promise<void> =>
    work(async (signal, ifStill) => {
      performers.value = [];
      const { duration } = performanceOf(PERFORMANCE);
      const takes = PERFORMERS.map(({ id }) => makeTake(screenTest(id, PERFORMANCE, duration)));
      await surveyTakes(
        takes,
        drawingOf,
        { faces: 1, hands: 0, pictures: [], surfaces: [] },
        {
          signal,
          onTake: (index, seen) =>
            ifStill(() => {
              const { id, name } = PERFORMERS[index]!;
              performers.value = [...performers.value, { id, name, moments: seen }];
              share.value = (index + 1) / PERFORMERS.length;
            }),
        },
      );
    });
  return { moments, performers, share, trouble, run, runPerformers, cancel };
});
