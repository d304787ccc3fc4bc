<script setup lang="ts">
/** Who uses an asset; one click leads there and back. */
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { usesOf, type Use } from '../../../core/document/asset-uses';
import type { Asset, MaterialId, ObjectId } from '../../../core/document/schema';
import type { Stage } from '../../../core/checks/checks';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ asset: Asset }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const router = useRouter();
const route = useRoute();
const useWords = (use: Use): string =>
  use.in === 'icon' ? 'the icon' : use.in === 'looks' ? `the look ${use.name}` : use.name;
/** The stage on which it is seen; an object is seen on all but the last. */
const STAGES: Readonly<Record<Use['in'], Stage | null>> = {
  objects: null,
  materials: 'style',
  looks: 'style',
  targets: 'place',
  controls: 'behave',
  cues: 'behave',
  prompts: 'behave',
  drives: 'behave',
  circuits: 'behave',
  compounds: 'behave',
  performances: 'try',
  rehearsals: 'try',
  icon: 'release',
};
const uses = computed(() => usesOf(effectStore.effect, props.asset.id));
const go = (use: Use): void => {
  desk.closeLibrary();
  if (use.in === 'objects') desk.selected = use.id as ObjectId;
  if (use.in === 'materials') {
    desk.style.section = 'material';
    desk.style.material = use.id as MaterialId;
  }
  if (use.in === 'looks') desk.style.section = 'face';
  if (use.in === 'controls') desk.behave.section = 'viewer';
  const stage = STAGES[use.in] ?? (route.params.stage === 'release' ? 'place' : null);
  if (stage) void router.replace({ name: 'atelier', params: { ...route.params, stage } });
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
