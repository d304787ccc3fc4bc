/**
 * Videos as textures, by content. A video is brought to the moment that is asked for: a take can be scrubbed, so it
 * does not run by itself.
 */
import { CanvasTexture, LinearFilter, NoColorSpace, type Texture } from 'three';
import type { VideoAsset } from '../../core/document/schema';
import type { Seconds } from '../../core/units';
import { ContentStore, type Arrivals, type Made } from './content-store';
import type { FileSource } from './texture-store';

interface Opened {
  readonly element: HTMLVideoElement;
  /** The last picture that arrived; it stays while the video is on its way to the next. */
  readonly texture: Texture;
  readonly url: string;
  /** The moment the video was sent to last: a video may end up beside it, and is not sent there again. */
  asked: Seconds;
}

/** A moment this near is near enough: half a frame at thirty a second. */
const NEAR: Seconds = 1 / 60;

export class VideoStore {
  readonly content: ContentStore<Opened>;

  constructor(
    private readonly source: FileSource,
    private readonly arrivals: Arrivals,
  ) {
    this.content = new ContentStore({ dispose: letGo }, arrivals);
  }

  /**
   * The video at a moment; it repeats. Null while it is on its way. With no moment it is as whoever asked last wants it: two
   * views that each sent it to a moment of their own would send it to and fro for ever.
   */
  get(asset: VideoAsset, time: Seconds | null): Texture | null {
    const { sha256 } = asset.files[0]!;
    if (!this.content.knows(sha256)) void this.load(asset);
    const known = this.content.get(sha256);
    if (!known) return null;
    const { element, texture } = known;
    if (time === null) return texture;
    const length = element.duration;
    const wanted = Number.isFinite(length) && length > 0 ? time % length : 0;
    if (!element.seeking && Math.abs(known.asked - wanted) > NEAR) {
      known.asked = wanted;
      const arrived = new Promise((done) => element.addEventListener('seeked', done, { once: true }));
      void this.arrivals.during(arrived);
      element.currentTime = wanted;
    }
    return texture;
  }

  /** Resolves when its first picture can be drawn, or it is known that none can. */
  async load(asset: VideoAsset): Promise<void> {
    const file = asset.files[0]!;
    await this.content.load(file.sha256, async () => opened(await this.source(file))).catch(() => null);
  }

  dispose(): void {
    this.content.dispose();
  }
}

const letGo = ({ texture, element, url }: Opened): void => {
  texture.dispose();
  element.removeAttribute('src');
  element.load();
  URL.revokeObjectURL(url);
};

const opened = async (blob: Blob): Promise<Made<Opened>> => {
  const url = URL.createObjectURL(blob);
  const element = document.createElement('video');
  element.muted = true;
  element.playsInline = true;
  element.preload = 'auto';
  element.src = url;
  try {
    await new Promise<void>((resolve, reject) => {
      element.addEventListener('loadeddata', () => resolve(), { once: true });
      element.addEventListener('error', () => reject(new Error('unreadable')), { once: true });
    });
  } catch (cause) {
    URL.revokeObjectURL(url);
    throw cause;
  }
  const canvas = document.createElement('canvas');
  canvas.width = element.videoWidth;
  canvas.height = element.videoHeight;
  const context = canvas.getContext('2d')!;
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = NoColorSpace;
  texture.flipY = false;
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.generateMipmaps = false;
  const arrived = (): void => {
    context.clearRect(0, 0, canvas.width, canvas.height);
    context.drawImage(element, 0, 0);
    texture.needsUpdate = true;
  };
  // Heard before whoever waits for the moment: what is drawn then is the new picture.
  element.addEventListener('seeked', arrived);
  arrived();
  return { value: { element, texture, url, asked: 0 }, bytes: 4 * canvas.width * canvas.height };
};
