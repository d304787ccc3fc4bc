/**
 * Several printed pictures on the frames of one camera. Those in sight are followed, which is quick; of those out of sight one a frame is
 * looked for, in turns, so that a frame costs the same however many there are.
 */
import { Frame } from './frame-features';
import { findNearest, type FindNearest } from './hamming';
import { PictureTracker } from './picture-tracker';
import type { Sight } from './sight';
import { homographyOf, type Camera } from './plane-pose';
import { project } from './homography';
import type { PictureTarget } from './picture-target';

/** Pictures that are looked for at once. */
export const MOST_PICTURES = 4;

export interface PictureSight extends Sight {
  /** Which of the targets it is, from 0. */
  readonly target: number;
}

export class PictureSearch {
  private readonly trackers: readonly PictureTracker[];
  private readonly frame: Frame;
  /** Whose turn it is to be looked for. */
  private turn = 0;

  /** `targets` are at most `MOST_PICTURES`; more are left out. */
  constructor(
    targets: readonly PictureTarget[],
    readonly camera: Camera,
    nearest: FindNearest = findNearest,
  ) {
    this.trackers = targets
      .slice(0, MOST_PICTURES)
      .map((target) => new PictureTracker(target, camera, nearest));
    this.frame = new Frame(camera.width, camera.height);
  }

  /** What is in sight in a frame: grey bytes of the camera's size, by rows. */
  look(grey: Uint8Array): PictureSight[] {
    this.frame.load(grey);
    const sights: PictureSight[] = [];
    this.trackers.forEach((tracker, target) => {
      const sight = tracker.follow(this.frame);
      if (sight) sights.push({ ...sight, target });
    });
    const lost = this.trackers.map((_, i) => i).filter((i) => !this.trackers[i].isFollowing);
    if (lost.length === 0) return sights;
    const target = lost.find((i) => i >= this.turn) ?? lost[0];
    this.turn = target + 1;
    const sight = this.trackers[target].find(this.frame, this.frame.features());
    // Two pictures that are alike are not both where one is.
    if (!sight) return sights;
    if (sights.some((other) => this.coincide(other, { ...sight, target }))) this.trackers[target].lose();
    else sights.push({ ...sight, target });
    return sights;
  }

  /** Somebody says where the corners of a target are, in pixels: see `PictureTracker.begin`. */
  begin(
    target: number,
    grey: Uint8Array,
    corners: readonly (readonly [number, number])[],
  ): PictureSight | null {
    this.frame.load(grey);
    const sight = this.trackers[target]?.begin(this.frame, corners);
    return sight ? { ...sight, target } : null;
  }

  /** Whether the middle of one lies on the other. */
  private coincide(a: PictureSight, b: PictureSight): boolean {
    const middle = (of: PictureSight): [number, number] => {
      const [u, v] = project(homographyOf(of.pose, this.camera), 0, 0);
      return [u, v];
    };
    const [p, q] = [middle(a), middle(b)];
    const width = this.camera.focal / a.pose.position[2];
    return Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.4 * width;
  }
}
