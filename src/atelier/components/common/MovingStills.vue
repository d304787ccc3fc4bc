<script setup lang="ts">
/** An effect on the take, at a few moments in turn. */
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import type { Effect } from '../../../core/document/schema';
import { takeFor } from '../../../core/takes/library/take-for';
import { makeTake } from '../../../core/takes/make-take';
import type { PictureImage } from '../../../stage/printed-pictures';
import { useTurns } from '../../styles/reduced-motion';
import { FILM_MOMENTS, FRAME_HEIGHT, FRAME_WIDTH, joinFrames } from '../../drawing/effect-film';
import { closeImages, printedImages } from '../../drawing/printed-images';
import { useStills } from '../../drawing/use-stills';
import { useAssetsStore } from '../../stores/assets';

const props = defineProps<{ effect: Effect }>();
/** All frames are there: side by side as one picture. */
const emit = defineEmits<{ made: [film: Blob] }>();
/** What is printed on the pictures of the take; null while it comes. */
const pictures = shallowRef<readonly PictureImage[] | null>(null);
const assets = useAssetsStore();
let isGone = false;
watch(
  () => props.effect,
  async (effect) => {
    const made = await printedImages(effect, assets.source);
    if (isGone || effect !== props.effect) return closeImages(made);
    closeImages(pictures.value ?? []);
    pictures.value = made;
  },
  { immediate: true },
);
onBeforeUnmount(() => {
  isGone = true;
  closeImages(pictures.value ?? []);
});
const take = computed(() => {
  const found = takeFor(props.effect);
  const aspects = (pictures.value ?? []).map(({ aspect }) => aspect);
  // The sheets of the take have the shape of what is printed on them.
  return found.spec.pictures === null || aspects.length === 0
    ? found
    : makeTake(found.spec, { pictureAspects: aspects });
});

/** Whoever goes straight on is not kept: the first still takes the machine's full attention. */
const PATIENCE = 800;
const stills = useStills(
  () =>
    pictures.value && {
      effect: props.effect,
      take: take.value,
      pictures: pictures.value,
      times: FILM_MOMENTS.map((share) => share * take.value.duration),
      width: FRAME_WIDTH,
      height: FRAME_HEIGHT,
    },
  PATIENCE,
);
const turn = useTurns();
const ready = computed(() => stills.value.filter((url): url is string => url !== null));
const shown = computed(() => (ready.value.length > 0 ? ready.value[turn.value % ready.value.length] : null));
watch(ready, async (frames) => {
  if (frames.length < FILM_MOMENTS.length) return;
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
