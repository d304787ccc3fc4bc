<script setup lang="ts">
/** What of an effect takes the time of a picture on a class of phones, and what takes the memory: the dearest parts, each with what to do about it. */
import { computed, ref } from 'vue';
import { useElementSize } from '@vueuse/core';
import { max, scaleBand, scaleLinear } from 'd3';
import type { PartEstimate } from '../../../../../core/devices/estimate';
import { useDeskStore } from '../../../../stores/desk';
import { useDevicesStore } from '../../../../stores/devices';
import { useEffectStore } from '../../../../stores/effect';
import { sizeWords } from '../../../../words';
import { adviceFor, partName } from '../../../../device-words';

const devices = useDevicesStore();
const effectStore = useEffectStore();
const desk = useDeskStore();
const by = ref<'time' | 'memory'>('time');
const BY = [
  { value: 'time', label: 'Time' },
  { value: 'memory', label: 'Memory' },
];
/** Rows of the chart. */
const MOST = 7;
const ROW = 22;
const NAMES = 150;
const VALUES = 64;
const box = ref<HTMLElement | null>(null);
const { width } = useElementSize(box);

const valueOf = (p: PartEstimate): number => (by.value === 'time' ? p.drawing : p.bytes);
const rows = computed(() => {
  const parts = [...devices.estimates[devices.of].parts]
    .filter((p) => valueOf(p) > 0)
    .sort((a, b) => valueOf(b) - valueOf(a));
  return parts.slice(0, MOST).map((p, i) => ({
    key: String(i),
    part: p.part,
    name: partName(p.part, effectStore.effect),
    value: valueOf(p),
    words: by.value === 'time' ? `${p.drawing.toFixed(p.drawing < 1 ? 2 : 1)} ms` : sizeWords(p.bytes),
  }));
});
const across = computed(() =>
  scaleLinear()
    .domain([0, max(rows.value, (r) => r.value) ?? 1])
    .range([0, Math.max(10, width.value - NAMES - VALUES)]),
);
const down = computed(() =>
  scaleBand<string>()
    .domain(rows.value.map((r) => r.key))
    .range([0, rows.value.length * ROW])
    .paddingInner(0.3),
);
/** What would help most, once each. */
const advice = computed(() => {
  const said = new Map<string, string[]>();
  for (const { part, name } of rows.value.slice(0, 4)) {
    const words = adviceFor(part);
    if (words) said.set(words, [...(said.get(words) ?? []), name]);
  }
  return [...said].map(([words, names]) => ({ words, names: names.join(', ') }));
});
type Row = (typeof rows.value)[number];
/** One can go to it. */
const isThing = ({ part }: Row): boolean => part.of === 'object' || part.of === 'asset';
const select = ({ part }: Row): void => {
  if (part.of === 'object') desk.selected = part.object;
  else if (part.of === 'asset') desk.openLibrary({ asset: part.asset });
};
</script>

<template>
  <section class="costs" aria-label="What costs most">
    <div class="row">
      <h3 class="grow">What costs most</h3>
      <a-segmented v-model:value="by" size="small" :options="BY" aria-label="Costs by" />
    </div>
    <div ref="box">
      <svg :width="width" :height="rows.length * ROW" role="group" aria-label="Costs">
        <g
          v-for="row in rows"
          :key="row.key"
          :role="isThing(row) ? 'button' : 'img'"
          :tabindex="isThing(row) ? 0 : undefined"
          :aria-label="`${row.name}: ${row.words}`"
          :transform="`translate(0 ${down(row.key) ?? 0})`"
          :class="{ act: isThing(row) }"
          @click="select(row)"
          @keydown.enter="select(row)"
          @keydown.space.prevent="select(row)"
        >
          <rect class="hit" :width="width" :height="down.bandwidth()" />
          <text class="name" :y="down.bandwidth() / 2">
            {{ row.name.length > 24 ? `${row.name.slice(0, 23)}…` : row.name }}
            <title>{{ row.name }}</title>
          </text>
          <rect
            class="bar"
            :x="NAMES"
            :width="Math.max(1, across(row.value))"
            :height="down.bandwidth()"
            rx="2"
          />
          <text class="num value" :x="NAMES + across(row.value) + 6" :y="down.bandwidth() / 2">
            {{ row.words }}
          </text>
        </g>
      </svg>
    </div>
    <p v-for="one in advice" :key="one.words" class="soft"><b>{{ one.names }}</b>: {{ one.words }}</p>
  </section>
</template>

<style scoped>
.costs {
  display: grid;
  gap: 8px;
}
h3,
p {
  margin: 0;
}
text {
  dominant-baseline: central;
  font-size: 12px;
  fill: currentColor;
}
.hit {
  fill: transparent;
}
.bar {
  fill: var(--accent);
}
.act {
  cursor: pointer;
}
.act:focus-visible {
  outline: 2px solid var(--accent);
}
.act:hover .name {
  text-decoration: underline;
}
</style>
