/**
 * Exact masks of a take: which part of the scene each pixel shows. They belong to the same instant as the truth,
 * so that segmentation can be judged against them.
 */
import { Color, NearestFilter, WebGLRenderTarget, type WebGLRenderer } from 'three';
import type { TrackFrame } from '../core/tracking/track-frame';
import { FlatParts } from './flat-parts';
import { PARTS, type Part } from './parts';
import type { TakePicture } from './take-picture';

export interface PartMap {
  readonly width: number;
  readonly height: number;
  /** Index into PARTS for each pixel, from the top left. */
  readonly parts: Uint8Array;
  /** 1 where the head would be seen if nothing were in front of it. */
  readonly head: Uint8Array;
}

/** What belongs to a person. */
const PERSON: readonly Part[] = ['skin', 'hair', 'eyes', 'body', 'hand', 'worn'];

const STEP = 16;

export class TakeMasks {
  private readonly target = new WebGLRenderTarget(1, 1, {
    minFilter: NearestFilter,
    magFilter: NearestFilter,
  });
  private readonly flat = new FlatParts((part) =>
    new Color().setRGB((PARTS.indexOf(part) * STEP) / 255, 0, 0),
  );

  constructor(private readonly picture: TakePicture) {}

  private read(renderer: WebGLRenderer, width: number, height: number): Uint8Array {
    renderer.setRenderTarget(this.target);
    renderer.setClearColor(0x000000, 1);
    renderer.clear();
    renderer.render(this.picture.scene, this.picture.camera);
    const pixels = new Uint8Array(width * height * 4);
    renderer.readRenderTargetPixels(this.target, 0, 0, width, height, pixels);
    const out = new Uint8Array(width * height);
    // WebGL reads from the bottom up.
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        out[y * width + x] = Math.round(pixels[4 * ((height - 1 - y) * width + x)]! / STEP);
    return out;
  }

  render(renderer: WebGLRenderer, frame: TrackFrame, width: number, height: number): PartMap {
    const { picture } = this;
    picture.pose(frame, width / height);
    this.target.setSize(width, height);
    const before = {
      target: renderer.getRenderTarget(),
      clear: renderer.getClearColor(new Color()),
      alpha: renderer.getClearAlpha(),
    };
    try {
      let parts: Uint8Array = new Uint8Array();
      let head = parts;
      this.flat.during(renderer, picture.scene, () => {
        parts = this.read(renderer, width, height);
      });
      this.flat.during(
        renderer,
        picture.scene,
        () => {
          head = this.read(renderer, width, height).map((part) => (part === PARTS.indexOf('skin') ? 1 : 0));
        },
        (mesh) => mesh.userData.head === true,
      );
      return { width, height, parts, head };
    } finally {
      renderer.setRenderTarget(before.target);
      renderer.setClearColor(before.clear, before.alpha);
    }
  }

  dispose(): void {
    this.target.dispose();
    this.flat.dispose();
  }
}

/** 1 where the pixel shows one of these parts. */
export const maskOf = ({ parts }: PartMap, wanted: readonly Part[]): Uint8Array => {
  const indices = new Set(wanted.map((p) => PARTS.indexOf(p)));
  return parts.map((part) => (indices.has(part) ? 1 : 0));
};
export const personMask = (map: PartMap): Uint8Array => maskOf(map, PERSON);
/** 1 where something else is seen before the head: a hand, hair, a mug, glasses. */
export const coverMask = (map: PartMap): Uint8Array =>
  map.parts.map((part, i) => (map.head[i] === 1 && PARTS[part] !== 'skin' && PARTS[part] !== 'eyes' ? 1 : 0));
