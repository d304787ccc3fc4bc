/**
 * The trackers that a camera picture waits for before it is shown, so that an effect sits on what it was computed for: faces and printed
 * pictures, each loaded only while the effect needs it. They look at the same picture at the same time, each in a worker of its own.
 */
import { IconiaError, sentence } from '../core/errors';
import {
  faceFrame,
  type TrackedFace,
  type TrackedPicture,
  type TrackFrame,
} from '../core/tracking/track-frame';
import { Identities } from '../core/tracking/identities';
import { FaceTracker } from './face-tracker';
import { PictureFinder, type SoughtPicture } from './picture-finder';
import type { PictureMoment, Tracker } from './tracker';

/** What an effect needs of the picture at every moment. */
export interface FrameNeeds {
  /** How many faces are looked for; 0 looks for none. */
  readonly faces: number;
  /** At most four are looked for. */
  readonly pictures: readonly SoughtPicture[];
}

/** The camera picture's shape. */
export interface Shape {
  readonly width: number;
  readonly height: number;
}

export interface FrameTrackerEvents {
  /** A tracker cannot go on; the others do. */
  onLost(error: IconiaError): void;
}

/** One tracker while it is wanted. */
interface Wanted<Seen> {
  readonly key: string;
  readonly tracker: Tracker<Seen>;
  /** Settles when it can look, or cannot. */
  readonly starting: Promise<void>;
  isReady: boolean;
}

const AT_REST = { position: [0, 0, 0], rotation: [0, 0, 0, 1] } as const;

/** Tests give their own trackers. */
export interface TrackerMakers {
  readonly faces: (most: number) => Tracker<readonly TrackedFace[]>;
  readonly pictures: (sought: readonly SoughtPicture[]) => Tracker<readonly TrackedPicture[]>;
}
const MAKERS: TrackerMakers = {
  faces: (most) => {
    const tracker = new FaceTracker(most);
    return {
      start: () => tracker.start(),
      look: async (image, moment) => (await tracker.look(image, moment)).frame.faces,
      stop: () => tracker.stop(),
    };
  },
  pictures: (sought) => new PictureFinder(sought),
};

export class FrameTrackers {
  private faces: Wanted<readonly TrackedFace[]> | null = null;
  private pictures: Wanted<readonly TrackedPicture[]> | null = null;
  private readonly identities = new Identities();
  private stopped = false;

  constructor(
    private readonly events: FrameTrackerEvents,
    private readonly make: TrackerMakers = MAKERS,
  ) {}

  /** Loads what is needed from now on, and lets go of what is not. What stays the same goes on as it is. */
  need({ faces, pictures }: FrameNeeds): void {
    if (this.stopped) return;
    this.faces = this.want(this.faces, faces > 0 ? String(faces) : null, () => this.make.faces(faces));
    const key = pictures.map((p) => `${p.id} ${p.key}`).join();
    this.pictures = this.want(this.pictures, key || null, () => this.make.pictures(pictures));
  }

  private want<Seen>(
    now: Wanted<Seen> | null,
    key: string | null,
    make: () => Tracker<Seen>,
  ): Wanted<Seen> | null {
    if ((now?.key ?? null) === key) return now;
    now?.tracker.stop();
    if (key === null) return null;
    const tracker = make();
    const wanted: Wanted<Seen> = {
      key,
      tracker,
      isReady: false,
      starting: tracker.start().then(
        () => void (wanted.isReady = true),
        (cause: unknown) => this.lose(wanted, cause),
      ),
    };
    return wanted;
  }

  /** Resolves when all that is needed now can look, or has said that it cannot. */
  async ready(): Promise<void> {
    await Promise.all([this.faces?.starting, this.pictures?.starting]);
  }

  /** What is in a picture; `take` copies it for each tracker. Those that are still being loaded see nothing yet. */
  async look(
    take: () => Promise<ImageBitmap>,
    moment: PictureMoment,
    { width, height }: Shape,
  ): Promise<TrackFrame> {
    const [faces, pictures] = await Promise.all([
      this.ask(this.faces, take, moment),
      this.ask(this.pictures, take, moment),
    ]);
    const camera = { pose: AT_REST, fovY: moment.fovY, aspect: width / height };
    const named = this.identities.name(faces ?? [], moment.time);
    return { ...faceFrame(moment.time, camera, named), pictures: pictures ?? [] };
  }

  private async ask<Seen>(
    wanted: Wanted<Seen> | null,
    take: () => Promise<ImageBitmap>,
    moment: PictureMoment,
  ): Promise<Seen | null> {
    if (!wanted?.isReady) return null;
    const image = await take();
    try {
      return await wanted.tracker.look(image, moment);
    } catch (cause) {
      this.lose(wanted, cause);
      return null;
    }
  }

  private lose(wanted: Wanted<unknown>, cause: unknown): void {
    wanted.isReady = false;
    wanted.tracker.stop();
    // Whoever let it go knows.
    if (this.stopped || (wanted !== this.faces && wanted !== this.pictures)) return;
    this.events.onLost(
      cause instanceof IconiaError ? cause : new IconiaError('tracker.failed', sentence(cause), { cause }),
    );
  }

  stop(): void {
    this.stopped = true;
    this.faces?.tracker.stop();
    this.pictures?.tracker.stop();
  }
}
