<script setup lang="ts">
/**
 * One property of an object, as its kind describes it: a number, a slider, a list, something that is so or not, a colour. One visit to it
 * is one step to undo.
 */
import { computed } from 'vue';
import { setProperty } from '../../../core/document/edits';
import type { EffectObject } from '../../../core/document/schema';
import { propertiesOf } from '../../../core/kinds/objects/objects';
import { readOut, UNITS, valueAt } from '../../../core/schema/properties';
import { useEffectStore } from '../../stores/effect';
import NumberField from './NumberField.vue';
import SelectField from './SelectField.vue';
import SliderField from './SliderField.vue';

const props = defineProps<{
  object: EffectObject;
  /** In the document: `rate`, `wind.0`. */
  path: string;
  /** A number with a slider before it; something that is so or not as a switch with a word beside it. */
  as?: 'slider' | 'switch';
  /** In the place of the word that the kind has for it. */
  word?: string;
}>();
const document = useEffectStore();
const property = computed(() => propertiesOf(props.object)[props.path]!);
const value = computed(() => valueAt(props.object, props.path));
const is = computed(() => value.value === true);
const set = (to: unknown, gesture = true): void => {
  document.edit(
    setProperty(document.effect, props.object.id, props.path, to),
    gesture ? `${props.path}-${props.object.id}` : null,
  );
};
const done = (): void => document.endGesture();

/** A number as it is shown: by the factor of its unit. */
const shown = computed(() => {
  if (property.value.type !== 'number') return null;
  const { unit, low, high, whole, mark, digits, step } = property.value;
  const of = UNITS[unit];
  // Without the noise of binary fractions: 0.07 is 7 %.
  const tidy = (n: number): number => Number((n * of.factor).toPrecision(12));
  return {
    value: tidy(Number(value.value ?? 0)),
    min: tidy(low),
    max: tidy(high),
    unit: of.mark,
    step: step ?? of.step,
    digits: digits ?? of.digits,
    mark: mark ?? '',
    take: (n: number): void => set(whole ? Math.round(n / of.factor) : n / of.factor),
  };
});
const short = computed(() => props.word ?? property.value.short ?? property.value.name);
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
    @done="done"
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
    @done="done"
  />
  <SelectField
    v-else-if="property.type === 'choice'"
    :name="property.name"
    :value="value as string"
    :options="property.options"
    @change="(v: unknown) => set(v, false)"
  />
  <input
    v-else-if="property.type === 'colour'"
    type="color"
    :aria-label="property.name"
    :value="value as string"
    @input="set(($event.target as HTMLInputElement).value)"
    @change="done"
  />
  <label v-else-if="as === 'switch'" class="row"
    ><a-switch
      size="small"
      :checked="is"
      :aria-label="property.name"
      @change="(v: unknown) => set(Boolean(v), false)"
    />{{ short }}</label
  >
  <button
    v-else
    class="chip"
    type="button"
    :aria-pressed="is"
    :title="property.help"
    @click="set(!is, false)"
  >
    {{ short }}
  </button>
</template>
