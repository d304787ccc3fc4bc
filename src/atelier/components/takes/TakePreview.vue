<script setup lang="ts">
/** Plays a take while it is being made; taps on it are recorded into it. */
import { ALL_ABILITIES } from '../../../stage/abilities/all';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { Pause, Play } from '@lucide/vue';
import { Player } from '../../../core/behave/player';
import { stepAt } from '../../../core/behave/recorded';
import { blankEffect } from '../../../core/document/defaults';
import { sentence } from '../../../core/errors';
import type { Take, TakeSpec } from '../../../core/takes/take';
import { STEP } from '../../../core/units';
import { Stage } from '../../../stage/stage';
import { TakePicture } from '../../../stage/take-picture';
import { useAssetsStore } from '../../stores/assets';
import { useDeskStore } from '../../stores/desk';
import { MARK_WORDS } from '../../words';
import InlineNotice from '../common/InlineNotice.vue';
import IconButton from '../common/IconButton.vue';

type Tap = TakeSpec['taps'][number];
const props = defineProps<{ take: Take; taps: readonly Tap[]; recording: boolean }>();
const emit = defineEmits<{ tap: [tap: Tap]; removeTap: [index: number] }>();

const assets = useAssetsStore();
const desk = useDeskStore();
const canvas = ref<HTMLCanvasElement | null>(null);
const box = ref<HTMLElement | null>(null);
const failure = ref<string | null>(null);
const playing = ref(true);
const time = ref(0);
const size = ref({ width: 0, height: 0 });
const blank = blankEffect('preview');

let stage: Stage | null = null;
let loop = 0;
let last = 0;
let slow = 0;
let density = 1;
let wanted = true;
let observer: ResizeObserver | null = null;

const player = computed(() => new Player(blank, props.take));
const duration = computed(() => props.take.duration);
let picture: TakePicture | null = null;
const show = (): void => {
  // A number typed or a name changed must not make the performers anew.
  if (!picture?.retake(props.take)) {
    picture = new TakePicture(props.take, {
      detail: stage?.isSoftware ? 'plain' : 'full',
      people: desk.people,
    });
    stage?.setPicture(picture);
  }
  time.value = Math.min(time.value, duration.value - STEP);
  wanted = true;
};
const fit = (): void => {
  const area = box.value?.getBoundingClientRect();
  if (!area) return;
  const height = Math.max(120, Math.min(area.height, (area.width * 16) / 9));
  size.value = { width: Math.round((height * 9) / 16), height: Math.round(height) };
  stage?.setSize(size.value.width, size.value.height, density);
  wanted = true;
};
const tick = (now: number): void => {
  loop = requestAnimationFrame(tick);
  const elapsed = Math.min(0.5, (now - last) / 1000);
  last = now;
  if (playing.value) {
    time.value = (time.value + elapsed) % duration.value;
    wanted = true;
    slow = elapsed > 0.05 ? slow + 1 : 0;
    if (slow > 4 && density > 0.45) {
      density /= 1.4;
      slow = 0;
      fit();
    }
  }
  if (!wanted || !stage) return;
  wanted = false;
  const runtime = player.value.at(time.value);
  stage.draw(props.take.frameAt(time.value), player.value.program, runtime);
};
onMounted(() => {
  try {
    stage = new Stage(canvas.value!, assets.stores, ALL_ABILITIES);
  } catch (error) {
    failure.value = sentence(error);
    return;
  }
  show();
  observer = new ResizeObserver(fit);
  observer.observe(box.value!);
  fit();
  loop = requestAnimationFrame(tick);
});
onBeforeUnmount(() => {
  cancelAnimationFrame(loop);
  observer?.disconnect();
  stage?.dispose();
});
watch(() => props.take, show);
watch(
  () => desk.people,
  () => {
    picture = null;
    show();
  },
);

const seek = (event: PointerEvent): void => {
  const track = (event.currentTarget as HTMLElement).getBoundingClientRect();
  if (event.type === 'pointermove' && !(event.buttons & 1)) return;
  playing.value = false;
  const share = Math.min(1, Math.max(0, (event.clientX - track.left) / track.width));
  time.value = Math.min(duration.value - STEP, stepAt(share * duration.value) * STEP);
  wanted = true;
};
const step = (event: KeyboardEvent): void => {
  const by = { ArrowLeft: -6, ArrowRight: 6 }[event.key];
  if (by === undefined) return;
  event.preventDefault();
  playing.value = false;
  time.value = Math.min(duration.value - STEP, Math.max(0, time.value + by * STEP));
  wanted = true;
};
const tapAt = (x: number, y: number): void => {
  if (props.recording) emit('tap', { time: stepAt(time.value) * STEP, x, y });
};
const tap = (event: PointerEvent): void => {
  const area = canvas.value!.getBoundingClientRect();
  tapAt((event.clientX - area.left) / area.width, (event.clientY - area.top) / area.height);
};
const percent = (t: number): string => `${(100 * t) / duration.value}%`;
</script>

<template>
  <section class="preview" aria-label="Preview">
    <div ref="box" class="box">
      <canvas
        ref="canvas"
        :style="{ width: `${size.width}px`, height: `${size.height}px` }"
        :class="{ recording }"
        :tabindex="recording ? 0 : -1"
        role="img"
        :aria-label="recording ? 'The take: tap to record what a viewer does' : 'The take'"
        @pointerdown="tap"
        @keydown.enter="tapAt(0.5, 0.5)"
      />
      <InlineNotice v-if="failure">{{ failure }}</InlineNotice>
    </div>
    <div class="strip">
      <IconButton :aria-label="playing ? 'Pause' : 'Play'" @click="playing = !playing">
        <Pause v-if="playing" :size="16" /><Play v-else :size="16" />
      </IconButton>
      <div
        class="track"
        role="slider"
        tabindex="0"
        aria-label="Time in the take"
        :aria-valuemin="0"
        :aria-valuemax="duration"
        :aria-valuenow="Number(time.toFixed(2))"
        :aria-valuetext="`${time.toFixed(2)} seconds`"
        @pointerdown="seek"
        @pointermove="seek"
        @keydown="step"
      >
        <span
          v-for="mark in take.marks"
          :key="mark.kind + mark.from"
          class="mark"
          :style="{ left: percent(mark.from), width: percent(mark.to - mark.from) }"
          :title="MARK_WORDS[mark.kind]"
        />
        <span class="needle" :style="{ left: percent(time) }" />
      </div>
      <span class="num">{{ time.toFixed(1) }} s</span>
      <button
        v-for="(t, i) in taps"
        :key="i"
        class="tap"
        type="button"
        :style="{ left: `calc(32px + (100% - 32px - 56px) * ${t.time / duration})` }"
        :aria-label="`Recorded tap at ${t.time.toFixed(2)} seconds; press to remove`"
        @click="emit('removeTap', i)"
      />
    </div>
  </section>
</template>

<style scoped>
.preview {
  display: grid;
  grid-template-rows: 1fr auto;
  gap: 10px;
  padding: 14px;
  background: var(--grey);
  min-height: 0;
}
.box {
  display: grid;
  place-items: center;
  min-height: 0;
  overflow: hidden;
}
canvas {
  border-radius: 10px;
  display: block;
}
.recording {
  cursor: crosshair;
  outline: 2px solid var(--madder);
}
.strip {
  position: relative;
  display: grid;
  grid-template-columns: 24px 1fr 48px;
  gap: 8px;
  align-items: center;
  padding: 8px;
  border-radius: 8px;
  background: var(--sheet);
}
.track {
  position: relative;
  height: 22px;
  border-radius: 4px;
  background: var(--line2);
  cursor: pointer;
  touch-action: none;
}
.mark {
  position: absolute;
  top: 8px;
  height: 6px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--accent) 45%, transparent);
}
.needle {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 2px;
  margin-left: -1px;
  background: var(--madder);
}
.tap {
  position: absolute;
  bottom: 1px;
  width: 10px;
  height: 10px;
  margin-left: -5px;
  padding: 0;
  border: 2px solid var(--sheet);
  border-radius: 50%;
  background: var(--ink);
  cursor: pointer;
}
</style>
