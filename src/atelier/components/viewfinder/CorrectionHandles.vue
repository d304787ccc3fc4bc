<script setup lang="ts">
/** The corners of what is corrected, over the Viewfinder: dragged, or moved with the arrow keys. */
import { computed, ref } from 'vue';
import type { PicturePlace } from '../../../core/tracking/region';
import { useCorrectingStore } from '../../stores/correcting';

const props = defineProps<{ viewAspect: number }>();
const correcting = useCorrectingStore();
const root = ref<HTMLElement | null>(null);
/** How much of the clip's picture the view shows along each side: it covers the view. */
const shown = computed((): PicturePlace => {
  const { clip } = correcting;
  const aspect = clip ? clip.width / clip.height : props.viewAspect;
  return aspect > props.viewAspect ? [props.viewAspect / aspect, 1] : [1, aspect / props.viewAspect];
});
const inView = ([x, y]: PicturePlace): PicturePlace => [
  0.5 + (x - 0.5) / shown.value[0],
  0.5 + (y - 0.5) / shown.value[1],
];
const inPicture = ([x, y]: PicturePlace): PicturePlace => [
  0.5 + (x - 0.5) * shown.value[0],
  0.5 + (y - 0.5) * shown.value[1],
];
const places = computed(() => correcting.corners.map(inView));
const outline = computed(() => places.value.map(([x, y]) => `${100 * x},${100 * y}`).join(' '));

const onDown = (event: PointerEvent): void =>
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
const onMove = (i: number, event: PointerEvent): void => {
  if (!(event.buttons & 1)) return;
  const box = root.value!.getBoundingClientRect();
  correcting.move(
    i,
    inPicture([(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]),
  );
};
const STEP = 0.005;
const onKey = (i: number, event: KeyboardEvent): void => {
  if (event.key === 'Escape' || event.key === 'Enter') {
    event.preventDefault();
    event.stopPropagation();
    return event.key === 'Enter' ? void correcting.apply() : correcting.cancel();
  }
  const by = (
    { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] } as Partial<
      Record<string, PicturePlace>
    >
  )[event.key];
  if (!by) return;
  event.preventDefault();
  event.stopPropagation();
  const [x, y] = correcting.corners[i]!;
  const far = event.shiftKey ? 5 : 1;
  correcting.move(i, [x + far * by[0], y + far * by[1]]);
};
const NAMES = ['Upper left', 'Upper right', 'Lower right', 'Lower left'] as const;
</script>

<template>
  <div ref="root" class="correction">
    <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      <polygon :points="outline" class="under" />
      <polygon :points="outline" />
    </svg>
    <button
      v-for="([x, y], i) in places"
      :key="i"
      type="button"
      class="handle"
      :class="{ first: i === 0 }"
      :aria-label="`${NAMES[i]} corner; arrow keys move it`"
      :style="{ left: `${100 * x}%`, top: `${100 * y}%` }"
      @pointerdown.stop="onDown"
      @pointermove.stop="(e) => onMove(i, e)"
      @keydown="(e) => onKey(i, e)"
    />
  </div>
</template>

<style scoped>
.correction {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
polygon {
  fill: none;
  stroke: #fff;
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}
.under {
  stroke: #1d2327;
  stroke-width: 4px;
  stroke-opacity: 0.6;
}
.handle {
  position: absolute;
  width: 18px;
  height: 18px;
  margin: -9px 0 0 -9px;
  padding: 0;
  border: 3px solid #fff;
  border-radius: 50%;
  background: var(--accent);
  box-shadow: 0 0 0 1px #1d2327;
  pointer-events: auto;
  cursor: move;
  touch-action: none;
}
.first {
  border-radius: 3px;
}
</style>
