/** Follows a printed picture through camera frames, and finds it where it is lost. */
import { Random } from '../maths/random';
import type { Frame, FrameFeatures } from './frame-features';
import { findNearest, type FindNearest } from './hamming';
import { homographyOf4, type Homography } from './homography';
import { isPictureSeen, matchesOf, type Matches } from './matching';
import { alignPose } from './patches';
import { LEAST_AGREEING, PictureDetector } from './picture-detector';
import type { PictureTarget } from './picture-target';
import {
  cornersOf,
  homographyOf,
  mirroredPose,
  onwards,
  poseOfHomography,
  type Camera,
  type PlanePose,
} from './plane-pose';
import { isSure, MOST_SIGMA, sightOf, type Sight } from './sight';

/** What matches and homographies came of one search: what a picture's strength is judged by. */
export interface Search {
  readonly matches: Matches;
  readonly sight: Sight | null;
}

/** One target on the frames of one camera. Frames may be shared with other targets: whoever loads them hands them in. */
export class PictureTracker {
  private last: PlanePose | null = null;
  private before: PlanePose | null = null;
  private readonly detector: PictureDetector;

  constructor(
    readonly target: PictureTarget,
    readonly camera: Camera,
    private readonly nearest: FindNearest = findNearest,
  ) {
    this.detector = new PictureDetector(target, camera, new Random(5));
  }

  /** Whether it was seen in the frame before. */
  get isFollowing(): boolean {
    return this.last !== null;
  }

  /** Forgets where it was. */
  lose(): void {
    this.last = this.before = null;
  }

  /** Where the picture was in the frame before, followed into this one; null when it is lost, and then it has to be found again. */
  follow(frame: Frame): Sight | null {
    if (!this.last) return null;
    const guesses: (readonly [PlanePose, number])[] = [[this.last, this.before ? 7 : 5]];
    if (this.before) guesses.unshift([onwards(this.before, this.last), 5]);
    for (const [guess, radius] of guesses) {
      const aligned = alignPose(guess, this.target, frame.levels, this.camera, {
        start: 2,
        radius,
        hold: 0.25,
      });
      if (
        aligned &&
        aligned.used >= 8 &&
        aligned.quality > 0.25 &&
        isSure(aligned, this.camera) &&
        isPictureSeen(homographyOf(aligned.pose, this.camera), this.target.aspect, this.camera)
      ) {
        [this.before, this.last] = [this.last, aligned.pose];
        return sightOf(aligned, 'followed');
      }
    }
    this.lose();
    return null;
  }

  /**
   * Somebody says where its corners are (pixels; from the top left, clockwise): it is brought onto the frame from there, or taken as it was said, and followed from now
   * on. Null where they are no picture that is seen from its front.
   */
  begin(frame: Frame, corners: readonly (readonly [number, number])[]): Sight | null {
    this.lose();
    const plane = cornersOf(this.target.aspect);
    const column = (of: readonly (readonly [number, number])[], k: 0 | 1): number[] => of.map((p) => p[k]);
    const pairs = { x: column(plane, 0), y: column(plane, 1), u: column(corners, 0), v: column(corners, 1) };
    const homography: Homography = new Float64Array(9);
    if (corners.length !== 4 || !homographyOf4(pairs, [0, 1, 2, 3], homography)) return null;
    if (!isPictureSeen(homography, this.target.aspect, this.camera)) return null;
    const said = poseOfHomography(homography, this.camera);
    if (!said) return null;
    const aligned = [said, mirroredPose(said)]
      .flatMap((pose) => {
        const options = { start: 2, radius: 7, hold: 0.25 };
        return alignPose(pose, this.target, frame.levels, this.camera, options) ?? [];
      })
      .filter((a) => a.used >= 8 && isSure(a, this.camera))
      .sort((a, b) => b.quality - a.quality)[0];
    this.last = aligned?.pose ?? said;
    return aligned
      ? sightOf(aligned, 'found')
      : { pose: said, how: 'found', quality: 0, sigma: MOST_SIGMA, sightings: [] };
  }

  /** Looks for the picture anywhere in the frame; `features` are those of the frame. */
  find(frame: Frame, features: FrameFeatures): Sight | null {
    return this.search(frame, features).sight;
  }

  /** The same, with what it was found by. */
  search(frame: Frame, features: FrameFeatures): Search {
    const matches = matchesOf(
      features,
      this.target,
      this.nearest(features.words, features.count, this.target.described),
    );
    this.lose();
    const sight = matches.count >= LEAST_AGREEING ? this.detector.find(frame, features, matches) : null;
    if (sight) this.last = sight.pose;
    return { matches, sight };
  }
}
