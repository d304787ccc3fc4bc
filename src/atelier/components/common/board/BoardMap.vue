<script setup lang="ts">
/** All of a board in small, with what is in view; a press goes there. Drawn by itself, since the board holds only what is in view. */
import { computed, ref, watchPostEffect } from 'vue';
import type { GraphNode } from '../../../../core/graph/graph';
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
const canvas = ref<HTMLCanvasElement | null>(null);
/** From the board's space into the map's. */
const fit = computed(() => {
  const all = boundsOf(props.nodes) ?? props.view;
  const [left, top] = [Math.min(all.left, props.view.left), Math.min(all.top, props.view.top)];
  const wide = Math.max(all.right, props.view.right) - left;
  const high = Math.max(all.bottom, props.view.bottom) - top;
  return { left, top, scale: Math.min(WIDTH / wide, HEIGHT / high) };
});
watchPostEffect(() => {
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
  const { view } = props;
  context.strokeStyle = accent;
  context.strokeRect(
    (view.left - left) * scale + 0.5,
    (view.top - top) * scale + 0.5,
    (view.right - view.left) * scale - 1,
    (view.bottom - view.top) * scale - 1,
  );
});
const go = (event: PointerEvent): void => {
  if (event.buttons !== 1) return;
  const box = canvas.value!.getBoundingClientRect();
  const { left, top, scale } = fit.value;
  emit('go', (event.clientX - box.left) / scale + left, (event.clientY - box.top) / scale + top);
};
</script>

<template>
  <canvas
    ref="canvas"
    :width="WIDTH"
    :height="HEIGHT"
    class="map"
    role="img"
    aria-label="Map of the board"
    title="Press to go there"
    @pointerdown="go"
    @pointermove="go"
  />
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
  cursor: crosshair;
}
</style>
