import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromAngles, angleBetween } from '../maths/quaternion';
import { composePoses, toOuter, type Pose } from '../maths/pose';
import { distance, pointAt } from '../maths/vec3';
import { FIRST_TAKE } from '../takes/library';
import { trueLandmarks } from '../takes/head-mesh';
import { projectPoint, coveringFovY } from '../tracking/project';
import type { Expressions } from '../tracking/track-frame';
import { EXPRESSION_NAMES } from '../tracking/expression-names';
import { displacementOf, MOVABLE, type MovableExpression } from './expressions';
import { FEATURE_POINT_NAMES, featurePoint } from './feature-points';
import { fitFace } from './fit';
import { harmonicWeights, neighbours } from './harmonic';
import { SHELL_POINTS, SHELL_TRIANGLES, SKULL, shellPositions, shellUv } from './head-shell';
import { ALL_LANDMARKS, FACE_LANDMARKS, OVAL } from './landmarks';
import { NEUTRAL_FACE, NEUTRAL_HEIGHT, OPEN_TRIANGLES, TRIANGLES, UV } from './neutral';
import { readExpressions } from './read-expressions';
import { refine, subdivide } from './subdivide';
import { FITTED_EXPRESSIONS, TOLD_ON_CAMERA } from '../tracking/expression-names';

const rest = (e: Expressions = {}) => trueLandmarks(FIRST_TAKE.performers[0]!, e);

describe('topology', () => {
  test('468 points, 898 triangles, one boundary: the oval', () => {
    expect(NEUTRAL_FACE).toHaveLength(FACE_LANDMARKS * 3);
    expect(UV).toHaveLength(FACE_LANDMARKS * 2);
    expect(TRIANGLES).toHaveLength(898 * 3);
    const edges = new Map<string, number>();
    for (let t = 0; t < TRIANGLES.length; t += 3)
      for (let k = 0; k < 3; k++) {
        const pair = [TRIANGLES[t + k]!, TRIANGLES[t + ((k + 1) % 3)]!].sort((a, b) => a - b).join();
        edges.set(pair, (edges.get(pair) ?? 0) + 1);
      }
    const rim = new Set(
      [...edges].filter(([, n]) => n === 1).flatMap(([pair]) => pair.split(',').map(Number)),
    );
    expect(rim).toEqual(new Set(OVAL));
  });
  test('the face is as large as a face, in metres, and looks along +Z', () => {
    expect(NEUTRAL_HEIGHT).toBeGreaterThan(0.16);
    expect(NEUTRAL_HEIGHT).toBeLessThan(0.2);
    expect(NEUTRAL_FACE[4 * 3 + 2]!).toBeGreaterThan(NEUTRAL_FACE[234 * 3 + 2]!);
  });
  test('52 expressions, each once', () => {
    expect(new Set(EXPRESSION_NAMES).size).toBe(52);
  });
  test('the head shell is closed: every edge has two sides', () => {
    const edges = new Map<string, number>();
    for (let t = 0; t < SHELL_TRIANGLES.length; t += 3)
      for (let k = 0; k < 3; k++) {
        // Directed: a closed, evenly wound surface walks each edge once each way.
        const pair = [SHELL_TRIANGLES[t + k], SHELL_TRIANGLES[t + ((k + 1) % 3)]].join();
        edges.set(pair, (edges.get(pair) ?? 0) + 1);
      }
    for (const [pair, n] of edges) {
      expect(n).toBe(1);
      expect(edges.get(pair.split(',').reverse().join())).toBe(1);
    }
  });
  test('the back of the shell lies on the skull', () => {
    const shell = shellPositions(NEUTRAL_FACE);
    expect(shell).toHaveLength(SHELL_POINTS * 3);
    expect(shellUv()).toHaveLength(SHELL_POINTS * 2);
    const [x, y, z] = pointAt(shell, FACE_LANDMARKS + 4 * OVAL.length);
    const { centre, radii } = SKULL;
    expect(
      Math.hypot((x - centre[0]) / radii[0], (y - centre[1]) / radii[1], (z - centre[2]) / radii[2]),
    ).toBeCloseTo(1, 5);
  });
});

describe('feature points', () => {
  const p = (name: (typeof FEATURE_POINT_NAMES)[number]) => featurePoint(NEUTRAL_FACE, name);
  test('lie where their names say, the wearer’s left at +x', () => {
    expect(p('headCentre')).toEqual([0, 0, 0]);
    expect(p('noseTip')[2]).toBeGreaterThan(p('forehead')[2]);
    expect(p('crown')[1]).toBeGreaterThan(p('forehead')[1]);
    expect(p('forehead')[1]).toBeGreaterThan(p('noseBridge')[1]);
    expect(p('mouth')[1]).toBeGreaterThan(p('chin')[1]);
    for (const pair of ['eye', 'ear', 'cheek', 'mouthCorner'] as const) {
      expect(p(`${pair}Left`)[0]).toBeGreaterThan(0.015);
      expect(p(`${pair}Right`)[0]).toBeCloseTo(-p(`${pair}Left`)[0], 3);
    }
  });
  test('the chin goes along when the jaw opens, the forehead stays', () => {
    const [shut, open] = [rest(), rest({ jawOpen: 1 })];
    expect(distance(featurePoint(open, 'chin'), featurePoint(shut, 'chin'))).toBeGreaterThan(0.01);
    expect(distance(featurePoint(open, 'forehead'), featurePoint(shut, 'forehead'))).toBeLessThan(0.001);
  });
});

describe('expressions', () => {
  test('each moves its own part and leaves the outline of the forehead', () => {
    const size = (name: MovableExpression, i: number) => Math.hypot(...pointAt(displacementOf(name), i));
    for (const name of MOVABLE) expect(size(name, 10)).toBe(0);
    expect(size('jawOpen', 152)).toBeGreaterThan(0.02);
    expect(size('mouthPucker', 61)).toBeGreaterThan(0.008);
    expect(size('mouthSmileLeft', 291)).toBeGreaterThan(0.008);
    expect(size('mouthSmileLeft', 61)).toBe(0);
    expect(size('eyeBlinkRight', 159)).toBeGreaterThan(0.004);
    expect(size('eyeBlinkRight', 386)).toBe(0);
    expect(size('browOuterUpLeft', 334)).toBeGreaterThan(0.004);
  });
  test.each([
    ['jawOpen', 0.1],
    ['mouthPucker', 0.12],
    ['mouthSmileLeft', 0.15],
    ['eyeBlinkLeft', 0.1],
    ['browInnerUp', 0.2],
  ] as const)('%s is read back from the landmarks it made', (name, off) => {
    // Lids are read against what the tracker sees, which is no straight line: only open and shut count.
    for (const strength of name === 'eyeBlinkLeft' ? [0, 1] : [0, 0.5, 1]) {
      const e: Expressions = { [name]: strength };
      if (name === 'browInnerUp') Object.assign(e, { browOuterUpLeft: strength, browOuterUpRight: strength });
      expect(Math.abs((readExpressions(rest(e))[name] ?? 0) - strength)).toBeLessThan(off);
    }
  });
  test('where the eyes look, from the irises of both; shut eyes look nowhere; without irises nothing is said', () => {
    /** Irises moved by a share of the width of their eye, across and up. */
    const looking = (across: number, up: number, e: Expressions = {}): Float32Array => {
      const points = Float32Array.from(rest(e));
      for (const [outer, inner, iris] of [
        [263, 362, 473],
        [33, 133, 468],
      ] as const) {
        const width = Math.abs(points[3 * outer]! - points[3 * inner]!);
        for (const [k, by] of [across, up].entries())
          points[3 * iris + k] = (points[3 * outer + k]! + points[3 * inner + k]!) / 2 + by * width;
      }
      return points;
    };
    const left = readExpressions(looking(0.084, 0.006));
    expect(left.eyeLookOutLeft).toBeCloseTo(0.5, 2);
    expect(left.eyeLookInRight).toBe(left.eyeLookOutLeft);
    expect([left.eyeLookInLeft, left.eyeLookOutRight]).toEqual([0, 0]);
    expect(left.eyeLookUpLeft).toBeCloseTo(0, 2);
    const down = readExpressions(looking(-0.006, -0.13));
    expect(down.eyeLookDownRight).toBeCloseTo(0.8, 2);
    expect(down.eyeLookUpRight).toBe(0);
    expect(readExpressions(looking(-9, 9))).toMatchObject({ eyeLookOutRight: 1, eyeLookUpLeft: 1 });
    expect(
      readExpressions(looking(0.08, 0, { eyeBlinkLeft: 1, eyeBlinkRight: 1 })).eyeLookOutLeft,
    ).toBeLessThan(0.1);
    expect(readExpressions(rest().slice(0, 3 * FACE_LANDMARKS))).not.toHaveProperty('eyeLookUpLeft');
    // What is said to be told on a camera is what is read, or fitted.
    expect(new Set([...Object.keys(left), ...FITTED_EXPRESSIONS])).toEqual(TOLD_ON_CAMERA);
  });
  test('a closed mouth does not pucker, a puckered one is not open', () => {
    expect(readExpressions(rest({ jawOpen: 1 })).mouthPucker).toBeLessThan(0.2);
    expect(readExpressions(rest({ mouthPucker: 1 })).jawOpen).toBeLessThan(0.1);
  });
});

describe('harmonic weights', () => {
  test('on a chain they are the straight line between the ends', () => {
    const chain = Array.from({ length: 11 }, (_, i) => [i - 1, i + 1].filter((j) => j >= 0 && j < 11));
    const w = harmonicWeights(
      chain,
      new Map([
        [0, 0],
        [10, 1],
      ]),
      2000,
    );
    w.forEach((value, i) => expect(value).toBeCloseTo(i / 10, 6));
  });
  test('neighbours of a triangle are each other', () => {
    expect(neighbours(3, [0, 1, 2]).map((n) => [...n].sort())).toEqual([
      [1, 2],
      [0, 2],
      [0, 1],
    ]);
  });
});

describe('subdivision', () => {
  test('four triangles for one, weights sum to one, a plane stays a plane', () => {
    const finer = subdivide(FACE_LANDMARKS, OPEN_TRIANGLES);
    expect(finer.triangles).toHaveLength(OPEN_TRIANGLES.length * 4);
    for (const row of finer.weights) expect(row.reduce((sum, [, w]) => sum + w, 0)).toBeCloseTo(1, 9);
    const flat = refine(finer, new Float64Array(FACE_LANDMARKS).fill(7), 1);
    expect(Math.max(...flat)).toBeCloseTo(7, 9);
  });
});

describe('fit of landmarks to pose', () => {
  const picture = { width: 640, height: 480, fovY: 48.5 };
  /** What a perfect tracker would say of a face: fractions of the picture, relief as fraction of its width. */
  const seenBy = (landmarks: Float32Array, pose: Pose): Float32Array => {
    const out = new Float32Array(ALL_LANDMARKS * 3);
    const camera = {
      pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] },
      fovY: picture.fovY,
      aspect: 4 / 3,
    } as const;
    const focal = picture.height / 2 / Math.tan((picture.fovY * Math.PI) / 360);
    for (let i = 0; i < ALL_LANDMARKS; i++) {
      const world = toOuter(pose, pointAt(landmarks, i));
      const [x, y] = projectPoint(camera, picture.fovY, 4 / 3, world)!;
      const relief = ((pose.position[2] - world[2]) * focal) / -pose.position[2] / picture.width;
      out.set([x, y, relief], 3 * i);
    }
    return out;
  };
  const anyPose = fc.record({
    yaw: fc.integer({ min: -45, max: 45 }),
    pitch: fc.integer({ min: -25, max: 25 }),
    roll: fc.integer({ min: -40, max: 40 }),
    away: fc.integer({ min: 35, max: 150 }),
  });

  test('the neutral face is found exactly', () => {
    const neutral = new Float32Array(ALL_LANDMARKS * 3);
    neutral.set(NEUTRAL_FACE);
    fc.assert(
      fc.property(anyPose, ({ yaw, pitch, roll, away }) => {
        const pose: Pose = { position: [0.03, -0.02, -away / 100], rotation: fromAngles([pitch, yaw, roll]) };
        const found = fitFace(seenBy(neutral, pose), picture);
        return (
          angleBetween(found.pose.rotation, pose.rotation) < 0.1 &&
          distance(found.pose.position, pose.position) < 0.002
        );
      }),
      { numRuns: 60 },
    );
  });
  test('another head with any expression is found within 4 degrees, and its landmarks within 12 mm', () => {
    // Evenly: numbers as they are spread in memory are nearly all close to nothing.
    const strength = fc.integer({ min: 0, max: 100 }).map((n) => n / 100);
    fc.assert(
      fc.property(anyPose, strength, strength, ({ yaw, pitch, roll, away }, jawOpen, smile) => {
        const landmarks = rest({ jawOpen, mouthSmileLeft: smile, mouthSmileRight: smile });
        const pose: Pose = { position: [0, 0, -away / 100], rotation: fromAngles([pitch, yaw, roll]) };
        const found = fitFace(seenBy(landmarks, pose), picture);
        const off = Math.max(
          ...[4, 6, 33, 133, 263, 362, 61, 291, 199, 234, 454].map((landmark) =>
            distance(pointAt(found.landmarks, landmark), pointAt(landmarks, landmark)),
          ),
        );
        return (
          angleBetween(found.pose.rotation, pose.rotation) < 4 &&
          off < 0.012 &&
          // Lips differ from person to person: a mouth that is hardly open may be taken for shut.
          Math.abs((found.expressions.jawOpen ?? 0) - jawOpen) < (jawOpen < 0.35 ? 0.18 : 0.1)
        );
      }),
      { numRuns: 60 },
    );
  });
});

describe('projection', () => {
  test('straight ahead is the middle; behind is nowhere', () => {
    const camera = { pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] }, fovY: 90, aspect: 1 } as const;
    expect(projectPoint(camera, 90, 1, [0, 0, -2])).toEqual([0.5, 0.5]);
    expect(projectPoint(camera, 90, 1, [1, 1, -1])!.map((v) => Math.abs(Math.round(v * 1e9) / 1e9))).toEqual([
      1, 0,
    ]);
    expect(projectPoint(camera, 90, 1, [0, 0, 1])).toBeNull();
  });
  test('a picture cut at the sides keeps its angle; cut at top and bottom it narrows', () => {
    expect(coveringFovY(48, 4 / 3, 9 / 16)).toBe(48);
    expect(coveringFovY(90, 1, 2)).toBeCloseTo((2 * Math.atan(0.5) * 180) / Math.PI, 9);
  });
  test('poses of a moving camera compose', () => {
    const camera: Pose = { position: [1, 0, 0], rotation: fromAngles([0, 90, 0]) };
    const head: Pose = { position: [0, 0, -1], rotation: [0, 0, 0, 1] };
    expect(composePoses(camera, head).position.map((v) => Math.round(v * 1e9) / 1e9)).toEqual([0, 0, -0]);
  });
});
