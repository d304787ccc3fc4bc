/** What happens to the effect over the whole take, found out in a worker whenever the effect or what is recorded changes. */
import { defineStore } from 'pinia';
import { onScopeDispose, ref, shallowRef, toRaw, watch } from 'vue';
import { UNEVENTFUL, type Chronicle } from '../../core/behave/chronicle';
import { isSamePort, type PortPlace } from '../../core/behave/port-place';
import { recordedTaps } from '../../core/behave/recorded';
import type { Signal } from '../../core/document/schema';
import type { Question } from '../chronicle/chronicle-messages';
import { ChronicleRunner } from '../chronicle/chronicle-runner';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';
import { usePrintsStore } from './prints';
import { withoutLandmarks } from '../../core/takes/clip';
import type { Take } from '../../core/takes/take';
import { pictureKeys } from '../../tracker/camera-needs';

/** While a value is dragged, only its rest is worth a run. */
const WAITS = 120;

export const useChronicleStore = defineStore('chronicle', () => {
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  const prints = usePrintsStore();
  const chronicle = shallowRef<Chronicle>(UNEVENTFUL);
  /** The signals that the scope shows. */
  const signals = shallowRef<readonly Signal[]>([]);
  /** Outputs of nodes that the scope shows, and those that are looked at on a board. */
  const ports = shallowRef<readonly PortPlace[]>([]);
  const looked = shallowRef<readonly PortPlace[]>([]);
  const toScope = (place: PortPlace): void => {
    const others = ports.value.filter((other) => !isSamePort(other, place));
    ports.value = others.length === ports.value.length ? [...others, place] : others;
  };
  /** What was at an output over the take; undefined where that was not asked for. */
  const lineOf = (place: PortPlace): Float32Array | undefined =>
    chronicle.value.ports.find((one) => isSamePort(one.place, place))?.line;
  /** Another take to compare with, and what happens on it. */
  const other = shallowRef<Take | null>(null);
  const otherChronicle = shallowRef<Chronicle | null>(null);
  const running = ref(true);
  const problem = ref<string | null>(null);

  const runner = new ChronicleRunner(
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
  const otherRunner = new ChronicleRunner(
    (found) => (otherChronicle.value = found),
    (words) => (problem.value = words),
  );
  onScopeDispose(() => [runner, otherRunner].forEach((r) => r.stop()));

  // What the stores hold is replaced, never changed, so it can wait to be sent.
  const question = (take: Take, recorded: boolean): Omit<Question, 'number'> => ({
    effect: toRaw(effectStore.effect),
    take: toRaw(take.spec),
    clip: take.clip && {
      of: withoutLandmarks(toRaw(take.clip)),
      pictures: pictureKeys(effectStore.effect),
    },
    pictureAspects: [...prints.aspects],
    told: {
      signals: toRaw(signals.value),
      ports: [
        ...toRaw(ports.value),
        ...looked.value.filter((one) => !ports.value.some((other) => isSamePort(one, other))),
      ],
      scene: playback.options.scene,
      // Of another take nobody reads them.
      colours: recorded ? toRaw(playback.colours) : null,
      recorded: toRaw(recorded ? playback.recorded : recordedTaps(take.spec.taps)),
    },
  });
  let timer: ReturnType<typeof setTimeout> | null = null;
  const soon = (): void => {
    running.value = true;
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(() => {
      timer = null;
      runner.ask(question(playback.take, true));
      if (other.value) otherRunner.ask(question(other.value, false));
      else otherChronicle.value = null;
    }, WAITS);
  };
  watch(
    () =>
      [
        effectStore.effect,
        playback.take,
        playback.options,
        playback.colours,
        signals.value,
        other.value,
        ports.value,
        looked.value,
      ] as const,
    soon,
    {
      immediate: true,
    },
  );

  // Signals of objects and cues belong to their effect.
  watch(
    () => effectStore.id,
    () => {
      signals.value = [];
      ports.value = looked.value = [];
      other.value = null;
      chronicle.value = UNEVENTFUL;
    },
  );

  return { chronicle, signals, ports, looked, toScope, lineOf, other, otherChronicle, running, problem };
});
