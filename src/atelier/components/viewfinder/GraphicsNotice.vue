<script setup lang="ts">
/** Why there is no picture: it could not be begun, or the browser has taken the graphics away. */
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';

defineProps<{ failure: string | null; lost: boolean }>();
const reload = (): void => location.reload();
</script>

<template>
  <InlineNotice v-if="failure" class="notice">{{ failure }}</InlineNotice>
  <InlineNotice v-else-if="lost" class="notice">
    The browser has taken the graphics away; the picture comes back when it gives them back. Nothing of your
    work is lost.
    <WordButton @click="reload">Reload the page</WordButton>
  </InlineNotice>
</template>

<style scoped>
.notice {
  position: absolute;
  inset: auto 12px 12px;
}
</style>
