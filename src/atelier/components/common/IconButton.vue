<script setup lang="ts">
/** A button that is an icon; `aria-label` says what it does. */
</script>

<template>
  <a-button class="icon-button" type="text" size="small"><slot /></a-button>
</template>
