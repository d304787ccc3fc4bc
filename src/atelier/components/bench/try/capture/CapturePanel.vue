<script setup lang="ts">
/** A photo, a video with sound or a short loop of what the Viewfinder shows. */
import { computed } from 'vue';
import { Aperture, Film, Repeat } from '@lucide/vue';
import { LOOP_LENGTH } from '../../../../../stage/capture/capturing';
import { useCaptureStore } from '../../../../stores/capture';
import InlineNotice from '../../../common/InlineNotice.vue';
import WordButton from '../../../common/WordButton.vue';
import KeptCapture from './KeptCapture.vue';

const capture = useCaptureStore();
const LOOP = `${LOOP_LENGTH / 1000} seconds`;
const ready = computed(() => capture.finder !== null && capture.isFree);
const waiting = computed(() => capture.doing === 'loop' || capture.doing === 'making');
const percent = computed(() => Math.round(100 * capture.share));
</script>

<template>
  <section class="capture" aria-label="Capture">
    <div class="row">
      <h2 class="grow">Capture it</h2>
      <a-button v-if="capture.doing === 'video'" danger size="small" @click="capture.stopVideo()">
        Stop recording, {{ capture.seconds.toFixed(0) }} s
      </a-button>
      <template v-else>
        <a-button
          size="small"
          :disabled="!ready"
          title="What the Viewfinder shows now, 1280 pixels high"
          @click="capture.photo()"
        >
          <Aperture :size="14" aria-hidden="true" /> Photo
        </a-button>
        <a-button
          size="small"
          :disabled="!ready"
          title="With sound, until you stop it; a take plays meanwhile"
          @click="capture.startVideo()"
        >
          <Film :size="14" aria-hidden="true" /> Video
        </a-button>
        <a-button
          size="small"
          :disabled="!ready"
          :title="`${LOOP} that go round, as a GIF or an animated WebP`"
          @click="capture.loop()"
        >
          <Repeat :size="14" aria-hidden="true" /> Loop
        </a-button>
      </template>
    </div>
    <div v-if="waiting" class="row" role="status">
      <span class="grow soft">{{
        capture.doing === 'loop' ? `Taking ${LOOP}` : 'Making a GIF of them'
      }}</span>
      <a-progress :percent="percent" size="small" class="bar" />
      <WordButton @click="capture.cancel()">Cancel</WordButton>
    </div>
    <InlineNotice v-if="capture.trouble" closable @close="capture.trouble = null">{{
      capture.trouble
    }}</InlineNotice>
    <KeptCapture v-if="capture.kept" :key="capture.kept.preview.lastModified" :kept="capture.kept" />
    <p v-else-if="capture.isFree" class="soft">
      A photo, a video with sound or a loop of {{ LOOP }} from the Viewfinder, to save and send around.
    </p>
  </section>
</template>

<style scoped>
.capture {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}
.bar {
  width: 140px;
  margin: 0;
}
.row :deep(.ant-btn) {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
h2,
p {
  margin: 0;
}
</style>
