<script setup lang="ts">
/** A region of the face layout in a colour, on a plain face: what a piece of the kit goes onto. */
import { computed } from 'vue';
import {
  EYE_OPENINGS,
  FACE_EDGE,
  faceRegion,
  MOUTH_OPENING,
  outlinePath,
  type FaceRegion,
} from '../../../../../core/face/regions';
import type { KitGroup } from '../../../../../core/makeup/kit';

const props = defineProps<{ region: FaceRegion; colour: string; opacity: number; group: KitGroup }>();
const SIZE = 400;
/** What of the layout is seen: left, top, width, height. */
const VIEWS: Record<KitGroup, string> = {
  eyes: '84 104 232 108',
  face: '0 12 400 380',
  lips: '110 236 180 96',
};
const region = computed(() => {
  const { outlines, holes } = faceRegion(props.region);
  return [...outlines, ...holes].map((line) => outlinePath(line, SIZE)).join('');
});
const face = outlinePath(FACE_EDGE, SIZE);
const openings = [...EYE_OPENINGS, MOUTH_OPENING].map((line) => outlinePath(line, SIZE)).join('');
const lips = outlinePath(faceRegion('lips').outlines[0]!, SIZE);
const brows = faceRegion('brows')
  .outlines.map((line) => outlinePath(line, SIZE))
  .join('');
const soft = computed(() => faceRegion(props.region).softness * SIZE * 0.5);
const name = computed(() => `soft-${props.region}`);
</script>

<template>
  <svg :viewBox="VIEWS[group]" aria-hidden="true" preserveAspectRatio="xMidYMid slice">
    <defs>
      <filter :id="name" x="-30%" y="-30%" width="160%" height="160%">
        <feGaussianBlur :stdDeviation="soft" />
      </filter>
    </defs>
    <path :d="face" class="skin" />
    <path :d="brows" class="brow" />
    <path :d="lips" class="lip" />
    <path :d="region" :fill="colour" :fill-opacity="opacity" fill-rule="evenodd" :filter="`url(#${name})`" />
    <path :d="openings" class="open" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 100%;
}
.skin {
  fill: #e3c6ae;
}
.brow {
  fill: #9c7f69;
}
.lip {
  fill: #cf9c8c;
}
.open {
  fill: #fbf8f4;
}
</style>
