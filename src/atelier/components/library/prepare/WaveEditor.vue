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
  const peaks = peaksOf(props.sound, 400);
  const at = (i: number) => ((i + 0.5) * WIDTH) / peaks.length;
  const y = (p: number, side: number) => (HEIGHT / 2 + side * Math.max(0.8, p * 84)).toFixed(1);
  const upper = peaks.map((p, i) => `${at(i).toFixed(1)} ${y(p, -1)}`);
  const lower = peaks.map((p, i) => `${at(i).toFixed(1)} ${y(p, 1)}`).reverse();
  return `M${upper.join('L')}L${lower.join('L')}Z`;
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
  <div class="wave">
    <svg
      ref="box"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
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
    </svg>
    <span v-for="t in ticks" :key="t" class="tick num" :style="{ left: `${x(t) / 10}%` }">{{ t }}</span>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  height: 200px;
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
  fill: var(--accent);
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
.wave {
  position: relative;
  padding-bottom: 18px;
}
.tick {
  position: absolute;
  bottom: 0;
  transform: translateX(-50%);
  color: var(--soft);
}
.tick:first-of-type {
  transform: none;
}
</style>
