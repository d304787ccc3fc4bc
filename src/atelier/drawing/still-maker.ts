/**
 * Makes small still pictures of an effect on the take, one after the other in one hidden stage: thumbnails,
 * the film on the strip, the blend comparison.
 */
import { ALL_ABILITIES } from '../../stage/abilities/all';
import { Player } from '../../core/behave/player';
import type { Effect, SceneId } from '../../core/document/schema';
import type { Take } from '../../core/takes/take';
import { makePeople } from '../../stage/performer/people-maker';
import type { PeopleDetail } from '../../stage/performer/person-view';
import type { PictureImage } from '../../stage/printed-pictures';
import { createStores, loadUsed, type Stores } from '../../stage/effect/stores';
import type { FileSource } from '../../stage/effect/texture-store';
import { scriptsFor } from '../../stage/script-engine';
import { Stage } from '../../stage/stage';
import type { ClipPicture } from '../../stage/clip-picture';
import { TakePhoto } from '../../stage/take-photo';
import { TakePicture } from '../../stage/take-picture';
import { clipPictureOf } from '../takes/clip-store';
import { whenNothingIsUrgent } from './urgent';

export interface StillRequest {
  readonly effect: Effect;
  readonly take: Take;
  readonly times: readonly number[];
  readonly width: number;
  readonly height: number;
  /** What is printed on the take's pictures. */
  readonly pictures?: readonly PictureImage[];
  readonly people?: PeopleDetail;
  /** Begins in this scene instead of the opening scene. */
  readonly scene?: SceneId | null;
  /** The take's picture is kept from one request to the next: only what the effect draws over it is drawn anew. For one moment. */
  readonly photo?: boolean;
}

/** So many photographs are kept; those that were used longest ago go first. */
const PHOTOS = 12;

const NO_PICTURES: readonly PictureImage[] = [];

class StillMaker {
  private stage: Stage | null = null;
  private readonly stores: Stores;
  private take: Take | null = null;
  private pictures: readonly PictureImage[] = NO_PICTURES;
  private people: PeopleDetail = 'full';
  private clip: ClipPicture | null = null;
  /** By the take and how its people are drawn; the one that was used last is the last. */
  private readonly photos = new Map<string, TakePhoto>();
  private queue: Promise<unknown> = Promise.resolve();

  constructor(source: FileSource) {
    this.stores = createStores(source);
  }

  /** Draws the frames in turn, giving the page time between them. `onStill` gets each as it is ready. */
  make(
    request: StillRequest,
    signal: AbortSignal,
    onStill: (index: number, url: string) => void,
  ): Promise<void> {
    // Setting a take up is as much work as drawing it.
    const run = this.queue.then(whenNothingIsUrgent).then(() => this.run(request, signal, onStill));
    this.queue = run.catch(() => undefined);
    return run;
  }

  private photoOf(key: string, open: () => TakePicture): TakePhoto {
    const photo = this.photos.get(key) ?? new TakePhoto(open);
    this.photos.delete(key);
    this.photos.set(key, photo);
    for (const [old, one] of [...this.photos].slice(0, -PHOTOS)) {
      one.letGo();
      this.photos.delete(old);
    }
    return photo;
  }

  private async run(
    {
      effect,
      take,
      times,
      width,
      height,
      pictures = NO_PICTURES,
      people = 'full',
      photo = false,
      scene = null,
    }: StillRequest,
    signal: AbortSignal,
    onStill: (index: number, url: string) => void,
  ): Promise<void> {
    if (signal.aborted) return;
    this.stage ??= new Stage(document.createElement('canvas'), this.stores, ALL_ABILITIES, {
      keepPixels: true,
    });
    const { stage } = this;
    const kept = photo ? `${take.id} ${people}` : null;
    if (people === 'full' && !(kept && this.photos.has(kept))) await makePeople(take.performers);
    if (signal.aborted) return;
    if (kept) {
      stage.setPicture(this.photoOf(kept, () => new TakePicture(take, { pictures, people })));
      this.clip = null;
    } else if (this.take !== take || this.pictures !== pictures || this.people !== people) {
      this.clip = take.clip ? clipPictureOf(take.clip) : null;
      stage.setPicture(this.clip ?? new TakePicture(take, { pictures, people }));
    }
    this.take = kept ? null : take;
    this.pictures = pictures;
    this.people = people;
    await loadUsed(this.stores, effect);
    const player = new Player(effect, take, { scripts: await scriptsFor(effect), scene });
    if (signal.aborted) return;
    for (const [i, time] of times.entries()) {
      // A still is nobody's hurry: what the creator does comes first.
      await new Promise((next) => setTimeout(next, 16));
      await whenNothingIsUrgent();
      if (signal.aborted) return;
      await this.clip?.ready(time);
      if (signal.aborted) return;
      stage.setSize(width, height, 1);
      stage.draw(take.frameAt(time), player.program, player.at(time));
      const blob = await new Promise<Blob | null>((done) => stage.canvas.toBlob(done, 'image/webp', 0.85));
      if (signal.aborted) return;
      if (blob) onStill(i, URL.createObjectURL(blob));
    }
  }
}

let maker: StillMaker | null = null;
export const stillMaker = (source: FileSource): StillMaker => (maker ??= new StillMaker(source));
