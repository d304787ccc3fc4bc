<script setup lang="ts">
/** How far off the real trackers are over the whole take: a line a measure, where they were lost, and the worst moments to go to. */
import { computed, onBeforeUnmount, ref } from 'vue';
import { useElementSize } from '@vueuse/core';
import { line, scaleLinear } from 'd3';
import {
  measured,
  measuresOf,
  SUBJECTS,
  summaryOf,
  worstMoments,
  type Measure,
  type Subject,
  type SurveyMoment,
} from '../../../../core/tracking/survey';
import { TakeDrawer } from '../../../../stage/take-drawer';
import { usePlaybackStore } from '../../../stores/playback';
import { usePrintsStore } from '../../../stores/prints';
import { useSurveyStore } from '../../../stores/survey';
import ChipButton from '../../common/ChipButton.vue';
import InlineNotice from '../../common/InlineNotice.vue';
import PerformerTable from './PerformerTable.vue';
import WordButton from '../../common/WordButton.vue';

const playback = usePlaybackStore();
const prints = usePrintsStore();
const survey = useSurveyStore();

const start = async (): Promise<void> => {
  const pictures = await prints.ready();
  await survey.run(new TakeDrawer(playback.take, { pictures }));
};
// Nobody is there any more to read what comes.
onBeforeUnmount(() => survey.cancel());
const startPerformers = (): void => {
  void survey.runPerformers((take) => new TakeDrawer(take, {}));
};
/** What of the take has been chosen to read, else the first of what it has. */
const chosen = ref<Subject | null>(null);
const subjects = computed(() => SUBJECTS.filter((subject) => playback.trackable[subject]));
const of = computed((): Subject =>
  chosen.value && subjects.value.includes(chosen.value) ? chosen.value : (subjects.value[0] ?? 'faces'),
);
const SUBJECT_WORDS: Readonly<Record<Subject, string>> = {
  faces: 'Faces',
  hands: 'Hands',
  pictures: 'Printed pictures',
  surfaces: 'Room',
};
const MEASURE_WORDS: Readonly<Record<Measure, string>> = {
  angle: 'angle',
  position: 'position',
  landmarks: 'landmarks',
  shape: 'shape',
  expression: 'expressions',
  corners: 'corners',
  delay: 'delay',
};
const wanted = ref<Measure>('angle');
const measures = computed(() => measuresOf(of.value));
const measure = computed(() => (measures.value.includes(wanted.value) ? wanted.value : measures.value[0]!));
const said = (value: number | null): string => {
  if (value === null) return 'none';
  switch (measure.value) {
    case 'angle':
      return `${value.toFixed(value < 1 ? 2 : 1)}°`;
    case 'expression':
      return value.toFixed(2);
    case 'delay':
      return `${value.toFixed(0)} ms`;
    default:
      return `${(value * 1000).toFixed(1)} mm`;
  }
};
const summary = computed(() => summaryOf(survey.moments, of.value, measure.value));
const worst = computed(() => worstMoments(survey.moments, of.value, measure.value));
const isLost = (m: SurveyMoment): boolean => m[of.value].found < m[of.value].inSight;

const box = ref<HTMLElement | null>(null);
const { width } = useElementSize(box);
const HEIGHT = 84;
const x = computed(() => scaleLinear([0, playback.take.duration], [0, Math.max(1, width.value)]));
const y = computed(() => scaleLinear([0, summary.value.worst || 1], [HEIGHT - 4, 6]));
const path = computed(
  () =>
    line<SurveyMoment>()
      .defined((m) => measured(m, of.value, measure.value) !== null)
      .x((m) => x.value(m.time))
      .y((m) => y.value(measured(m, of.value, measure.value) ?? 0))([...survey.moments]) ?? '',
);
const step = computed(() => x.value(playback.take.duration) / Math.max(1, survey.moments.length));
const lost = computed(() => survey.moments.filter(isLost));
const seek = (m: SurveyMoment): void => playback.seek(m.time);
</script>

<template>
  <section class="survey" aria-label="The tracker over the whole take">
    <div v-if="survey.share !== null" class="row" role="status">
      <span class="soft grow">The tracker is looking</span>
      <a-progress :percent="Math.round(100 * survey.share)" size="small" class="bar" />
      <WordButton @click="survey.cancel()">Cancel</WordButton>
    </div>
    <div v-else class="row">
      <WordButton @click="start">
        {{ survey.moments.length > 0 ? 'Go through the take again' : 'Go through the whole take' }}
      </WordButton>
      <WordButton v-if="playback.trackable.faces" @click="startPerformers">On every performer</WordButton>
    </div>
    <InlineNotice v-if="survey.trouble" closable @close="survey.trouble = null">{{
      survey.trouble
    }}</InlineNotice>
    <template v-if="survey.moments.length > 1">
      <div v-if="subjects.length > 1" class="row chips" role="group" aria-label="Of what">
        <ChipButton v-for="s in subjects" :key="s" :aria-pressed="s === of" @click="chosen = s">{{
          SUBJECT_WORDS[s]
        }}</ChipButton>
      </div>
      <div class="row chips" role="group" aria-label="What is shown of it">
        <ChipButton v-for="m in measures" :key="m" :aria-pressed="m === measure" @click="wanted = m">{{
          MEASURE_WORDS[m]
        }}</ChipButton>
      </div>
      <div ref="box" class="chart">
        <svg
          :width="width"
          :height="HEIGHT"
          role="img"
          :aria-label="`${MEASURE_WORDS[measure]} off: ${said(summary.median)} at most half of the time, ${said(
            summary.worst,
          )} at worst; lost at ${summary.lost} of ${summary.inSight} moments`"
        >
          <rect
            v-for="m in lost"
            :key="m.time"
            class="lost"
            :x="x(m.time)"
            y="0"
            :width="Math.max(2, step)"
            :height="HEIGHT"
          />
          <path :d="path" />
          <line class="now" :x1="x(playback.time)" :x2="x(playback.time)" y1="0" :y2="HEIGHT" />
        </svg>
        <span class="most num">{{ said(summary.worst) }}</span>
      </div>
      <p class="soft" data-testid="survey">
        Off by <b>{{ said(summary.median) }}</b> at most half of the time, <b>{{ said(summary.worst) }}</b> at
        worst; lost at <b>{{ summary.lost }} of {{ summary.inSight }}</b> moments.
      </p>
      <div class="row chips" role="group" aria-label="The worst moments">
        <span class="soft">Worst</span>
        <ChipButton v-for="m in worst" :key="m.time" @click="seek(m)">
          {{ m.time.toFixed(1) }} s, {{ isLost(m) ? 'lost' : said(measured(m, of, measure)) }}
        </ChipButton>
      </div>
    </template>
    <PerformerTable v-if="playback.trackable.faces" />
  </section>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  justify-items: start;
}
.survey > .row,
.chart {
  width: 100%;
}
.bar {
  width: 120px;
  margin: 0;
}
.chips {
  flex-wrap: wrap;
  gap: 5px;
}
.chart {
  position: relative;
  height: 84px;
  border-radius: 8px;
  background: var(--sheet);
  overflow: hidden;
}
path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.6;
}
.lost {
  fill: var(--madder);
  opacity: 0.35;
}
.now {
  stroke: var(--madder);
  stroke-width: 1;
}
.most {
  position: absolute;
  top: 2px;
  right: 8px;
  font-size: 11px;
  color: var(--faint);
}
p {
  margin: 0;
}
</style>
