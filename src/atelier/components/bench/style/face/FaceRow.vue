<script setup lang="ts">
/** The same look on six skin tones and three ages. A click makes that face the take. */
import { computed } from 'vue';
import {
  COMPARED_FACES,
  closeUpOf,
  playedBy,
  toneOf,
  yearsOf,
} from '../../../../../core/takes/library/compared-faces';
import { asFirstFace } from '../../../../../core/document/first-face';
import { performerOf } from '../../../../../core/takes/library/performers';
import { stillMaker } from '../../../../drawing/still-maker';
import { useFaceRow } from '../../../../drawing/use-face-row';
import { useAssetsStore } from '../../../../stores/assets';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import WordButton from '../../../common/WordButton.vue';

/** As it is looked at from close by; in the row it is smaller. */
const WIDTH = 132;
const HEIGHT = 176;

const assets = useAssetsStore();
const desk = useDeskStore();
const effectStore = useEffectStore();
const playback = usePlaybackStore();

const light = computed(() => (playback.take.clip ? 'window' : playback.take.spec.light));
const takes = computed(() => COMPARED_FACES.map(({ performer }) => closeUpOf(performer, light.value)));
/** Each is alone before the camera, as the face that make-up goes on. */
const worn = computed(() => asFirstFace(effectStore.effect, desk.style.face));
const stills = useFaceRow(
  () =>
    desk.style.otherFaces && playback.pictured
      ? {
          effect: worn.value,
          takes: takes.value,
          people: desk.people,
          scene: playback.options.scene,
          width: WIDTH,
          height: HEIGHT,
        }
      : null,
  (request, signal, onStill) => stillMaker(assets.source).make(request, signal, onStill),
);
const faces = COMPARED_FACES.map(({ performer, by }) => ({
  performer,
  name: performerOf(performer).name,
  label: by === 'tone' ? toneOf(performer) : `${yearsOf(performer)}`,
  says: by === 'tone' ? `skin tone ${toneOf(performer)}` : `about ${yearsOf(performer)} years old`,
}));
const isShown = (performer: string): boolean =>
  playback.source === 'take' && !playback.take.clip && playback.take.spec.cast[0]?.performer === performer;
const show = (performer: string): void => {
  const moment = playback.time;
  playback.chooseTake(playedBy(performer, playback.take));
  // The same instant of the same movement.
  playback.seek(moment);
};
</script>

<template>
  <section class="compared" :class="{ shown: desk.style.otherFaces }" aria-label="On other faces">
    <div class="head">
      <h2 class="title">On other faces</h2>
      <WordButton
        :aria-expanded="desk.style.otherFaces"
        @click="desk.style.otherFaces = !desk.style.otherFaces"
        >{{ desk.style.otherFaces ? 'Hide' : 'Show' }}</WordButton
      >
    </div>
    <div v-if="desk.style.otherFaces" class="faces">
      <a-popover v-for="(face, i) in faces" :key="face.performer" placement="top" :mouse-enter-delay="0.25">
        <template #content>
          <figure class="large">
            <img v-if="stills[i]" :src="stills[i]!" alt="" :width="WIDTH" :height="HEIGHT" />
            <figcaption>{{ face.name }}, {{ face.says }}</figcaption>
          </figure>
        </template>
        <button
          type="button"
          class="face"
          :aria-pressed="isShown(face.performer)"
          :aria-label="`${face.name}, ${face.says}: play the take with this face`"
          @click="show(face.performer)"
        >
          <img v-if="stills[i]" :src="stills[i]!" alt="" :width="WIDTH" :height="HEIGHT" />
          <span v-else class="blank" />
          <span class="label">{{ face.label }}</span>
        </button>
      </a-popover>
    </div>
  </section>
</template>

<style scoped>
.compared {
  padding: 8px 16px;
  border-top: 1px solid var(--line);
  background: var(--bench);
}
.compared.shown {
  display: grid;
  grid-template-columns: 66px minmax(0, 1fr);
  gap: 8px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.shown .head {
  display: block;
}
.title {
  margin: 0 0 2px;
  font-size: 13px;
  line-height: 1.25;
}
.faces {
  display: grid;
  grid-template-columns: repeat(9, minmax(0, 1fr));
  gap: 4px;
}
.face {
  display: grid;
  padding: 0;
  border: 1.5px solid transparent;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.face:hover,
.face:focus-visible {
  border-color: var(--faint);
}
.face[aria-pressed='true'] {
  border-color: var(--accent);
}
.face img,
.blank {
  display: block;
  width: 100%;
  height: auto;
  aspect-ratio: 3 / 4;
  border-radius: 6px;
  object-fit: cover;
  background: var(--field);
}
.large {
  display: grid;
  gap: 4px;
  margin: 0;
}
.large img {
  border-radius: 6px;
}
.label {
  font-size: 11px;
  line-height: 16px;
  text-align: center;
}
</style>
