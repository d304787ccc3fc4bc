/** Face layers in pixels: blended in order in one pass, masked, open at eyes and mouth, under hands. */
import { expect, test } from './harness/test';
import { BLEND_MODES } from '../src/core/document/schema';
import { faceRegion, regionCentre } from '../src/core/face/regions';
import { EYE_RIGHT } from '../src/core/face/landmarks';
import { UV } from '../src/core/face/neutral';
import { blendOver } from '../src/core/maths/blend';
import { Random } from '../src/core/maths/random';
import { hexOf, rgbOf } from '../src/core/maths/srgb';
import type { BlendMode } from '../src/core/document/schema';
import type { Spot } from '../src/core/face/skin-spot';
import {
  CHEEK,
  SKIN,
  bare,
  colour,
  draw,
  id,
  look,
  near,
  openFacePage,
  whole,
  type Spec,
  type Picture,
} from './harness/face-pixels';

openFacePage();

for (const blend of BLEND_MODES)
  test(`two layers, ${blend} over another, are what the formulas say`, async () => {
    const [lower, upper] = [rgbOf('#3a7fb0'), rgbOf('#c8803c')];
    const drawn = await draw({
      effect: look(
        whole({ tint: '#c8803c', opacity: 0.6, blend }),
        whole({ tint: '#3a7fb0', opacity: 0.5, blend: 'overlay' }),
      ),
      colour,
      spots: [CHEEK],
    });
    const expected = blendOver(blend, blendOver('overlay', SKIN, lower, 0.5), upper, 0.6);
    near(drawn.colour(drawn.at[0]!), expected);
  });

test('twenty layers are flattened into one step, and look as twenty laid one over the other', async () => {
  const random = new Random(11);
  const modes: BlendMode[] = ['normal', 'multiply', 'screen'];
  const layers = Array.from({ length: 20 }, (_, i) =>
    whole({
      tint: hexOf([random.next(), random.next(), random.next()]),
      opacity: 0.1 + 0.4 * random.next(),
      blend: modes[i % 3]!,
    }),
  );
  const drawn = await draw({ effect: look(...layers), colour, spots: [CHEEK] });
  expect(drawn.steps).toBe(1);
  const expected = [...layers]
    .reverse()
    .reduce((c, l) => blendOver(l.blend!, c, rgbOf(l.tint!), l.opacity!), SKIN);
  near(drawn.colour(drawn.at[0]!), expected, 4);
});

test('layers are flattened when they change, not when the face moves', async () => {
  const effect = look(whole({ tint: '#aa3355', opacity: 0.5 }));
  const first = await draw({ effect, colour, take: 'slow-turn', time: 0.5 });
  const same = await draw({ effect, take: 'slow-turn', time: 2 });
  // A document read anew is another document: its layers are flattened once more at most.
  expect(same.flattened - first.flattened).toBeLessThanOrEqual(1);
  const changed = await draw({
    effect: look(whole({ tint: '#3355aa', opacity: 0.5 })),
    take: 'slow-turn',
    time: 2,
  });
  expect(changed.flattened).toBeGreaterThan(first.flattened);
});

test('a region is painted where it is and nowhere else', async () => {
  const spots = (['lips', 'cheeks', 'forehead', 'chin'] as const).map(regionCentre) as unknown as Spot[];
  const upper = regionCentre('upperLip') as unknown as Spot;
  const drawn = await draw({
    effect: look({ region: 'lips', tint: '#0000ff' }),
    colour,
    spots: [...spots.slice(1), upper],
  });
  for (const at of drawn.at.slice(0, 3)) near(drawn.colour(at), SKIN, 1);
  expect(drawn.colour(drawn.at[3]!)[2]).toBeGreaterThan(0.85);
});

test("a layer is limited to another's mask, or to what is outside of it", async () => {
  const spots: Spot[] = [CHEEK, regionCentre('forehead') as unknown as Spot];
  const mask: Spec = { region: 'forehead', tint: '#ffffff', opacity: 0 };
  const blue: Spec = whole({ tint: '#0000ff', maskedBy: id(1) });
  const inside = await draw({ effect: look(blue, mask), colour, spots });
  near(inside.colour(inside.at[0]!), SKIN, 1);
  near(inside.colour(inside.at[1]!), [0, 0, 1], 30);
  const outside = await draw({ effect: look({ ...blue, maskedOut: true }, mask), colour, spots });
  near(outside.colour(outside.at[0]!), [0, 0, 1]);
  expect(outside.colour(outside.at[1]!)[2]).toBeLessThan(0.6);
});

test('eyes and mouth are left open, or covered', async () => {
  const eye = EYE_RIGHT.reduce(
    ([u, v], i): Spot => [u + UV[2 * i]! / EYE_RIGHT.length, v + UV[2 * i + 1]! / EYE_RIGHT.length],
    [0, 0] as Spot,
  );
  const hole = faceRegion('lips').holes[0]!;
  const mouth = hole.reduce(([u, v], p): Spot => [u + p[0] / hole.length, v + p[1] / hole.length], [
    0, 0,
  ] as Spot);
  const blue = { tint: '#0000ff' };
  const spec = {
    spots: [eye, mouth],
    expressions: { jawOpen: 0.9 },
    take: 'screen-test-marin',
    width: 360,
    height: 640,
    time: 0.5,
  };
  const none = await draw({ effect: bare, ...spec });
  const open = await draw({
    effect: look(whole({ ...blue, coversEyes: false, coversMouth: false })),
    ...spec,
  });
  const shut = await draw({ effect: look(whole({ ...blue, coversEyes: true, coversMouth: true })), ...spec });
  for (const at of none.at) {
    near(open.colour(at), none.colour(at), 2);
    near(shut.colour(at), [0, 0, 1], 2);
  }
});

/** How much of a blue layer is left out where something covers the face, and how much of it is painted elsewhere. */
const givingWay = async (
  take: string,
  time: number,
  [width, height]: readonly [number, number],
  unknowing?: number,
) => {
  const spec = { take, time, width, height };
  const blue = whole({ tint: '#0000ff', coversEyes: true, coversMouth: true });
  const none = await draw({ effect: bare, ...spec, cover: true });
  const gives = await draw({
    effect: look(blue),
    ...spec,
    ...(unknowing ? { unknowing } : {}),
  });
  const stays = await draw({ effect: look({ ...blue, givesWay: false }), ...spec });
  const cover = Buffer.from(none.cover!, 'base64');
  /** Pixels that the layer would paint, well inside of what covers or of the bare skin. */
  let [covered, uncovered, keptOff, painted] = [0, 0, 0, 0];
  const isBlue = (data: Buffer, i: number) => data[4 * i + 2]! > 245 && data[4 * i]! < 10;
  for (let y = 3; y < height - 3; y++)
    for (let x = 3; x < width - 3; x++) {
      const i = y * width + x;
      if (!isBlue(stays.data, i)) continue;
      let around = 0;
      for (let dy = -3; dy <= 3; dy++)
        for (let dx = -3; dx <= 3; dx++) around += cover[(y + dy) * width + x + dx]!;
      if (around === 49) {
        covered++;
        if (Math.abs(gives.data[4 * i + 2]! - none.data[4 * i + 2]!) < 12 && !isBlue(gives.data, i))
          keptOff++;
      } else if (around === 0) {
        uncovered++;
        // Its edge is soft.
        if (gives.data[4 * i + 2]! > 200 && gives.data[4 * i]! < 80) painted++;
      }
    }
  return { covered, keptOff: keptOff / covered, painted: painted / uncovered };
};

test('where a hand passes the layer gives way, unless it is told not to', async () => {
  const { covered, keptOff, painted } = await givingWay('hand-over-face', 5.6, [360, 640]);
  expect(covered).toBeGreaterThan(2000);
  expect(keptOff).toBeGreaterThan(0.99);
  // The finest hair is not in the mask of whole pixels.
  expect(painted).toBeGreaterThan(0.95);
});

test('on a camera, where nobody knows, a hand is told by how the face looked before', async () => {
  // Two seconds of the face alone, then the hand comes and goes and comes again: ten pictures a second.
  const { covered, keptOff, painted } = await givingWay('hand-over-face', 4.8, [180, 320], 48);
  expect(covered).toBeGreaterThan(400);
  expect(keptOff).toBeGreaterThan(0.55);
  // The shadow of the hand is taken for a part of it, and its edge is a place wide.
  expect(painted).toBeGreaterThan(0.6);
});

test('a layer on the teeth lies on the teeth alone, whether the mouth is covered or not', async () => {
  const smile = {
    take: 'screen-test-odile',
    time: 0.5,
    width: 360,
    height: 640,
    expressions: {
      mouthSmileLeft: 0.8,
      mouthSmileRight: 0.8,
      jawOpen: 0.35,
      mouthUpperUpLeft: 0.5,
      mouthUpperUpRight: 0.5,
    },
    landmarks: [13, 14, 0, 17, 50],
  };
  const green = (seen: Picture): number => {
    let count = 0;
    for (let i = 0; i < seen.data.length; i += 4)
      if (seen.data[i + 1]! > seen.data[i]! + 60 && seen.data[i + 1]! > seen.data[i + 2]! + 60) count++;
    return count;
  };
  const paint = look({ region: 'teeth', tint: '#00ff00', opacity: 1 });
  const none = await draw({ effect: bare, ...smile });
  const painted = await draw({ effect: paint, ...smile });
  const [upper, lower, lip, under, cheek] = painted.marks as [number, number][];
  expect(green(none)).toBe(0);
  expect(green(painted)).toBeGreaterThan(40);
  // All of it lies between the lips.
  for (let y = 0; y < smile.height; y++)
    for (let x = 0; x < smile.width; x++) {
      const [r, g, b] = painted.colour([x, y]);
      if (g * 255 > r * 255 + 60 && g * 255 > b * 255 + 60) {
        expect(y).toBeLessThan(upper![1] + 4);
        expect(y).toBeGreaterThan(lower![1] - 4);
      }
    }
  for (const at of [lip!, under!, cheek!]) near(painted.colour(at), none.colour(at), 4);
  const shut = { ...smile, expressions: {} };
  expect(green(await draw({ effect: paint, ...shut }))).toBeLessThan(4);
});

test('the far cheek of a turned face does not shine through the nose', async () => {
  const spec = { take: 'slow-turn', time: 2.4, width: 360, height: 640 };
  const half = whole({ tint: '#0000ff', opacity: 0.5, coversEyes: true, coversMouth: true, givesWay: false });
  const none = await draw({ effect: bare, ...spec });
  const drawn = await draw({ effect: look(half), ...spec });
  // Painted twice, half blue over half blue would be three quarters blue.
  let [once, twice] = [0, 0];
  for (let i = 0; i < none.data.length; i += 4) {
    const red = none.data[i]!;
    if (red < 90) continue;
    const share = 1 - drawn.data[i]! / red;
    if (share > 0.4 && share < 0.6) once++;
    if (share > 0.68) twice++;
  }
  expect(once).toBeGreaterThan(5000);
  expect(twice / once).toBeLessThan(0.002);
});

test('another picture of people needs no program that the one before had', async () => {
  const spec = { effect: bare, take: 'screen-test-marin' };
  const before = await draw(spec);
  const turned = await draw({ ...spec, turn: [0, 12, 0] });
  expect(turned.data.equals(before.data)).toBe(false);
  expect(turned.newestProgram).toBe(before.newestProgram);
  // And the first one again, which was let go meanwhile.
  expect((await draw(spec)).data.equals(before.data)).toBe(true);
});
