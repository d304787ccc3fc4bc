/** Short texts that tell the viewer what to do: when each is shown and hidden. */
import { STEP } from '../units';
import type { Program } from '../program/program';
import { holdsNow, type Instant } from './signals';
import { UNWATCHED, type Happened, type WatchState } from '../kinds/triggers/trigger-kind';
import { nextWatch } from '../kinds/triggers/triggers';
import { watchedAt } from './watch/watching';

export interface PromptState {
  readonly shows: readonly WatchState[];
  readonly hides: readonly WatchState[];
  /** The step at which it was shown; null while it is hidden. */
  readonly shownAt: number | null;
}

/** All prompts hidden, before anything has happened. */
export const restingPrompts = (program: Program): PromptState[] =>
  program.prompts.map((prompt) => ({
    shows: prompt.shownWhen.map(() => UNWATCHED),
    hides: prompt.hiddenWhen.map(() => UNWATCHED),
    shownAt: null,
  }));

/** One step. `orders` are those of cues. */
export const nextPrompts = (
  program: Program,
  states: readonly PromptState[],
  at: Instant,
  happened: Happened,
  orders: readonly { readonly kind: string; readonly id: string }[],
): PromptState[] => {
  const watched = watchedAt(at, happened);
  return program.prompts.map((prompt, i) => {
    const state = states[i]!;
    const shows = prompt.shownWhen.map((t, k) => nextWatch(t, state.shows[k]!, watched));
    const hides = prompt.hiddenWhen.map((t, k) => nextWatch(t, state.hides[k]!, watched));
    const { step } = at;
    const bidden = (kind: 'show' | 'hide'): boolean =>
      orders.some((o) => o.kind === kind && o.id === prompt.id);
    const met = prompt.onlyIf.every((c) => holdsNow(c, at));
    let { shownAt } = state;
    if (bidden('show') || (shows.some((s) => s.fired) && met)) shownAt = step;
    const over = shownAt !== null && prompt.seconds > 0 && (step - shownAt) * STEP + 1e-9 >= prompt.seconds;
    if (bidden('hide') || hides.some((s) => s.fired) || over || (shownAt !== null && !met)) shownAt = null;
    return { shows: shows.map((s) => s.state), hides: hides.map((s) => s.state), shownAt };
  });
};
