<script setup lang="ts">
/** Why an object is as it is at this moment: the chain of causes, with a way to each. */
import { computed, ref } from 'vue';
import { isIn } from '../../../core/program/program';
import { whyObject, type Cause, type ObjectState } from '../../../core/behave/why';
import type { CueId, EffectObject, ObjectId } from '../../../core/document/schema';
import { causeWords } from '../../behave-words';
import { mendsOf, type Mend } from '../bench/behave/mends';
import { useChronicleStore } from '../../stores/chronicle';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const desk = useDeskStore();
const store = useChronicleStore();
const open = ref(false);

const stateOf = (id: ObjectId): ObjectState | null => {
  const runtime = playback.player.at(playback.time);
  const { program } = playback.player;
  const i = program.indexOf.get(id);
  if (i === undefined) return null;
  const { visible, opacity } = runtime.values(i);
  return { visible, opacity, inScene: isIn(program, i, runtime.scene) };
};
const causes = computed(() =>
  open.value
    ? whyObject(effectStore.effect, props.object, store.chronicle, playback.time + 1e-6, stateOf)
    : [],
);
const seen = computed(() => {
  const state = stateOf(props.object.id);
  return state !== null && state.visible && state.opacity > 0 && state.inScene;
});
const cueOf = (cause: Cause): CueId | null =>
  cause.code === 'waits' ? cause.cue : cause.code === 'acted' ? cause.act.cue : null;
const go = (cause: Cause): void => {
  const id = cueOf(cause);
  if (id === null) return;
  desk.behave.section = 'cues';
  desk.behave.cue = id;
  document.getElementById(id)?.scrollIntoView({ block: 'nearest' });
  if (cause.code === 'acted') playback.seek(cause.act.time);
};
const mends = (cause: Cause): Mend[] => {
  if (cause.code !== 'waits') return [];
  const cue = effectStore.effect.cues[cause.cue];
  return cue ? cause.reasons.flatMap((r) => mendsOf(effectStore, cue, r)) : [];
};
</script>

<template>
  <WordButton class="why" :aria-expanded="open" @click="open = !open">
    Why is it {{ seen ? 'seen' : 'not seen' }} now?
  </WordButton>
  <ol v-if="open" class="chain" aria-label="Why">
    <li v-for="(cause, i) in causes" :key="i">
      <button v-if="cueOf(cause)" class="said" type="button" @click="go(cause)">
        {{ causeWords(effectStore.effect, cause) }}
      </button>
      <template v-else>{{ causeWords(effectStore.effect, cause) }}</template>
      {{ ' ' }}
      <WordButton v-for="mend in mends(cause)" :key="mend.label" @click="mend.run()">
        {{ mend.label }}
      </WordButton>
    </li>
  </ol>
</template>

<style scoped>
.why {
  margin-top: 4px;
  font-size: 12px;
}
.chain {
  margin: 4px 0 0;
  padding: 0 0 0 8px;
  border-left: 2px solid var(--line);
  list-style: none;
  display: grid;
  gap: 4px;
  font-size: 12px;
  color: var(--soft);
}
.said {
  display: inline;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.said:hover {
  color: var(--accent);
}
</style>
