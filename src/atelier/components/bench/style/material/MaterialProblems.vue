<script setup lang="ts">
/** What is wrong with the material, each with a way out. */
import { computed } from 'vue';
import { wire } from '../../../../../core/edits/material-edits';
import type { Material } from '../../../../../core/document/schema';
import { materialProblems, type MaterialProblem } from '../../../../../core/surface/material-problems';
import { compiledOf, markOf } from '../../../../../stage/surface/compiled-surfaces';
import { problemWords } from '../../../../material-words';
import { useAssetsStore } from '../../../../stores/assets';
import { useEffectStore } from '../../../../stores/effect';
import InlineNotice from '../../../common/InlineNotice.vue';
import { useMaterial } from './use-material';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{ material: Material }>();
const effectStore = useEffectStore();
const assets = useAssetsStore();
const { set, object, slots } = useMaterial();
/** Only looking at its pixels tells whether a picture that could be transparent is. */
const opaqueMask = computed((): MaterialProblem[] => {
  void assets.arrived;
  const { mask } = props.material;
  const asset =
    mask?.by === 'alpha' && mask.picture.from === 'asset'
      ? effectStore.effect.assets[mask.picture.asset]
      : undefined;
  return asset?.kind === 'picture' && assets.stores.maps.isOpaque(asset) === true
    ? [{ code: 'mask-without-alpha' }]
    : [];
});
const problems = computed(() => {
  const found = materialProblems(effectStore.effect, props.material);
  return found.some((p) => p.code === 'mask-without-alpha') ? found : [...found, ...opaqueMask.value];
});
const fault = computed(() => {
  void assets.arrived;
  const surface = compiledOf(effectStore.effect, props.material);
  return surface && assets.stores.faults.of(markOf(surface));
});
/** Pictures need a layout to lie on. */
const bare = computed(() => {
  const uses = Object.values(props.material.maps).some(Boolean) || props.material.mask !== null;
  return uses ? slots.value.filter((s) => !s.hasLayout).map((s) => s.name) : [];
});
const mend = (problem: MaterialProblem): { label: string; run: () => void } | null => {
  const { material } = props;
  switch (problem.code) {
    case 'lost-map':
    case 'odd-shape': {
      const { slot } = problem;
      if (slot === 'mask') return { label: 'Take it off', run: () => set({ mask: null }) };
      return { label: 'Take it off', run: () => set({ maps: { ...material.maps, [slot]: null } }) };
    }
    case 'mask-without-alpha':
      return {
        label: 'Mask by its grey',
        run: () => material.mask && set({ mask: { ...material.mask, by: 'grey' } }),
      };
    case 'loop':
    case 'lost-wire':
      return {
        label: 'Take the wire off',
        run: () => effectStore.edit(wire(effectStore.effect, material.id, problem, null)),
      };
    case 'no-surface':
      return { label: 'Do without the circuit', run: () => set({ circuit: null }) };
    default:
      return null;
  }
};
/** Those of nodes stand on the nodes themselves. */
const shown = computed(() => problems.value.filter((p) => mend(p) !== null));
</script>

<template>
  <div v-if="shown.length + bare.length > 0 || fault" class="problems">
    <InlineNotice v-if="fault" kind="error"
      >The graphics of this machine refuse the circuit of {{ material.name }}, so it is drawn without. Undo
      the last change of it, or simplify it; it said: {{ fault.slice(0, 120) }}</InlineNotice
    >
    <InlineNotice v-if="bare.length > 0 && object" kind="error"
      >{{ bare.join(', ') }} of {{ object.name }} does not say how pictures lie on it (no texture
      coordinates), so they show as one colour. Bring the model in again with them.</InlineNotice
    >
    <InlineNotice v-for="(problem, i) in shown" :key="i" kind="error"
      >{{ problemWords(material, problem) }}
      <WordButton @click="mend(problem)?.run()">
        {{ mend(problem)?.label }}
      </WordButton></InlineNotice
    >
  </div>
</template>

<style scoped>
.problems {
  display: grid;
  gap: 6px;
  margin: 8px 0;
}
</style>
