<script setup lang="ts">
/** The cues that act on an object, and a way to begin one. */
import { computed, nextTick } from 'vue';
import { cuesActingOn } from '../../../core/document/queries';
import type { CueId, EffectObject } from '../../../core/document/schema';
import { addCueFor, pasteCopiedCues } from '../../commands/cue-commands';
import { useEffectStore } from '../../stores/effect';
import { cueName } from '../../behave-words';
import { useBoardThingStore } from '../../stores/board-thing';
import { useDeskStore } from '../../stores/desk';
import BoardNumbers from './BoardNumbers.vue';
import WhyObject from './WhyObject.vue';
import ChipButton from '../common/ChipButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const cues = computed(() => cuesActingOn(effectStore.effect, props.object.id));
const desk = useDeskStore();
const things = useBoardThingStore();
const reveal = (id: CueId): void => {
  desk.behave.section = 'cues';
  desk.behave.cue = id;
  void nextTick(() => document.getElementById(id)?.scrollIntoView({ block: 'nearest' }));
};
const add = (): void => {
  addCueFor([props.object.id]);
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
    <ChipButton v-for="cue in cues" :key="cue.id" class="on" @click="reveal(cue.id)">
      {{ cueName(effectStore.effect, cue.id) }}
    </ChipButton>
    <ChipButton @click="add">+ Cue</ChipButton>
    <ChipButton @click="recipe">+ Recipe</ChipButton>
    <ChipButton v-if="desk.copiedCues > 0" @click="paste">Paste</ChipButton>
  </div>
  <BoardNumbers v-if="things.hasBoard" :object="object" />
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
