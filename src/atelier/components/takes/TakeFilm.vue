<script setup lang="ts">
/** A moving thumbnail of a take: a shipped row of frames, or stills drawn here for the creator's own. */
import { computed } from 'vue';
import { blankEffect } from '../../../core/document/defaults';
import type { Take } from '../../../core/takes/take';
import { useStills } from '../../drawing/use-stills';
import { useTurns } from '../../styles/reduced-motion';
import { FILM_FRAMES, FILM_HEIGHT, FILM_WIDTH } from '../../takes/film';
import FilmStrip from '../common/FilmStrip.vue';
import { filmOf } from '../../takes/shipped-films';

const props = defineProps<{ take: Take }>();
const film = computed(() => filmOf(props.take.id));

const STILLS = 4;
const empty = blankEffect('film');
const stills = useStills(
  () =>
    film.value
      ? null
      : {
          effect: empty,
          take: props.take,
          times: Array.from({ length: STILLS }, (_, i) => ((i + 0.4) / STILLS) * props.take.duration),
          width: FILM_WIDTH,
          height: FILM_HEIGHT,
        },
  200,
);
const turn = useTurns();
const still = computed(() => {
  const ready = stills.value.filter((url): url is string => url !== null);
  return ready.length > 0 ? ready[turn.value % ready.length] : null;
});
</script>

<template>
  <div class="take-film">
    <FilmStrip v-if="film" :url="film" :frames="FILM_FRAMES" :seconds="take.duration * 0.7" />
    <img v-else-if="still" :src="still" alt="" />
  </div>
</template>

<style scoped>
.take-film {
  aspect-ratio: 9 / 16;
  border-radius: 6px;
  overflow: hidden;
  background: var(--grey);
}
img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
}
</style>
