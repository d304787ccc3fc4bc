/** What the viewer does now: on a take it is recorded on the strip, on a camera or a tracked take it is done at once. */
import { computed, ref, type Ref } from 'vue';
import { recordedOf, stepAt, type Recorded, type ViewerInput } from '../../core/behave/recorded';
import type { ControlId, ViewerEvent } from '../../core/document/schema';
import type { Room } from '../../core/placing/room';
import type { Finger, View } from '../../core/program/inputs';
import type { Seconds, Unit } from '../../core/units';
import type { LiveRuntime } from '../../tracker/live-runtime';

export interface ViewerOf {
  /** What is recorded on the take. */
  readonly strip: {
    readonly recorded: Readonly<Ref<readonly Recorded[]>>;
    moment(): Seconds;
    record(input: ViewerInput, replaces?: (record: Recorded) => boolean): void;
    recordSpan(begins: ViewerInput, ends: ViewerInput, length: Seconds): void;
    remove(records: readonly Recorded[]): void;
  };
  readonly time: () => Seconds;
  readonly source: () => 'take' | 'tracked' | 'camera';
  /** What runs on a camera or a tracked take. */
  readonly live: () => LiveRuntime | null;
  readonly room: () => Room | null;
  /** To the other camera; the effect is told when its picture is there. */
  readonly flip: () => void;
}

/** How loud a noise is, and how long. */
const LOUD: Unit = 0.9;
const NOISE: Seconds = 1;

export const useViewer = ({ strip, time, source, live, room, flip }: ViewerOf) => {
  /** A tap on the picture; `view` is what of the camera is seen. The one that puts the effect down in the room is none of the effect's. */
  const tap = (x: number, y: number, view?: View): void => {
    const placing = room();
    if (placing?.state === 'placing' && view) placing.tap({ x, y }, view);
    else if (source() !== 'take') live()?.tap(x, y);
    else strip.record({ kind: 'tap', x, y });
  };
  /** The fingers that lie on the picture from now on; none lifts them. */
  const touch = (fingers: readonly Finger[]): void => {
    if (source() !== 'take') return live()?.touch(fingers);
    strip.record(
      { kind: 'fingers', fingers: [...fingers] },
      ({ time: at, input: { kind } }) => kind === 'fingers' && stepAt(at) === stepAt(time()),
    );
  };
  /** A new gesture takes the place of all that was recorded from now on. */
  const beginTouch = (): void => {
    if (source() !== 'take') return;
    strip.remove(recordedOf(strip.recorded.value, 'fingers').filter((r) => r.time >= time()));
  };
  /** The viewer brings a control to a value now; what was recorded of it later is forgotten. */
  const setControl = (control: ControlId, value: number): void => {
    if (source() !== 'take') return live()?.control(control, value);
    strip.record(
      { kind: 'control', control, value },
      ({ time: at, input: of }) =>
        of.kind === 'control' && of.control === control && at >= strip.moment() - 1e-6,
    );
  };
  const liveRecording = ref(false);
  /** Whether the viewer is recording at this moment: by what is on the strip, or on a live picture by what was pressed. */
  const recording = computed(() => {
    if (source() !== 'take') return liveRecording.value;
    const last = recordedOf(strip.recorded.value, 'event').findLast(
      ({ time: at, input: { event: what } }) =>
        at <= time() + 1e-6 && (what === 'recordStarts' || what === 'recordStops'),
    );
    return last?.input.event === 'recordStarts';
  });
  const stopRecording = (): void => {
    liveRecording.value = false;
  };
  /** What the viewer does with the camera application now. */
  const event = (what: ViewerEvent): void => {
    if (source() === 'take') return strip.record({ kind: 'event', event: what });
    if (what === 'recordStarts' || what === 'recordStops') liveRecording.value = what === 'recordStarts';
    if (what === 'cameraFlips' && source() === 'camera') return flip();
    live()?.event(what);
  };
  /** It is loud around the viewer for a moment. On a camera the microphone hears what is so. */
  const makeNoise = (): void => {
    if (source() !== 'take') return;
    strip.recordSpan({ kind: 'noise', level: LOUD }, { kind: 'noise', level: 0 }, NOISE);
  };
  return { makeNoise, tap, touch, beginTouch, setControl, recording, stopRecording, event };
};
