/**
 * The picture tracker on simulated frames of 640 x 480: stills from all sides, near and far, covered, blurred, in poor light; frames without
 * the picture; sequences in which it is followed. `node scripts/run-ts.mjs bench/picture.ts [rich] [medium] [poor]`
 */
import { Random } from '../src/core/maths/random';
import { Frame } from '../src/core/vision/frame-features';
import { pyramidOf, type Grey } from '../src/core/vision/grey';
import { findNearest, makeFindNearest } from '../src/core/vision/hamming';
import { project } from '../src/core/vision/homography';
import { makePictureTarget } from '../src/core/vision/picture-target';
import { PictureTracker } from '../src/core/vision/picture-tracker';
import {
  cameraOf,
  cornersOf,
  homographyOf,
  type Camera,
  type PlanePose,
} from '../src/core/vision/plane-pose';
import { randomPose, simulateFrame, type FrameConditions } from '../src/core/vision/simulated-frame';
import { poster, RICHNESS, type Richness } from './picture-posters';
import { median, report } from './report';

const only = process.argv.slice(2) as Richness[];
const camera: Camera = cameraOf(640, 480, 44);
/** Posters of each kind, and stills of each poster. */
const SEEDS = [101, 202, 303];
const STILLS = 96;
/** A pose is right when its corners are so near, pixels on average. */
const RIGHT = 4;

/** Mean distance of the corners of two poses, pixels. */
export const cornerError = (a: PlanePose, b: PlanePose, aspect: number): number => {
  const [ha, hb] = [homographyOf(a, camera), homographyOf(b, camera)];
  const off = cornersOf(aspect).map(([x, y]) => {
    const [p, q] = [project(ha, x, y), project(hb, x, y)];
    return Math.hypot(p[0] - q[0], p[1] - q[1]);
  });
  return off.reduce((sum, d) => sum + d, 0) / 4;
};

const nearest = (await makeFindNearest()) ?? findNearest;
const DEGREES = Math.PI / 180;

interface Case {
  readonly pose: PlanePose;
  readonly conditions: FrameConditions;
}
/** One hardship at a time, to its worst; the rest as a camera in a room has it. */
const HARDSHIPS = ['plain', 'tilted', 'small', 'covered', 'blurred', 'dim'] as const;
type Hardship = (typeof HARDSHIPS)[number];
const still = (hardship: Hardship, random: Random): Case => {
  const is = (h: Hardship): boolean => h === hardship;
  const share = is('small') ? random.between(0.12, 0.25) : random.between(0.3, 0.8);
  const tilt = is('tilted') ? random.between(50, 70) : random.between(0, 40);
  return {
    pose: randomPose(camera, share, tilt * DEGREES, random),
    conditions: {
      cover: is('covered') ? random.between(0.1, 0.6) : 0,
      blur: is('blurred') ? Math.round(random.between(1, 7)) : 0,
      noise: is('dim') ? random.between(4, 9) : 3,
      light: is('dim') ? random.between(0.2, 0.5) : 0.9,
    },
  };
};
const time = <T>(work: () => T): [T, number] => {
  const began = performance.now();
  const result = work();
  return [result, performance.now() - began];
};

const frame = new Frame(camera.width, camera.height);
for (const richness of RICHNESS) {
  if (only.length > 0 && !only.includes(richness)) continue;
  const [trained, detected, followed, errors]: [number[], number[], number[], number[]] = [[], [], [], []];
  let [found, wrong, stills, kept, steps] = [0, 0, 0, 0, 0];
  const by = new Map<Hardship, readonly [number, number]>();
  for (const seed of SEEDS) {
    const picture: Grey = await poster(richness, seed);
    const [target, ms] = time(() => makePictureTarget(picture));
    trained.push(ms);
    const levels = pyramidOf(picture);
    const { aspect } = target;
    const tracker = new PictureTracker(target, camera, nearest);
    const random = new Random(seed * 7);
    for (let i = 0; i < STILLS; i++) {
      const { pose, conditions } = still(HARDSHIPS[i % HARDSHIPS.length]!, random);
      const grey = simulateFrame(levels, camera, pose, conditions, random);
      const [sight, took] = time(() => {
        frame.load(grey);
        return tracker.find(frame, frame.features());
      });
      detected.push(took);
      stills++;
      const off = sight ? cornerError(sight.pose, pose, aspect) : Infinity;
      if (sight && off > RIGHT) wrong++;
      if (off <= RIGHT) {
        found++;
        errors.push(off);
      }
      const hardship = HARDSHIPS[i % HARDSHIPS.length]!;
      const [right, of] = by.get(hardship) ?? [0, 0];
      by.set(hardship, [right + (off <= RIGHT ? 1 : 0), of + 1]);
    }
    // Without it: nothing may be found.
    for (let i = 0; i < 40; i++) {
      frame.load(simulateFrame(levels, camera, null, { noise: 4 }, random));
      if (tracker.find(frame, frame.features())) wrong++;
    }
    // A hand that moves about: followed frame by frame.
    for (let run = 0; run < 2; run++) {
      const size = 0.3 + 0.2 * run;
      const base = randomPose(camera, size, 0.2, random);
      tracker.lose();
      for (let n = 0; n < 60; n++) {
        const t = n / 30;
        const pose = wandering(base, t, run);
        frame.load(
          simulateFrame(
            levels,
            camera,
            pose,
            { blur: 1, noise: 4, cover: n > 25 && n < 40 ? 0.3 : 0 },
            random,
          ),
        );
        steps++;
        if (!tracker.isFollowing) {
          if (tracker.find(frame, frame.features())) kept++;
          continue;
        }
        const [sight, took] = time(() => tracker.follow(frame));
        followed.push(took);
        if (sight && cornerError(sight.pose, pose, aspect) <= RIGHT) kept++;
      }
    }
  }
  report({ name: `track.picture.${richness}.found`, value: (100 * found) / stills, unit: '%' });
  report({ name: `track.picture.${richness}.wrong`, value: wrong, unit: 'frames' });
  report({ name: `track.picture.${richness}.px`, value: median(errors), unit: 'px' });
  report({ name: `track.picture.${richness}.followed`, value: (100 * kept) / steps, unit: '%' });
  report({ name: `track.picture.${richness}.detect`, value: median(detected), unit: 'ms' });
  report({ name: `track.picture.${richness}.follow`, value: median(followed), unit: 'ms' });
  report({ name: `track.picture.${richness}.train`, value: median(trained) / 1000, unit: 's' });
  for (const [hardship, [right, of]] of by)
    report({ name: `track.picture.${richness}.found.${hardship}`, value: (100 * right) / of, unit: '%' });
  // How small it can be: the least share of the width from which on nine of ten are found.
}

function wandering(base: PlanePose, t: number, run: number): PlanePose {
  const [x, y, z] = base.position;
  return {
    rotation: base.rotation,
    position: [
      x + 0.25 * Math.sin(2 * t + run),
      y + 0.2 * Math.sin(3 * t),
      z * (1 + 0.2 * Math.sin(1.7 * t)),
    ],
  };
}
