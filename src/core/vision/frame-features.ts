/** The corners of a camera frame with their descriptors, on the frame and on its halves. */
import { findCorners } from './corners';
import { cornerAngle, describe, REACH, WORDS } from './descriptors';
import { blur, Grey, halve } from './grey';

/** Corners that are taken from the frame, its half, its quarter. */
const MOST = [1000, 400, 200];
const THRESHOLD = 20;
/** Levels that are kept for following. */
export const LEVELS = 4;

/** A frame, with what is made of it; used again for the next frame. */
export class Frame {
  readonly levels: readonly Grey[];
  private readonly blurred: readonly Grey[];

  constructor(width: number, height: number) {
    const sizes = Array.from({ length: LEVELS }, (_, l) => [width >> l, height >> l] as const);
    this.levels = sizes.map(([w, h]) => new Grey(w, h));
    this.blurred = sizes.map(([w, h]) => new Grey(w, h));
  }

  /** Takes in the grey bytes of a picture of its size. */
  load(grey: Uint8Array): void {
    this.levels[0].data.set(grey);
    for (let l = 1; l < LEVELS; l++) halve(this.levels[l - 1], this.levels[l]);
  }

  features(): FrameFeatures {
    const most = MOST.reduce((sum, n) => sum + n, 0);
    const features = {
      count: 0,
      x: new Float32Array(most),
      y: new Float32Array(most),
      scale: new Float32Array(most),
      angle: new Float32Array(most),
      words: new Int32Array(WORDS * most),
    };
    MOST.forEach((wanted, l) => {
      const image = this.levels[l];
      const blurred = blur(image, this.blurred[l]);
      const options = {
        border: REACH + 2,
        most: wanted,
        cell: Math.max(10, Math.sqrt((2 * image.width * image.height) / wanted) | 0),
      };
      let corners = findCorners(image, { ...options, threshold: THRESHOLD });
      // Dim or pale: what there is has to do.
      if (corners.found < wanted) corners = findCorners(image, { ...options, threshold: THRESHOLD >> 1 });
      const scale = 2 ** l;
      for (let i = 0; i < corners.count; i++) {
        const at = features.count++;
        const angle = cornerAngle(blurred, corners.x[i], corners.y[i]);
        describe(blurred, corners.x[i], corners.y[i], angle, features.words, WORDS * at);
        features.x[at] = (corners.x[i] + 0.5) * scale - 0.5;
        features.y[at] = (corners.y[i] + 0.5) * scale - 0.5;
        features.scale[at] = scale;
        features.angle[at] = angle;
      }
    });
    return features;
  }
}

export interface FrameFeatures {
  readonly count: number;
  /** Pixels of the frame. */
  readonly x: Float32Array;
  readonly y: Float32Array;
  /** 1, 2, 4: on which halving they were found. */
  readonly scale: Float32Array;
  readonly angle: Float32Array;
  readonly words: Int32Array;
}
