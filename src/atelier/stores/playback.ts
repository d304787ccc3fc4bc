/** The take on the strip: time, speed, recorded taps; or the real camera instead. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { Player, stepAt, type RecordedTap } from '../../core/behave/player';
import { compile } from '../../core/behave/program';
import type { Runtime } from '../../core/behave/runtime';
import { sentence } from '../../core/errors';
import { FIRST_TAKE } from '../../core/takes/library';
import type { TrackFrame } from '../../core/tracking/track-frame';
import { STEP } from '../../core/units';
import { LiveCamera, type CameraState } from '../../tracker/live-camera';
import { LiveRuntime } from '../../tracker/live-runtime';
import { useEffectStore } from './effect';

export const SPEEDS = [0.25, 0.5, 1, 2] as const;

const tapsKey = (id: string) => `iconia.taps.${id}`;

export const usePlaybackStore = defineStore('playback', () => {
  const document = useEffectStore();
  const take = shallowRef(FIRST_TAKE);
  const time = ref(0);
  const playing = ref(false);
  const speed = ref<number>(1);
  const taps = shallowRef<readonly RecordedTap[]>([]);

  const source = ref<'take' | 'camera'>('take');
  const cameraState = ref<CameraState | null>(null);
  const cameraError = ref<string | null>(null);
  const liveFrame = shallowRef<TrackFrame | null>(null);
  const camera = shallowRef<LiveCamera | null>(null);
  let live: LiveRuntime | null = null;

  const player = computed(() => new Player(document.effect, take.value, taps.value));
  /** Which cues fire when over the whole take, with the taps recorded on it. */
  const firings = computed(() => new Player(document.effect, take.value, taps.value).firings());

  watch(
    () => document.id,
    (id) => {
      time.value = 0;
      playing.value = false;
      try {
        taps.value = id ? (JSON.parse(localStorage.getItem(tapsKey(id)) ?? '[]') as RecordedTap[]) : [];
      } catch {
        taps.value = [];
      }
    },
  );
  watch(taps, (list) => {
    if (document.id) localStorage.setItem(tapsKey(document.id), JSON.stringify(list));
  });

  const seek = (to: number): void => {
    const last = take.value.duration - STEP;
    time.value = stepAt(Math.min(last, Math.max(0, to))) * STEP;
  };
  const stepBy = (steps: number): void => {
    playing.value = false;
    seek(time.value + steps * STEP);
  };
  const restart = (): void => {
    seek(0);
    if (source.value === 'camera') live = new LiveRuntime(compile(document.effect));
  };

  /** Moves on by real seconds while playing; loops. */
  const advance = (seconds: number): void => {
    if (!playing.value || source.value !== 'take') return;
    const next = time.value + seconds * speed.value;
    if (next >= take.value.duration) seek(next % take.value.duration);
    else time.value = next;
  };

  const tap = (x: number, y: number): void => {
    if (source.value === 'camera') live?.tap(x, y);
    else taps.value = [...taps.value, { time: stepAt(time.value) * STEP, x, y }];
  };
  const removeTap = (index: number): void => {
    taps.value = taps.value.filter((_, i) => i !== index);
  };

  /** The frame to draw now, and the runtime brought to it. */
  const now = (): { frame: TrackFrame; runtime: Runtime; program: Player['program'] } | null => {
    if (source.value === 'camera') {
      if (!liveFrame.value || !live) return null;
      if (live.program !== player.value.program) live = new LiveRuntime(player.value.program);
      live.advance(performance.now() / 1000, liveFrame.value);
      return { frame: liveFrame.value, runtime: live.runtime, program: live.program };
    }
    const runtime = player.value.at(time.value);
    return { frame: take.value.frameAt(time.value), runtime, program: player.value.program };
  };

  const useTake = (): void => {
    camera.value?.stop();
    camera.value = null;
    cameraState.value = null;
    liveFrame.value = null;
    source.value = 'take';
  };

  const useCamera = async (): Promise<void> => {
    useTake();
    cameraError.value = null;
    const opened = new LiveCamera({
      onFrame: (frame) => (liveFrame.value = frame),
      onState: (state) => (cameraState.value = state),
      onError: (error) => {
        useTake();
        cameraError.value = error.message;
      },
    });
    camera.value = opened;
    try {
      await opened.start();
      if (camera.value !== opened) return;
      live = new LiveRuntime(player.value.program);
      playing.value = false;
      source.value = 'camera';
    } catch (error) {
      useTake();
      cameraError.value = sentence(error);
    }
  };

  return {
    take,
    time,
    playing,
    speed,
    taps,
    source,
    camera,
    cameraState,
    cameraError,
    liveFrame,
    player,
    firings,
    seek,
    stepBy,
    restart,
    advance,
    tap,
    removeTap,
    now,
    useTake,
    useCamera,
  };
});
