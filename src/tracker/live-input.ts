/**
 * Where the picture comes from: the take, or a camera with its facing, the search for people and the microphone. One machine for
 * the atelier and the show page. Wishes may come while one before is on its way: the last one counts, and whatever was opened
 * for an older one is closed.
 */
import { IconiaError, sentence } from '../core/errors';
import type { Room } from '../core/placing/room';
import type { SurfaceKind } from '../core/document/schema';
import type { TrackFrame } from '../core/tracking/track-frame';
import {
  LiveCamera,
  type CameraEvents,
  type CameraNeeds,
  type CameraState,
  type Facing,
  type PeopleState,
} from './live-camera';
import { Microphone } from './microphone';
import { UNMEASURED } from './world-camera';

/** What a machine needs of a camera; tests give their own. */
export type InputCamera = Pick<LiveCamera, 'start' | 'stop' | 'need' | 'people'> & {
  readonly room: Room | null;
  /** Null where it draws its picture itself. */
  readonly picture: HTMLCanvasElement | null;
  /** What it gives, as it is; null where it cannot be had. */
  readonly stream: MediaStream | null;
};
export type InputMicrophone = Pick<Microphone, 'start' | 'stop' | 'loudness'>;

export interface LiveInputOptions {
  /** Something has changed; read it off. */
  readonly onChange: () => void;
  readonly camera?: (events: CameraEvents, facing: Facing) => InputCamera;
  readonly microphone?: () => InputMicrophone;
  /** A camera that measures the room itself; null where this browser has none. */
  readonly world?: (events: CameraEvents, surfaces: readonly SurfaceKind[]) => InputCamera | null;
}

/** What the effect needs of a camera besides the picture. */
export interface Needs extends CameraNeeds {
  readonly microphone: boolean;
}
const NOTHING: Needs = {
  faces: 0,
  hands: 0,
  pictures: [],
  surfaces: [],
  people: false,
  colours: false,
  microphone: false,
};
const wordOf = ({ faces, hands, people, colours, surfaces, microphone, pictures }: Needs): string =>
  JSON.stringify([faces, hands, people, colours, surfaces, microphone, pictures.map((p) => [p.id, p.key])]);

const UNHEARD =
  'The microphone is not there or not allowed, so the effect hears nothing; the rest of it works. Allow it in the browser and choose your camera again.';

const ASSUMED =
  'This browser could not measure the room, so how far the floor is, is assumed. Say near or far with the slider, then tap.';

const GUESSED =
  'This device does not say how it is held, so the floor is only guessed. Tap where things are to stand, or open the effect on a phone.';

/** What need not be said any more once things are put down. */
const UNTIL_PLACED: readonly (string | null)[] = [GUESSED, ASSUMED];

/** A camera that measures the room looks for nothing else in its picture. */
const onlyRoom = ({ faces, hands, pictures, people, colours, surfaces }: Needs): boolean =>
  surfaces.length > 0 && faces === 0 && hands === 0 && pictures.length === 0 && !people && !colours;

export class LiveInput {
  source: 'take' | 'camera' = 'take';
  state: CameraState | null = null;
  facing: Facing = 'user';
  people: PeopleState = 'off';
  peopleError: string | null = null;
  /** Why there is no camera, or no microphone. */
  problem: string | null = null;
  frame: TrackFrame | null = null;
  private opened: InputCamera | null = null;
  private microphone: InputMicrophone | null = null;
  private needs: Needs = NOTHING;
  /** The viewer has said which camera; until then the effect does. */
  private isFacingChosen = false;
  /** Counts wishes: whoever comes back for an older one is late. */
  private wish = 0;
  private listening = 0;

  constructor(private readonly options: LiveInputOptions) {}

  /** The camera whose picture is shown; null on a take. */
  get camera(): InputCamera | null {
    return this.source === 'camera' ? this.opened : null;
  }
  /** How loud it is, 0 to 1; null when nothing listens. */
  get loudness(): number | null {
    return this.microphone?.loudness ?? null;
  }

  /** What is looked for in the picture: what there is to say while nothing is seen. */
  get seeks(): 'face' | 'hand' | 'picture' | 'floor' | 'several' | null {
    const { faces, hands, pictures, surfaces } = this.needs;
    const sought = [
      ...(faces > 0 ? ['face' as const] : []),
      ...(hands > 0 ? ['hand' as const] : []),
      ...(pictures.length > 0 ? ['picture' as const] : []),
      ...(surfaces.length > 0 ? ['floor' as const] : []),
    ];
    return sought.length > 1 ? 'several' : (sought[0] ?? null);
  }

  /** Where things of the world stand before the camera; null on a take, and where the effect has none. */
  get room(): Room | null {
    return this.camera?.room ?? null;
  }
  /** Back to the take; whatever is open or on its way is closed. */
  useTake(): void {
    this.wish++;
    this.closeAll();
    this.source = 'take';
    this.problem = null;
    this.options.onChange();
  }

  /** Opens the camera. False when it cannot be, with `problem` saying why, or when something else was wished meanwhile. */
  async useCamera(facing: Facing = this.facing): Promise<boolean> {
    return this.open(facing, true);
  }

  /** `measured`: one that measures the room is tried first. */
  private async open(facing: Facing, measured: boolean): Promise<boolean> {
    const mine = ++this.wish;
    this.closeAll();
    this.source = 'take';
    this.problem = null;
    this.state = 'starting';
    this.facing = facing;
    const current = (): boolean => mine === this.wish;
    const events: CameraEvents = {
      onFrame: (frame) => {
        if (!current()) return;
        this.frame = frame;
        // Whoever has put things down need not be told any more where they would stand.
        if (UNTIL_PLACED.includes(this.problem) && camera.room?.state === 'placed') this.problem = null;
        this.options.onChange();
      },
      onState: (state) => {
        if (!current() || state === this.state) return;
        this.state = state;
        this.options.onChange();
      },
      onPeople: (state, error) => {
        if (!current()) return;
        this.people = state;
        this.peopleError = error?.message ?? null;
        this.options.onChange();
      },
      onGuessedRoom: () => {
        if (current()) this.say(GUESSED);
      },
      onTrackerLost: (error) => {
        if (current()) this.say(error.message);
      },
      onError: (error) => {
        if (current()) this.lose(error);
      },
    };
    const world =
      measured && facing === 'environment' && onlyRoom(this.needs)
        ? (this.options.world?.(events, this.needs.surfaces) ?? null)
        : null;
    const camera: InputCamera =
      world ?? this.options.camera?.(events, facing) ?? new LiveCamera(events, facing);
    this.opened = camera;
    camera.need(this.needs);
    this.options.onChange();
    try {
      await camera.start();
    } catch (error) {
      camera.stop();
      if (!current()) return false;
      if (world && error instanceof IconiaError && error.code === UNMEASURED) {
        const opened = await this.open(facing, false);
        // What else there is to say, of how the device is held, comes later and says more.
        if (opened && !this.problem) this.say(ASSUMED);
        return opened;
      }
      this.lose(error);
      return false;
    }
    if (!current()) {
      camera.stop();
      return false;
    }
    this.source = 'camera';
    this.options.onChange();
    this.meetNeeds();
    return true;
  }

  /** The other camera: of the viewer, or of what is before them. On a take it is only remembered. */
  async flip(): Promise<boolean> {
    this.facing = this.facing === 'user' ? 'environment' : 'user';
    this.isFacingChosen = true;
    return this.source === 'camera' ? this.useCamera(this.facing) : true;
  }

  /** What the effect needs now: asked for only on a camera, and let go when it is not needed any more. */
  need(needs: Needs): void {
    if (wordOf(needs) === wordOf(this.needs)) return;
    this.needs = needs;
    // What lies before the viewer is seen by the other camera than their face.
    if (!this.isFacingChosen && this.source === 'take')
      this.facing =
        needs.pictures.length + needs.surfaces.length > 0 && needs.faces === 0 ? 'environment' : 'user';
    this.meetNeeds();
  }

  private meetNeeds(): void {
    if (this.source !== 'camera') return;
    this.opened?.need(this.needs);
    if (this.needs.microphone) void this.listen();
    else this.deafen();
  }

  private async listen(): Promise<void> {
    if (this.microphone) return;
    const mine = ++this.listening;
    const microphone = this.options.microphone?.() ?? new Microphone();
    try {
      await microphone.start();
    } catch {
      microphone.stop();
      if (mine !== this.listening) return;
      this.problem = UNHEARD;
      return this.options.onChange();
    }
    if (mine !== this.listening) return microphone.stop();
    this.microphone = microphone;
    this.options.onChange();
  }
  private deafen(): void {
    this.listening++;
    this.microphone?.stop();
    this.microphone = null;
  }

  private say(problem: string): void {
    this.problem = problem;
    this.options.onChange();
  }

  private lose(error: unknown): void {
    this.wish++;
    this.closeAll();
    this.source = 'take';
    this.problem = error instanceof IconiaError ? error.message : sentence(error);
    this.options.onChange();
  }

  private closeAll(): void {
    this.deafen();
    this.opened?.stop();
    this.opened = null;
    this.frame = null;
    this.state = null;
    this.people = 'off';
    this.peopleError = null;
  }
}
