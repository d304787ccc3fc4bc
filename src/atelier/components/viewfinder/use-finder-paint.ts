/** Painting right on the face: pointers in the Viewfinder become spots of the face layout, and the brush is seen as a ring on the skin. */
import { computed, shallowRef, type Ref } from 'vue';
import { anchorOf } from '../../../core/document/queries';
import { spotUnder } from '../../../core/face/spot-under';
import { spotOnFace, type Spot } from '../../../core/face/skin-spot';
import { toOuter } from '../../../core/maths/pose';
import { rayThrough } from '../../../core/maths/ray';
import { SHEET_SIZE } from '../../../core/painter/sheet';
import { placeOf } from '../../../core/placing/places';
import { projectPoint } from '../../../core/tracking/project';
import type { TrackedFace } from '../../../core/tracking/track-frame';
import type { Stage } from '../../../stage/stage';
import { useEffectStore } from '../../stores/effect';
import { usePainterStore } from '../../stores/painter';

/** Corners of a ring. */
const AROUND = 32;
/** Pixels of the wheel for one step of the size. */
const WHEEL = 60;

export const useFinderPaint = (canvas: Ref<HTMLCanvasElement | null>, stage: () => Stage | null) => {
  const painter = usePainterStore();
  const effectStore = useEffectStore();
  let painting = false;
  /** Where the pointer is on the face; null beside it. */
  const spot = shallowRef<Spot | null>(null);

  /** The face whose layer is painted, as it was drawn last. */
  const faceNow = (): TrackedFace | null => {
    const now = stage()?.drawn;
    const { layer } = painter;
    if (!now || !layer) return null;
    const anchor = anchorOf(effectStore.effect, layer);
    return (
      placeOf(now.program, now.places, layer.id)?.face ??
      (anchor.kind === 'skin' && typeof anchor.face === 'number'
        ? now.here.frame.faces[anchor.face - 1]
        : now.here.frame.faces[0]) ??
      null
    );
  };
  const spotAt = (event: PointerEvent): Spot | null => {
    const drawing = stage();
    const face = faceNow();
    if (!drawing?.drawn || !face || !canvas.value) return null;
    const box = canvas.value.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    const { frame } = drawing.drawn.here;
    const { fovY, aspect } = drawing.viewOf(frame);
    return spotUnder(face, rayThrough(frame.camera, fovY, aspect, x, y));
  };
  /** What the brush would paint, as a path in shares of the picture. */
  const ringAround = ([u, v]: Spot): string => {
    const drawing = stage();
    const face = faceNow();
    if (!drawing?.drawn || !face) return '';
    const { frame } = drawing.drawn.here;
    const { fovY, aspect } = drawing.viewOf(frame);
    const reach = painter.brush.size / 2 / SHEET_SIZE;
    const corners = Array.from({ length: AROUND }, (_, i) => {
      const a = (i / AROUND) * 2 * Math.PI;
      const on = spotOnFace(face.landmarks, [u + reach * Math.cos(a), v + reach * Math.sin(a)]);
      const at = projectPoint(frame.camera, fovY, aspect, toOuter(face.pose, on.position));
      return at && `${at[0].toFixed(5)} ${at[1].toFixed(5)}`;
    });
    return `M${corners.filter(Boolean).join('L')}Z`;
  };
  const rings = computed((): string[] => {
    const at = spot.value;
    if (!at || painter.stamp || painter.tool === 'lasso' || painter.tool === 'gradient') return [];
    return [ringAround(at), ...(painter.mirrored ? [ringAround([1 - at[0], at[1]])] : [])];
  });

  const onDown = (event: PointerEvent): void => {
    const at = event.button === 0 ? spotAt(event) : null;
    if (!at) return;
    painting = true;
    canvas.value?.setPointerCapture(event.pointerId);
    painter.begin(at, event.pressure);
  };
  const onMove = (event: PointerEvent): void => {
    spot.value = spotAt(event);
    if (!painting) return;
    const all = event.getCoalescedEvents?.() ?? [];
    for (const one of all.length > 0 ? all : [event]) {
      const at = spotAt(one);
      if (at) painter.goOn(at, one.pressure);
      else painter.lift();
    }
  };
  const onUp = (): void => {
    if (!painting) return;
    painting = false;
    painter.end();
  };
  const leave = (): void => {
    spot.value = null;
  };
  /** With Shift the wheel makes the brush larger and smaller. True when it was meant for that. */
  const onWheel = (event: WheelEvent): boolean => {
    if (!event.shiftKey || event.ctrlKey || event.metaKey) return false;
    event.preventDefault();
    painter.resize(-(event.deltaY || event.deltaX) / WHEEL);
    return true;
  };
  return { onDown, onMove, onUp, leave, onWheel, rings };
};
