<script setup lang="ts">
/** Try: the take or the real camera, what the face reads at this moment, and what fired. */
import { computed } from 'vue';
import { Camera, Film } from '@lucide/vue';
import { toAngles } from '../../../core/maths/quaternion';
import { expression } from '../../../core/tracking/track-frame';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { TRIGGER_WORDS } from '../../words';
import InlineNotice from '../common/InlineNotice.vue';

const playback = usePlaybackStore();
const document = useEffectStore();
const frame = computed(() =>
  playback.source === 'camera' ? playback.liveFrame : playback.take.frameAt(playback.time),
);
const face = computed(() => frame.value?.faces[0]);
const angles = computed(() => {
  if (!face.value) return null;
  const [pitch, yaw, roll] = toAngles(face.value.pose.rotation);
  return { pitch, yaw, roll, distance: -face.value.pose.position[2] * 100 };
});
const BARS = [
  ['jawOpen', 'Mouth open'],
  ['mouthPucker', 'Lips pucker'],
  ['mouthSmileLeft', 'Smile, left'],
  ['mouthSmileRight', 'Smile, right'],
  ['eyeBlinkLeft', 'Left eye shut'],
  ['eyeBlinkRight', 'Right eye shut'],
  ['browInnerUp', 'Brows up'],
] as const;
const bars = computed(() =>
  BARS.map(([name, label]) => ({ name, label, value: expression(face.value, name) })),
);
const fired = computed(() =>
  playback.firings.slice(0, 40).map((f) => ({ ...f, cue: document.effect.cues[f.cue] })),
);
</script>

<template>
  <section class="bench" aria-label="Try bench">
    <h2>What you try it on</h2>
    <div class="sources">
      <button
        type="button"
        class="source"
        :aria-pressed="playback.source === 'take' && playback.cameraState === null"
        @click="playback.useTake()"
      >
        <Film :size="18" /><span
          ><b>{{ playback.take.name }}</b
          ><small class="soft">{{ playback.take.about }}</small></span
        >
      </button>
      <button
        type="button"
        class="source"
        :aria-pressed="playback.source === 'camera' || playback.cameraState !== null"
        @click="playback.useCamera()"
      >
        <Camera :size="18" /><span
          ><b>Your camera</b
          ><small class="soft">Real face tracking; the picture stays on this device</small></span
        >
      </button>
    </div>
    <InlineNotice v-if="playback.cameraError" closable @close="playback.cameraError = null">
      {{ playback.cameraError }}
      <button class="word" type="button" @click="playback.useCamera()">Try again</button>
      <button class="word" type="button" @click="playback.cameraError = null">Stay with the take</button>
    </InlineNotice>

    <h2>The face now</h2>
    <p v-if="!face" class="soft">
      {{
        playback.cameraState === 'starting'
          ? 'Opening the camera and the face tracker'
          : 'No face in the picture yet. Come closer, and turn to the light.'
      }}
    </p>
    <div v-else class="readings" data-testid="readings">
      <dl v-if="angles" class="num">
        <div>
          <dt>yaw</dt>
          <dd data-reading="yaw">{{ angles.yaw.toFixed(1) }}°</dd>
        </div>
        <div>
          <dt>pitch</dt>
          <dd data-reading="pitch">{{ angles.pitch.toFixed(1) }}°</dd>
        </div>
        <div>
          <dt>roll</dt>
          <dd data-reading="roll">{{ angles.roll.toFixed(1) }}°</dd>
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
    </div>

    <template v-if="playback.source === 'take'">
      <h2>What happens on this take</h2>
      <p v-if="fired.length === 0" class="soft">
        No cue fires on this take. Tap the picture to record a tap, or add a cue in Behave.
      </p>
      <ul v-else class="fired">
        <li v-for="(f, i) in fired" :key="i">
          <button class="word num" type="button" @click="playback.seek(f.time)">
            {{ f.time.toFixed(2) }} s
          </button>
          {{ f.cue ? TRIGGER_WORDS[f.cue.trigger.kind] : '' }}
        </li>
      </ul>
      <p v-if="playback.taps.length > 0" class="soft">
        {{ playback.taps.length }} taps recorded.
        <button class="word" type="button" @click="playback.taps = []">Clear them</button>
      </p>
    </template>
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
h2:not(:first-child) {
  margin-top: 10px;
}
.sources {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.source {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 12px;
  text-align: left;
  border: 1.5px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.source[aria-pressed='true'] {
  border-color: var(--accent);
  background: var(--wash);
}
.source svg {
  flex: none;
  color: var(--accent);
}
.source b,
.source small {
  display: block;
}
.source small {
  font-size: 11.5px;
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
.fired {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
