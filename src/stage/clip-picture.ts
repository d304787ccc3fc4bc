/** Draws the pictures of a creator's own clip. They are decoded as they are wanted; until one is there the last one stays. */
import type { WebGLRenderer } from 'three';
import { CLIP_RATE, clipPicture } from '../core/takes/clip';
import type { Clip } from '../core/takes/clip-data';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraPicture } from './picture';
import { VideoPicture } from './video-picture';

/** So many are kept decoded, and so many are fetched ahead. */
const KEPT = 24;
const AHEAD = 6;

export interface ClipPictureOptions {
  readonly load: (picture: number) => Promise<Blob | null>;
  /** A picture that was wanted has come. */
  readonly onArrive?: () => void;
}

export class ClipPicture implements CameraPicture {
  private readonly canvas = document.createElement('canvas');
  private readonly video: VideoPicture;
  /** Null while it is on its way. */
  private readonly pictures = new Map<number, ImageBitmap | null>();
  private readonly coming = new Map<number, Promise<void>>();
  private shown = -1;
  private disposed = false;

  constructor(
    private readonly clip: Clip,
    private readonly options: ClipPictureOptions,
  ) {
    Object.assign(this.canvas, { width: clip.width, height: clip.height });
    this.video = new VideoPicture(this.canvas);
    void this.fetch(0);
  }

  /** Resolves when the picture of a moment can be drawn, or cannot be had. */
  ready(time: number): Promise<void> {
    return this.fetch(clipPicture(this.clip, time));
  }

  private fetch(picture: number): Promise<void> {
    if (this.pictures.has(picture)) return this.coming.get(picture) ?? Promise.resolve();
    this.pictures.set(picture, null);
    const coming = this.options
      .load(picture)
      .then((blob) => (blob ? createImageBitmap(blob) : null))
      .then(
        (image) => {
          if (this.disposed || !image) return image?.close();
          this.pictures.set(picture, image);
          this.options.onArrive?.();
        },
        // One that cannot be read is not asked for again; the one before stays.
        () => undefined,
      )
      .finally(() => this.coming.delete(picture));
    this.coming.set(picture, coming);
    return coming;
  }

  /** Those that are farthest from what is shown go first. */
  private letGo(now: number): void {
    const count = this.clip.frames.length;
    const ahead = (picture: number): number => (picture - now + count) % count;
    const byDistance = [...this.pictures].sort(([a], [b]) => ahead(b) - ahead(a));
    for (const [picture, image] of byDistance.slice(0, Math.max(0, byDistance.length - KEPT))) {
      if (!image) continue;
      image.close();
      this.pictures.delete(picture);
    }
  }

  draw(renderer: WebGLRenderer, frame: TrackFrame, viewAspect: number): void {
    const wanted = clipPicture(this.clip, frame.time);
    for (let i = 0; i <= AHEAD; i++) void this.fetch(clipPicture(this.clip, frame.time + i / CLIP_RATE));
    const image = this.pictures.get(wanted);
    if (image && this.shown !== wanted) {
      this.canvas.getContext('2d')!.drawImage(image, 0, 0, this.canvas.width, this.canvas.height);
      this.shown = wanted;
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

  /** Nobody has told people, hands and hair apart in it. */
  readonly knowsPeople = false;
  drawPeople(): void {}
  readonly knowsCover = false;
  drawCover(): void {}
  readonly knowsHair = false;
  drawHair(): void {}

  dispose(): void {
    this.disposed = true;
    for (const image of this.pictures.values()) image?.close();
    this.pictures.clear();
    this.video.dispose();
  }
}
