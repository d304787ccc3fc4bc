import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { composePoses, type Pose } from '../core/maths/pose';
import { fromAngles } from '../core/maths/quaternion';
import { FIRST_TAKE, SHIPPED_TAKES } from '../core/takes/library';
import { throughCamera } from './take-tracker';
import { faceError, matchNearest } from '../core/tracking/compare';
import { faceFrame, type TrackedFace } from '../core/tracking/track-frame';

const face = FIRST_TAKE.frameAt(6.1).faces[0]!;
const moved = (by: Pose, of: TrackedFace = face): TrackedFace => ({
  ...of,
  landmarks: of.landmarks,
  pose: composePoses(of.pose, by),
});

describe('how far a tracker is off', () => {
  test('not at all from itself', () => {
    expect(faceError(face, face)).toMatchObject({ position: 0, landmarks: 0, expression: { off: 0 } });
    expect(faceError(face, face).angle).toBeLessThan(1e-5);
  });
  test('a turn of the head is its angle, a move its distance, whatever they are', () => {
    const amount = fc.double({ min: -30, max: 30, noNaN: true });
    fc.assert(
      fc.property(amount, amount, (yaw, x) => {
        const turned = faceError(face, moved({ position: [0, 0, 0], rotation: fromAngles([0, yaw, 0]) }));
        const shifted = faceError(face, moved({ position: [x / 1000, 0, 0], rotation: [0, 0, 0, 1] }));
        return (
          Math.abs(turned.angle - Math.abs(yaw)) < 1e-4 &&
          turned.position < 1e-9 &&
          Math.abs(shifted.position - Math.abs(x) / 1000) < 1e-9 &&
          // Every landmark moves as far as the head does.
          Math.abs(shifted.landmarks - Math.abs(x) / 1000) < 1e-7
        );
      }),
    );
  });
  test('the worst expression is named', () => {
    const wrong = { ...face, landmarks: face.landmarks, expressions: { jawOpen: 0.2, mouthPucker: 0.1 } };
    const { expression } = faceError(face, wrong);
    expect(expression?.name).toBe('jawOpen');
    expect(expression?.off).toBeCloseTo(face.expressions.jawOpen! - 0.2, 9);
  });
});

describe('which face is which', () => {
  const three = SHIPPED_TAKES.find((t) => t.id === 'three-people')!.frameAt(7).faces;
  test('each is matched with the one that stands there, in whatever order they come', () => {
    const seen = [...three]
      .reverse()
      .map((f) => ({ ...moved({ position: [0.02, 0, 0], rotation: [0, 0, 0, 1] }, f), id: 9 - f.id }));
    const pairs = matchNearest(three, seen);
    expect(pairs).toHaveLength(3);
    for (const [truth, tracked] of pairs) expect(tracked.id).toBe(9 - truth.id);
  });
  test('a face that is nowhere near is no match, and none counts twice', () => {
    const far = moved({ position: [0.6, 0, 0], rotation: [0, 0, 0, 1] });
    expect(matchNearest([face], [far])).toEqual([]);
    expect(
      matchNearest([face], [face, moved({ position: [0.01, 0, 0], rotation: [0, 0, 0, 1] })]),
    ).toHaveLength(1);
  });
});

test('what is tracked through a moving camera is put into the world', () => {
  const take = SHIPPED_TAKES.find((t) => t.id === 'low-sun')!;
  const truth = take.frameAt(3.3);
  const { camera } = truth;
  // What a perfect tracker says, which takes its camera to be at rest.
  const inverse: Pose = {
    position: [0, 0, 0],
    rotation: [
      -camera.pose.rotation[0],
      -camera.pose.rotation[1],
      -camera.pose.rotation[2],
      camera.pose.rotation[3],
    ],
  };
  const relative = composePoses(inverse, {
    rotation: truth.faces[0]!.pose.rotation,
    position: [0, 1, 2].map(
      (k) => truth.faces[0]!.pose.position[k]! - camera.pose.position[k]!,
    ) as unknown as Pose['position'],
  });
  const seen = faceFrame(3.3, camera, [
    { ...truth.faces[0]!, landmarks: truth.faces[0]!.landmarks, pose: relative },
  ]);
  const back = throughCamera(seen, truth);
  const off = faceError(truth.faces[0]!, back.faces[0]!);
  expect(off.position).toBeLessThan(1e-9);
  expect(off.angle).toBeLessThan(1e-4);
});
