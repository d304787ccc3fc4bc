<script setup lang="ts">
/** A field for a property as its kind describes it: a number, a slider, a list, something that is so or not, a colour. */
import { computed } from 'vue';
import { readOut, UNITS, type Property } from '../../../core/schema/properties';
import NumberField from './NumberField.vue';
import SelectField from './SelectField.vue';
import SliderField from './SliderField.vue';
import ChipButton from './ChipButton.vue';

const props = defineProps<{
  property: Property;
  value: unknown;
  /** A number with a slider before it; something that is so or not as a switch with a word beside it. */
  as?: 'slider' | 'switch' | undefined;
  /** In the place of the word that the kind has for it. */
  word?: string | undefined;
}>();
const emit = defineEmits<{
  /** While it is `felt` more may follow before `done`. */
  change: [value: unknown, felt: boolean];
  done: [];
}>();
const is = computed(() => props.value === true);

/** A number as it is shown: by the factor of its unit. */
const shown = computed(() => {
  if (props.property.type !== 'number') return null;
  const { unit, low, high, offered, whole, bare, mark, digits, step } = props.property;
  const of = UNITS[unit];
  // Without the noise of binary fractions: 0.07 is 7 %.
  const tidy = (n: number): number => Number((n * of.factor).toPrecision(12));
  return {
    value: tidy(Number(props.value ?? 0)),
    min: tidy(offered?.[0] ?? low),
    max: tidy(offered?.[1] ?? high),
    unit: bare ? '' : of.mark,
    step: step ?? of.step,
    digits: digits ?? of.digits,
    mark: mark ?? '',
    take: (n: number): void => emit('change', whole ? Math.round(n / of.factor) : n / of.factor, true),
  };
});
const short = computed(() => props.word ?? props.property.short ?? props.property.name);
</script>

<template>
  <SliderField
    v-if="property.type === 'number' && as === 'slider'"
    :name="short"
    :label="property.name"
    :unit="shown!.unit.trim()"
    :value="shown!.value"
    :min="shown!.min"
    :max="shown!.max"
    :step="shown!.step"
    :digits="shown!.digits"
    @change="shown!.take"
    @done="emit('done')"
  />
  <NumberField
    v-else-if="property.type === 'number'"
    :value="shown!.value"
    :label="readOut(property)"
    :mark="shown!.mark"
    :unit="shown!.unit"
    :min="shown!.min"
    :max="shown!.max"
    :step="shown!.step"
    :digits="shown!.digits"
    @change="shown!.take"
    @done="emit('done')"
  />
  <SelectField
    v-else-if="property.type === 'choice'"
    :name="property.name"
    :value="value as string"
    :options="property.options"
    @change="(v: unknown) => emit('change', v, false)"
  />
  <input
    v-else-if="property.type === 'colour'"
    type="color"
    :aria-label="property.name"
    :value="value as string"
    @input="emit('change', ($event.target as HTMLInputElement).value, true)"
    @change="emit('done')"
  />
  <label v-else-if="as === 'switch'" class="row"
    ><a-switch
      size="small"
      :checked="is"
      :aria-label="property.name"
      @change="(v: unknown) => emit('change', Boolean(v), false)"
    />{{ short }}</label
  >
  <ChipButton v-else :aria-pressed="is" :title="property.help" @click="emit('change', !is, false)">
    {{ short }}
  </ChipButton>
</template>
