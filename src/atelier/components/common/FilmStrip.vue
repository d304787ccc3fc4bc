<script setup lang="ts">
/** A row of frames in one picture, played one after the other; it stands still where motion is not wanted. */
const props = defineProps<{ url: string; frames: number; seconds: number }>();
</script>

<template>
  <i
    :style="{
      backgroundImage: `url(${props.url})`,
      backgroundSize: `${props.frames * 100}% 100%`,
      animationDuration: `${props.seconds}s`,
      animationTimingFunction: `steps(${props.frames}, jump-none)`,
    }"
  />
</template>

<style scoped>
i {
  display: block;
  width: 100%;
  height: 100%;
  animation: film infinite;
}
@keyframes film {
  from {
    background-position-x: 0;
  }
  to {
    background-position-x: 100%;
  }
}
@media (prefers-reduced-motion: reduce) {
  i {
    animation: none;
  }
}
</style>
