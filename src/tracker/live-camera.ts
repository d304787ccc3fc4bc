/**
 * The real camera with the real trackers. Each picture is shown together with what the trackers made of it, so that the effect sits on the
 * face, or the printed picture, that it was computed for.
 */
import { IconiaError, sentence } from '../core/errors';
import { believedLens, fovYOfLens, lensOfFovY, USUAL_LENS } from '../core/tracking/lens';
import type { PeopleMask } from '../core/tracking/people-mask';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { SurfaceKind } from '../core/document/schema';
import type { Room } from '../core/placing/room';
import type { Degrees } from '../core/units';
import type { ColourReader } from './colour-reader';
import { FrameTrackers, type FrameNeeds } from './frame-trackers';
import { HeldRoom } from './held-room';
import { PacedTracker } from './paced-tracker';
import { PersonFinder } from './person-finder';

/** Towards the viewer, or away from them. */
export type Facing = 'user' | 'environment';

export type CameraState = 'starting' | 'looking' | 'tracking';

/** Whether it is known where people are: not asked for, on its way, known, or not to be had. */
export type PeopleState = 'off' | 'loading' | 'known' | 'failed';

export interface CameraEvents {
  onFrame(frame: TrackFrame): void;
  onState(state: CameraState): void;
  onError(error: IconiaError): void;
  /** The face goes on being tracked when the search for people fails. */
  onPeople?(state: PeopleState, error: IconiaError | null): void;
  /** A tracker cannot go on. The picture does, and whatever else sees something in it. */
  onTrackerLost?(error: IconiaError): void;
  /** The device does not say how it is held: where the floor is, is a guess. */
  onGuessedRoom?(): void;
}

/** What an effect needs to be seen in the picture. */
export interface CameraNeeds extends FrameNeeds {
  /** People are told from what is behind them. */
  readonly people: boolean;
  /** Which colours the picture has. */
  readonly colours: boolean;
  /** What things stand on, or hang on. */
  readonly surfaces: readonly SurfaceKind[];
}

export const cameraError = (cause: unknown): IconiaError => {
  const name = (cause as { name?: string }).name;
  if (name === 'NotAllowedError' || name === 'SecurityError')
    return new IconiaError(
      'camera.refused',
      'The browser does not let Iconia use the camera. Allow it in the address bar, then try again.',
      { cause },
    );
  if (name === 'NotFoundError' || name === 'OverconstrainedError')
    return new IconiaError('camera.none', 'No camera was found. Plug one in, then try again.', { cause });
  if (name === 'NotReadableError' || name === 'AbortError')
    return new IconiaError(
      'camera.busy',
      'Another program is using the camera. Close it there, then try again.',
      { cause },
    );
  return new IconiaError('camera.failed', `The camera could not be opened: ${sentence(cause)}`, { cause });
};

const UNREAD = 'The colours of the picture could not be read; the effect goes on without them.';

const MOST_FAILURES = 8;

export class LiveCamera {
  /** Holds the picture the last frame was computed from; mirrored when the camera looks at the viewer. */
  readonly picture = document.createElement('canvas');
  private readonly pending = document.createElement('canvas');
  private readonly video = document.createElement('video');
  private readonly trackers: FrameTrackers;
  /** At its own pace: a slow search for people holds up no face. */
  private finder: PacedTracker<PeopleMask> | null = null;
  /** Where people are in the newest picture that was searched; null when it is not known. */
  people: PeopleMask | null = null;
  /** What the device gives, to be recorded as it is. */
  stream: MediaStream | null = null;
  private stopped = false;
  /** Its picture is there. */
  private isOpen = false;
  private startedAt = 0;
  private looksAtViewer = true;
  private needs: CameraNeeds = {
    faces: 1,
    hands: 0,
    pictures: [],
    people: false,
    colours: false,
    surfaces: [],
  };
  private held: HeldRoom | null = null;
  /** How it opens over its longer side: assumed, until a printed picture tells. */
  private lens: Degrees = USUAL_LENS;
  /** Pictures in a row that could not be tracked. */
  private failures = 0;

  constructor(
    private readonly events: CameraEvents,
    private readonly facing: Facing = 'user',
  ) {
    this.video.muted = true;
    this.video.playsInline = true;
    this.trackers = new FrameTrackers({ onLost: (error) => this.events.onTrackerLost?.(error) });
  }

  /** Opens the camera, called from a click; resolves when pictures are being tracked for what is needed. Throws `IconiaError` `camera.*`. */
  async start(): Promise<void> {
    this.events.onState('starting');
    if (!navigator.mediaDevices?.getUserMedia)
      throw new IconiaError(
        'camera.none',
        'This browser gives pages no camera. Open Iconia over https or on this computer.',
      );
    // Before anything is waited for: a device that asks its owner does so only while a click lasts.
    this.makeRoom(this.needs.surfaces);
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({
        video: { facingMode: this.facing, width: { ideal: 640 }, height: { ideal: 480 } },
        audio: false,
      });
      if (this.stopped) return this.stop();
      for (const track of this.stream.getTracks())
        track.addEventListener('ended', () =>
          this.fail('camera.lost', 'The camera went away. Plug it in, then try again.'),
        );
      // What was asked for is a wish; what came says itself where it looks.
      const looks = this.stream.getVideoTracks()[0]?.getSettings().facingMode ?? this.facing;
      this.looksAtViewer = looks !== 'environment';
      this.video.srcObject = this.stream;
      await this.video.play();
    } catch (cause) {
      // Stopped while it opened: whoever did that knows.
      if (this.stopped) return this.stop();
      this.stop();
      throw cameraError(cause);
    }
    this.isOpen = true;
    this.meetNeeds();
    await this.trackers.ready();
    if (this.stopped) return this.stop();
    this.startedAt = performance.now();
    this.events.onState('looking');
    void this.sendNext();
  }

  /** What is looked for from now on; trackers are loaded and let go of accordingly. */
  need(needs: CameraNeeds): void {
    this.needs = needs;
    if (this.isOpen) this.meetNeeds();
  }
  /** Nothing is loaded for a camera that nobody allows. */
  private meetNeeds(): void {
    this.trackers.need(this.needs);
    this.findPeople(this.needs.people);
    this.makeRoom(this.needs.surfaces);
    void this.readColours(this.needs.colours);
  }

  /** Fetched where an effect asks for it. Without it the picture's colours are not known, and the effect goes on. */
  private colours: ColourReader | null = null;
  private async readColours(wanted: boolean): Promise<void> {
    if (!wanted) this.colours = null;
    else if (!this.colours) {
      const part = await import('./colour-reader').catch(() => null);
      if (!part) return this.events.onTrackerLost?.(new IconiaError('tracker.colours', UNREAD));
      this.colours ??= this.needs.colours ? new part.ColourReader() : null;
    }
  }

  /** Where things of the world stand; null where the effect has none. */
  get room(): Room | null {
    return this.held?.room ?? null;
  }
  private roomFor = '';
  private makeRoom(kinds: readonly SurfaceKind[]): void {
    if (this.stopped || kinds.join() === this.roomFor) return;
    this.roomFor = kinds.join();
    this.held?.stop();
    this.held = kinds.length > 0 ? new HeldRoom(kinds, () => this.events.onGuessedRoom?.()) : null;
    this.held?.start();
  }

  private findPeople(wanted: boolean): void {
    if (wanted === (this.finder !== null) || this.stopped) return;
    this.finder?.stop();
    this.finder = null;
    this.people = null;
    if (!wanted) return this.events.onPeople?.('off', null);
    this.finder = new PacedTracker(new PersonFinder(), {
      onSeen: (mask) => this.seePeople(mask),
      onError: (error) => this.seePeople(null, error),
    });
    this.events.onPeople?.('loading', null);
    void this.finder.start();
  }

  private seePeople(mask: PeopleMask | null, error: IconiaError | null = null): void {
    const isNew = mask !== null && this.people === null;
    this.people = mask;
    if (error) this.events.onPeople?.('failed', error);
    else if (isNew) this.events.onPeople?.('known', null);
  }

  private async sendNext(): Promise<void> {
    if (this.stopped) return;
    try {
      await this.trackPicture();
      this.failures = 0;
    } catch (cause) {
      if (this.stopped) return;
      // One bad picture is let go; when none can be tracked any more, it is over.
      if (++this.failures >= MOST_FAILURES) {
        this.stop();
        return this.events.onError(
          cause instanceof IconiaError
            ? cause
            : new IconiaError(
                'camera.failed',
                `The camera picture could not be tracked: ${sentence(cause)}`,
                { cause },
              ),
        );
      }
    }
    // One picture at a time: the tracker's own pace is the frame rate.
    requestAnimationFrame(() => void this.sendNext());
  }

  /** People know themselves mirrored. A printed picture is read as it is: mirrored it would be another; and a room turns with the device. */
  private get mirrored(): boolean {
    return this.looksAtViewer && this.needs.pictures.length === 0 && this.needs.surfaces.length === 0;
  }

  private async trackPicture(): Promise<void> {
    const { videoWidth: width, videoHeight: height } = this.video;
    // A phone that is turned gives pictures of another shape.
    if (this.pending.width !== width || this.pending.height !== height)
      Object.assign(this.pending, { width, height });
    const g = this.pending.getContext('2d')!;
    // The trackers see the same picture that is shown, so everything stays in one space.
    if (this.mirrored) g.setTransform(-1, 0, 0, 1, width, 0);
    else g.setTransform(1, 0, 0, 1, 0, 0);
    g.drawImage(this.video, 0, 0, width, height);
    const take = (): Promise<ImageBitmap> => createImageBitmap(this.pending);
    const moment = {
      time: (performance.now() - this.startedAt) / 1000,
      fovY: fovYOfLens(width, height, this.lens),
    };
    this.finder?.offer(take, moment);
    const frame = await this.trackers.look(take, moment, { width, height });
    const { fovY } = this.trackers;
    this.lens = believedLens(this.lens, fovY && lensOfFovY(width, height, fovY));
    if (this.stopped) return;
    const colours = this.colours?.read(this.pending, width / height);
    const held = this.held?.frame(frame, this.looksAtViewer) ?? frame;
    this.tracked(colours ? { ...held, colours } : held);
  }

  private tracked(frame: TrackFrame): void {
    const { width, height } = this.pending;
    if (this.picture.width !== width || this.picture.height !== height)
      Object.assign(this.picture, { width, height });
    this.picture.getContext('2d')!.drawImage(this.pending, 0, 0);
    const { faces, hands, pictures, surfaces } = this.needs;
    const seeks = faces > 0 || hands > 0 || pictures.length > 0 || surfaces.length > 0;
    const sees = [frame.faces, frame.hands, frame.pictures, frame.surfaces].some((all) => all.length > 0);
    this.events.onState(sees || !seeks ? 'tracking' : 'looking');
    this.events.onFrame(frame);
  }

  private fail(code: string, message: string): void {
    if (this.stopped) return;
    this.stop();
    this.events.onError(new IconiaError(code, message));
  }

  stop(): void {
    this.stopped = true;
    this.stream?.getTracks().forEach((track) => track.stop());
    this.trackers.stop();
    this.finder?.stop();
    this.held?.stop();
    this.video.srcObject = null;
  }
}
