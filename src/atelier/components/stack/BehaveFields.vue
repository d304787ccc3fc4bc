<script setup lang="ts">
/** The cues that act on an object, and a way to begin one. */
import { computed, nextTick } from 'vue';
import { cuesActingOn } from '../../../core/document/queries';
import type { CueId, EffectObject } from '../../../core/document/schema';
import { addCueFor, pasteCopiedCues } from '../../commands/cue-commands';
import { useEffectStore } from '../../stores/effect';
import { cueName } from '../../behave-words';
import { useDeskStore } from '../../stores/desk';
import WhyObject from './WhyObject.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const cues = computed(() => cuesActingOn(effectStore.effect, props.object.id));
const desk = useDeskStore();
const reveal = (id: CueId): void => {
  desk.behave.section = 'cues';
  desk.behave.cue = id;
  void nextTick(() => document.getElementById(id)?.scrollIntoView({ block: 'nearest' }));
};
const add = (): void => {
  addCueFor(props.object.id);
};
const recipe = (): void => {
  desk.behave.section = 'cues';
  desk.behave.recipes = true;
};
/** Pastes what was copied onto this object. */
const paste = (): void => {
  pasteCopiedCues(props.object.id);
};
</script>

<template>
  <div class="chips">
    <a-button
      v-for="cue in cues"
      :key="cue.id"
      class="chip on"
      size="small"
      shape="round"
      @click="reveal(cue.id)"
    >
      {{ cueName(effectStore.effect, cue.id) }}
    </a-button>
    <a-button class="chip" size="small" shape="round" @click="add">+ Cue</a-button>
    <a-button class="chip" size="small" shape="round" @click="recipe">+ Recipe</a-button>
    <a-button v-if="desk.copiedCues > 0" class="chip" size="small" shape="round" @click="paste"
      >Paste</a-button
    >
  </div>
  <WhyObject :object="object" />
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
</style>
