<script setup lang="ts">
/** A text: its words, typeface, letters, arc, colours. */
import { computed, onMounted, ref } from 'vue';
import { reshape } from '../../../core/document/edits';
import { TEXT_ALIGNS, type AssetId, type TextObject } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { useStockStore } from '../../stores/stock';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: TextObject }>();
const document = useEffectStore();
const stock = useStockStore();
const made = useMadeOf(() => props.object);
const set = (change: Parameters<typeof reshape<'text'>>[3], gesture: string | null = null): void => {
  document.edit(reshape(document.effect, props.object.id, 'text', change), gesture);
};
const done = (): void => document.endGesture();
const aligns = TEXT_ALIGNS.map((value) => ({
  value,
  label: { left: 'Left', centre: 'Middle', right: 'Right' }[value],
}));

/** Typefaces that are in the effect, and those that ship; a shipped one is brought in when it is chosen. */
const SHIPPED = 'stock ';
const typefaces = computed(() => {
  const here = new Set(made.value.map((m) => m.label));
  return [
    { value: '', label: 'Hanken Grotesk' },
    ...made.value,
    ...stock.items
      .filter((item) => item.group === 'Fonts' && item.name !== 'Hanken Grotesk' && !here.has(item.name))
      .map((item) => ({ value: `${SHIPPED}${item.id}`, label: item.name })),
  ];
});
const fetching = ref(false);
const chooseTypeface = async (value: string): Promise<void> => {
  if (!value.startsWith(SHIPPED)) return set({ font: (value || null) as AssetId | null });
  const { id } = props.object;
  fetching.value = true;
  const asset = await stock.bringInOne(value.slice(SHIPPED.length));
  fetching.value = false;
  if (asset) document.edit(reshape(document.effect, id, 'text', { font: asset }, 'Set the typeface of'));
};
onMounted(() => void stock.load());
</script>

<template>
  <div class="line top">
    <span>Words</span>
    <textarea
      class="wide words"
      rows="2"
      maxlength="500"
      aria-label="Words"
      :value="object.text"
      @input="set({ text: ($event.target as HTMLTextAreaElement).value }, 'words')"
      @blur="done"
    />
  </div>
  <div class="line">
    <span>Type</span>
    <SelectField
      name="Typeface"
      class="two"
      :value="object.font ?? ''"
      :options="typefaces"
      :dropdown-match-select-width="false"
      :loading="fetching"
      @change="(v: unknown) => chooseTypeface(v as string)"
    />
    <SelectField
      name="Lines are aligned"
      :value="object.align"
      :options="aligns"
      @change="(v: unknown) => set({ align: v as 'left' })"
    />
  </div>
  <div class="line">
    <span>Letters</span>
    <NumberField
      :value="object.size * 100"
      label="Height of a line, cm"
      mark="h"
      :digits="2"
      :step="0.1"
      :min="0.05"
      :max="10000"
      @change="(v) => set({ size: v / 100 }, 'size')"
      @done="done"
    />
    <NumberField
      :value="object.arc"
      label="Arc, degrees"
      mark="arc"
      unit="°"
      :digits="0"
      :step="5"
      :min="-350"
      :max="350"
      @change="(v) => set({ arc: v }, 'arc')"
      @done="done"
    />
    <NumberField
      :value="object.spacing * 100"
      label="Space between letters, per cent of the line"
      mark="gap"
      unit="%"
      :digits="0"
      :min="-20"
      :max="200"
      @change="(v) => set({ spacing: v / 100 }, 'spacing')"
      @done="done"
    />
  </div>
  <div class="line">
    <span>Colour</span>
    <input
      type="color"
      aria-label="Colour of the letters"
      :value="object.colour"
      @input="set({ colour: ($event.target as HTMLInputElement).value }, 'colour')"
      @change="done"
    />
    <NumberField
      :value="object.outline * 100"
      label="Outline, per cent of the line"
      mark="line"
      unit="%"
      :digits="1"
      :min="0"
      :max="50"
      @change="(v) => set({ outline: v / 100 }, 'outline')"
      @done="done"
    />
    <input
      type="color"
      aria-label="Colour of the outline"
      :value="object.outlineColour"
      @input="set({ outlineColour: ($event.target as HTMLInputElement).value }, 'outline-colour')"
      @change="done"
    />
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.top {
  align-items: start;
}
.words {
  min-width: 0;
  padding: 4px 6px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: var(--field);
  color: inherit;
  font: 500 12.5px/1.35 var(--text);
  resize: vertical;
}
.words:focus {
  border-color: var(--accent);
  outline: 0;
}
</style>
