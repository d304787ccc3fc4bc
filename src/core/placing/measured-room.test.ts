/** A room that the device measures: what it points at decides where things stand. */
import { describe, expect, test } from '@jest/globals';
import type { SurfaceKind } from '../document/schema';
import { fromAngles, multiplyQuaternions, rotate } from '../maths/quaternion';
import { ORIGIN, toOuter, type Pose } from '../maths/pose';
import { distance, type Vec3 } from '../maths/vec3';
import { projectPoint } from '../tracking/project';
import { surfacePose } from './anchors';
import { MeasuredRoom } from './measured-room';

const VIEW = { fovY: 60, aspect: 9 / 16 };
const near = (a: Vec3, b: Vec3, by = 1e-6) => expect(distance(a, b)).toBeLessThan(by);
/** A point of something level, whose pose is turned about the vertical any way. */
const level = (position: Vec3, turn = 123): Pose => ({ position, rotation: fromAngles([0, turn, 0]) });
/** A point of a wall that looks towards +Z, turned to the left. */
const upright = (position: Vec3, left = 0): Pose => ({
  position,
  rotation: multiplyQuaternions(fromAngles([0, left, 0]), fromAngles([90, 0, 0])),
});
const camera = (position: Vec3, down = 30): Pose => ({ position, rotation: fromAngles([-down, 0, 0]) });
const roomWith = (kinds: readonly SurfaceKind[], ...hits: readonly (Pose | null)[]): MeasuredRoom => {
  const room = new MeasuredRoom(kinds);
  for (const hit of hits) room.look(camera([0, 1.5, 0]), hit);
  return room;
};
/** Where new things rest on a floor: 0.8 m before its origin. */
const stands = (room: MeasuredRoom): Vec3 => toOuter(room.seen[0]!.pose, [0, 0, -0.8]);

describe('one surface', () => {
  test('things stand at what is pointed at, facing the viewer, however the hit is turned', () => {
    const room = roomWith(['floor'], level([0.2, -0.1, -2]));
    expect(room.state).toBe('placing');
    near(stands(room), [0.2, -0.1, -2]);
    const faces = rotate(room.seen[0]!.pose.rotation, [0, 0, 1]);
    near(faces, [-0.2 / Math.hypot(0.2, 2), 0, 2 / Math.hypot(0.2, 2)]);
  });
  test('while nothing is hit there is nothing; a wall is no floor, and a ceiling neither', () => {
    expect(roomWith(['floor'], level([0, 0, -2]), null).state).toBe('seeking');
    expect(roomWith(['floor'], upright([0, 0, -2])).state).toBe('seeking');
    expect(roomWith(['floor'], { position: [0, 2.5, -2], rotation: fromAngles([180, 0, 0]) }).state).toBe(
      'seeking',
    );
    expect(roomWith(['wall'], level([0, 0, -2])).state).toBe('seeking');
  });
  test('on a wall they hang flat, upright, looking out of it', () => {
    const room = roomWith(['wall'], upright([1, 1.2, -2], 40));
    const { position, rotation } = surfacePose('wall', room.seen[0]!.pose);
    near(position, [1, 1.2, -2]);
    near(rotate(rotation, [0, 0, 1]), rotate(fromAngles([0, 40, 0]), [0, 0, 1]), 1e-5);
    near(rotate(rotation, [0, 1, 0]), [0, 1, 0], 1e-5);
  });
  test('a tap puts it down where it is on that surface, and nothing moves it any more but the device', () => {
    const room = roomWith(['floor'], level([0, 0, -1.5 / Math.tan(Math.PI / 6)]));
    expect(room.tap({ x: 0.75, y: 0.6 }, VIEW)).toBe(true);
    const at = stands(room);
    expect(at[1]).toBeCloseTo(0, 6);
    const [x, y] = projectPoint({ pose: camera([0, 1.5, 0]), ...VIEW }, VIEW.fovY, VIEW.aspect, at)!;
    expect([x, y]).toEqual([expect.closeTo(0.75, 5), expect.closeTo(0.6, 5)]);
    expect(room.state).toBe('placed');
    const { pose } = room.seen[0]!;
    room.look(camera([1, 1, 1]), level([3, 0, -3]));
    room.look(camera([1, 1, 1]), null);
    expect(room.seen[0]!.pose).toEqual(pose);
    expect(room.tap({ x: 0.5, y: 0.5 }, VIEW)).toBe(false);
    room.move(room.seen[0]!.id, ORIGIN);
    expect(room.seen[0]!.pose).toEqual(ORIGIN);
    room.placeAgain();
    expect(room.state).toBe('seeking');
    room.look(camera([0, 1.5, 0]), level([3, 0, -3]));
    expect(room.state).toBe('placing');
  });
  test('a tap above the horizon, or before anything was found, puts nothing down', () => {
    expect(roomWith(['floor'], null).tap({ x: 0.5, y: 0.5 }, VIEW)).toBe(false);
    const room = roomWith(['floor'], level([0, 0, -2]));
    room.look({ ...camera([0, 1.5, 0], 0) }, level([0, 0, -2]));
    expect(room.tap({ x: 0.5, y: 0.1 }, VIEW)).toBe(false);
    expect(room.state).toBe('placing');
  });
});

test('floor and table: what is clearly higher than the lowest is the table; both wait for each other', () => {
  const room = roomWith(['floor', 'table'], level([0, 0, -2]));
  expect(room.state).toBe('seeking');
  // A thick rug is no table.
  room.look(camera([0, 1.5, 0]), level([0.5, 0.05, -2]));
  expect(room.state).toBe('seeking');
  room.look(camera([0, 1.5, 0]), level([0.5, 0.74, -1]));
  expect(room.state).toBe('placing');
  expect(room.seen.map((s) => s.kind)).toEqual(['floor', 'table']);
  expect(stands(room)[1]).toBeCloseTo(0.05, 6);
  // Looked away from, they stay until they are put down where they are.
  room.look(camera([0, 1.5, 0]), null);
  const before = room.seen;
  expect(room.tap({ x: 0.1, y: 0.1 }, VIEW)).toBe(true);
  expect(room.seen).toEqual(before);
});
test('there is no height to say', () => {
  const room = roomWith(['floor'], level([0, 0, -2]));
  room.setReach();
  expect([room.isMeasured, room.reach, room.state]).toEqual([true, 1, 'placing']);
});
