<script setup lang="ts">
/** A small round button, often one that is on or off. */
</script>

<template>
  <a-button class="chip" size="small" shape="round"><slot /></a-button>
</template>
