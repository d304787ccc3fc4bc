<script setup lang="ts">
/** The parts of a model: which of them are shown. */
import { computed, ref, watch } from 'vue';
import { reshape } from '../../../core/edits/object-edits';
import type { ModelObject } from '../../../core/document/schema';
import { useAssetsStore } from '../../stores/assets';
import { useEffectStore } from '../../stores/effect';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: ModelObject }>();
const effectStore = useEffectStore();
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
    const asset = effectStore.effect.assets[object.asset];
    parts.value = asset?.kind === 'model' ? assets.stores.models.partsOf(asset) : [];
  },
  { immediate: true },
);
interface Branch {
  readonly key: number;
  readonly title: string;
  readonly children: Branch[];
}
/** The parts as they hang in each other. */
const tree = computed((): Branch[] => {
  const roots: Branch[] = [];
  const path: Branch[] = [];
  for (const { index, name, depth } of parts.value) {
    const branch: Branch = { key: index, title: name, children: [] };
    path.length = depth;
    (path.at(-1)?.children ?? roots).push(branch);
    path.push(branch);
  }
  return roots;
});
const shownParts = computed(() =>
  parts.value.filter((p) => !props.object.hiddenParts.includes(p.index)).map((p) => p.index),
);
const togglePart = (index: number): void => {
  const { object } = props;
  const hidden = object.hiddenParts.includes(index);
  const hiddenParts = hidden ? object.hiddenParts.filter((p) => p !== index) : [...object.hiddenParts, index];
  effectStore.edit(reshape(effectStore.effect, object.id, 'model', { hiddenParts }));
};
</script>

<template>
  <template v-if="parts.length > 1">
    <WordButton class="parts" :aria-expanded="partsOpen" @click="partsOpen = !partsOpen">
      {{ parts.length }} parts{{
        object.hiddenParts.length > 0 ? `, ${object.hiddenParts.length} hidden` : ''
      }}
    </WordButton>
    <a-tree
      v-if="partsOpen"
      class="tree"
      checkable
      check-strictly
      default-expand-all
      block-node
      :selectable="false"
      :height="140"
      :tree-data="tree"
      :checked-keys="shownParts"
      aria-label="Parts of the model"
      @check="(_: unknown, info: { node: { key: string | number } }) => togglePart(Number(info.node.key))"
    />
  </template>
</template>

<style scoped>
.parts {
  justify-self: start;
}
.tree {
  margin-left: 61px;
  background: none;
  font-size: 12px;
}
</style>
