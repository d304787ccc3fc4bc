<script setup lang="ts">
/** An address to open, to copy, to scan. */
import { ref, watchEffect } from 'vue';
import { toString as qrSvg } from 'qrcode';
import WordButton from './WordButton.vue';

const props = defineProps<{ address: string; /** Of the code, in pixels. */ side?: number }>();
const qr = ref('');
const copied = ref(false);
watchEffect(async () => {
  const svg = await qrSvg(props.address, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' });
  qr.value = `data:image/svg+xml;base64,${btoa(svg)}`;
});
const copy = async (): Promise<void> => {
  try {
    await navigator.clipboard.writeText(props.address);
    copied.value = true;
    setTimeout(() => (copied.value = false), 2000);
  } catch {
    // No clipboard here: the address stands beside the button, selectable.
    copied.value = false;
  }
};
</script>

<template>
  <div class="address">
    <img v-if="qr" :src="qr" alt="QR code of the address" :width="side ?? 112" :height="side ?? 112" />
    <div class="words">
      <slot />
      <a :href="address" target="_blank" rel="noopener" class="num" data-testid="address">{{ address }}</a>
      <div class="row">
        <WordButton @click="copy">{{ copied ? 'Copied' : 'Copy address' }}</WordButton>
        <slot name="actions" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.address {
  display: flex;
  gap: 14px;
}
.address img {
  flex: none;
  border-radius: 4px;
  background: #fff;
}
.words {
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
}
a {
  color: var(--accent);
  overflow-wrap: anywhere;
}
</style>
