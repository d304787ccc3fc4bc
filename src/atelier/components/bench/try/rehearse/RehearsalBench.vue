<script setup lang="ts">
/** Rehearsals: what the effect has to do on its takes, played without anybody, and what came. */
import { computed } from 'vue';
import { ListChecks } from '@lucide/vue';
import { useRehearsalsStore } from '../../../../stores/rehearsals';
import { usePlaybackStore } from '../../../../stores/playback';
import InlineNotice from '../../../common/InlineNotice.vue';
import WordButton from '../../../common/WordButton.vue';
import PerformanceList from './PerformanceList.vue';
import RehearsalCard from './RehearsalCard.vue';

const rehearsals = useRehearsalsStore();
const playback = usePlaybackStore();
const counts = computed(() => {
  const states = rehearsals.all.map((r) => rehearsals.stateOf(r));
  return {
    passed: states.filter((s) => s === 'passed').length,
    failed: states.filter((s) => s === 'failed').length,
    open: states.filter((s) => s === 'not run' || s === 'changed since').length,
  };
});
const said = computed(() =>
  [
    counts.value.passed > 0 ? `${counts.value.passed} passed` : '',
    counts.value.failed > 0 ? `${counts.value.failed} failed` : '',
    counts.value.open > 0 ? `${counts.value.open} to be run` : '',
  ]
    .filter(Boolean)
    .join(', '),
);
const runAll = (): void => void rehearsals.run(rehearsals.all.map(({ id }) => id));
</script>

<template>
  <div class="rehearsals">
    <div class="keep">
      <p class="soft">
        Play the effect on <b>{{ playback.take.name }}</b>, tap and drag in the picture as a viewer would. Is
        it right? Keep it: from then on Iconia checks that it stays so.
      </p>
      <a-button
        :type="rehearsals.all.length === 0 ? 'primary' : 'default'"
        :disabled="playback.source === 'camera' || rehearsals.progress !== null"
        @click="void rehearsals.keepThis()"
        >This is right: keep it</a-button
      >
    </div>
    <div v-if="rehearsals.all.length > 0 || rehearsals.progress" class="row">
      <a-button v-if="!rehearsals.progress" type="primary" @click="runAll">{{
        rehearsals.all.length === 1 ? 'Run it' : 'Run all'
      }}</a-button>
      <template v-else>
        <a-progress
          class="grow"
          size="small"
          :percent="Math.round((100 * rehearsals.progress.done) / Math.max(1, rehearsals.progress.all))"
          :aria-label="`Rehearsals: ${rehearsals.progress.done} of ${rehearsals.progress.all}`"
        />
        <WordButton @click="rehearsals.cancel()">Stop</WordButton>
      </template>
      <span class="soft grow" role="status">{{
        rehearsals.progress ? `Playing ${rehearsals.progress.name}` : said
      }}</span>
    </div>
    <InlineNotice v-if="rehearsals.trouble" closable @close="rehearsals.trouble = null">{{
      rehearsals.trouble
    }}</InlineNotice>
    <p v-if="rehearsals.all.length === 0" class="empty soft">
      <ListChecks :size="18" aria-hidden="true" />
      <span
        >A rehearsal is a take, what the viewer does on it, and what has to happen: a cue fires, something is
        seen, it looks as approved, nothing flashes, a text can be read. Run them all after a change, and see
        at once what broke.</span
      >
    </p>
    <RehearsalCard v-for="rehearsal in rehearsals.all" :key="rehearsal.id" :rehearsal="rehearsal" />
    <PerformanceList />
  </div>
</template>

<style scoped>
.rehearsals {
  display: grid;
  gap: 12px;
}
.keep {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 14px;
  align-items: center;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
}
p {
  margin: 0;
}
.empty {
  display: flex;
  gap: 10px;
  align-items: flex-start;
}
.empty svg {
  flex: none;
  margin-top: 2px;
}
</style>
