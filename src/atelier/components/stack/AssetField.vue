<script setup lang="ts">
/** What an object shows; one click leads to it in the library, and back. */
import { computed } from 'vue';
import { ArrowUpRight, TriangleAlert } from '@lucide/vue';
import type { Card, Iris, Layer, ModelObject } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import AssetThumb from '../library/AssetThumb.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: Card | ModelObject | Layer | Iris }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const asset = computed(() =>
  props.object.asset ? effectStore.effect.assets[props.object.asset] : undefined,
);
</script>

<template>
  <div class="line">
    <span>Shows</span>
    <button
      v-if="asset"
      type="button"
      class="asset"
      :aria-label="`${asset.name} in the library`"
      @click="desk.openLibrary({ asset: asset.id, from: object.id })"
    >
      <span class="small"><AssetThumb :asset="asset" /></span>
      <span class="cut grow">{{ asset.name }}</span>
      <ArrowUpRight :size="13" />
    </button>
    <span v-else-if="object.asset === null" class="none">
      plain colour
      <WordButton @click="desk.openLibrary({ from: object.id })"> Choose a picture </WordButton>
    </span>
    <span v-else class="gone">
      <TriangleAlert :size="13" /> its asset was deleted
      <WordButton @click="desk.openLibrary({ from: object.id })"> Choose another </WordButton>
    </span>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 56px 1fr;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.none {
  grid-column: 2 / -1;
}
.asset,
.gone {
  grid-column: 2 / -1;
}
.asset {
  display: flex;
  align-items: center;
  gap: 7px;
  min-width: 0;
  height: 28px;
  padding: 2px 7px 2px 3px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: inherit;
  font: 500 12px var(--text);
  text-align: left;
  cursor: pointer;
}
.small {
  flex: none;
  width: 30px;
  height: 22px;
  border-radius: 4px;
  overflow: hidden;
}
.gone {
  display: flex;
  align-items: center;
  gap: 5px;
  color: var(--madder);
}
.gone .word {
  margin: 0;
}
</style>
