<script setup lang="ts">
/** A number to be felt (slider) or typed. One drag, or one visit to the field, is one undo step. */
import NumberField from './NumberField.vue';

withDefaults(
  defineProps<{
    /** What is written beside it. */
    name: string;
    /** Its accessible name; without one, `name`. */
    label?: string;
    value: number;
    min: number;
    max: number;
    step?: number;
    digits?: number;
    unit?: string;
    formulas?: boolean;
  }>(),
  { label: '', step: 1, digits: 0, unit: '', formulas: false },
);
const emit = defineEmits<{ change: [value: number]; done: []; formula: [text: string, isDone: boolean] }>();
</script>

<template>
  <div class="slider-field">
    <span>{{ name }}</span>
    <a-slider
      v-name="label || name"
      :value="value"
      :min="min"
      :max="max"
      :step="step"
      :tooltip-open="false"
      @change="(v: unknown) => emit('change', Number(v))"
      @after-change="emit('done')"
    />
    <NumberField
      :value="value"
      :label="`${label || name}, as a number`"
      :min="min"
      :max="max"
      :step="step"
      :digits="digits"
      :unit="unit"
      :formulas="formulas"
      @formula="(text, isDone) => emit('formula', text, isDone)"
      @change="(v) => emit('change', v)"
      @done="emit('done')"
    />
  </div>
</template>

<style scoped>
.slider-field {
  display: grid;
  grid-template-columns: var(--label, 84px) 1fr 72px;
  gap: 10px;
  align-items: center;
  min-height: 28px;
  color: var(--soft);
}
</style>
