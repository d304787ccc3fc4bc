/** Coming close to the picture in the Viewfinder, in every stage: by the wheel with Ctrl, by two fingers, by a double click, by keys. */
import { computed, shallowRef, watch, type Ref } from 'vue';
import { useDeskStore } from '../../stores/desk';
import {
  closeTo,
  shoved,
  whole,
  within,
  zoomedAt,
  type CloseUp,
  type Extent,
  type Frame,
  type PicturePart,
} from './close-up';

/** How much closer a step of a key or a button leads. */
const STEP = 1.5;
/** Wheel pixels in which the picture grows e times as large. */
const WHEEL = 320;

export interface CloseUpOf {
  /** The window, an element whose place is asked for. */
  readonly element: Ref<HTMLElement | null>;
  readonly window: Ref<Extent>;
  /** The picture as it is when all of it is seen. */
  readonly sheet: Ref<Extent>;
  /** Fingers and wheel are the viewer's. */
  readonly viewers: Ref<boolean>;
}

export const useCloseUp = ({ element, window, sheet, viewers }: CloseUpOf) => {
  const desk = useDeskStore();
  const frame = computed((): Frame => ({ window: window.value, sheet: sheet.value }));
  const now = shallowRef<CloseUp>(whole(frame.value));
  const set = (to: CloseUp): void => {
    now.value = to;
    desk.finder.zoom = to.zoom;
  };
  watch(frame, () => set(within(now.value, frame.value)));
  const middle = (): readonly [number, number] => [window.value.width / 2, window.value.height / 2];
  const step = (way: 1 | -1): void => set(zoomedAt(now.value, middle(), STEP ** way, frame.value));
  const toWhole = (): void => set(whole(frame.value));
  const toPart = (part: PicturePart): void => set(closeTo(part, frame.value));
  // Keys and the command list ask through the desk.
  watch(
    () => desk.finder.asked,
    (asked) => {
      if (asked === null) return;
      if (asked === 'whole') toWhole();
      else step(asked === 'closer' ? 1 : -1);
      desk.finder.asked = null;
    },
    { flush: 'sync', immediate: true },
  );

  const at = ({ clientX, clientY }: MouseEvent): readonly [number, number] => {
    const box = element.value!.getBoundingClientRect();
    return [clientX - box.left, clientY - box.top];
  };
  /** True when it was meant for the close-up. */
  const onWheel = (event: WheelEvent): boolean => {
    if (event.ctrlKey || event.metaKey)
      set(zoomedAt(now.value, at(event), Math.exp(-event.deltaY / WHEEL), frame.value));
    else if (now.value.zoom > 1 && !viewers.value)
      set(
        shoved(
          now.value,
          -event.deltaX - (event.shiftKey ? event.deltaY : 0),
          event.shiftKey ? 0 : -event.deltaY,
          frame.value,
        ),
      );
    else return false;
    event.preventDefault();
    return true;
  };

  /** Pointers that shove: the middle button, or two fingers. */
  const held = new Map<number, readonly [number, number]>();
  const spread = (): number => {
    const [a, b] = [...held.values()];
    return a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0;
  };
  const centre = (): readonly [number, number] => {
    const all = [...held.values()];
    const mean = (k: 0 | 1): number => all.reduce((sum, p) => sum + p[k], 0) / Math.max(1, all.length);
    return [mean(0), mean(1)];
  };
  /** True when the pointer is the close-up's. */
  const onDown = (event: PointerEvent): boolean => {
    const isMine = event.button === 1 || (event.pointerType === 'touch' && !viewers.value);
    if (!isMine) return false;
    held.set(event.pointerId, at(event));
    if (event.button === 1) event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    return event.button === 1 || held.size > 1;
  };
  const onMove = (event: PointerEvent): boolean => {
    if (!held.has(event.pointerId)) return false;
    const [before, wide] = [centre(), spread()];
    held.set(event.pointerId, at(event));
    // One finger alone still selects and paints.
    if (held.size === 1 && event.pointerType === 'touch') return false;
    const after = centre();
    const factor = wide > 0 ? spread() / wide : 1;
    set(
      shoved(
        zoomedAt(now.value, before, factor, frame.value),
        after[0] - before[0],
        after[1] - before[1],
        frame.value,
      ),
    );
    return true;
  };
  const onUp = (event: PointerEvent): boolean => {
    const wasShoving = held.size > 1 || event.button === 1;
    return held.delete(event.pointerId) && wasShoving;
  };
  const style = computed(() => ({
    width: `${sheet.value.width}px`,
    height: `${sheet.value.height}px`,
    transform: `translate(${now.value.x}px, ${now.value.y}px) scale(${now.value.zoom})`,
  }));
  return { now, style, onWheel, onDown, onMove, onUp, step, toWhole, toPart };
};
