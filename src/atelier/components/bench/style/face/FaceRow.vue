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
import { performerOf } from '../../../../../core/takes/library/performers';
import { stillMaker } from '../../../../drawing/still-maker';
import { useFaceRow } from '../../../../drawing/use-face-row';
import { useAssetsStore } from '../../../../stores/assets';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { usePlaybackStore } from '../../../../stores/playback';
import WordButton from '../../../common/WordButton.vue';

const WIDTH = 90;
const HEIGHT = 120;

const assets = useAssetsStore();
const desk = useDeskStore();
const effectStore = useEffectStore();
const playback = usePlaybackStore();

const light = computed(() => (playback.take.clip ? 'window' : playback.take.spec.light));
const takes = computed(() => COMPARED_FACES.map(({ performer }) => closeUpOf(performer, light.value)));
const stills = useFaceRow(
  () =>
    desk.style.otherFaces && playback.pictured
      ? { effect: effectStore.effect, takes: takes.value, people: desk.people, width: WIDTH, height: HEIGHT }
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
  <section class="row" aria-label="On other faces">
    <div class="head">
      <h2 class="title">On other faces</h2>
      <WordButton
        :aria-expanded="desk.style.otherFaces"
        @click="desk.style.otherFaces = !desk.style.otherFaces"
        >{{ desk.style.otherFaces ? 'Hide' : 'Show' }}</WordButton
      >
    </div>
    <div v-if="desk.style.otherFaces" class="faces">
      <button
        v-for="(face, i) in faces"
        :key="face.performer"
        type="button"
        class="face"
        :class="{ gap: i === 6 }"
        :aria-pressed="isShown(face.performer)"
        :aria-label="`${face.name}, ${face.says}: play the take with this face`"
        :title="`${face.name}, ${face.says}. Click to play the take with this face.`"
        @click="show(face.performer)"
      >
        <img v-if="stills[i]" :src="stills[i]!" alt="" :width="WIDTH" :height="HEIGHT" />
        <span v-else class="blank" />
        <span class="label">{{ face.label }}</span>
      </button>
    </div>
  </section>
</template>

<style scoped>
.row {
  padding: 8px 16px 10px;
  border-top: 1px solid var(--line);
  background: var(--bench);
}
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
}
.title {
  margin: 0;
  font-size: 13px;
}
.faces {
  display: grid;
  grid-template-columns: repeat(9, minmax(0, 1fr));
  gap: 5px;
  margin-top: 6px;
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
.face.gap {
  margin-left: 4px;
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
.label {
  font-size: 11px;
  line-height: 16px;
  text-align: center;
}
</style>
