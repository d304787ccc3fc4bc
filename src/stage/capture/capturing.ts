/**
 * Takes what a canvas shows: a photo, a video with sound, the pictures of a loop. Whoever draws the canvas says after each picture that it
 * was drawn: only then can it be read.
 */
import { IconiaError } from '../../core/errors';
import type { Milliseconds } from '../../core/units';
import { FilmRecorder } from './film-recorder';
import type { LoopFrames } from './loop-messages';

/** Of a loop: pictures a second at most, their longest side, and how long it is. */
const LOOP_STEP: Milliseconds = 80;
const LOOP_SIDE = 480;
export const LOOP_LENGTH: Milliseconds = 4000;
const VIDEO_RATE = 30;

interface Waiting {
  readonly done: (picture: OffscreenCanvas) => void;
  readonly dropped: () => void;
}

interface Loop {
  readonly brush: OffscreenCanvasRenderingContext2D;
  readonly frames: { rgba: Uint8ClampedArray; at: Milliseconds }[];
  readonly began: Milliseconds;
  readonly done: (loop: LoopFrames) => void;
  readonly dropped: () => void;
  readonly onProgress: (share: number) => void;
}

/** Else the canvas is copied at every picture for nobody. What is heard is heard on. */
const letGo = (tracks: readonly MediaStreamTrack[]): void => {
  for (const track of tracks) track.stop();
};

const cancelled = (): IconiaError =>
  new IconiaError('capture.cancelled', 'The picture was not taken: what it shows is closed.');

export class Capturing {
  private photos: Waiting[] = [];
  private loop: Loop | null = null;
  private video: { readonly recorder: FilmRecorder; readonly picture: readonly MediaStreamTrack[] } | null =
    null;

  /** `sound` is what is heard, where something is. */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly sound: () => MediaStream | null = () => null,
  ) {}

  get isRecording(): boolean {
    return this.video !== null;
  }
  /** A picture is waited for. */
  get isWaiting(): boolean {
    return this.photos.length > 0 || this.loop !== null;
  }

  /** Right after the canvas was drawn. */
  drawn(now: Milliseconds): void {
    const { width, height } = this.canvas;
    if (width === 0 || height === 0) return;
    for (const { done } of this.photos.splice(0)) {
      const copy = new OffscreenCanvas(width, height);
      copy.getContext('2d')!.drawImage(this.canvas, 0, 0);
      done(copy);
    }
    if (this.loop) this.addToLoop(this.loop, now);
  }

  /** The next picture that is drawn. Rejects with `capture.cancelled` when there will be none. */
  photo(): Promise<OffscreenCanvas> {
    return new Promise((done, fail) => this.photos.push({ done, dropped: () => fail(cancelled()) }));
  }

  /** Begins a recording. Throws `film.unrecordable`. */
  startVideo(): void {
    const stream = this.canvas.captureStream(VIDEO_RATE);
    const picture = stream.getVideoTracks();
    try {
      for (const track of this.sound()?.getAudioTracks() ?? []) stream.addTrack(track);
      this.video = { recorder: new FilmRecorder(stream), picture };
    } catch (error) {
      letGo(picture);
      throw error;
    }
  }
  async stopVideo(): Promise<Blob | null> {
    const { video } = this;
    this.video = null;
    if (!video) return null;
    const film = await video.recorder.finish();
    letGo(video.picture);
    return film;
  }

  /** Pictures from now on, for `LOOP_LENGTH`. Rejects with `capture.cancelled` when it is dropped or aborted. */
  takeLoop(onProgress: (share: number) => void = () => {}, signal?: AbortSignal): Promise<LoopFrames> {
    const { width, height } = this.canvas;
    const factor = Math.min(1, LOOP_SIDE / Math.max(width, height));
    const small = new OffscreenCanvas(
      Math.max(1, Math.round(width * factor)),
      Math.max(1, Math.round(height * factor)),
    );
    const brush = small.getContext('2d', { willReadFrequently: true })!;
    signal?.addEventListener('abort', () => this.dropLoop());
    return new Promise((done, fail) => {
      const dropped = (): void => fail(cancelled());
      this.loop = { brush, frames: [], began: performance.now(), done, dropped, onProgress };
    });
  }
  /** Gives up a loop that is being taken. */
  dropLoop(): void {
    this.loop?.dropped();
    this.loop = null;
  }

  /** Gives up all that goes on: nothing will be drawn any more. */
  stop(): void {
    this.dropLoop();
    for (const { dropped } of this.photos.splice(0)) dropped();
    void this.stopVideo();
  }

  private addToLoop(loop: Loop, now: Milliseconds): void {
    const { brush, frames, began } = loop;
    const last = frames.at(-1);
    const { width, height } = brush.canvas;
    if (now - began >= LOOP_LENGTH && frames.length > 0) {
      this.loop = null;
      loop.done({ width, height, frames: withLengths(frames, now) });
      return;
    }
    if (last && now - last.at < LOOP_STEP) return;
    brush.drawImage(this.canvas, 0, 0, width, height);
    frames.push({ rgba: brush.getImageData(0, 0, width, height).data, at: now });
    loop.onProgress(Math.min(1, (now - began) / LOOP_LENGTH));
  }
}

/** Each is shown until the next was taken, in whole hundredths of a second; all together as long as they took. */
export const withLengths = (
  frames: readonly { readonly rgba: Uint8ClampedArray; readonly at: Milliseconds }[],
  end: Milliseconds,
): LoopFrames['frames'] => {
  const first = frames[0]!.at;
  const hundredths = (at: Milliseconds): number => Math.round((at - first) / 10);
  return frames.map(({ rgba, at }, i) => ({
    rgba,
    milliseconds: Math.max(2, hundredths(frames[i + 1]?.at ?? end) - hundredths(at)) * 10,
  }));
};
