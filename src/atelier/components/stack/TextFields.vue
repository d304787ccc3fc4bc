<script setup lang="ts">
/** A text: its words, typeface, letters, arc, colours. */
import { computed, onMounted, ref } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import type { AssetId, TextObject } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { useStockStore } from '../../stores/stock';
import PropertyField from '../common/PropertyField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: TextObject }>();
const effectStore = useEffectStore();
const stock = useStockStore();
const made = useMadeOf(() => props.object);
const set = (change: Parameters<typeof reshape<'text'>>[3], gesture: string | null = null): void => {
  effectStore.edit(reshape(effectStore.effect, props.object.id, 'text', change), gesture);
};
const done = (): void => effectStore.endGesture();

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
  const step = `typeface-${id}-${value}`;
  fetching.value = true;
  const asset = await stock.bringInOne(value.slice(SHIPPED.length), step);
  fetching.value = false;
  if (!asset) return;
  effectStore.edit(reshape(effectStore.effect, id, 'text', { font: asset }, 'Set the typeface of'), step);
  effectStore.endGesture();
};
onMounted(() => void stock.load());
</script>

<template>
  <div class="line top">
    <span>Words</span>
    <a-textarea
      class="wide"
      size="small"
      aria-label="Words"
      :rows="2"
      :maxlength="500"
      :value="object.text"
      @change="(e: Event) => set({ text: (e.target as HTMLTextAreaElement).value }, 'words')"
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
    <PropertyField :object="object" path="align" />
  </div>
  <div class="line">
    <span>Letters</span>
    <PropertyField :object="object" path="size" />
    <PropertyField :object="object" path="arc" />
    <PropertyField :object="object" path="spacing" />
  </div>
  <div class="line">
    <span>Colour</span>
    <PropertyField :object="object" path="colour" />
    <PropertyField :object="object" path="outline" />
    <PropertyField :object="object" path="outlineColour" />
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.top {
  align-items: start;
}
</style>
