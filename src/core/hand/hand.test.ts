/** Hands: their points, their signs, and how a hand is found before a camera from what a tracker sees. */
import { describe, expect, test } from '@jest/globals';
import { transformPoint, fromPose } from '../maths/matrix';
import { toOuter, type Pose } from '../maths/pose';
import { angleBetween, fromAngles, rotate } from '../maths/quaternion';
import { Random } from '../maths/random';
import { add, cross, distance, dot, pointAt, scale, type Vec3 } from '../maths/vec3';
import { GESTURES } from '../tracking/track-frame';
import { fitHand, type SeenHand } from './fit';
import { HAND_SHELL_POINTS, HAND_SHELL_TRIANGLES, handShellPositions } from './hand-shell';
import { handFactor, handPoint, HAND_POINT_NAMES, palmLength, REST_HAND } from './points';
import { gestureOf } from './signs';
import { HAND_LANDMARKS, HAND_SHAPES, handLandmarks, mixBends } from './skeleton';

const PICTURE = { width: 480, height: 640, fovY: 55 };
const FOCAL = PICTURE.height / 2 / Math.tan((PICTURE.fovY * Math.PI) / 360);

/** What a tracker that errs by `pixels` and `metres` sees of a hand; its own hand is `thought` times as large. */
const seenFrom = (
  landmarks: Float32Array,
  pose: Pose,
  side: 'left' | 'right',
  { pixels = 0, metres = 0, thought = 1, seed = 1 } = {},
): SeenHand => {
  const random = new Random(seed);
  const inPicture: number[] = [];
  const shape: number[] = [];
  for (let i = 0; i < HAND_LANDMARKS; i++) {
    const [x, y, z] = toOuter(pose, pointAt(landmarks, i));
    inPicture.push(
      0.5 + ((FOCAL * x) / -z + pixels * random.normal()) / PICTURE.width,
      0.5 - ((FOCAL * y) / -z + pixels * random.normal()) / PICTURE.height,
      0,
    );
    const [sx, sy, sz] = rotate(pose.rotation, pointAt(landmarks, i));
    shape.push(...[sx, -sy, -sz].map((v) => thought * v + 0.01 + metres * random.normal()));
  }
  return { inPicture, shape, side };
};
const POSES: readonly Pose[] = [
  { position: [0, -0.05, -0.45], rotation: fromAngles([0, 0, 0]) },
  { position: [0.1, 0.02, -0.6], rotation: fromAngles([20, -35, 15]) },
  { position: [-0.12, -0.1, -0.8], rotation: fromAngles([-25, 160, -30]) },
];

describe('a hand before the camera', () => {
  test.each(['right', 'left'] as const)('a %s hand is found where it is, exactly', (side) => {
    for (const pose of POSES)
      for (const shape of ['palm', 'fist', 'victory'] as const) {
        const landmarks = handLandmarks(HAND_SHAPES[shape], side === 'left');
        const fitted = fitHand(seenFrom(landmarks, pose, side, { thought: 1.3 }), PICTURE)!;
        expect(distance(fitted.pose.position, pose.position)).toBeLessThan(1e-5);
        expect(angleBetween(fitted.pose.rotation, pose.rotation)).toBeLessThan(0.01);
        for (let i = 0; i < HAND_LANDMARKS; i++)
          expect(distance(pointAt(fitted.landmarks, i), pointAt(landmarks, i))).toBeLessThan(1e-5);
        expect(fitted.residual).toBeLessThan(1e-3);
        expect(fitted.gesture).toBe(shape);
      }
  });
  test('with a tracker that errs by a pixel and a half and 4 mm: about where it is, and each point where it is seen', () => {
    const away: number[] = [];
    const turned: number[] = [];
    for (let seed = 1; seed <= 40; seed++)
      for (const pose of POSES) {
        const landmarks = handLandmarks(HAND_SHAPES.palm, false);
        const seen = seenFrom(landmarks, pose, 'right', { pixels: 1.5, metres: 0.004, seed });
        const fitted = fitHand(seen, PICTURE)!;
        away.push(distance(fitted.pose.position, pose.position) / -pose.position[2]);
        turned.push(angleBetween(fitted.pose.rotation, pose.rotation));
        for (let i = 0; i < HAND_LANDMARKS; i++) {
          const [x, y, z] = toOuter(fitted.pose, pointAt(fitted.landmarks, i));
          expect(0.5 + (FOCAL * x) / -z / PICTURE.width).toBeCloseTo(seen.inPicture[3 * i]!, 5);
          expect(0.5 - (FOCAL * y) / -z / PICTURE.height).toBeCloseTo(seen.inPicture[3 * i + 1]!, 5);
        }
      }
    const middle = (list: number[]) => list.sort((a, b) => a - b)[list.length >> 1]!;
    // A picture tells the distance by the size alone: it is the first to go.
    expect(middle(away)).toBeLessThan(0.03);
    expect(middle(turned)).toBeLessThan(6);
    expect([Math.max(...away) < 0.15, Math.max(...turned) < 18]).toEqual([true, true]);
  });
  test('what cannot be a hand before a camera is none', () => {
    const nothing = new Float32Array(63);
    expect(fitHand({ inPicture: nothing, shape: nothing, side: 'left' }, PICTURE)).toBeNull();
    const good = seenFrom(handLandmarks(HAND_SHAPES.palm, false), POSES[0]!, 'right');
    expect(
      fitHand({ ...good, inPicture: good.inPicture, shape: Array.from(good.shape, (v) => NaN * v) }, PICTURE),
    ).toBeNull();
    // All points in one place of the picture: infinitely far away.
    expect(fitHand({ ...good, inPicture: Array.from({ length: 63 }, () => 0.5) }, PICTURE)).toBeNull();
    // Upside down from what its shape says: behind the camera.
    expect(fitHand({ ...good, inPicture: Array.from(good.inPicture, (v) => 1 - v) }, PICTURE)).toBeNull();
  });
});

describe('signs', () => {
  test.each(GESTURES)('%s is read on both hands, of any size, also with points that err by 3 mm', (sign) => {
    for (const left of [false, true])
      for (let seed = 1; seed <= 30; seed++) {
        const random = new Random(seed);
        const exact = handLandmarks(HAND_SHAPES[sign], left);
        expect(gestureOf(exact)).toBe(sign);
        expect(gestureOf(exact.map((v) => 1.7 * (v + 0.003 * random.normal())))).toBe(sign);
      }
  });
  test('half-way between an open hand and a fist it is neither, and points that lie in one place are no sign', () => {
    expect(gestureOf(handLandmarks(mixBends(HAND_SHAPES.palm, HAND_SHAPES.fist, 0.5), false))).toBeNull();
    expect(gestureOf(new Float32Array(63))).toBeNull();
  });
  test('two fingers held together are no victory', () => {
    const together = HAND_SHAPES.victory.map((row, f) =>
      f === 1 ? [...row.slice(0, 3), 0] : f === 2 ? [...row.slice(0, 3), 0] : row,
    );
    expect(gestureOf(handLandmarks(together as never, false))).toBeNull();
  });
});

describe('points that things stick to', () => {
  test('tips lie at the ends of the fingers, +Y along the last bone; the palm lies between its corners', () => {
    for (const [name, tip] of [
      ['thumbTip', 4],
      ['indexTip', 8],
      ['littleTip', 20],
    ] as const) {
      const { position, rotation } = handPoint(REST_HAND, name);
      expect(position).toEqual(pointAt(REST_HAND, tip));
      const back = add(
        position,
        scale(rotate(rotation, [0, -1, 0]), distance(position, pointAt(REST_HAND, tip - 1))),
      );
      expect(distance(back, pointAt(REST_HAND, tip - 1))).toBeLessThan(1e-6);
    }
    const palm = handPoint(REST_HAND, 'palm').position;
    expect(palm[1]).toBeGreaterThan(0.05);
    expect(palm[1]).toBeLessThan(0.09);
    expect(handPoint(REST_HAND, 'wrist')).toEqual({ position: [0, 0, 0], rotation: [0, 0, 0, 1] });
  });
  test('a tip of an open hand looks out of the palm; curled in, it turns with the finger', () => {
    const out = (shape: keyof typeof HAND_SHAPES): Vec3 =>
      rotate(handPoint(handLandmarks(HAND_SHAPES[shape], false), 'indexTip').rotation, [0, 0, 1]);
    expect(out('palm')[2]).toBeGreaterThan(0.95);
    expect(out('fist')[2]).toBeLessThan(0.3);
  });
  test('every point is a turn without stretching, for every shape and both hands', () => {
    for (const shape of Object.values(HAND_SHAPES))
      for (const left of [false, true])
        for (const name of HAND_POINT_NAMES) {
          const m = fromPose(handPoint(handLandmarks(shape, left), name));
          const at = transformPoint(m, [0, 0, 0]);
          for (const axis of [
            [1, 0, 0],
            [0, 1, 0],
            [0, 0, 1],
          ] as const)
            expect(distance(transformPoint(m, axis), at)).toBeCloseTo(1, 6);
        }
  });
  test('a hand twice as large counts as twice', () => {
    expect(handFactor(REST_HAND.map((v) => 2 * v))).toBeCloseTo(2, 6);
    expect(palmLength(REST_HAND)).toBeGreaterThan(0.085);
  });
});

describe('the shell that hides what is behind a hand', () => {
  test('every tube of it is closed and looks outwards', () => {
    const points = handShellPositions(REST_HAND);
    const edges = new Map<string, number>();
    let volume = 0;
    for (let i = 0; i < HAND_SHELL_TRIANGLES.length; i += 3) {
      const [a, b, c] = HAND_SHELL_TRIANGLES.slice(i, i + 3) as [number, number, number];
      for (const [from, to] of [
        [a, b],
        [b, c],
        [c, a],
      ])
        edges.set(`${from} ${to}`, (edges.get(`${from} ${to}`) ?? 0) + 1);
      volume += dot(pointAt(points, a), cross(pointAt(points, b), pointAt(points, c))) / 6;
    }
    for (const [edge, count] of edges) {
      const [from, to] = edge.split(' ');
      expect([edge, count, edges.get(`${to} ${from}`)]).toEqual([edge, 1, 1]);
    }
    // A hand and a bit of its arm, tubes that overlap counted twice.
    expect(volume).toBeGreaterThan(0.0004);
    expect(volume).toBeLessThan(0.002);
    expect(Math.max(...HAND_SHELL_TRIANGLES)).toBe(HAND_SHELL_POINTS - 1);
  });
  test('it covers the palm and the fingers of an open hand, and nothing between spread fingers', () => {
    const points = handShellPositions(REST_HAND);
    /** Whether a line of sight along -Z through (x, y) meets it. */
    const isCovered = (x: number, y: number): boolean => {
      for (let i = 0; i < HAND_SHELL_TRIANGLES.length; i += 3) {
        const [a, b, c] = [0, 1, 2].map((k) => pointAt(points, HAND_SHELL_TRIANGLES[i + k]!));
        const side = (p: Vec3, q: Vec3) => (q[0] - p[0]) * (y - p[1]) - (q[1] - p[1]) * (x - p[0]);
        const [u, v, w] = [side(a!, b!), side(b!, c!), side(c!, a!)];
        if ((u > 0 && v > 0 && w > 0) || (u < 0 && v < 0 && w < 0)) return true;
      }
      return false;
    };
    for (let i = 1; i < HAND_LANDMARKS; i++) {
      const [x, y] = pointAt(REST_HAND, i);
      expect([i, isCovered(x + 1e-5, y)]).toEqual([i, true]);
    }
    // A palm grows wider towards the little finger.
    for (let y = 0.012; y <= 0.075; y += 0.004)
      for (let x = -0.02 - 0.2 * (y - 0.012); x <= 0.022; x += 0.004)
        expect([x, y, isCovered(x, y)]).toEqual([x, y, true]);
    const [index, middle] = [8, 12].map((tip) => pointAt(REST_HAND, tip));
    expect(isCovered((index![0] + middle![0]) / 2, 0.5 * (index![1] + middle![1]) - 0.02)).toBe(false);
    expect(isCovered(0.2, 0.1)).toBe(false);
  });
});
