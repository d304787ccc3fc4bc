<script setup lang="ts">
/** Stands where a part of the page could not be fetched. */
import InlineNotice from './InlineNotice.vue';
import WordButton from './WordButton.vue';

const reload = (): void => location.reload();
</script>

<template>
  <InlineNotice class="missing">
    This part of the page could not be fetched: the server is away, or was updated. Your work is kept.
    <WordButton @click="reload">Reload the page</WordButton>
  </InlineNotice>
</template>

<style scoped>
.missing {
  margin: 16px;
}
</style>
