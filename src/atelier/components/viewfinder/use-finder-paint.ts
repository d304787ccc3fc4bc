/** Painting right on the face: pointers in the Viewfinder become spots of the face layout. */
import type { Ref } from 'vue';
import { anchorOf } from '../../../core/document/queries';
import { spotUnder } from '../../../core/face/spot-under';
import type { Spot } from '../../../core/face/skin-spot';
import { rayThrough } from '../../../core/maths/ray';
import { placeOf } from '../../../core/placing/places';
import type { Stage } from '../../../stage/stage';
import { useEffectStore } from '../../stores/effect';
import { usePainterStore } from '../../stores/painter';

export const useFinderPaint = (canvas: Ref<HTMLCanvasElement | null>, stage: () => Stage | null) => {
  const painter = usePainterStore();
  const effectStore = useEffectStore();
  let painting = false;

  /** The spot of the face whose layer is painted, as it was drawn last. */
  const spotAt = (event: PointerEvent): Spot | null => {
    const drawing = stage();
    const now = drawing?.drawn;
    const { layer } = painter;
    if (!drawing || !now || !layer || !canvas.value) return null;
    const anchor = anchorOf(effectStore.effect, layer);
    const face =
      placeOf(now.program, now.places, layer.id)?.face ??
      (anchor.kind === 'skin' && typeof anchor.face === 'number'
        ? now.here.frame.faces[anchor.face - 1]
        : now.here.frame.faces[0]);
    if (!face) return null;
    const box = canvas.value.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    const { fovY, aspect } = drawing.viewOf(now.here.frame);
    return spotUnder(face, rayThrough(now.here.frame.camera, fovY, aspect, x, y));
  };
  const onDown = (event: PointerEvent): void => {
    const spot = event.button === 0 ? spotAt(event) : null;
    if (!spot) return;
    painting = true;
    canvas.value?.setPointerCapture(event.pointerId);
    painter.begin(spot, event.pressure);
  };
  const onMove = (event: PointerEvent): void => {
    if (!painting) return;
    const all = event.getCoalescedEvents?.() ?? [];
    for (const one of all.length > 0 ? all : [event]) {
      const spot = spotAt(one);
      if (spot) painter.goOn(spot, one.pressure);
      else painter.lift();
    }
  };
  const onUp = (): void => {
    if (!painting) return;
    painting = false;
    painter.end();
  };
  return { onDown, onMove, onUp };
};
