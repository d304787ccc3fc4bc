<script setup lang="ts">
/** A colour with its name beside it. One visit to the chooser is one undo step. */
withDefaults(
  defineProps<{
    /** What is written beside it. */
    name: string;
    /** Its accessible name; without one, `name`. */
    label?: string;
    value: string;
  }>(),
  { label: '' },
);
defineEmits<{ change: [value: string]; done: [] }>();
</script>

<template>
  <div class="colour-field">
    <span>{{ name }}</span>
    <input
      type="color"
      :value="value"
      :aria-label="label || name"
      @input="$emit('change', ($event.target as HTMLInputElement).value)"
      @change="$emit('done')"
    />
  </div>
</template>

<style scoped>
.colour-field {
  display: grid;
  grid-template-columns: var(--label, 84px) 1fr;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  color: var(--soft);
}
input {
  width: 40px;
  height: 24px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
}
</style>
