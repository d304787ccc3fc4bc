<script setup lang="ts">
/** One take or the real camera: what the face reads at this moment, and what fired. */
import { computed } from 'vue';
import { countOf, marksOf } from '../../../../core/behave/recorded-marks';
import { Camera } from '@lucide/vue';
import { useCorrectingStore } from '../../../stores/correcting';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { cueName } from '../../../behave-words';
import { useChronicleStore } from '../../../stores/chronicle';
import InlineNotice from '../../common/InlineNotice.vue';
import TakeFilm from '../../takes/TakeFilm.vue';
import TakePicker from '../../takes/TakePicker.vue';
import CapturePanel from './capture/CapturePanel.vue';
import ClipCorrection from './ClipCorrection.vue';
import ClipMissed from './ClipMissed.vue';
import FaceReadings from './FaceReadings.vue';
import PictureReadings from './PictureReadings.vue';
import PrintChooser from './PrintChooser.vue';
import TrackerSwitch from './TrackerSwitch.vue';
import WordButton from '../../common/WordButton.vue';

const playback = usePlaybackStore();
const correcting = useCorrectingStore();
const effectStore = useEffectStore();
const chronicle = useChronicleStore();
const recorded = computed(() => countOf(marksOf(playback.recorded)));
const fired = computed(() =>
  chronicle.chronicle.firings
    .slice(0, 40)
    .map((f) => ({ ...f, words: cueName(effectStore.effect, f.cue) + (f.back ? ', and back' : '') })),
);
</script>

<template>
  <div class="one">
    <h2>What you try it on</h2>
    <div class="sources">
      <button
        type="button"
        class="source"
        :aria-pressed="playback.source !== 'camera' && playback.cameraState === null"
        @click="playback.useTake()"
      >
        <TakeFilm :key="playback.take.id" :take="playback.take" class="film" /><span
          ><b>{{ playback.take.name }}</b
          ><small class="soft"
            >{{ playback.take.about
            }}<template v-if="playback.take.goodFor">; good {{ playback.take.goodFor }}</template></small
          ></span
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
          ><small class="soft">Tracked as on a viewer’s device; the picture stays on this one</small></span
        >
      </button>
    </div>
    <InlineNotice v-if="playback.cameraError" closable @close="playback.cameraError = null">
      {{ playback.cameraError }}
      <WordButton @click="playback.useCamera()">Try again</WordButton>
      <WordButton v-if="playback.source !== 'camera'" @click="playback.cameraError = null"
        >Stay with the take</WordButton
      >
    </InlineNotice>

    <CapturePanel />
    <ClipMissed />
    <ClipCorrection />
    <TrackerSwitch />
    <PrintChooser />

    <PictureReadings />
    <FaceReadings />

    <template v-if="playback.source === 'take'">
      <h2>What happens on this take</h2>
      <p v-if="fired.length === 0" class="soft">
        No cue fires on this take. Tap the picture to record a tap, or add a cue in Behave.
      </p>
      <ul v-else class="fired">
        <li v-for="(f, i) in fired" :key="i">
          <WordButton class="num" @click="playback.seek(f.time)"> {{ f.time.toFixed(2) }} s </WordButton>
          {{ f.words }}
        </li>
      </ul>
      <p v-if="recorded > 0" class="soft">
        {{ recorded === 1 ? 'One thing the viewer does is' : `${recorded} things the viewer does are` }}
        recorded on the take.
        <WordButton @click="playback.clearRecorded()">
          {{ recorded === 1 ? 'Clear it' : 'Clear them' }}
        </WordButton>
      </p>
    </template>

    <div class="row">
      <h2 class="grow">Other takes</h2>
      <router-link class="word" :to="{ name: 'takes' }">Takes page</router-link>
    </div>
    <TakePicker
      :current="playback.take.id"
      :told="correcting.clip !== null"
      @choose="(take) => playback.chooseTake(take)"
    />
  </div>
</template>

<style scoped>
.one {
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
.film {
  width: 34px;
  flex: none;
}
.fired {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
