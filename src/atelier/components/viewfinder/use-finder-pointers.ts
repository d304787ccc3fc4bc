/** What pointers and the wheel do in the Viewfinder: select, tap, or be the viewer's fingers. */
import type { Ref } from 'vue';
import type { PicturePoint, View } from '../../../core/program/inputs';
import type { Picked } from '../../../stage/effect/picking';
import type { ViewNow } from '../../commands/drag-session';
import { choosePicked } from '../../commands/part-commands';
import { STEP } from '../../../core/units';
import { useDeskStore } from '../../stores/desk';
import { usePlaybackStore } from '../../stores/playback';
import { FingerRecorder } from './finger-recorder';

/** A pointer that moves less, in CSS pixels, has only pressed. */
const STILL = 4;

export interface Finder {
  readonly canvas: Ref<HTMLCanvasElement | null>;
  /** A press is a tap of the viewer, not a selection. */
  readonly tapping: Ref<boolean>;
  /** Something may be dragged, pinched or twisted. */
  readonly movable: Ref<boolean>;
  /** The pointer is over a handle, which takes the press. */
  readonly overHandle: () => boolean;
  readonly pick: (at: PicturePoint) => Picked | null;
  /** Where everything is in the picture. */
  readonly drawn: () => ViewNow | null;
  /** What of the camera is seen. */
  readonly view: () => View | null;
}

export const useFinderPointers = ({ canvas, tapping, movable, overHandle, pick, drawn, view }: Finder) => {
  const desk = useDeskStore();
  const playback = usePlaybackStore();
  const fingers = new FingerRecorder({
    begin: () => {
      playback.playing = false;
      playback.beginTouch();
    },
    change: (list) => {
      playback.touch(list);
      // The take goes on a little, so that what the fingers do is seen, and can be played again.
      if (playback.source === 'take') playback.seek(playback.time + STEP);
    },
  });
  const at = (event: MouseEvent): PicturePoint => {
    const box = canvas.value!.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  let pressed: readonly [number, number] | null = null;
  const onDown = (event: PointerEvent): void => {
    pressed = overHandle() ? null : [event.clientX, event.clientY];
    if (movable.value) fingers.down(event.pointerId, at(event));
  };
  const onMove = (event: PointerEvent): void => {
    if (movable.value) fingers.move(event.pointerId, at(event));
  };
  const onUp = (event: PointerEvent): void => {
    const dragged = fingers.up(event.pointerId);
    if (dragged || !pressed || Math.hypot(event.clientX - pressed[0], event.clientY - pressed[1]) > STILL)
      return;
    pressed = null;
    const point = at(event);
    if (tapping.value) return playback.tap(point.x, point.y, view() ?? undefined);
    const picked = pick(point);
    if (picked) choosePicked(picked, event, drawn());
    // A point that is asked for was missed: it can be tried again.
    else if (!desk.pivotFor) desk.selected = null;
  };
  /** The wheel over the picture pinches, with Shift it twists: a mouse has one finger only. */
  const onWheel = (event: WheelEvent): void => {
    if (!movable.value) return;
    event.preventDefault();
    const way = event.deltaY || event.deltaX;
    fingers.wheel(at(event), event.shiftKey ? { twist: way / 12 } : { pinch: Math.exp(-way / 900) });
  };
  return { at, onDown, onMove, onUp, onWheel };
};
