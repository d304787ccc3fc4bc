<script setup lang="ts">
/** What a viewer can do with a camera application: record, take a photo, flip the camera. It is recorded on the strip. */
import { Aperture, Circle, Square, SwitchCamera } from '@lucide/vue';
import { usePlaybackStore } from '../../stores/playback';
import RoundButton from './RoundButton.vue';

const playback = usePlaybackStore();
</script>

<template>
  <div class="buttons" role="group" aria-label="What the viewer does with the camera">
    <RoundButton
      class="record"
      :label="playback.recording ? 'The viewer stops recording' : 'The viewer starts recording'"
      :hint="playback.recording ? 'The viewer stops recording now' : 'The viewer starts recording now'"
      @click="playback.viewerEvent(playback.recording ? 'recordStops' : 'recordStarts')"
    >
      <Square v-if="playback.recording" :size="12" fill="currentColor" /><Circle
        v-else
        :size="13"
        fill="currentColor"
      />
    </RoundButton>
    <RoundButton
      label="The viewer takes a photo"
      hint="The viewer takes a photo now"
      @click="playback.viewerEvent('photo')"
    >
      <Aperture :size="14" />
    </RoundButton>
    <RoundButton
      label="The viewer flips the camera"
      hint="The viewer flips the camera now"
      @click="playback.viewerEvent('cameraFlips')"
    >
      <SwitchCamera :size="14" />
    </RoundButton>
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
.buttons .record {
  color: #ff8f88;
}
</style>
