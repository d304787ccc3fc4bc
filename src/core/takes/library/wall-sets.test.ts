import { describe, expect, test } from '@jest/globals';
import { toLocal } from '../../maths/pose';
import { shippedTake, toneOf } from './compared-faces';
import { performerOf } from './performers';
import { LEAST_TILES, MOST_TILES, WALL_SETS, wallSet } from './wall-sets';

const takesOf = (id: string) => wallSet(id)!.takes.map((take) => shippedTake(take)!);

describe.each(WALL_SETS.map((set) => [set.name, set] as const))('%s', (_, { id, takes }) => {
  test('is a wall of takes that ship, each once', () => {
    expect(takes.length).toBeGreaterThanOrEqual(LEAST_TILES);
    expect(takes.length).toBeLessThanOrEqual(MOST_TILES);
    expect(new Set(takes).size).toBe(takes.length);
    for (const take of takes) expect([take, shippedTake(take)?.id]).toEqual([take, take]);
    expect(wallSet(id)?.takes).toBe(takes);
  });
});

test('no set is there that is not', () => {
  expect(new Set(WALL_SETS.map(({ id }) => id)).size).toBe(WALL_SETS.length);
  expect(wallSet('moon')).toBeNull();
});

test('six skin tones are six, from the lightest to the darkest, in one performance', () => {
  const takes = takesOf('tones');
  expect(takes.map(({ spec }) => toneOf(spec.cast[0]!.performer))).toEqual([
    'I',
    'II',
    'III',
    'IV',
    'V',
    'VI',
  ]);
  expect(new Set(takes.map(({ spec }) => spec.cast[0]!.performance)).size).toBe(1);
});

test('in each of glasses and beards somebody wears one, and everybody who does is there', () => {
  const worn = takesOf('glasses-and-beards').map(({ spec }) =>
    spec.cast.filter(({ performer }) => {
      const { glasses, beard } = performerOf(performer);
      return glasses !== 'none' || beard !== 'none';
    }),
  );
  for (const of of worn) expect(of.length).toBeGreaterThan(0);
  expect(new Set(worn.flat().map(({ performer }) => performer)).size).toBeGreaterThanOrEqual(4);
});

test('what could go wrong: no face, one cut off, one small, one lost and found again', () => {
  const facesAt = (id: string, share: number) => {
    const take = shippedTake(id)!;
    return take.frameAt(share * take.duration).faces;
  };
  for (const share of [0, 0.3, 0.7]) expect(facesAt('nobody', share)).toHaveLength(0);
  const lost = [0.1, 0.45, 0.9].map((share) => facesAt('lost-and-found', share).length);
  expect(lost).toEqual([1, 0, 1]);
  const away = -facesAt('far-away', 0.5)[0]!.pose.position[2];
  expect(away).toBeGreaterThan(1.5);
  // The nose is in the picture, the far ear is not; for moments the nose is not either.
  const [face] = facesAt('at-the-edge', 0);
  const { camera } = shippedTake('at-the-edge')!.frameAt(0);
  const half = Math.tan(((camera.fovY / 2) * Math.PI) / 180) * (9 / 16);
  const [x, , z] = toLocal(camera.pose, face!.pose.position);
  expect(x / -z).toBeLessThan(half);
  expect((x + 0.075) / -z).toBeGreaterThan(half);
  const there = Array.from({ length: 20 }, (_, i) => facesAt('at-the-edge', i / 20).length);
  expect(there.filter((n) => n === 1).length).toBeGreaterThan(10);
  expect(there).toContain(0);
});
