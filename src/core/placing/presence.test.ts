import { describe, expect, test } from '@jest/globals';
import { newTarget } from '../document/defaults';
import type { TargetId } from '../document/schema';
import { distance } from '../maths/vec3';
import { facesBySlot, nextPresence, NOBODY, type Presence } from './presence';
import { faceAt, frameOf, poseAt } from './testing';

const there = (...ids: number[]) => frameOf({ faces: ids.map((n) => faceAt(n, poseAt([n / 10, 0, -0.6]))) });
const after = (...frames: number[][]): Presence =>
  frames.reduce((presence, ids) => nextPresence(presence, there(...ids), []), NOBODY);

describe('faces and their numbers', () => {
  test('whoever comes first is face 1, and stays it when the order of the tracker changes', () => {
    expect(after([7], [9, 7]).slots).toEqual([7, 9, null, null]);
  });
  test('when face 1 leaves, face 2 stays face 2; whoever comes next becomes face 1', () => {
    expect(after([7, 9], [9]).slots).toEqual([null, 9, null, null]);
    expect(after([7, 9], [9], [9, 12]).slots).toEqual([12, 9, null, null]);
  });
  test('a fifth face has no number until one is free', () => {
    expect(after([1, 2, 3, 4, 5]).slots).toEqual([1, 2, 3, 4]);
    expect(after([1, 2, 3, 4, 5], [2, 3, 4, 5]).slots).toEqual([5, 2, 3, 4]);
  });
  test('faces are found by their number', () => {
    const presence = after([7, 9], [9]);
    expect(facesBySlot(presence, there(9)).map((f) => f?.id)).toEqual([undefined, 9, undefined, undefined]);
  });
  test('nothing new, nothing made', () => {
    const presence = after([7]);
    expect(nextPresence(presence, there(7), []).slots).toBe(presence.slots);
  });
});

describe('printed pictures', () => {
  const target = { ...newTarget('target_card' as TargetId, 'Card', 0, null), width: 0.3 };
  const seen = frameOf({
    pictures: [{ id: 1, pose: poseAt([0.1, 0, -0.5]), width: 0.15, height: 0.2, confidence: 1 }],
  });
  test('a picture said to be twice as wide is twice as far away, and looks the same', () => {
    const found = nextPresence(NOBODY, seen, [target]).pictures[target.id]!;
    expect(distance(found.pose.position, [0.2, 0, -1])).toBeLessThan(1e-12);
    expect(found).toMatchObject({ height: 0.4, seen: true });
  });
  test('one that leaves is known to have been there', () => {
    const without = frameOf();
    const gone = nextPresence(nextPresence(NOBODY, seen, [target]), without, [target]);
    expect(gone.pictures[target.id]).toMatchObject({ seen: false, height: 0.4 });
    expect(nextPresence(gone, without, [target])).toBe(gone);
  });
  test('surfaces stay known', () => {
    const presence = nextPresence(nextPresence(NOBODY, seen, []), frameOf({ surfaces: [] }), []);
    expect(presence.surfaces.floor!.position).toEqual([0, -1.3, -2]);
    expect(presence.surfaces.table).toBeUndefined();
  });
});
