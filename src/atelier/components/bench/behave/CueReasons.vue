<script setup lang="ts">
/** Why a cue does nothing, with what mends it; when it fires; and what is only worth knowing. */
import { computed } from 'vue';
import { isNote } from '../../../../core/behave/explain';
import { whyCue } from '../../../../core/behave/why';
import type { Cue } from '../../../../core/document/schema';
import { reasonWords } from '../../../behave-words';
import { useChronicleStore } from '../../../stores/chronicle';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { mendsOf } from './mends';
import WordButton from '../../common/WordButton.vue';

const props = defineProps<{ cue: Cue }>();
const effectStore = useEffectStore();
const playback = usePlaybackStore();
const chronicle = useChronicleStore();
const reasons = computed(() => whyCue(effectStore.effect, props.cue, chronicle.chronicle));
const serious = computed(() => reasons.value.filter((r) => !isNote(r)));
const notes = computed(() => reasons.value.filter(isNote));
const times = computed(() =>
  chronicle.chronicle.firings.filter((f) => f.cue === props.cue.id).map((f) => f.time),
);
</script>

<template>
  <ul v-if="serious.length > 0" class="reasons" aria-label="Why nothing happens">
    <li v-for="(reason, i) in serious" :key="i" class="warn">
      {{ reasonWords(effectStore.effect, cue, reason) }}
      <WordButton v-for="mend in mendsOf(effectStore, cue, reason)" :key="mend.label" @click="mend.run()">
        {{ mend.label }}
      </WordButton>
      <WordButton
        v-if="reason.code === 'not-reached' && reason.value !== null"
        @click="playback.seek(reason.time)"
      >
        Show
      </WordButton>
    </li>
  </ul>
  <p v-if="times.length > 0 && cue.enabled" class="soft fired">
    Fires at
    <WordButton v-for="time in times.slice(0, 8)" :key="time" class="num" @click="playback.seek(time)">
      {{ time.toFixed(2) }} s
    </WordButton>
    <template v-if="times.length > 8">and {{ times.length - 8 }} times more </template>
    on this take.
  </p>
  <p v-for="(reason, i) in notes" :key="`n${i}`" class="soft fired">
    {{ reasonWords(effectStore.effect, cue, reason) }}
  </p>
</template>

<style scoped>
.reasons {
  list-style: none;
  margin: 0;
  padding: 6px 8px;
  border-radius: 6px;
  background: var(--ochre-wash);
  font-size: 12px;
  width: 100%;
}
.fired {
  font-size: 12px;
}
</style>
