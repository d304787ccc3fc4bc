<script setup lang="ts">
/** That the take is drawn with less on a slow machine. */
defineProps<{ words: string }>();
</script>

<template>
  <div
    class="lighter"
    title="This machine draws slowly, so the take is drawn lighter. The effect itself is the same."
  >
    {{ words }}
  </div>
</template>

<style scoped>
.lighter {
  position: absolute;
  right: 10px;
  top: 12px;
  padding: 1px 7px;
  border-radius: 20px;
  background: #1d232773;
  color: #fff;
  font: 500 10.5px var(--text);
}
</style>
