/** A room around a device that says how it is held. */
import { describe, expect, test } from '@jest/globals';
import type { SurfaceKind } from '../document/schema';
import { angleBetween, fromAngles, multiplyQuaternions, rotate } from '../maths/quaternion';
import { toOuter } from '../maths/pose';
import { distance, type Vec3 } from '../maths/vec3';
import { cameraTurn } from '../tracking/device-turn';
import { projectPoint } from '../tracking/project';
import { surfacePose } from './anchors';
import { AssumedRoom, USUAL_REACH } from './assumed-room';
import { faceAt, frameOf, poseAt } from './testing';

const VIEW = { fovY: 60, aspect: 9 / 16 };
const near = (a: Vec3, b: Vec3, by = 1e-6) => expect(distance(a, b)).toBeLessThan(by);
/** What a held device sees: nothing but its room. */
const seen = (room: AssumedRoom) => room.frame(frameOf({ surfaces: [] }));
/** Turned to the left, then tipped. */
const looking = (left: number, down: number) =>
  multiplyQuaternions(fromAngles([0, left, 0]), fromAngles([-down, 0, 0]));
const held = (kinds: readonly SurfaceKind[], down: number, left = 0): AssumedRoom => {
  const room = new AssumedRoom(kinds);
  room.turn(looking(left, down));
  return room;
};

describe('how a device is held', () => {
  const upright = { alpha: 0, beta: 90, gamma: 0, screen: 0 };
  test('upright it looks level to the north; lying on its back, straight down; tipped, half-way', () => {
    near(rotate(cameraTurn(upright), [0, 0, -1]), [0, 0, -1]);
    near(rotate(cameraTurn(upright), [0, 1, 0]), [0, 1, 0]);
    near(rotate(cameraTurn({ ...upright, beta: 0 }), [0, 0, -1]), [0, -1, 0]);
    near(rotate(cameraTurn({ ...upright, beta: 45 }), [0, 0, -1]), [0, -Math.SQRT1_2, -Math.SQRT1_2]);
  });
  test('turned to the left it looks west; the camera towards the viewer looks the other way', () => {
    near(rotate(cameraTurn({ ...upright, alpha: 90 }), [0, 0, -1]), [-1, 0, 0]);
    near(rotate(cameraTurn(upright, true), [0, 0, -1]), [0, 0, 1]);
    near(rotate(cameraTurn(upright, true), [0, 1, 0]), [0, 1, 0]);
  });
  test('on its side with the page turned along, up is still up', () => {
    // The upper edge to the left, the right one up.
    const sideways = { alpha: 90, beta: 0, gamma: -90, screen: 90 };
    near(rotate(cameraTurn(sideways), [0, 1, 0]), [0, 1, 0]);
    near(rotate(cameraTurn({ ...sideways, screen: 0 }), [1, 0, 0]), [0, 1, 0]);
    expect(Math.abs(rotate(cameraTurn(sideways), [0, 0, -1])[1])).toBeLessThan(1e-6);
  });
});

describe('a floor at a height', () => {
  test('is not there while nobody looks at it, nor straight below', () => {
    expect(held(['floor'], 0).state).toBe('seeking');
    expect(held(['floor'], -20).state).toBe('seeking');
    expect(held(['floor'], 10).state).toBe('seeking');
    expect(held(['floor'], 89).state).toBe('seeking');
    expect(seen(held(['floor'], 5)).surfaces).toEqual([]);
  });
  test('things stand where the middle of the picture shows it, 1.4 m below, facing the viewer', () => {
    const room = held(['floor'], 30);
    expect(room.state).toBe('placing');
    const { surfaces, camera } = seen(room);
    const [floor] = surfaces;
    expect(floor!.kind).toBe('floor');
    // Where new things rest on a floor: 0.8 m before its origin.
    const stands = toOuter(floor!.pose, [0, 0, -0.8]);
    near(stands, [0, -1.4, -1.4 / Math.tan(Math.PI / 6)], 1e-5);
    const [x, y] = projectPoint(camera, VIEW.fovY, VIEW.aspect, stands)!;
    expect([x, y]).toEqual([expect.closeTo(0.5, 6), expect.closeTo(0.5, 6)]);
  });
  test('it follows the camera until the viewer taps, then stays; and again from the beginning', () => {
    const room = held(['floor'], 30);
    const first = seen(room).surfaces[0]!.pose;
    room.turn(looking(40, 45));
    const second = seen(room).surfaces[0]!.pose;
    expect(distance(first.position, second.position)).toBeGreaterThan(0.5);
    // It still faces the viewer.
    expect(angleBetween(first.rotation, second.rotation)).toBeCloseTo(40, 4);
    expect(room.tap({ x: 0.5, y: 0.5 }, VIEW)).toBe(true);
    expect(room.state).toBe('placed');
    room.turn(looking(0, 20));
    expect(seen(room).surfaces[0]!.pose).toEqual(second);
    expect(room.tap({ x: 0.5, y: 0.5 }, VIEW)).toBe(false);
    room.placeAgain();
    expect(room.state).toBe('placing');
    room.turn(looking(0, -10));
    expect(room.state).toBe('seeking');
  });
  test('a tap elsewhere puts it there; above the horizon it does nothing', () => {
    const room = held(['floor'], 25);
    expect(room.tap({ x: 0.5, y: 0 }, VIEW)).toBe(false);
    expect(room.state).toBe('placing');
    expect(room.tap({ x: 0.8, y: 0.75 }, VIEW)).toBe(true);
    const { surfaces, camera } = seen(room);
    const [x, y] = projectPoint(camera, VIEW.fovY, VIEW.aspect, toOuter(surfaces[0]!.pose, [0, 0, -0.8]))!;
    expect([x, y]).toEqual([expect.closeTo(0.8, 5), expect.closeTo(0.75, 5)]);
  });
  test('held higher it is farther below', () => {
    const room = held(['floor'], 30);
    room.setReach(1.25);
    expect(seen(room).surfaces[0]!.pose.position[1]).toBeCloseTo(-1.75, 6);
    room.setReach(99);
    expect(room.reach).toBe(2);
  });
});

test('a table is nearer; a wall hangs upright before the viewer', () => {
  const [table] = seen(held(['table'], 35)).surfaces;
  expect(table!.pose.position[1]).toBeCloseTo(-USUAL_REACH.table, 6);
  const room = held(['wall'], 10, 30);
  const [wall] = seen(room).surfaces;
  const { position, rotation } = surfacePose('wall', wall!.pose);
  expect(Math.hypot(position[0], position[2])).toBeCloseTo(1.5, 6);
  // Its pictures look at the viewer, and stand upright.
  near(rotate(rotation, [0, 0, 1]), [-position[0] / 1.5, 0, -position[2] / 1.5], 1e-5);
  near(rotate(rotation, [0, 1, 0]), [0, 1, 0], 1e-6);
  expect(held(['wall'], 60).state).toBe('seeking');
});
test('an effect on floor and wall is placed when both are in reach', () => {
  expect(held(['floor', 'wall'], 5).state).toBe('seeking');
  expect(seen(held(['floor', 'wall'], 30)).surfaces.map((s) => s.kind)).toEqual(['floor', 'wall']);
});
test('what trackers find is seen from where the camera looks', () => {
  const room = held(['floor'], 30, 90);
  const face = faceAt(1, poseAt([0, 0, -0.5]));
  const { faces, camera } = room.frame(frameOf({ faces: [face], surfaces: [] }));
  near(faces[0]!.pose.position, rotate(camera.pose.rotation, [0, 0, -0.5]));
});
