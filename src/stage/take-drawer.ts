/** Draws a take into a canvas of its own, for whoever looks at its picture: trackers, and what reads its colours. */
import { NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import type { Take } from '../core/takes/take';
import type { TrackFrame } from '../core/tracking/track-frame';
import { letGo } from './let-go';
import { TakePicture, type TakePictureOptions } from './take-picture';

/** Trackers work on pictures of about this size, as cameras give them. */
const CAMERA = [360, 640] as const;

export class TakeDrawer {
  private readonly canvas = document.createElement('canvas');
  private readonly renderer: WebGLRenderer;
  private readonly picture: TakePicture;
  private readonly aspect: number;

  constructor(
    take: Take,
    options: TakePictureOptions,
    [width, height]: readonly [width: number, height: number] = CAMERA,
  ) {
    this.renderer = new WebGLRenderer({ canvas: this.canvas, antialias: true, preserveDrawingBuffer: true });
    this.renderer.outputColorSpace = SRGBColorSpace;
    this.renderer.toneMapping = NeutralToneMapping;
    this.renderer.setSize(width, height, false);
    this.picture = new TakePicture(take, options);
    this.aspect = width / height;
  }

  /** Makes its programs ready, so that the first picture holds nobody up. */
  prepare(frame: TrackFrame): Promise<void> {
    return this.picture.prepare(this.renderer, frame, this.aspect);
  }
  draw(frame: TrackFrame): HTMLCanvasElement {
    this.renderer.clear();
    this.picture.draw(this.renderer, frame, this.aspect);
    return this.canvas;
  }

  dispose(): void {
    this.picture.dispose();
    letGo(this.renderer);
  }
}
