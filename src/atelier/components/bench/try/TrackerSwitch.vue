<script setup lang="ts">
/** Truth or the real tracker on the take, and how far the tracker is off. */
import { computed } from 'vue';
import { TakeDrawer } from '../../../drawing/take-drawer';
import { usePlaybackStore } from '../../../stores/playback';
import { usePrintsStore } from '../../../stores/prints';
import ChipButton from '../../common/ChipButton.vue';

const playback = usePlaybackStore();
const prints = usePrintsStore();
const people = computed(() => playback.take.performers.length > 0);
const tracked = computed(() => playback.source === 'tracked' || playback.trackerStarting);
const start = (): void => {
  void playback.useTracker(new TakeDrawer(playback.take, { pictures: prints.images }));
};
const figures = computed(() => {
  const { reading } = playback;
  if (!reading) return null;
  const { error } = reading;
  return {
    found: `${reading.found} of ${reading.faces}`,
    position: error ? `${(error.position * 1000).toFixed(1)} mm` : 'none',
    angle: error ? `${error.angle.toFixed(1)}°` : 'none',
    landmarks: error ? `${(error.landmarks * 1000).toFixed(1)} mm` : 'none',
    expression: error?.expression ? `${error.expression.name} ${error.expression.off.toFixed(2)}` : 'none',
    delay: `${reading.milliseconds.toFixed(0)} ms`,
  };
});
</script>

<template>
  <section v-if="people && playback.source !== 'camera' && playback.cameraState === null" class="switch">
    <div class="row" role="group" aria-label="Tracking of the take">
      <span>Tracking</span>
      <ChipButton :aria-pressed="!tracked" @click="playback.useTake()">Truth</ChipButton>
      <ChipButton :aria-pressed="tracked" @click="tracked || start()"> Face tracker </ChipButton>
      <span class="soft grow cut">{{
        tracked
          ? 'The shipped tracker looks at the drawn picture'
          : 'The effect gets exactly what is in the take'
      }}</span>
    </div>
    <p v-if="playback.trackerStarting" class="soft" role="status">Loading the face tracker</p>
    <template v-else-if="tracked">
      <p v-if="!figures" class="soft" role="status">The tracker looks at its first picture</p>
      <dl v-else class="num" data-testid="tracker-error">
        <div>
          <dt>faces found</dt>
          <dd data-error="found">{{ figures.found }}</dd>
        </div>
        <div>
          <dt>position off</dt>
          <dd data-error="position">{{ figures.position }}</dd>
        </div>
        <div>
          <dt>angle off</dt>
          <dd data-error="angle">{{ figures.angle }}</dd>
        </div>
        <div>
          <dt>landmarks off</dt>
          <dd data-error="landmarks">{{ figures.landmarks }}</dd>
        </div>
        <div>
          <dt>worst expression</dt>
          <dd data-error="expression">{{ figures.expression }}</dd>
        </div>
        <div>
          <dt>delay</dt>
          <dd data-error="delay">{{ figures.delay }}</dd>
        </div>
      </dl>
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
