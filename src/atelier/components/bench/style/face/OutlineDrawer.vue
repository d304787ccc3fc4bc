<script setup lang="ts">
/** The outline of a cutout on the face layout: drawn in one go, its corners dragged or moved by arrow keys. */
import { computed, ref } from 'vue';
import { evenOutline } from '../../../../../core/face/drawn-outline';
import {
  EYE_OPENINGS,
  FACE_EDGE,
  faceRegion,
  MOUTH_OPENING,
  outlinePath,
} from '../../../../../core/face/regions';
import type { Spot } from '../../../../../core/face/skin-spot';

const props = defineProps<{ outline: readonly (readonly [number, number])[] }>();
const emit = defineEmits<{ change: [outline: readonly Spot[], gesture: string | null]; done: [] }>();
const SIZE = 400;
const svg = ref<SVGSVGElement | null>(null);
const face = outlinePath(FACE_EDGE, SIZE);
const openings = [...EYE_OPENINGS, MOUTH_OPENING].map((line) => outlinePath(line, SIZE)).join('');
const features = (['brows', 'lips', 'nose'] as const)
  .flatMap((name) => faceRegion(name).outlines.map((line) => outlinePath(line, SIZE)))
  .join('');
/** The line that is being drawn; null while none is. */
const line = ref<Spot[] | null>(null);
const dragged = ref<number | null>(null);
const path = computed(() => outlinePath(line.value ?? props.outline, SIZE));

const unit = (x: number): number => Math.min(1, Math.max(0, x));
const spotAt = (event: PointerEvent): Spot => {
  const box = svg.value!.getBoundingClientRect();
  return [unit((event.clientX - box.left) / box.width), unit((event.clientY - box.top) / box.height)];
};
const moved = (i: number, to: Spot): Spot[] => props.outline.map((p, k) => (k === i ? to : p));
const down = (event: PointerEvent): void => {
  svg.value!.setPointerCapture(event.pointerId);
  const corner = (event.target as Element).getAttribute('data-corner');
  if (corner !== null) dragged.value = Number(corner);
  else line.value = [spotAt(event)];
};
const move = (event: PointerEvent): void => {
  if (dragged.value !== null) emit('change', moved(dragged.value, spotAt(event)), 'corner');
  else if (line.value) line.value.push(spotAt(event));
};
const up = (): void => {
  if (dragged.value !== null) emit('done');
  const drawn = line.value && evenOutline(line.value);
  if (drawn) emit('change', drawn, null);
  line.value = dragged.value = null;
};
const ARROWS: Record<string, Spot> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const key = (event: KeyboardEvent, i: number): void => {
  const way = ARROWS[event.key];
  if (!way) return;
  event.preventDefault();
  event.stopPropagation();
  const step = event.shiftKey ? 0.03 : 0.006;
  const [u, v] = props.outline[i]!;
  emit('change', moved(i, [unit(u + step * way[0]), unit(v + step * way[1])]), `corner ${i}`);
};
</script>

<template>
  <div>
    <svg
      ref="svg"
      :viewBox="`0 0 ${SIZE} ${SIZE}`"
      role="group"
      aria-label="Outline on the face: draw around what is to be cut out"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
    >
      <path :d="face" class="skin" />
      <path :d="features" class="feature" />
      <path :d="openings" class="open" />
      <path :d="path" class="outline" />
      <circle
        v-for="([u, v], i) in line ? [] : outline"
        :key="i"
        class="corner"
        tabindex="0"
        role="button"
        :aria-label="`Corner ${i + 1} of ${outline.length}: arrow keys move it`"
        :data-corner="i"
        :cx="u * SIZE"
        :cy="v * SIZE"
        r="5"
        @keydown="key($event, i)"
        @blur="emit('done')"
      />
    </svg>
    <p class="soft">Draw around what is to be cut out. Corners can be dragged, or moved by arrow keys.</p>
  </div>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-width: 300px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  touch-action: none;
  cursor: crosshair;
}
.skin {
  fill: #e3c6ae;
}
.feature {
  fill: none;
  stroke: #a07a60;
  stroke-width: 1.5;
}
.open {
  fill: #fff;
  stroke: #a07a60;
}
.outline {
  fill: rgb(15 107 98 / 18%);
  stroke: var(--accent);
  stroke-width: 2;
}
.corner {
  fill: #fff;
  stroke: var(--accent);
  stroke-width: 2;
  cursor: grab;
}
.corner:focus-visible {
  fill: var(--accent);
  outline: none;
}
p {
  margin: 4px 0 0;
}
</style>
