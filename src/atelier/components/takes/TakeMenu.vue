<script setup lang="ts">
/** The name of the take, wherever it stands: one click opens the list of takes, the next chooses one. */
import { ref } from 'vue';
import type { Take } from '../../../core/takes/take';
import { usePlaybackStore } from '../../stores/playback';
import TakePicker from './TakePicker.vue';

const playback = usePlaybackStore();
const open = ref(false);
const choose = (take: Take): void => {
  open.value = false;
  playback.chooseTake(take);
};
</script>

<template>
  <a-popover v-model:open="open" trigger="click" placement="topLeft" overlay-class-name="take-menu">
    <button type="button" class="take-name cut" :aria-expanded="open" title="Open another take">
      <slot>{{ playback.take.name }}</slot>
    </button>
    <template #content>
      <div class="list"><TakePicker :current="playback.take.id" @choose="choose" /></div>
    </template>
  </a-popover>
</template>

<style scoped>
.take-name {
  max-width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.take-name:hover {
  text-decoration: underline;
}
.list {
  width: 460px;
  max-width: 80vw;
  max-height: min(440px, 60vh);
  overflow: auto;
}
</style>
