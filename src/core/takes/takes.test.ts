import { describe, expect, test } from '@jest/globals';
import { angleBetween, toAngles } from '../maths/quaternion';
import { distance, pointAt } from '../maths/vec3';
import { ALL_LANDMARKS, EYE_LEFT, FACE_LANDMARKS } from '../face/landmarks';
import { EYEBALL_RADIUS } from '../face/neutral';
import { projectPoint } from '../tracking/project';
import { toOuter } from '../maths/pose';
import { SHIPPED_TAKES, FIRST_TAKE } from './library';
import { deformHead, eyeballs, headMesh, trueLandmarks } from './performer';

describe.each(SHIPPED_TAKES.map((take) => [take.name, take] as const))('%s', (_name, take) => {
  test('lasts 8 to 20 seconds and loops without a jump', () => {
    expect(take.duration).toBeGreaterThanOrEqual(8);
    expect(take.duration).toBeLessThanOrEqual(20);
    const [first, last] = [take.frameAt(0).faces[0]!, take.frameAt(take.duration - 1e-6).faces[0]!];
    expect(angleBetween(first.pose.rotation, last.pose.rotation)).toBeLessThan(0.05);
    expect(distance(first.pose.position, last.pose.position)).toBeLessThan(1e-4);
    for (let i = 0; i < ALL_LANDMARKS; i++)
      expect(distance(pointAt(first.landmarks, i), pointAt(last.landmarks, i))).toBeLessThan(1e-4);
    expect(take.frameAt(take.duration + 1.5).faces[0]!.pose).toEqual(take.frameAt(1.5).faces[0]!.pose);
  });
  test('moves smoothly: no more than 3 degrees and 8 mm a step', () => {
    for (let t = 0; t < take.duration; t += 1 / 60) {
      const [a, b] = [take.frameAt(t).faces[0]!, take.frameAt(t + 1 / 60).faces[0]!];
      expect(angleBetween(a.pose.rotation, b.pose.rotation)).toBeLessThan(3);
      expect(Math.abs((a.expressions.jawOpen ?? 0) - (b.expressions.jawOpen ?? 0))).toBeLessThan(0.2);
    }
  });
  test('keeps the face in the picture', () => {
    for (let t = 0; t < take.duration; t += 0.5) {
      const { camera, faces } = take.frameAt(t);
      for (let i = 0; i < FACE_LANDMARKS; i += 9) {
        const seen = projectPoint(
          camera,
          camera.fovY,
          camera.aspect,
          toOuter(faces[0]!.pose, pointAt(faces[0]!.landmarks, i)),
        )!;
        expect(Math.min(...seen)).toBeGreaterThan(0);
        expect(Math.max(...seen)).toBeLessThan(1);
      }
    }
  });
  test('its marks say what the frames say', () => {
    for (const mark of take.marks) {
      const middle = take.frameAt((mark.from + mark.to) / 2).faces[0]!;
      const e = middle.expressions;
      const holds = {
        mouthOpen: (e.jawOpen ?? 0) > 0.4,
        pucker: (e.mouthPucker ?? 0) > 0.4,
        eyesClosed: (e.eyeBlinkLeft ?? 0) > 0.6,
        browsUp: (e.browInnerUp ?? 0) > 0.4,
        turned: Math.abs(toAngles(middle.pose.rotation)[1]) > 15,
      }[mark.kind];
      expect(holds).toBe(true);
    }
  });
});

test('the first take has all that the first cues need', () => {
  expect(FIRST_TAKE.marks.map((m) => m.kind)).toEqual([
    'turned',
    'turned',
    'mouthOpen',
    'pucker',
    'eyesClosed',
    'browsUp',
  ]);
});

describe('performer', () => {
  const { performer } = FIRST_TAKE;
  test('landmarks are the very vertices that are drawn', () => {
    const expressions = { jawOpen: 0.7, eyeBlinkLeft: 0.6, mouthPucker: 0.2 };
    const mesh = headMesh(performer);
    const drawn = deformHead(
      performer,
      expressions,
      mesh.positions.length / 3,
      new Float32Array(mesh.positions.length),
    );
    const truth = trueLandmarks(performer, expressions, { x: 0, y: 0 });
    expect([...truth.subarray(0, FACE_LANDMARKS * 3)]).toEqual([...drawn.subarray(0, FACE_LANDMARKS * 3)]);
  });
  test('lids close fully and never cut into the eyeball', () => {
    const shut = trueLandmarks(performer, { eyeBlinkLeft: 1 }, { x: 0, y: 0 });
    const gap = shut[3 * 386 + 1]! - shut[3 * 374 + 1]!;
    expect(gap).toBeLessThan(0.0006);
    const centre = eyeballs(performer)[1];
    for (let k = 0; k <= 10; k++) {
      const lids = trueLandmarks(performer, { eyeBlinkLeft: k / 10 }, { x: 0, y: 0 });
      for (const i of EYE_LEFT) expect(distance(pointAt(lids, i), centre)).toBeGreaterThan(EYEBALL_RADIUS);
    }
  });
  test('the irises follow the gaze', () => {
    const ahead = trueLandmarks(performer, {}, { x: 0, y: 0 });
    const left = trueLandmarks(performer, {}, { x: 20, y: 0 });
    for (const iris of [468, 473]) expect(left[3 * iris]! - ahead[3 * iris]!).toBeGreaterThan(0.003);
  });
});
