<script setup lang="ts">
/** The cue sheet: when something happens, then these beats. */
import { computed } from 'vue';
import { cueOrder } from '../../../../core/document/queries';
import { addCueFor } from '../../../commands/cue-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import CueCard from './CueCard.vue';

const document = useEffectStore();
const desk = useDeskStore();
const cues = computed(() => cueOrder(document.effect));
</script>

<template>
  <section class="bench" aria-label="Cue sheet">
    <div class="row head">
      <h2 class="grow">Cue sheet</h2>
      <button class="word" type="button" @click="addCueFor(desk.selected)">+ Cue</button>
    </div>
    <div v-if="cues.length === 0" class="empty soft">
      <p>Nothing reacts yet.</p>
      <p>
        A cue says <b>when</b> something happens and <b>then</b> what follows: when the mouth opens, show the
        crown.
      </p>
      <a-button type="primary" @click="addCueFor(desk.selected)">Add the first cue</a-button>
    </div>
    <CueCard v-for="cue in cues" :id="cue.id" :key="cue.id" :cue="cue" />
  </section>
</template>

<style scoped>
.bench {
  padding: 14px 16px 32px;
  overflow: auto;
  height: 100%;
  display: grid;
  gap: 10px;
  align-content: start;
}
.empty {
  padding: 20px;
  border: 1px dashed var(--line);
  border-radius: 8px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
