/** Finds a printed picture anywhere in a frame, by what matches it. */
import type { Random } from '../maths/random';
import { posesOfAffine } from './affine-pose';
import type { Frame, FrameFeatures } from './frame-features';
import { FeatureGrid, growPose, type Grown } from './guided-matching';
import { project, refineHomography, type Homography } from './homography';
import {
  affineOf,
  agreeingSets,
  agreeingWith,
  homographyOfSet,
  isPictureSeen,
  type Matches,
} from './matching';
import { alignPose, type Aligned } from './patches';
import type { PictureTarget } from './picture-target';
import {
  cornersOf,
  fitPose,
  homographyOf,
  mirroredPose,
  poseOfHomography,
  type Camera,
  type PlanePose,
  type Sighting,
} from './plane-pose';
import { isSure, sightOf, type Sight } from './sight';

/** The worst corner may be so far off where a picture is found anew, pixels of a frame 640 wide: there is nothing else to tell by. */
const MOST_SIGMA_ANEW = 1.6;
const HOMOGRAPHIES = 12;
/** Fewer matches are none. */
export const LEAST_AGREEING = 5;
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

/** One target, sought in the frames of one camera. */
export class PictureDetector {
  constructor(
    private readonly target: PictureTarget,
    private readonly camera: Camera,
    private readonly random: Random,
  ) {}

  /** Homographies of sets that agree first, which is quick; where none is clear, poses that are grown from single matches. The best of all that will do. */
  find(frame: Frame, features: FrameFeatures, m: Matches): Sight | null {
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

  /** Many corners may be wrong together, patches of the picture hardly: the more of the one, the less of the other is asked. */
  private isAccepted(aligned: Aligned, agreeing: number): boolean {
    const { quality, used } = aligned;
    return (
      used >= 8 &&
      isSure(aligned, this.camera, MOST_SIGMA_ANEW) &&
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
