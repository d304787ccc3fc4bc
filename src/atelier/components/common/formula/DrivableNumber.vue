<script setup lang="ts">
/** A number field in whose place a formula can be written: while there is one, that is shown instead. */
import { computed, ref } from 'vue';
import { formulaAt, type FormulaPlace } from '../../../../core/edits/formula-edits';
import { useEffectStore } from '../../../stores/effect';
import FormulaSpot from './FormulaSpot.vue';

const props = defineProps<{ place: FormulaPlace; label: string }>();
/** A sum that reads nothing is a number of the document. */
const emit = defineEmits<{ number: [value: number] }>();
const effectStore = useEffectStore();
const spot = ref<{ begin(text: string, isDone: boolean): void } | null>(null);
const begin = (text: string, isDone: boolean): void => spot.value?.begin(text, isDone);
const hasFormula = computed(() => formulaAt(effectStore.effect, props.place) !== null);
</script>

<template>
  <span class="drivable">
    <slot v-if="!hasFormula" :begin="begin" />
    <slot v-else name="before" />
    <FormulaSpot ref="spot" :place="place" :label="label" @number="(n) => emit('number', n)" />
  </span>
</template>

<style scoped>
.drivable {
  position: relative;
  display: flex;
  align-items: center;
  width: 100%;
  min-width: 0;
}
</style>
