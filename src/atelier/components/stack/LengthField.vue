<script setup lang="ts">
/** How long things are: one number for the longest side, all of them by one factor. */
import { computed } from 'vue';
import type { ObjectId } from '../../../core/document/schema';
import { fitToLength, lengthOf } from '../../../core/edits/fit-length';
import { LARGEST, SMALLEST } from '../../../core/schema/limits';
import { useEffectStore } from '../../stores/effect';
import NumberField from '../common/NumberField.vue';

const props = defineProps<{ ids: readonly ObjectId[] }>();
const effectStore = useEffectStore();
const length = computed(() => lengthOf(effectStore.effect, props.ids));
const fit = (centimetres: number): void => {
  effectStore.edit(fitToLength(effectStore.effect, props.ids, centimetres / 100), 'length');
};
</script>

<template>
  <div v-if="length !== null" class="line">
    <span>Longest</span>
    <NumberField
      class="two"
      :value="length * 100"
      :label="ids.length > 1 ? 'Longest side of the longest, cm' : 'Longest side, cm'"
      mark="to"
      unit=" cm"
      :digits="1"
      :min="SMALLEST * 100"
      :max="LARGEST * 100"
      @change="fit"
      @done="effectStore.endGesture()"
    />
  </div>
</template>

<style scoped src="./fields.css"></style>
