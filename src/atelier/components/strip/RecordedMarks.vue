<script setup lang="ts">
/**
 * What the viewer did on the take, where it was done: taps, drags, noise, controls, the camera application. Each is dragged along the strip, or moved with the arrow
 * keys; pressed, it is removed.
 */
import { computed, ref } from 'vue';
import { recordedOf, type Recorded } from '../../../core/behave/recorded';
import { marksOf } from '../../../core/behave/recorded-marks';
import type { Seconds } from '../../../core/units';
import { usePlaybackStore } from '../../stores/playback';

/** `at` gives the pixels from the left of the lane. */
const props = defineProps<{ at: (time: number) => number }>();
const playback = usePlaybackStore();

const EVENT_WORDS = {
  recordStarts: 'recording starts',
  recordStops: 'recording stops',
  photo: 'photo',
  cameraFlips: 'camera flipped',
} as const;
const EVENT_MARKS = { recordStarts: '●', recordStops: '■', photo: '◎', cameraFlips: '⟲' } as const;
const marks = computed(() => marksOf(playback.recorded));
interface Mark {
  readonly key: string;
  readonly kind: 'tap' | 'gesture' | 'noise' | 'event';
  readonly from: Seconds;
  readonly to: Seconds;
  readonly words: string;
  readonly title: string;
  readonly sign: string;
  readonly records: readonly Recorded[];
}
const shown = computed((): Mark[] => {
  const { taps, gestures, noises, events, settings } = marks.value;
  const fingers = recordedOf(playback.recorded, 'fingers');
  const loud = recordedOf(playback.recorded, 'noise');
  const at = (time: Seconds) => ({ from: time, to: time });
  return [
    ...taps.map((tap, i): Mark => ({
      ...{ key: `t${i}`, kind: 'tap', ...at(tap.time) },
      ...{ words: 'tap', title: 'Tap', sign: '', records: [tap] },
    })),
    ...gestures.map(({ from, to }, i): Mark => ({
      ...{ key: `g${i}`, kind: 'gesture', from, to, words: 'drag', title: 'Drag', sign: '' },
      records: fingers.filter((r) => r.time >= from && r.time <= to),
    })),
    ...noises.map(({ from, to }, i): Mark => ({
      ...{ key: `n${i}`, kind: 'noise', from, to, words: 'noise', title: 'Noise', sign: '' },
      records: loud.filter((r) => r.time >= from && r.time <= to),
    })),
    ...events.map((record, i): Mark => ({
      ...{ key: `e${i}`, kind: 'event', ...at(record.time), sign: EVENT_MARKS[record.input.event] },
      words: EVENT_WORDS[record.input.event],
      title: EVENT_WORDS[record.input.event],
      records: [record],
    })),
    ...settings.map((run, i): Mark => {
      const last = run.at(-1)!;
      return {
        ...{ key: `c${i}`, kind: 'event', ...at(last.time), words: 'control', sign: '◆' },
        title: `Control set to ${Math.round(last.input.value * 100) / 100}`,
        records: run,
      };
    }),
  ];
});

/** How far an arrow key moves a mark. */
const STEP_BY: Seconds = 0.1;
/** Pixels; less is a click with a trembling hand. */
const STILL = 3;
const dragged = ref<string | null>(null);
const by = ref(0);
let began = 0;
/** The click that ends a drag removes nothing. */
let wasDragged = false;
const begin = (event: PointerEvent, key: string): void => {
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  dragged.value = key;
  began = event.clientX;
  by.value = 0;
  wasDragged = false;
};
const drag = (event: PointerEvent): void => {
  if (dragged.value === null) return;
  const moved = event.clientX - began;
  if (wasDragged || Math.abs(moved) > STILL) {
    wasDragged = true;
    by.value = moved;
  }
};
const end = ({ records }: Mark): void => {
  if (dragged.value === null) return;
  dragged.value = null;
  const pixelsPerSecond = props.at(1) - props.at(0);
  if (wasDragged && pixelsPerSecond > 0) playback.shift(records, by.value / pixelsPerSecond);
};
const press = ({ records, kind, from, to }: Mark): void => {
  if (wasDragged) wasDragged = false;
  else if (kind === 'gesture') playback.removeGesture({ from, to });
  else playback.remove(records);
};
</script>

<template>
  <button
    v-for="mark in shown"
    :key="mark.key"
    :class="mark.kind"
    type="button"
    :style="{
      left: `${at(mark.from) + (dragged === mark.key ? by : 0)}px`,
      ...(mark.kind === 'gesture' || mark.kind === 'noise'
        ? { width: `${Math.max(10, at(mark.to) - at(mark.from))}px` }
        : {}),
    }"
    :aria-label="`Recorded ${mark.words} at ${mark.from.toFixed(2)} seconds; arrow keys move it, press to remove`"
    :title="`${mark.title} at ${mark.from.toFixed(2)} s. Drag to move, click to remove`"
    @pointerdown="begin($event, mark.key)"
    @pointermove="drag"
    @pointerup="end(mark)"
    @pointercancel="dragged = null"
    @keydown.left.stop.prevent="playback.shift(mark.records, -STEP_BY)"
    @keydown.right.stop.prevent="playback.shift(mark.records, STEP_BY)"
    @click="press(mark)"
  >
    {{ mark.sign }}
  </button>
</template>

<style scoped>
.event {
  position: absolute;
  top: 80px;
  width: 16px;
  height: 16px;
  margin-left: -8px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--madder);
  font-size: 11px;
  line-height: 16px;
  cursor: pointer;
}
.gesture {
  position: absolute;
  top: 86px;
  height: 8px;
  padding: 0;
  border: 2px solid var(--sheet);
  border-radius: 5px;
  background: var(--madder);
  cursor: pointer;
}
/* Loud and quiet by turns. */
.noise {
  position: absolute;
  top: 84px;
  height: 12px;
  padding: 0;
  border: 2px solid var(--sheet);
  border-radius: 3px;
  background: repeating-linear-gradient(90deg, var(--madder) 0 2px, transparent 2px 4px);
  cursor: pointer;
}
.tap {
  position: absolute;
  top: 84px;
  width: 12px;
  height: 12px;
  margin-left: -6px;
  padding: 0;
  border: 2px solid var(--sheet);
  border-radius: 50%;
  background: var(--madder);
  cursor: pointer;
}
</style>
