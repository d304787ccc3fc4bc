/** Rich pictures are strong, poor ones are weak, and the reasons are the true ones. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { Grey } from './grey';
import { makeFindNearest, type FindNearest } from './hamming';
import { pictureStrength } from './picture-strength';
import { makePictureTarget } from './picture-target';
import { testPoster } from './testing';

let nearest: FindNearest;
beforeAll(async () => {
  nearest = (await makeFindNearest())!;
});
const strengthOf = (of: Grey) => pictureStrength(of, { nearest, effort: 0.03 });
const kinds = (of: Grey): string[] => strengthOf(of).weaknesses.map((w) => w.kind);

describe('strength', () => {
  test('rich before middling before poor', () => {
    const [rich, middling, poor] = [60, 5, 2].map((shapes) =>
      pictureStrength(testPoster(31, shapes), { nearest, effort: 0.1 }),
    );
    expect(rich!.grade).toBe('good');
    expect(rich!.weaknesses).toEqual([]);
    expect(poor!.grade).toBe('poor');
    expect(rich!.found).toBeGreaterThan(middling!.found);
    expect(middling!.found).toBeGreaterThan(poor!.found);
    expect(rich!.smallest).toBeLessThanOrEqual(0.2);
    expect(rich!.heat).toHaveLength(rich!.columns * rich!.rows);
    expect(Math.max(...rich!.heat)).toBe(1);
  });
  test('the same picture gets the same answer, and progress goes from little to all', () => {
    const shares: number[] = [];
    const once = pictureStrength(testPoster(5, 8, 180, 240), {
      nearest,
      effort: 0.02,
      onProgress: (s) => shares.push(s),
    });
    expect(pictureStrength(testPoster(5, 8, 180, 240), { nearest, effort: 0.02 })).toEqual(once);
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });
  test('one colour, a tiny one, a checkerboard: poor, and why', () => {
    expect(strengthOf(new Grey(200, 200))).toMatchObject({
      grade: 'poor',
      found: 0,
      smallest: null,
    });
    expect(kinds(new Grey(200, 200))).toEqual(['fewDetails']);
    expect(kinds(testPoster(4, 12, 40, 40))).toContain('small');
    const board = new Grey(320, 320);
    for (let y = 0; y < 320; y++)
      for (let x = 0; x < 320; x++) board.data[y * 320 + x] = ((x >> 5) + (y >> 5)) % 2 ? 230 : 30;
    const checkered = strengthOf(board);
    expect(checkered.grade).toBe('poor');
    expect(checkered.weaknesses.map((w) => w.kind)).toContain('repeats');
  });
  test('half of it empty', () => {
    const half = testPoster(8, 60);
    for (let y = 0; y < 480; y++) half.data.fill(120, 360 * y + 180, 360 * (y + 1));
    expect(strengthOf(half).weaknesses).toContainEqual({
      kind: 'halfEmpty',
      half: 'right',
    });
  });
  test('too like another target', () => {
    const poster = testPoster(12, 60, 240, 320);
    const twin = testPoster(12, 60, 240, 320);
    // A corner of it is another.
    for (let y = 0; y < 50; y++) twin.data.fill(40, 240 * y, 240 * y + 60);
    const strength = pictureStrength(twin, {
      nearest,
      effort: 0.02,
      others: [makePictureTarget(testPoster(99, 9, 180, 240)), makePictureTarget(poster)],
    });
    expect(strength).toMatchObject({ grade: 'poor' });
    expect(strength.weaknesses).toContainEqual({ kind: 'likeAnother', other: 1 });
  });
});
