<script setup lang="ts">
/** At the foot of the picture: what is still to come, else what can be done there. */
defineProps<{ said: string | null; hint: string | null }>();
</script>

<template>
  <div v-if="said" class="caption" role="status">{{ said }}</div>
  <div v-else-if="hint" class="caption quiet">{{ hint }}</div>
</template>

<style scoped>
.caption {
  position: absolute;
  left: 10px;
  bottom: 10px;
  padding: 3px 10px;
  border-radius: 20px;
  background: #fffffff0;
  color: #1d2327;
  font: 550 11.5px var(--text);
  pointer-events: none;
}
.quiet {
  background: #1d2327b8;
  color: #fff;
}
</style>
