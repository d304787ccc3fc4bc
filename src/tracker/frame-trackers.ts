/**
 * The trackers that a camera picture waits for before it is shown, so that an effect sits on what it was computed for: faces, hands and
 * printed pictures, each loaded only while the effect needs it. They look at the same picture at the same time, each in a worker of its own.
 */
import { IconiaError, sentence } from '../core/errors';
import { Identities } from '../core/tracking/identities';
import { Steady } from '../core/tracking/steady';
import {
  faceFrame,
  type TrackedFace,
  type TrackedHand,
  type TrackedPicture,
  type TrackFrame,
} from '../core/tracking/track-frame';
import type { Degrees } from '../core/units';
import { FaceTracker } from './face-tracker';
import { HandFinder } from './hand-finder';
import { PictureFinder, type SoughtPicture } from './picture-finder';
import type { PictureMoment, Tracker } from './tracker';

/** What an effect needs of the picture at every moment. */
export interface FrameNeeds {
  /** How many faces are looked for; 0 looks for none. */
  readonly faces: number;
  /** How many hands are looked for; 0 looks for none. */
  readonly hands: number;
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

/** What each tracker sees. */
interface SeenBy {
  readonly faces: readonly TrackedFace[];
  readonly hands: readonly TrackedHand[];
  readonly pictures: readonly TrackedPicture[];
}
type TrackerKind = keyof SeenBy;

/** Tests give their own trackers. */
export type TrackerMakers = {
  readonly [K in TrackerKind]: (needs: FrameNeeds) => Tracker<SeenBy[K]>;
};
const MAKERS: TrackerMakers = {
  faces: ({ faces }) => new FaceTracker(faces),
  hands: ({ hands }) => new HandFinder(hands),
  pictures: ({ pictures }) => new PictureFinder(pictures),
};
/** The same word needs the same tracker; null needs none. */
const KEYS: Readonly<Record<TrackerKind, (needs: FrameNeeds) => string | null>> = {
  faces: ({ faces }) => (faces > 0 ? String(faces) : null),
  hands: ({ hands }) => (hands > 0 ? String(hands) : null),
  pictures: ({ pictures }) => pictures.map((p) => `${p.id} ${p.key}`).join() || null,
};
const KINDS = Object.keys(KEYS) as readonly TrackerKind[];

/** One tracker while it is wanted. */
interface Wanted<Seen> {
  readonly key: string;
  readonly tracker: Tracker<Seen>;
  /** Settles when it can look, or cannot. */
  readonly starting: Promise<void>;
  isReady: boolean;
}

const AT_REST = { position: [0, 0, 0], rotation: [0, 0, 0, 1] } as const;

export class FrameTrackers {
  private readonly wanted: { [K in TrackerKind]?: Wanted<SeenBy[K]> } = {};
  private readonly faces = { who: new Identities<TrackedFace>(), steady: new Steady<TrackedFace>() };
  private readonly hands = { who: new Identities<TrackedHand>(), steady: new Steady<TrackedHand>() };
  private stopped = false;

  constructor(
    private readonly events: FrameTrackerEvents,
    private readonly make: TrackerMakers = MAKERS,
  ) {}

  /** Loads what is needed from now on, and lets go of what is not. What stays the same goes on as it is. */
  need(needs: FrameNeeds): void {
    if (this.stopped) return;
    for (const kind of KINDS) this.want(kind, needs);
  }

  private want<K extends TrackerKind>(kind: K, needs: FrameNeeds): void {
    const now = this.wanted[kind];
    const key = KEYS[kind](needs);
    if ((now?.key ?? null) === key) return;
    now?.tracker.stop();
    delete this.wanted[kind];
    if (key === null) return;
    const tracker = this.make[kind](needs) as Tracker<SeenBy[K]>;
    const wanted: Wanted<SeenBy[K]> = {
      key,
      tracker,
      isReady: false,
      starting: tracker.start().then(
        () => void (wanted.isReady = true),
        (cause: unknown) => this.lose(wanted, cause),
      ),
    };
    this.wanted[kind] = wanted as (typeof this.wanted)[K];
  }

  private get all(): readonly Wanted<unknown>[] {
    return KINDS.flatMap((kind) => this.wanted[kind] ?? []);
  }

  /** How the camera opens from top to bottom, where what was seen tells that. */
  get fovY(): Degrees | null {
    return this.all.reduce((told: Degrees | null, { tracker }) => told ?? tracker.fovY ?? null, null);
  }

  /** Resolves when all that is needed now can look, or has said that it cannot. */
  async ready(): Promise<void> {
    await Promise.all(this.all.map((wanted) => wanted.starting));
  }

  /** What is in a picture; `take` copies it for each tracker. Those that are still being loaded see nothing yet. */
  async look(
    take: () => Promise<ImageBitmap>,
    moment: PictureMoment,
    { width, height }: Shape,
  ): Promise<TrackFrame> {
    const ask = <K extends TrackerKind>(kind: K): Promise<SeenBy[K] | null> =>
      this.ask(this.wanted[kind] as Wanted<SeenBy[K]> | undefined, take, moment);
    const [faces, hands, pictures] = await Promise.all([ask('faces'), ask('hands'), ask('pictures')]);
    const camera = { pose: AT_REST, fovY: moment.fovY, aspect: width / height };
    const { time } = moment;
    return {
      ...faceFrame(time, camera, this.faces.steady.next(this.faces.who.name(faces ?? [], time), time)),
      hands: this.hands.steady.next(this.hands.who.name(hands ?? [], time), time),
      pictures: pictures ?? [],
    };
  }

  private async ask<Seen>(
    wanted: Wanted<Seen> | undefined,
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
    if (this.stopped || !this.all.includes(wanted)) return;
    this.events.onLost(
      cause instanceof IconiaError ? cause : new IconiaError('tracker.failed', sentence(cause), { cause }),
    );
  }

  stop(): void {
    this.stopped = true;
    for (const { tracker } of this.all) tracker.stop();
  }
}
