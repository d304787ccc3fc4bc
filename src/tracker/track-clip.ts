/** A creator's own clip is tracked once, picture by picture, by what tracks a camera; each picture is kept as it was tracked. */
import { CLIP_RATE, clipPictures } from '../core/takes/clip';
import { IconiaError } from '../core/errors';
import { fovYOfLens } from '../core/tracking/lens';
import type { PeopleMask } from '../core/tracking/people-mask';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Pixels, Seconds } from '../core/units';
import { FrameTrackers, type FrameNeeds, type TrackerMakers } from './frame-trackers';
import { PersonFinder } from './person-finder';
import type { Tracker } from './tracker';

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
  /** Where people are in each, JPEG in grey; null when nobody looked for them. */
  readonly people: readonly Blob[] | null;
}

export interface ClipNeeds extends FrameNeeds {
  /** People are told from what is behind them. */
  readonly people: boolean;
}

export interface TrackClipOptions {
  readonly signal: AbortSignal;
  /** Share of the clip that is done. */
  readonly onProgress: (share: number) => void;
  /** Tests give their own. */
  readonly make?: TrackerMakers;
  readonly makeFinder?: () => Tracker<PeopleMask>;
  readonly keep?: (picture: HTMLCanvasElement | OffscreenCanvas) => Promise<Blob>;
  readonly keepMask?: (mask: PeopleMask) => Promise<Blob>;
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

/** Edges of people are soft: little is lost of them. */
const maskAsJpeg = ({ width, height, alpha }: PeopleMask): Promise<Blob> => {
  const pixels = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let i = 0; i < alpha.length; i++) pixels.fill(alpha[i]!, 4 * i, 4 * i + 3);
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.putImageData(new ImageData(pixels, width), 0, 0);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 });
};

/** Throws `IconiaError` `tracker.*` when a tracker cannot go on, and `clip.cancelled` when it is cancelled. */
export const trackClip = async (
  source: ClipSource,
  needs: ClipNeeds,
  {
    signal,
    onProgress,
    make,
    makeFinder = () => new PersonFinder(),
    keep = asJpeg,
    keepMask = maskAsJpeg,
  }: TrackClipOptions,
): Promise<TrackedClip> => {
  let lost: IconiaError | null = null;
  const trackers = new FrameTrackers({ onLost: (error) => (lost ??= error) }, make);
  const over = (): void => {
    if (signal.aborted) throw new IconiaError('clip.cancelled', 'The clip was not brought in.');
    if (lost) throw lost;
  };
  const finder = needs.people ? makeFinder() : null;
  const stop = (): void => {
    trackers.stop();
    finder?.stop();
  };
  signal.addEventListener('abort', stop);
  try {
    trackers.need(needs);
    await Promise.all([trackers.ready(), finder?.start()]);
    over();
    const { width, height } = source;
    const times = Array.from({ length: clipPictures(source.duration) }, (_, i) => i / CLIP_RATE);
    const frames: TrackFrame[] = [];
    const pictures: Blob[] = [];
    const people: Blob[] = [];
    for await (const picture of source.pictures(times)) {
      const time = times[frames.length]!;
      const moment = { time, fovY: fovYOfLens(width, height) };
      const take = (): Promise<ImageBitmap> => createImageBitmap(picture);
      const [frame, blob, mask] = await Promise.all([
        trackers.look(take, moment, { width, height }),
        keep(picture),
        finder && take().then((image) => finder.look(image, moment)),
      ]);
      over();
      frames.push(frame);
      pictures.push(blob);
      if (mask) people.push(await keepMask(mask));
      onProgress(frames.length / times.length);
    }
    if (frames.length === 0)
      throw new IconiaError(
        'clip.empty',
        'This clip has no picture that can be read. Export it as MP4 or WebM.',
      );
    return { frames, pictures, people: finder ? people : null };
  } catch (cause) {
    // A tracker that was let go of says that it stopped.
    over();
    throw cause;
  } finally {
    signal.removeEventListener('abort', stop);
    stop();
  }
};
