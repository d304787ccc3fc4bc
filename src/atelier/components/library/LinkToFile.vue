<script setup lang="ts">
/** Keeps an asset linked to its file: saved outside, it is read again. */
import { computed, ref } from 'vue';
import { sentence } from '../../../core/errors';
import type { Asset } from '../../../core/document/schema';
import { useImportsStore } from '../../stores/imports';
import { useLinksStore } from '../../stores/links';
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ asset: Asset }>();
const links = useLinksStore();
const imports = useImportsStore();
const link = computed(() => links.states[props.asset.id]);
const known = computed(() => imports.handles.has(props.asset.id));
const error = ref<string | null>(null);
const start = async (): Promise<void> => {
  error.value = null;
  try {
    await links.link(props.asset);
  } catch (cause) {
    // Closing the chooser is no error.
    if (!(cause instanceof DOMException && cause.name === 'AbortError')) error.value = sentence(cause);
  }
};
</script>

<template>
  <div class="link">
    <template v-if="link">
      <p :class="{ warn: link.state === 'asleep' || link.state === 'lost' }">
        <b>Linked to {{ link.file }}.</b>
        {{
          link.message ??
          (link.state === 'reading' ? 'Reading it again.' : 'When you save it, it is read again.')
        }}
      </p>
      <span class="row">
        <WordButton v-if="link.state === 'asleep'" @click="links.wake(asset.id)"> Allow </WordButton>
        <WordButton v-if="link.state === 'lost'" @click="start"> Choose the file </WordButton>
        <WordButton @click="links.unlink(asset.id)">Unlink</WordButton>
      </span>
    </template>
    <WordButton v-else-if="links.isPossible()" @click="start">
      {{ known ? 'Keep it linked to its file' : 'Link it to a file' }}
    </WordButton>
    <InlineNotice v-if="error" closable @close="error = null">{{ error }}</InlineNotice>
  </div>
</template>

<style scoped>
.link {
  display: grid;
  gap: 2px;
  justify-items: start;
}
.word {
  margin: 0 0 0 -4px;
}
</style>
