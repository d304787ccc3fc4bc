/**
 * Of a large board only what is in view, and around it, is handed to the drawing library: it watches each node that it has, and thousands
 * would be watched in vain.
 */
import { computed, shallowRef } from 'vue';
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
/** Half a screen more on each side: within that nothing changes while the board is moved. */
const widened = ({ left, top, right, bottom }: Rect): Rect => {
  const [x, y] = [(right - left) / 2, (bottom - top) / 2];
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

export const useBoardWindow = <N extends GraphNode>(all: () => readonly N[]) => {
  const part = shallowRef<Rect | null>(null);
  const isLarge = computed(() => all().length >= LARGE);
  const shown = computed<readonly N[]>(() =>
    isLarge.value ? (part.value ? nodesIn(all(), part.value) : []) : all(),
  );
  /** What of the board is in view now. */
  const look = (view: Rect): void => {
    if (!part.value || !holds(part.value, view)) part.value = widened(view);
  };
  return { isLarge, shown, look };
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
