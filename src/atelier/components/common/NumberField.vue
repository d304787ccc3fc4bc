<script setup lang="ts">
/** A number with its axis letter and unit. Typing and stepping within one visit are one undo step. */
import { computed } from 'vue';

const props = withDefaults(
  defineProps<{
    value: number;
    label: string;
    mark?: string;
    unit?: string;
    step?: number;
    digits?: number;
    min?: number;
    max?: number;
  }>(),
  { mark: '', unit: '', step: 1, digits: 1, min: undefined, max: undefined },
);
const emit = defineEmits<{ change: [value: number]; done: [] }>();

const shown = computed(() => Number(props.value.toFixed(props.digits)));
const onChange = (value: string | number | null): void => {
  if (value === null || value === '') return;
  const number = Number(value);
  if (Number.isFinite(number) && number !== shown.value) emit('change', number);
};
</script>

<template>
  <a-input-number
    class="field"
    size="small"
    :value="shown"
    :step="step"
    :min="min"
    :max="max"
    :controls="false"
    :aria-label="label"
    :formatter="(v: string | number | undefined) => `${v ?? ''}${unit}`"
    :parser="(v: string | undefined) => (v ?? '').replace(unit, '').replace(',', '.').trim()"
    @change="onChange"
    @blur="emit('done')"
    @press-enter="emit('done')"
  >
    <template v-if="mark" #prefix
      ><span class="mark" aria-hidden="true">{{ mark }}</span></template
    >
  </a-input-number>
</template>

<style scoped>
.field {
  width: 100%;
  background: var(--field);
  border-color: transparent;
}
.field :deep(.ant-input-number) {
  background: none;
}
.field :deep(input) {
  background: none;
  font: 500 11.5px var(--mono);
  text-align: right;
  padding: 0 6px 0 2px;
}
.field:deep(.ant-input-number-prefix) {
  margin-inline-end: 2px;
}
.mark {
  color: var(--faint);
  font: 11.5px var(--mono);
}
</style>
