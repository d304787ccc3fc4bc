<script setup lang="ts">
/** The name of the take, wherever it stands: one click opens the list of takes, the next chooses one. */
import { useEventListener } from '@vueuse/core';
import { ref } from 'vue';
import type { Take } from '../../../core/takes/take';
import { usePlaybackStore } from '../../stores/playback';
import TakePicker from './TakePicker.vue';

const playback = usePlaybackStore();
const open = ref(false);
const button = ref<HTMLButtonElement | null>(null);
const list = ref<HTMLElement | null>(null);
/** Escape closes it, and so does going on elsewhere: it would lie over what is opened next. */
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (!open.value || event.key !== 'Escape') return;
  open.value = false;
  button.value?.focus();
});
useEventListener(document, 'focusin', ({ target }: FocusEvent) => {
  const inside = [button.value, list.value].some((part) => part?.contains(target as Node));
  // Lists that the picker opens lie beside it.
  const ofSelect = (target as Element | null)?.closest?.('.ant-select-dropdown');
  if (open.value && !inside && !ofSelect) open.value = false;
});
const choose = (take: Take): void => {
  open.value = false;
  playback.chooseTake(take);
};
</script>

<template>
  <a-popover v-model:open="open" trigger="click" placement="topLeft" overlay-class-name="take-menu">
    <button ref="button" type="button" class="take-name cut" :aria-expanded="open" title="Open another take">
      <slot>{{ playback.take.name }}</slot>
    </button>
    <template #content>
      <div ref="list" class="list"><TakePicker :current="playback.take.id" @choose="choose" /></div>
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
