<script setup lang="ts">
/** Size, quality and number of frames of a sequence. */
import { computed } from 'vue';
import { cellBox } from '../../../../core/assets/frames/sheets';
import { sequencePrepSchema, type SequenceAsset, type SequencePrep } from '../../../../core/document/schema';
import { propertiesIn } from '../../../../core/schema/properties';
import NumberField from '../../common/NumberField.vue';
import PropertyInput from '../../common/PropertyInput.vue';
import SelectField from '../../common/SelectField.vue';
import './controls.css';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: SequenceAsset }>();
const prep = defineModel<SequencePrep>({ required: true });
const set = (change: Partial<SequencePrep>): void => {
  prep.value = { ...prep.value, ...change };
};
const brought = computed(
  () =>
    props.asset.brought ?? { sheet: props.asset.sheet, grid: props.asset.grid, frames: props.asset.frames },
);
const side = computed(() => {
  const cell = cellBox(brought.value.grid, brought.value.sheet, 0);
  return Math.round(Math.max(cell.width, cell.height));
});
const sides = computed(() => [1, 0.75, 0.5, 0.25].map((k) => Math.round(side.value * k)));
const DESCRIBED = propertiesIn(sequencePrepSchema, {});
const EVERY = [
  { value: 1, label: 'all frames' },
  { value: 2, label: 'every second' },
  { value: 3, label: 'every third' },
  { value: 4, label: 'every fourth' },
];
</script>

<template>
  <div class="controls">
    <div class="line">
      <span>Longest side</span>
      <NumberField
        :value="prep.longest ?? side"
        label="Longest side of a frame, pixels"
        :digits="0"
        :min="8"
        :max="side"
        @change="(v) => set({ longest: Math.round(v) >= side ? null : Math.round(v) })"
      />
    </div>
    <div class="chips">
      <ChipButton
        v-for="(s, i) in sides"
        :key="s"
        :aria-pressed="(prep.longest ?? side) === s"
        @click="set({ longest: i === 0 ? null : s })"
      >
        {{ s }}
      </ChipButton>
    </div>
    <PropertyInput
      as="row"
      :property="DESCRIBED['quality']!"
      :value="prep.quality"
      @change="(quality) => set({ quality: quality as number })"
    />
    <div class="line">
      <span>Keep</span>
      <SelectField
        name="Which frames are kept"
        :value="prep.every"
        :options="EVERY"
        @change="(v: unknown) => set({ every: Number(v) })"
      />
    </div>
    <p class="soft">
      {{ Math.ceil(brought.frames / prep.every) }} of {{ brought.frames }} frames. Fewer frames are each shown
      longer, so it lasts as long as before.
    </p>
  </div>
</template>
