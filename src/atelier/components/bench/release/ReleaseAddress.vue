<script setup lang="ts">
/** The public address of a release. */
import type { Release } from '../../../../core/contract/contract';
import { sizeWords } from '../../../words';
import QrAddress from '../../common/QrAddress.vue';

const { origin } = location;
defineProps<{ release: Release }>();
</script>

<template>
  <QrAddress class="released" :address="`${origin}/show/${release.slug}`">
    <b>Version {{ release.version }} is released</b>
    <p class="soft">{{ release.name }}, {{ sizeWords(release.size) }}</p>
  </QrAddress>
</template>

<style scoped>
.released {
  padding: 12px;
  border: 1.5px solid var(--accent);
  border-radius: 8px;
  background: var(--sheet);
}
p {
  margin: 0;
}
</style>
