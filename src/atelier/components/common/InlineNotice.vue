<script setup lang="ts">
/** A sentence about something that went wrong or has to be known, where it belongs. */
import { X } from '@lucide/vue';
import IconButton from './IconButton.vue';
defineProps<{ kind?: 'error' | 'warning' | 'note'; closable?: boolean }>();
defineEmits<{ close: [] }>();
</script>

<template>
  <div class="notice" :class="kind ?? 'error'" :role="kind === 'note' ? 'status' : 'alert'">
    <div class="grow"><slot /></div>
    <IconButton v-if="closable" aria-label="Dismiss" @click="$emit('close')">
      <X :size="14" />
    </IconButton>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 8px 10px;
  border-radius: 6px;
  border-left: 3px solid var(--madder);
  background: var(--sheet);
  box-shadow: 0 0 0 1px var(--line2);
  font-size: 12.5px;
}
/* What can be done about it stands apart from the sentence and from one another. */
.grow :deep(button) {
  margin-left: 8px;
}
.notice.warning {
  border-left-color: var(--ochre);
}
.notice.note {
  border-left-color: var(--accent);
}
</style>
