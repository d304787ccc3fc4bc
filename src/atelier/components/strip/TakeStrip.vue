<script setup lang="ts">
/** Play, scrub, speed; the take's film, its marks, where cues fire, and the viewer's recorded taps. */
import { computed, onBeforeUnmount, onMounted, ref, type CSSProperties } from 'vue';
import { scaleLinear } from 'd3';
import { Pause, Play, RotateCcw, StepBack, StepForward } from '@lucide/vue';
import { blankEffect } from '../../../core/document/defaults';
import { useStills } from '../../drawing/use-stills';
import { useEffectStore } from '../../stores/effect';
import { usePrintsStore } from '../../stores/prints';
import { SPEEDS, usePlaybackStore } from '../../stores/playback';
import { FILM_FRAMES } from '../../takes/film';
import { filmOf } from '../../takes/shipped-films';
import { cueName } from '../../behave-words';
import { useChronicleStore } from '../../stores/chronicle';
import { MARK_WORDS } from '../../words';
import RecordedMarks from './RecordedMarks.vue';
import TakeMenu from '../takes/TakeMenu.vue';
import SelectField from '../common/SelectField.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const playback = usePlaybackStore();
const prints = usePrintsStore();
const effectStore = useEffectStore();
const track = ref<HTMLElement | null>(null);
const width = ref(880);
let observer: ResizeObserver | null = null;
onMounted(() => {
  observer = new ResizeObserver(([entry]) => (width.value = entry!.contentRect.width));
  observer.observe(track.value!);
});
onBeforeUnmount(() => observer?.disconnect());

const x = computed(() => scaleLinear([0, playback.take.duration], [0, width.value]));
const times = computed(() =>
  Array.from({ length: FILM_FRAMES }, (_, i) => ((i + 0.5) / FILM_FRAMES) * playback.take.duration),
);
const empty = blankEffect('film');
/** Shipped takes come with their film; others, and what is printed on pictures, are drawn. */
const shipped = computed(() => (prints.images.length > 0 ? null : filmOf(playback.take.id)));
const drawn = useStills(
  () =>
    shipped.value
      ? null
      : {
          effect: empty,
          take: playback.take,
          times: times.value,
          width: 66,
          height: 88,
          pictures: prints.images,
        },
  900,
);
const frameStyle = (i: number): CSSProperties =>
  shipped.value
    ? {
        backgroundImage: `url(${shipped.value})`,
        backgroundSize: `${FILM_FRAMES * 100}% auto`,
        backgroundPosition: `${(100 * i) / (FILM_FRAMES - 1)}% 42%`,
      }
    : drawn.value[i]
      ? { backgroundImage: `url(${drawn.value[i]})` }
      : {};

const seekTo = (event: PointerEvent): void => {
  const box = track.value!.getBoundingClientRect();
  playback.playing = false;
  playback.seek(x.value.invert(event.clientX - box.left));
};
const onDown = (event: PointerEvent): void => {
  track.value!.setPointerCapture(event.pointerId);
  seekTo(event);
};
const onMove = (event: PointerEvent): void => {
  if (event.buttons & 1) seekTo(event);
};
const onKey = (event: KeyboardEvent): void => {
  const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -60, PageUp: 60 }[event.key];
  if (by !== undefined) playback.stepBy(by);
  else if (event.key === 'Home') playback.seek(0);
  else if (event.key === 'End') playback.seek(playback.take.duration);
  else return;
  event.preventDefault();
};
/**
 * Marks side by side on one row; one that would run into the last word loses its own. What holds all the time
 * marks no moment and is left out.
 */
const marks = computed(() => {
  let free = -1;
  const { duration } = playback.take;
  return playback.take.marks
    .filter((m) => m.to - m.from < 0.9 * duration)
    .map((mark) => {
      const left = x.value(mark.from);
      const words = MARK_WORDS[mark.kind];
      const fits = left >= free;
      if (fits) free = left + words.length * 6 + 10;
      return { ...mark, left, width: Math.max(4, x.value(mark.to) - left), words: fits ? words : '' };
    });
});
const chronicle = useChronicleStore();
const live = computed(() => playback.source === 'camera');
/** What is recorded on the strip is played again with each restart, unless it is left out. */
const recordedWords = computed(() => {
  const n = playback.recorded.length;
  if (n === 0) return null;
  return playback.leavesOut ? 'Play what is recorded again' : 'Leave out what is recorded';
});
const restartTitle = computed(() => {
  if (recordedWords.value === null) return 'Restart the effect  R';
  return playback.leavesOut
    ? 'Restart the effect without what is recorded  R'
    : 'Restart the effect: what is recorded on the strip is played again  R';
});
</script>

<template>
  <section class="strip" aria-label="Take strip">
    <div class="controls">
      <div class="row">
        <button
          class="play"
          type="button"
          :disabled="live"
          :aria-label="playback.playing ? 'Pause' : 'Play'"
          @click="playback.playing = !playback.playing"
        >
          <Pause v-if="playback.playing" :size="16" fill="currentColor" /><Play
            v-else
            :size="16"
            fill="currentColor"
          />
        </button>
        <IconButton aria-label="Restart the effect" :title="restartTitle" @click="playback.restart()">
          <RotateCcw :size="15" />
        </IconButton>
        <IconButton
          :disabled="live"
          aria-label="One frame back"
          title="One frame back  ,"
          @click="playback.stepBy(-1)"
        >
          <StepBack :size="15" />
        </IconButton>
        <IconButton
          :disabled="live"
          aria-label="One frame on"
          title="One frame on  ."
          @click="playback.stepBy(1)"
        >
          <StepForward :size="15" />
        </IconButton>
        <SelectField
          name="Speed"
          class="speed num"
          :disabled="live"
          :value="playback.speed"
          :options="SPEEDS.map((value) => ({ value, label: `${value}×` }))"
          @change="(v: unknown) => (playback.speed = Number(v))"
        />
      </div>
      <p class="about soft cut">
        <template v-if="live">Your camera, live</template>
        <template v-else
          ><TakeMenu /> <span class="num">{{ playback.take.duration.toFixed(1) }} s</span><br />{{
            recordedWords === null ? playback.take.about : ''
          }}<WordButton
            v-if="recordedWords"
            class="recorded"
            @click="playback.leavesOut = !playback.leavesOut"
            >{{ recordedWords }}</WordButton
          ></template
        >
      </p>
    </div>
    <div class="lane" :class="{ live }">
      <div
        ref="track"
        class="track"
        role="slider"
        tabindex="0"
        aria-label="Time in the take"
        :aria-valuemin="0"
        :aria-valuemax="playback.take.duration"
        :aria-valuenow="Number(playback.time.toFixed(2))"
        :aria-valuetext="`${playback.time.toFixed(2)} seconds`"
        @pointerdown="onDown"
        @pointermove="onMove"
        @keydown="onKey"
      >
        <div class="film" aria-hidden="true">
          <i v-for="(time, i) in times" :key="time" :style="frameStyle(i)" />
        </div>
        <div class="marks" aria-hidden="true">
          <span v-for="mark in marks" :key="mark.kind + mark.from" :style="{ left: `${mark.left}px` }"
            ><i :style="{ width: `${mark.width}px` }" />{{ mark.words }}</span
          >
        </div>
        <span
          v-for="(firing, i) in chronicle.chronicle.firings.slice(0, 200)"
          :key="`f${i}`"
          class="firing"
          :style="{ left: `${x(firing.time)}px` }"
          :title="`Cue: ${cueName(effectStore.effect, firing.cue)} at ${firing.time.toFixed(2)} s`"
        />
        <div class="needle" :style="{ left: `${x(playback.time)}px` }">
          <b class="num" :class="{ flipped: x(playback.time) > width - 60 }"
            >{{ playback.time.toFixed(2) }} s</b
          >
        </div>
      </div>
      <RecordedMarks :at="(time) => 18 + x(time)" />
    </div>
  </section>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: var(--stack, 340px) minmax(0, 1fr);
  height: 112px;
  border-top: 1px solid var(--line);
}
.controls {
  padding: 12px 16px;
  border-right: 1px solid var(--line);
  min-width: 0;
}
.play {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border: 0;
  border-radius: 50%;
  background: var(--accent);
  color: var(--on-accent);
  cursor: pointer;
}
.play:disabled {
  opacity: 0.4;
}
.speed {
  width: 76px;
}
.about {
  margin-top: 8px;
  font-size: 12px;
}
.lane {
  position: relative;
  padding: 10px 18px;
  min-width: 0;
}
.lane.live {
  opacity: 0.45;
  pointer-events: none;
}
.track {
  position: relative;
  height: 90px;
  cursor: ew-resize;
  touch-action: none;
}
.film {
  display: flex;
  height: 44px;
  border-radius: 6px;
  overflow: hidden;
  background: var(--line2);
}
.film i {
  flex: 1;
  background: center 28% / cover;
  border-right: 1px solid #ffffff66;
}
.marks {
  position: relative;
  height: 34px;
  margin-top: 7px;
  font-size: 11px;
  color: var(--soft);
}
.marks span {
  position: absolute;
  white-space: nowrap;
}
.marks i {
  display: block;
  height: 7px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--accent) 26%, var(--paper));
  margin-bottom: 1px;
}
.firing {
  position: absolute;
  top: 36px;
  width: 0;
  height: 0;
  margin-left: -5px;
  border: 5px solid transparent;
  border-bottom: 8px solid var(--ink);
}
.needle {
  position: absolute;
  top: -4px;
  bottom: 4px;
  width: 2px;
  margin-left: -1px;
  background: var(--madder);
  pointer-events: none;
}
.needle b {
  position: absolute;
  top: -3px;
  left: 5px;
  padding: 1px 5px;
  border-radius: 4px;
  background: #b23a32;
  color: #fff;
  font-size: 10.5px;
  white-space: nowrap;
}
.needle b.flipped {
  left: auto;
  right: 5px;
}
</style>
