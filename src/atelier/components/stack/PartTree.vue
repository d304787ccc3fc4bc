<script setup lang="ts">
/** The parts of a model: which of them are shown. */
import { ref, watch } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import type { ModelObject } from '../../../core/document/schema';
import { useAssetsStore } from '../../stores/assets';
import { useEffectStore } from '../../stores/effect';

const props = defineProps<{ object: ModelObject }>();
const document = useEffectStore();
const assets = useAssetsStore();

interface Part {
  readonly index: number;
  readonly name: string;
  readonly depth: number;
}
/** The part tree of a model, once it is there. */
const parts = ref<readonly Part[]>([]);
const partsOpen = ref(false);
watch(
  () => [props.object, assets.arrived] as const,
  () => {
    const { object } = props;
    const asset = document.effect.assets[object.asset];
    parts.value = asset?.kind === 'model' ? assets.stores.models.partsOf(asset) : [];
  },
  { immediate: true },
);
const togglePart = (index: number): void => {
  const { object } = props;
  const hidden = object.hiddenParts.includes(index);
  const hiddenParts = hidden ? object.hiddenParts.filter((p) => p !== index) : [...object.hiddenParts, index];
  document.edit(reshape(document.effect, object.id, 'model', { hiddenParts }));
};
</script>

<template>
  <template v-if="parts.length > 1">
    <button class="word parts" type="button" :aria-expanded="partsOpen" @click="partsOpen = !partsOpen">
      {{ parts.length }} parts{{
        object.hiddenParts.length > 0 ? `, ${object.hiddenParts.length} hidden` : ''
      }}
    </button>
    <ul v-if="partsOpen" class="tree">
      <li v-for="part in parts" :key="part.index" :style="{ paddingLeft: `${part.depth * 12}px` }">
        <label
          ><input
            type="checkbox"
            :checked="!object.hiddenParts.includes(part.index)"
            @change="togglePart(part.index)"
          />
          {{ part.name }}</label
        >
      </li>
    </ul>
  </template>
</template>

<style scoped>
.parts {
  justify-self: start;
}
.tree {
  max-height: 140px;
  margin: 0;
  padding: 0 0 0 61px;
  overflow: auto;
  list-style: none;
  font-size: 12px;
}
.tree label {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
