/** Draws a take into a canvas of its own, for the face tracker to look at. */
import { NeutralToneMapping, SRGBColorSpace, WebGLRenderer } from 'three';
import type { Take } from '../../core/takes/take';
import type { TrackFrame } from '../../core/tracking/track-frame';
import type { TakeDrawing } from '../../tracker/take-tracker';
import { TakePicture, type TakePictureOptions } from '../../stage/take-picture';
import { letGo } from '../../stage/let-go';

/** The tracker works on pictures of about this size, as cameras give them. */
const [WIDTH, HEIGHT] = [360, 640];

export class TakeDrawer implements TakeDrawing {
  private readonly canvas = document.createElement('canvas');
  private readonly renderer: WebGLRenderer;
  private readonly picture: TakePicture;

  constructor(take: Take, options: TakePictureOptions) {
    this.renderer = new WebGLRenderer({ canvas: this.canvas, antialias: true, preserveDrawingBuffer: true });
    this.renderer.outputColorSpace = SRGBColorSpace;
    this.renderer.toneMapping = NeutralToneMapping;
    this.renderer.setSize(WIDTH, HEIGHT, false);
    this.picture = new TakePicture(take, options);
  }

  draw(frame: TrackFrame): HTMLCanvasElement {
    this.renderer.clear();
    this.picture.draw(this.renderer, frame, WIDTH / HEIGHT);
    return this.canvas;
  }

  dispose(): void {
    this.picture.dispose();
    letGo(this.renderer);
  }
}
