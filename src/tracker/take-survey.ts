/** The real trackers over a whole take, from its beginning to its end: how far off they are at each moment. */
import { IconiaError } from '../core/errors';
import type { Take } from '../core/takes/take';
import { compareFrames } from '../core/tracking/compare';
import type { RoomSight } from '../core/tracking/simulated-room-tracker';
import type { SurveyMoment } from '../core/tracking/survey';
import type { TrackFrame } from '../core/tracking/track-frame';
import { needsPicture, soughtBy, type TakeNeeds } from './camera-needs';
import { FrameTrackers, type TrackerMakers } from './frame-trackers';
import { lookAt, roomTrackerOf, throughCamera, type TakeDrawing } from './take-tracker';

/** Moments a second that are looked at, and at most of a take. */
const A_SECOND = 6;
const MOST = 120;

export interface SurveyOptions {
  readonly signal: AbortSignal;
  /** A moment has been looked at; `share` of the take is done. */
  readonly onMoment: (moment: SurveyMoment, share: number) => void;
  /** Tests give their own. */
  readonly make?: TrackerMakers;
}

/** The drawing is let go at the end. Ends early when it is cancelled. Throws `IconiaError` `tracker.*`. */
export const surveyTake = async (
  take: Take,
  drawing: TakeDrawing,
  needs: TakeNeeds,
  { signal, onMoment, make }: SurveyOptions,
): Promise<void> => {
  const count = Math.min(MOST, Math.max(1, Math.round(take.duration * A_SECOND)));
  try {
    await withTrackers(needs, signal, make, (look) =>
      lookThrough({ take, drawing, needs }, { count, looks: 1 }, look, signal, onMoment),
    );
  } finally {
    drawing.dispose();
  }
};

export interface SeveralOptions extends Omit<SurveyOptions, 'onMoment'> {
  /** A take is done, from 0. */
  readonly onTake: (index: number, moments: readonly SurveyMoment[]) => void;
}
/** Moments of each take when several are looked at, and how often each: a tracker that smooths over time settles. */
const FEW = { count: 12, looks: 3 };

/** The same trackers over several takes, some moments of each; `drawingOf` makes a take's drawing, which is let go after it. */
export const surveyTakes = (
  takes: readonly Take[],
  drawingOf: (take: Take) => TakeDrawing,
  needs: TakeNeeds,
  { signal, onTake, make }: SeveralOptions,
): Promise<void> =>
  withTrackers(needs, signal, make, async (look) => {
    for (const [index, take] of takes.entries()) {
      if (signal.aborted) return;
      const drawing = drawingOf(take);
      const moments: SurveyMoment[] = [];
      try {
        await lookThrough({ take, drawing, needs }, FEW, look, signal, (moment) => moments.push(moment));
      } finally {
        drawing.dispose();
      }
      if (!signal.aborted) onTake(index, moments);
    }
  });

/** What the trackers make of a moment: of its picture, where one is needed, and of the room. */
type Look = (truth: TrackFrame, drawn: Drawn | null, room: RoomSight | null) => Promise<SurveyMoment>;
type Drawn = ReturnType<TakeDrawing['draw']>;

/** Loads the trackers, and lets go of them when the work is done, cancelled, or one of them stops. */
const withTrackers = async (
  needs: TakeNeeds,
  signal: AbortSignal,
  make: TrackerMakers | undefined,
  work: (look: Look) => Promise<void>,
): Promise<void> => {
  let lost: IconiaError | null = null;
  const trackers = new FrameTrackers({ onLost: (error) => (lost ??= error) }, make);
  const sought = soughtBy(needs);
  const stop = (): void => trackers.stop();
  signal.addEventListener('abort', stop);
  try {
    trackers.need(needs);
    await trackers.ready();
    if (lost) throw lost;
    await work(async (truth, drawn, room) => {
      const began = performance.now();
      const frame = await lookAt(trackers, truth, drawn);
      const milliseconds = performance.now() - began;
      if (lost && !signal.aborted) throw lost;
      return {
        time: truth.time,
        milliseconds,
        ...compareFrames(truth, throughCamera(frame, truth, room), sought),
      };
    });
  } finally {
    signal.removeEventListener('abort', stop);
    trackers.stop();
  }
};

/** Looks at so many moments of a take, spread over it. */
const lookThrough = async (
  { take, drawing, needs }: { readonly take: Take; readonly drawing: TakeDrawing; readonly needs: TakeNeeds },
  { count, looks }: { readonly count: number; readonly looks: number },
  look: Look,
  signal: AbortSignal,
  onMoment: (moment: SurveyMoment, share: number) => void,
): Promise<void> => {
  const room = roomTrackerOf(take, needs);
  for (let i = 0; i < count; i++) {
    const truth = take.frameAt((i * take.duration) / count);
    const drawn = needsPicture(needs) ? drawing.draw(truth) : null;
    const sight = room?.at(truth.time) ?? null;
    let moment: SurveyMoment | null = null;
    for (let n = 0; n < looks && !signal.aborted; n++) moment = await look(truth, drawn, sight);
    if (!moment || signal.aborted) return;
    onMoment(moment, (i + 1) / count);
  }
};
