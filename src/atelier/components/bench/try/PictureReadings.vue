<script setup lang="ts">
/** Which printed pictures of the effect are in sight at this moment, how far away and how tilted, as whoever tracks them says. */
import { computed } from 'vue';
import { targetOrder } from '../../../../core/document/queries';
import type { Target, TargetId } from '../../../../core/document/schema';
import { rotate } from '../../../../core/maths/quaternion';
import { dot, length, subtract } from '../../../../core/maths/vec3';
import { requirementsOf } from '../../../../core/requirements/requirements';
import { lensOfFovY, USUAL_LENS } from '../../../../core/tracking/lens';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';

const effectStore = useEffectStore();
const playback = usePlaybackStore();
const frame = computed(() =>
  playback.source !== 'take' ? playback.liveFrame : playback.take.frameAt(playback.time),
);
interface Reading {
  readonly id: TargetId;
  readonly name: string;
  /** Centimetres and degrees; null while it is out of sight. */
  readonly seen: { readonly away: number; readonly tilt: number } | null;
}
const readingOf = (target: Target, number: number): Reading => {
  const { id, name } = target;
  const eye = frame.value?.camera.pose.position ?? [0, 0, 0];
  const found = frame.value?.pictures.find((p) => p.id === number);
  if (!found) return { id, name, seen: null };
  const to = subtract(eye, found.pose.position);
  const facing = dot(rotate(found.pose.rotation, [0, 0, 1]), to) / length(to);
  return {
    id,
    name,
    seen: {
      // What is tracked has the shape of the picture, not its size.
      away: (100 * length(to) * target.width) / found.width,
      tilt: (Math.acos(Math.max(-1, Math.min(1, facing))) * 180) / Math.PI,
    },
  };
};
const pictures = computed((): Reading[] => {
  const { pictures: needed } = requirementsOf(effectStore.effect);
  return targetOrder(effectStore.effect)
    .map((target, i) => ({ target, number: i + 1 }))
    .filter(({ target }) => needed.has(target.id))
    .map(({ target, number }) => readingOf(target, number));
});
/** How the camera opens; a wrong assumption is a wrong distance. */
const lens = computed(() => {
  if (playback.source !== 'camera' || !frame.value) return null;
  const { aspect, fovY } = frame.value.camera;
  const degrees = lensOfFovY(aspect, 1, fovY);
  return { degrees, measured: Math.abs(degrees - USUAL_LENS) > 1e-6 };
});
</script>

<template>
  <section v-if="pictures.length > 0" class="pictures" aria-label="Printed pictures now">
    <h2>Printed pictures now</h2>
    <dl>
      <div v-for="{ id, name, seen } in pictures" :key="id">
        <dt class="cut">{{ name }}</dt>
        <dd v-if="seen" class="num" :data-picture="id">
          {{ seen.away.toFixed(0) }} cm away, tilted {{ seen.tilt.toFixed(0) }}°
        </dd>
        <dd v-else class="soft" :data-picture="id">not in sight</dd>
      </div>
      <div v-if="lens">
        <dt>The camera opens</dt>
        <dd class="num" data-lens>
          {{ lens.degrees.toFixed(0) }}°,
          {{ lens.measured ? 'as the picture tells' : 'assumed: tilt the picture to have it measured' }}
        </dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
.pictures {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}
dl {
  display: grid;
  gap: 4px;
  margin: 0;
}
dl > div {
  display: grid;
  grid-template-columns: minmax(60px, 160px) 1fr;
  gap: 10px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
</style>
