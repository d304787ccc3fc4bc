/** The real trackers over a whole take, from its beginning to its end: how far off they are at each moment. */
import { IconiaError } from '../core/errors';
import type { Take } from '../core/takes/take';
import { compareFrames } from '../core/tracking/compare';
import type { SurveyMoment } from '../core/tracking/survey';
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
  let lost: IconiaError | null = null;
  const trackers = new FrameTrackers({ onLost: (error) => (lost ??= error) }, make);
  const sought = new Set(needs.pictures.map((p) => p.id));
  const count = Math.min(MOST, Math.max(1, Math.round(take.duration * A_SECOND)));
  const stop = (): void => trackers.stop();
  signal.addEventListener('abort', stop);
  try {
    trackers.need(needs);
    await trackers.ready();
    for (let i = 0; i < count && !signal.aborted; i++) {
      if (lost) throw lost;
      const truth = take.frameAt((i * take.duration) / count);
      const drawn = drawing.draw(truth);
      const began = performance.now();
      const frame = await trackers.look(
        () => createImageBitmap(drawn),
        { time: truth.time, fovY: truth.camera.fovY },
        { width: drawn.width, height: drawn.height },
      );
      const milliseconds = performance.now() - began;
      if (signal.aborted) return;
      if (lost) throw lost;
      const compared = compareFrames(truth, throughCamera(frame, truth), sought);
      onMoment({ time: truth.time, milliseconds, ...compared }, (i + 1) / count);
    }
  } finally {
    signal.removeEventListener('abort', stop);
    trackers.stop();
    drawing.dispose();
  }
};
