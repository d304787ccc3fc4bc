<script setup lang="ts">
/** A try link: its address as a code to scan, how long it lasts, and its end. */
import { computed } from 'vue';
import type { TryLink } from '../../../../../core/contract/try-contract';
import { usePhonesStore } from '../../../../stores/phones';
import QrAddress from '../../../common/QrAddress.vue';
import WordButton from '../../../common/WordButton.vue';
import { spanWords } from './phone-words';

const props = defineProps<{ link: TryLink; now: number }>();
const phones = usePhonesStore();
const left = computed(() => Date.parse(props.link.expiresAt) - props.now);
</script>

<template>
  <section class="card" :aria-label="`Try link for ${link.name}`">
    <QrAddress :address="phones.addressOf(link)" :side="128">
      <b class="cut">{{ link.name }}</b>
      <span class="soft"
        >{{ left > 0 ? `Ends in ${spanWords(left)}` : 'Has expired'
        }}{{ link.oneDevice ? ', for one device' : ', for whoever has it' }}</span
      >
      <template #actions>
        <WordButton @click="void phones.revoke(link)">Revoke</WordButton>
      </template>
    </QrAddress>
  </section>
</template>

<style scoped>
.card {
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
</style>
