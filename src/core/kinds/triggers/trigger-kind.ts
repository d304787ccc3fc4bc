/**
 * What a kind of trigger is. A kind is one file beside this one, listed in `triggers.ts`: from there the schema of the document, what an
 * effect needs, what a trigger lacks and how it is watched follow by themselves.
 */
import { z } from 'zod';
import type { SurfaceKind, TargetId } from '../../schema/anchor-schema';
import type { ControlId, CueId, VariableId } from '../../schema/behave-ids';
import type { ObjectId } from '../../schema/placed-schema';
import type { Signal } from '../signals/signals';
import type { Names } from '../names';
import type { Need } from '../needs';
import type { HeadGesture, TouchGesture, ViewerEvent } from './gestures';

/** What happened in this step, or in the one before where it follows from what cues did. */
export interface Happened {
  /** Touches of the picture, and which object each met: its index and those of the groups it hangs in. */
  readonly touches: readonly { readonly gesture: TouchGesture; readonly objects: readonly number[] }[];
  readonly headGestures: readonly { readonly face: number; readonly gesture: HeadGesture }[];
  readonly events: readonly ViewerEvent[];
  readonly controls: ReadonlySet<ControlId>;
  /** By what was dragged and let go: the surface it stands on. */
  readonly placed: SurfaceKind | null;
  readonly variables: ReadonlySet<VariableId>;
  /** Indices of cues that began and ended in the step before. */
  readonly began: ReadonlySet<number>;
  readonly ended: ReadonlySet<number>;
}

/** What triggers look at, in one step. */
export interface Watched {
  readonly step: number;
  readonly happened: Happened;
  /** NaN where it has no value. */
  readonly signal: (signal: Signal) => number;
  /** Whether the face of a number, from 1, is there. */
  readonly hasFace: (number: number) => boolean;
  readonly seesPicture: (id: TargetId) => boolean;
  readonly hasSurface: (kind: SurfaceKind) => boolean;
  /** Undefined for what is not there. */
  readonly indexOf: (id: ObjectId) => number | undefined;
  readonly cueIndex: (id: CueId) => number | undefined;
  readonly progress: (cue: number) => number;
}

export interface WatchState {
  readonly over: boolean;
  readonly since: number;
  /** What was seen last; null before anything was. */
  readonly last: number | null;
}
export const UNWATCHED: WatchState = { over: false, since: 0, last: null };

export interface WatchResult {
  readonly state: WatchState;
  readonly fired: boolean;
}

type TriggerOf<K extends string, F extends z.core.$ZodLooseShape> = z.infer<
  z.ZodObject<{ kind: z.ZodLiteral<K> } & F, z.core.$strict>
>;

/** What a kind says of its triggers; `T` is one of them. */
export interface TriggerSpec<T> {
  /** "Shell is tapped". Without, or null, it is called as the ready trigger that it is. */
  readonly words?: (trigger: T, names: Names) => string | null;
  /** What beside its kind makes it the ready trigger that it is: all but amounts, and which object, face or cue is meant. */
  readonly gist?: (trigger: T) => string;
  /** What it needs to know of the world beside what its signals need. */
  readonly needs?: (trigger: T) => readonly Need[];
  /** Paths of fields that do nothing as it is set, and are not shown. */
  readonly unused?: (trigger: T) => readonly string[];
  /** It asks where objects are, beside what its signals ask. */
  readonly isPlaced?: boolean;
  /** Signals that it looks at. */
  readonly signals?: (trigger: T) => readonly Signal[];
  /**
   * Plain state in, plain state and whether it went off out. What rises or appears also goes off when things are so from the beginning;
   * what falls, leaves or is lost needs to have been otherwise.
   */
  readonly watch: (trigger: T, watched: Watched, state: WatchState) => WatchResult | boolean;
}

interface Definition<K extends string, F extends z.core.$ZodLooseShape> extends TriggerSpec<TriggerOf<K, F>> {
  readonly kind: K;
  /** What can be set of it; see `schema/properties.ts` for fields that describe themselves. */
  readonly fields: F;
}

/** Makes a kind: its schema is its fields. `watch` that keeps no state of its own just says whether it went off. */
export const defineTrigger = <const K extends string, const F extends z.core.$ZodLooseShape>(
  definition: Definition<K, F>,
) => ({
  ...definition,
  schema: z.strictObject({ kind: z.literal(definition.kind), ...definition.fields }),
});

/** Something that is or is not: whether it came, or went. */
export const nextThere = (state: WatchState, there: boolean, comes: boolean): WatchResult => {
  const was = state.over;
  return {
    state: was === there && state.last !== null ? state : { over: there, since: 0, last: 0 },
    fired: comes ? there && !was : was && !there,
  };
};
