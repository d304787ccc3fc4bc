<script setup lang="ts">
/** Closer, farther, all of it, and larger over the bench. */
import { Maximize2, Minimize2, Minus, Plus, Scan } from '@lucide/vue';
import { useDeskStore } from '../../stores/desk';

const desk = useDeskStore();
</script>

<template>
  <div
    class="buttons"
    :class="{ close: desk.finder.zoom > 1 }"
    role="group"
    aria-label="How close the picture is"
  >
    <button
      type="button"
      aria-label="Closer"
      title="Closer  + (or Ctrl and the wheel)"
      @click="desk.finder.asked = 'closer'"
    >
      <Plus :size="13" />
    </button>
    <template v-if="desk.finder.zoom > 1">
      <button type="button" aria-label="Farther" title="Farther  −" @click="desk.finder.asked = 'farther'">
        <Minus :size="13" />
      </button>
      <button
        type="button"
        aria-label="The whole picture"
        title="The whole picture  0"
        @click="desk.finder.asked = 'whole'"
      >
        <Scan :size="13" />
      </button>
    </template>
    <button
      type="button"
      :aria-label="desk.finder.large ? 'Back to its place' : 'Larger, over the bench'"
      :title="desk.finder.large ? 'Back to its place  E' : 'Larger, over the bench  E'"
      :aria-pressed="desk.finder.large"
      @click="desk.finder.large = !desk.finder.large"
    >
      <Minimize2 v-if="desk.finder.large" :size="12" /><Maximize2 v-else :size="12" />
    </button>
  </div>
</template>

<style scoped>
.buttons {
  position: absolute;
  right: 8px;
  top: 38px;
  display: grid;
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
button:focus-visible {
  outline: 2px solid #fff;
}
</style>
