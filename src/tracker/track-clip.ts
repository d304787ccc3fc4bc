/** A creator's own clip is tracked once, picture by picture, by what tracks a camera; each picture is kept as it was tracked. */
import { CLIP_RATE, clipPictures } from '../core/takes/clip';
import { IconiaError } from '../core/errors';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Pixels, Seconds } from '../core/units';
import { FrameTrackers, type FrameNeeds, type TrackerMakers } from './frame-trackers';
import { cameraFovY } from './live-camera';

/** A clip that can be looked at from its beginning to its end. */
export interface ClipSource {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly duration: Seconds;
  /** The picture that is shown at each of these moments, in their order. Each is used before the next is asked for. */
  pictures(times: readonly Seconds[]): AsyncIterable<HTMLCanvasElement | OffscreenCanvas>;
}

export interface TrackedClip {
  readonly frames: readonly TrackFrame[];
  /** JPEG. */
  readonly pictures: readonly Blob[];
}

export interface TrackClipOptions {
  readonly signal: AbortSignal;
  /** Share of the clip that is done. */
  readonly onProgress: (share: number) => void;
  /** Tests give their own. */
  readonly make?: TrackerMakers;
  readonly keep?: (picture: HTMLCanvasElement | OffscreenCanvas) => Promise<Blob>;
}

const QUALITY = 0.85;
const asJpeg = (picture: HTMLCanvasElement | OffscreenCanvas): Promise<Blob> =>
  picture instanceof OffscreenCanvas
    ? picture.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
    : new Promise((done, fail) =>
        picture.toBlob(
          (blob) => (blob ? done(blob) : fail(new Error('A picture could not be kept.'))),
          'image/jpeg',
          QUALITY,
        ),
      );

/** Throws `IconiaError` `tracker.*` when a tracker cannot go on, and `clip.cancelled` when it is cancelled. */
export const trackClip = async (
  source: ClipSource,
  needs: FrameNeeds,
  { signal, onProgress, make, keep = asJpeg }: TrackClipOptions,
): Promise<TrackedClip> => {
  let lost: IconiaError | null = null;
  const trackers = new FrameTrackers({ onLost: (error) => (lost ??= error) }, make);
  const over = (): void => {
    if (signal.aborted) throw new IconiaError('clip.cancelled', 'The clip was not brought in.');
    if (lost) throw lost;
  };
  const stop = (): void => trackers.stop();
  signal.addEventListener('abort', stop);
  try {
    trackers.need(needs);
    await trackers.ready();
    over();
    const { width, height } = source;
    const times = Array.from({ length: clipPictures(source.duration) }, (_, i) => i / CLIP_RATE);
    const frames: TrackFrame[] = [];
    const pictures: Blob[] = [];
    for await (const picture of source.pictures(times)) {
      const time = times[frames.length]!;
      const [frame, blob] = await Promise.all([
        trackers.look(
          () => createImageBitmap(picture),
          { time, fovY: cameraFovY(width, height) },
          { width, height },
        ),
        keep(picture),
      ]);
      over();
      frames.push(frame);
      pictures.push(blob);
      onProgress(frames.length / times.length);
    }
    if (frames.length === 0)
      throw new IconiaError(
        'clip.empty',
        'This clip has no picture that can be read. Export it as MP4 or WebM.',
      );
    return { frames, pictures };
  } finally {
    signal.removeEventListener('abort', stop);
    trackers.stop();
  }
};
