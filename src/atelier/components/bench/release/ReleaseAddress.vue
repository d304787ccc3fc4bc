<script setup lang="ts">
/** The public address of a release, to open, to copy, to scan. */
import { computed, ref, watchEffect } from 'vue';
import { toString as qrSvg } from 'qrcode';
import type { Release } from '../../../../core/contract/contract';
import { sizeWords } from '../../../words';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ release: Release }>();
const address = computed(() => `${location.origin}/show/${props.release.slug}`);
const qr = ref('');
const copied = ref(false);
watchEffect(async () => {
  const svg = await qrSvg(address.value, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' });
  qr.value = `data:image/svg+xml;base64,${btoa(svg)}`;
});
const copy = async (): Promise<void> => {
  try {
    await navigator.clipboard.writeText(address.value);
    copied.value = true;
    setTimeout(() => (copied.value = false), 2000);
  } catch {
    // No clipboard here: the address stands beside the button, selectable.
    copied.value = false;
  }
};
</script>

<template>
  <div class="released">
    <img v-if="qr" :src="qr" alt="QR code of the address" width="112" height="112" />
    <div>
      <b>Version {{ release.version }} is released</b>
      <p class="soft">{{ release.name }}, {{ sizeWords(release.size) }}</p>
      <a :href="address" target="_blank" rel="noopener" class="num" data-testid="address">{{ address }}</a>
      <div>
        <WordButton @click="copy">{{ copied ? 'Copied' : 'Copy address' }}</WordButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.released {
  display: flex;
  gap: 14px;
  padding: 12px;
  border: 1.5px solid var(--accent);
  border-radius: 8px;
  background: var(--sheet);
}
.released img {
  flex: none;
  border-radius: 4px;
  background: #fff;
}
a {
  color: var(--accent);
  overflow-wrap: anywhere;
}
</style>
