/** The real trackers over a whole take, from its beginning to its end: how far off they are at each moment. */
import { IconiaError } from '../core/errors';
import type { Take } from '../core/takes/take';
import { compareFrames } from '../core/tracking/compare';
import type { SurveyMoment } from '../core/tracking/survey';
import type { TrackFrame } from '../core/tracking/track-frame';
import { FrameTrackers, type FrameNeeds, type TrackerMakers } from './frame-trackers';
import { throughCamera, type TakeDrawing } from './take-tracker';

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
  needs: FrameNeeds,
  { signal, onMoment, make }: SurveyOptions,
): Promise<void> => {
  const count = Math.min(MOST, Math.max(1, Math.round(take.duration * A_SECOND)));
  try {
    await withTrackers(needs, signal, make, (look) =>
      lookThrough(take, drawing, { count, looks: 1 }, look, signal, onMoment),
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
  needs: FrameNeeds,
  { signal, onTake, make }: SeveralOptions,
): Promise<void> =>
  withTrackers(needs, signal, make, async (look) => {
    for (const [index, take] of takes.entries()) {
      if (signal.aborted) return;
      const drawing = drawingOf(take);
      const moments: SurveyMoment[] = [];
      try {
        await lookThrough(take, drawing, FEW, look, signal, (moment) => moments.push(moment));
      } finally {
        drawing.dispose();
      }
      if (!signal.aborted) onTake(index, moments);
    }
  });

/** What a tracker makes of a moment that is drawn. */
type Look = (truth: TrackFrame, drawn: HTMLCanvasElement | OffscreenCanvas) => Promise<SurveyMoment>;

/** Loads the trackers, and lets go of them when the work is done, cancelled, or one of them stops. */
const withTrackers = async (
  needs: FrameNeeds,
  signal: AbortSignal,
  make: TrackerMakers | undefined,
  work: (look: Look) => Promise<void>,
): Promise<void> => {
  let lost: IconiaError | null = null;
  const trackers = new FrameTrackers({ onLost: (error) => (lost ??= error) }, make);
  const sought = new Set(needs.pictures.map((p) => p.id));
  const stop = (): void => trackers.stop();
  signal.addEventListener('abort', stop);
  try {
    trackers.need(needs);
    await trackers.ready();
    if (lost) throw lost;
    await work(async (truth, drawn) => {
      const began = performance.now();
      const frame = await trackers.look(
        () => createImageBitmap(drawn),
        { time: truth.time, fovY: truth.camera.fovY },
        { width: drawn.width, height: drawn.height },
      );
      const milliseconds = performance.now() - began;
      if (lost && !signal.aborted) throw lost;
      return { time: truth.time, milliseconds, ...compareFrames(truth, throughCamera(frame, truth), sought) };
    });
  } finally {
    signal.removeEventListener('abort', stop);
    trackers.stop();
  }
};

/** Looks at so many moments of a take, spread over it. */
const lookThrough = async (
  take: Take,
  drawing: TakeDrawing,
  { count, looks }: { readonly count: number; readonly looks: number },
  look: Look,
  signal: AbortSignal,
  onMoment: (moment: SurveyMoment, share: number) => void,
): Promise<void> => {
  for (let i = 0; i < count; i++) {
    const truth = take.frameAt((i * take.duration) / count);
    const drawn = drawing.draw(truth);
    let moment: SurveyMoment | null = null;
    for (let n = 0; n < looks && !signal.aborted; n++) moment = await look(truth, drawn);
    if (!moment || signal.aborted) return;
    onMoment(moment, (i + 1) / count);
  }
};
