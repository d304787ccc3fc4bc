<script setup lang="ts">
/** What the first face does at this moment, as whoever tracks it says. */
import { computed } from 'vue';
import { toAngles } from '../../../../core/maths/quaternion';
import type { ExpressionName } from '../../../../core/tracking/expression-names';
import { expression } from '../../../../core/tracking/track-frame';
import { usePlaybackStore } from '../../../stores/playback';

const playback = usePlaybackStore();
const frame = computed(() =>
  playback.source !== 'take' ? playback.liveFrame : playback.take.frameAt(playback.time),
);
const face = computed(() => frame.value?.faces[0]);
const angles = computed(() => {
  if (!face.value) return null;
  const [pitch, yaw, roll] = toAngles(face.value.pose.rotation);
  return { pitch, yaw, roll, distance: -face.value.pose.position[2] * 100 };
});
/** What both sides do together is shown as one. */
const BARS: readonly (readonly [label: string, ...of: ExpressionName[]])[] = [
  ['Mouth open', 'jawOpen'],
  ['Lips pucker', 'mouthPucker'],
  ['Smile, left', 'mouthSmileLeft'],
  ['Smile, right', 'mouthSmileRight'],
  ['Frown, mouth', 'mouthFrownLeft', 'mouthFrownRight'],
  ['Left eye shut', 'eyeBlinkLeft'],
  ['Right eye shut', 'eyeBlinkRight'],
  ['Brows up', 'browInnerUp'],
  ['Brows down', 'browDownLeft', 'browDownRight'],
];
const bars = computed(() =>
  BARS.map(([label, ...of]) => ({
    name: of[0]!,
    label,
    value: of.reduce((sum, name) => sum + expression(face.value, name), 0) / of.length,
  })),
);
/** To a tenth; a little less than nothing is nothing. */
const degrees = (angle: number): string => `${(Math.round(angle * 10) / 10 + 0).toFixed(1)}°`;
/** A take of a room or a printed picture has no face, and that is no fault; nor has a camera that looks for pictures alone. */
const expected = computed(() =>
  playback.source === 'camera'
    ? [null, 'face', 'several'].includes(playback.cameraSeeks)
    : playback.take.clip !== null || playback.take.performers.length > 0,
);
</script>

<template>
  <section v-if="expected" class="face" aria-label="The face now">
    <h2>The face now</h2>
    <p v-if="!face" class="soft">
      {{
        playback.cameraState === 'starting'
          ? 'Opening the camera and what finds things in it'
          : playback.source === 'camera'
            ? 'No face in the picture yet. Come closer, and turn to the light.'
            : 'No face at this moment of the take.'
      }}
    </p>
    <div v-else class="readings" data-testid="readings">
      <dl v-if="angles" class="num">
        <div>
          <dt>yaw</dt>
          <dd data-reading="yaw">{{ degrees(angles.yaw) }}</dd>
        </div>
        <div>
          <dt>pitch</dt>
          <dd data-reading="pitch">{{ degrees(angles.pitch) }}</dd>
        </div>
        <div>
          <dt>roll</dt>
          <dd data-reading="roll">{{ degrees(angles.roll) }}</dd>
        </div>
        <div>
          <dt>away</dt>
          <dd data-reading="distance">{{ angles.distance.toFixed(0) }} cm</dd>
        </div>
      </dl>
      <div v-for="bar in bars" :key="bar.name" class="bar">
        <span>{{ bar.label }}</span>
        <span
          class="well"
          role="meter"
          :aria-label="bar.label"
          aria-valuemin="0"
          aria-valuemax="1"
          :aria-valuenow="bar.value.toFixed(2)"
          ><i :style="{ width: `${bar.value * 100}%` }"
        /></span>
        <span class="num" :data-reading="bar.name">{{ bar.value.toFixed(2) }}</span>
      </div>
      <p v-if="playback.source !== 'take'" class="faint">
        Frowns, brows and shut eyes are told against the face at rest: it looks straight ahead, calmly, for a
        second first.
      </p>
    </div>
  </section>
</template>

<style scoped>
.face {
  display: grid;
  gap: 10px;
  margin-top: 10px;
}
dl {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
  margin: 0 0 8px;
}
dt {
  color: var(--faint);
}
dd {
  margin: 0;
  font-size: 15px;
}
.bar {
  display: grid;
  grid-template-columns: 110px 1fr 36px;
  gap: 10px;
  align-items: center;
  height: 22px;
}
.well {
  height: 6px;
  border-radius: 4px;
  background: var(--line2);
  overflow: hidden;
}
.well i {
  display: block;
  height: 100%;
  background: var(--accent);
}
</style>
