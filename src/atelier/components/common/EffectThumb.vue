<script setup lang="ts">
/** A moving thumbnail of an effect. Its document is asked for when it comes into sight. */
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useIntersectionObserver } from '@vueuse/core';
import type { Effect } from '../../../core/document/schema';
import { sentence } from '../../../core/errors';
import { api } from '../../api/client';
import MovingStills from './MovingStills.vue';

const props = defineProps<{ id: string; revision: number }>();
const box = ref<HTMLElement | null>(null);
const effect = shallowRef<Effect | null>(null);
const problem = ref<string | null>(null);
const seen = ref(false);
const { stop } = useIntersectionObserver(box, ([entry]) => {
  if (!entry?.isIntersecting) return;
  stop();
  seen.value = true;
});
onBeforeUnmount(stop);
watch([seen, () => props.revision] as const, async () => {
  if (!seen.value) return;
  try {
    effect.value = (await api.get(props.id)).effect;
    problem.value = null;
  } catch (error) {
    problem.value = sentence(error);
  }
});
</script>

<template>
  <div ref="box" class="thumb">
    <MovingStills v-if="effect" :effect="effect" />
    <p v-else-if="problem" class="problem">{{ problem }}</p>
  </div>
</template>

<style scoped>
.thumb {
  aspect-ratio: 3 / 4;
  border-radius: 8px;
  overflow: hidden;
  background: var(--grey);
}
.problem {
  margin: 0;
  padding: 12px;
  color: #fff;
  font-size: 12px;
}
</style>
