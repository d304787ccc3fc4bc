<script setup lang="ts">
/** One asset in a grid. */
import { computed } from 'vue';
import { Link2, TriangleAlert } from '@lucide/vue';
import { notesOn } from '../../../core/assets/notes';
import { usesOf } from '../../../core/document/asset-uses';
import { assetBytes } from '../../../core/document/queries';
import type { Asset } from '../../../core/document/schema';
import { shortFacts } from '../../asset-words';
import { useEffectStore } from '../../stores/effect';
import { useLinksStore } from '../../stores/links';
import { usePreparingStore } from '../../stores/preparing';
import { sizeWords } from '../../words';
import AssetThumb from './AssetThumb.vue';

const props = defineProps<{ asset: Asset; selected: boolean }>();
defineEmits<{ pick: [event: MouseEvent | KeyboardEvent]; open: [] }>();
const effectStore = useEffectStore();
const links = useLinksStore();
const preparing = usePreparingStore();
const odd = computed(() => notesOn(props.asset).length > 0);
const uses = computed(() => usesOf(effectStore.effect, props.asset.id).length);
const under = computed(() => preparing.under[props.asset.id]);
</script>

<template>
  <button
    type="button"
    class="tile"
    :class="{ selected }"
    :aria-pressed="selected"
    :title="`${asset.name}: ${shortFacts(asset)}, ${sizeWords(assetBytes(asset))}`"
    @click="$emit('pick', $event)"
    @dblclick="$emit('open')"
  >
    <span class="picture">
      <AssetThumb :asset="asset" />
      <TriangleAlert v-if="odd" class="mark warn" :size="14" aria-label="Something is odd" />
      <Link2 v-if="links.states[asset.id]" class="mark link" :size="14" aria-label="Linked to its file" />
      <a-progress
        v-if="under"
        class="under"
        :percent="under.progress * 100"
        :show-info="false"
        size="small"
        stroke-color="var(--accent)"
      />
    </span>
    <span class="name cut">{{ asset.name }}</span>
    <span class="facts cut"
      >{{ sizeWords(assetBytes(asset)) }}<template v-if="uses === 0"> · not used</template></span
    >
  </button>
</template>

<style scoped>
.tile {
  display: grid;
  grid-template-rows: 84px auto auto;
  min-width: 0;
  padding: 4px 4px 6px;
  border: 1.5px solid transparent;
  border-radius: 8px;
  background: none;
  color: inherit;
  text-align: left;
  font: inherit;
  cursor: pointer;
}
.tile:hover {
  background: var(--line2);
}
.tile.selected {
  border-color: var(--accent);
  background: var(--wash);
}
.picture {
  position: relative;
  display: block;
  min-height: 0;
  border: 1px solid var(--line2);
  border-radius: 6px;
  overflow: hidden;
}
.mark {
  position: absolute;
  top: 4px;
  padding: 1px;
  border-radius: 4px;
  background: var(--sheet);
}
.warn {
  right: 4px;
  color: var(--ochre);
}
.link {
  left: 4px;
  color: var(--accent);
}
.under {
  position: absolute;
  inset: auto 6px 2px;
  margin: 0;
}
.name {
  margin-top: 4px;
  font-size: 12px;
  font-weight: 550;
}
.facts {
  font-size: 11px;
  color: var(--soft);
}
</style>
