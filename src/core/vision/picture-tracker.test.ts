/** A printed picture is found, followed, lost and found; what is not it is not found. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { Random } from '../maths/random';
import { Frame } from './frame-features';
import { Grey, pyramidOf } from './grey';
import { project } from './homography';
import { agreeingWith, homographyOfSet, isPictureSeen, type Matches } from './matching';
import { makePictureTarget, type PictureTarget } from './picture-target';
import { PictureTracker } from './picture-tracker';
import { cameraOf, cornersOf, homographyOf, type PlanePose } from './plane-pose';
import { randomPose, simulateFrame, type FrameConditions } from './simulated-frame';
import { cornersApart, testPoster } from './testing';

const camera = cameraOf(320, 240, 44);
const poster = testPoster(11);
const levels = pyramidOf(poster);
const frame = new Frame(camera.width, camera.height);
let target: PictureTarget;
beforeAll(() => {
  target = makePictureTarget(poster);
});

const load = (pose: PlanePose | null, conditions: FrameConditions = {}, seed = 1): void =>
  frame.load(simulateFrame(levels, camera, pose, conditions, new Random(seed)));
const cornersOff = (a: PlanePose, b: PlanePose): number => cornersApart(a, b, target.aspect, camera);
const find = (tracker: PictureTracker) => tracker.find(frame, frame.features());

describe('making a target', () => {
  test('tells how far it is, and keeps no level wider than is followed', () => {
    const shares: number[] = [];
    const wide = makePictureTarget(testPoster(2, 30, 1400, 700), (share) => shares.push(share));
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(wide.levels[0]!.width).toBe(350);
    expect(wide.aspect).toBe(0.5);
  });
  test.each([
    ['of one colour', new Grey(400, 300)],
    ['of 40 x 40 pixels', testPoster(3, 12, 40, 40)],
    ['of one pixel', new Grey(1, 1)],
  ])('a picture %s gives a target that is never found, and nothing breaks', (_name, picture) => {
    const tracker = new PictureTracker(makePictureTarget(picture), camera);
    load(null);
    expect(find(tracker)).toBeNull();
    expect(tracker.follow(frame)).toBeNull();
  });
});

describe('finding', () => {
  test.each([
    ['as it is', 0.5, 0.3, {}],
    ['tilted by 60 degrees', 0.7, 60 * (Math.PI / 180), {}],
    ['small', 0.28, 0.3, {}],
    ['half covered', 0.6, 0.3, { cover: 0.5 }],
    ['blurred', 0.6, 0.3, { blur: 3 }],
    ['in poor light', 0.6, 0.3, { light: 0.3, noise: 5 }],
    ['through a wide lens', 0.6, 0.3, { distortion: 0.05 }],
  ] as const)('%s', (name, share, tilt, conditions) => {
    const tracker = new PictureTracker(target, camera);
    for (let seed = 1; seed <= 4; seed++) {
      const pose = randomPose(camera, share, tilt, new Random(seed));
      load(pose, conditions, seed);
      const sight = find(tracker);
      expect(sight?.how).toBe('found');
      expect(cornersOff(sight!.pose, pose)).toBeLessThan(name === 'through a wide lens' ? 5 : 1.2);
    }
  });
  test('not where it is not: a wall, another poster', () => {
    const tracker = new PictureTracker(target, camera);
    const other = pyramidOf(testPoster(77));
    for (let seed = 1; seed <= 6; seed++) {
      load(null, {}, seed);
      expect(find(tracker)).toBeNull();
      const pose = randomPose(camera, 0.6, 0.3, new Random(seed));
      frame.load(simulateFrame(other, camera, pose, {}, new Random(seed)));
      expect(find(tracker)).toBeNull();
    }
  });
  test('the same frame gives the same pose', () => {
    const pose = randomPose(camera, 0.5, 0.5, new Random(8));
    load(pose, { noise: 6 });
    const [a, b] = [new PictureTracker(target, camera), new PictureTracker(target, camera)].map(find);
    expect(a).toEqual(b);
  });
  test('a homography is found among 60 % wrong matches', () => {
    const pose = randomPose(camera, 0.6, 0.5, new Random(3));
    const truth = homographyOf(pose, camera);
    const random = new Random(6);
    const count = 100;
    const places = Array.from({ length: count }, () => [
      random.between(-0.5, 0.5),
      random.between(-0.6, 0.6),
    ]);
    const seen = places.map(([x, y], i) =>
      i % 5 < 2 ? project(truth, x!, y!) : [random.next() * 320, random.next() * 240],
    );
    const column = (of: readonly (readonly number[])[], k: number) => Float64Array.from(of, (p) => p[k]!);
    const m: Matches = {
      count,
      x: column(places, 0),
      y: column(places, 1),
      u: column(seen, 0),
      v: column(seen, 1),
      tolerance: new Float64Array(count).fill(3),
      feature: [],
      described: [],
    };
    // As the votes leave it: most of a set agree.
    const set = places.map((_, i) => i).filter((i) => i % 5 < 2 || i % 10 === 3);
    const { homography } = homographyOfSet(m, { members: set, of: 0, affine: [1, 0, 0, 1] }, random, (h) =>
      isPictureSeen(h, 4 / 3, camera),
    )!;
    const agreeing = agreeingWith(m, homography);
    expect(agreeing.filter((i) => i % 5 < 2)).toHaveLength(40);
    expect(agreeing.length).toBeLessThan(46);
  });
});

describe('following', () => {
  const along = (t: number): PlanePose => {
    const base = randomPose(camera, 0.5, 0.4, new Random(5));
    return { ...base, position: base.position.map((x, i) => x + 0.2 * Math.sin(2 * t + i)) };
  };
  test('from frame to frame, without drifting from the truth', () => {
    const tracker = new PictureTracker(target, camera);
    for (let n = 0; n < 40; n++) {
      load(along(n / 30), { blur: 1 }, n);
      const sight = tracker.isFollowing ? tracker.follow(frame) : find(tracker);
      expect(sight?.how).toBe(n === 0 ? 'found' : 'followed');
      expect(cornersOff(sight!.pose, along(n / 30))).toBeLessThan(0.8);
    }
  });
  test('covered it is lost, uncovered found again where it is', () => {
    const tracker = new PictureTracker(target, camera);
    load(along(0));
    expect(find(tracker)).not.toBeNull();
    load(null, {}, 3);
    expect(tracker.follow(frame)).toBeNull();
    expect(tracker.isFollowing).toBe(false);
    load(along(1));
    const sight = find(tracker);
    expect(cornersOff(sight!.pose, along(1))).toBeLessThan(0.8);
  });
});

describe('where somebody says that it is', () => {
  const pose = randomPose(camera, 0.5, 0.4, new Random(8));
  const corners = (off: number): [number, number][] => {
    const h = homographyOf(pose, camera);
    return cornersOf(target.aspect).map(([x, y], i) => {
      const [u, v] = project(h, x, y);
      return [u + (i % 2 === 0 ? off : -off), v - off];
    });
  };
  test('it is brought onto the frame from there, and followed', () => {
    const tracker = new PictureTracker(target, camera);
    load(pose);
    const sight = tracker.begin(frame, corners(2.5))!;
    expect(cornersOff(sight.pose, pose)).toBeLessThan(0.5);
    expect(cornersOff(tracker.follow(frame)!.pose, pose)).toBeLessThan(0.5);
  });
  test('where nothing of it can be seen the corners are believed, for this frame', () => {
    const tracker = new PictureTracker(target, camera);
    load(null);
    const sight = tracker.begin(frame, corners(0))!;
    expect(cornersOff(sight.pose, pose)).toBeLessThan(0.5);
    expect(sight.quality).toBe(0);
    expect(tracker.follow(frame)).toBeNull();
  });
  test('from behind, or with three corners on a line, it is not there', () => {
    const tracker = new PictureTracker(target, camera);
    load(pose);
    expect(tracker.begin(frame, corners(0).reverse())).toBeNull();
    const [a, b, c] = corners(0) as [[number, number], [number, number], [number, number]];
    expect(tracker.begin(frame, [a, b, [2 * b[0] - a[0], 2 * b[1] - a[1]], c])).toBeNull();
    expect(tracker.begin(frame, [a, b, c])).toBeNull();
    expect(tracker.isFollowing).toBe(false);
  });
});
