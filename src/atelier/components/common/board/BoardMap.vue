<script setup lang="ts">
/** All of a board in small, with what is in view; a press goes there. Drawn by itself, since the board holds only what is in view. */
import { computed, ref, watchPostEffect } from 'vue';
import type { GraphNode } from '../../../../core/graph/graph';
import { useDeskStore } from '../../../stores/desk';
import { boundsOf, type Rect } from './use-board-window';

const props = defineProps<{
  nodes: readonly GraphNode[];
  selected: readonly string[];
  /** What is in view, in the board's own space. */
  view: Rect;
}>();
const emit = defineEmits<{ go: [x: number, y: number] }>();
const WIDTH = 150;
const HEIGHT = 92;
const desk = useDeskStore();
const canvas = ref<HTMLCanvasElement | null>(null);
interface Fit {
  readonly left: number;
  readonly top: number;
  readonly scale: number;
}
const bounds = computed(() => boundsOf(props.nodes));
/** From the board's space into the map's; the same object while it is the same. */
const fit = computed<Fit>((before) => {
  const { view } = props;
  const all = bounds.value ?? view;
  const [left, top] = [Math.min(all.left, view.left), Math.min(all.top, view.top)];
  const wide = Math.max(all.right, view.right) - left;
  const high = Math.max(all.bottom, view.bottom) - top;
  const scale = Math.min(WIDTH / wide, HEIGHT / high);
  const isSame = before?.left === left && before.top === top && before.scale === scale;
  return isSame ? before : { left, top, scale };
});
/** Drawn anew only when nodes change: what is in view changes with each picture while the board is moved. */
watchPostEffect(() => {
  // In its colours: drawn anew for the other theme.
  void desk.dark;
  const context = canvas.value?.getContext('2d');
  if (!context) return;
  const { left, top, scale } = fit.value;
  const style = getComputedStyle(canvas.value!);
  const chosen = new Set(props.selected);
  const [soft, accent] = [style.getPropertyValue('--soft'), style.getPropertyValue('--accent')];
  context.clearRect(0, 0, WIDTH, HEIGHT);
  for (const { id, at } of props.nodes) {
    context.fillStyle = chosen.has(id) ? accent : soft;
    context.fillRect(
      (at[0] - left) * scale,
      (at[1] - top) * scale,
      Math.max(2, 196 * scale),
      Math.max(2, 100 * scale),
    );
  }
});
const inView = computed(() => {
  const { left, top, scale } = fit.value;
  const { view } = props;
  return {
    transform: `translate(${(view.left - left) * scale}px, ${(view.top - top) * scale}px)`,
    width: `${(view.right - view.left) * scale}px`,
    height: `${(view.bottom - view.top) * scale}px`,
  };
});
const go = (event: PointerEvent): void => {
  if (event.buttons !== 1) return;
  const box = canvas.value!.getBoundingClientRect();
  const { left, top, scale } = fit.value;
  emit('go', (event.clientX - box.left) / scale + left, (event.clientY - box.top) / scale + top);
};
</script>

<template>
  <div class="map">
    <canvas
      ref="canvas"
      :width="WIDTH"
      :height="HEIGHT"
      role="img"
      aria-label="Map of the board"
      title="Press to go there"
      @pointerdown="go"
      @pointermove="go"
    />
    <div class="view" :style="inView" />
  </div>
</template>

<style scoped>
.map {
  position: absolute;
  right: 8px;
  bottom: 8px;
  z-index: 5;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: color-mix(in srgb, var(--sheet) 92%, transparent);
  overflow: hidden;
}
canvas {
  display: block;
  cursor: crosshair;
}
.view {
  position: absolute;
  inset: 0 auto auto 0;
  border: 1px solid var(--accent);
  pointer-events: none;
}
</style>
