<script setup lang="ts">
/** Stands where a part of the page could not be fetched. */
import InlineNotice from './InlineNotice.vue';

const reload = (): void => location.reload();
</script>

<template>
  <InlineNotice class="missing">
    This part of the page could not be fetched: the server is away, or was updated. Your work is kept.
    <button class="word" type="button" @click="reload">Reload the page</button>
  </InlineNotice>
</template>

<style scoped>
.missing {
  margin: 16px;
}
</style>
