<script setup lang="ts">
/** Deleting assets: says who uses them, and asks what becomes of that. */
import { computed, onMounted, ref } from 'vue';
import { removeAssets, removeAssetsAndObjects, showInstead } from '../../../core/edits/asset-edits';
import { objectsShowing, usesOf } from '../../../core/document/asset-uses';
import { canShow } from '../../../core/kinds/objects/objects';
import type { Asset, AssetId } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import SelectField from '../common/SelectField.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ assets: readonly Asset[] }>();
const emit = defineEmits<{ done: [] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const ask = ref<HTMLElement | null>(null);
// Below a long list of facts it would be out of sight.
onMounted(() => ask.value?.scrollIntoView({ block: 'nearest' }));
const ids = computed(() => props.assets.map((a) => a.id));
const users = computed(() => [
  ...new Set(
    ids.value
      .flatMap((id) => usesOf(effectStore.effect, id))
      .map((u) => (u.in === 'icon' ? 'the icon' : u.name)),
  ),
]);
const title = computed(() =>
  props.assets.length === 1 ? props.assets[0]!.name : `${props.assets.length} assets`,
);
/** What could be shown instead by everything that shows the one asset. */
const others = computed(() => {
  const [only] = props.assets;
  if (props.assets.length !== 1 || !only) return [];
  const shown = objectsShowing(effectStore.effect, only.id);
  return Object.values(effectStore.effect.assets).filter(
    (a) => a.id !== only.id && shown.length > 0 && shown.every((o) => canShow(o, a)),
  );
});
const finish = (): void => {
  desk.library.selected = [];
  emit('done');
};
const remove = (withObjects: boolean): void => {
  const edit = withObjects ? removeAssetsAndObjects : removeAssets;
  effectStore.edit(edit(effectStore.effect, ids.value));
  finish();
};
const replace = (id: unknown): void => {
  const [only] = props.assets;
  const to = effectStore.effect.assets[id as AssetId];
  if (!only || !to) return;
  effectStore.edit({
    label: `Show ${to.name} and delete ${only.name}`,
    change: (d) => {
      showInstead(effectStore.effect, only.id, to).change(d);
      removeAssets(effectStore.effect, [only.id]).change(d);
    },
  });
  finish();
};
</script>

<template>
  <div ref="ask" class="ask" role="alertdialog" :aria-label="`Delete ${title}`">
    <p v-if="users.length === 0"><b>{{ title }}</b> is not used anywhere.</p>
    <p v-else>
      <b>{{ title }}</b> is used by {{ users.slice(0, 6).join(', ')
      }}{{ users.length > 6 ? ` and ${users.length - 6} more` : '' }}.
    </p>
    <div class="choices">
      <a-button v-if="users.length === 0" size="small" danger @click="remove(false)">Delete</a-button>
      <template v-else>
        <SelectField
          v-if="others.length > 0"
          name="Show another asset instead"
          placeholder="Show another instead"
          class="others"
          :options="others.map((a) => ({ value: a.id, label: a.name }))"
          @change="replace"
        />
        <a-button size="small" danger @click="remove(true)">Delete it and what shows it</a-button>
        <a-button size="small" @click="remove(false)">Delete it, keep the gaps</a-button>
      </template>
      <WordButton @click="emit('done')">Keep it</WordButton>
    </div>
    <p class="soft">Undo brings everything back.</p>
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 8px;
  padding: 9px 10px;
  border-left: 3px solid var(--madder);
  border-radius: 4px;
  background: var(--sheet);
  box-shadow: 0 0 0 1px var(--line2);
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.others {
  width: 100%;
}
.word {
  margin: 0;
}
</style>
