<script setup lang="ts">
/** The cues that act on an object, and a way to begin one. */
import { computed } from 'vue';
import { cuesActingOn } from '../../../core/document/queries';
import type { EffectObject } from '../../../core/document/schema';
import { addCueFor } from '../../commands/cue-commands';
import { useEffectStore } from '../../stores/effect';
import { TRIGGER_WORDS } from '../../words';

const props = defineProps<{ object: EffectObject }>();
const document = useEffectStore();
const cues = computed(() => cuesActingOn(document.effect, props.object.id));
const reveal = (id: string): void =>
  globalThis.document.getElementById(id)?.scrollIntoView({ block: 'nearest' });
</script>

<template>
  <div class="chips">
    <button v-for="cue in cues" :key="cue.id" class="chip on" type="button" @click="reveal(cue.id)">
      When {{ TRIGGER_WORDS[cue.trigger.kind] }}
    </button>
    <button class="chip" type="button" @click="addCueFor(object.id)">+ Cue</button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
</style>
