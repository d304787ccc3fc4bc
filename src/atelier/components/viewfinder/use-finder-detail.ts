/** How finely the Viewfinder is drawn: in full, or with less while it moves on a machine that cannot keep up. */
import { ref, watch } from 'vue';
import type { Seconds } from '../../../core/units';
import type { Detail } from '../../../stage/take-picture';
import { useDeskStore } from '../../stores/desk';
import { usePlaybackStore } from '../../stores/playback';
import { AdaptiveDetail } from './adaptive-detail';

/** `resize` is called when another density is wanted, `redraw` when less or more of the take is drawn. */
export const useFinderDetail = (resize: () => void, redraw: () => void) => {
  const desk = useDeskStore();
  const playback = usePlaybackStore();
  /** Seen from nearby it is drawn finer, up to twice as fine. */
  const adaptive = new AdaptiveDetail(
    'full',
    () => Math.min(devicePixelRatio, 2) * Math.min(2, Math.max(1, desk.finder.zoom)),
  );
  /** How much of the take is drawn; lowered before the picture is. */
  const detail = ref<Detail>('full');
  /** How large the picture is drawn, of its full size. */
  const share = ref(1);
  watch(
    () => desk.finder.zoom,
    () => {
      adaptive.restore();
      resize();
    },
  );
  return {
    detail,
    share,
    /** Device pixels for each CSS pixel. */
    density: (): number => adaptive.density,
    begin: (isSoftware: boolean): void => {
      detail.value = adaptive.detail = isSoftware ? 'plain' : 'full';
    },
    /** After each frame. */
    step: (elapsed: Seconds): void => {
      const camera = playback.source === 'camera';
      const change = adaptive.step({ elapsed, moving: playback.playing || camera, camera });
      if (change === 'detail') {
        detail.value = adaptive.detail;
        redraw();
      } else if (change === 'density') {
        share.value = adaptive.share;
        resize();
      }
    },
  };
};
