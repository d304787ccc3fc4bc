/** The Viewfinder as a camera: its pictures are taken as photos, videos and loops. */
import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue';
import type { Pixels } from '../../../core/units';
import { Capturing } from '../../../stage/capture/capturing';
import { useCaptureStore } from '../../stores/capture';

export interface CaptureOf {
  readonly canvas: Ref<HTMLCanvasElement | null>;
  /** What is heard; asked for when a video begins. */
  readonly sound: () => MediaStream | null;
  readonly height: () => Pixels;
  /** The density has changed: the canvas is made as large as it should be. */
  readonly resize: () => void;
}

/** As phones take them. */
const PHOTO_HEIGHT: Pixels = 1280;

export const useFinderCapture = ({ canvas, sound, height, resize }: CaptureOf) => {
  const store = useCaptureStore();
  const forPhoto = ref(false);
  const drawForPhoto = (on: boolean): void => {
    forPhoto.value = on;
    resize();
  };
  onMounted(() => {
    store.finder = { capturing: new Capturing(canvas.value!, sound), drawForPhoto };
  });
  onBeforeUnmount(() => {
    store.cancel();
    store.finder?.capturing.stop();
    store.finder = null;
  });
  return {
    /** How densely the next picture is drawn, of how densely it usually is. */
    density: (usual: number): number => (forPhoto.value ? PHOTO_HEIGHT / Math.max(1, height()) : usual),
    drawn: (): void => store.drawn(performance.now()),
  };
};
