/** Rehearsals of the effect: which is open, what came of each when it was last run, and runs under way. What came is kept until the effect is left. */
import { until } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, toRaw, watch } from 'vue';
import { marksOf, countOf } from '../../core/behave/recorded-marks';
import { changed, edit, type Edit } from '../../core/document/edit';
import type {
  ApprovedPicture,
  Effect,
  PerformanceId,
  Rehearsal,
  RehearsalId,
  ViewerPerformance,
} from '../../core/document/schema';
import {
  putPerformance,
  putRehearsal,
  removeRehearsal,
  withApproved,
} from '../../core/edits/rehearsal-edits';
import { sentence } from '../../core/errors';
import { cutText } from '../../core/text';
import { approvedPicture } from '../../core/rehearse/approved';
import { hasPassed } from '../../core/rehearse/outcome';
import { expectationsFrom } from '../../core/rehearse/what-happened';
import type { Seconds } from '../../core/units';
import { newId } from '../api/ids';
import { cueName } from '../behave-words';
import { whenNothingIsUrgent } from '../drawing/urgent';
import { playRehearsals, type Played } from '../rehearse/rehearse';
import { useAssetsStore } from './assets';
import { useChronicleStore } from './chronicle';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { usePlaybackStore } from './playback';
import { usePrintsStore } from './prints';
import { useTakesStore } from './takes';

/** What came, with addresses of its pictures. */
export interface Shown extends Played {
  readonly urls: readonly { readonly time: Seconds; readonly url: string }[];
  /** The effect that was played. */
  readonly of: Effect;
}

const inOrder = <T extends { readonly order: number }>(map: Readonly<Record<string, T>>): T[] =>
  Object.values(map).sort((a, b) => a.order - b.order);
/** After the last one. */
const nextOrder = (all: readonly { readonly order: number }[]): number => (all.at(-1)?.order ?? -1) + 1;

export const useRehearsalsStore = defineStore('rehearsals', () => {
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  const takes = useTakesStore();

  const all = computed(() => inOrder(effectStore.effect.rehearsals));
  const performances = computed(() => inOrder(effectStore.effect.performances));
  const open = ref<RehearsalId | null>(null);
  /** Of each rehearsal, what came on each of its takes. */
  const played = shallowRef<ReadonlyMap<string, readonly Shown[]>>(new Map());
  const progress = shallowRef<{ readonly done: number; readonly all: number; readonly name: string } | null>(
    null,
  );
  const trouble = ref<string | null>(null);
  let abort: AbortController | null = null;

  const letGo = (shown: readonly Shown[]): void =>
    shown.forEach(({ urls }) => urls.forEach(({ url }) => URL.revokeObjectURL(url)));
  const cancel = (): void => abort?.abort(new DOMException('Stopped', 'AbortError'));
  watch(
    () => effectStore.id,
    () => {
      cancel();
      played.value.forEach(letGo);
      played.value = new Map();
      open.value = trouble.value = null;
    },
  );

  /** Plays rehearsals of an effect on their takes; true when it came to its end. */
  const play = async (
    effect: Effect,
    rehearsals: readonly Rehearsal[],
    onPlayed: (came: Played) => void,
  ): Promise<boolean> => {
    cancel();
    const mine = (abort = new AbortController());
    trouble.value = null;
    progress.value = { done: 0, all: 0, name: '' };
    try {
      if (!takes.loaded) await takes.load();
      await playRehearsals({
        effect,
        rehearsals,
        takeOf: takes.byId,
        look: { people: useDeskStore().people, pictures: usePrintsStore().images },
        source: useAssetsStore().source,
        signal: mine.signal,
        pause: async () => {
          await new Promise((next) => setTimeout(next));
          await whenNothingIsUrgent();
        },
        onNext: (done, count, name) => (progress.value = { done, all: count, name }),
        onPlayed,
      });
      return true;
    } catch (cause) {
      if (!mine.signal.aborted) trouble.value = sentence(cause);
      return false;
    } finally {
      if (abort === mine) {
        abort = null;
        progress.value = null;
      }
    }
  };

  /** Plays these on all of their takes; what came of them before is forgotten. */
  const run = async (ids: readonly RehearsalId[]): Promise<void> => {
    const effect = toRaw(effectStore.effect);
    const before = new Map(played.value);
    for (const id of ids) {
      letGo(before.get(id) ?? []);
      before.delete(id);
    }
    played.value = before;
    await play(
      effect,
      ids.flatMap((id) => effect.rehearsals[id] ?? []),
      (came) => {
        const urls = came.stills.map(({ time, picture }) => ({ time, url: URL.createObjectURL(picture) }));
        const list = played.value.get(came.rehearsalId) ?? [];
        played.value = new Map(played.value).set(came.rehearsalId, [...list, { ...came, urls, of: effect }]);
      },
    );
  };

  /** What a rehearsal came to: nothing yet, or whether all of it passed; and whether the effect has changed since. */
  const stateOf = ({ id, takes: on }: Rehearsal): 'not run' | 'passed' | 'failed' | 'changed since' => {
    const came = played.value.get(id);
    if (!came || came.length === 0) return 'not run';
    if (came.some(({ of }) => !isSameToPlay(of, effectStore.effect, id))) return 'changed since';
    if (!came.every(hasPassed)) return 'failed';
    // A run that was stopped has not passed.
    return came.length < on.length ? 'not run' : 'passed';
  };

  const change = (rehearsal: Rehearsal, label?: string, gesture: string | null = null): void => {
    effectStore.edit(putRehearsal(rehearsal, label), gesture);
  };

  const performanceNow = (name: string): ViewerPerformance => ({
    id: newId('perf') as PerformanceId,
    name,
    order: nextOrder(performances.value),
    take: playback.take.id,
    length: playback.take.duration,
    records: [...toRaw(playback.recorded)] as ViewerPerformance['records'],
  });
  const freeNameAmong = (wanted: string, taken: readonly { readonly name: string }[]): string => {
    const names = new Set(taken.map(({ name }) => name));
    for (let n = 1; ; n++) {
      const name = n === 1 ? wanted : `${wanted} ${n}`;
      if (!names.has(name)) return name;
    }
  };
  /** How many things the viewer does on the take on the strip. */
  const doneNow = computed(() => countOf(marksOf(playback.recorded)));

  /** What the viewer does in words: "2 taps, a drag". */
  const doneWords = computed(() => {
    const { taps, gestures, noises, events, settings } = marksOf(playback.recorded);
    const some = (count: number, one: string, many: string): string =>
      count === 0 ? '' : count === 1 ? one : `${count} ${many}`;
    const words = [
      some(taps.length, 'a tap', 'taps'),
      some(gestures.length, 'a drag', 'drags'),
      some(noises.length, 'a noise', 'noises'),
      some(settings.length, 'a control', 'controls'),
      some(events.length, 'a press', 'presses'),
    ]
      .filter(Boolean)
      .join(', ');
    return words.charAt(0).toUpperCase() + words.slice(1);
  });
  /** Keeps what the viewer does on this take under a name. */
  const keepPerformance = (name: string): void => {
    effectStore.edit(
      putPerformance(performanceNow(freeNameAmong(name.trim() || 'Performance', performances.value))),
    );
  };
  /** The viewer does on the take on the strip what was kept. */
  const perform = ({ records }: ViewerPerformance): void => playback.perform(records);

  /** This is right: keeps what the viewer does, and expects of this take what just happened on it, and that it looks as it does. */
  const keepThis = async (): Promise<void> => {
    const { take } = playback;
    const told = useChronicleStore();
    // What was done last has to be run to its end.
    await until(() => told.running).toBe(false);
    const effect = toRaw(effectStore.effect);
    const performance =
      doneNow.value > 0 ? performanceNow(freeNameAmong(doneWords.value, performances.value)) : null;
    const [first] = toRaw(told.chronicle).firings;
    const wanted = cutText(first ? cueName(effect, first.cue) : take.name, 70);
    const rehearsal: Rehearsal = {
      id: newId('reh') as RehearsalId,
      name: freeNameAmong(wanted, all.value),
      order: nextOrder(all.value),
      performance: performance?.id ?? null,
      takes: [take.id],
      expectations: expectationsFrom(effect, toRaw(told.chronicle), take.duration, () => newId('exp')),
    };
    const keeping = (kept: Rehearsal): Edit =>
      edit('Keep what happened', (d) => {
        if (performance) putPerformance(performance).change(d);
        putRehearsal(kept).change(d);
      });
    // How it looks has to be drawn before it can be kept.
    const drawn: Played[] = [];
    const looks = rehearsal.expectations.filter(({ kind }) => kind === 'looks');
    const toDraw = changed(effect, keeping({ ...rehearsal, expectations: looks }));
    const isWhole = await play(toDraw, [toDraw.rehearsals[rehearsal.id]!], (came) => drawn.push(came));
    if (isWhole && effectStore.edit(keeping(withApproved(rehearsal, picturesOf(looks, drawn)))))
      open.value = rehearsal.id;
  };
  const remove = (id: RehearsalId): void => {
    effectStore.edit(removeRehearsal(id));
    if (open.value === id) open.value = null;
  };

  /** What came of an expectation on these takes is right from now on. */
  const approveCame = (id: RehearsalId, expectation: string, of: readonly Played[]): void => {
    const pictures = picturesOf([{ id: expectation }], of);
    const rehearsal = effectStore.effect.rehearsals[id];
    if (rehearsal) change(withApproved(rehearsal, pictures), 'Approve what came');
  };

  /** Shows a moment of what was played in the Viewfinder, with what the viewer did there. */
  const show = (came: Shown, time: Seconds): void => {
    const take = takes.byId(came.takeId);
    if (!take) return;
    const performance = came.of.rehearsals[came.rehearsalId as RehearsalId]?.performance;
    playback.chooseTake(take);
    playback.perform((performance && came.of.performances[performance]?.records) || []);
    playback.playing = false;
    playback.seek(time);
  };

  return {
    all,
    performances,
    open,
    played,
    progress,
    trouble,
    run,
    cancel,
    stateOf,
    change,
    doneNow,
    doneWords,
    keepPerformance,
    perform,
    keepThis,
    remove,
    approveCame,
    show,
  };
});

/** The pictures that came of some expectations, as they are approved. */
const picturesOf = (
  expectations: readonly { readonly id: string }[],
  came: readonly Played[],
): Map<string, ApprovedPicture[]> =>
  new Map(
    expectations.map(({ id }) => [
      id,
      came.flatMap(({ takeId, verdicts }) => {
        const picture = verdicts.find((v) => v.expectation === id)?.came;
        return picture ? [approvedPicture(takeId, picture)] : [];
      }),
    ]),
  );

/** Whether an effect plays a rehearsal as another one does: other rehearsals and what is said of it make no difference. */
const isSameToPlay = (a: Effect, b: Effect, id: RehearsalId): boolean =>
  a === b ||
  (a.rehearsals[id] === b.rehearsals[id] &&
    (Object.keys(b) as (keyof Effect)[]).every(
      (key) => key === 'rehearsals' || key === 'listing' || key === 'name' || a[key] === b[key],
    ));
