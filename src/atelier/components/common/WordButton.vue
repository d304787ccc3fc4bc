<script setup lang="ts">
/** A button that looks like a word. */
</script>

<template>
  <a-button class="word" type="link" size="small"><slot /></a-button>
</template>
