<script setup lang="ts">
/** Which circuits and compounds there are, and which one is open. */
import { Combine } from '@lucide/vue';
import type { Circuit, CircuitId, Compound, CompoundId } from '../../../../../core/document/schema';
import ChipButton from '../../../common/ChipButton.vue';
import WordButton from '../../../common/WordButton.vue';

defineProps<{
  circuits: readonly Circuit[];
  compounds: readonly Compound[];
  circuit: CircuitId | null;
  /** The one that the board is within. */
  compound: CompoundId | null;
}>();
const emit = defineEmits<{
  open: [circuit: CircuitId];
  openCompound: [compound: CompoundId];
  make: [];
  write: [];
}>();
</script>

<template>
  <div class="bar">
    <ChipButton
      v-for="c in circuits"
      :key="c.id"
      :aria-pressed="c.id === circuit && compound === null"
      :class="{ off: !c.enabled }"
      @click="emit('open', c.id)"
      >{{ c.name || 'Without a name' }}</ChipButton
    >
    <ChipButton
      v-for="c in compounds"
      :key="c.id"
      :aria-pressed="c.id === compound"
      title="A compound: several nodes as one"
      @click="emit('openCompound', c.id)"
      ><Combine :size="11" /> {{ c.name || 'Without a name' }}</ChipButton
    >
    <WordButton @click="emit('make')">+ Circuit</WordButton>
    <WordButton @click="emit('write')">+ Script</WordButton>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.off {
  opacity: 0.55;
}
</style>
