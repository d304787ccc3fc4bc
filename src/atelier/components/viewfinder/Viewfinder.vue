<script setup lang="ts">
/** The camera picture with the effect on it, exactly as a viewer sees it; select and drag right in it. */
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { ALL_ABILITIES } from '../../../stage/abilities/all';
import { photographOf } from '../../../stage/face-photograph';
import { Stage } from '../../../stage/stage';
import type { EffectObject } from '../../../core/document/schema';
import { FirstPicture } from '../../drawing/first-picture';
import { FrameLoop } from '../../drawing/frame-loop';
import { Redraw } from '../../drawing/redraw';
import { useFinderPaint } from './use-finder-paint';
import { useFinderPointing } from './use-finder-pointing';
import { useFinderPointers } from './use-finder-pointers';
import { sentence } from '../../../core/errors';
import { useAssetsStore } from '../../stores/assets';
import { useCorrectingStore } from '../../stores/correcting';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { useSeenCutoutsStore } from '../../stores/seen-cutouts';
import { usePainterStore } from '../../stores/painter';
import { usePrintsStore } from '../../stores/prints';
import FinderCaption from './FinderCaption.vue';
import GraphicsNotice from './GraphicsNotice.vue';
import LighterNote from './LighterNote.vue';
import CompareLine from './CompareLine.vue';
import CorrectionHandles from './CorrectionHandles.vue';
import ViewerButtons from './ViewerButtons.vue';
import TakeMenu from '../takes/TakeMenu.vue';
import BrushRings from './BrushRings.vue';
import CloseUpButtons from './CloseUpButtons.vue';
import { useCloseUp } from './use-close-up';
import DeviceCovers from './DeviceCovers.vue';
import { useDeviceView } from './use-device-view';
import { useFinderCapture } from './use-finder-capture';
import { useFinderDetail } from './use-finder-detail';
import { useFinderHandles } from './use-finder-handles';
import { useFinderOverlay } from './use-finder-overlay';
import { useFinderPicture } from './use-finder-picture';
import { useFinderSize } from './use-finder-size';
import { useFinderWords } from './use-finder-words';
import '../../../stage/overlay/viewer-overlay.css';

const props = defineProps<{ stage: string }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const correcting = useCorrectingStore();
const playback = usePlaybackStore();
const assets = useAssetsStore();
const prints = usePrintsStore();
const painter = usePainterStore();

const frameBox = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const failure = ref<string | null>(null);
/** The browser has taken the graphics away; it gives them back when it can. */
const lost = ref(false);

let drawing: Stage | null = null;
const redraw = new Redraw(() => assets.stores.arrivals.count);
const fineness = useFinderDetail(
  () => applySize(),
  () => needsDraw(),
);
const { detail } = fineness;

const frame = ref<HTMLElement | null>(null);
const sheet = ref<HTMLElement | null>(null);
const viewer = useFinderOverlay(sheet, () => needsDraw());

const needsDraw = (): void => {
  redraw.ask();
  loop.wake();
  sayWanted();
};
const picture = useFinderPicture({ drawing: () => drawing, detail, needsDraw: () => needsDraw() });
/** Said on the canvas: what its picture still lacks, and how many pictures were drawn, so that whoever waits for one can. */
let drawn = 0;
const sayWanted = (): void => {
  if (!canvas.value) return;
  const lacks = [
    ...(redraw.isWanted || first.isComing || !picture.hasCome() ? ['picture'] : []),
    ...(picture.isCast() ? [] : ['people']),
    ...(assets.stores.arrivals.count > 0 ? ['assets'] : []),
    ...(prints.loading ? ['prints'] : []),
  ].join(' ');
  if (canvas.value.dataset.wants !== lacks) canvas.value.dataset.wants = lacks;
};
/** Grades are compared by a line while they are worked on. */
const comparing = computed(
  () => props.stage === 'style' && desk.style.section === 'grade' && desk.style.compareLine !== null,
);
/** The camera's light is read while lights are worked on. */
const lighting = computed(() => props.stage === 'style' && desk.style.section === 'light');
const editing = computed(() => props.stage === 'place' && playback.source === 'take');
const tapping = computed(
  () => props.stage === 'behave' || props.stage === 'try' || playback.source === 'camera',
);

/** Something may be dragged, pinched or twisted; else fingers only tap. */
const movable = computed(
  () => tapping.value && Object.values(effectStore.effect.objects).some((o) => o.byViewer !== null),
);

const seenCutouts = useSeenCutoutsStore();
watch(() => seenCutouts.wanted, needsDraw);
const handles = useFinderHandles({ canvas, editing, needsDraw });
const fitting = useFinderSize(
  frameBox,
  () => applySize(),
  () => device.aspect.value,
);
const { size } = fitting;
const device = useDeviceView(
  () => size.value,
  () => viewer.element,
  () => fitting.fit(),
);
const capture = useFinderCapture({
  canvas,
  sound: () => viewer.sound(),
  height: () => size.value.height,
  resize: () => applySize(),
});
/** The window through which the picture is seen: as large as it, or as the room over the bench. */
const opening = computed(() => (desk.finder.large ? fitting.room.value : size.value));
const applySize = (): void => {
  const { width, height } = size.value;
  if (drawing && width > 0) drawing.setSize(width, height, capture.density(fineness.density()));
  needsDraw();
};
const draw = (): void => {
  const now = playback.now();
  if (!drawing || !now) return;
  const only = desk.isolated;
  drawing.compareLine = comparing.value ? desk.style.compareLine! : 0;
  drawing.measuresLight = lighting.value;
  drawing.onPicture = painter.photoAsked
    ? ({ faces }) => {
        const face = faces[painter.faceNumber() - 1];
        painter.takePhoto(face ? photographOf(drawing!.renderer, drawing!.camera, face) : null);
      }
    : null;
  drawing.draw(now.frame, now.program, now.runtime, only && editing.value ? (id) => only.has(id) : undefined);
  playback.cameraLight = drawing.cameraLight;
  viewer.show(now, drawing.drawn?.places ?? [], tapping.value);
  device.look(drawing, now.runtime.prompt);
  seenCutouts.take(
    () => drawing!.effectView.seenCutouts(drawing!.renderer),
    performance.now(),
    playback.playing || playback.source !== 'take',
  );
  handles.draw();
  capture.drawn();
  canvas.value!.dataset.drawn = String(++drawn);
  drawnAt = performance.now();
  playback.pictured = true;
};

/** Before trackers an effect goes on by itself where the take stands: it is shown at a pace that leaves the trackers their share of the machine, milliseconds. */
const TRACKED_PACE = 250;
let drawnAt = 0;

/** The first picture is made ready a part at a time, so that the page answers meanwhile. */
const first = new FirstPicture({
  prepare: async () => {
    const now = playback.now();
    if (now) await drawing?.prepare(now.frame, now.program, now.runtime);
  },
  draw,
  again: needsDraw,
});

/** A take that stands still and is drawn needs no more frames. */
const loop = new FrameLoop((passed) => {
  const elapsed = Math.min(0.5, passed);
  playback.advance(elapsed);
  fineness.step(elapsed);
  if (playback.source === 'tracked') {
    playback.now();
    if (performance.now() - drawnAt > TRACKED_PACE) needsDraw();
  }
  if (picture.isCast() && (redraw.take(performance.now()) || playback.source === 'camera')) first.draw();
  sayWanted();
  const moves = playback.playing || playback.source !== 'take';
  return moves || redraw.needsFrame || assets.stores.arrivals.count > 0;
});

onMounted(() => {
  try {
    drawing = new Stage(canvas.value!, assets.stores, ALL_ABILITIES);
  } catch (error) {
    failure.value = sentence(error);
    playback.pictured = true;
    return;
  }
  handles.start(drawing);
  fineness.begin(drawing.isSoftware);
  picture.show();
  canvas.value!.addEventListener('webglcontextlost', () => (lost.value = true));
  canvas.value!.addEventListener('webglcontextrestored', () => {
    lost.value = false;
    first.giveUp();
    needsDraw();
  });
  fitting.start();
  loop.wake();
});
onBeforeUnmount(() => {
  loop.stop();
  first.stop();
  playback.pictured = false;
  fitting.stop();
  handles.stop();
  viewer.dispose();
  drawing?.dispose();
});

watch(
  [
    () => effectStore.shown,
    () => playback.time,
    () => playback.options,
    () => playback.only,
    () => playback.playing,
    () => desk.selection,
    () => desk.isolated,
    () => desk.pivotFor,
    () => desk.scene,
    () => desk.style.compareLine,
    () => painter.photoAsked,
    comparing,
    lighting,
    () => desk.place.axes,
    () => desk.place.even,
    editing,
  ],
  needsDraw,
);
watch(
  () => assets.arrived,
  () => {
    redraw.arrive();
    loop.wake();
    sayWanted();
  },
);
watch(() => playback.liveFrame, needsDraw);
const mayPick = (object: EffectObject): boolean => !object.locked;
const pointers = useFinderPointers({
  canvas,
  tapping,
  movable,
  overHandle: handles.hovered,
  pick: ({ x, y }) => drawing?.pick(x, y, mayPick) ?? null,
  drawn: () => drawing?.drawn ?? null,
  view: () => (drawing?.drawn ? drawing.viewOf(drawing.drawn.here.frame) : null),
});
const close = useCloseUp({ element: frame, window: opening, sheet: size, viewers: movable });
const wheel = (event: WheelEvent): void => {
  if (!close.onWheel(event)) pointers.onWheel(event);
};
/** The painter takes the pointers while it is open. */
const brush = useFinderPaint(canvas, () => drawing);
const painting = computed(() => props.stage === 'style' && painter.on !== null);
const hand = computed(() => (painting.value ? brush : pointers));
const tapCentre = (): void => {
  if (tapping.value) playback.tap(0.5, 0.5);
};
const { under, comeClose } = useFinderPointing({
  canvas,
  at: pointers.at,
  pick: (point) => drawing?.pick(point.x, point.y, mayPick)?.id ?? null,
  close,
  busy: () => tapping.value || painting.value,
});
defineExpose({ under });
const hint = computed(() => {
  if (!tapping.value || playback.source !== 'take' || device.aspect.value !== null) return null;
  return movable.value
    ? 'Drags are recorded; the wheel pinches, Shift twists'
    : 'Taps are recorded on the strip';
});
const { label, caption, lighter } = useFinderWords(detail, fineness.share);
</script>

<template>
  <section
    ref="frameBox"
    class="finder"
    aria-label="Viewfinder"
    @keydown="handles.feel"
    @keyup="handles.feel"
    @pointermove="handles.feel"
  >
    <div
      ref="frame"
      class="frame"
      :class="{ large: desk.finder.large }"
      :style="{ width: `${opening.width}px`, height: `${opening.height}px` }"
    >
      <div ref="sheet" class="sheet" :style="close.style.value">
        <canvas
          ref="canvas"
          :data-source="playback.source"
          :data-sounds="viewer.sounding.value"
          :tabindex="tapping ? 0 : -1"
          role="img"
          :aria-label="
            tapping
              ? 'Viewfinder: tap to record what the viewer does'
              : 'Viewfinder: the effect on the camera picture'
          "
          :class="{ painting }"
          @pointerdown="(e) => close.onDown(e) || hand.onDown(e)"
          @pointermove="(e) => close.onMove(e) || hand.onMove(e)"
          @pointerup="(e) => close.onUp(e) || hand.onUp(e)"
          @pointercancel="(e) => close.onUp(e) || hand.onUp(e)"
          @pointerleave="brush.leave()"
          @wheel="(e) => (painting && brush.onWheel(e)) || wheel(e)"
          @dblclick="comeClose"
          @keydown.enter="tapCentre"
        />
        <CompareLine
          v-if="comparing"
          :value="desk.style.compareLine!"
          @change="(to) => (desk.style.compareLine = to)"
        />
        <BrushRings v-if="painting && brush.rings.value.length > 0" :rings="brush.rings.value" />
        <DeviceCovers v-if="device.aspect.value !== null" :width="size.width" />
        <CorrectionHandles v-if="correcting.on" :view-aspect="size.width / size.height" />
      </div>
      <div v-if="device.aspect.value === null" class="label">
        <TakeMenu v-if="playback.source !== 'camera'">{{ label }}</TakeMenu>
        <template v-else>{{ label }}</template>
      </div>
      <CloseUpButtons v-if="device.aspect.value === null" />
      <LighterNote v-if="lighter && device.aspect.value === null" :words="lighter" />
      <ViewerButtons v-if="tapping && device.aspect.value === null" />
      <FinderCaption :said="caption" :hint="hint" />
      <GraphicsNotice :failure="failure" :lost="lost" />
    </div>
  </section>
</template>

<style scoped>
.finder {
  background: var(--grey);
  display: grid;
  place-items: center;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}
/* Drawn larger behind its window; it is moved, not laid out anew. */
.sheet {
  position: absolute;
  left: 0;
  top: 0;
  transform-origin: 0 0;
}
.frame.large {
  background: #6a6a6a;
}
.frame {
  position: relative;
  border-radius: 10px;
  overflow: hidden;
}
canvas {
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
}
canvas.painting {
  cursor: crosshair;
}
.label {
  position: absolute;
  left: 10px;
  padding: 3px 10px;
  border-radius: 20px;
  background: #fffffff0;
  color: #1d2327;
  font: 550 11.5px var(--text);
  top: 10px;
  max-width: calc(100% - 20px);
}
</style>
