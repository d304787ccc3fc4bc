<script setup lang="ts">
/** A waveform whose kept part is dragged by its edges. */
import { computed, ref } from 'vue';
import { scaleLinear } from 'd3';
import { peaksOf, type Sound } from '../../../../core/assets/sounds/sound';
import type { SoundAsset } from '../../../../core/document/schema';

const props = defineProps<{ sound: Sound; start: number; end: number; loop: SoundAsset['loop'] }>();
const emit = defineEmits<{ cut: [start: number, end: number] }>();
const [WIDTH, HEIGHT] = [1000, 180];
const box = ref<SVGSVGElement | null>(null);
const whole = computed(() => props.sound.channels[0]!.length / props.sound.rate);
const x = computed(() => scaleLinear([0, whole.value || 1], [0, WIDTH]));
const path = computed(() => {
  const peaks = peaksOf(props.sound, 500);
  return peaks
    .map(
      (p, i) =>
        `M${((i + 0.5) * WIDTH) / peaks.length} ${HEIGHT / 2 - Math.max(1, p * 84)}V${HEIGHT / 2 + Math.max(1, p * 84)}`,
    )
    .join('');
});
const ticks = computed(() => x.value.ticks(8));

const timeAt = (event: PointerEvent): number => {
  const rect = box.value!.getBoundingClientRect();
  return x.value.invert(((event.clientX - rect.left) / rect.width) * WIDTH);
};
let edge: 'start' | 'end' | null = null;
const down = (which: 'start' | 'end', event: PointerEvent): void => {
  edge = which;
  (event.target as Element).setPointerCapture(event.pointerId);
};
const drag = (event: PointerEvent): void => {
  if (edge === 'start') emit('cut', Math.min(timeAt(event), props.end - 0.02), props.end);
  if (edge === 'end') emit('cut', props.start, Math.max(timeAt(event), props.start + 0.02));
};
const nudge = (which: 'start' | 'end', by: number): void =>
  which === 'start' ? emit('cut', props.start + by, props.end) : emit('cut', props.start, props.end + by);
</script>

<template>
  <svg
    ref="box"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT + 18}`"
    preserveAspectRatio="none"
    role="group"
    aria-label="Waveform"
    @pointermove="drag"
    @pointerup="edge = null"
  >
    <rect :width="WIDTH" :height="HEIGHT" class="away" />
    <rect :x="x(start)" :width="Math.max(0, x(end) - x(start))" :height="HEIGHT" class="kept" />
    <rect
      v-if="loop"
      :x="x(start + loop.start)"
      :width="Math.max(0, x(loop.end) - x(loop.start))"
      :y="HEIGHT - 8"
      height="8"
      class="loop"
    />
    <path :d="path" />
    <g v-for="which in ['start', 'end'] as const" :key="which">
      <line
        :x1="x(which === 'start' ? start : end)"
        :x2="x(which === 'start' ? start : end)"
        y1="0"
        :y2="HEIGHT"
        class="edge"
      />
      <rect
        :x="x(which === 'start' ? start : end) - 9"
        width="18"
        :height="HEIGHT"
        class="grip"
        tabindex="0"
        role="slider"
        :aria-label="which === 'start' ? 'Where the kept part begins' : 'Where the kept part ends'"
        :aria-valuenow="Math.round((which === 'start' ? start : end) * 1000) / 1000"
        aria-valuemin="0"
        :aria-valuemax="Math.round(whole * 1000) / 1000"
        @pointerdown="(e) => down(which, e)"
        @keydown.left.prevent="nudge(which, -0.05)"
        @keydown.right.prevent="nudge(which, 0.05)"
      />
    </g>
    <text v-for="t in ticks" :key="t" :x="x(t)" :y="HEIGHT + 14">{{ t }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 220px;
  touch-action: none;
}
.away {
  fill: var(--line2);
}
.kept {
  fill: var(--sheet);
}
.loop {
  fill: var(--accent);
  opacity: 0.55;
}
path {
  stroke: var(--accent);
  stroke-width: 1.4;
}
.edge {
  stroke: var(--ink);
  stroke-width: 2;
}
.grip {
  fill: transparent;
  cursor: ew-resize;
}
.grip:focus-visible {
  outline: 2px solid var(--accent);
}
text {
  font: 11px var(--mono);
  fill: var(--soft);
}
</style>
