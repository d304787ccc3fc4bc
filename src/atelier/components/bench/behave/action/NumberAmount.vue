<script setup lang="ts">
/** Any number of what it acts on: to what, or by how much. */
import { computed } from 'vue';
import { numberName, numbersOf, offeredNumbers, readNumber } from '../../../../../core/kinds/numbers';
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
    ? offeredNumbers(first.value).map((value) => ({ value, label: numberName(first.value, value) }))
    : [],
);
const bounds = computed(() => (first.value ? numbersOf(first.value)[props.action.property] : undefined));
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
      :value="action.value"
      label="Value"
      :step="0.1"
      :digits="3"
      :min="action.mode === 'to' ? bounds?.[0] : undefined"
      :max="action.mode === 'to' ? bounds?.[1] : undefined"
      @change="(value) => set({ value }, 'value')"
    />
  </div>
</template>

<style scoped src="./amount.css"></style>
