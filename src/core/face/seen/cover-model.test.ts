import { describe, expect, test } from '@jest/globals';
import { fillOutlines } from '../region-mask';
import { fromAngles, type Quaternion } from '../../maths/quaternion';
import { FACE_EDGE } from '../regions';
import { GRID, nextCover, type CoverModel } from './cover-model';

const FACE = fillOutlines([FACE_EDGE], GRID);
const AHEAD: Quaternion = [0, 0, 0, 1];
/** Noise that is the same each time. */
const noise = (i: number, frame: number): number => {
  const x = Math.sin(12.9898 * i + 78.233 * frame) * 43758.5453;
  return x - Math.floor(x) - 0.5;
};
type At = (u: number, v: number) => readonly [number, number, number];
const SKIN: At = (u, v) => [190 - 30 * Math.abs(u - 0.5), 140 - 25 * v, 115 - 20 * v];

/** A picture of the face laid flat, seen from the front. */
const picture = (at: At, frame: number): Uint8Array => {
  const out = new Uint8Array(4 * GRID * GRID);
  for (let i = 0; i < GRID * GRID; i++) {
    const colour = at((i % GRID) / GRID, Math.floor(i / GRID) / GRID);
    for (let c = 0; c < 3; c++)
      out[4 * i + c] = Math.min(255, Math.max(0, colour[c]! + 5 * noise(3 * i + c, frame)));
    out[4 * i + 3] = 230;
  }
  return out;
};
const watched = (at: At, frames: number, from: CoverModel | null = null, rotation = AHEAD): CoverModel => {
  let model = from;
  // The noise comes again after a while: drawing a picture takes longer than looking at it.
  const drawn = Array.from({ length: Math.min(frames, 16) }, (_, n) => picture(at, n));
  for (let n = 0; n < frames; n++) model = nextCover(model, drawn[n % 16]!, rotation);
  return model!;
};
/** Share of the face inside, and outside of a rectangle, that counts as covered. */
const covered = (model: CoverModel, inside: (u: number, v: number) => boolean): [number, number] => {
  const [hits, all] = [
    [0, 0],
    [0, 0],
  ];
  for (let i = 0; i < GRID * GRID; i++) {
    if (FACE[i]! < 0.5) continue;
    const k = inside((i % GRID) / GRID, Math.floor(i / GRID) / GRID) ? 0 : 1;
    all[k]!++;
    if (model.cover[i]! > 0.5) hits[k]!++;
  }
  return [hits[0]! / Math.max(1, all[0]!), hits[1]! / all[1]!];
};
const nowhere = () => false;
const lowLeft = (u: number, v: number) => u < 0.45 && v > 0.5;

describe('what covers a face', () => {
  test('of a face that is bare: nothing, however long it is looked at', () => {
    for (const frames of [1, 3, 60]) expect(covered(watched(SKIN, frames), nowhere)[1]).toBeLessThan(0.005);
  });

  test.each([
    ['a glove', [90, 120, 160], 0.95],
    ['a hand hardly darker than the skin', [160, 105, 85], 0.95],
  ] as const)('%s is found, and let go when it goes', (_, [r, g, b], least) => {
    const bare = watched(SKIN, 90);
    const hand: At = (u, v) => (lowLeft(u, v) ? [r + 30 * noise(Math.floor(9 * u), 1), g, b] : SKIN(u, v));
    const [inside, outside] = covered(watched(hand, 6, bare), lowLeft);
    expect(inside).toBeGreaterThan(least);
    expect(outside).toBeLessThan(0.06);
    expect(covered(watched(SKIN, 8, watched(hand, 6, bare)), nowhere)[1]).toBeLessThan(0.01);
  });

  test('a hand of the face’s own colour that comes over most of it is not taken for the light', () => {
    let model = watched(SKIN, 60);
    // From the chin up, a tenth of the face in each three pictures.
    const over = (edge: number) => (_u: number, v: number) => v > edge;
    const hand =
      (edge: number): At =>
      (u, v) =>
        over(edge)(u, v) ? (SKIN(u, v).map((c) => 1.17 * c) as never) : SKIN(u, v);
    for (let edge = 0.9; edge >= 0.35; edge -= 0.05) model = watched(hand(edge), 3, model);
    const [inside, outside] = covered(watched(hand(0.35), 5, model), over(0.35));
    expect(inside).toBeGreaterThan(0.9);
    expect(outside).toBeLessThan(0.12);
  });
  test('a mug before the mouth for some seconds leaves nothing behind', () => {
    const mug: At = (u, v) => (lowLeft(u, v) ? [250, 250, 245] : SKIN(u, v));
    const drunk = watched(mug, 75, watched(SKIN, 60));
    expect(covered(drunk, lowLeft)[0]).toBeGreaterThan(0.95);
    expect(covered(watched(SKIN, 8, drunk), nowhere)[1]).toBeLessThan(0.01);
  });

  test('a lamp that is dimmed, or comes from one side, covers nothing', () => {
    const bare = watched(SKIN, 30);
    const dim: At = (u, v) => SKIN(u, v).map((c) => 0.6 * c) as unknown as readonly [number, number, number];
    const side: At = (u, v) => SKIN(u, v).map((c) => (0.7 + 0.5 * u) * c) as never;
    for (const light of [dim, side]) expect(covered(watched(light, 6, bare), nowhere)[1]).toBeLessThan(0.03);
  });

  test('a fringe that was always there is no skin', () => {
    const fringe = (_u: number, v: number) => v < 0.22;
    const [inside, outside] = covered(
      watched((u, v) => (fringe(u, v) ? [40, 26, 18] : SKIN(u, v)), 20),
      fringe,
    );
    expect(inside).toBeGreaterThan(0.85);
    expect(outside).toBeLessThan(0.08);
  });

  test('what stays for a minute or two belongs to the face', () => {
    const bare = watched(SKIN, 30);
    const stain: At = (u, v) => (lowLeft(u, v) ? [150, 105, 92] : SKIN(u, v));
    const soon = covered(watched(stain, 8, bare), lowLeft)[0];
    const late = covered(watched(stain, 1500, bare), lowLeft)[0];
    expect(soon).toBeGreaterThan(0.6);
    expect(late).toBeLessThan(0.1);
  });

  test('a head that turns is lit another way, and is not covered by that', () => {
    const bare = watched(SKIN, 30);
    const shaded: At = (u, v) => SKIN(u, v).map((c) => c * (u < 0.5 ? 0.72 : 1.1)) as never;
    const turned = fromAngles([0, 30, 0]);
    expect(covered(watched(shaded, 4, bare, turned), nowhere)[1]).toBeLessThan(0.03);
  });

  test('the same pictures always give the same', () => {
    expect(watched(SKIN, 5)).toEqual(watched(SKIN, 5));
    const before = watched(SKIN, 5);
    const kept = structuredClone(before);
    nextCover(before, picture(SKIN, 9), AHEAD);
    expect(before).toEqual(kept);
  });
});
