<script setup lang="ts">
/** Own clips as takes: a file, or a recording made right here; tracked with progress, and kept in this browser. */
import { nextTick, onBeforeUnmount, ref } from 'vue';
import { Circle, Film, Square } from '@lucide/vue';
import { sentence } from '../../../core/errors';
import { LONGEST_CLIP } from '../../../core/takes/clip';
import type { Take } from '../../../core/takes/take';
import { useClipsStore } from '../../stores/clips';
import { ClipRecorder } from '../../takes/clip-recorder';
import InlineNotice from '../common/InlineNotice.vue';
import WordButton from '../common/WordButton.vue';
import ClipProgress from './ClipProgress.vue';

/** `told`: that a clip is being tracked is said beside it already. */
defineProps<{ told?: boolean }>();
const emit = defineEmits<{ choose: [take: Take] }>();
const clips = useClipsStore();
const input = ref<HTMLInputElement | null>(null);

const bring = async (file: Blob, name: string): Promise<void> => {
  const take = await clips.add(file, name);
  if (take) emit('choose', take);
};
const chosen = (): void => {
  const file = input.value?.files?.[0];
  if (file) void bring(file, file.name);
  // The same file can be chosen again.
  if (input.value) input.value.value = '';
};

/** The camera is open for a recording. */
const open = ref(false);
const recording = ref(false);
const seconds = ref(0);
const video = ref<HTMLVideoElement | null>(null);
let recorder: ClipRecorder | null = null;
let timer: ReturnType<typeof setInterval> | null = null;
const stopClock = (): void => {
  if (timer !== null) clearInterval(timer);
  timer = null;
};
const close = (): void => {
  stopClock();
  recorder?.close();
  recorder = null;
  open.value = recording.value = false;
};
onBeforeUnmount(close);
const openCamera = async (): Promise<void> => {
  clips.trouble = null;
  recorder = new ClipRecorder();
  try {
    const stream = await recorder.open();
    open.value = true;
    await nextTick();
    if (video.value) video.value.srcObject = stream;
  } catch (cause) {
    close();
    clips.trouble = { of: null, words: sentence(cause) };
  }
};
const start = (): void => {
  try {
    recorder?.start();
    recording.value = true;
    seconds.value = 0;
    timer = setInterval(() => {
      seconds.value++;
      if (seconds.value >= LONGEST_CLIP) void finish();
    }, 1000);
  } catch (cause) {
    close();
    clips.trouble = { of: null, words: sentence(cause) };
  }
};
const finish = async (): Promise<void> => {
  stopClock();
  const made = recorder;
  recorder = null;
  open.value = recording.value = false;
  if (made) await bring(await made.finish(), `Recording of ${seconds.value} s`);
};
</script>

<template>
  <section class="adder" aria-label="Your own clips">
    <template v-if="clips.coming"><ClipProgress v-if="!told" /></template>
    <div v-else-if="open" class="camera">
      <video ref="video" muted autoplay playsinline aria-label="What the camera sees" />
      <div class="row">
        <WordButton v-if="!recording" @click="start"><Circle :size="13" />Record</WordButton>
        <WordButton v-else @click="finish"><Square :size="13" />Stop and use it</WordButton>
        <span class="soft num grow">{{ recording ? `${seconds} s` : `up to ${LONGEST_CLIP} s` }}</span>
        <WordButton @click="close">Close the camera</WordButton>
      </div>
    </div>
    <div v-else class="row">
      <WordButton @click="input?.click()"><Film :size="14" />Bring in your own clip</WordButton>
      <WordButton @click="openCamera"><Circle :size="13" />Record one</WordButton>
      <span class="soft cut">It stays in this browser.</span>
      <input
        ref="input"
        type="file"
        accept="video/*,.mov,.mp4,.webm"
        class="hidden"
        aria-label="Your own clip"
        tabindex="-1"
        @change="chosen"
      />
    </div>
    <InlineNotice v-if="clips.trouble?.of === null" closable @close="clips.trouble = null">{{
      clips.trouble.words
    }}</InlineNotice>
  </section>
</template>

<style scoped>
.adder {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
}
.camera {
  display: grid;
  gap: 6px;
}
video {
  width: 100%;
  max-height: 260px;
  border-radius: 8px;
  background: var(--grey);
  object-fit: contain;
}
.hidden {
  display: none;
}
</style>
