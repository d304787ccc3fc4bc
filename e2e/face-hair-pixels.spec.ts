/** Dyed hair and retouch, in pixels. */
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { newPicture } from '../src/core/document/defaults';
import type { AssetId } from '../src/core/document/schema';
import { newHair, type Hair } from '../src/core/kinds/objects/hair';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import { regionCentre } from '../src/core/face/regions';
import type { Spot } from '../src/core/face/skin-spot';
import { bare, changedAt, draw, id, one, openFacePage, type Picture } from './harness/face-pixels';

openFacePage();

test.describe('hair and skin', () => {
  const spec = { take: 'screen-test-marin', time: 0.5, width: 360, height: 640 };

  test('retouch goes over without steps, keeps pores at 50, and leaves eyes and teeth alone unasked', async () => {
    const at = {
      take: 'screen-test-ines',
      time: 0.5,
      width: 480,
      height: 480,
      fovY: 17,
      expressions: { jawOpen: 0.3, mouthSmileLeft: 0.9, mouthSmileRight: 0.9 },
      landmarks: [50, 468, 473, 13],
    };
    const none = await draw({ effect: bare, ...at });
    const [x, y] = none.marks[0]!;
    const R = 14;
    /** Greens of a patch of the cheek, and how much neighbours differ (what is fine) and corners of 9 x 9 (what is not). */
    const patch = (drawn: Picture) => {
      const value = (i: number, j: number) => 255 * drawn.colour([x + i, y + j])[1];
      let [fine, change] = [0, 0];
      for (let j = -R; j <= R; j++)
        for (let i = -R; i <= R; i++) {
          const around = (value(i - 1, j) + value(i + 1, j) + value(i, j - 1) + value(i, j + 1)) / 4;
          fine += Math.abs(value(i, j) - around);
          change += Math.abs(value(i, j) - 255 * none.colour([x + i, y + j])[1]);
        }
      return { fine, change };
    };
    const retouched = (strength: number, detail: number) => {
      const retouch = newRetouch(id(0), 0);
      return draw({ effect: one({ ...retouch, smooth: { on: true, strength, detail } }), ...at });
    };
    const { detail } = newRetouch(id(0), 0).smooth;
    const changes: number[] = [];
    for (const strength of [0, 0.25, 0.5, 0.75, 1])
      changes.push(patch(await retouched(strength, detail)).change);
    expect(changes[0]).toBe(0);
    for (const [i, part] of [0.25, 0.5, 0.75].entries()) {
      expect(changes[i + 1]! / changes[4]!).toBeGreaterThan(part - 0.15);
      expect(changes[i + 1]! / changes[4]!).toBeLessThan(part + 0.15);
    }
    const half = await retouched(0.5, detail);
    expect(patch(half).fine).toBeGreaterThan(0.55 * patch(none).fine);
    expect(patch(await retouched(1, 0)).fine).toBeLessThan(0.5 * patch(none).fine);
    // Irises and what is between the lips.
    for (const [u, v] of none.marks.slice(1))
      for (let j = -3; j <= 3; j++)
        for (let i = -3; i <= 3; i++) expect(changedAt(none, half, [u + i, v + j], 2)).toBe(false);
  });

  test('a second tone goes up from the tips, or into single strands, and into nothing but hair', async () => {
    const two = { ...newHair(id(0), 0), tint: '#2020e0', tips: '#e02020', opacity: 1 };
    const at = { ...spec, landmarks: [50, 280, 151, 10] };
    const none = await draw({ effect: bare, ...at });
    const dyed = (more: Partial<Hair>) => draw({ effect: one({ ...two, ...more }), ...at });
    const plain = await dyed({});
    /** Of the hair that is well dyed, between two rows: how much has the second tone now. */
    const share = (drawn: Picture, from: number, to: number): number => {
      let [hair, second] = [0, 0];
      for (let y = from; y < to; y++)
        for (let x = 0; x < 360; x++) {
          const [r, , b] = plain.colour([x, y]);
          if (!changedAt(none, plain, [x, y], 12) || b < r + 0.06) continue;
          hair++;
          const now = drawn.colour([x, y]);
          if (now[0] > now[2] + 0.02) second++;
        }
      expect(hair).toBeGreaterThan(400);
      return second / hair;
    };
    const top = Math.round(none.marks[3]![1]);
    const tipped = await dyed({ tipsReach: 0.6 });
    expect(share(tipped, 0, top - 60)).toBeGreaterThan(0.5);
    expect(share(tipped, top, 640)).toBeLessThan(0.2);
    const streaked = await dyed({ streaks: 0.4 });
    expect(share(streaked, 0, 640)).toBeGreaterThan(0.15);
    expect(share(streaked, 0, 640)).toBeLessThan(0.65);
    expect(share(await dyed({ streaks: 1 }), 0, 640)).toBeGreaterThan(0.95);
    expect(share(await dyed({ tipsReach: 1 }), 0, 640)).toBeGreaterThan(0.7);
    for (const drawn of [tipped, streaked])
      for (const mark of none.marks.slice(0, 3)) expect(changedAt(none, drawn, mark)).toBe(false);
  });

  test('a half, the fringe or the lengths alone are dyed, or what a picture laid over the head shows', async () => {
    const at = { ...spec, landmarks: [234, 454] };
    const none = await draw({ effect: bare, ...at });
    const [right, left] = none.marks as [[number, number], [number, number]];
    const [middle, ears] = [(right[0] + left[0]) / 2, (right[1] + left[1]) / 2];
    /** Dyed pixels: on the wearer's right, on the left, over the ears, and from there down. */
    const seen = async (more: Partial<Hair>, files?: Record<string, string>) => {
      const dyed = one({ ...newHair(id(0), 0), tint: '#3030ff', opacity: 1, edge: 0.1, ...more });
      const drawn = await draw({
        effect: { ...dyed, assets: more.mask ? { [more.mask]: MASK } : {} },
        ...at,
        ...(files ? { files } : {}),
      });
      const counts = { right: 0, left: 0, above: 0, below: 0 };
      for (let y = 0; y < 640; y++)
        for (let x = 0; x < 360; x++) {
          if (drawn.colour([x, y])[2] < none.colour([x, y])[2] + 0.12) continue;
          counts[x < middle ? 'right' : 'left']++;
          // Rows are counted from below.
          counts[y > ears ? 'above' : 'below']++;
        }
      return counts;
    };
    const png = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#000000' } })
      .composite([
        {
          // As the head is seen from the front, the wearer's left is on the right.
          input: { create: { width: 32, height: 64, channels: 3, background: '#ffffff' } },
          left: 32,
          top: 0,
        },
      ])
      .png()
      .toBuffer();
    const file = { sha256: 'f'.repeat(64), mime: 'image/png', bytes: png.length } as const;
    const MASK = newPicture('asset_half' as AssetId, 'half.png', file, 64, 64);
    const all = await seen({});
    expect(Math.min(all.left, all.right)).toBeGreaterThan(500);
    for (const half of [
      await seen({ part: 'left' }),
      await seen({ mask: MASK.id }, { [file.sha256]: png.toString('base64') }),
    ]) {
      expect(half.left).toBeGreaterThan(0.9 * all.left);
      expect(half.right).toBeLessThan(0.08 * all.right);
    }
    const other = await seen({ part: 'right' });
    expect(other.right).toBeGreaterThan(0.9 * all.right);
    expect(other.left).toBeLessThan(0.08 * all.left);
    const lengths = await seen({ part: 'lengths' });
    expect(lengths.below).toBeGreaterThan(0.55 * all.below);
    expect(lengths.above).toBeLessThan(0.05 * all.above);
    const fringe = await seen({ part: 'fringe' });
    expect(fringe.above).toBeGreaterThan(0.08 * all.above);
    expect(fringe.above).toBeLessThan(0.8 * all.above);
    expect(fringe.below).toBeLessThan(0.05 * all.below);
  });

  test('hair is dyed and skin is not; roots keep their colour; the beard too', async () => {
    const share = (a: Picture, b: Picture, from: number, to: number) => {
      let changed = 0;
      for (let y = from; y < to; y++)
        for (let x = 0; x < 360; x++) if (b.colour([x, y])[2] > a.colour([x, y])[2] + 0.12) changed++;
      return changed;
    };
    // Corners of the eyes among them, where one sees past the eyeballs.
    const marks = [50, 280, 151, 152, 33, 133, 263, 362];
    const none = await draw({ effect: bare, ...spec, landmarks: marks });
    const all = await draw({
      effect: one({ ...newHair(id(0), 0), tint: '#3030ff', opacity: 1, roots: 0 }),
      ...spec,
      landmarks: marks,
    });
    for (const mark of all.marks) expect(changedAt(none, all, mark)).toBe(false);
    const top = all.marks[2]![1];
    const dyed = share(none, all, Math.round(top), 640);
    expect(dyed).toBeGreaterThan(1500);
    const faded = await draw({
      effect: one({ ...newHair(id(0), 0), tint: '#3030ff', opacity: 1, roots: 0.9 }),
      ...spec,
    });
    expect(share(none, faded, Math.round(top), 640)).toBeLessThan(0.6 * dyed);
    const bearded = { ...spec, take: 'screen-test-anselm', landmarks: [200] };
    const [beard, blue] = [
      await draw({ effect: bare, ...bearded }),
      await draw({
        effect: one({ ...newHair(id(0), 0), tint: '#3030ff', opacity: 1, roots: 0 }),
        ...bearded,
      }),
    ];
    expect(changedAt(beard, blue, beard.marks[0]!)).toBe(false);
  });

  test('of two people whose heads are side by side each keeps the hair of their own', async () => {
    const at = { ...spec, take: 'two-people', time: 3.6 };
    const none = await draw({ effect: bare, ...at });
    const dyed = async (face: 1 | 2): Promise<Set<number>> => {
      const drawn = await draw({
        effect: one({ ...newHair(id(0), 0, face), tint: '#3030ff', opacity: 1 }),
        ...at,
      });
      const out = new Set<number>();
      for (let i = 0; i < drawn.data.length; i += 4)
        if (drawn.data[i + 2]! > none.data[i + 2]! + 12) out.add(i);
      return out;
    };
    const [first, second] = [await dyed(1), await dyed(2)];
    expect(Math.min(first.size, second.size)).toBeGreaterThan(800);
    const both = [...first].filter((i) => second.has(i)).length;
    expect(both).toBeLessThan(0.01 * Math.min(first.size, second.size));
  });

  test('on a camera, where nobody knows, hair is told by how it looks; a bare head keeps its skin', async () => {
    const blue = one({ ...newHair(id(0), 0), tint: '#3030ff', opacity: 1, roots: 0 });
    const size = { width: 180, height: 320 };
    const bluer = (a: Picture, b: Picture): number[] => {
      const out: number[] = [];
      for (let y = 0; y < 320; y++)
        for (let x = 0; x < 180; x++) {
          const i = 4 * (y * 180 + x);
          if (b.data[i + 2]! > a.data[i + 2]! + 25) out.push(i);
        }
      return out;
    };
    for (const [person, least] of [
      ['marin', 0.75],
      ['wren', 0.65],
      ['asha', 0.7],
    ] as const) {
      const at = { ...spec, ...size, take: `screen-test-${person}` };
      const none = await draw({ effect: bare, ...at });
      const known = new Set(bluer(none, await draw({ effect: blue, ...at })));
      const told = bluer(none, await draw({ effect: blue, ...at, unknowing: 1 }));
      const right = told.filter((i) => known.has(i)).length;
      expect(right / known.size, person).toBeGreaterThan(least);
      expect(right / told.length, person).toBeGreaterThan(0.97);
    }
    const bald = { ...spec, ...size, take: 'screen-test-anselm', unknowing: 1 };
    expect(
      bluer(await draw({ effect: bare, ...bald }), await draw({ effect: blue, ...bald })).length,
    ).toBeLessThan(60);
  });

  test('retouch: each part by its own switch, off brows, lips and eyes', async () => {
    const off = {
      smooth: { on: false, strength: 1, detail: 0 },
      underEyes: { on: false, amount: 1 },
      eyes: { on: false, amount: 1 },
      teeth: { on: false, amount: 1 },
    };
    const smile = { mouthSmileLeft: 0.8, mouthSmileRight: 0.8, jawOpen: 0.35 };
    // Landmarks: cheek, brow, lower lip, beneath the eye, forehead.
    const at = {
      ...spec,
      take: 'screen-test-odile',
      expressions: smile,
      landmarks: [50, 105, 15, 230, 151],
      spots: [regionCentre('underEyes') as unknown as Spot],
    };
    const none = await draw({ effect: bare, ...at });
    const look = (change: object) =>
      draw({ effect: one({ ...newRetouch(id(0), 0), ...off, ...change }), ...at });
    /** How much the picture varies from pixel to pixel around a mark. */
    const texture = (drawn: Picture, [x, y]: readonly [number, number], reach = 9) => {
      let sum = 0;
      for (let dy = -reach; dy < reach; dy++)
        for (let dx = -reach; dx < reach; dx++) {
          // What bends from pixel to pixel: light that runs evenly over the cheek does not count.
          const green = (ox: number, oy: number) => drawn.colour([x + dx + ox, y + dy + oy])[1];
          sum += Math.abs(green(-2, 0) - 2 * green(0, 0) + green(2, 0));
          sum += Math.abs(green(0, -2) - 2 * green(0, 0) + green(0, 2));
        }
      return sum;
    };
    const untouched = await look({});
    expect(Buffer.compare(untouched.data, none.data)).toBe(0);
    const even = await look({ smooth: { ...off.smooth, on: true } });
    for (const mark of [even.marks[0]!, even.marks[4]!])
      expect(texture(even, mark)).toBeLessThan(0.8 * texture(none, mark));
    expect(texture(even, even.marks[1]!, 4)).toBeGreaterThan(0.9 * texture(none, none.marks[1]!, 4));
    expect(texture(even, even.marks[2]!, 3)).toBeGreaterThan(0.9 * texture(none, none.marks[2]!, 3));
    const under = await look({ underEyes: { on: true, amount: 1 } });
    const brightness = (d: Picture, m: readonly [number, number]) => d.colour(m).reduce((a, b) => a + b, 0);
    expect(brightness(under, under.at[0]!)).toBeGreaterThan(brightness(none, none.at[0]!) + 0.04);
    expect(changedAt(none, under, under.marks[0]!)).toBe(false);
    /** Pixels that became lighter. */
    const lighter = (d: Picture) => {
      const found: [number, number][] = [];
      for (let i = 0; i < d.data.length; i += 4)
        if (d.data[i + 2]! > none.data[i + 2]! + 8) found.push([(i / 4) % 360, Math.floor(i / 4 / 360)]);
      return found;
    };
    const eyes = lighter(await look({ eyes: { on: true, amount: 1 } }));
    const teeth = lighter(await look({ teeth: { on: true, amount: 1 } }));
    expect(eyes.length).toBeGreaterThan(15);
    expect(teeth.length).toBeGreaterThan(30);
    const height = (list: [number, number][]) => list.reduce((s, p) => s + p[1], 0) / list.length;
    // From the lower left: eyes are above the mouth.
    expect(height(eyes)).toBeGreaterThan(height(teeth) + 40);
  });
});
