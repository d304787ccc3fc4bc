<script setup lang="ts">
/** Space: the same scene from any side, with handles. */
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { placeSelected } from '../../../commands/object-commands';
import { sentence } from '../../../../core/errors';
import type { HandleMode, Placed } from '../../../../stage/handles';
import { SpaceView, type SpaceSide } from '../../../../stage/space-view';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import InlineNotice from '../../common/InlineNotice.vue';

const document = useEffectStore();
const desk = useDeskStore();
const assets = useAssetsStore();
const box = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const side = ref<SpaceSide>('free');
const failure = ref<string | null>(null);

const SIDES: readonly { readonly name: SpaceSide; readonly label: string }[] = [
  { name: 'free', label: 'Space' },
  { name: 'front', label: 'Front' },
  { name: 'side', label: 'Side' },
  { name: 'top', label: 'Top' },
];
const MODES: readonly { readonly name: HandleMode; readonly label: string; readonly key: string }[] = [
  { name: 'move', label: 'Move', key: 'M' },
  { name: 'turn', label: 'Turn', key: 'T' },
  { name: 'size', label: 'Size', key: 'S' },
];

let view: SpaceView | null = null;
let loop = 0;
let wanted = true;
let observer: ResizeObserver | null = null;
const needsDraw = (): void => {
  wanted = true;
};
const onDrag = (placed: Placed): void => placeSelected(placed, 'space');
onMounted(() => {
  try {
    view = new SpaceView(
      canvas.value!,
      assets.stores,
      { onStart: () => undefined, onChange: onDrag, onEnd: () => document.endGesture() },
      needsDraw,
    );
  } catch (error) {
    failure.value = sentence(error);
    return;
  }
  view.setMode(desk.handleMode);
  view.setDark(desk.dark);
  observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect;
    if (width > 0 && height > 0) view?.setSize(width, height, Math.min(devicePixelRatio, 2));
  });
  observer.observe(box.value!);
  const tick = (): void => {
    loop = requestAnimationFrame(tick);
    if (!wanted) return;
    wanted = false;
    view?.draw(document.effect, desk.selected);
  };
  tick();
});
onBeforeUnmount(() => {
  cancelAnimationFrame(loop);
  observer?.disconnect();
  view?.dispose();
});
watch([() => document.effect, () => desk.selected, () => assets.arrived], needsDraw);
watch(
  () => desk.handleMode,
  (mode) => view?.setMode(mode),
);
watch(
  () => desk.dark,
  (dark) => view?.setDark(dark),
);
watch(side, (to) => view?.look(to));

const snap = (event: PointerEvent | KeyboardEvent): void => view?.setSnapping(event.shiftKey);
let pressed: [number, number] | null = null;
const onDown = (event: PointerEvent): void => {
  pressed = [event.clientX, event.clientY];
};
const onUp = (event: PointerEvent): void => {
  if (!pressed || Math.hypot(event.clientX - pressed[0], event.clientY - pressed[1]) > 4) return;
  const rect = canvas.value!.getBoundingClientRect();
  const hit = view?.pick((event.clientX - rect.left) / rect.width, (event.clientY - rect.top) / rect.height);
  if (hit !== 'handle' && hit) desk.selected = hit;
};
</script>

<template>
  <section ref="box" class="space" aria-label="Space" @pointermove="snap">
    <canvas
      ref="canvas"
      role="img"
      aria-label="Space: the scene from any side. Drag to look around"
      @pointerdown="onDown"
      @pointerup="onUp"
    />
    <div class="bar">
      <button
        v-for="s in SIDES"
        :key="s.name"
        type="button"
        :aria-pressed="side === s.name"
        @click="side === s.name ? view?.look(s.name) : (side = s.name)"
      >
        {{ s.label }}
      </button>
      <span class="grow" />
      <button
        v-for="m in MODES"
        :key="m.name"
        type="button"
        :title="`${m.label}  ${m.key}; hold Shift to snap`"
        :aria-pressed="desk.handleMode === m.name"
        @click="desk.handleMode = m.name"
      >
        {{ m.label }}
      </button>
    </div>
    <InlineNotice v-if="failure" class="failure">{{ failure }}</InlineNotice>
  </section>
</template>

<style scoped>
.space {
  position: relative;
  min-height: 0;
  overflow: hidden;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
}
.bar {
  position: absolute;
  inset: 12px 14px auto;
  display: flex;
  gap: 6px;
}
.bar button {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 4px 10px;
  font: 500 12px var(--text);
  cursor: pointer;
}
.bar button[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
.failure {
  position: absolute;
  inset: auto 12px 12px;
}
</style>
