<script setup lang="ts">
/**
 * A small picture that the viewer sees: one of the effect's pictures, or an icon that ships, which is brought in when it is chosen. Both
 * are one step to undo.
 */
import { computed, onMounted, ref } from 'vue';
import type { AssetId } from '../../../core/document/schema';
import { api } from '../../api/client';
import { useEffectStore } from '../../stores/effect';
import { stockUrl, useStockStore } from '../../stores/stock';
import ChoiceField from './ChoiceField.vue';

defineProps<{ label: string; value: AssetId | null }>();
const emit = defineEmits<{ change: [picture: AssetId | null] }>();
const effectStore = useEffectStore();
const stock = useStockStore();
onMounted(() => void stock.load());

const SHIPPED = 'stock ';
const own = computed(() => Object.values(effectStore.effect.assets).filter((a) => a.kind === 'picture'));
const icons = computed(() => stock.items.filter((item) => item.group === 'Icons'));
const options = computed(() => [
  {
    label: 'This effect',
    options: [
      { value: '', label: 'no picture' },
      ...own.value.map((a) => ({ value: a.id as string, label: a.name })),
    ],
  },
  {
    label: 'Icons',
    options: icons.value.map((item) => ({ value: SHIPPED + item.id, label: item.name, seek: 'icon' })),
  },
]);
const shown = computed(
  () =>
    new Map([
      ...own.value.map((a) => [a.id as string, api.fileUrl(a.files[0]!.sha256)] as const),
      ...icons.value.map((item) => [SHIPPED + item.id, stockUrl(item.file)] as const),
    ]),
);
const fetching = ref(false);
let bringing = 0;
const choose = async (value: string): Promise<void> => {
  if (!value.startsWith(SHIPPED)) return emit('change', (value || null) as AssetId | null);
  const step = `icon-${++bringing}-${value}`;
  fetching.value = true;
  const picture = await stock.bringInOne(value.slice(SHIPPED.length), step);
  fetching.value = false;
  if (!picture) return;
  effectStore.asOneStep(step, () => emit('change', picture));
  effectStore.endGesture();
};
</script>

<template>
  <ChoiceField
    :label="label"
    :needed="false"
    :value="value ?? ''"
    :options="options"
    :loading="fetching"
    @change="choose"
  >
    <template #option="option">
      <span class="option"
        ><span class="ground"
          ><img v-if="shown.has(option.value)" :src="shown.get(option.value)" alt="" loading="lazy" /></span
        >{{ option.label }}</span
      >
    </template>
  </ChoiceField>
</template>

<style scoped>
.option {
  display: flex;
  gap: 8px;
  align-items: center;
}
/* As over the camera: icons are white. */
.ground {
  display: grid;
  flex: none;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 6px;
  background: #3a4449;
}
.ground:empty {
  background: none;
}
img {
  width: 18px;
  height: 18px;
  object-fit: contain;
}
</style>
