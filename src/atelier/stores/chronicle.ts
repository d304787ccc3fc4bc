/** What happens to the effect over the whole take, found out in a worker whenever the effect or what is recorded changes. */
import { defineStore } from 'pinia';
import { onScopeDispose, ref, shallowRef, toRaw, watch } from 'vue';
import type { Chronicle } from '../../core/behave/chronicle';
import type { Signal } from '../../core/document/schema';
import type { Answer, Question } from '../chronicle/chronicle-messages';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';
import { usePrintsStore } from './prints';
import type { Take } from '../../core/takes/take';

const NOTHING: Chronicle = {
  rate: 60,
  lines: [],
  bars: [],
  firings: [],
  acts: [],
  refusals: [],
  nearest: [],
};
/** While a value is dragged, only its rest is worth a run. */
const WAITS = 120;

/** One worker, asked one thing at a time; what was asked last counts. */
const useRunner = (done: (chronicle: Chronicle) => void, failed: (problem: string) => void) => {
  let worker: Worker | null = null;
  let number = 0;
  let busy = false;
  let next: Omit<Question, 'number'> | null = null;
  const send = (): void => {
    if (!next || busy) return;
    worker ??= new Worker(new URL('../chronicle/chronicle-worker.ts', import.meta.url), {
      type: 'module',
      name: 'chronicle',
    });
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      busy = false;
      if (data.number === number && !next) {
        if ('chronicle' in data) done(data.chronicle);
        else failed(data.problem);
      }
      send();
    };
    worker.onerror = () => {
      // A new one is made for the next question.
      worker?.terminate();
      worker = null;
      busy = false;
      failed('The effect could not be run ahead. It is tried again at the next change.');
    };
    busy = true;
    worker.postMessage({ ...next, number: ++number } satisfies Question);
    next = null;
  };
  onScopeDispose(() => worker?.terminate());
  return (question: Omit<Question, 'number'>): void => {
    next = question;
    send();
  };
};

export const useChronicleStore = defineStore('chronicle', () => {
  const document = useEffectStore();
  const playback = usePlaybackStore();
  const prints = usePrintsStore();
  const chronicle = shallowRef<Chronicle>(NOTHING);
  /** The signals that the scope shows. */
  const signals = shallowRef<readonly Signal[]>([]);
  /** Another take to compare with, and what happens on it. */
  const other = shallowRef<Take | null>(null);
  const otherChronicle = shallowRef<Chronicle | null>(null);
  const running = ref(true);
  const problem = ref<string | null>(null);

  const ask = useRunner(
    (found) => {
      chronicle.value = found;
      running.value = false;
      problem.value = null;
    },
    (words) => {
      running.value = false;
      problem.value = words;
    },
  );
  const askOther = useRunner(
    (found) => (otherChronicle.value = found),
    (words) => (problem.value = words),
  );

  // What the stores hold is replaced, never changed, so it can wait to be sent.
  const question = (take: Take, recorded: boolean): Omit<Question, 'number'> => ({
    effect: toRaw(document.effect),
    take: toRaw(take.spec),
    pictureAspects: [...prints.aspects],
    told: {
      signals: toRaw(signals.value),
      scene: playback.options.scene,
      ...(recorded
        ? {
            taps: toRaw(playback.taps),
            touches: toRaw(playback.touches),
            controls: toRaw(playback.controls),
            events: toRaw(playback.events),
          }
        : { taps: toRaw(take.spec.taps) }),
    },
  });
  let timer: ReturnType<typeof setTimeout> | null = null;
  const soon = (): void => {
    running.value = true;
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(() => {
      timer = null;
      ask(question(playback.take, true));
      if (other.value) askOther(question(other.value, false));
      else otherChronicle.value = null;
    }, WAITS);
  };
  watch(
    () =>
      [document.effect, playback.take, playback.taps, playback.options, signals.value, other.value] as const,
    soon,
    { immediate: true },
  );

  // Signals of objects and cues belong to their effect.
  watch(
    () => document.id,
    () => {
      signals.value = [];
      other.value = null;
      chronicle.value = NOTHING;
    },
  );

  return { chronicle, signals, other, otherChronicle, running, problem };
});
