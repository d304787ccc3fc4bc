<script setup lang="ts">
/** What is done to the nodes that are chosen on a board, and to the board: the same for every circuit. */
import { AlignStartVertical, Copy, Maximize2, Minimize2, Trash2, WandSparkles } from '@lucide/vue';
import { ALIGNMENTS, type Alignment } from '../../../../core/graph/align';
import IconButton from '../IconButton.vue';

defineProps<{
  /** How many nodes are chosen. */
  selected: number;
  /** The board lies over the Stack. */
  wide: boolean;
}>();
const emit = defineEmits<{ copy: []; remove: []; tidy: []; align: [how: Alignment]; widen: [] }>();
</script>

<template>
  <IconButton
    title="Copy the selected nodes"
    aria-label="Copy the selected nodes"
    :disabled="selected === 0"
    @click="emit('copy')"
  >
    <Copy :size="14" />
  </IconButton>
  <IconButton
    title="Delete the selected nodes"
    aria-label="Delete the selected nodes"
    :disabled="selected === 0"
    @click="emit('remove')"
  >
    <Trash2 :size="14" />
  </IconButton>
  <a-dropdown :trigger="['click']" :disabled="selected < 2">
    <IconButton
      title="Bring the selected nodes into line"
      aria-label="Bring the selected nodes into line"
      :disabled="selected < 2"
    >
      <AlignStartVertical :size="14" />
    </IconButton>
    <template #overlay>
      <a-menu @click="({ key }: { key: string | number }) => emit('align', key as Alignment)">
        <a-menu-item v-for="(name, how) in ALIGNMENTS" :key="how">{{ name }}</a-menu-item>
      </a-menu>
    </template>
  </a-dropdown>
  <IconButton
    title="Lay the nodes out in columns"
    aria-label="Lay the nodes out in columns"
    @click="emit('tidy')"
  >
    <WandSparkles :size="14" />
  </IconButton>
  <IconButton
    :aria-pressed="wide"
    :title="wide ? 'Show the Stack again' : 'Over the Stack'"
    :aria-label="wide ? 'Show the Stack again' : 'Widen the board over the Stack'"
    @click="emit('widen')"
  >
    <Minimize2 v-if="wide" :size="14" /><Maximize2 v-else :size="14" />
  </IconButton>
</template>
