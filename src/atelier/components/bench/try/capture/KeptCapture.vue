<script setup lang="ts">
/** What was captured: looked at, saved in its formats, shared by the system where it can. */
import { onBeforeUnmount, ref } from 'vue';
import type { Kept, KeptChoice } from '../../../../../stage/capture/kept';
import { useCaptureStore } from '../../../../stores/capture';

const props = defineProps<{ kept: Kept }>();
const capture = useCaptureStore();
const url = URL.createObjectURL(props.kept.preview);
onBeforeUnmount(() => URL.revokeObjectURL(url));
const NAMES = { photo: 'The photo', video: 'The video', loop: 'The loop' } as const;
const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
const mayShareIt = typeof navigator.share === 'function';

/** Formats that are being made, and those that are there to be saved. */
const busy = ref<string | null>(null);
const made = ref<readonly string[]>([]);
const make = async (choice: KeptChoice): Promise<void> => {
  busy.value = choice.label;
  if (await capture.make(choice)) made.value = [...made.value, choice.label];
  busy.value = null;
};
</script>

<template>
  <div class="kept">
    <video v-if="kept.kind === 'video'" :src="url" :aria-label="NAMES.video" controls loop playsinline />
    <img v-else :src="url" :alt="NAMES[kept.kind]" />
    <div class="ways">
      <b>{{ NAMES[kept.kind] }}</b>
      <small class="soft">{{ kept.preview.name }}, {{ size(kept.preview.size) }}</small>
      <template v-for="(choice, i) in kept.choices" :key="choice.label">
        <a-button
          v-if="choice.takesLong && !made.includes(choice.label)"
          size="small"
          :loading="busy === choice.label"
          @click="make(choice)"
          >Make it {{ choice.label }}</a-button
        >
        <a-button v-else size="small" :type="i === 0 ? 'primary' : 'default'" @click="capture.save(choice)"
          >Save as {{ choice.label }}</a-button
        >
      </template>
      <a-button v-if="mayShareIt" size="small" @click="capture.shareIt(kept.choices[0])">Share</a-button>
      <a-button size="small" type="text" @click="capture.discard()">Discard</a-button>
    </div>
  </div>
</template>

<style scoped>
.kept {
  display: flex;
  gap: 14px;
  align-items: start;
}
img,
video {
  width: 135px;
  border-radius: 8px;
  background: #1d2327;
}
.ways {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.ways .ant-btn-text {
  margin-left: -7px;
}
</style>
