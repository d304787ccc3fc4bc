/** A take while it is being made: undo, what is wrong with it, and a copy in this browser until it is saved. */
import { computed, shallowRef, watch, type ComputedRef } from 'vue';
import { performerOf } from '../../core/takes/library';
import { makeTake } from '../../core/takes/make-take';
import { collisions } from '../../core/takes/staging';
import { takeSpecSchema, type Take, type TakeSpec } from '../../core/takes/take';

export interface TakeDraft {
  readonly spec: ComputedRef<TakeSpec>;
  /** The draft as a take; the last one that could be made while something is wrong. */
  readonly take: ComputedRef<Take>;
  /** What keeps it from being saved, as sentences. */
  readonly problems: ComputedRef<readonly string[]>;
  /** What is odd about it, but no hindrance. */
  readonly warnings: ComputedRef<readonly string[]>;
  readonly changed: ComputedRef<boolean>;
  readonly undoLabel: ComputedRef<string | null>;
  readonly redoLabel: ComputedRef<string | null>;
  /** Edits of one gesture (a typed name, a dragged slider) are one step. */
  change(label: string, next: Partial<TakeSpec>, gesture?: string): void;
  endGesture(): void;
  undo(): void;
  redo(): void;
  /** The draft is kept elsewhere now. */
  saved(spec: TakeSpec): void;
}

interface Step {
  readonly label: string;
  readonly before: TakeSpec;
  readonly gesture: string | null;
}

const draftKey = (key: string) => `iconia.take-draft.${key}`;
const keptDraft = (key: string): TakeSpec | null => {
  try {
    const kept = localStorage.getItem(draftKey(key));
    return kept ? takeSpecSchema.parse(JSON.parse(kept)) : null;
  } catch {
    return null;
  }
};

/** `key` tells this draft from others; `initial` is where it starts when none is kept. */
export const useTakeDraft = (key: string, initial: TakeSpec): TakeDraft => {
  const base = shallowRef(initial);
  const spec = shallowRef(keptDraft(key) ?? initial);
  const done = shallowRef<readonly Step[]>([]);
  const undone = shallowRef<readonly Step[]>([]);

  const parsed = computed(() => takeSpecSchema.safeParse(spec.value));
  let last = makeTake(initial);
  const take = computed(() => {
    if (parsed.value.success) last = makeTake(parsed.value.data);
    return last;
  });
  const changed = computed(() => JSON.stringify(spec.value) !== JSON.stringify(base.value));
  watch(spec, (now) => {
    if (changed.value) localStorage.setItem(draftKey(key), JSON.stringify(now));
    else localStorage.removeItem(draftKey(key));
  });

  const endGesture = (): void => {
    const step = done.value.at(-1);
    if (step?.gesture) done.value = [...done.value.slice(0, -1), { ...step, gesture: null }];
  };
  return {
    spec: computed(() => spec.value),
    take,
    problems: computed(() =>
      parsed.value.success ? [] : [...new Set(parsed.value.error.issues.map((i) => i.message))],
    ),
    warnings: computed(() => [
      ...collisions(take.value).map(([a, b]) => {
        const [first, second] = [a, b].map((i) => performerOf(take.value.spec.cast[i - 1]!.performer).name);
        return `${first} and ${second} stand in each other. Move one of them aside, or press Arrange.`;
      }),
      ...(spec.value.cast.length === 0 &&
      spec.value.pictures === null &&
      take.value.sceneAt(0).surfaces.length === 0
        ? ['There is nothing before the camera: add a performer, or choose a place to walk through.']
        : []),
    ]),
    changed,
    undoLabel: computed(() => done.value.at(-1)?.label ?? null),
    redoLabel: computed(() => undone.value.at(-1)?.label ?? null),
    change(label, next, gesture) {
      const step = done.value.at(-1);
      if (!gesture || step?.gesture !== gesture)
        done.value = [...done.value, { label, before: spec.value, gesture: gesture ?? null }];
      undone.value = [];
      spec.value = { ...spec.value, ...next };
    },
    endGesture,
    undo() {
      const step = done.value.at(-1);
      if (!step) return;
      done.value = done.value.slice(0, -1);
      undone.value = [...undone.value, { ...step, before: spec.value, gesture: null }];
      spec.value = step.before;
    },
    redo() {
      const step = undone.value.at(-1);
      if (!step) return;
      undone.value = undone.value.slice(0, -1);
      done.value = [...done.value, { ...step, before: spec.value, gesture: null }];
      spec.value = step.before;
    },
    saved(kept) {
      base.value = kept;
      spec.value = kept;
      localStorage.removeItem(draftKey(key));
    },
  };
};
