<script setup lang="ts">
/** Space: the same scene from any side, with handles. */
import { ALL_ABILITIES } from '../../../../stage/abilities/all';
import { computed, inject, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { sentence } from '../../../../core/errors';
import { FOREHEAD } from '../../../../core/kinds/objects/placed';
import { anchorOf } from '../../../../core/document/queries';
import type { Anchor, EffectObject } from '../../../../core/document/schema';
import { measure } from '../../../../core/placing/measure';
import { spotOn } from '../../../../core/placing/pointed';
import { anchorBase, restOf } from '../../../../core/placing/rest';
import { SpaceView, type SpaceSide } from '../../../../stage/space-view';
import { DragSession, handleModeOf, handlePlaceFor, heldNow } from '../../../commands/drag-session';
import { choosePicked, pointedPartBox } from '../../../commands/part-commands';
import { sceneNow } from '../../../commands/place-commands';
import { FrameLoop } from '../../../drawing/frame-loop';
import { Redraw } from '../../../drawing/redraw';
import { PICTURES_UNDER, type PictureUnder } from '../../../screens/pictures-under';
import { useAssetsStore } from '../../../stores/assets';
import { useDeskStore, type PlaceMode } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { usePlaybackStore } from '../../../stores/playback';
import { useSeenCutoutsStore } from '../../../stores/seen-cutouts';
import { measureWords } from '../../../words';
import InlineNotice from '../../common/InlineNotice.vue';
import ArrangePanel from './ArrangePanel.vue';
import SpaceTools from './SpaceTools.vue';
import SpreadPanel from './SpreadPanel.vue';
import WordButton from '../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const assets = useAssetsStore();
const playback = usePlaybackStore();
const cutouts = useSeenCutoutsStore();
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
const MODES: readonly { readonly name: PlaceMode; readonly label: string; readonly key: string }[] = [
  { name: 'move', label: 'Move', key: 'M' },
  { name: 'turn', label: 'Turn', key: 'T' },
  { name: 'size', label: 'Size', key: 'S' },
  { name: 'pivot', label: 'Pivot', key: 'P' },
];

/** The surroundings that are shown: those of what is selected, else of what was selected last. */
const shown = ref<Anchor>(FOREHEAD);
watch(
  () => {
    const object = desk.selected ? effectStore.effect.objects[desk.selected] : undefined;
    return object ? anchorOf(effectStore.effect, object) : null;
  },
  (anchor) => {
    if (anchor) shown.value = anchor;
    else if (Object.keys(effectStore.effect.objects).length > 0) {
      const all = Object.values(effectStore.effect.objects);
      // What was shown may have been deleted, or another effect opened.
      if (!all.some((o) => o.anchor.kind === shown.value.kind))
        shown.value = anchorOf(effectStore.effect, all[0]!);
    }
  },
  { immediate: true },
);
const rest = computed(() => restOf(effectStore.effect));
const measured = computed(() =>
  desk.place.measure && desk.selection.length > 0
    ? measure(effectStore.effect, rest.value, desk.selection)
    : null,
);

/** The part of a model that was clicked has a box around it. */
const pointed = computed(() => pointedPartBox(rest.value));

let view: SpaceView | null = null;
const redraw = new Redraw(() => assets.stores.arrivals.count);
let observer: ResizeObserver | null = null;
const needsDraw = (): void => {
  redraw.ask();
  loop.wake();
};
const held = () => heldNow(rest.value);
const session = new DragSession('space');
let shifted = false;
const mayPick = (object: EffectObject): boolean => !object.locked;

onMounted(() => {
  try {
    view = new SpaceView(
      canvas.value!,
      assets.stores,
      ALL_ABILITIES,
      {
        onStart: () => session.start(held()),
        onChange: (drag) => session.change(drag, desk.place.snap !== shifted),
        onEnd: () => session.end(),
      },
      needsDraw,
    );
  } catch (error) {
    failure.value = sentence(error);
    return;
  }
  view.setMode(handleModeOf(desk.handleMode));
  view.setDark(desk.dark);
  view.setFigures(desk.place.figures);
  cutouts.wanted++;
  view.setCutouts(cutouts.seen);
  observer = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect;
    if (width > 0 && height > 0) view?.setSize(width, height, Math.min(devicePixelRatio, 2));
  });
  observer.observe(box.value!);
  loop.wake();
});
const draw = (): void => {
  const only = desk.isolated;
  view?.draw(effectStore.shown, {
    anchor: shown.value,
    scene: sceneNow(),
    ghosts: desk.place.ghosts,
    keep: (id) => !only || only.has(id),
    handles: handlePlaceFor(held()),
    measured: measured.value?.box ?? pointed.value,
    touched: desk.selected,
  });
};
const loop = new FrameLoop(() => {
  // The effect itself is shown first: both at once would only be later.
  if (playback.pictured && redraw.take(performance.now())) draw();
  return redraw.needsFrame;
});
onBeforeUnmount(() => {
  if (view) cutouts.wanted--;
  loop.stop();
  observer?.disconnect();
  view?.dispose();
});
watch(
  [
    () => effectStore.shown,
    () => desk.selection,
    () => desk.isolated,
    () => desk.pivotFor,
    pointed,
    () => desk.scene,
    () => ({ ...desk.place }),
    shown,
  ],
  needsDraw,
);
watch(
  () => assets.arrived,
  () => {
    redraw.arrive();
    loop.wake();
  },
);
watch(
  () => desk.handleMode,
  (mode) => view?.setMode(handleModeOf(mode)),
);
watch(
  () => desk.dark,
  (dark) => view?.setDark(dark),
);
watch(
  () => desk.place.figures,
  (on) => view?.setFigures(on),
);
watch(
  () => cutouts.seen,
  (seen) => view?.setCutouts(seen),
);
watch(side, (to) => view?.look(to));

const approach = (): void => {
  const around = measure(effectStore.effect, rest.value, desk.selection);
  if (around) view?.approach(around.box);
};
const snap = (event: PointerEvent | KeyboardEvent): void => {
  shifted = event.shiftKey;
  if (canvas.value) canvas.value.style.cursor = view?.onHandle ? 'grab' : '';
};
const at = (event: MouseEvent): readonly [number, number] => {
  const rect = canvas.value!.getBoundingClientRect();
  return [(event.clientX - rect.left) / rect.width, (event.clientY - rect.top) / rect.height];
};
/** What files that are dropped here are dropped on: a thing, and a spot of the ground it stands on. */
const under: PictureUnder = (event) => {
  if (event.target !== canvas.value || !view) return null;
  const [x, y] = at(event);
  const hit = view.pick(x, y, mayPick);
  const spot = spotOn(view.ray(x, y), anchorBase(rest.value, shown.value), shown.value);
  return {
    pointed: spot && { anchor: shown.value, at: spot },
    object: hit && hit !== 'handle' ? hit.id : null,
  };
};
const pictures = inject(PICTURES_UNDER, null);
pictures?.add(under);
onBeforeUnmount(() => pictures?.delete(under));

let pressed: [number, number] | null = null;
const onDown = (event: PointerEvent): void => {
  pressed = [event.clientX, event.clientY];
};
const onUp = (event: PointerEvent): void => {
  if (!pressed || Math.hypot(event.clientX - pressed[0], event.clientY - pressed[1]) > 4) return;
  const [x, y] = at(event);
  const hit = view?.pick(x, y, mayPick);
  if (hit && hit !== 'handle') choosePicked(hit, event, rest.value);
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
    <p v-if="desk.pivotFor" class="isolated" role="status">
      Click the point that it turns about, here or in the Viewfinder.
      <WordButton @click="desk.pivotFor = null">Cancel</WordButton>
    </p>
    <p v-else-if="desk.isolated" class="isolated">
      Only what you chose is shown.
      <WordButton @click="desk.isolated = null">Show all</WordButton>
    </p>
    <SpreadPanel v-if="desk.place.tool === 'spread'" class="panel" @close="desk.place.tool = null" />
    <ArrangePanel v-else-if="desk.place.tool === 'arrange'" class="panel" @close="desk.place.tool = null" />
    <output v-if="measured" class="measure" aria-label="Measured">{{ measureWords(measured) }}</output>
    <SpaceTools class="low" @approach="approach" />
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
  flex-wrap: wrap;
  gap: 6px;
}
.low {
  position: absolute;
  inset: auto 14px 10px;
}
.bar > button {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 4px 10px;
  font: 500 12px var(--text);
  cursor: pointer;
}
.bar > button[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--paper);
}
@media (max-width: 1100px) {
  .bar {
    gap: 4px;
  }
  .bar > button {
    padding: 4px 7px;
  }
}
.isolated,
.measure {
  position: absolute;
  left: 14px;
  margin: 0;
  padding: 3px 10px;
  border-radius: 6px;
  background: var(--sheet);
  font: 500 12px var(--text);
}
.isolated {
  top: 46px;
}
.measure {
  bottom: 44px;
  font-family: var(--mono);
  font-size: 11.5px;
}
.panel {
  position: absolute;
  z-index: 5;
  inset: 46px 14px 44px auto;
  width: 268px;
  max-height: calc(100% - 92px);
  height: max-content;
}
.failure {
  position: absolute;
  inset: auto 12px 12px;
}
</style>
