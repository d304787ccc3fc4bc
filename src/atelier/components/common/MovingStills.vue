<script setup lang="ts">
/** An effect on the take, at a few moments in turn. */
import { computed, onBeforeUnmount, ref } from 'vue';
import type { Effect } from '../../../core/document/schema';
import { takeFor } from '../../../core/takes/library/take-for';
import { useStills } from '../../drawing/use-stills';

const props = defineProps<{ effect: Effect }>();
/** Moments that show what the take is about: front, both turns, mouth open, pucker, smile. */
const TIMES = [0.4, 1.9, 4.1, 6.1, 8.1, 11];
const take = computed(() => takeFor(props.effect));

/** Whoever goes straight on is not kept: the first still takes the machine's full attention. */
const PATIENCE = 800;
const stills = useStills(
  () => ({
    effect: props.effect,
    take: take.value,
    times: TIMES.map((t) => (t / 12) * take.value.duration),
    width: 150,
    height: 200,
  }),
  PATIENCE,
);
const tick = ref(0);
const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
const timer = still ? undefined : setInterval(() => tick.value++, 700);
onBeforeUnmount(() => clearInterval(timer));
const shown = computed(() => {
  const ready = stills.value.filter((url): url is string => url !== null);
  return ready.length > 0 ? ready[tick.value % ready.length] : null;
});
</script>

<template>
  <img v-if="shown" :src="shown" alt="" />
</template>

<style scoped>
img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
</style>
