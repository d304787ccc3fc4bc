<script setup lang="ts">
/** Truth or the real trackers on the take, and how far they are off. */
import { computed } from 'vue';
import { expressionWords } from '../../../../core/tracking/expression-names';
import { TakeDrawer } from '../../../../stage/take-drawer';
import { usePlaybackStore } from '../../../stores/playback';
import { usePrintsStore } from '../../../stores/prints';
import ChipButton from '../../common/ChipButton.vue';
import TakeSurvey from './TakeSurvey.vue';

const playback = usePlaybackStore();
const prints = usePrintsStore();
/** What of this take a tracker can look for. */
const seeks = computed(() => playback.trackable);
/** Trackers that look at the picture; the one of rooms is simulated. */
const looks = computed(() => seeks.value.faces || seeks.value.hands || seeks.value.pictures);
const tracked = computed(() => playback.source === 'tracked' || playback.trackerStarting);
const start = async (): Promise<void> => {
  const pictures = await prints.ready();
  await playback.useTracker(new TakeDrawer(playback.take, { pictures }));
};
const millimetres = (metres: number): string => `${(metres * 1000).toFixed(1)} mm`;
type Figure = readonly [key: string, words: string, value: string];
const figures = computed((): readonly Figure[] | null => {
  const { reading } = playback;
  if (!reading) return null;
  const { faces: seen, hands, pictures, surfaces } = reading;
  const { error } = seen;
  const none = 'none';
  const faces: Figure[] = [
    ['found', 'faces found', `${seen.found} of ${seen.inSight}`],
    ['position', 'position off', error ? millimetres(error.position) : none],
    ['angle', 'angle off', error ? `${error.angle.toFixed(1)}°` : none],
    ['landmarks', 'landmarks off', error ? millimetres(error.landmarks) : none],
    [
      'expression',
      'worst expression',
      error?.expression
        ? `${expressionWords(error.expression.name)} ${error.expression.off.toFixed(2)}`
        : none,
    ],
  ];
  const hand = hands.error;
  const shown: Figure[] = [
    ['hands-found', 'hands found', `${hands.found} of ${hands.inSight}`],
    ['hand-position', 'hand off', hand ? millimetres(hand.position) : none],
    ['hand-angle', 'turned off', hand ? `${hand.angle.toFixed(1)}°` : none],
    ['hand-shape', 'points off', hand ? millimetres(hand.shape) : none],
    ['hand-sign', 'its sign', hand ? (hand.isSignRight ? 'read right' : 'read wrong') : none],
  ];
  const of = pictures.error;
  const printed: Figure[] = [
    ['pictures-found', 'pictures found', `${pictures.found} of ${pictures.inSight}`],
    ['picture-position', 'picture off', of ? millimetres(of.position) : none],
    ['picture-angle', 'turned off', of ? `${of.angle.toFixed(1)}°` : none],
    ['picture-corners', 'corners off', of ? millimetres(of.corners) : none],
  ];
  const stands = surfaces.error;
  const room: Figure[] = [
    ['surfaces-found', 'surfaces found', `${surfaces.found} of ${surfaces.inSight}`],
    ['surface-position', 'position off', stands ? millimetres(stands.position) : none],
    ['surface-angle', 'angle off', stands ? `${stands.angle.toFixed(1)}°` : none],
  ];
  return [
    ...(seeks.value.faces ? faces : []),
    ...(seeks.value.hands ? shown : []),
    ...(seeks.value.pictures ? printed : []),
    ...(seeks.value.surfaces ? room : []),
    ...(looks.value ? [['delay', 'delay', `${reading.milliseconds.toFixed(0)} ms`] as const] : []),
  ];
});
</script>

<template>
  <section
    v-if="(looks || seeks.surfaces) && playback.source !== 'camera' && playback.cameraState === null"
    class="switch"
  >
    <div class="row" role="group" aria-label="Tracking of the take">
      <span>Tracking</span>
      <ChipButton :aria-pressed="!tracked" @click="playback.useTake()">Truth</ChipButton>
      <ChipButton :aria-pressed="tracked" @click="tracked || start()">Tracker</ChipButton>
      <span class="soft grow cut">{{
        !tracked
          ? 'The effect gets exactly what is in the take'
          : looks
            ? 'What runs on a camera looks at the drawn picture'
            : 'The room as a phone would measure it, errors simulated'
      }}</span>
    </div>
    <p v-if="playback.trackerStarting" class="soft" role="status">Loading the tracker</p>
    <template v-else-if="tracked">
      <p v-if="!figures" class="soft" role="status">The tracker looks at its first picture</p>
      <dl v-else class="num" data-testid="tracker-error">
        <div v-for="[key, words, value] in figures" :key="key">
          <dt>{{ words }}</dt>
          <dd :data-error="key">{{ value }}</dd>
        </div>
      </dl>
      <TakeSurvey />
    </template>
  </section>
</template>

<style scoped>
.switch {
  display: grid;
  gap: 8px;
}
dl {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin: 0;
  padding: 8px 10px;
  border-radius: 8px;
  background: var(--sheet);
}
dt {
  color: var(--faint);
}
dd {
  margin: 0;
  font-size: 13px;
}
</style>
