/** Face layers in pixels: blended in order in one pass, masked, open at eyes and mouth, under hands, catching light. */
import { expect, test, type Page } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import {
  newHair,
  newIris,
  newLashes,
  newLayer,
  newRetouch,
  type LayerOf,
} from '../src/core/document/new-objects';
import {
  BLEND_MODES,
  type BlendMode,
  type Effect,
  type EffectObject,
  type Layer,
  type ObjectId,
} from '../src/core/document/schema';
import { faceRegion, regionCentre } from '../src/core/face/regions';
import { EYE_RIGHT } from '../src/core/face/landmarks';
import { UV } from '../src/core/face/neutral';
import type { Spot } from '../src/core/face/skin-spot';
import { blendOver, type Rgb } from '../src/core/maths/blend';
import { Random } from '../src/core/maths/random';
import { hexOf, rgbOf } from '../src/core/maths/srgb';
import { openBlank } from './harness/blank-page';
import type { FaceDrawing, FacePage, FaceSpec } from './harness/face-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/face-page.ts');
});
test.afterAll(() => page.close());

const SIZE = 240;
interface Picture extends FaceDrawing {
  colour(at: readonly [number, number]): Rgb;
  readonly data: Buffer;
}
const draw = async (spec: Partial<FaceSpec> & { effect: Effect }): Promise<Picture> => {
  const drawing = await page.evaluate((s) => (window as unknown as { facePage: FacePage }).facePage.draw(s), {
    width: SIZE,
    height: SIZE,
    ...spec,
  });
  const data = Buffer.from(drawing.pixels, 'base64');
  const width = spec.width ?? SIZE;
  return {
    ...drawing,
    data,
    colour: ([x, y]) => {
      const i = 4 * (Math.floor(y) * width + Math.floor(x));
      return [data[i]! / 255, data[i + 1]! / 255, data[i + 2]! / 255];
    },
  };
};
type Spec = LayerOf &
  Partial<Pick<Layer, 'maskedBy' | 'maskedOut' | 'coversEyes' | 'coversMouth' | 'givesWay'>>;
const id = (i: number) => `obj_layer${i}` as ObjectId;
/** Layers from the topmost to the lowest. */
const look = (...layers: Spec[]): Effect => ({
  ...blankEffect('Face'),
  objects: Object.fromEntries(layers.map((of, i) => [id(i), { ...newLayer(id(i), of, i), ...of } as Layer])),
});
const whole = (change: Spec = {}): Spec => ({ region: 'face', ...change });
const near = (seen: Rgb, wanted: Rgb, by = 3): void =>
  wanted.forEach((c, i) =>
    expect(
      Math.abs(seen[i]! - c) * 255,
      `${seen.map((x) => x * 255).join()} against ${wanted.map((x) => x * 255).join()}`,
    ).toBeLessThanOrEqual(by),
  );
const CHEEK: Spot = [0.33, 0.55];
const SKIN: Rgb = [0.72, 0.52, 0.42];
const colour = `vec3(${SKIN.join(', ')})`;
const bare = blankEffect('Bare');

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

test('where a hand passes the layer gives way, unless it is told not to', async () => {
  const spec = { take: 'hand-over-face', time: 5.6, width: 360, height: 640 };
  const blue = whole({ tint: '#0000ff', coversEyes: true, coversMouth: true });
  const none = await draw({ effect: bare, ...spec });
  const gives = await draw({ effect: look(blue), ...spec });
  const stays = await draw({ effect: look({ ...blue, givesWay: false }), ...spec });
  const cover = Buffer.from(none.cover!, 'base64');
  const [width, height] = [360, 640];
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
  expect(covered).toBeGreaterThan(2000);
  expect(keptOff / covered).toBeGreaterThan(0.99);
  // The finest hair is not in the mask of whole pixels.
  expect(painted / uncovered).toBeGreaterThan(0.96);
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

test.describe('finishes', () => {
  const light = (x: number) => ({
    direction: [x, 0.35, Math.sqrt(1 - x * x - 0.35 ** 2)] as [number, number, number],
    colour: '#ffffff',
    brightness: 0.8,
  });
  /** The middle of what is brighter than the plain picture, in shares of the width, and the most of it. */
  const highlight = (drawn: Picture, level = 0.06) => {
    let [x, y, hits, most] = [0, 0, 0, 0];
    for (let i = 0; i < drawn.data.length; i += 4) {
      const more = drawn.data[i + 1]! / 255 - SKIN[1];
      most = Math.max(most, more);
      if (more < level) continue;
      hits++;
      x += (i / 4) % SIZE;
      y += Math.floor(i / 4 / SIZE);
    }
    return { x: x / hits / SIZE, y: y / hits / SIZE, hits, most };
  };
  const wet: Spec = { region: 'skin', tint: '#ffffff', blend: 'multiply', finish: 'gloss' };

  test('gloss mirrors the light from where it comes', async () => {
    const [left, right] = [
      highlight(await draw({ effect: look(wet), colour, light: light(-0.6) })),
      highlight(await draw({ effect: look(wet), colour, light: light(0.6) })),
    ];
    expect(left.hits).toBeGreaterThan(50);
    expect(left.x).toBeLessThan(right.x - 0.08);
    const none = highlight(
      await draw({ effect: look({ ...wet, finish: 'painted' }), colour, light: light(0) }),
    );
    expect(none.hits).toBe(0);
  });

  test('gloss limited by the lids shines on the lids only', async () => {
    const lids: Spec = { region: 'lids', tint: '#2f7f78', opacity: 0 };
    const size = { width: 640, height: 640 };
    const drawn = await draw({
      effect: look({ ...wet, maskedBy: id(1) }, lids),
      colour,
      light: light(0),
      ...size,
      spots: [regionCentre('lids') as unknown as Spot, CHEEK, regionCentre('noseTip') as unknown as Spot],
    });
    let [y, hits] = [0, 0];
    for (let i = 0; i < drawn.data.length; i += 4)
      if (drawn.data[i + 1]! / 255 - SKIN[1] > 0.012) {
        hits++;
        y += Math.floor(i / 4 / 640);
      }
    expect(hits).toBeGreaterThan(40);
    expect(Math.abs(y / hits - drawn.at[0]![1])).toBeLessThan(20);
    near(drawn.colour(drawn.at[1]!), SKIN, 1);
    near(drawn.colour(drawn.at[2]!), SKIN, 1);
  });

  test('satin is duller and wider than gloss, metal mirrors in its colour', async () => {
    const gloss = highlight(await draw({ effect: look(wet), colour, light: light(0.2) }));
    const satin = highlight(
      await draw({ effect: look({ ...wet, finish: 'satin' }), colour, light: light(0.2) }),
      0.02,
    );
    expect(satin.most).toBeLessThan(0.6 * gloss.most);
    const gold = await draw({
      effect: look({ region: 'skin', tint: '#c08a30', finish: 'metallic' }),
      colour,
      light: light(0.2),
    });
    let best = 0;
    for (let i = 0; i < gold.data.length; i += 4) if (gold.data[i]! > gold.data[best]!) best = i;
    expect(gold.data[best]! - gold.data[best + 2]!).toBeGreaterThan(40);
  });

  test('shimmer sparkles in points, which change as the face turns', async () => {
    const glitter: Spec = { ...wet, finish: 'shimmer' };
    const points = (drawn: Picture) => {
      const found = new Set<number>();
      for (let y = 1; y < SIZE - 1; y++)
        for (let x = 1; x < SIZE - 1; x++) {
          const i = 4 * (y * SIZE + x) + 1;
          const around =
            (drawn.data[i - 8]! +
              drawn.data[i + 8]! +
              drawn.data[i - 8 * SIZE]! +
              drawn.data[i + 8 * SIZE]!) /
            4;
          if (drawn.data[i]! - around > 14) found.add(i);
        }
      return found;
    };
    const first = points(await draw({ effect: look(glitter), colour, light: light(0.1) }));
    const turned = points(await draw({ effect: look(glitter), colour, light: light(0.1), turn: [0, 7, 0] }));
    const plain = points(
      await draw({ effect: look({ ...wet, finish: 'satin' }), colour, light: light(0.1) }),
    );
    expect(first.size).toBeGreaterThan(60);
    expect(plain.size).toBeLessThan(0.1 * first.size);
    const stayed = [...first].filter((i) => turned.has(i)).length;
    expect(stayed / first.size).toBeLessThan(0.6);
  });

  test('matte powder takes the shine off, and leaves the rest', async () => {
    // A face that is much lighter on its left half than as a whole.
    const shiny = 'mix(vec3(0.45, 0.33, 0.27), vec3(0.95, 0.85, 0.78), smoothstep(0.62, 0.66, vUv.x))';
    const spots: Spot[] = [CHEEK, [0.7, 0.5]];
    const none = await draw({ effect: bare, colour: shiny, spots });
    const powder = await draw({
      effect: look({ ...wet, finish: 'matte' }),
      colour: shiny,
      spots,
      light: light(0),
    });
    const [dark, lit] = none.at;
    expect(none.colour(lit!)[1] - powder.colour(lit!)[1]).toBeGreaterThan(0.06);
    near(powder.colour(dark!), none.colour(dark!), 4);
  });

  test('lit make-up is dark where the skin is in the shade, painted is not', async () => {
    const half = 'mix(vec3(0.7, 0.5, 0.4), vec3(0.25, 0.16, 0.12), step(0.5, vUv.x))';
    const spots: Spot[] = [
      [0.33, 0.55],
      [0.67, 0.55],
    ];
    const red: Spec = { region: 'skin', tint: '#c03040', opacity: 1 };
    const lit = await draw({
      effect: look({ ...red, finish: 'satin', shine: 0 }),
      colour: half,
      spots,
      light: light(0),
    });
    const painted = await draw({ effect: look(red), colour: half, spots });
    expect(lit.colour(lit.at[0]!)[0]).toBeGreaterThan(1.3 * lit.colour(lit.at[1]!)[0]);
    near(painted.colour(painted.at[0]!), painted.colour(painted.at[1]!), 1);
  });
});

test.describe('more on the face', () => {
  const spec = { take: 'screen-test-marin', time: 0.5, width: 360, height: 640 };
  const one = (object: EffectObject): Effect => ({
    ...blankEffect('Face'),
    objects: { [object.id]: object },
  });
  const changedAt = (a: Picture, b: Picture, [x, y]: readonly [number, number], by = 4): boolean =>
    a.colour([x, y]).some((c, i) => Math.abs(c - b.colour([x, y])[i]!) * 255 > by);

  test('an iris of another colour, for the eyes that are asked for; the pupil stays dark', async () => {
    const at = { ...spec, landmarks: [468, 473, 205, 159] };
    const none = await draw({ effect: bare, ...at });
    const blue = await draw({ effect: one({ ...newIris(id(0), 0), tint: '#0000ff', glint: 0 }), ...at });
    const beside = ([x, y]: readonly [number, number]) => [x + 4, y - 3] as const;
    for (const mark of [blue.marks[0]!, blue.marks[1]!]) {
      const [r, , b] = blue.colour(beside(mark));
      expect(b - r).toBeGreaterThan(0.2);
      expect(Math.max(...blue.colour(mark))).toBeLessThan(0.35);
    }
    expect(changedAt(none, blue, blue.marks[2]!)).toBe(false);
    const left = await draw({ effect: one({ ...newIris(id(0), 0), tint: '#0000ff', eyes: 'left' }), ...at });
    expect(changedAt(none, left, beside(left.marks[0]!))).toBe(false);
    expect(changedAt(none, left, beside(left.marks[1]!))).toBe(true);
    // Shut eyes have no irises.
    const shut = { ...at, expressions: { eyeBlinkLeft: 1, eyeBlinkRight: 1 } };
    const [asleep, dyed] = [
      await draw({ effect: bare, ...shut }),
      await draw({ effect: one({ ...newIris(id(0), 0), tint: '#0000ff' }), ...shut }),
    ];
    let blues = 0;
    for (let i = 0; i < dyed.data.length; i += 4) if (dyed.data[i + 2]! > asleep.data[i + 2]! + 40) blues++;
    expect(blues).toBeLessThan(12);
  });

  test('lashes are drawn along the lids, on the eye that is asked for', async () => {
    const none = await draw({ effect: bare, ...spec, landmarks: [159, 386] });
    const right = await draw({
      effect: one({ ...newLashes(id(0), 0), tint: '#ff00ff', length: 1.5, eyes: 'right' }),
      ...spec,
      landmarks: [159, 386],
    });
    const near = (mark: readonly [number, number]) => {
      let hits = 0;
      for (let dy = -4; dy < 14; dy++)
        for (let dx = -16; dx < 16; dx++)
          if (changedAt(none, right, [mark[0] + dx, mark[1] + dy], 20)) hits++;
      return hits;
    };
    expect(near(right.marks[0]!)).toBeGreaterThan(30);
    expect(near(right.marks[1]!)).toBe(0);
  });

  test('hair is dyed and skin is not; roots keep their colour; the beard too', async () => {
    const share = (a: Picture, b: Picture, from: number, to: number) => {
      let changed = 0;
      for (let y = from; y < to; y++)
        for (let x = 0; x < 360; x++) if (b.colour([x, y])[2] > a.colour([x, y])[2] + 0.12) changed++;
      return changed;
    };
    const marks = [50, 280, 151, 152];
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
