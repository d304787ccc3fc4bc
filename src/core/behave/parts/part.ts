/**
 * The runtime is a list of parts. Each keeps something from step to step, takes its share of a step in the order of the list, and can be
 * taken back to any moment. Whatever is kept lives in a part, so nothing can be forgotten in a snapshot.
 */
import type { Order } from '../../kinds/actions/action-kind';
import type { StateNow } from '../../placing/places';
import type { Program } from '../../program/program';
import type { Instant, Readable } from '../signals';
import type { Happened } from '../../kinds/triggers/trigger-kind';
import type { Firing } from '../witness';

/** A step under way: parts read what those before them have found, and fill in what those behind them need. */
export interface Step {
  /** The instant, as signals read it; `now` is the runtime, in which the parts before have taken this step already. */
  readonly at: Instant & { readonly now: Readable & StateNow };
  /** What happened, for triggers: each part adds what it knows of. */
  happened: Happened;
  /** What cues bade in the step before. */
  orders: readonly Order[];
  /** The cues that fired in this step. */
  readonly fired: Firing[];
}

export const NOTHING_HAPPENED: Happened = {
  touches: [],
  headGestures: [],
  events: [],
  controls: new Set(),
  placed: null,
  variables: new Set(),
  began: new Set(),
  ended: new Set(),
};

/** `State` is plain data that nobody changes after it was handed out. */
export interface Part<State> {
  /** One sixtieth of a second. A part that only keeps what others write has none. */
  step?(step: Step): void;
  save(): State;
  restore(state: State): void;
  /** The state of this part in a runtime of the program before, as it goes on in this part's program. */
  carry(before: Program, state: State): State;
}
/** What a part keeps. */
export type StateOf<P> = P extends Part<infer State> ? State : never;

/** By the index of the objects: what was kept of those that are still there, as the same kind of thing, under their index now. */
export const carriedByObject = <T>(
  before: Program,
  after: Program,
  kept: Readonly<Record<number, T>>,
): Record<number, T> =>
  Object.fromEntries(
    after.objects.flatMap((object, i) => {
      const old = before.indexOf.get(object.id);
      return old !== undefined && kept[old] !== undefined && before.objects[old]!.kind === object.kind
        ? [[i, kept[old]]]
        : [];
    }),
  );

/** In the order of a list of things with ids: what was kept of those that are still there, `fresh` for the others. */
export const carriedById = <T>(
  before: readonly { readonly id: string }[],
  after: readonly { readonly id: string }[],
  kept: readonly T[],
  fresh: readonly T[],
): T[] =>
  after.map(({ id }, i) => {
    const at = before.findIndex((thing) => thing.id === id);
    return at >= 0 ? kept[at]! : fresh[i]!;
  });
