<script setup lang="ts">
/** Cuts a sound, chooses its weight and its loop; hear it before and after. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { Play, Square } from '@lucide/vue';
import { quietMoment, withoutSilence, type Sound } from '../../../../core/assets/sounds/sound';
import type { SoundAsset, SoundPrep } from '../../../../core/document/schema';
import { sentence } from '../../../../core/errors';
import type { AssetDraft } from '../../../../intake/drafts';
import { secondsInWords } from '../../../asset-words';
import { useAssetsStore } from '../../../stores/assets';
import { usePreparingStore } from '../../../stores/preparing';
import InlineNotice from '../../common/InlineNotice.vue';
import NumberField from '../../common/NumberField.vue';
import WaveEditor from './WaveEditor.vue';
import './controls.css';
import ChipButton from '../../common/ChipButton.vue';

const props = defineProps<{ asset: SoundAsset; draft: AssetDraft | null }>();
const prep = defineModel<SoundPrep>({ required: true });
const loop = defineModel<SoundAsset['loop']>('loop', { required: true });
const set = (change: Partial<SoundPrep>): void => {
  prep.value = { ...prep.value, ...change };
};
const assets = useAssetsStore();
const preparing = usePreparingStore();
const sound = shallowRef<Sound | null>(null);
const failure = ref<string | null>(null);
onMounted(async () => {
  try {
    const [original] = await assets.originalsOf(props.asset);
    sound.value = await preparing.client.samples(original!, props.asset.name);
  } catch (error) {
    failure.value = sentence(error);
  }
});
const whole = computed(() => (sound.value ? sound.value.channels[0]!.length / sound.value.rate : 0));
const end = computed(() => prep.value.end ?? whole.value);
const kept = computed(() => Math.max(0, end.value - prep.value.start));
const cutTo = (start: number, stop: number): void => {
  const s = Math.min(Math.max(0, start), whole.value);
  const e = Math.min(Math.max(stop, s + 0.02), whole.value);
  set({
    start: Math.round(s * 1000) / 1000,
    end: e >= whole.value - 0.001 ? null : Math.round(e * 1000) / 1000,
  });
};
const cutSilence = (): void => {
  if (!sound.value) return;
  const { start, end: stop } = withoutSilence(sound.value);
  cutTo(start, stop);
};
/** The loop is counted from where the kept part begins, and falls where it does not click. */
const setLoop = (start: number, stop: number): void => {
  if (!sound.value) return;
  const quiet = (t: number): number => {
    if (t <= 0.001 || t >= kept.value - 0.001) return t;
    return quietMoment(sound.value!, t + prep.value.start) - prep.value.start;
  };
  const [a, b] = [Math.max(0, Math.min(start, kept.value)), Math.max(0, Math.min(stop, kept.value))];
  const [from, to] = [quiet(a), quiet(b)];
  loop.value =
    to - from > 0.02 ? { start: Math.round(from * 1e4) / 1e4, end: Math.round(to * 1e4) / 1e4 } : null;
};
// A loop stays inside what is kept.
watch(kept, (length) => {
  if (loop.value && loop.value.end > length + 0.001) setLoop(loop.value.start, length);
});

const playing = ref<'before' | 'after' | null>(null);
let context: AudioContext | null = null;
let source: AudioBufferSourceNode | null = null;
const stop = (): void => {
  source?.stop();
  source = null;
  playing.value = null;
};
const play = async (which: 'before' | 'after'): Promise<void> => {
  if (playing.value === which) return stop();
  stop();
  failure.value = null;
  try {
    context ??= new AudioContext();
    const file = which === 'before' ? (await assets.originalsOf(props.asset))[0] : props.draft?.files[0];
    if (!file) return;
    const buffer = await context.decodeAudioData(file.bytes.slice().buffer);
    source = context.createBufferSource();
    source.buffer = buffer;
    if (which === 'after' && loop.value)
      Object.assign(source, { loop: true, loopStart: loop.value.start, loopEnd: loop.value.end });
    source.connect(context.destination);
    source.onended = () => (playing.value = null);
    source.start();
    playing.value = which;
  } catch (error) {
    failure.value = `This browser cannot play it: ${sentence(error)}`;
  }
};
onBeforeUnmount(() => {
  stop();
  void context?.close();
});
</script>

<template>
  <!-- Nothing can be cut before the sound is open. -->
  <div class="controls" :inert="!sound" :aria-busy="!sound">
    <h4>Kept part</h4>
    <div class="line">
      <span>From, s</span>
      <NumberField
        :value="prep.start"
        label="Kept from, seconds"
        :digits="3"
        :step="0.05"
        :min="0"
        :max="whole"
        @change="(v) => cutTo(v, end)"
      />
    </div>
    <div class="line">
      <span>To, s</span>
      <NumberField
        :value="end"
        label="Kept to, seconds"
        :digits="3"
        :step="0.05"
        :min="0"
        :max="whole"
        @change="(v) => cutTo(prep.start, v)"
      />
    </div>
    <div class="chips">
      <ChipButton @click="cutSilence">Cut silence</ChipButton>
      <ChipButton @click="set({ start: 0, end: null })">All of it</ChipButton>
    </div>
    <h4>Weight</h4>
    <div class="chips">
      <ChipButton
        v-for="rate in [32, 48, 96, 160]"
        :key="rate"
        :aria-pressed="prep.rate === rate"
        @click="set({ rate })"
      >
        {{ rate }} kb/s
      </ChipButton>
    </div>
    <div class="chips">
      <ChipButton :aria-pressed="prep.channels === 1" @click="set({ channels: 1 })"> Mono </ChipButton>
      <ChipButton :aria-pressed="prep.channels === 2" @click="set({ channels: 2 })"> Stereo </ChipButton>
    </div>
    <h4>Repeats</h4>
    <div class="chips">
      <ChipButton :aria-pressed="loop === null" @click="loop = null">Once</ChipButton>
      <ChipButton :aria-pressed="loop !== null" @click="setLoop(0, kept)"> In a loop </ChipButton>
    </div>
    <template v-if="loop">
      <div class="line">
        <span>Loop from, s</span>
        <NumberField
          :value="loop.start"
          label="Loop from, seconds"
          :digits="3"
          :step="0.05"
          :min="0"
          @change="(v) => setLoop(v, loop!.end)"
        />
      </div>
      <div class="line">
        <span>Loop to, s</span>
        <NumberField
          :value="loop.end"
          label="Loop to, seconds"
          :digits="3"
          :step="0.05"
          :min="0"
          @change="(v) => setLoop(loop!.start, v)"
        />
      </div>
      <p class="soft">Both ends fall where the sound passes through zero, so that it does not click.</p>
    </template>
  </div>
  <div class="bench">
    <WaveEditor v-if="sound" :sound="sound" :start="prep.start" :end="end" :loop="loop" @cut="cutTo" />
    <p v-else-if="!failure" class="soft" role="status">Opening the sound</p>
    <div class="row">
      <a-button size="small" @click="play('before')">
        <span class="row"
          ><Square v-if="playing === 'before'" :size="12" /><Play v-else :size="12" />Before</span
        >
      </a-button>
      <a-button size="small" :disabled="!draft" @click="play('after')">
        <span class="row"
          ><Square v-if="playing === 'after'" :size="12" /><Play v-else :size="12" />After</span
        >
      </a-button>
      <span class="soft"
        >{{ secondsInWords(kept) }} of {{ secondsInWords(whole) }} kept. Drag the edges of the light
        part.</span
      >
    </div>
    <InlineNotice v-if="failure" closable @close="failure = null">{{ failure }}</InlineNotice>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  gap: 12px;
  align-content: start;
  padding: 14px;
  min-width: 0;
}
</style>
