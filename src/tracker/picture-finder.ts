/** The picture tracker as a promise: a camera picture in, the printed pictures in it out. It runs in a worker. */
import { IconiaError } from '../core/errors';
import type { TrackedPicture } from '../core/tracking/track-frame';
import type { Degrees } from '../core/units';
import type { FromPictureWorker, KnownPicture, ToPictureWorker } from './picture-messages';
import type { PictureMoment, Tracker } from './tracker';
import { WorkerLine } from './worker-line';

/** A printed picture that an effect looks for. */
export interface SoughtPicture {
  /** Which of the effect's targets, from 1. */
  readonly id: number;
  readonly name: string;
  /** The same word for the same picture: whoever has it already need not begin anew. */
  readonly key: string;
  /** What is printed. */
  readonly load: () => Promise<Blob>;
  /** What it is found by, where that was made before; else it is made in the worker. */
  readonly made: Uint8Array | null;
}

export class PictureFinder implements Tracker<readonly TrackedPicture[]> {
  private readonly line = new WorkerLine<ToPictureWorker, Extract<FromPictureWorker, { kind: 'seen' }>>(
    '/trackers/picture-worker.js',
    { name: 'The picture tracker' },
  );

  constructor(private readonly sought: readonly SoughtPicture[]) {}

  async start(): Promise<void> {
    const pictures = await Promise.all(
      this.sought.map(async ({ id, name, key, load, made }) => {
        try {
          return { id, key, image: await createImageBitmap(await load()), made };
        } catch (cause) {
          throw new IconiaError(
            'tracker.picture',
            `The printed picture ${name} cannot be read, so it cannot be looked for. Choose its picture again.`,
            { cause },
          );
        }
      }),
    );
    await this.line.start(
      { kind: 'start', pictures },
      pictures.map(({ image }) => image),
    );
  }

  /** From a picture that was seen tilted, in a few frames. */
  fovY: Degrees | null = null;

  async look(image: ImageBitmap, { fovY }: PictureMoment): Promise<readonly TrackedPicture[]> {
    const seen = await this.line.ask({ kind: 'frame', image, fovY, known: null }, [image]);
    this.fovY = seen.fovY;
    return seen.pictures;
  }

  /** One of them is where somebody says it is, and is followed from there. Nothing where it cannot be there. */
  async begin(
    image: ImageBitmap,
    { fovY }: PictureMoment,
    known: KnownPicture,
  ): Promise<readonly TrackedPicture[]> {
    return (await this.line.ask({ kind: 'frame', image, fovY, known }, [image])).pictures;
  }

  stop(): void {
    this.line.stop();
  }
}
