<script setup lang="ts">
/** The parts of a model: which of them are shown, and which are objects of their own. */
import { computed, ref, watch } from 'vue';
import type { ModelObject } from '../../../core/document/schema';
import type { ModelPartName } from '../../../stage/effect/model-store';
import { objectOfPart, setPartApart, togglePart } from '../../commands/part-commands';
import { useAssetsStore } from '../../stores/assets';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import ChipButton from '../common/ChipButton.vue';
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: ModelObject }>();
const effectStore = useEffectStore();
const assets = useAssetsStore();
const desk = useDeskStore();

/** The part tree of a model, once it is there. */
const parts = ref<readonly ModelPartName[]>([]);
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
/** A part that was clicked in a picture is looked for here. */
watch(
  () => desk.part,
  (part) => {
    if (part !== null) partsOpen.value = true;
  },
);
interface Branch {
  readonly key: number;
  readonly title: string;
  readonly isApart: boolean;
  readonly children: Branch[];
}
/** The parts as they hang in each other. */
const tree = computed((): Branch[] => {
  const roots: Branch[] = [];
  const path: Branch[] = [];
  for (const { index, name, depth } of parts.value) {
    const isApart = objectOfPart(props.object, index) !== null;
    const branch: Branch = { key: index, title: name, isApart, children: [] };
    path.length = depth;
    (path.at(-1)?.children ?? roots).push(branch);
    path.push(branch);
  }
  return roots;
});
const isShown = (index: number): boolean =>
  objectOfPart(props.object, index)?.visible ?? !props.object.hiddenParts.includes(index);
const shownParts = computed(() => parts.value.map((p) => p.index).filter(isShown));
const hidden = computed(() => parts.value.length - shownParts.value.length);
const chosen = computed(() => parts.value.find((p) => p.index === desk.part) ?? null);
const chosenObject = computed(() => (chosen.value ? objectOfPart(props.object, chosen.value.index) : null));

const failure = ref<string | null>(null);
const apart = async (index: number): Promise<void> => {
  failure.value = await setPartApart(props.object, index);
};
</script>

<template>
  <template v-if="parts.length > 1">
    <WordButton class="parts" :aria-expanded="partsOpen" @click="partsOpen = !partsOpen">
      {{ parts.length }} parts{{ hidden > 0 ? `, ${hidden} hidden` : '' }}
    </WordButton>
    <template v-if="partsOpen">
      <a-tree
        class="tree"
        checkable
        check-strictly
        default-expand-all
        block-node
        :height="140"
        :tree-data="tree"
        :checked-keys="shownParts"
        :selected-keys="desk.part === null ? [] : [desk.part]"
        aria-label="Parts of the model"
        @check="
          (_: unknown, info: { node: { key: string | number } }) => togglePart(object, Number(info.node.key))
        "
        @select="
          (keys: readonly (string | number)[]) => (desk.part = keys.length > 0 ? Number(keys[0]) : null)
        "
      >
        <template #title="{ title, isApart }">
          {{ title }} <em v-if="isApart" class="soft">an object in the Stack</em>
        </template>
      </a-tree>
      <div v-if="chosen" class="chosen">
        <ChipButton v-if="chosenObject" @click="desk.selected = chosenObject.id">
          Go to {{ chosen.name }}
        </ChipButton>
        <ChipButton v-else @click="apart(chosen.index)">Set {{ chosen.name }} apart</ChipButton>
        <span class="soft">{{
          chosenObject
            ? 'It is placed and dressed by itself.'
            : 'It becomes an object in the Stack: to place, turn, dress and touch, and for cues.'
        }}</span>
      </div>
      <p v-else class="chosen soft">Click a part here, or in the picture, to set it apart.</p>
      <InlineNotice v-if="failure">{{ failure }}</InlineNotice>
    </template>
  </template>
</template>

<style scoped>
.parts {
  justify-self: start;
}
.tree {
  background: none;
  font-size: 12px;
}
.tree :deep(.ant-tree-node-selected) {
  background: var(--wash);
  font-weight: 600;
}
.tree em {
  font-style: normal;
  font-size: 11px;
}
.chosen {
  display: grid;
  justify-items: start;
  gap: 4px;
  margin: 0 0 4px;
  font-size: 12px;
}
</style>
