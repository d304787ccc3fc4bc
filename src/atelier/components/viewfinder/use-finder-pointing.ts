/** What of the picture is pointed at: for files that are dropped there, and to come close to it. */
import type { Ref } from 'vue';
import type { ObjectId } from '../../../core/document/schema';
import { facePartAt } from '../../../core/placing/face-part';
import { pointedAt, type Pointed } from '../../../core/placing/pointed';
import { USUAL_ASPECT, viewOf } from '../../../core/placing/touch';
import { usePlaybackStore } from '../../stores/playback';
import type { useCloseUp } from './use-close-up';

type Point = Parameters<typeof facePartAt>[2];

export const useFinderPointing = (finder: {
  readonly canvas: Ref<HTMLCanvasElement | null>;
  /** Where in the picture the pointer is. */
  readonly at: (event: MouseEvent) => Point;
  readonly pick: (point: Point) => ObjectId | null;
  readonly close: ReturnType<typeof useCloseUp>;
  /** A double click means something else now. */
  readonly busy: () => boolean;
}) => {
  const playback = usePlaybackStore();
  /** A double click comes close to the eye, mouth or face that is there, or goes back. */
  const comeClose = (event: MouseEvent): void => {
    const now = playback.now();
    if (!now || finder.busy()) return;
    const { close } = finder;
    const part = close.now.value.zoom > 1 ? null : facePartAt(now.frame, viewOf(now.frame), finder.at(event));
    if (part) close.toPart(part);
    else close.toWhole();
  };
  /** What is seen under the pointer; null where it is not over the picture. */
  const under = (event: MouseEvent): { pointed: Pointed | null; object: ObjectId | null } | null => {
    const now = playback.now();
    if (event.target !== finder.canvas.value || !now) return null;
    const point = finder.at(event);
    const { presence } = now.runtime;
    const { targets } = now.program;
    return {
      pointed: pointedAt({ frame: now.frame, presence, targets, aspect: USUAL_ASPECT }, point),
      object: finder.pick(point),
    };
  };
  return { under, comeClose };
};
