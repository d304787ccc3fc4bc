import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { EXPRESSION_NAMES, type ExpressionName } from '../tracking/expression-names';
import {
  ALL_LANDMARKS,
  EYE_LEFT,
  EYE_RIGHT,
  FACE_LANDMARKS,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
} from '../face/landmarks';
import { EYEBALL_RADIUS } from '../face/neutral';
import { distance, pointAt } from '../maths/vec3';
import type { Expressions } from '../tracking/track-frame';
import { HAND_SHAPES, handLandmarks } from '../hand/skeleton';
import { deformHand, handSkin } from './hand';
import { deformHead, expressionsOfGaze, gazeOf, headMesh, headTopology, trueLandmarks } from './head-mesh';
import { shapedPoint, shapeHead } from '../face/head-shape';
import { SHAPE_NAMES } from '../face/shape-names';
import { PERFORMERS } from './library';
import { surfaceNet, taperedCapsule } from '../maths/surface-nets';

const [marin] = PERFORMERS as [(typeof PERFORMERS)[number]];
const rest = trueLandmarks(marin, {});
const movedBy = (e: Expressions, i: number): number =>
  distance(pointAt(trueLandmarks(marin, e), i), pointAt(rest, i));

/** For each expression: landmarks it has to move, by at least so many millimetres, and some it must leave alone. */
const BROW = { left: [334], right: [105] };
const EXPECTED: Record<
  ExpressionName,
  { moves: readonly number[]; least: number; leaves: readonly number[] }
> = (() => {
  const forehead = [10, 151];
  const eyes = [386, 159, 374, 145];
  const both = (
    name: string,
    left: readonly number[],
    right: readonly number[],
    least: number,
    leaves: readonly number[],
    crossed = true,
  ) => ({
    [`${name}Left`]: { moves: left, least, leaves: crossed ? [...leaves, ...right] : leaves },
    [`${name}Right`]: { moves: right, least, leaves: crossed ? [...leaves, ...left] : leaves },
  });
  return {
    ...both('browDown', BROW.left, BROW.right, 3, [0, 17, 152, 61, 291]),
    browInnerUp: { moves: [336, 107], least: 5, leaves: [0, 17, 152] },
    ...both('browOuterUp', BROW.left, BROW.right, 4, [0, 17, 152]),
    cheekPuff: { moves: [427, 207], least: 7, leaves: [...forehead, ...eyes, 13] },
    ...both('cheekSquint', [330], [101], 3, [10, 13, 152]),
    ...both('eyeBlink', [386], [159], 5, [10, 13, 152]),
    ...both('eyeLookDown', [473], [468], 3, [10, 13, 152], false),
    ...both('eyeLookIn', [473], [468], 3, [10, 13, 152, 386, 159], false),
    ...both('eyeLookOut', [473], [468], 3, [10, 13, 152, 386, 159], false),
    ...both('eyeLookUp', [473], [468], 3, [10, 13, 152], false),
    ...both('eyeSquint', [374], [145], 1.5, [10, 13, 152]),
    ...both('eyeWide', [386], [159], 2, [10, 13, 152]),
    jawForward: { moves: [152, 17], least: 4, leaves: [...forehead, ...eyes, 4] },
    jawLeft: { moves: [152, 17], least: 5, leaves: [...forehead, ...eyes, 4] },
    jawOpen: { moves: [152, 17, 14], least: 15, leaves: [...forehead, ...eyes, 4] },
    jawRight: { moves: [152, 17], least: 5, leaves: [...forehead, ...eyes, 4] },
    mouthClose: { moves: [], least: 0, leaves: [...forehead, ...eyes, 13, 14] },
    ...both('mouthDimple', [291], [61], 4, [...forehead, ...eyes]),
    ...both('mouthFrown', [291], [61], 5, [...forehead, ...eyes]),
    mouthFunnel: { moves: [13, 14, 0, 17, 61, 291], least: 4, leaves: [...forehead, ...eyes] },
    mouthLeft: { moves: [13, 14, 61, 291], least: 6, leaves: [...forehead, ...eyes, 152] },
    ...both('mouthLowerDown', [321], [91], 2, [...forehead, ...eyes, 0, 4]),
    ...both('mouthPress', [270], [40], 1, [...forehead, ...eyes, 152]),
    mouthPucker: { moves: [61, 291, 0, 17], least: 7, leaves: [...forehead, ...eyes] },
    mouthRight: { moves: [13, 14, 61, 291], least: 6, leaves: [...forehead, ...eyes, 152] },
    mouthRollLower: { moves: [17], least: 4, leaves: [...forehead, ...eyes, 0] },
    mouthRollUpper: { moves: [0], least: 4, leaves: [...forehead, ...eyes, 17] },
    mouthShrugLower: { moves: [17, 14], least: 2, leaves: [...forehead, ...eyes, 4] },
    mouthShrugUpper: { moves: [0, 13], least: 1.2, leaves: [...forehead, ...eyes, 152] },
    ...both('mouthSmile', [291], [61], 9, [...forehead, ...eyes]),
    ...both('mouthStretch', [291], [61], 6, [...forehead, ...eyes]),
    ...both('mouthUpperUp', [270], [40], 2, [...forehead, ...eyes, 17, 152]),
    ...both('noseSneer', [358], [129], 3, [...forehead, 152, 17]),
    tongueOut: { moves: [14], least: 1.5, leaves: [...forehead, ...eyes, 0, 152] },
  } as unknown as Record<ExpressionName, { moves: number[]; least: number; leaves: number[] }>;
})();

describe('all 52 expressions', () => {
  test.each(EXPRESSION_NAMES)('%s moves what it should and leaves the rest', (name) => {
    const { moves, least, leaves } = EXPECTED[name];
    for (const i of moves) expect(1000 * movedBy({ [name]: 1 }, i)).toBeGreaterThan(least);
    for (const i of leaves) expect(1000 * movedBy({ [name]: 1 }, i)).toBeLessThan(0.5);
  });
  test('shut lips over an open jaw meet, and the chin stays down', () => {
    const shut = trueLandmarks(marin, { jawOpen: 1, mouthClose: 1 });
    expect(distance(pointAt(shut, 13), pointAt(shut, 14))).toBeLessThan(0.002);
    expect(distance(pointAt(shut, 152), pointAt(rest, 152))).toBeGreaterThan(0.015);
  });
  test('any mixture stays a face: nothing leaves by more than a thumb, lids do not cross', () => {
    const strengths = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 52, maxLength: 52 });
    fc.assert(
      fc.property(strengths, (values) => {
        // A face does not do everything at once: six of them at most.
        const e: Expressions = {};
        [...values.entries()]
          .sort((a, b) => b[1] - a[1])
          .slice(0, 6)
          .forEach(([i, v]) => (e[EXPRESSION_NAMES[i]!] = v));
        const face = trueLandmarks(marin, e);
        for (let i = 0; i < FACE_LANDMARKS; i++)
          if (distance(pointAt(face, i), pointAt(rest, i)) > 0.06) return false;
        return face.every(Number.isFinite) && face[3 * 386 + 1]! - face[3 * 374 + 1]! > -0.003;
      }),
      { numRuns: 60 },
    );
  });
  test('a gaze is the same after it went through the coefficients', () => {
    for (const gaze of [
      { x: 20, y: -10 },
      { x: -30, y: 25 },
      { x: 0, y: 0 },
    ]) {
      const back = gazeOf(expressionsOfGaze(gaze));
      expect(back.x).toBeCloseTo(gaze.x, 9);
      expect(back.y).toBeCloseTo(gaze.y, 9);
    }
  });
});

describe.each(PERFORMERS.map((p) => [p.name, p] as const))('%s', (_name, performer) => {
  const face = (e: Expressions = {}) => trueLandmarks(performer, e);
  test('landmarks are the very vertices that are drawn', () => {
    const e = { jawOpen: 0.7, eyeBlinkLeft: 0.6, mouthPucker: 0.2, noseSneerLeft: 0.4 };
    const { positions } = headMesh(performer);
    const drawn = deformHead(performer, e, positions.length / 3, new Float32Array(positions.length));
    const truth = face(e);
    expect([...truth.subarray(0, FACE_LANDMARKS * 3)]).toEqual([...drawn.subarray(0, FACE_LANDMARKS * 3)]);
    expect(truth).toHaveLength(ALL_LANDMARKS * 3);
  });
  test('lids meet when shut and never cut into the eyeball', () => {
    const shut = face({ eyeBlinkLeft: 1, eyeBlinkRight: 1 });
    for (const [top, bottom] of [
      [386, 374],
      [159, 145],
    ] as const)
      expect(shut[3 * top + 1]! - shut[3 * bottom + 1]!).toBeLessThan(0.0008);
    const { eyes } = headMesh(performer);
    for (let k = 0; k <= 10; k += 2) {
      const lids = face({ eyeBlinkLeft: k / 10, eyeBlinkRight: k / 10 });
      for (const [ring, eye] of [
        [EYE_RIGHT, 0],
        [EYE_LEFT, 1],
      ] as const)
        for (const i of ring) expect(distance(pointAt(lids, i), eyes[eye])).toBeGreaterThan(EYEBALL_RADIUS);
    }
  });
  test('lips meet at rest', () => {
    const at = face();
    INNER_LIP_UPPER.forEach((i, k) =>
      expect(Math.abs(at[3 * i + 1]! - at[3 * INNER_LIP_LOWER[k]! + 1]!)).toBeLessThan(0.0012),
    );
  });
  test('is as large as a person, the same on both sides', () => {
    const at = face();
    const height = at[31]! - at[152 * 3 + 1]!;
    expect(height).toBeGreaterThan(0.155);
    expect(height).toBeLessThan(0.2);
    // The topology's triangles are not quite the same on both sides.
    expect(Math.abs(at[3 * 454]! + at[3 * 234]!)).toBeLessThan(0.0013);
    expect(at[3 * 263]! + at[3 * 33]!).toBeCloseTo(0, 3);
  });
});

test('no two performers have the same face', () => {
  const faces = PERFORMERS.map((p) => trueLandmarks(p, {}));
  faces.forEach((a, i) =>
    faces.slice(i + 1).forEach((b) => {
      let most = 0;
      for (let k = 0; k < FACE_LANDMARKS; k++) most = Math.max(most, distance(pointAt(a, k), pointAt(b, k)));
      expect(most).toBeGreaterThan(0.0025);
    }),
  );
});

describe('head shapes', () => {
  test('neutral changes nothing but the size of the eyes', () => {
    expect(shapedPoint([0.03, -0.05, 0.04], {})).toEqual([0.03, -0.05, 0.04]);
  });
  test.each(SHAPE_NAMES)('%s changes the face, opposite ways for opposite values', (name) => {
    const at = (k: number) => {
      const flat = Float64Array.from(headMesh(marin).positions.subarray(0, FACE_LANDMARKS * 3));
      return shapeHead(flat, { [name]: k });
    };
    const [less, none, more] = [at(-1), at(0), at(1)];
    let [most, against] = [0, 0];
    for (let i = 0; i < FACE_LANDMARKS; i++) {
      const [a, b] = [
        distance(pointAt(less, i), pointAt(none, i)),
        distance(pointAt(more, i), pointAt(none, i)),
      ];
      if (b > most) {
        most = b;
        const towards = [0, 1, 2].reduce(
          (s, k) => s + (more[3 * i + k]! - none[3 * i + k]!) * (less[3 * i + k]! - none[3 * i + k]!),
          0,
        );
        against = towards / (a * b);
      }
    }
    expect(most).toBeGreaterThan(0.0012);
    expect(most).toBeLessThan(0.016);
    expect(against).toBeCloseTo(-1, 1);
  });
  test('the fine mesh has the UV and triangles of every head', () => {
    const { uv, triangles, count } = headTopology();
    expect(headMesh(marin).positions).toHaveLength(count * 3);
    expect(uv).toHaveLength(count * 2);
    expect(Math.max(...triangles)).toBe(count - 1);
  });
});

describe('hands', () => {
  test('a hand is as large as a hand and has 21 landmarks', () => {
    const palm = handLandmarks(HAND_SHAPES.palm, false);
    expect(palm).toHaveLength(63);
    const length = distance(pointAt(palm, 0), pointAt(palm, 12));
    expect(length).toBeGreaterThan(0.16);
    expect(length).toBeLessThan(0.22);
  });
  test('the left hand is the mirror image of the right', () => {
    const [right, left] = [false, true].map((l) => handLandmarks(HAND_SHAPES.point, l));
    for (let i = 0; i < 21; i++) {
      expect(left![3 * i]).toBeCloseTo(-right![3 * i]!, 9);
      expect(left![3 * i + 1]).toBe(right![3 * i + 1]);
    }
  });
  test('the skin follows the bones: every fingertip stays in its finger', () => {
    const { positions } = handSkin();
    for (const shape of ['palm', 'fist', 'point', 'thumb'] as const) {
      const skin = deformHand(HAND_SHAPES[shape], false, new Float32Array(positions.length));
      const points = handLandmarks(HAND_SHAPES[shape], false);
      for (const tip of [4, 8, 12, 16, 20]) {
        let nearest = Infinity;
        for (let i = 0; i < skin.length / 3; i++)
          nearest = Math.min(nearest, distance(pointAt(skin, i), pointAt(points, tip)));
        expect(nearest).toBeLessThan(0.011);
      }
    }
  });
});

describe('surface nets', () => {
  test('a sphere comes out round, closed and facing outwards', () => {
    const { positions, triangles } = surfaceNet(
      (x, y, z) => Math.hypot(x, y, z) - 0.5,
      [-0.7, -0.7, -0.7],
      [0.7, 0.7, 0.7],
      0.1,
    );
    for (let i = 0; i < positions.length / 3; i++)
      expect(Math.hypot(...pointAt(positions, i))).toBeCloseTo(0.5, 1);
    const edges = new Map<string, number>();
    let volume = 0;
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => pointAt(positions, triangles[t + k]!)) as [
        readonly [number, number, number],
        readonly [number, number, number],
        readonly [number, number, number],
      ];
      volume +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) +
          a[1] * (b[2] * c[0] - b[0] * c[2]) +
          a[2] * (b[0] * c[1] - b[1] * c[0])) /
        6;
      for (let k = 0; k < 3; k++) {
        const pair = [triangles[t + k], triangles[t + ((k + 1) % 3)]].join();
        edges.set(pair, (edges.get(pair) ?? 0) + 1);
      }
    }
    // Outside is where the volume is positive.
    expect(volume).toBeGreaterThan(0.9 * (4 / 3) * Math.PI * 0.125);
    for (const [pair, n] of edges) {
      expect(n).toBe(1);
      expect(edges.get(pair.split(',').reverse().join())).toBe(1);
    }
  });
  test('the distance to a tapered capsule is exact at its ends and sides', () => {
    expect(taperedCapsule([0, 3, 0], [0, 0, 0], [0, 2, 0], 0.5, 0.25)).toBeCloseTo(0.75, 9);
    expect(taperedCapsule([0, -1, 0], [0, 0, 0], [0, 2, 0], 0.5, 0.25)).toBeCloseTo(0.5, 9);
    expect(taperedCapsule([1, 0, 0], [0, 0, 0], [0, 2, 0], 0.5, 0.5)).toBeCloseTo(0.5, 9);
  });
});
