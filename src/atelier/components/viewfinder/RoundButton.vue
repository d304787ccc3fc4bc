<script setup lang="ts">
/** A round button over the picture; the icon is what it holds. */
defineProps<{ label: string; hint?: string; pressed?: boolean }>();
</script>

<template>
  <button
    type="button"
    :aria-label="label"
    :title="hint ?? label"
    :aria-pressed="pressed === undefined ? undefined : pressed"
  >
    <slot />
  </button>
</template>

<style scoped>
button {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 0;
  border-radius: 50%;
  background: #1d2327b8;
  color: #fff;
  cursor: pointer;
}
button:focus-visible {
  outline: 2px solid #fff;
}
</style>
