/** Finds a printed picture in camera frames and follows it. */
import { Random } from '../maths/random';
import { Frame } from './frame-features';
import { FeatureGrid, growPose, type Grown } from './guided-matching';
import type { FrameFeatures } from './frame-features';
import { posesOfAffine } from './affine-pose';
import { findNearest, type FindNearest } from './hamming';
import { homographyOf4, project, refineHomography, type Homography } from './homography';
import {
  affineOf,
  agreeingSets,
  agreeingWith,
  homographyOfSet,
  isPictureSeen,
  matchesOf,
  type Matches,
} from './matching';
import { alignPose, type Aligned } from './patches';
import {
  cornersOf,
  fitPose,
  homographyOf,
  mirroredPose,
  onwards,
  poseOfHomography,
  type Camera,
  type PlanePose,
  type Sighting,
} from './plane-pose';
import type { PictureTarget } from './picture-target';

export interface Sight {
  readonly pose: PlanePose;
  /** Found anew, or followed from the frame before. */
  readonly how: 'found' | 'followed';
  /** Share of the places that could be seen and were, 0 to 1. */
  readonly quality: number;
  /** How far off the worst corner of the picture is to be expected, pixels. */
  readonly sigma: number;
  /** The places it was seen by. */
  readonly sightings: readonly Sighting[];
}

/** The worst corner may be expected so far off, in pixels of a frame 640 wide: beyond, poses are wrong. */
const MOST_SIGMA = 2.2;
/** And so far where it is found anew: there is nothing else to tell by. */
const MOST_SIGMA_ANEW = 1.6;
/** Where nearly all that could be seen is seen there, it may be vaguer: out of focus, or with little on it. */
const MOST_SIGMA_SEEN = 4.5;
const HOMOGRAPHIES = 12;
const LEAST_AGREEING = 5;
/** Grown poses that are brought onto the frame at last. */
const POSES = 8;
/** Matches that poses are grown from; fewer where a homography will do, and only something clearer is sought. */
const MOST_SEEDS = 100;
const FEW_SEEDS = 20;
/** Seeds times descriptors: many descriptors need few seeds, since homographies are found where there are many. */
const MOST_GROWTH = 45_000;
/** Where matches are sought near a pose, so many agree by chance. */
const BY_CHANCE = 5;
/** And so much of what could be seen has to be. */
const GROWN_QUALITY = 0.62;
/** How it is brought onto the frame. */
const GROWN = { start: 1, radius: 5, hold: 0.02 } as const;
/** A pose that so many places agree with is brought onto the frame at once. */
const SURE = 12;
/** Of what could be seen of it so much is seen where a pose is clear. */
const CLEAR = 0.9;
/** So many places that agree are clear, however much of it is covered. */
const MANY = 24;
/** A guess may be smaller than what is reported in the end, as a share of the frame. */
const GUESS_SHARE = 0.002;

/** What matches and homographies came of one search: what a picture's strength is judged by. */
export interface Search {
  readonly matches: Matches;
  readonly sight: Sight | null;
}

/** One target on the frames of one camera. Frames may be shared with other targets: whoever loads them hands them in. */
export class PictureTracker {
  private last: PlanePose | null = null;
  private before: PlanePose | null = null;
  private readonly random = new Random(5);

  constructor(
    readonly target: PictureTarget,
    readonly camera: Camera,
    private readonly nearest: FindNearest = findNearest,
  ) {}

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
        this.isSure(aligned) &&
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
      .filter((a) => a.used >= 8 && this.isSure(a))
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
    const sight = matches.count >= LEAST_AGREEING ? this.verify(frame, features, matches) : null;
    if (sight) this.last = sight.pose;
    return { matches, sight };
  }

  /** Homographies of sets that agree first, which is quick; where none is clear, poses that are grown from single matches. The best of all that will do. */
  private verify(frame: Frame, features: FrameFeatures, m: Matches): Sight | null {
    const tried: PlanePose[] = [];
    let best: Aligned | null = null;
    /** Keeps the best; says whether it is clear. */
    const keep = (aligned: Aligned | null, agreeing: number): boolean => {
      if (!aligned || !this.isAccepted(aligned, agreeing)) return false;
      if (!best || worthOf(aligned) > worthOf(best)) best = aligned;
      return (aligned.quality >= CLEAR && aligned.used >= 12) || agreeing >= MANY;
    };
    for (const { homography, agreeing } of this.homographies(features, m))
      if (keep(this.bestPose(frame, homography, m, agreeing), agreeing.length))
        return sightOf(best!, 'found');

    const grid = new FeatureGrid(features, this.camera);
    const grow = (guess: PlanePose, place: readonly [number, number]): Grown | null => {
      const grown = growPose(guess, place, grid, this.target, this.camera);
      return grown && this.isSeen(grown.pose) ? grown : null;
    };
    const attempt = ({ pose, agreeing }: Grown): boolean => {
      if (tried.some((of) => this.isSame(of, pose))) return false;
      tried.push(pose);
      const aligned = alignPose(pose, this.target, frame.levels, this.camera, GROWN);
      if (!aligned || aligned.quality < GROWN_QUALITY) return false;
      return keep(this.unmirrored(aligned), agreeing - BY_CHANCE);
    };
    // Partly on it: from there more of it is seen where it is.
    const more = best && grow((best as Aligned).pose, [0, 0]);
    if (more && attempt(more)) return sightOf(best!, 'found');
    const all: Grown[] = [];
    for (
      let g = 0;
      g < Math.min(m.count, best ? FEW_SEEDS : MOST_SEEDS, MOST_GROWTH / this.target.described.count);
      g++
    ) {
      const place = [m.x[g], m.y[g]] as const;
      const affine = affineOf(m, g, features, this.target.described);
      const about = { x: place[0], y: place[1], u: m.u[g], v: m.v[g], j: affine };
      for (const guess of posesOfAffine(about, this.camera)) {
        const grown = this.isSeen(guess, GUESS_SHARE) ? grow(guess, place) : null;
        if (!grown) continue;
        if (grown.agreeing >= SURE && attempt(grown)) return sightOf(best!, 'found');
        all.push(grown);
      }
    }
    all.sort((a, b) => b.agreeing - a.agreeing);
    for (const grown of all.slice(0, POSES)) if (attempt(grown)) break;
    return best && sightOf(best, 'found');
  }

  /** The homographies that sets of matches may be read as, the likeliest first, each with those that agree. */
  private *homographies(
    features: FrameFeatures,
    m: Matches,
  ): Generator<{ readonly homography: Homography; readonly agreeing: readonly number[] }> {
    const isSensible = (h: Homography): boolean => isPictureSeen(h, this.target.aspect, this.camera);
    const readings = agreeingSets(m, features, this.target, isSensible)
      .map((set) => homographyOfSet(m, set, this.random, isSensible))
      .filter((reading) => reading !== null)
      .sort((a, b) => b.score - a.score)
      .slice(0, HOMOGRAPHIES);
    for (const { homography } of readings) {
      refineHomography(homography, m, agreeingWith(m, homography), 8, 4);
      const agreeing = agreeingWith(m, homography);
      if (agreeing.length >= LEAST_AGREEING && isSensible(homography)) yield { homography, agreeing };
    }
  }

  private isSeen(pose: PlanePose, leastShare?: number): boolean {
    return isPictureSeen(homographyOf(pose, this.camera), this.target.aspect, this.camera, leastShare);
  }

  /** Whether the picture is seen at the same place, to some pixels. */
  private isSame(a: PlanePose, b: PlanePose): boolean {
    const [ha, hb] = [homographyOf(a, this.camera), homographyOf(b, this.camera)];
    return cornersOf(this.target.aspect).every(([x, y]) => {
      const [p, q] = [project(ha, x, y), project(hb, x, y)];
      return Math.hypot(p[0] - q[0], p[1] - q[1]) < 4;
    });
  }

  /** Of the two poses that a homography may mean the one that shows the picture where it is. */
  private bestPose(
    frame: Frame,
    homography: Homography,
    m: Matches,
    agreeing: readonly number[],
  ): Aligned | null {
    const first = poseOfHomography(homography, this.camera);
    if (!first) return null;
    const options = { floor: 0.7, rounds: 10 };
    const poses = [first, mirroredPose(first)]
      .map((pose) => fitPose(pose, sightingsOf(m, agreeing), this.camera, options))
      .sort((a, b) => a.error - b.error);
    const tried = poses[1].error < 1.3 * poses[0].error + 0.1 ? poses : poses.slice(0, 1);
    let best: Aligned | null = null;
    for (const { pose } of tried) {
      const aligned = alignPose(pose, this.target, frame.levels, this.camera, {
        start: 1,
        radius: 5,
        hold: 0,
      });
      if (!aligned) continue;
      const worth = (a: Aligned): number => (a.quality * a.used) / (0.3 + a.error);
      if (!best || worth(aligned) > worth(best)) best = aligned;
      if (aligned.quality > 0.6 && aligned.used > 12) break;
    }
    return best && this.unmirrored(best);
  }

  /** The other pose that looks nearly the same, where it fits the patches better. */
  private unmirrored(aligned: Aligned): Aligned {
    const sightings = aligned.sightings.map((s) => ({ ...s }));
    const other = fitPose(mirroredPose(aligned.pose), sightings, this.camera, { floor: 0.25, rounds: 8 });
    return other.error < 0.9 * aligned.error && other.pose.position[2] > 0
      ? { ...aligned, pose: other.pose, error: other.error }
      : aligned;
  }

  private isSure({ sigma, quality, used }: Aligned, most = MOST_SIGMA): boolean {
    const limit = quality >= 0.8 && used >= 15 ? MOST_SIGMA_SEEN : most;
    return sigma < (limit * this.camera.width) / 640;
  }
  /** Many corners may be wrong together, patches of the picture hardly: the more of the one, the less of the other is asked. */
  private isAccepted(aligned: Aligned, agreeing: number): boolean {
    const { quality, used } = aligned;
    return (
      used >= 8 &&
      this.isSure(aligned, MOST_SIGMA_ANEW) &&
      ((quality > 0.75 && used >= 12) ||
        (quality > 0.85 && agreeing >= 6) ||
        (quality > 0.5 && agreeing >= 7 && used >= 10) ||
        (quality > 0.38 && agreeing >= 10 && used >= 10) ||
        (quality > 0.3 && agreeing >= 24 && used >= 10))
    );
  }
}

/** Much is seen of it, and where it is. */
const worthOf = ({ quality, used, error }: Aligned): number => (quality * used) / (0.3 + error);

/** Matches as what is seen of the picture. */
const sightingsOf = (m: Matches, of: readonly number[]): Sighting[] =>
  of.map((q) => {
    const information = 1 / (m.tolerance[q] - 1) ** 2;
    return { x: m.x[q], y: m.y[q], u: m.u[q], v: m.v[q], a: information, b: 0, c: information, residual: 0 };
  });

const sightOf = ({ pose, quality, sigma, sightings }: Aligned, how: Sight['how']): Sight => ({
  pose,
  how,
  quality,
  sigma,
  sightings,
});
