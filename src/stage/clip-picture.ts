/** Draws the pictures of a creator's own clip. They are decoded as they are wanted; until one is there the last one stays. */
import type { WebGLRenderer } from 'three';
import { CLIP_RATE, clipPicture } from '../core/takes/clip';
import type { Clip } from '../core/takes/clip-data';
import type { PeopleMask } from '../core/tracking/people-mask';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraPicture } from './picture';
import { VideoPicture } from './video-picture';

/** So many are kept decoded, and so many are fetched ahead. */
const KEPT = 24;
const AHEAD = 6;

export interface ClipPictureOptions {
  readonly load: (picture: number) => Promise<Blob | null>;
  /** Where people are in it, a picture in grey; without it nobody has looked for them. */
  readonly loadPeople?: (picture: number) => Promise<Blob | null>;
  /** A picture that was wanted has come. */
  readonly onArrive?: () => void;
}

/** A picture, and where people are in it. */
interface Decoded {
  readonly image: ImageBitmap;
  readonly people: PeopleMask | null;
}

const maskOf = async (grey: Blob): Promise<PeopleMask> => {
  const image = await createImageBitmap(grey);
  const { width, height } = image;
  const g = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  g.drawImage(image, 0, 0);
  image.close();
  const { data } = g.getImageData(0, 0, width, height);
  return { width, height, alpha: Uint8Array.from({ length: width * height }, (_, i) => data[4 * i]!) };
};

export class ClipPicture implements CameraPicture {
  private readonly canvas = document.createElement('canvas');
  private readonly video: VideoPicture;
  /** Null while it is on its way. */
  private readonly pictures = new Map<number, Decoded | null>();
  private readonly coming = new Map<number, Promise<void>>();
  shown = -1;
  private people: PeopleMask | null = null;
  private disposed = false;

  constructor(
    private readonly clip: Clip,
    private readonly options: ClipPictureOptions,
  ) {
    Object.assign(this.canvas, { width: clip.width, height: clip.height });
    this.video = new VideoPicture(this.canvas, () => this.people);
    void this.fetch(0);
  }

  /** Resolves when the picture of a moment can be drawn, or cannot be had. */
  ready(time: number): Promise<void> {
    return this.fetch(clipPicture(this.clip, time));
  }

  private fetch(picture: number): Promise<void> {
    if (this.pictures.has(picture)) return this.coming.get(picture) ?? Promise.resolve();
    this.pictures.set(picture, null);
    const coming = this.decode(picture)
      .then(
        (decoded) => {
          if (this.disposed || !decoded) return decoded?.image.close();
          this.pictures.set(picture, decoded);
          this.options.onArrive?.();
        },
        // One that cannot be read is not asked for again; the one before stays.
        () => undefined,
      )
      .finally(() => this.coming.delete(picture));
    this.coming.set(picture, coming);
    return coming;
  }

  private async decode(picture: number): Promise<Decoded | null> {
    const { load, loadPeople } = this.options;
    const [blob, grey] = await Promise.all([load(picture), loadPeople?.(picture)]);
    if (!blob) return null;
    return { image: await createImageBitmap(blob), people: grey ? await maskOf(grey) : null };
  }

  /** Those that are farthest from what is shown go first. */
  private letGo(now: number): void {
    const count = this.clip.frames.length;
    const ahead = (picture: number): number => (picture - now + count) % count;
    const byDistance = [...this.pictures].sort(([a], [b]) => ahead(b) - ahead(a));
    for (const [picture, decoded] of byDistance.slice(0, Math.max(0, byDistance.length - KEPT))) {
      if (!decoded) continue;
      decoded.image.close();
      this.pictures.delete(picture);
    }
  }

  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void {
    const wanted = clipPicture(this.clip, frame.time);
    for (let i = 0; i <= AHEAD; i++) void this.fetch(clipPicture(this.clip, frame.time + i / CLIP_RATE));
    const decoded = this.pictures.get(wanted);
    if (decoded && this.shown !== wanted) {
      this.canvas.getContext('2d')!.drawImage(decoded.image, 0, 0, this.canvas.width, this.canvas.height);
      this.shown = wanted;
      this.people = decoded.people;
      this.letGo(wanted);
    }
    this.video.draw(renderer, frame, viewAspect);
  }

  viewFovY(frame: TrackFrame, viewAspect: number): number {
    return this.video.viewFovY(frame, viewAspect);
  }
  /** Whether the picture of this moment is the one that is drawn. */
  has(time: number): boolean {
    return this.shown === clipPicture(this.clip, time);
  }

  get knowsPeople(): boolean {
    return this.people !== null;
  }
  drawPeople(renderer: WebGLRenderer): void {
    this.video.drawPeople(renderer);
  }
  /** Nobody has told hands and hair apart in it; hair is judged where people are known. */
  readonly knowsCover = false;
  drawCover(): void {}
  readonly knowsHair = false;
  drawHair(): void {}

  dispose(): void {
    this.disposed = true;
    for (const decoded of this.pictures.values()) decoded?.image.close();
    this.pictures.clear();
    this.video.dispose();
  }
}
