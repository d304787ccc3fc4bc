<script setup lang="ts">
/** A wire on a board. Pulled at, it bends; its bends are moved and taken away by hand or by keys. */
import { computed, ref } from 'vue';
import { BaseEdge, EdgeLabelRenderer, getBezierPath, Position, useVueFlow } from '@vue-flow/core';
import type { BoardPlace } from '../../../../core/graph/graph';
import { MOST_BENDS } from '../../../../core/schema/wire-schema';
import { bendIndex, wirePath } from './wire-path';

const props = defineProps<{
  id: string;
  from: BoardPlace;
  to: BoardPlace;
  via: readonly BoardPlace[];
  /** Where it runs: "value of Write". */
  words: string;
}>();
const emit = defineEmits<{ bend: [via: readonly BoardPlace[]] }>();
const flow = useVueFlow();
/** While one is dragged. */
const drafted = ref<readonly BoardPlace[] | null>(null);
const via = computed(() => drafted.value ?? props.via);
const path = computed(() => {
  if (via.value.length > 0) return wirePath(props.from, via.value, props.to);
  const [straight] = getBezierPath({
    sourceX: props.from[0],
    sourceY: props.from[1],
    sourcePosition: Position.Right,
    targetX: props.to[0],
    targetY: props.to[1],
    targetPosition: Position.Left,
  });
  return straight;
});
const placeOf = (event: PointerEvent): BoardPlace => {
  const { x, y } = flow.screenToFlowCoordinate({ x: event.clientX, y: event.clientY });
  return [x, y];
};
/** What is dragged: a bend, or one that comes of the wire once it has moved so far. */
let held: { readonly index: number | null; readonly at: BoardPlace } | null = null;
const PULLED = 4;
const take = (event: PointerEvent, index: number | null): void => {
  if (event.button !== 0 || (index === null && props.via.length >= MOST_BENDS)) return;
  held = { index, at: placeOf(event) };
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
};
const pull = (event: PointerEvent): void => {
  if (!held) return;
  const at = placeOf(event);
  if (held.index === null) {
    if (Math.hypot(at[0] - held.at[0], at[1] - held.at[1]) < PULLED) return;
    const index = bendIndex(held.at, props.from, props.via, props.to);
    drafted.value = props.via.toSpliced(index, 0, at);
    held = { index, at };
    return;
  }
  drafted.value = via.value.toSpliced(held.index, 1, at);
};
const letGo = (): void => {
  if (drafted.value) emit('bend', drafted.value);
  held = null;
  drafted.value = null;
};
const leave = (): void => {
  held = null;
  drafted.value = null;
};
const STEPS: Readonly<Record<string, BoardPlace>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const onKey = (event: KeyboardEvent, index: number): void => {
  const way = STEPS[event.key];
  const gone = event.key === 'Delete' || event.key === 'Backspace';
  if (!way && !gone) return;
  event.preventDefault();
  event.stopPropagation();
  if (!way) return emit('bend', props.via.toSpliced(index, 1));
  const far = event.shiftKey ? 1 : 8;
  const [x, y] = props.via[index]!;
  emit('bend', props.via.toSpliced(index, 1, [x + way[0] * far, y + way[1] * far]));
};
</script>

<template>
  <g
    class="nopan"
    @pointerdown="take($event, null)"
    @pointermove="pull"
    @pointerup="letGo"
    @pointercancel="leave"
  >
    <BaseEdge :id="id" :path="path" :interaction-width="16" />
  </g>
  <EdgeLabelRenderer v-if="via.length > 0">
    <button
      v-for="([x, y], i) in via"
      :key="i"
      type="button"
      class="bend nopan nodrag"
      :style="{ transform: `translate(-50%, -50%) translate(${x}px, ${y}px)` }"
      :aria-label="`Bend ${i + 1} of the wire into ${words}: arrows move it, Delete takes it away`"
      @pointerdown.stop="take($event, i)"
      @pointermove="pull"
      @pointerup="letGo"
      @pointercancel="leave"
      @dblclick.stop="emit('bend', via.toSpliced(i, 1))"
      @keydown="onKey($event, i)"
    />
  </EdgeLabelRenderer>
</template>

<style scoped>
.bend {
  position: absolute;
  width: 11px;
  height: 11px;
  padding: 0;
  border: 1.2px solid var(--ink);
  border-radius: 6px;
  background: var(--sheet);
  cursor: move;
  pointer-events: all;
}
.bend:hover,
.bend:focus-visible {
  background: var(--accent);
  border-color: var(--accent);
}
</style>
