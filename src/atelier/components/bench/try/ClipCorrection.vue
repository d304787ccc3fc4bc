<script setup lang="ts">
/** Says where something is in this picture of an own clip, where the trackers were wrong: by dragging in the Viewfinder, or in numbers. */
import { computed, onBeforeUnmount } from 'vue';
import { useClipsStore } from '../../../stores/clips';
import { useCorrectingStore } from '../../../stores/correcting';
import { usePlaybackStore } from '../../../stores/playback';
import InlineNotice from '../../common/InlineNotice.vue';
import NumberField from '../../common/NumberField.vue';
import WordButton from '../../common/WordButton.vue';
import ClipProgress from '../../takes/ClipProgress.vue';

const correcting = useCorrectingStore();
const clips = useClipsStore();
const playback = usePlaybackStore();
const WHERE = ['Upper left', 'Upper right', 'Lower right', 'Lower left'] as const;
/** A box needs two of its corners, what lies in space all four. */
const asked = computed(() => (correcting.on?.kind === 'face' ? [0, 2] : [0, 1, 2, 3]));
const set = (i: number, k: 0 | 1, to: number): void => {
  const [x, y] = correcting.corners[i]!;
  correcting.move(i, k === 0 ? [to / 100, y] : [x, to / 100]);
};
// The corners lie over the Viewfinder of every stage; what they are for is said here alone.
onBeforeUnmount(() => correcting.cancel());
</script>

<template>
  <section v-if="correcting.clip" class="correction" aria-label="Correct the clip">
    <ClipProgress v-if="clips.coming" />
    <template v-else-if="correcting.on">
      <p>
        {{
          correcting.on.kind === 'face'
            ? 'Drag the box around the whole head'
            : `Drag the corners onto those of ${correcting.on.name}, its own upper left first`
        }}
        at <span class="num">{{ playback.time.toFixed(2) }} s</span>. It is tracked again from there, as long
        as it is found.
      </p>
      <div class="numbers">
        <div v-for="i in asked" :key="i" class="corner" role="group" :aria-label="`${WHERE[i]} corner`">
          <span class="soft">{{ WHERE[i] }}</span>
          <NumberField
            v-for="k in [0, 1] as const"
            :key="k"
            :label="k === 0 ? 'From the left' : 'From the top'"
            :mark="k === 0 ? 'X' : 'Y'"
            unit=" %"
            :min="0"
            :max="100"
            :value="100 * correcting.corners[i]![k]!"
            @change="(to) => set(i, k, to)"
          />
        </div>
      </div>
      <div class="row">
        <a-button type="primary" size="small" @click="correcting.apply()">Track from here</a-button>
        <WordButton @click="correcting.cancel()">Cancel</WordButton>
      </div>
    </template>
    <div v-else class="row wrap">
      <span class="soft">Not found, or in the wrong place in this picture?</span>
      <WordButton @click="correcting.begin({ kind: 'face' })">Show the face</WordButton>
      <WordButton v-for="picture in correcting.pictures" :key="picture.id" @click="correcting.begin(picture)">
        Show {{ picture.name }}
      </WordButton>
      <WordButton v-if="correcting.before" @click="correcting.takeBack()">Take the last back</WordButton>
    </div>
    <InlineNotice v-if="clips.trouble?.of === correcting.clip.id" closable @close="clips.trouble = null">{{
      clips.trouble.words
    }}</InlineNotice>
  </section>
</template>

<style scoped>
.correction {
  display: grid;
  gap: 8px;
}
.numbers {
  display: grid;
  gap: 4px;
  max-width: 360px;
}
.corner {
  display: grid;
  grid-template-columns: 90px 1fr 1fr;
  gap: 8px;
  align-items: center;
}
.wrap {
  flex-wrap: wrap;
}
</style>
