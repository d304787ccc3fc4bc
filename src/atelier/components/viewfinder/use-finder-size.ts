/** How large the Viewfinder's picture is: upright, or as a device's screen is, as large as its box allows. CSS pixels. */
import { ref, type Ref } from 'vue';

/** Room around the picture, both sides together; the least height of a picture. */
const ROOM = 24;
const LEAST = 80;

export interface FinderSize {
  /** The room that it may take. */
  readonly room: Readonly<Ref<{ readonly width: number; readonly height: number }>>;
  readonly size: Readonly<Ref<{ readonly width: number; readonly height: number }>>;
  /** Fits it now, and whenever the box changes. */
  start(): void;
  stop(): void;
  /** Fits it anew: its shape is another. */
  fit(): void;
}

const USUAL = 9 / 16;

/** `fitted` is told when the size has changed; `shape` is its width over its height, null for the usual. */
export const useFinderSize = (
  box: Readonly<Ref<HTMLElement | null>>,
  fitted: () => void,
  shape: () => number | null = () => null,
): FinderSize => {
  const size = ref({ width: 0, height: 0 });
  const all = ref({ width: 0, height: 0 });
  const fit = (): void => {
    const room = box.value?.getBoundingClientRect();
    if (!room) return;
    all.value = { width: Math.max(0, room.width - ROOM), height: Math.max(0, room.height - ROOM) };
    const aspect = shape() ?? USUAL;
    const high = Math.max(LEAST, Math.min(room.height - ROOM, (room.width - ROOM) / aspect));
    const now = { width: Math.round(high * aspect), height: Math.round(high) };
    if (now.width === size.value.width && now.height === size.value.height) return;
    size.value = now;
    fitted();
  };
  const observer = new ResizeObserver(fit);
  return {
    room: all,
    size,
    start() {
      observer.observe(box.value!);
      fit();
    },
    stop: () => observer.disconnect(),
    fit,
  };
};
