<script setup lang="ts">
/** The flat face layout that is painted on, with its net and regions, zoomed and scrolled. */
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import {
  EYE_OPENINGS,
  FACE_EDGE,
  FACE_REGIONS,
  faceRegion,
  MOUTH_OPENING,
  outlinePath,
} from '../../../../../core/face/regions';
import { OPEN_TRIANGLES, UV } from '../../../../../core/face/neutral';
import type { Spot } from '../../../../../core/face/skin-spot';
import { SHEET_SIZE } from '../../../../../core/painter/sheet';
import type { SeenCutout } from '../../../../../stage/effect/seen-cutouts';
import { usePainterStore } from '../../../../stores/painter';

const props = defineProps<{
  net: boolean;
  regions: boolean;
  zoom: number;
  /** A face laid flat, beneath what is painted. */
  photo: SeenCutout | null;
}>();
const painter = usePainterStore();
const canvas = ref<HTMLCanvasElement | null>(null);
const view = ref<HTMLElement | null>(null);
/** Where the brush is, on the layout; by keys it is moved and set down. */
const cursor = ref<Spot>([0.5, 0.5]);
const seen = ref(false);

const photograph = ref<HTMLCanvasElement | null>(null);
watch(
  () => [props.photo, photograph.value] as const,
  ([photo, into]) => {
    if (!photo || !into) return;
    const { width, height, pixels } = photo;
    Object.assign(into, { width, height });
    const image = new ImageData(width, height);
    // Read from the graphics card, its rows run from the lowest.
    for (let y = 0; y < height; y++)
      image.data.set(pixels.subarray(4 * width * (height - 1 - y), 4 * width * (height - y)), 4 * width * y);
    into.getContext('2d')?.putImageData(image, 0, 0);
  },
  { flush: 'post', immediate: true },
);
/** With Shift the wheel makes the brush larger and smaller. */
const onWheel = (event: WheelEvent): void => {
  if (!event.shiftKey || event.ctrlKey) return;
  event.preventDefault();
  seen.value = true;
  painter.resize(-(event.deltaY || event.deltaX) / 60);
};
const draw = (): void => {
  const context = canvas.value?.getContext('2d');
  if (!context) return;
  const { data, size } = painter.pixels();
  const [left, top, right, bottom] = painter.changed ?? [0, 0, size, size];
  context.putImageData(new ImageData(data, size, size), 0, 0, left, top, right - left, bottom - top);
};
onMounted(draw);
watch(() => painter.version, draw);
// What is looked at stays in the middle.
watch(
  () => props.zoom,
  async (now, was) => {
    const box = view.value;
    if (!box) return;
    const [x, y] = [box.scrollLeft + box.clientWidth / 2, box.scrollTop + box.clientHeight / 2];
    await nextTick();
    box.scrollTo((x * now) / was - box.clientWidth / 2, (y * now) / was - box.clientHeight / 2);
  },
);

const SIZE = 1000;
const face = outlinePath(FACE_EDGE, SIZE);
const openings = [...EYE_OPENINGS, MOUTH_OPENING].map((line) => outlinePath(line, SIZE)).join('');
const outlines = FACE_REGIONS.filter((name) => name !== 'face' && name !== 'skin' && name !== 'teeth')
  .flatMap((name) => faceRegion(name).outlines.map((line) => outlinePath(line, SIZE)))
  .join('');
const netPath = (() => {
  const at = (i: number) => `${(UV[2 * i]! * SIZE).toFixed(1)} ${(UV[2 * i + 1]! * SIZE).toFixed(1)}`;
  let d = '';
  for (let t = 0; t < OPEN_TRIANGLES.length; t += 3)
    d += `M${at(OPEN_TRIANGLES[t]!)}L${at(OPEN_TRIANGLES[t + 1]!)}L${at(OPEN_TRIANGLES[t + 2]!)}Z`;
  return d;
})();
const trail = computed(() =>
  painter.trail.length > 1 ? `M${painter.trail.map(([u, v]) => `${u * SIZE} ${v * SIZE}`).join('L')}` : '',
);
const radius = computed(() => (painter.brush.size / 2 / SHEET_SIZE) * SIZE);
const brushed = computed(() => !['gradient', 'lasso'].includes(painter.tool) && !painter.stamp);

const spotAt = (event: PointerEvent): Spot => {
  const box = canvas.value!.getBoundingClientRect();
  return [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
};
const onDown = (event: PointerEvent): void => {
  if (event.button !== 0) return;
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  cursor.value = spotAt(event);
  painter.begin(cursor.value, event.pressure);
};
const onMove = (event: PointerEvent): void => {
  seen.value = true;
  // Between two pictures the pointer may have reported several places.
  const all = event.getCoalescedEvents?.() ?? [];
  for (const one of all.length > 0 ? all : [event]) {
    cursor.value = spotAt(one);
    if (event.buttons & 1) painter.goOn(cursor.value, one.pressure);
  }
};
const onUp = (): void => painter.end();
/** Arrows move the brush, Enter sets it down. */
const onKey = (event: KeyboardEvent): void => {
  const by = event.shiftKey ? 0.05 : 0.01;
  const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
  if (way) {
    event.preventDefault();
    event.stopPropagation();
    seen.value = true;
    const [u, v] = cursor.value;
    cursor.value = [Math.min(1, Math.max(0, u + way[0]!)), Math.min(1, Math.max(0, v + way[1]!))];
  } else if (event.key === 'Enter') {
    event.preventDefault();
    painter.begin(cursor.value, 0.5);
    painter.end();
  }
};
</script>

<template>
  <div ref="view" class="view">
    <div
      class="layout"
      :style="{ width: `calc(min(100cqw, 100cqh) * ${zoom})` }"
      tabindex="0"
      role="application"
      aria-label="Face layout: paint with the pointer; arrow keys move the brush, Enter sets it down"
      @pointerdown="onDown"
      @pointermove="onMove"
      @pointerup="onUp"
      @pointercancel="onUp"
      @pointerleave="seen = false"
      @wheel="onWheel"
      @keydown="onKey"
    >
      <svg class="under" :viewBox="`0 0 ${SIZE} ${SIZE}`" aria-hidden="true">
        <path :d="face" class="skin" />
        <path :d="openings" class="open" />
      </svg>
      <canvas v-if="photo" ref="photograph" aria-hidden="true" data-photo />
      <canvas ref="canvas" :width="SHEET_SIZE" :height="SHEET_SIZE" :data-version="painter.version" />
      <svg class="over" :viewBox="`0 0 ${SIZE} ${SIZE}`" aria-hidden="true">
        <path v-if="net" :d="netPath" class="net" />
        <path v-if="regions" :d="outlines" class="region" />
        <path :d="openings" class="region" />
        <path v-if="trail" :d="trail" class="trail" />
        <template v-if="seen && brushed">
          <circle :cx="cursor[0] * SIZE" :cy="cursor[1] * SIZE" :r="radius" class="brush" />
          <circle
            v-if="painter.mirrored"
            :cx="(1 - cursor[0]) * SIZE"
            :cy="cursor[1] * SIZE"
            :r="radius"
            class="brush other"
          />
        </template>
      </svg>
      <p v-if="painter.loading" class="loading" role="status">Loading what is painted</p>
    </div>
  </div>
</template>

<style scoped>
.view {
  min-height: 0;
  overflow: auto;
  container-type: size;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: #8a8580;
}
.layout {
  position: relative;
  aspect-ratio: 1;
  margin: 0 auto;
  cursor: crosshair;
  touch-action: none;
}
.layout:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: -2px;
}
svg,
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.skin {
  fill: #6d655f;
}
.open {
  fill: #5a534e;
}
.net {
  fill: none;
  stroke: #f6f3ee;
  stroke-opacity: 0.35;
  stroke-width: 0.8;
  vector-effect: non-scaling-stroke;
}
.region {
  fill: none;
  stroke: #f6f3ee;
  stroke-opacity: 0.55;
  stroke-dasharray: 4 4;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.trail,
.brush {
  fill: none;
  stroke: #fff;
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
  filter: drop-shadow(0 0 1px #000);
}
.other {
  stroke-opacity: 0.6;
}
.loading {
  position: absolute;
  inset: auto 12px 12px;
  color: #fff;
}
</style>
