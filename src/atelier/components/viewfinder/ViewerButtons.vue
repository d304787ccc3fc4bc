<script setup lang="ts">
/** What a viewer can do with a camera application: record, take a photo, flip the camera; and be loud, where the effect listens. It is recorded on the strip. */
import { computed } from 'vue';
import { Aperture, Circle, Square, SwitchCamera, Volume2 } from '@lucide/vue';
import { requirementsOf } from '../../../core/requirements/requirements';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import RoundButton from './RoundButton.vue';

const playback = usePlaybackStore();
const effectStore = useEffectStore();
const listens = computed(() => playback.source === 'take' && requirementsOf(effectStore.effect).microphone);
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
    <RoundButton
      v-if="listens"
      label="It is loud around the viewer"
      hint="It is loud around the viewer for a second from now on"
      @click="playback.makeNoise()"
    >
      <Volume2 :size="14" />
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
