<script setup lang="ts">
/** An effect on the take, at a few moments in turn. */
import { computed, watch } from 'vue';
import type { Effect } from '../../../core/document/schema';
import { takeFor } from '../../../core/takes/library/take-for';
import { useTurns } from '../../styles/reduced-motion';
import { FILM_MOMENTS, FRAME_HEIGHT, FRAME_WIDTH, joinFrames } from '../../drawing/effect-film';
import { useStills } from '../../drawing/use-stills';
import { useDeskStore } from '../../stores/desk';

const props = defineProps<{ effect: Effect }>();
/** All frames are there: side by side as one picture. */
const emit = defineEmits<{ made: [film: Blob] }>();
const desk = useDeskStore();
const take = computed(() => takeFor(props.effect));

/** Whoever goes straight on is not kept: the first still takes the machine's full attention. */
const PATIENCE = 800;
const stills = useStills(
  () => ({
    effect: props.effect,
    take: take.value,
    times: FILM_MOMENTS.map((share) => share * take.value.duration),
    width: FRAME_WIDTH,
    height: FRAME_HEIGHT,
  }),
  PATIENCE,
);
const turn = useTurns();
const ready = computed(() => stills.value.filter((url): url is string => url !== null));
const shown = computed(() => (ready.value.length > 0 ? ready.value[turn.value % ready.value.length] : null));
watch(ready, async (frames) => {
  // Plain figures are one machine's way out, not how the effect looks.
  if (frames.length < FILM_MOMENTS.length || desk.people === 'plain') return;
  try {
    emit('made', await joinFrames(frames));
  } catch {
    // The frames stay in sight one by one.
  }
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
