/** The real trackers over the whole take: what came of it, while it is this take and this effect's printed pictures. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { sentence } from '../../core/errors';
import type { SurveyMoment } from '../../core/tracking/survey';
import { surveyTake } from '../../tracker/take-survey';
import type { TakeDrawing } from '../../tracker/take-tracker';
import { usePlaybackStore } from './playback';

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
  const subject = computed(() =>
    JSON.stringify([playback.take.id, playback.takeNeeds().pictures.map((p) => [p.id, p.key])]),
  );
  watch(subject, forget);

  const run = async (drawing: TakeDrawing): Promise<void> => {
    forget();
    const mine = new AbortController();
    abort = mine;
    share.value = 0;
    try {
      await surveyTake(playback.take, drawing, playback.takeNeeds(), {
        signal: mine.signal,
        onMoment: (moment, done) => {
          if (abort !== mine) return;
          moments.value = [...moments.value, moment];
          share.value = done;
        },
      });
    } catch (cause) {
      if (abort === mine) trouble.value = sentence(cause);
    } finally {
      if (abort === mine) {
        abort = null;
        share.value = null;
      }
    }
  };
  return { moments, share, trouble, run, cancel };
});
