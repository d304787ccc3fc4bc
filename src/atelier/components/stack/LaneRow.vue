<script setup lang="ts">
/** The head of a lane: what its objects stick to, and what can be added there. */
import { computed, ref } from 'vue';
import { Plus, Settings2, TriangleAlert } from '@lucide/vue';
import type { StackRow } from '../../../core/document/stack-rows';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { laneWords } from '../../words';
import { takeWith } from '../../../core/takes/library/take-for';
import { lacks } from '../../takes/take-for';
import AddMenu from './AddMenu.vue';
import { useStackActions } from './stack-actions';
import { useRowDrag } from './use-row-drag';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{
  row: Exclude<StackRow, { kind: 'object' }>;
  settingsOpen: boolean;
}>();
defineEmits<{ settings: [] }>();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const actions = useStackActions();
const element = ref<HTMLElement | null>(null);
const { over } = useRowDrag(element, () => props.row);
const anchor = computed(() => props.row.anchor);
/** What the take lacks for this lane, in words; null when all is there. */
const missing = computed(() => lacks(playback.take, effectStore.effect, anchor.value));
const other = computed(() => (missing.value ? takeWith(effectStore.effect, anchor.value) : null));
const EMPTY: Record<string, string> = {
  screen: 'Nothing lies on the screen yet.',
  head: 'Nothing is on this head yet.',
  skin: 'Nothing is on this skin yet.',
  picture: 'Drop here what lies on the picture.',
  world: 'Drop here what stands in the world.',
  backdrop: 'Drop here what lies behind the people.',
};
</script>

<template>
  <div ref="element" :class="{ into: over === 'into' }" :data-anchor="JSON.stringify(actions.forNew(anchor))">
    <template v-if="row.kind === 'lane'">
      <div class="lane">
        <span class="cut">{{ laneWords(effectStore.effect, anchor) }}</span>
        <span class="rule" />
        <IconButton
          v-if="anchor.kind === 'picture'"
          :aria-label="`Settings of ${laneWords(effectStore.effect, anchor)}`"
          :aria-expanded="settingsOpen"
          @click="$emit('settings')"
        >
          <Settings2 :size="13" />
        </IconButton>
        <AddMenu :anchor="anchor"
          ><IconButton :aria-label="`Add to ${laneWords(effectStore.effect, anchor)}`">
            <Plus :size="14" /></IconButton
        ></AddMenu>
      </div>
      <p v-if="missing" class="missing">
        <TriangleAlert :size="13" /> {{ missing }}
        <WordButton v-if="other" @click="playback.chooseTake(other)"> Show “{{ other.name }}” </WordButton>
      </p>
    </template>
    <p v-else class="empty">{{ EMPTY[anchor.kind] }}</p>
  </div>
</template>

<style scoped>
.lane {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 32px;
  padding: 4px 10px 0 16px;
  font: 600 11.5px var(--text);
  color: var(--soft);
}
.rule {
  flex: 1;
  min-width: 12px;
  border-top: 1px solid var(--line2);
}
.lane .icon-button {
  width: 22px;
  height: 22px;
}
.into {
  outline: 2px solid var(--accent);
  outline-offset: -2px;
  border-radius: 6px;
}
.missing,
.empty {
  margin: 0;
  padding: 2px 16px 4px 24px;
  font-size: 12px;
  color: var(--faint);
}
.missing {
  color: var(--ochre);
}
.missing svg {
  vertical-align: -2px;
}
.missing .word {
  margin-left: 4px;
}
</style>
