<script setup lang="ts">
/** A clip that is being tracked: how far it is, and the way out. */
import { computed } from 'vue';
import { useClipsStore } from '../../stores/clips';
import WordButton from '../common/WordButton.vue';

const clips = useClipsStore();
const percent = computed(() => Math.round(100 * (clips.coming?.share ?? 0)));
</script>

<template>
  <div v-if="clips.coming" class="row" role="status">
    <span class="grow cut">{{ clips.coming.name }} is being tracked</span>
    <a-progress :percent="percent" size="small" class="bar" />
    <WordButton @click="clips.cancel()">Cancel</WordButton>
  </div>
</template>

<style scoped>
.bar {
  width: 140px;
  margin: 0;
}
</style>
