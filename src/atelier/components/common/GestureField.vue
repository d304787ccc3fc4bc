<script setup lang="ts">
/** A number of the document: one visit to it is one step to undo. */
import { useEffectStore } from '../../stores/effect';
import NumberField from './NumberField.vue';

withDefaults(
  defineProps<{
    value: number;
    label: string;
    mark?: string;
    unit?: string;
    step?: number;
    digits?: number;
    min?: number | undefined;
    max?: number | undefined;
  }>(),
  { mark: '', unit: '', step: 1, digits: 1, min: undefined, max: undefined },
);
const emit = defineEmits<{ change: [value: number] }>();
const effectStore = useEffectStore();
</script>

<template>
  <NumberField
    :value="value"
    :label="label"
    :mark="mark"
    :unit="unit"
    :step="step"
    :digits="digits"
    :min="min"
    :max="max"
    @change="(v) => emit('change', v)"
    @done="effectStore.endGesture()"
  />
</template>
