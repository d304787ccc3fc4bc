/** The take on the strip: time, speed, recorded taps; or the real camera instead. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { heardOn } from '../../core/behave/loudness';
import { Player } from '../../core/behave/player';
import { stepAt } from '../../core/behave/recorded';
import type { CueId } from '../../core/document/schema';
import { compile } from '../../core/program/program';
import type { Runtime } from '../../core/behave/runtime';
import { sentence } from '../../core/errors';
import { FIRST_TAKE } from '../../core/takes/library';
import { shippedTake } from '../../core/takes/library/compared-faces';
import { openingMoment, takeFor } from '../../core/takes/library/take-for';
import type { Take } from '../../core/takes/take';
import { withColours } from '../../core/takes/take-colours';
import { compareFrames, type Comparison } from '../../core/tracking/compare';
import type { LightEstimate, TrackFrame } from '../../core/tracking/track-frame';
import type { Room } from '../../core/placing/room';
import { STEP } from '../../core/units';
import type { CameraState, PeopleState } from '../../tracker/live-camera';
import { clipTake } from '../../core/takes/clip';
import { keptClips } from '../takes/clip-store';
import { printedTake } from '../takes/printed-take';
import { cameraNeeds, pictureKeys, soughtBy, takeNeeds, type TakeNeeds } from '../../tracker/camera-needs';
import { LiveInput, type InputCamera } from '../../tracker/live-input';
import { LiveRuntime } from '../../tracker/live-runtime';
import { TakeTracker, type TakeDrawing } from '../../tracker/take-tracker';
import { fetchFile } from '../api/client';
import { keepTake, keptTake } from '../saving/kept-tries';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { usePrintsStore } from './prints';
import { useRecorded } from './use-recorded';
import { useScriptEngine } from './use-script-engine';
import { useTakeColours } from './use-take-colours';
import { useTakeStops } from './use-take-stops';
import { useViewer } from './use-viewer';

export const SPEEDS = [0.25, 0.5, 1, 2] as const;

/** What the tracker makes of the moment on screen, against the truth. */
export interface TrackerReading extends Comparison {
  readonly milliseconds: number;
}

export const usePlaybackStore = defineStore('playback', () => {
  const effectStore = useEffectStore();
  const prints = usePrintsStore();
  const desk = useDeskStore();
  const take = shallowRef(FIRST_TAKE);
  /** The creator's pictures have their own shapes; the take's sheets follow. */
  const printed = (t: Take): Take => printedTake(t, prints.aspects, pictureKeys(effectStore.effect));
  watch(
    () => prints.aspects,
    () => (take.value = printed(take.value)),
  );
  const time = ref(0);
  const playing = ref(false);
  const speed = ref<number>(1);
  const {
    recorded,
    leavesOut,
    played,
    loadRecorded,
    moment,
    record,
    recordSpan,
    remove,
    removeGesture,
    clearRecorded,
    perform,
    shift,
  } = useRecorded(
    () => effectStore.id,
    () => take.value,
    () => time.value,
  );
  /** The cue that is looked at by itself; null plays the effect as it is. */
  const only = ref<CueId | null>(null);

  /** `tracked` is the take as the real face tracker sees it. */
  const source = ref<'take' | 'tracked' | 'camera'>('take');
  const cameraState = ref<CameraState | null>(null);
  const cameraError = ref<string | null>(null);
  /** How the picture in the Viewfinder is lit, while lights are worked on. */
  const cameraLight = shallowRef<LightEstimate | null>(null);
  /** Whether the camera knows where people are, and why not. */
  const peopleState = ref<PeopleState>('off');
  const peopleError = ref<string | null>(null);
  /** What the camera looks for. */
  const cameraSeeks = ref<LiveInput['seeks']>(null);
  const liveFrame = shallowRef<TrackFrame | null>(null);
  const camera = shallowRef<InputCamera | null>(null);
  const reading = shallowRef<TrackerReading | null>(null);
  /** The Viewfinder has shown its first picture; what else draws waits for it. */
  const pictured = ref(false);
  const trackerStarting = ref(false);
  let tracker: TakeTracker | null = null;
  let live: LiveRuntime | null = null;
  /** Camera, facing, people and microphone; what of it is shown is read off when it changes. */
  const input = new LiveInput({ onChange: () => readInput() });
  let told: string | null = null;
  const readInput = (): void => {
    if (tracker) return;
    cameraState.value = input.state;
    peopleState.value = input.people;
    peopleError.value = input.peopleError;
    cameraSeeks.value = input.seeks;
    if (input.problem !== told) cameraError.value = told = input.problem;
    liveFrame.value = input.frame;
    if (input.source === 'camera' && source.value !== 'camera') {
      live = new LiveRuntime(player.value.program, scripts.value);
      playing.value = false;
    }
    camera.value = input.camera;
    source.value = input.source;
  };

  /** While a scene is worked on the take begins in it; what is tried or released begins with the opening scene. */
  const options = computed(() => ({
    recorded: played.value,
    scene: ['try', 'release'].includes(desk.stage) ? null : desk.scene,
  }));
  const { scripts, scriptsProblem } = useScriptEngine(() => effectStore.effect);
  /** Read off the take's pictures once the first of them is seen; a camera's come with its frames. */
  const { colours, coloursShare, coloursProblem } = useTakeColours(() =>
    pictured.value && source.value !== 'camera' ? take.value : null,
  );
  const player = computed<Player>(
    (before) =>
      new Player(effectStore.shown, take.value, {
        ...options.value,
        only: only.value,
        scripts: scripts.value,
        colours: colours.value,
        before: before ?? null,
      }),
  );

  const { breakpoints, stoppedBy, toggleBreakpoint, clear, stopBetween } = useTakeStops(() => player.value);
  watch(
    () => playing.value,
    (plays) => plays && (stoppedBy.value = null),
  );
  /** An own clip that was chosen before is there again when it has been fetched from this browser, unless something else was chosen meanwhile. */
  const restoreClip = async (effectId: string, wanted: string): Promise<void> => {
    const before = take.value;
    const clips = await keptClips().catch((cause: unknown) => {
      effectStore.notice = sentence(cause);
      return [];
    });
    const clip = clips.find((c) => c.id === wanted);
    if (clip && effectStore.id === effectId && take.value === before) chooseTake(clipTake(clip));
  };
  watch(
    () => effectStore.id,
    (id) => {
      time.value = 0;
      playing.value = false;
      clear();
      const wanted = id ? keptTake(id) : null;
      const found = wanted === null ? null : shippedTake(wanted);
      if (id) {
        take.value = printed(found ?? takeFor(effectStore.effect));
        time.value = openingMoment(take.value, effectStore.effect);
      }
      if (id && wanted !== null && !found) void restoreClip(id, wanted);
      loadRecorded();
    },
  );
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
    if (source.value !== 'take') live = new LiveRuntime(compile(effectStore.effect), scripts.value);
    if (source.value === 'tracked') liveFrame.value = beforeTracked();
  };

  /** Moves on by real seconds while playing; loops. */
  const advance = (seconds: number): void => {
    if (!playing.value || source.value === 'camera') return;
    const next = time.value + seconds * speed.value;
    const stop = source.value === 'take' ? stopBetween(time.value, next) : null;
    if (stop !== null) {
      seek(stop);
      playing.value = false;
      return;
    }
    if (next >= take.value.duration) seek(next % take.value.duration);
    else time.value = next;
  };

  /** Where things of the world stand before the camera. */
  const room = (): Room | null => (source.value === 'camera' ? input.room : null);
  const viewer = useViewer({
    strip: { recorded, moment, record, recordSpan, remove },
    time: () => time.value,
    source: () => source.value,
    live: () => live,
    room,
    flip: () => void flip(),
  });

  /** Plays one cue alone from the start; null plays the effect again. */
  const preview = (cue: CueId | null): void => {
    only.value = cue;
    seek(0);
    playing.value = cue !== null;
  };

  /** The frame to draw now, and the runtime brought to it. */
  const now = (): { frame: TrackFrame; runtime: Runtime; program: Player['program'] } | null => {
    if (source.value === 'tracked') tracker?.look(time.value);
    if (source.value !== 'take') {
      if (!liveFrame.value || !live) return null;
      live.change(player.value.program, scripts.value);
      live.hear(input.loudness ?? (source.value === 'tracked' ? heardOn(liveFrame.value) : 0));
      const seen = source.value === 'tracked' ? withColours(liveFrame.value, colours.value) : liveFrame.value;
      live.advance(performance.now() / 1000, seen);
      return { frame: liveFrame.value, runtime: live.runtime, program: live.program };
    }
    const runtime = player.value.at(time.value);
    return { frame: take.value.frameAt(time.value), runtime, program: player.value.program };
  };

  const useTake = (): void => {
    viewer.stopRecording();
    tracker?.stop();
    tracker = null;
    reading.value = null;
    trackerStarting.value = false;
    live = null;
    input.useTake();
  };

  // Trackers are loaded, and the microphone asked for, only when the effect needs them.
  watch(
    () => cameraNeeds(effectStore.effect, fetchFile),
    // A creator reads off what is known of their face, also where the effect looks for nothing.
    (needs) => {
      const seeksElse = needs.pictures.length > 0 || needs.hands > 0 || needs.surfaces.length > 0;
      input.need(seeksElse ? needs : { ...needs, faces: Math.max(1, needs.faces) });
    },
    { immediate: true },
  );

  const useCamera = async (): Promise<void> => {
    useTake();
    cameraError.value = null;
    await input.useCamera();
  };
  /** The other camera; the effect goes on, and is told when the picture is there. */
  const flip = async (): Promise<void> => {
    const going = live;
    if (!(await input.flip())) return;
    if (going) live = going;
    live?.event('cameraFlips');
  };

  /** Until the tracker has seen its first picture, the truth stands in; of a room that is not found yet nothing is known. */
  const beforeTracked = (): TrackFrame => {
    const truth = take.value.frameAt(time.value);
    return needsOfTake().surfaces.length > 0 ? { ...truth, surfaces: [] } : truth;
  };
  const needsOfTake = (): TakeNeeds => takeNeeds(take.value, effectStore.effect, fetchFile);
  /** The real trackers look at the take instead of being told the truth. `drawing` gives them its pictures. */
  const useTracker = async (drawing: TakeDrawing): Promise<void> => {
    useTake();
    cameraError.value = null;
    trackerStarting.value = true;
    const needs = needsOfTake();
    const sought = soughtBy(needs);
    const opened = new TakeTracker(take.value, drawing, needs, {
      onFrame: (frame, milliseconds) => {
        if (tracker !== opened) return;
        const truth = take.value.frameAt(frame.time);
        reading.value = { milliseconds, ...compareFrames(truth, frame, sought) };
        liveFrame.value = frame;
      },
      onError: (error) => {
        useTake();
        cameraError.value = error.message;
      },
    });
    tracker = opened;
    try {
      await opened.start();
      if (tracker !== opened) return;
      live = new LiveRuntime(player.value.program, scripts.value);
      liveFrame.value = beforeTracked();
      source.value = 'tracked';
    } catch (error) {
      useTake();
      cameraError.value = sentence(error);
    } finally {
      trackerStarting.value = false;
    }
  };

  /** Another take under the effect; playing goes on from where it shows something. */
  const chooseTake = (next: Take): void => {
    if (next.id !== take.value.id || source.value !== 'take') useTake();
    take.value = printed(next);
    time.value = openingMoment(next, effectStore.effect);
    if (effectStore.id) keepTake(effectStore.id, next.id);
    loadRecorded();
  };

  /** What of the take the real trackers can look for. */
  const trackable = computed(() => {
    const { faces, hands, pictures, surfaces } = needsOfTake();
    return {
      faces: faces > 0,
      hands: hands > 0,
      pictures: pictures.length > 0,
      surfaces: surfaces.length > 0,
    };
  });

  return {
    scripts,
    scriptsProblem,
    colours,
    coloursShare,
    coloursProblem,
    breakpoints,
    stoppedBy,
    toggleBreakpoint,
    trackable,
    needsOfTake,
    cameraLight,
    take,
    time,
    playing,
    speed,
    recorded,
    leavesOut,
    source,
    camera,
    cameraState,
    cameraSeeks,
    cameraError,
    peopleState,
    peopleError,
    liveFrame,
    reading,
    pictured,
    trackerStarting,
    player,
    options,
    only,
    preview,
    setControl: viewer.setControl,
    viewerEvent: viewer.event,
    makeNoise: viewer.makeNoise,
    recording: viewer.recording,
    remove,
    seek,
    stepBy,
    restart,
    advance,
    tap: viewer.tap,
    room,
    touch: viewer.touch,
    beginTouch: viewer.beginTouch,
    removeGesture,
    clearRecorded,
    perform,
    shift,
    now,
    useTake,
    useCamera,
    useTracker,
    chooseTake,
  };
});
