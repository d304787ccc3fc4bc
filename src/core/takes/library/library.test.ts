import { describe, expect, test } from '@jest/globals';
import { toLocal, toOuter } from '../../maths/pose';
import { angleBetween } from '../../maths/quaternion';
import { distance, length, subtract, type Vec3 } from '../../maths/vec3';
import { EXPRESSION_NAMES } from '../../tracking/expression-names';
import { valueAt } from '../curve';
import { LIGHTS, lightOf } from '../lights';
import { expressionsAt, handAt, headPoseAt } from '../performance';
import { SKIN_TONES, SKINS } from '../skin-tones';
import { CAMERAS, cameraOf } from './cameras';
import { PERFORMANCES, performanceOf } from './performances';
import { PICTURE_PATHS, picturePathOf } from './picture-paths';
import { ROOMS, roomOf, TABLE_AT } from './rooms';

const shares = Array.from({ length: 97 }, (_, i) => i / 96);
const unique = (all: readonly { id: string }[]) =>
  expect(new Set(all.map((x) => x.id)).size).toBe(all.length);

test('everything has an id of its own, and what is asked for by a wrong one is named', () => {
  for (const all of [CAMERAS, LIGHTS, ROOMS, PICTURE_PATHS, PERFORMANCES]) unique(all);
  for (const find of [cameraOf, lightOf, roomOf, picturePathOf, performanceOf])
    expect(() => find('moon')).toThrow('moon');
});

describe.each(CAMERAS.map((c) => [c.name, c] as const))('%s', (_name, camera) => {
  test('comes back to where it began', () => {
    expect(distance(camera.at(0).position, camera.at(1).position)).toBeLessThan(1e-6);
    expect(angleBetween(camera.at(0).rotation, camera.at(1).rotation)).toBeLessThan(0.01);
  });
  test('is held upright within a few degrees', () => {
    for (const share of shares) {
      const { rotation } = camera.at(share);
      const right = toOuter({ position: [0, 0, 0], rotation }, [1, 0, 0]);
      expect(Math.abs(right[1])).toBeLessThan(Math.sin((4 * Math.PI) / 180));
    }
  });
});
test('round the table the table stays in the middle, from every side', () => {
  const camera = cameraOf('round-table');
  const sides = shares.map((share) => {
    const pose = camera.at(share);
    const seen = toLocal(pose, TABLE_AT);
    expect(seen[2]).toBeLessThan(-0.8);
    expect(Math.hypot(seen[0], seen[1]) / -seen[2]).toBeLessThan(0.1);
    const [x, , z] = subtract(pose.position, TABLE_AT);
    return Math.round((Math.atan2(x, z) * 2) / Math.PI);
  });
  expect(new Set(sides).size).toBeGreaterThanOrEqual(4);
});

describe.each(LIGHTS.map((l) => [l.name, l] as const))('%s', (_name, light) => {
  test('has directions of length one and never goes out', () => {
    for (const share of shares) {
      const { key, fill, edge, ambient } = light.at(share);
      for (const { direction, strength } of [key, fill, edge]) {
        expect(length(direction)).toBeCloseTo(1, 9);
        expect(strength).toBeGreaterThan(0);
      }
      expect(ambient).toBeGreaterThan(0.3);
      expect(key.direction[2]).toBeGreaterThan(0);
    }
  });
});
test('the dim room is dimmer than any other, and the bare lamp the hardest, then the low sun', () => {
  const strength = (id: string) => lightOf(id).at(0).key.strength + lightOf(id).at(0).ambient;
  for (const { id } of LIGHTS) if (id !== 'dim') expect(strength('dim')).toBeLessThan(strength(id));
  const contrast = (id: string) => lightOf(id).at(0).key.strength / lightOf(id).at(0).ambient;
  const hardest = LIGHTS.map(({ id }) => id).sort((a, b) => contrast(b) - contrast(a));
  expect(hardest.slice(0, 2)).toEqual(['hard-lamp', 'low-sun']);
});
test('lights in turn: a quarter each of soft, dim, hard and coloured, with no jump from one to the next', () => {
  const at = (share: number) => lightOf('in-turn').at(share);
  expect([0.1, 0.35, 0.6, 0.85].map(at)).toEqual(
    ['window', null, 'hard-lamp', 'two-colours'].map((id) => (id ? lightOf(id).at(0) : at(0.3))),
  );
  expect(at(0.35).key.colour).toBe(lightOf('dim').at(0).key.colour);
  for (let i = 0; i < 960; i++)
    expect(Math.abs(at((i + 1) / 960).key.strength - at(i / 960).key.strength)).toBeLessThan(0.15);
  expect(at(0)).toEqual(at(1));
});

describe.each(PICTURE_PATHS.map((p) => [p.name, p] as const))('%s', (_name, path) => {
  test('ends as it begins, and covers no more than a share', () => {
    const [first, last] = [path.at(0), path.at(1)];
    first.forEach((moment, i) => {
      expect(distance(moment.pose.position, last[i]!.pose.position)).toBeLessThan(1e-6);
      expect(angleBetween(moment.pose.rotation, last[i]!.pose.rotation)).toBeLessThan(0.01);
    });
    for (const share of shares)
      for (const { covered } of path.at(share)) {
        expect(covered).toBeGreaterThanOrEqual(0);
        expect(covered).toBeLessThan(0.7);
      }
  });
});

describe.each(PERFORMANCES.map((p) => [p.name, p] as const))('%s', (_name, performance) => {
  const times = shares.map((s) => s * performance.duration);
  test('keeps every expression between 0 and 1', () => {
    for (const t of times)
      for (const [name, strength] of Object.entries(expressionsAt(performance, t))) {
        expect(EXPRESSION_NAMES).toContain(name);
        expect(strength).toBeGreaterThanOrEqual(0);
        expect(strength).toBeLessThanOrEqual(1);
      }
  });
  test('turns the head no further than a neck lets it', () => {
    for (const t of times)
      expect(angleBetween(headPoseAt(performance, t).rotation, [0, 0, 0, 1])).toBeLessThan(60);
  });
  test('hands never reach into the head', () => {
    for (const path of performance.hands ?? [])
      for (const t of times) {
        const { pose } = handAt(path, t);
        const head = headPoseAt(performance, t).position;
        for (const along of [0, 0.06, 0.12] as const) {
          const [x, y, z] = subtract(toOuter(pose, [0, along, 0]), head) as unknown as Vec3;
          // Inside the ellipsoid of the face with its nose cut off.
          expect(Math.hypot(x / 0.075, (y + 0.005) / 0.1, z / 0.066)).toBeGreaterThan(1);
        }
      }
  });
});
test('hands take the shapes of their keys at their times', () => {
  const path = performanceOf('gestures').hands![0]!;
  for (const key of path.keys) {
    const { pose } = handAt(path, key.at);
    expect(distance(pose.position, key.place)).toBeLessThan(1e-9);
  }
  const between = handAt(path, 1.9);
  expect(between.bend).toEqual(handAt(path, 1.2).bend);
});
test('a talking mouth closes between its sentences', () => {
  const { jawOpen } = performanceOf('talking').expressions;
  expect(Math.max(...[0.9, 1.1, 1.4, 1.7].map((t) => valueAt(jawOpen!, t)))).toBeGreaterThan(0.2);
  expect(valueAt(jawOpen!, 3.9)).toBeLessThan(0.05);
  expect(valueAt(jawOpen!, 7.8)).toBeLessThan(0.05);
});

test('skin darkens from type I to VI, lips and shade along with it', () => {
  const luminance = (hex: string) =>
    [1, 3, 5].reduce((s, i, k) => s + parseInt(hex.slice(i, i + 2), 16) * [0.2126, 0.7152, 0.0722][k]!, 0);
  for (const part of ['base', 'lips', 'shade'] as const)
    SKIN_TONES.slice(1).forEach((tone, i) =>
      expect(luminance(SKINS[tone][part])).toBeLessThan(luminance(SKINS[SKIN_TONES[i]!][part])),
    );
  for (const tone of SKIN_TONES)
    expect(luminance(SKINS[tone].shade)).toBeLessThan(luminance(SKINS[tone].base));
});
