<script setup lang="ts">
/** Any number of what it acts on: to what, or by how much. */
import { computed } from 'vue';
import {
  bareNumberName,
  numbersOf,
  offeredNumbers,
  readNumber,
  unitOfNumber,
} from '../../../../../core/kinds/numbers';
import { UNITS } from '../../../../../core/schema/properties';
import { actionProperties } from '../../../../../core/kinds/actions/actions';
import { firstValues } from '../../../../../core/program/first-values';
import type { ActionOf } from '../../../../../core/document/schema';
import { useEffectStore } from '../../../../stores/effect';
import GestureField from '../../../common/GestureField.vue';
import ChoiceField from '../../../common/ChoiceField.vue';
import PropertyInput from '../../../common/PropertyInput.vue';

const props = defineProps<{ action: ActionOf<'number'> }>();
const emit = defineEmits<{ change: [change: object, gesture: string | null] }>();
const effectStore = useEffectStore();
const set = (change: object, gesture: string | null = null): void => emit('change', change, gesture);
const first = computed(() => {
  const [id] = props.action.targets;
  return id === undefined ? undefined : effectStore.effect.objects[id];
});
const numbers = computed(() =>
  first.value
    ? offeredNumbers(first.value).map((value) => ({ value, label: bareNumberName(first.value, value) }))
    : [],
);
/** As the number is shown everywhere: in per cent, in centimetres. */
const unit = computed(() => UNITS[unitOfNumber(first.value, props.action.property)]);
const bounds = computed(() => {
  const of =
    first.value && props.action.mode === 'to' ? numbersOf(first.value)[props.action.property] : undefined;
  return of?.map((end) => end * unit.value.factor);
});
const chooseNumber = (property: string): void => {
  const object = first.value!;
  set({ property, value: readNumber(object, firstValues(effectStore.effect, object), property) ?? 0 });
};
</script>

<template>
  <div class="line">
    <ChoiceField
      label="Which number"
      none="Choose what it acts on first"
      :value="action.property || null"
      :options="numbers"
      @change="chooseNumber"
    />
    <PropertyInput
      class="mode"
      :property="actionProperties(action)['mode']!"
      :value="action.mode"
      @change="(mode) => set({ mode })"
    />
    <GestureField
      class="small"
      :value="Number((action.value * unit.factor).toPrecision(12))"
      label="Value"
      :unit="unit.mark"
      :step="unit.step"
      :digits="Math.max(1, unit.digits)"
      :min="bounds?.[0]"
      :max="bounds?.[1]"
      @change="(value) => set({ value: value / unit.factor }, 'value')"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
