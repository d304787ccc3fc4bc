/**
 * What the picture tracker is measured beside: the general-purpose computer vision library of the registry, as its users would find a
 * picture with it (ORB, brute force matching with a ratio test, USAC_MAGSAC, pyramidal Lucas-Kanade). For benches only.
 */
import { createRequire } from 'node:module';
import type { Grey } from '../src/core/vision/grey';

type Library = typeof import('@techstark/opencv-js');
type Mat = InstanceType<Library['Mat']>;

const load = async (): Promise<Library> => {
  const loaded = createRequire(import.meta.url)('@techstark/opencv-js') as
    | Promise<Library>
    | (Library & { onRuntimeInitialized: () => void });
  if (loaded instanceof Promise) return loaded;
  // It looks like a promise and never settles: what it has is handed on without that.
  await new Promise<void>((ready) => {
    if (loaded.Mat) ready();
    else loaded.onRuntimeInitialized = () => ready();
  });
  return { ...loaded, then: undefined } as Library;
};
export const library = await load();
const cv = library;

/** It has the method, its types do not. */
const { USAC_MAGSAC } = cv as unknown as { readonly USAC_MAGSAC: number };
const FEATURES = 2000;
const RATIO = 0.8;
const LEAST = 10;

/** Corners of the picture in the frame, pixels; null when it is not found. */
export type Quad = readonly (readonly [number, number])[] | null;

export class LibraryFinder {
  private readonly orb = new cv.ORB(FEATURES);
  private readonly matcher = new cv.BFMatcher(cv.NORM_HAMMING, false);
  private readonly points = new cv.KeyPointVector();
  private readonly words = new cv.Mat();

  constructor(private readonly picture: Grey) {
    const image = matOf(picture);
    this.orb.detectAndCompute(image, new cv.Mat(), this.points, this.words);
    image.delete();
  }

  find(frame: Grey): Quad {
    const image = matOf(frame);
    const [points, words, matches] = [new cv.KeyPointVector(), new cv.Mat(), new cv.DMatchVectorVector()];
    try {
      this.orb.detectAndCompute(image, new cv.Mat(), points, words);
      if (points.size() < LEAST || this.points.size() < LEAST) return null;
      this.matcher.knnMatch(words, this.words, matches, 2);
      const [from, to]: [number[], number[]] = [[], []];
      for (let i = 0; i < matches.size(); i++) {
        const pair = matches.get(i);
        if (pair.size() < 2 || pair.get(0).distance >= RATIO * pair.get(1).distance) continue;
        const [a, b] = [this.points.get(pair.get(0).trainIdx).pt, points.get(pair.get(0).queryIdx).pt];
        from.push(a.x, a.y);
        to.push(b.x, b.y);
      }
      if (from.length < 2 * LEAST) return null;
      const [x, y, mask] = [
        cv.matFromArray(from.length / 2, 1, cv.CV_32FC2, from),
        cv.matFromArray(to.length / 2, 1, cv.CV_32FC2, to),
        new cv.Mat(),
      ];
      const h = cv.findHomography(x, y, USAC_MAGSAC, 3, mask, 2000, 0.99);
      const inside = cv.countNonZero(mask);
      const quad = h.empty() || inside < LEAST ? null : this.quad([...h.data64F]);
      for (const used of [x, y, mask, h]) used.delete();
      return quad;
    } finally {
      for (const used of [image, points, words, matches]) used.delete();
    }
  }

  private quad(h: readonly number[]): Quad {
    const { width, height } = this.picture;
    return [
      [-0.5, -0.5],
      [width - 0.5, -0.5],
      [width - 0.5, height - 0.5],
      [-0.5, height - 0.5],
    ].map(([x, y]) => {
      const w = h[6]! * x! + h[7]! * y! + h[8]!;
      return [(h[0]! * x! + h[1]! * y! + h[2]!) / w, (h[3]! * x! + h[4]! * y! + h[5]!) / w] as const;
    });
  }

  /** Milliseconds for following 150 corners from one frame to the next, and fitting them. */
  static follow(before: Grey, after: Grey): number {
    const [a, b] = [matOf(before), matOf(after)];
    const [corners, next, status, error] = [new cv.Mat(), new cv.Mat(), new cv.Mat(), new cv.Mat()];
    cv.goodFeaturesToTrack(a, corners, 150, 0.01, 8);
    const began = performance.now();
    cv.calcOpticalFlowPyrLK(a, b, corners, next, status, error, new cv.Size(21, 21), 3);
    const h = cv.findHomography(corners, next, USAC_MAGSAC, 3);
    const took = performance.now() - began;
    for (const used of [a, b, corners, next, status, error, h]) used.delete();
    return took;
  }
}

const matOf = ({ width, height, data }: Grey): Mat => cv.matFromArray(height, width, cv.CV_8UC1, data);
