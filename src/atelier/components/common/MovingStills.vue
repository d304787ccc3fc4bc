<script setup lang="ts">
/** An effect on the take, at a few moments in turn. */
import { computed } from 'vue';
import type { Effect } from '../../../core/document/schema';
import { takeFor } from '../../../core/takes/library/take-for';
import { reducedMotion, useTurns } from '../../styles/reduced-motion';
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
    times: (reducedMotion.value ? TIMES.slice(0, 1) : TIMES).map((t) => (t / 12) * take.value.duration),
    width: 150,
    height: 200,
  }),
  PATIENCE,
);
const turn = useTurns();
const shown = computed(() => {
  const ready = stills.value.filter((url): url is string => url !== null);
  return ready.length > 0 ? ready[turn.value % ready.length] : null;
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
