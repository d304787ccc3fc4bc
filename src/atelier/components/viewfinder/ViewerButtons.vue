<script setup lang="ts">
/** What a viewer can do with a camera application: record, take a photo, flip the camera. It is recorded on the strip. */
import { Aperture, Circle, Square, SwitchCamera } from '@lucide/vue';
import { usePlaybackStore } from '../../stores/playback';

const playback = usePlaybackStore();
</script>

<template>
  <div class="buttons" role="group" aria-label="What the viewer does with the camera">
    <button
      type="button"
      :aria-label="playback.recording ? 'The viewer stops recording' : 'The viewer starts recording'"
      :title="playback.recording ? 'The viewer stops recording now' : 'The viewer starts recording now'"
      @click="playback.viewerEvent(playback.recording ? 'recordStops' : 'recordStarts')"
    >
      <Square v-if="playback.recording" :size="12" fill="currentColor" /><Circle
        v-else
        :size="13"
        fill="currentColor"
      />
    </button>
    <button
      type="button"
      aria-label="The viewer takes a photo"
      title="The viewer takes a photo now"
      @click="playback.viewerEvent('photo')"
    >
      <Aperture :size="14" />
    </button>
    <button
      type="button"
      aria-label="The viewer flips the camera"
      title="The viewer flips the camera now"
      @click="playback.viewerEvent('cameraFlips')"
    >
      <SwitchCamera :size="14" />
    </button>
  </div>
</template>

<style scoped>
.buttons {
  position: absolute;
  right: 8px;
  bottom: 8px;
  display: flex;
  gap: 4px;
}
button {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 0;
  border-radius: 50%;
  background: #1d2327b8;
  color: #fff;
  cursor: pointer;
}
button:first-child {
  color: #ff8f88;
}
button:focus-visible {
  outline: 2px solid #fff;
}
</style>
