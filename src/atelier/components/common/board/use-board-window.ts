/**
 * Of a large board only what is in view, and around it, is handed to the drawing library: it watches each node that it has, and thousands
 * would be watched in vain.
 */
import { computed, onScopeDispose, shallowRef, watch } from 'vue';
import type { GraphNode } from '../../../../core/graph/graph';

/** From so many nodes on. */
export const LARGE = 150;
/** What a node takes at most, where it has not been measured. */
const WIDTH = 220;
const HEIGHT = 340;

export interface Rect {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
const holds = (outer: Rect, inner: Rect): boolean =>
  inner.left >= outer.left &&
  inner.top >= outer.top &&
  inner.right <= outer.right &&
  inner.bottom <= outer.bottom;
/** A quarter of a screen more on each side: within that nothing changes while the board is moved. */
const widened = ({ left, top, right, bottom }: Rect): Rect => {
  const [x, y] = [(right - left) / 4, (bottom - top) / 4];
  return { left: left - x, top: top - y, right: right + x, bottom: bottom + y };
};

/** The nodes within a part of a board, and those that wires run to from there. */
export const nodesIn = <N extends GraphNode>(all: readonly N[], part: Rect): readonly N[] => {
  const inside = new Set<string>();
  for (const { id, at } of all)
    if (at[0] < part.right && at[0] + WIDTH > part.left && at[1] < part.bottom && at[1] + HEIGHT > part.top)
      inside.add(id);
  const shown = new Set(inside);
  for (const { id, inputs } of all)
    for (const wire of Object.values(inputs))
      if (inside.has(id)) shown.add(wire.node);
      else if (inside.has(wire.node)) shown.add(id);
  return all.filter(({ id }) => shown.has(id));
};

/** While the board is moved none is made: to make one takes milliseconds. Once it has rested so long, some at a time. */
export const REST = 150;
const BETWEEN = 20;
const AT_A_TIME = 24;

export const useBoardWindow = <N extends GraphNode>(all: () => readonly N[]) => {
  const part = shallowRef<Rect | null>(null);
  const isLarge = computed(() => all().length >= LARGE);
  /** What is in view, and around it. */
  const wanted = computed<readonly N[]>(() =>
    isLarge.value ? (part.value ? nodesIn(all(), part.value) : []) : all(),
  );
  /** Of a large board, the ids of those that have been handed over. */
  const there = shallowRef<ReadonlySet<string>>(new Set());
  const shown = computed<readonly N[]>(() =>
    isLarge.value ? all().filter(({ id }) => there.value.has(id)) : all(),
  );
  /** Wanted, and not there yet. */
  const missing = computed<readonly N[]>(() =>
    isLarge.value ? wanted.value.filter(({ id }) => !there.value.has(id)) : [],
  );
  let timer: ReturnType<typeof setTimeout> | null = null;
  const workAfter = (milliseconds: number): void => {
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(work, milliseconds);
  };
  const work = (): void => {
    timer = null;
    if (!isLarge.value || !part.value) return;
    const { left, top, right, bottom } = part.value;
    const away = ({ at: [x, y] }: N): number => Math.hypot(x - (left + right) / 2, y - (top + bottom) / 2);
    const ids = new Set<string>(wanted.value.map(({ id }) => id));
    const gone = [...there.value].filter((id) => !ids.has(id)).slice(0, AT_A_TIME);
    const next = missing.value.toSorted((a, b) => away(a) - away(b)).slice(0, AT_A_TIME);
    if (next.length > 0) there.value = new Set([...there.value, ...next.map(({ id }) => id)]);
    else if (gone.length > 0) there.value = new Set([...there.value].filter((id) => !gone.includes(id)));
    else return;
    workAfter(BETWEEN);
  };
  let known: ReadonlySet<string> = new Set();
  watch(
    [all, part],
    () => {
      const before = known;
      known = new Set(all().map(({ id }) => id));
      // What was just made is seen at once; and so is a board that is opened, where nothing moves yet.
      const isFirst = there.value.size === 0;
      const fresh = missing.value.filter(({ id }) => isFirst || !before.has(id));
      if (fresh.length > 0) there.value = new Set([...there.value, ...fresh.map(({ id }) => id)]);
      workAfter(REST);
    },
    { immediate: true, flush: 'sync' },
  );
  onScopeDispose(() => timer !== null && clearTimeout(timer));
  /** What of the board is in view now. */
  const look = (view: Rect): void => {
    if (!part.value || !holds(part.value, view)) part.value = widened(view);
    else if (timer !== null) workAfter(REST);
  };
  return { isLarge, shown, missing, look };
};

/** Around all nodes; null where there are none. */
export const boundsOf = (all: readonly GraphNode[]): Rect | null => {
  if (all.length === 0) return null;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { at } of all) {
    left = Math.min(left, at[0]);
    top = Math.min(top, at[1]);
    right = Math.max(right, at[0] + WIDTH);
    bottom = Math.max(bottom, at[1] + HEIGHT / 2);
  }
  return { left, top, right, bottom };
};
