<script setup lang="ts">
/** What is odd about an asset, each with its ways out as one click. */
import { computed } from 'vue';
import { X } from '@lucide/vue';
import { notesOn, type Mend, type Use } from '../../../core/assets/notes';
import { objectsShowing } from '../../../core/document/asset-uses';
import { anchorOf } from '../../../core/document/queries';
import type { Asset } from '../../../core/document/schema';
import { MEND_WORDS, noteWords } from '../../asset-words';
import { destination } from '../../commands/place-commands';
import { useEffectStore } from '../../stores/effect';
import { usePreparingStore } from '../../stores/preparing';
import InlineNotice from '../common/InlineNotice.vue';
import ChipButton from '../common/ChipButton.vue';
import IconButton from '../common/IconButton.vue';

const props = defineProps<{ asset: Asset }>();
const effectStore = useEffectStore();
const preparing = usePreparingStore();
/** Worn where something that shows it is on a head, or where nothing does and new things go there. */
const use = computed((): Use => {
  const { effect } = effectStore;
  const anchors = objectsShowing(effect, props.asset.id).map((o) => anchorOf(effect, o));
  const all = anchors.length > 0 ? anchors : [destination(null, null, null).anchor];
  return all.some(({ kind }) => kind === 'head') ? 'worn' : 'elsewhere';
});
const notes = computed(() => notesOn(props.asset, use.value));
const under = computed(() => preparing.under[props.asset.id]);
const failure = computed(() => preparing.failures[props.asset.id]);
const mend = (m: Mend): void => void preparing.apply(props.asset, m.prep.prep, MEND_WORDS[m.code]);
</script>

<template>
  <div v-if="notes.length > 0 || under || failure" class="notes">
    <div v-for="note in notes" :key="note.code" class="note" :data-note="note.code">
      <span>{{ noteWords(asset, note) }}</span>
      <span class="mends">
        <ChipButton
          v-for="(m, i) in note.mends"
          :key="m.code"
          :class="{ on: i === 0 }"
          :disabled="Boolean(under)"
          @click="mend(m)"
        >
          {{ MEND_WORDS[m.code] }}
        </ChipButton>
      </span>
    </div>
    <div v-if="under" class="row" role="status">
      <span class="grow">{{ under.label }}</span>
      <a-progress
        class="bar"
        :percent="under.progress * 100"
        :show-info="false"
        size="small"
        stroke-color="var(--accent)"
      />
      <IconButton :aria-label="`Cancel: ${under.label}`" @click="under.abort.abort()">
        <X :size="14" />
      </IconButton>
    </div>
    <InlineNotice v-if="failure" closable @close="preparing.dismiss(asset.id)">{{ failure }}</InlineNotice>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 6px;
}
.note {
  display: grid;
  gap: 5px;
  padding: 6px 9px 7px;
  border-left: 3px solid var(--ochre);
  border-radius: 4px;
  background: var(--ochre-wash);
  font-size: 12px;
}
.mends {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.mends:empty {
  display: none;
}
.chip {
  background: var(--sheet);
}
.chip.on {
  background: var(--accent);
  border-color: var(--accent);
  color: var(--on-accent);
}
.chip:disabled {
  opacity: 0.5;
  cursor: default;
}
.bar {
  width: 110px;
  margin: 0;
}
</style>
