<script setup lang="ts">
/**
 * A moving thumbnail of an effect. The film that is kept with it is shown at once; one of an older revision, or none, is drawn anew when
 * it comes into sight, and kept.
 */
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useIntersectionObserver } from '@vueuse/core';
import type { EffectSummary } from '../../../core/contract/contract';
import type { Effect } from '../../../core/document/schema';
import { sentence } from '../../../core/errors';
import { api } from '../../api/client';
import { FILM_MOMENTS } from '../../drawing/effect-film';
import FilmStrip from './FilmStrip.vue';
import MovingStills from './MovingStills.vue';

const props = defineProps<{ record: EffectSummary }>();
const box = ref<HTMLElement | null>(null);
const effect = shallowRef<Effect | null>(null);
const problem = ref<string | null>(null);
const seen = ref(false);
/** The revision of the film that is kept, here or by this visit. */
const kept = ref<number | null>(null);
watch(
  () => props.record.film,
  (film) => (kept.value = film),
  { immediate: true },
);
const film = computed(() => (kept.value === null ? null : api.filmUrl(props.record.id, kept.value)));
const { stop } = useIntersectionObserver(box, ([entry]) => {
  if (!entry?.isIntersecting) return;
  stop();
  seen.value = true;
});
onBeforeUnmount(stop);
watch([seen, () => props.record.revision] as const, async ([isSeen, revision]) => {
  if (!isSeen || kept.value === revision) return;
  try {
    effect.value = (await api.get(props.record.id)).effect;
    problem.value = null;
  } catch (error) {
    problem.value = sentence(error);
  }
});
/** Where it cannot be kept the next visit draws it again. */
const keep = async (made: Blob): Promise<void> => {
  const { id, revision } = props.record;
  try {
    await api.keepFilm(id, revision, made);
    kept.value = revision;
    effect.value = null;
  } catch {
    // What is drawn stays in sight.
  }
};
</script>

<template>
  <div ref="box" class="thumb">
    <FilmStrip v-if="film" class="film" :url="film" :frames="FILM_MOMENTS.length" :seconds="6" />
    <MovingStills v-if="effect" :class="{ unseen: film }" :effect="effect" @made="keep" />
    <p v-else-if="problem" class="problem">{{ problem }}</p>
  </div>
</template>

<style scoped>
.thumb {
  position: relative;
  aspect-ratio: 3 / 4;
  border-radius: 8px;
  overflow: hidden;
  background: var(--grey);
}
.film {
  position: absolute;
  inset: 0;
}
/* The film of the revision before is looked at until the new one is there. */
.unseen {
  display: none;
}
.problem {
  margin: 0;
  padding: 12px;
  color: #fff;
  font-size: 12px;
}
</style>
