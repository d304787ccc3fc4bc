<script setup lang="ts">
/** What the viewer did on the take, where it was done: taps, drags, controls, the camera application. Pressed, each is removed. */
import { computed } from 'vue';
import { marksOf } from '../../../core/behave/recorded-marks';
import { usePlaybackStore } from '../../stores/playback';

/** `at` gives the pixels from the left of the lane. */
defineProps<{ at: (time: number) => number }>();
const playback = usePlaybackStore();

const EVENT_WORDS = {
  recordStarts: 'recording starts',
  recordStops: 'recording stops',
  photo: 'photo',
  cameraFlips: 'camera flipped',
} as const;
const EVENT_MARKS = { recordStarts: '●', recordStops: '■', photo: '◎', cameraFlips: '⟲' } as const;
const marks = computed(() => marksOf(playback.recorded));
const settings = computed(() => marks.value.settings.map((run) => ({ run, last: run.at(-1)! })));
</script>

<template>
  <button
    v-for="(tap, i) in marks.taps"
    :key="`t${i}`"
    class="tap"
    type="button"
    :style="{ left: `${at(tap.time)}px` }"
    :aria-label="`Recorded tap at ${tap.time.toFixed(2)} seconds; press to remove`"
    :title="`Tap at ${tap.time.toFixed(2)} s. Click to remove`"
    @click="playback.remove([tap])"
  />
  <button
    v-for="gesture in marks.gestures"
    :key="`g${gesture.from}`"
    class="gesture"
    type="button"
    :style="{
      left: `${at(gesture.from)}px`,
      width: `${Math.max(10, at(gesture.to) - at(gesture.from))}px`,
    }"
    :aria-label="`Recorded drag at ${gesture.from.toFixed(2)} seconds; press to remove`"
    :title="`Drag at ${gesture.from.toFixed(2)} s. Click to remove`"
    @click="playback.removeGesture(gesture)"
  />
  <button
    v-for="(record, i) in marks.events"
    :key="`e${i}`"
    class="event"
    type="button"
    :style="{ left: `${at(record.time)}px` }"
    :aria-label="`Recorded: ${EVENT_WORDS[record.input.event]} at ${record.time.toFixed(2)} seconds; press to remove`"
    :title="`${EVENT_WORDS[record.input.event]} at ${record.time.toFixed(2)} s. Click to remove`"
    @click="playback.remove([record])"
  >
    {{ EVENT_MARKS[record.input.event] }}
  </button>
  <button
    v-for="{ run, last } in settings"
    :key="`c${last.input.control}${last.time}`"
    class="event"
    type="button"
    :style="{ left: `${at(last.time)}px` }"
    :aria-label="`Recorded control at ${last.time.toFixed(2)} seconds; press to remove`"
    :title="`Control set to ${Math.round(last.input.value * 100) / 100} at ${last.time.toFixed(2)} s. Click to remove`"
    @click="playback.remove(run)"
  >
    ◆
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
