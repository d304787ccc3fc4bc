<script setup lang="ts">
/** Who uses an asset; one click leads there and back. */
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { usesOf, type Use } from '../../../core/document/asset-uses';
import type { Asset } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ asset: Asset }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const router = useRouter();
const route = useRoute();
const useWords = (use: Use): string =>
  use.kind === 'icon' ? 'the icon' : use.kind === 'look' ? `the look ${use.name}` : use.name;
const uses = computed(() => usesOf(effectStore.effect, props.asset.id));
const go = (use: Use): void => {
  if (use.kind === 'object') {
    desk.selected = use.id;
    desk.closeLibrary();
    if (route.params.stage === 'release')
      void router.replace({ name: 'atelier', params: { ...route.params, stage: 'place' } });
    return;
  }
  desk.closeLibrary();
  if (use.kind === 'material') {
    desk.style.section = 'material';
    desk.style.material = use.id;
    void router.replace({ name: 'atelier', params: { ...route.params, stage: 'style' } });
    return;
  }
  if (use.kind === 'look') {
    desk.style.section = 'face';
    void router.replace({ name: 'atelier', params: { ...route.params, stage: 'style' } });
    return;
  }
  if (use.kind === 'target') {
    void router.replace({ name: 'atelier', params: { ...route.params, stage: 'place' } });
    return;
  }
  void router.replace({ name: 'atelier', params: { ...route.params, stage: 'release' } });
};
</script>

<template>
  <p v-if="uses.length === 0" class="soft">Not used yet.</p>
  <p v-else>
    <span class="soft">Used by </span>
    <template v-for="(use, i) in uses" :key="i">
      <WordButton @click="go(use)">
        {{ useWords(use) }}
      </WordButton>
      {{ i < uses.length - 1 ? ' ' : '' }}
    </template>
  </p>
</template>

<style scoped>
p {
  line-height: 1.7;
}
.word {
  margin: 0 0 0 -4px;
}
</style>
