<script setup lang="ts">
/** How full the effect is against what outlets take: one piece an asset, the heaviest first. */
import { computed } from 'vue';
import { scaleLinear } from 'd3';
import { costsOf, OUTLET_LIMITS } from '../../../core/checks/costs';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { sizeWords } from '../../words';
import { useWeight } from './use-weight';

const effectStore = useEffectStore();
const desk = useDeskStore();
const used = computed(() => costsOf(effectStore.effect).filter((c) => c.used && c.bytes > 0));
const { total, limit, over } = useWeight();
const scale = computed(() => scaleLinear([0, Math.max(total.value, limit)], [0, 100]));
const pieces = computed(() => {
  let from = 0;
  return used.value.map(({ asset, bytes }) => {
    const piece = { asset, bytes, left: scale.value(from), width: scale.value(bytes) };
    from += bytes;
    return piece;
  });
});
const limits = computed(() => OUTLET_LIMITS.map((l) => ({ ...l, at: scale.value(l.bytes) })));
</script>

<template>
  <div class="cost">
    <span class="words" :class="{ bad: over }">{{ sizeWords(total) }} of {{ sizeWords(limit) }}</span>
    <div
      class="bar"
      role="group"
      :aria-label="`${sizeWords(total)} of ${sizeWords(limit)} are used. The heaviest: ${pieces
        .slice(0, 3)
        .map((p) => `${p.asset.name} ${sizeWords(p.bytes)}`)
        .join(', ')}`"
    >
      <button
        v-for="piece in pieces"
        :key="piece.asset.id"
        type="button"
        class="piece"
        :class="{ over }"
        :style="{ left: `${piece.left}%`, width: `${piece.width}%` }"
        :title="`${piece.asset.name}: ${sizeWords(piece.bytes)}`"
        :aria-label="`${piece.asset.name}, ${sizeWords(piece.bytes)}`"
        tabindex="-1"
        @click="desk.openLibrary({ asset: piece.asset.id })"
      />
      <i
        v-for="l in limits"
        :key="l.name"
        class="limit"
        :style="{ left: `${l.at}%` }"
        :title="`${l.name} takes ${sizeWords(l.bytes)}`"
      />
    </div>
  </div>
</template>

<style scoped>
.cost {
  display: flex;
  align-items: center;
  gap: 10px;
  min-width: 0;
}
.words {
  white-space: nowrap;
  color: var(--soft);
}
.words.bad {
  color: var(--madder);
  font-weight: 600;
}
.bar {
  position: relative;
  flex: 1;
  min-width: 16px;
  height: 10px;
  border-radius: 5px;
  background: var(--line2);
  overflow: hidden;
}
.piece {
  position: absolute;
  top: 0;
  bottom: 0;
  padding: 0;
  border: 0;
  border-right: 1px solid var(--sheet);
  background: var(--accent);
  cursor: pointer;
}
.piece:nth-child(even) {
  background: color-mix(in srgb, var(--accent) 78%, var(--sheet));
}
.piece:hover {
  background: var(--ink);
}
.piece.over {
  background: var(--madder);
}
.limit {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  margin-left: -2px;
  background: var(--ink);
}
</style>
