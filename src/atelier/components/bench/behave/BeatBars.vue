<script setup lang="ts">
/**
 * The beats of a cue over time, each action a bar. A bar is dragged to begin later, at its end to take longer; the mark of a beat
 * is dragged over the beat before to begin when that is part-way.
 */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { line, scaleLinear } from 'd3';
import { drivenLengths, durationDrives, reachedBy } from '../../../../core/document/behaviour-queries';
import { actionKind, actionLength, longestOn } from '../../../../core/kinds/actions/actions';
import type { Action, Cue } from '../../../../core/document/schema';
import { eased } from '../../../../core/maths/curve';
import { actionSummary, drivenWords } from '../../../behave-words';
import { written } from '../../../../core/kinds/written';
import { useEffectStore } from '../../../stores/effect';

const props = defineProps<{ cue: Cue }>();
const emit = defineEmits<{
  change: [action: Action, gesture: string | null];
  begins: [beat: string, share: number];
  open: [action: string];
}>();
const effectStore = useEffectStore();
const box = ref<HTMLElement | null>(null);
const width = ref(420);
let watching: ResizeObserver | null = null;
onMounted(() => {
  watching = new ResizeObserver(() => (width.value = box.value?.clientWidth ?? 420));
  watching.observe(box.value!);
});
onBeforeUnmount(() => watching?.disconnect());

const ROW = 16;
const once = (action: Action): number =>
  longestOn(action, reachedBy(effectStore.effect, action), effectStore.effect.assets);
/** What plays is as long as it is: its end cannot be dragged. */
const isOwnLength = (action: Action): boolean => actionKind(action.kind).length !== undefined;
interface Bar {
  readonly action: Action;
  readonly row: number;
  readonly start: number;
  readonly length: number;
  readonly endless: boolean;
  /** How short and how long it becomes where something drives that, and what does. */
  readonly driven: { readonly lengths: readonly [number, number]; readonly words: string } | null;
}
const laid = computed(() => {
  const bars: Bar[] = [];
  const drives = durationDrives(effectStore.effect);
  const beats: { id: string; index: number; start: number; span: number; rows: number; top: number }[] = [];
  let start = 0;
  let before = 0;
  let row = 0;
  props.cue.beats.forEach((beat, index) => {
    if (beats.length > 0) start += before * beat.begins;
    const top = row;
    let span = 0;
    for (const action of beat.actions) {
      const length = once(action);
      const drive = drives.get(action.id);
      span = Math.max(span, action.delay + length);
      bars.push({
        action,
        row: row++,
        start: start + action.delay,
        length,
        endless: actionLength(action) === Infinity,
        driven: drive
          ? { lengths: drivenLengths(drive), words: drivenWords(effectStore.effect, drive) }
          : null,
      });
    }
    beats.push({ id: beat.id, index, start, span, rows: row - top, top });
    before = span;
  });
  const end = Math.max(0.5, ...bars.map((b) => b.start + Math.max(b.length, b.driven?.lengths[1] ?? 0)));
  return { bars, beats, end, rows: row };
});
const x = computed(() => scaleLinear([0, laid.value.end * 1.04], [0, width.value - 8]));
const ticks = computed(() => x.value.ticks(Math.max(3, Math.min(8, width.value / 70))));
const curve = (bar: Bar): string => {
  const w = Math.max(3, x.value(bar.length));
  if (bar.length === 0 || w < 14) return '';
  const n = 24;
  const h = ROW - 7;
  return (
    line()(
      Array.from({ length: n + 1 }, (_, i): [number, number] => [
        (i / n) * w,
        h - Math.min(1.2, Math.max(-0.2, eased(bar.action.easing, i / n))) * (h - 2) - 1,
      ]),
    ) ?? ''
  );
};

interface Grab {
  readonly kind: 'delay' | 'duration' | 'begins';
  readonly action: Action | null;
  readonly beat: number;
  readonly from: number;
  moved: boolean;
}
let grab: Grab | null = null;
const tenths = (v: number): number => Math.max(0, Math.round(v * 20) / 20);
const down = (event: PointerEvent, kind: Grab['kind'], action: Action | null, beat: number): void => {
  if (event.button !== 0) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  grab = { kind, action, beat, from: event.clientX, moved: false };
  event.preventDefault();
};
const move = (event: PointerEvent): void => {
  if (!grab) return;
  const by = x.value.invert(event.clientX - grab.from);
  if (Math.abs(event.clientX - grab.from) > 2) grab.moved = true;
  if (!grab.moved) return;
  const { kind, action } = grab;
  if (kind === 'delay')
    emit('change', { ...action!, delay: tenths(action!.delay + by) }, `delay-${action!.id}`);
  else if (kind === 'duration') {
    const rounds = Math.max(1, action!.repeat) * (action!.thereAndBack ? 2 : 1);
    const length = action!.repeat === 0 ? (action!.thereAndBack ? 2 : 1) : rounds;
    emit(
      'change',
      { ...action!, duration: tenths(action!.duration + by / length) },
      `duration-${action!.id}`,
    );
  } else {
    const before = laid.value.beats[grab.beat - 1]!;
    const at = x.value.invert(event.clientX - box.value!.getBoundingClientRect().left);
    const share = before.span > 0 ? (at - before.start) / before.span : 1;
    emit('begins', laid.value.beats[grab.beat]!.id, Math.min(1, Math.max(0, Math.round(share * 20) / 20)));
  }
};
const up = (): void => {
  if (grab && !grab.moved && grab.action) emit('open', grab.action.id);
  if (grab?.moved) effectStore.endGesture();
  grab = null;
};
/** The arrow keys do what dragging does. */
const key = (event: KeyboardEvent, action: Action): void => {
  const by = event.key === 'ArrowRight' ? 0.05 : event.key === 'ArrowLeft' ? -0.05 : 0;
  if (event.key === 'Enter') emit('open', action.id);
  if (by === 0) return;
  event.preventDefault();
  event.stopPropagation();
  if (event.shiftKey)
    emit('change', { ...action, duration: tenths(action.duration + by) }, `duration-${action.id}`);
  else emit('change', { ...action, delay: tenths(action.delay + by) }, `delay-${action.id}`);
};
</script>

<template>
  <div ref="box" class="bars" role="group" aria-label="Beats over time">
    <svg :width="width" :height="laid.rows * ROW + 16">
      <g v-for="tick in ticks" :key="tick" class="tick">
        <line :x1="x(tick)" :x2="x(tick)" y1="0" :y2="laid.rows * ROW" />
        <text :x="x(tick) + 2" :y="laid.rows * ROW + 12">{{ tick }} s</text>
      </g>
      <template v-for="beat in laid.beats" :key="beat.id">
        <g
          v-if="beat.index > 0"
          class="begins"
          @pointerdown="(e) => down(e, 'begins', null, beat.index)"
          @pointermove="move"
          @pointerup="up"
          @pointercancel="up"
        >
          <title>Where beat {{ beat.index + 1 }} begins: drag over the beat before</title>
          <rect :x="x(beat.start) - 4" :y="beat.top * ROW" width="8" :height="beat.rows * ROW" />
          <line
            :x1="x(beat.start)"
            :x2="x(beat.start)"
            :y1="beat.top * ROW"
            :y2="(beat.top + beat.rows) * ROW"
          />
        </g>
      </template>
      <g
        v-for="bar in laid.bars"
        :key="bar.action.id"
        :transform="`translate(${x(bar.start)}, ${bar.row * ROW + 2})`"
        class="bar"
        :class="{ endless: bar.endless }"
      >
        <rect
          class="body"
          tabindex="0"
          role="slider"
          :aria-label="`${actionSummary(effectStore.effect, bar.action)}: begins after`"
          :aria-valuenow="bar.action.delay"
          :aria-valuetext="`${bar.action.delay} seconds; takes ${bar.driven?.words ?? `${written(bar.length)} seconds`}`"
          :width="Math.max(5, x(bar.length))"
          :height="ROW - 5"
          rx="3"
          @pointerdown="(e) => down(e, 'delay', bar.action, 0)"
          @pointermove="move"
          @pointerup="up"
          @pointercancel="up"
          @keydown="(e) => key(e, bar.action)"
          @blur="effectStore.endGesture()"
        />
        <path v-if="curve(bar)" :d="curve(bar)" />
        <g v-if="bar.driven" class="driven">
          <title>Takes {{ bar.driven.words }}</title>
          <path
            :d="`M${x(bar.driven.lengths[0])} 2v${ROW - 9}m0 ${(9 - ROW) / 2}H${x(bar.driven.lengths[1])}m0 ${(9 - ROW) / 2}v${ROW - 9}`"
          />
        </g>
        <rect
          v-if="bar.action.duration > 0 && !isOwnLength(bar.action)"
          class="edge"
          :x="Math.max(5, x(bar.length)) - 5"
          width="9"
          :height="ROW - 5"
          @pointerdown="(e) => down(e, 'duration', bar.action, 0)"
          @pointermove="move"
          @pointerup="up"
          @pointercancel="up"
        >
          <title>Takes {{ bar.action.duration }} s: drag to change</title>
        </rect>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.bars {
  margin-top: 4px;
  min-width: 0;
  overflow: hidden;
  touch-action: none;
}
.tick line {
  stroke: var(--line2);
}
.tick text {
  font: 10px var(--mono, monospace);
  fill: var(--soft);
}
.body {
  fill: color-mix(in srgb, var(--accent) 16%, var(--sheet));
  stroke: color-mix(in srgb, var(--accent) 45%, var(--sheet));
  cursor: grab;
}
.body:focus-visible {
  outline: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.endless .body {
  stroke-dasharray: 4 3;
}
.bar path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.2;
  pointer-events: none;
}
.bar .driven path {
  stroke: var(--ink);
  stroke-dasharray: none;
}
.edge {
  fill: transparent;
  cursor: ew-resize;
}
.begins line {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 2 2;
}
.begins rect {
  fill: transparent;
  cursor: ew-resize;
}
</style>
