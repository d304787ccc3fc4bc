<script setup lang="ts">
/**
 * Tone curves to draw: click for a point, drag it, or go to it by Tab and move it with the arrow keys; Delete takes
 * it away. The first and the last point only move up and down the sides they stand at, or inwards.
 */
import { computed, ref } from 'vue';
import { line, scaleLinear } from 'd3';
import { clamp } from '../../../../../core/maths/scalar';
import { CURVE_GAP, MOST_CURVE_POINTS, type StepOf } from '../../../../../core/document/schema';
import { isStraight, STRAIGHT, toneCurve } from '../../../../../core/grade/tone-curve';
import ChipButton from '../../../common/ChipButton.vue';
import WordButton from '../../../common/WordButton.vue';

type Channel = 'all' | 'red' | 'green' | 'blue';
type Points = [number, number][];
const props = defineProps<{ step: StepOf<'curves'> }>();
const emit = defineEmits<{ change: [to: Partial<StepOf<'curves'>>, gesture: string | null]; done: [] }>();

const CHANNELS: readonly { readonly id: Channel; readonly label: string }[] = [
  { id: 'all', label: 'All' },
  { id: 'red', label: 'Red' },
  { id: 'green', label: 'Green' },
  { id: 'blue', label: 'Blue' },
];
const channel = ref<Channel>('all');
const points = computed(() => props.step[channel.value] as Points);
const SIZE = 200;
const EDGE = 9;
const x = scaleLinear([0, 1], [EDGE, SIZE - EDGE]);
const y = scaleLinear([0, 1], [SIZE - EDGE, EDGE]);
const SAMPLES = 100;
const path = computed(() => {
  const curve = toneCurve(points.value);
  return line<number>(
    (t) => x(t),
    (t) => y(curve(t)),
  )(Array.from({ length: SAMPLES + 1 }, (_, i) => i / SAMPLES));
});
const STOPS = [0.25, 0.5, 0.75];

const svg = ref<SVGSVGElement | null>(null);
const chosen = ref<number | null>(null);
const set = (next: Points, gesture: string | null): void =>
  emit('change', { [channel.value]: next }, gesture === null ? null : `${channel.value} ${gesture}`);
const at = (event: PointerEvent): [number, number] => {
  const box = svg.value!.getBoundingClientRect();
  return [
    clamp(x.invert(((event.clientX - box.left) / box.width) * SIZE), 0, 1),
    clamp(y.invert(((event.clientY - box.top) / box.height) * SIZE), 0, 1),
  ];
};
/** A point stays between its neighbours. */
const moved = (i: number, [px, py]: readonly [number, number]): Points => {
  const low = i === 0 ? 0 : points.value[i - 1]![0] + CURVE_GAP;
  const high = i === points.value.length - 1 ? 1 : points.value[i + 1]![0] - CURVE_GAP;
  return points.value.map((p, k): [number, number] =>
    k === i ? [clamp(px, low, high), clamp(py, 0, 1)] : p,
  );
};
let dragged: number | null = null;
const onDown = (event: PointerEvent): void => {
  const [px, py] = at(event);
  const near = points.value.findIndex(([qx, qy]) => Math.hypot(qx - px, qy - py) < 0.06);
  svg.value!.setPointerCapture(event.pointerId);
  if (near >= 0) {
    dragged = chosen.value = near;
    return;
  }
  if (points.value.length >= MOST_CURVE_POINTS) return;
  if (points.value.some(([qx]) => Math.abs(qx - px) < CURVE_GAP)) return;
  const next: Points = [...points.value, [px, py] as [number, number]].sort((a, b) => a[0] - b[0]);
  dragged = chosen.value = next.findIndex(([qx]) => qx === px);
  set(next, 'drag');
};
const onMove = (event: PointerEvent): void => {
  if (dragged !== null && event.buttons & 1) set(moved(dragged, at(event)), 'drag');
};
const onUp = (): void => {
  if (dragged === null) return;
  dragged = null;
  emit('done');
};
const STEP = 0.01;
const onKey = (i: number, event: KeyboardEvent): void => {
  const far = event.shiftKey ? 5 * STEP : STEP;
  const by = { ArrowLeft: [-far, 0], ArrowRight: [far, 0], ArrowUp: [0, far], ArrowDown: [0, -far] }[
    event.key
  ];
  const [px, py] = points.value[i]!;
  if (by) set(moved(i, [px + by[0]!, py + by[1]!]), 'keys');
  else if ((event.key === 'Delete' || event.key === 'Backspace') && points.value.length > 2)
    set(
      points.value.filter((_, k) => k !== i),
      null,
    );
  else return;
  event.preventDefault();
  event.stopPropagation();
};
const reset = (): void =>
  set(
    STRAIGHT.map(([px, py]): [number, number] => [px, py]),
    null,
  );
const percent = (v: number): string => `${Math.round(100 * v)}`;
</script>

<template>
  <div class="curves">
    <div class="channels" role="group" aria-label="Which colour">
      <ChipButton
        v-for="{ id, label } in CHANNELS"
        :key="id"
        :aria-pressed="channel === id"
        @click="channel = id"
      >
        {{ label }}<i v-if="!isStraight(step[id])" aria-label="changed">•</i>
      </ChipButton>
      <WordButton :disabled="isStraight(points)" @click="reset">Straight</WordButton>
    </div>
    <svg
      ref="svg"
      :viewBox="`0 0 ${SIZE} ${SIZE}`"
      role="group"
      :aria-label="`Tone curve, ${channel}`"
      @pointerdown="onDown"
      @pointermove="onMove"
      @pointerup="onUp"
      @pointercancel="onUp"
    >
      <rect class="ground" :x="EDGE" :y="EDGE" :width="SIZE - 2 * EDGE" :height="SIZE - 2 * EDGE" />
      <g class="grid">
        <line v-for="t in STOPS" :key="`x${t}`" :x1="x(t)" :x2="x(t)" :y1="y(0)" :y2="y(1)" />
        <line v-for="t in STOPS" :key="`y${t}`" :x1="x(0)" :x2="x(1)" :y1="y(t)" :y2="y(t)" />
        <line :x1="x(0)" :x2="x(1)" :y1="y(0)" :y2="y(1)" />
      </g>
      <path :d="path ?? ''" :class="channel" />
      <circle
        v-for="([px, py], i) in points"
        :key="i"
        :cx="x(px)"
        :cy="y(py)"
        r="5"
        tabindex="0"
        role="slider"
        :class="{ chosen: chosen === i }"
        :aria-label="`Point ${i + 1} of ${points.length}`"
        :aria-valuenow="Math.round(100 * py)"
        :aria-valuetext="`${percent(px)} becomes ${percent(py)}`"
        @keydown="(event: KeyboardEvent) => onKey(i, event)"
        @focus="chosen = i"
        @blur="emit('done')"
      />
    </svg>
    <p class="soft num">
      <template v-if="chosen !== null && points[chosen]"
        >{{ percent(points[chosen]![0]) }} becomes {{ percent(points[chosen]![1]) }}</template
      ><template v-else>Click the line for a point</template>
    </p>
  </div>
</template>

<style scoped>
.curves {
  display: grid;
  gap: 6px;
}
.channels {
  display: flex;
  gap: 5px;
  align-items: center;
}
.channels i {
  margin-left: 3px;
  font-style: normal;
}
svg {
  width: 220px;
  height: 220px;
  touch-action: none;
  cursor: crosshair;
}
.ground {
  fill: var(--sheet);
  stroke: var(--line);
}
.grid line {
  stroke: var(--line2);
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
path.red {
  stroke-dasharray: 7 3;
}
path.green {
  stroke-dasharray: 3 3;
}
path.blue {
  stroke-dasharray: 9 3 2 3;
}
circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
  cursor: grab;
}
circle.chosen {
  fill: var(--accent);
  stroke: var(--accent);
}
p {
  margin: 0;
  font-size: 11.5px;
}
</style>
