<script setup lang="ts">
/** A field for a property as its kind describes it: a number, a slider, a list, something that is so or not, a colour, something named. */
import { computed } from 'vue';
import { clamp } from '../../../core/maths/scalar';
import { readOut, UNITS, type Property } from '../../../core/schema/properties';
import type { FormulaPlace } from '../../../core/edits/formula-edits';
import ColourField from './ColourField.vue';
import DrivableNumber from './formula/DrivableNumber.vue';
import NumberField from './NumberField.vue';
import ReferenceField from './ReferenceField.vue';
import SelectField from './SelectField.vue';
import SliderField from './SliderField.vue';
import ChipButton from './ChipButton.vue';

const props = defineProps<{
  property: Property;
  value: unknown;
  /** A number with its name and a slider before it, a colour with its name; something that is so or not as a switch with a word beside it. */
  as?: 'row' | 'switch' | undefined;
  /** In the place of the word that the kind has for it. */
  word?: string | undefined;
  /** In the place of its name, as it is read out: where one like it stands on the same page. */
  label?: string | undefined;
  /** Several have it, and not the same. */
  mixed?: boolean | undefined;
  /** The number of objects that it is, where a formula can drive that. */
  place?: FormulaPlace | null | undefined;
}>();
const emit = defineEmits<{
  /** While it is `felt` more may follow before `done`. */
  change: [value: unknown, felt: boolean];
  done: [];
}>();
const is = computed(() => props.value === true && !props.mixed);
const named = computed(() => (typeof props.value === 'string' && !props.mixed ? props.value : null));

/** A number as it is shown: by the factor of its unit. Null where there is none, or it is left to what is usual. */
const shown = computed(() => {
  const { property, value } = props;
  const number =
    property.type === 'number'
      ? property
      : property.type === 'maybe' && value !== null
        ? property.number
        : null;
  if (!number) return null;
  const { unit, low, high, offered, whole, bare, mark, digits, step } = number;
  const of = UNITS[unit];
  // Without the noise of binary fractions: 0.07 is 7 %.
  const tidy = (n: number): number => Number((n * of.factor).toPrecision(12));
  return {
    field: {
      value: tidy(Number(value ?? 0)),
      min: tidy(offered?.[0] ?? low),
      max: tidy(offered?.[1] ?? high),
      unit: bare ? '' : of.mark,
      step: step ?? of.step,
      digits: digits ?? of.digits,
    },
    label: props.label ?? readOut(number),
    mark: mark ?? '',
    /** A number of the document, kept within its ends. */
    settle: (n: number): number => {
      const inside = clamp(n, offered?.[0] ?? low, offered?.[1] ?? high);
      return whole ? Math.round(inside) : inside;
    },
    take: (n: number): void => emit('change', whole ? Math.round(n / of.factor) : n / of.factor, true),
  };
});
/** More of a list than this is sought by typing. */
const FEW = 12;
const SOUGHT = { showSearch: true, optionFilterProp: 'label', dropdownMatchSelectWidth: false };
const short = computed(() => props.word ?? props.property.short ?? props.property.name);
</script>

<template>
  <span v-if="property.type === 'maybe'" class="maybe">
    <ChipButton :aria-pressed="shown !== null" @click="emit('change', shown ? null : property.start, false)">
      {{ mixed ? `${property.name}: mixed` : shown ? property.name : (property.none ?? property.name) }}
    </ChipButton>
    <NumberField
      v-if="shown"
      v-bind="shown.field"
      class="number"
      :mixed="mixed"
      :label="shown.label"
      @change="shown.take"
      @done="emit('done')"
    />
  </span>
  <DrivableNumber
    v-else-if="shown && place"
    :class="{ row: as === 'row' }"
    :place="place"
    :label="shown.label"
    @number="(n) => (emit('change', shown!.settle(n), true), emit('done'))"
  >
    <template v-if="as === 'row'" #before>{{ short }}</template>
    <template #default="{ begin }">
      <SliderField
        v-if="as === 'row'"
        v-bind="shown.field"
        class="slider"
        :name="short"
        :label="label ?? property.name"
        formulas
        @change="shown.take"
        @done="emit('done')"
        @formula="begin"
      />
      <NumberField
        v-else
        v-bind="shown.field"
        :mixed="mixed"
        :label="shown.label"
        :mark="shown.mark"
        formulas
        @change="shown.take"
        @done="emit('done')"
        @formula="begin"
      />
    </template>
  </DrivableNumber>
  <SliderField
    v-else-if="shown && as === 'row'"
    v-bind="shown.field"
    :name="short"
    :label="label ?? property.name"
    @change="shown.take"
    @done="emit('done')"
  />
  <NumberField
    v-else-if="shown"
    v-bind="shown.field"
    :mixed="mixed"
    :label="shown.label"
    :mark="shown.mark"
    @change="shown.take"
    @done="emit('done')"
  />
  <SelectField
    v-else-if="property.type === 'choice'"
    :name="label ?? property.name"
    :value="mixed ? undefined : (value as string)"
    placeholder="mixed"
    :options="property.options"
    v-bind="property.options.length > FEW ? { ...SOUGHT } : {}"
    @change="(v: unknown) => emit('change', v, false)"
  />
  <ReferenceField
    v-else-if="property.type === 'reference'"
    :property="property"
    :value="named"
    @change="(id) => emit('change', id, false)"
  />
  <SelectField
    v-else-if="property.type === 'switch' && property.words"
    :name="property.name"
    :value="mixed ? undefined : is ? 'yes' : 'no'"
    placeholder="mixed"
    :options="[
      { value: 'yes', label: property.words.yes },
      { value: 'no', label: property.words.no },
    ]"
    @change="(v: unknown) => emit('change', v === 'yes', false)"
  />
  <ColourField
    v-else-if="property.type === 'colour' && as === 'row'"
    :name="short"
    :label="label ?? property.name"
    :value="value as string"
    @change="(v) => emit('change', v, true)"
    @done="emit('done')"
  />
  <input
    v-else-if="property.type === 'colour'"
    type="color"
    :class="{ mixed }"
    :title="mixed ? 'mixed' : undefined"
    :aria-label="mixed ? `${label ?? property.name}: mixed` : (label ?? property.name)"
    :value="value as string"
    @input="emit('change', ($event.target as HTMLInputElement).value, true)"
    @change="emit('done')"
  />
  <label v-else-if="property.type === 'switch' && as === 'switch'" class="row"
    ><a-switch
      size="small"
      :checked="is"
      :aria-label="property.name"
      @change="(v: unknown) => emit('change', Boolean(v), false)"
    />{{ short }}</label
  >
  <ChipButton
    v-else-if="property.type === 'switch'"
    :aria-pressed="mixed ? 'mixed' : is"
    :title="property.help"
    @click="emit('change', !is, false)"
  >
    {{ mixed ? `${short}: mixed` : short }}
  </ChipButton>
</template>

<style scoped>
.maybe {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.number {
  width: 80px;
}
.row {
  gap: 10px;
  min-height: 28px;
  color: var(--soft);
}
.slider {
  flex: 1;
  min-width: 0;
}
.mixed {
  opacity: 0.45;
}
</style>
