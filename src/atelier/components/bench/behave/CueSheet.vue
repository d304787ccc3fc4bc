<script setup lang="ts">
/** The cue sheet: when something happens, then these beats. Cues of one group stand together under its name. */
import { computed, ref } from 'vue';
import { cueOrder } from '../../../../core/document/queries';
import type { Cue, CueId } from '../../../../core/document/schema';
import { addCueFor, pasteCopiedCues } from '../../../commands/cue-commands';
import { useChronicleStore } from '../../../stores/chronicle';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import InlineNotice from '../../common/InlineNotice.vue';
import CueCard from './CueCard.vue';
import RecipeShelf from './RecipeShelf.vue';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const chronicle = useChronicleStore();
const playback = usePlaybackStore();

/** Cues without a group first, then each group where its first cue stands. */
const groups = computed(() => {
  const found = new Map<string, Cue[]>([['', []]]);
  for (const cue of cueOrder(effectStore.effect)) {
    const list = found.get(cue.group);
    if (list) list.push(cue);
    else found.set(cue.group, [cue]);
  }
  return [...found].filter(([, cues]) => cues.length > 0);
});
const empty = computed(() => Object.keys(effectStore.effect.cues).length === 0);
const folded = ref(new Set<string>());
const fold = (name: string): void => {
  if (!folded.value.delete(name)) folded.value.add(name);
};
const add = (): void => {
  addCueFor(desk.selection);
};
const paste = (): void => {
  pasteCopiedCues(null);
};
const stopPreview = (): void => playback.preview(null);
const previewed = computed(() => effectStore.effect.cues[playback.only as CueId]);
</script>

<template>
  <div class="sheet" role="region" aria-label="Cue sheet">
    <div class="row head">
      <h2 class="grow">
        Cue sheet
        <span v-if="chronicle.running && !empty" class="faint running" role="status">running ahead</span>
      </h2>
      <WordButton v-if="desk.copiedCues > 0" @click="paste">Paste</WordButton>
      <WordButton :aria-expanded="desk.behave.recipes" @click="desk.behave.recipes = !desk.behave.recipes">
        + Recipe
      </WordButton>
      <WordButton @click="add">+ Cue</WordButton>
    </div>
    <RecipeShelf v-if="desk.behave.recipes" @close="desk.behave.recipes = false" />
    <InlineNotice v-if="chronicle.problem">{{ chronicle.problem }}</InlineNotice>
    <p v-if="previewed" class="alone row" role="status">
      <span class="grow">Only this cue plays, from the start.</span>
      <WordButton @click="stopPreview">Play the whole effect</WordButton>
    </p>
    <div v-if="empty && !desk.behave.recipes" class="empty soft">
      <p>Nothing reacts yet.</p>
      <p>
        A cue says <b>when</b> something happens and <b>then</b> what follows: when the mouth opens, show the
        crown.
      </p>
      <div class="row">
        <a-button type="primary" @click="add">Add the first cue</a-button>
        <a-button @click="desk.behave.recipes = true">Choose a ready-made one</a-button>
      </div>
    </div>
    <template v-for="[name, cues] in groups" :key="name">
      <button v-if="name" class="group" type="button" :aria-expanded="!folded.has(name)" @click="fold(name)">
        {{ name }} <span class="faint">{{ cues.length }}</span>
      </button>
      <template v-if="!folded.has(name)">
        <CueCard v-for="cue in cues" :id="cue.id" :key="cue.id" :cue="cue" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
.running {
  font: 11px var(--sans, inherit);
  margin-left: 6px;
}
.alone {
  padding: 6px 10px;
  border-radius: 6px;
  background: var(--ochre-wash);
  font-size: 12px;
}
.empty {
  padding: 20px;
  border: 1px dashed var(--line);
  border-radius: 8px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.group {
  border: 0;
  background: none;
  text-align: left;
  font-weight: 600;
  font-size: 12.5px;
  padding: 6px 0 0;
  cursor: pointer;
  border-bottom: 1px solid var(--line2);
}
</style>
