/** Tracks a clip again from a picture in which a creator has said where a face or a printed picture is, as long as it is found from there. */
import { IconiaError } from '../core/errors';
import { CLIP_RATE } from '../core/takes/clip';
import { AROUND, withFace, withPicture, type Correction } from '../core/takes/correct-clip';
import { faceRegion, type Region } from '../core/tracking/region';
import type { TrackedFace, TrackedPicture, TrackFrame } from '../core/tracking/track-frame';
import { FaceTracker } from './face-tracker';
import { PictureFinder, type SoughtPicture } from './picture-finder';
import type { ClipSource } from './track-clip';
import type { Tracker } from './tracker';

export interface CorrectClipOptions {
  readonly signal: AbortSignal;
  readonly onProgress: (share: number) => void;
  /** Tests give their own. */
  readonly makeFaces?: () => Tracker<readonly TrackedFace[]>;
  readonly makePictures?: (
    sought: readonly SoughtPicture[],
  ) => Tracker<readonly TrackedPicture[]> & Pick<PictureFinder, 'begin'>;
}

/** The face tracker settles over a few looks at the same picture. */
const LOOKS = 3;

const nothing = (what: string, hint: string): IconiaError =>
  new IconiaError('clip.uncorrected', `${what} cannot be seen there. ${hint}`);

/** What is found in one picture after the other; null where it is lost. */
type Follow = (image: () => Promise<ImageBitmap>, i: number) => Promise<TrackFrame | null>;

/**
 * The clip's frames, corrected from the picture `from` on. Those after what was corrected is lost, and those before, stay as they were. Throws `IconiaError`: `clip.uncorrected`
 * where nothing is found, `clip.cancelled`, `tracker.*`.
 */
export const correctClip = async (
  source: ClipSource,
  frames: readonly TrackFrame[],
  from: number,
  correction: Correction,
  sought: readonly SoughtPicture[],
  { signal, onProgress, ...makers }: CorrectClipOptions,
): Promise<TrackFrame[]> => {
  const { follow, start, stop } =
    correction.kind === 'face'
      ? followFace(frames, from, correction.region, makers.makeFaces?.() ?? new FaceTracker(1))
      : followPicture(frames, from, correction, makers.makePictures?.(sought) ?? new PictureFinder(sought));
  const over = (): void => {
    if (signal.aborted) throw new IconiaError('clip.cancelled', 'The clip stays as it was.');
  };
  signal.addEventListener('abort', stop);
  const corrected = [...frames];
  try {
    await start();
    over();
    const times = frames.slice(from).map((_, i) => (from + i) / CLIP_RATE);
    let i = from;
    for await (const picture of source.pictures(times)) {
      const frame = await follow(() => createImageBitmap(picture), i);
      over();
      if (!frame) break;
      corrected[i++] = frame;
      onProgress((i - from) / times.length);
    }
    return corrected;
  } catch (cause) {
    over();
    throw cause;
  } finally {
    signal.removeEventListener('abort', stop);
    stop();
  }
};

interface Following {
  readonly follow: Follow;
  start(): Promise<void>;
  stop(): void;
}

const followFace = (
  frames: readonly TrackFrame[],
  from: number,
  first: Region,
  tracker: Tracker<readonly TrackedFace[]>,
): Following => {
  let region: Region | null = first;
  return {
    start: () => tracker.start(),
    stop: () => tracker.stop(),
    follow: async (image, i) => {
      if (!region) return null;
      const frame = frames[i]!;
      const moment = { time: frame.time, fovY: frame.camera.fovY, region };
      let face: TrackedFace | undefined;
      for (let n = 0; n < (i === from ? LOOKS : 1); n++) [face] = await tracker.look(await image(), moment);
      if (!face && i === from)
        throw nothing('A face', 'Draw the box around the whole head, or choose a sharper picture.');
      if (!face) return null;
      region = faceRegion(face, frame.camera, AROUND);
      return withFace(frame, face);
    },
  };
};

const followPicture = (
  frames: readonly TrackFrame[],
  from: number,
  { id, corners }: Extract<Correction, { kind: 'picture' }>,
  finder: Tracker<readonly TrackedPicture[]> & Pick<PictureFinder, 'begin'>,
): Following => ({
  start: () => finder.start(),
  stop: () => finder.stop(),
  follow: async (image, i) => {
    const frame = frames[i]!;
    const moment = { time: frame.time, fovY: frame.camera.fovY };
    const seen =
      i === from
        ? await finder.begin(await image(), moment, { id, corners })
        : await finder.look(await image(), moment);
    const picture = seen.find((p) => p.id === id);
    if (!picture && i === from)
      throw nothing(
        'The picture',
        'Its corners go from its own top left, clockwise, and it faces the camera.',
      );
    return picture ? withPicture(frame, picture) : null;
  },
});
