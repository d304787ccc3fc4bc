<script setup lang="ts">
/** Hears a sound, with its loop when it has one. */
import { onBeforeUnmount, ref, watch } from 'vue';
import { Play, Square } from '@lucide/vue';
import type { SoundAsset } from '../../../core/document/schema';
import { sentence } from '../../../core/errors';
import { fetchFile } from '../../api/client';

const props = defineProps<{ asset: SoundAsset }>();
const playing = ref(false);
const error = ref<string | null>(null);
let context: AudioContext | null = null;
let source: AudioBufferSourceNode | null = null;

const stop = (): void => {
  source?.stop();
  source = null;
  playing.value = false;
};
const play = async (): Promise<void> => {
  error.value = null;
  try {
    context ??= new AudioContext();
    const file = await fetchFile(props.asset.files[0]!);
    const buffer = await context.decodeAudioData(await file.arrayBuffer());
    stop();
    source = context.createBufferSource();
    source.buffer = buffer;
    if (props.asset.loop) {
      source.loop = true;
      source.loopStart = props.asset.loop.start;
      source.loopEnd = props.asset.loop.end;
    }
    source.connect(context.destination);
    source.onended = () => (playing.value = false);
    source.start();
    playing.value = true;
  } catch (cause) {
    error.value = `This browser cannot play it: ${sentence(cause)}`;
  }
};
watch(() => props.asset.files[0]?.sha256, stop);
onBeforeUnmount(() => {
  stop();
  void context?.close();
});
</script>

<template>
  <div class="row">
    <a-button size="small" @click="playing ? stop() : play()">
      <span class="row"
        ><Square v-if="playing" :size="12" /><Play v-else :size="12" />{{ playing ? 'Stop' : 'Listen' }}</span
      >
    </a-button>
    <span v-if="error" class="bad">{{ error }}</span>
  </div>
</template>
