/** The parts that finding pictures is made of, against known answers. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { solveLinear } from '../maths/linear';
import { posesOfAffine } from './affine-pose';
import { Random } from '../maths/random';
import { findCorners } from './corners';
import { cornerAngle, describe as describeCorner, REACH, WORDS } from './descriptors';
import { blur, Grey, greyOfRgba, halve, pyramidOf, sampleAt } from './grey';
import { findNearest, makeFindNearest, ONE_PLACE, type DescriptorSet } from './hamming';
import { homographyOf4, project, refineHomography } from './homography';
import {
  cameraOf,
  cornerSigma,
  fitPose,
  homographyOf,
  mirroredPose,
  onwards,
  poseOfHomography,
  type PlanePose,
  type Sighting,
} from './plane-pose';
import { randomPose } from './simulated-frame';
import { testPoster } from './testing';
import { trackPoints } from './track-points';

const camera = cameraOf(640, 480, 44);

describe('grey pictures', () => {
  test('brightness by the weights of the eye', () => {
    const grey = greyOfRgba([255, 0, 0, 9, 0, 255, 0, 9, 0, 0, 255, 9, 255, 255, 255, 0], new Grey(4, 1));
    expect([...grey.data]).toEqual([77, 149, 29, 255]);
  });
  test('halved by the mean of four; down to the least side', () => {
    expect([...halve(new Grey(2, 2, Uint8Array.of(0, 10, 20, 31))).data]).toEqual([15]);
    expect(pyramidOf(new Grey(100, 50)).map((l) => l.width)).toEqual([100, 50, 25]);
  });
  test('blurred the same whether four pixels are one word or not', () => {
    const [wide, narrow] = [testPoster(4, 30, 64, 40), new Grey(62, 40)];
    for (let y = 0; y < 40; y++) narrow.data.set(wide.data.subarray(64 * y, 64 * y + 62), 62 * y);
    const [a, b] = [blur(wide), blur(narrow)];
    for (let y = 0; y < 40; y++)
      for (let x = 0; x < 59; x++) expect(a.data[64 * y + x]).toBe(b.data[62 * y + x]);
  });
  test('between pixels bilinear, beyond the edge as the edge', () => {
    const g = new Grey(2, 2, Uint8Array.of(0, 100, 100, 200));
    expect(sampleAt(g, 0.5, 0.5)).toBeCloseTo(100, 6);
    expect(sampleAt(g, -5, -5)).toBe(0);
    expect(sampleAt(g, 9, 9)).toBeCloseTo(200, 0);
  });
});

describe('corners', () => {
  const square = new Grey(64, 64);
  for (let y = 20; y < 44; y++) square.data.fill(200, 64 * y + 20, 64 * y + 44);
  test('of a square are its four; an even picture has none', () => {
    const corners = findCorners(square, { threshold: 20, border: 4, most: 50, cell: 16 });
    const near = [...corners.x].map((x, i) => [Math.round(x / 8), Math.round(corners.y[i] / 8)].join());
    expect(new Set(near)).toEqual(new Set(['3,3', '5,3', '3,5', '5,5']));
    expect(findCorners(new Grey(64, 64), { threshold: 1, border: 4, most: 9, cell: 16 }).count).toBe(0);
  });
  test('each cell gives its best before any gives its second, and no more than are wanted', () => {
    const poster = testPoster(3);
    const few = findCorners(poster, { threshold: 10, border: 14, most: 12, cell: 120 });
    expect(few.count).toBe(12);
    const cells = [...few.x].map((x, i) => `${(x / 120) | 0},${(few.y[i] / 120) | 0}`);
    expect(new Set(cells).size).toBe(12);
  });
  test('places to follow are spread over the picture', () => {
    const points = trackPoints(testPoster(3));
    const quarters = points.slice(0, 16).map(({ x, y }) => `${x > 180},${y > 240}`);
    expect(new Set(quarters).size).toBe(4);
  });
});

describe('descriptors', () => {
  const poster = testPoster(9);
  const turned = new Grey(poster.height, poster.width);
  for (let y = 0; y < turned.height; y++)
    for (let x = 0; x < turned.width; x++)
      turned.data[y * turned.width + x] = poster.data[x * poster.width + (poster.width - 1 - y)];
  const bits = (a: Int32Array, b: Int32Array): number => {
    let sum = 0;
    for (let k = 0; k < WORDS; k++) for (let v = a[k] ^ b[k]; v !== 0; v &= v - 1) sum++;
    return sum;
  };
  test('turn with the picture: nearly the same for the same corner, far off for others', () => {
    const [a, b] = [blur(poster), blur(turned)];
    const corners = findCorners(poster, { threshold: 20, border: REACH + 3, most: 40, cell: 60 });
    let [own, other] = [0, 0];
    let before = new Int32Array(WORDS);
    for (let i = 0; i < corners.count; i++) {
      const [x, y] = [corners.x[i], corners.y[i]];
      const [first, second] = [new Int32Array(WORDS), new Int32Array(WORDS)];
      describeCorner(a, x, y, cornerAngle(a, x, y), first, 0);
      const [tx, ty] = [y, poster.width - 1 - x];
      describeCorner(b, tx, ty, cornerAngle(b, tx, ty), second, 0);
      own += bits(first, second) / corners.count;
      other += bits(first, before) / corners.count;
      before = first;
    }
    expect(own).toBeLessThan(30);
    expect(other).toBeGreaterThan(2 * own);
  });
  test('WebAssembly finds the same as plain JavaScript, beyond one helping too', async () => {
    const random = new Random(3);
    const words = (n: number) => Int32Array.from({ length: WORDS * n }, () => (random.next() * 2 ** 32) | 0);
    const set: DescriptorSet = {
      count: 300,
      words: words(300),
      x: Int32Array.from({ length: 300 }, () => random.next() * 200),
      y: Int32Array.from({ length: 300 }, () => random.next() * 200),
    };
    const sought = words(2100);
    const simd = await makeFindNearest();
    expect(simd!(sought, 2100, set)).toEqual(findNearest(sought, 2100, set));
  });
  test('where WebAssembly is blocked there is none, and plain JavaScript stays', async () => {
    const { instantiate } = WebAssembly;
    const blocked = (): Promise<never> => Promise.reject(new Error('blocked by the page'));
    WebAssembly.instantiate = blocked as typeof instantiate;
    try {
      expect(await makeFindNearest()).toBeNull();
    } finally {
      WebAssembly.instantiate = instantiate;
    }
  });
  test('the second nearest lies elsewhere on the picture', () => {
    const [one, flipped, far] = [new Int32Array(WORDS), new Int32Array(WORDS), new Int32Array(WORDS)];
    flipped[0] = 0b111;
    far.fill(-1, 0, 2);
    const set = {
      count: 3,
      words: Int32Array.from([...one, ...flipped, ...far]),
      x: Int32Array.of(0, ONE_PLACE - 1, 500),
      y: Int32Array.of(0, 0, 0),
    };
    expect(findNearest(one, 1, set)).toEqual({
      index: Int32Array.of(0),
      distance: Int32Array.of(0),
      second: Int32Array.of(64),
    });
  });
});

describe('planes seen by a camera', () => {
  const poses = fc.record({
    seed: fc.integer({ min: 1, max: 1e6 }),
    share: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
    tilt: fc.double({ min: 0, max: 1.2, noNaN: true }),
  });
  const poseOf = ({ seed, share, tilt }: { seed: number; share: number; tilt: number }): PlanePose =>
    randomPose(camera, share, tilt, new Random(seed));
  const off = (a: PlanePose, b: PlanePose): number =>
    Math.max(
      ...a.rotation.map((x, i) => Math.abs(x - b.rotation[i])),
      ...a.position.map((x, i) => Math.abs(x - b.position[i])),
    );
  const sightingsOf = (pose: PlanePose, n = 40): Sighting[] => {
    const random = new Random(n);
    const h = homographyOf(pose, camera);
    return Array.from({ length: n }, () => {
      const [x, y] = [random.between(-0.5, 0.5), random.between(-0.6, 0.6)];
      const [u, v] = project(h, x, y);
      return { x, y, u, v, a: 1, b: 0, c: 1, residual: 0 };
    });
  };

  test('equations: the answer, or that there is none', () => {
    const b = Float64Array.of(3, 5);
    expect(solveLinear(Float64Array.of(0, 2, 1, 1), b, 2)).toBe(true);
    expect([...b]).toEqual([3.5, 1.5]);
    expect(solveLinear(Float64Array.of(1, 2, 2, 4), Float64Array.of(1, 2), 2)).toBe(false);
  });
  test('what is about one place tells the pose, one way or the other', () => {
    fc.assert(
      fc.property(poses, fc.double({ min: -0.4, max: 0.4, noNaN: true }), (of, x) => {
        const pose = poseOf(of);
        const h = homographyOf(pose, camera);
        const y = 0.3 - x;
        const [u, v] = project(h, x, y);
        const e = 1e-5;
        const [ux, vx] = project(h, x + e, y);
        const [uy, vy] = project(h, x, y + e);
        const j = [(ux - u) / e, (uy - u) / e, (vx - v) / e, (vy - v) / e];
        const guessed = posesOfAffine({ x, y, u, v, j }, camera);
        expect(guessed).toHaveLength(2);
        expect(Math.min(...guessed.map((g) => off(g, pose)))).toBeLessThan(2e-3);
      }),
    );
    expect(posesOfAffine({ x: 0, y: 0, u: 9, v: 9, j: [0, 0, 0, 0] }, camera)).toEqual([]);
  });
  test('a homography through four points is exact, and so is the pose it means', () => {
    fc.assert(
      fc.property(poses, (of) => {
        const pose = poseOf(of);
        const seen = sightingsOf(pose, 4);
        seen.forEach((s, i) => {
          const [x, y] = (
            [
              [-0.5, -0.6],
              [0.5, -0.6],
              [0.5, 0.6],
              [-0.5, 0.6],
            ] as const
          )[i]!;
          const [u, v] = project(homographyOf(pose, camera), x, y);
          Object.assign(s, { x, y, u, v });
        });
        const pairs = {
          x: seen.map((s) => s.x),
          y: seen.map((s) => s.y),
          u: seen.map((s) => s.u),
          v: seen.map((s) => s.v),
        };
        const h = new Float64Array(9);
        expect(homographyOf4(pairs, [0, 1, 2, 3], h)).toBe(true);
        expect(off(poseOfHomography(h, camera)!, pose)).toBeLessThan(1e-6);
      }),
    );
  });
  test('three points on a line are no homography', () => {
    const pairs = { x: [0, 1, 2, 0], y: [0, 0, 0, 1], u: [0, 1, 2, 0], v: [0, 0, 0, 1] };
    expect(homographyOf4(pairs, [0, 1, 2, 3], new Float64Array(9))).toBe(false);
  });
  test('a homography is refined onto its pairs, a wrong one left out', () => {
    const pose = poseOf({ seed: 4, share: 0.5, tilt: 0.6 });
    const truth = homographyOf(pose, camera);
    const seen = sightingsOf(pose, 30);
    const pairs = {
      x: seen.map((s) => s.x),
      y: seen.map((s) => s.y),
      u: seen.map((s, i) => s.u + (i === 7 ? 60 : 0)),
      v: seen.map((s) => s.v),
    };
    const h = Float64Array.from(truth, (x) => x / truth[8]);
    h[2] += 3;
    h[5] -= 2;
    refineHomography(
      h,
      pairs,
      seen.map((_, i) => i),
      12,
      10,
    );
    for (const [x, y] of [
      [-0.5, -0.5],
      [0.5, 0.5],
    ] as const) {
      const [p, q] = [project(h, x, y), project(truth, x, y)];
      expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeLessThan(1e-3);
    }
  });
  test('a pose comes back from where it was moved, with a third of the sightings wrong', () => {
    fc.assert(
      fc.property(poses, (of) => {
        const pose = poseOf(of);
        const random = new Random(of.seed);
        const sightings = sightingsOf(pose, 45).map((s, i) =>
          i % 3 === 0 ? { ...s, u: s.u + random.between(20, 90), v: s.v - random.between(20, 90) } : s,
        );
        const start = { ...pose, position: pose.position.map((x) => x * 1.01) };
        const { pose: fitted, error } = fitPose(start, sightings, camera, { floor: 0.25, rounds: 30 });
        const [a, b] = [homographyOf(fitted, camera), homographyOf(pose, camera)];
        const [p, q] = [project(a, 0.5, 0.6), project(b, 0.5, 0.6)];
        expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeLessThan(0.05);
        expect(error).toBeLessThan(0.05);
      }),
      { numRuns: 40 },
    );
  });
  test('mirrored twice is as before; onwards goes on as it came', () => {
    const pose = poseOf({ seed: 9, share: 0.4, tilt: 0.5 });
    expect(off(mirroredPose(mirroredPose(pose)), pose)).toBeLessThan(1e-9);
    const before = { ...pose, position: pose.position.map((x) => x - 0.1) };
    expect(onwards(before, pose).position[0]).toBeCloseTo(pose.position[0] + 0.1, 9);
    expect(off(onwards(pose, pose), pose)).toBeLessThan(1e-9);
  });
  test('a pose seen on one side alone is less sure than one seen all over', () => {
    const pose = poseOf({ seed: 2, share: 0.5, tilt: 0.4 });
    const seen = sightingsOf(pose, 60).map((s) => ({ ...s, residual: 0.3 }));
    const half = seen.filter((s) => s.x < -0.25);
    const sigma = (of: Sighting[]): number => cornerSigma(pose, of, camera, 1.33);
    expect(sigma(seen)).toBeLessThan(0.5);
    expect(sigma(half)).toBeGreaterThan(3 * sigma(seen));
    expect(sigma(seen.slice(0, 5))).toBe(Infinity);
  });
});
