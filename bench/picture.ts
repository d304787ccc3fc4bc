/**
 * The picture tracker on simulated frames of 640 x 480, beside the general-purpose library on the same frames: stills with one hardship at
 * a time, frames without the picture, sequences in which it is followed, frames as bad cameras give them.
 * `node scripts/run-ts.mjs bench/picture.ts [rich] [medium] [poor]`
 */
import sharp from 'sharp';
import { Random } from '../src/core/maths/random';
import { Frame } from '../src/core/vision/frame-features';
import { Grey, halve, pyramidOf } from '../src/core/vision/grey';
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
import { LibraryFinder, type Quad } from './picture-library';
import { poster, RICHNESS, type Richness } from './picture-posters';
import { median, report } from './report';

const only = process.argv.slice(2) as Richness[];
const camera: Camera = cameraOf(640, 480, 44);
/** Posters of each kind, and stills of each poster. */
const SEEDS = [101, 202, 303];
const STILLS = 96;
const WITHOUT = 40;
/** A pose is right when its corners are so near, pixels on average. */
const RIGHT = 4;
const LIBRARY = 'general-purpose library';
const DEGREES = Math.PI / 180;
const nearest = (await makeFindNearest()) ?? findNearest;

const quadOf = (pose: PlanePose, aspect: number): NonNullable<Quad> =>
  cornersOf(aspect).map(([x, y]) => {
    const [u, v] = project(homographyOf(pose, camera), x, y);
    return [u, v] as const;
  });
/** Mean distance of the corners, pixels. */
const apart = (a: Quad, b: NonNullable<Quad>): number =>
  a ? a.reduce((sum, p, i) => sum + Math.hypot(p[0] - b[i]![0], p[1] - b[i]![1]) / 4, 0) : Infinity;

/** One hardship at a time, to its worst; the rest as a camera in a room has it. */
const HARDSHIPS = ['plain', 'tilted', 'small', 'covered', 'blurred', 'dim'] as const;
type Hardship = (typeof HARDSHIPS)[number];
const still = (hardship: Hardship, random: Random): { pose: PlanePose; conditions: FrameConditions } => {
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

const compressed = async (grey: Uint8Array, quality: number): Promise<Uint8Array> => {
  const raw = { width: camera.width, height: camera.height, channels: 1 as const };
  const jpeg = await sharp(grey, { raw }).jpeg({ quality }).toBuffer();
  return new Uint8Array(await sharp(jpeg).greyscale().raw().toBuffer());
};
/** Frames as bad cameras give them. */
const CAMERAS: Readonly<Record<string, FrameConditions & { readonly quality?: number }>> = {
  noise: { noise: 14 },
  compression: { quality: 30 },
  rolling: { shear: 12, blur: 1 },
  defocus: { blur: 6 },
  distortion: { distortion: 0.1 },
};

const time = <T>(work: () => T): [T, number] => {
  const began = performance.now();
  const result = work();
  return [result, performance.now() - began];
};
/** How many of how many. */
class Rate {
  right = 0;
  of = 0;
  add(is: boolean): void {
    this.of++;
    if (is) this.right++;
  }
  get percent(): number {
    return (100 * this.right) / Math.max(1, this.of);
  }
}

const frame = new Frame(camera.width, camera.height);
const measure = async (richness: Richness): Promise<void> => {
  const name = `track.picture.${richness}`;
  const [trained, detected, libraryDetected, followed, libraryFollowed, errors]: number[][] = [
    [],
    [],
    [],
    [],
    [],
    [],
  ];
  const [found, libraryFound, kept] = [new Rate(), new Rate(), new Rate()];
  const by = new Map(HARDSHIPS.map((h) => [h, new Rate()]));
  const bad = new Map(Object.keys(CAMERAS).map((c) => [c, { rate: new Rate(), errors: [] as number[] }]));
  const sizes = new Map([0.08, 0.09, 0.1, 0.11, 0.12, 0.14, 0.16, 0.2].map((s) => [s, new Rate()]));
  let [wrong, libraryWrong] = [0, 0];
  for (const seed of SEEDS) {
    const picture = await poster(richness, seed);
    const [target, ms] = time(() => makePictureTarget(picture));
    trained!.push(ms);
    const beside = new LibraryFinder(halve(picture));
    const levels = pyramidOf(picture);
    const tracker = new PictureTracker(target, camera, nearest);
    const random = new Random(seed * 7);
    const findIn = (grey: Uint8Array): [PlanePose | null, number] => {
      const [sight, took] = time(() => {
        frame.load(grey);
        return tracker.find(frame, frame.features());
      });
      return [sight?.pose ?? null, took];
    };
    const off = (pose: PlanePose | null, truth: PlanePose): number =>
      apart(pose && quadOf(pose, target.aspect), quadOf(truth, target.aspect));

    for (let i = 0; i < STILLS; i++) {
      const hardship = HARDSHIPS[i % HARDSHIPS.length]!;
      const { pose, conditions } = still(hardship, random);
      const grey = simulateFrame(levels, camera, pose, conditions, random);
      const [seen, took] = findIn(grey);
      detected!.push(took);
      const error = off(seen, pose);
      found.add(error <= RIGHT);
      by.get(hardship)!.add(error <= RIGHT);
      if (seen && error > RIGHT) wrong++;
      if (error <= RIGHT) errors!.push(error);
      const [quad, libraryTook] = time(() => beside.find(new Grey(camera.width, camera.height, grey)));
      libraryDetected!.push(libraryTook);
      const libraryError = apart(quad, quadOf(pose, target.aspect));
      libraryFound.add(libraryError <= RIGHT);
      if (quad && libraryError > RIGHT) libraryWrong++;
    }
    // Without it: nothing may be found.
    for (let i = 0; i < WITHOUT; i++) {
      const grey = simulateFrame(levels, camera, null, { noise: 4 }, random);
      if (findIn(grey)[0]) wrong++;
      if (beside.find(new Grey(camera.width, camera.height, grey))) libraryWrong++;
    }
    for (const [kind, conditions] of Object.entries(CAMERAS))
      for (let i = 0; i < 16; i++) {
        const pose = randomPose(camera, random.between(0.3, 0.8), random.between(0, 40) * DEGREES, random);
        const drawn = simulateFrame(levels, camera, pose, conditions, random);
        const [seen] = findIn(conditions.quality ? await compressed(drawn, conditions.quality) : drawn);
        const error = off(seen, pose);
        const { rate, errors: of } = bad.get(kind)!;
        // A lens that bends, or rows that come late, move the corners themselves: found is what is near them.
        rate.add(error <= 3 * RIGHT);
        if (error <= 3 * RIGHT) of.push(error);
      }
    for (const [share, rate] of sizes)
      for (let i = 0; i < 8; i++) {
        const pose = randomPose(camera, share, random.between(0, 30) * DEGREES, random);
        rate.add(off(findIn(simulateFrame(levels, camera, pose, { noise: 2 }, random))[0], pose) <= RIGHT);
      }
    // It is moved about, covered for a while, and followed frame by frame.
    for (let run = 0; run < 2; run++) {
      const base = randomPose(camera, 0.3 + 0.2 * run, 0.2, random);
      tracker.lose();
      let before: Grey | null = null;
      for (let n = 0; n < 60; n++) {
        const pose = wandering(base, n / 30, run);
        const cover = n > 25 && n < 40 ? 0.3 : 0;
        const grey = simulateFrame(levels, camera, pose, { blur: 1, noise: 4, cover }, random);
        const now = new Grey(camera.width, camera.height, grey);
        if (before && n % 6 === 0) libraryFollowed!.push(LibraryFinder.follow(before, now));
        before = now;
        if (!tracker.isFollowing) {
          kept.add(off(findIn(grey)[0], pose) <= RIGHT);
          continue;
        }
        const [sight, took] = time(() => {
          frame.load(grey);
          return tracker.follow(frame);
        });
        followed!.push(took);
        kept.add(off(sight?.pose ?? null, pose) <= RIGHT);
      }
    }
  }
  const against = LIBRARY;
  report({
    name: `${name}.found`,
    value: found.percent,
    unit: '%',
    ratio: found.percent / libraryFound.percent,
    against,
  });
  report({ name: `${name}.wrong`, value: wrong, unit: 'frames', library: libraryWrong });
  report({ name: `${name}.px`, value: median(errors!), unit: 'px' });
  report({ name: `${name}.followed`, value: kept.percent, unit: '%' });
  const [detect, follow] = [median(detected!), median(followed!)];
  report({
    name: `${name}.detect`,
    value: detect,
    unit: 'ms',
    ratio: detect / median(libraryDetected!),
    against,
  });
  report({
    name: `${name}.follow`,
    value: follow,
    unit: 'ms',
    ratio: follow / median(libraryFollowed!),
    against,
  });
  report({ name: `${name}.train`, value: median(trained!) / 1000, unit: 's' });
  const ordered = [...sizes].sort(([a], [b]) => b - a);
  const failing = ordered.findIndex(([, rate]) => rate.percent < 80);
  const smallest = ordered[failing < 0 ? ordered.length - 1 : failing - 1]?.[0];
  report({ name: `${name}.smallest`, value: 100 * (smallest ?? 1), unit: '% of the width' });
  for (const [hardship, rate] of by)
    report({ name: `${name}.found.${hardship}`, value: rate.percent, unit: '%' });
  for (const [kind, { rate, errors: of }] of bad) {
    report({ name: `${name}.${kind}.found`, value: rate.percent, unit: '%' });
    report({ name: `${name}.${kind}.px`, value: of.length > 0 ? median(of) : NaN, unit: 'px' });
  }
};

const wandering = (base: PlanePose, t: number, run: number): PlanePose => {
  const [x, y, z] = base.position as [number, number, number];
  return {
    rotation: base.rotation,
    position: [
      x + 0.25 * Math.sin(2 * t + run),
      y + 0.2 * Math.sin(3 * t),
      z * (1 + 0.2 * Math.sin(1.7 * t)),
    ],
  };
};

for (const richness of RICHNESS) if (only.length === 0 || only.includes(richness)) await measure(richness);
