<script setup lang="ts">
/** Stands where a part of the page could not be fetched. */
import InlineNotice from './InlineNotice.vue';

const reload = (): void => location.reload();
</script>

<template>
  <InlineNotice class="missing">
    This part of the page could not be fetched: the server is away, or was updated. Your work is kept.
    <a-button class="word" type="link" size="small" @click="reload">Reload the page</a-button>
  </InlineNotice>
</template>

<style scoped>
.missing {
  margin: 16px;
}
</style>
