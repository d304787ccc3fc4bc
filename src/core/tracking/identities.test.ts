/** Faces keep who they are. */
import { describe, expect, test } from '@jest/globals';
import { FIRST_TAKE, SHIPPED_TAKES } from '../takes/library';
import { Identities } from './identities';
import type { TrackedFace } from './track-frame';

const someone = FIRST_TAKE.frameAt(0).faces[0]!;
/** A face that the tracker calls anything. */
const faceAt = (x: number, z = -0.6, called = 99): TrackedFace => ({
  ...someone,
  id: called,
  pose: { ...someone.pose, position: [x, 0, z] },
});
const ids = (faces: readonly TrackedFace[]): number[] => faces.map((f) => f.id);

describe('who is who', () => {
  test('in whatever order they are found', () => {
    const who = new Identities<TrackedFace>();
    expect(ids(who.name([faceAt(-0.2), faceAt(0.2)], 0))).toEqual([1, 2]);
    expect(ids(who.name([faceAt(0.21), faceAt(-0.19)], 0.05))).toEqual([2, 1]);
  });
  test('two that cross before one another keep their numbers', () => {
    const who = new Identities<TrackedFace>();
    for (let n = 0; n <= 40; n++) {
      const t = n / 20;
      const [a, b] = [faceAt(-0.3 + 0.3 * t, -0.6), faceAt(0.3 - 0.3 * t, -0.75)];
      const named = who.name(n % 2 === 0 ? [a, b] : [b, a], t);
      expect(ids(named)).toEqual(n % 2 === 0 ? [1, 2] : [2, 1]);
    }
  });
  test('back within a second they are who they were; later somebody new', () => {
    const who = new Identities<TrackedFace>();
    who.name([faceAt(0), faceAt(0.3)], 0);
    expect(ids(who.name([faceAt(0.3)], 0.3))).toEqual([2]);
    expect(ids(who.name([faceAt(0.3), faceAt(0.05)], 0.9))).toEqual([2, 1]);
    who.name([], 1);
    expect(ids(who.name([faceAt(0)], 2.5))).toEqual([3]);
  });
  test('whoever comes in far off is not who left', () => {
    const who = new Identities<TrackedFace>();
    who.name([faceAt(-0.5)], 0);
    expect(ids(who.name([faceAt(0.6)], 0.1))).toEqual([2]);
  });
  test('a take of three people is told apart all through, shuffled as a tracker may', () => {
    const take = SHIPPED_TAKES.find((t) => t.id === 'three-people')!;
    const who = new Identities<TrackedFace>();
    const called = new Map<number, number>();
    for (let t = 0; t < take.duration; t += 0.1) {
      const truth = [...take.frameAt(t).faces].sort(
        (a, b) => Math.sin(a.id * 9 + t * 40) - Math.sin(b.id * 9 + t * 40),
      );
      who.name(truth, t).forEach((named, i) => {
        const { id } = truth[i]!;
        expect(called.get(id) ?? named.id).toBe(named.id);
        called.set(id, named.id);
      });
    }
    expect(new Set(called.values()).size).toBe(called.size);
  });
});
