<script setup lang="ts">
/** The brush as it lies on the face: a ring around what it would paint, and fainter ones where it paints as well. */
defineProps<{ rings: readonly string[] }>();
</script>

<template>
  <svg class="rings" viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
    <path v-for="(ring, i) in rings" :key="i" :d="ring" :class="{ other: i > 0 }" />
  </svg>
</template>

<style scoped>
.rings {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
path {
  fill: none;
  stroke: #fff;
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
  filter: drop-shadow(0 0 1px #000);
}
.other {
  stroke-opacity: 0.6;
}
</style>
