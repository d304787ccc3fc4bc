<script setup lang="ts">
/** Closer, farther, all of it, and larger over the bench. */
import { computed } from 'vue';
import { Maximize2, Minimize2, Minus, Plus, Scan } from '@lucide/vue';
import { useDeskStore } from '../../stores/desk';
import RoundButton from './RoundButton.vue';

const desk = useDeskStore();
const larger = computed(() => (desk.finder.large ? 'Back to its place' : 'Larger, over the bench'));
</script>

<template>
  <div class="buttons" role="group" aria-label="How close the picture is">
    <RoundButton
      label="Closer"
      hint="Closer  + (or Ctrl and the wheel)"
      @click="desk.finder.asked = 'closer'"
    >
      <Plus :size="13" />
    </RoundButton>
    <template v-if="desk.finder.zoom > 1">
      <RoundButton label="Farther" hint="Farther  −" @click="desk.finder.asked = 'farther'">
        <Minus :size="13" />
      </RoundButton>
      <RoundButton label="The whole picture" hint="The whole picture  0" @click="desk.finder.asked = 'whole'">
        <Scan :size="13" />
      </RoundButton>
    </template>
    <RoundButton
      :label="larger"
      :hint="`${larger}  E`"
      :pressed="desk.finder.large"
      @click="desk.finder.large = !desk.finder.large"
    >
      <Minimize2 v-if="desk.finder.large" :size="12" /><Maximize2 v-else :size="12" />
    </RoundButton>
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
</style>
