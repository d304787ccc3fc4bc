<script setup lang="ts">
/** What takes the space: every asset in use as an area. */
import { computed, ref } from 'vue';
import { hierarchy, treemap, treemapSquarify } from 'd3';
import { useElementSize } from '@vueuse/core';
import { costsOf, OPEN_WEB, type Cost } from '../../../core/checks/costs';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { KIND_LABELS } from '../../asset-words';
import { sizeWords } from '../../words';

const effectStore = useEffectStore();
const desk = useDeskStore();
const box = ref<HTMLElement | null>(null);
const { width } = useElementSize(box);
const HEIGHT = 240;

interface Leaf {
  readonly cost?: Cost;
  readonly children?: readonly Leaf[];
}
const costs = computed(() => costsOf(effectStore.effect));
const used = computed(() => costs.value.filter((c) => c.used && c.bytes > 0));
const idle = computed(() => costs.value.filter((c) => !c.used));
const total = computed(() => used.value.reduce((sum, c) => sum + c.bytes, 0));
/** There is room for its name and size. */
const isWorded = (w: number, h: number): boolean => w > 62 && h > 34;
const cells = computed(() => {
  if (width.value < 20 || used.value.length === 0) return [];
  const root = hierarchy<Leaf>({ children: used.value.map((cost) => ({ cost })) }, (d) => d.children)
    .sum((d) => d.cost?.bytes ?? 0)
    .sort((a, b) => (b.value ?? 0) - (a.value ?? 0));
  return treemap<Leaf>()
    .size([width.value, HEIGHT])
    .paddingInner(2)
    .tile(treemapSquarify.ratio(1.2))(root)
    .leaves()
    .map((leaf) => ({
      cost: leaf.data.cost!,
      x: leaf.x0,
      y: leaf.y0,
      w: leaf.x1 - leaf.x0,
      h: leaf.y1 - leaf.y0,
    }));
});
</script>

<template>
  <section aria-label="What takes the space">
    <h3>What takes the space</h3>
    <p v-if="used.length === 0" class="soft">
      Nothing is used yet. What you place is counted here against what outlets take.
    </p>
    <template v-else>
      <p class="soft">
        {{ sizeWords(total) }} in use; {{ OPEN_WEB.name }} takes {{ sizeWords(OPEN_WEB.bytes) }} ({{
          Math.round((100 * total) / OPEN_WEB.bytes)
        }}
        %).
      </p>
      <div ref="box" class="map" :style="{ height: `${HEIGHT}px` }">
        <button
          v-for="{ cost, x, y, w, h } in cells"
          :key="cost.asset.id"
          type="button"
          class="cell"
          :class="{ worded: isWorded(w, h) }"
          :style="{ left: `${x}px`, top: `${y}px`, width: `${w}px`, height: `${h}px` }"
          :title="`${cost.asset.name}: ${sizeWords(cost.bytes)}`"
          :aria-label="
            isWorded(w, h)
              ? undefined
              : `${cost.asset.name}, ${KIND_LABELS[cost.kind]}, ${sizeWords(cost.bytes)}`
          "
          @click="desk.library.selected = [cost.asset.id]"
        >
          <template v-if="isWorded(w, h)">
            <b class="cut">{{ cost.asset.name }}</b>
            <span>{{ sizeWords(cost.bytes) }}</span>
          </template>
        </button>
      </div>
    </template>
    <p v-if="idle.length > 0" class="soft idle">
      {{ idle.length === 1 ? 'One asset is' : `${idle.length} assets are` }} not used and
      {{ idle.length === 1 ? 'is' : 'are' }} left out of the release.
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}
h3 {
  font-size: 13px;
}
.map {
  position: relative;
}
.cell {
  position: absolute;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1px;
  padding: 0;
  border: 0;
  border-radius: 4px;
  overflow: hidden;
  text-align: left;
  background: color-mix(in srgb, var(--accent) 90%, var(--sheet));
  color: var(--on-accent);
  font: 500 11px var(--text);
  cursor: pointer;
}
/* The smallest have no room for words, nor for room around them. */
.cell.worded {
  padding: 5px 7px;
}
.cell:hover {
  background: var(--accent);
}
.cell b {
  max-width: 100%;
}
.idle {
  margin-top: 2px;
}
</style>
