/** Irises, lashes, dyed hair and retouch, in pixels. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newHair } from '../src/core/kinds/objects/hair';
import { newIris } from '../src/core/kinds/objects/iris';
import { newLashes } from '../src/core/kinds/objects/lashes';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import { regionCentre } from '../src/core/face/regions';
import type { Effect, EffectObject, Fill, Hair, Iris, Lashes, Occluder } from '../src/core/document/schema';
import type { FaceRegion } from '../src/core/face/region-names';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newFill } from '../src/core/kinds/objects/fill';
import { newOccluder } from '../src/core/kinds/objects/occluder';
import { newLight } from '../src/core/kinds/objects/light';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { newShadowCatcher } from '../src/core/kinds/objects/shadow-catcher';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { Spot } from '../src/core/face/skin-spot';
import { bare, draw, id, openFacePage, SIZE, type Picture } from './harness/face-pixels';

openFacePage();

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

  test('irises, lashes and hair blend in other modes, as layers do', async () => {
    const at = { ...spec, landmarks: [468, 159] };
    const none = await draw({ effect: bare, ...at });
    const moved = async (object: EffectObject) => {
      const drawn = await draw({ effect: one(object), ...at });
      let [lighter, darker] = [0, 0];
      for (let i = 0; i < drawn.data.length; i++) {
        const more = drawn.data[i]! - none.data[i]!;
        if (more > 3) lighter++;
        if (more < -3) darker++;
      }
      return { lighter, darker };
    };
    // Multiplied nothing is lighter than before, screened nothing darker; normal, both are there.
    const things: readonly (Iris | Lashes | Hair)[] = [
      { ...newIris(id(0), 0), tint: '#40d0ff', glint: 0 },
      { ...newLashes(id(0), 0), tint: '#40d0ff', length: 1.5 },
      { ...newHair(id(0), 0), tint: '#40d0ff', opacity: 1 },
    ];
    for (const object of things) {
      const screened = await moved({ ...object, blend: 'screen' });
      expect([object.kind, screened.darker]).toEqual([object.kind, 0]);
      expect(screened.lighter).toBeGreaterThan(40);
      const multiplied = await moved({ ...object, blend: 'multiply' });
      expect([object.kind, multiplied.lighter]).toEqual([object.kind, 0]);
      expect(multiplied.darker).toBeGreaterThan(40);
    }
    // Hue and the like look at what is beneath: white takes the colour out.
    const grey = await draw({
      effect: one({ ...newHair(id(0), 0), tint: '#ffffff', opacity: 1, blend: 'color' }),
      ...spec,
      landmarks: [10],
    });
    const [x, y] = grey.marks[0]!;
    const [r, , b] = grey.colour([x, y + 12]);
    const [wasR, , wasB] = none.colour([x, y + 12]);
    expect(wasR - wasB).toBeGreaterThan(0.06);
    expect(Math.abs(r - b)).toBeLessThan(0.02);
  });

  test('irises and lashes are limited by the mask of a layer, or left out within it', async () => {
    const at = { ...spec, landmarks: [468, 473] };
    const none = await draw({ effect: bare, ...at });
    const within = async (object: EffectObject, region: FaceRegion): Promise<number> => {
      const limit = newLayer(id(1), { region, opacity: 0 }, 1);
      const effect = { ...bare, objects: { [object.id]: object, [limit.id]: limit } };
      const drawn = await draw({ effect, ...at });
      let changed = 0;
      for (let i = 0; i < drawn.data.length; i++) if (Math.abs(drawn.data[i]! - none.data[i]!) > 6) changed++;
      return changed;
    };
    for (const object of [
      { ...newIris(id(0), 0), tint: '#0000ff' },
      { ...newLashes(id(0), 0), tint: '#ff00ff', length: 1.5 },
    ]) {
      const all = await within(object, 'face');
      expect(all).toBeGreaterThan(60);
      const limited = { ...object, maskedBy: id(1) };
      expect(await within(limited, 'face')).toBeGreaterThan(0.9 * all);
      expect(await within(limited, 'lips')).toBe(0);
      expect(await within({ ...limited, maskedOut: true }, 'lips')).toBe(all);
      expect(await within({ ...limited, maskedOut: true }, 'face')).toBeLessThan(0.1 * all);
    }
  });

  test('a hand before the eye covers iris and lashes, unless they are told to lie over it', async () => {
    const at = { take: 'hand-over-face', time: 5.4, width: 360, height: 640, cover: true };
    const none = await draw({ effect: bare, ...at });
    const cover = Buffer.from(none.cover!, 'base64');
    const onHand = async (object: EffectObject): Promise<number> => {
      const drawn = await draw({ effect: one(object), ...at });
      let changed = 0;
      for (let i = 0; i < cover.length; i++)
        if (cover[i] === 1 && Math.abs(drawn.data[4 * i + 1]! - none.data[4 * i + 1]!) > 20) changed++;
      return changed;
    };
    const lashes = { ...newLashes(id(0), 0), tint: '#ff00ff', length: 2, density: 2 } as const;
    const over = await onHand({ ...lashes, givesWay: false });
    expect(over).toBeGreaterThan(200);
    // At the rim, which is known half as finely, some show.
    expect(await onHand(lashes)).toBeLessThan(0.15 * over);
  });

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
      expect(right / told.length, person).toBeGreaterThan(0.85);
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

test('an occluder hides with the hair that is seen, and with a neck; what is before the head stays', async () => {
  const spec = { take: 'screen-test-asha', time: 0.5, width: 360, height: 640 };
  const [SHEET, HEAD] = [id(0), id(1)];
  /** A sheet in its own colour behind the head, or before it. */
  const seen = async (z: number, hides: Partial<Occluder> | null) => {
    const sheet: Fill = {
      ...newFill(SHEET, 0, headAnchor('headCentre')),
      tint: '#ff00ff',
      opacity: 1,
      extent: [0.5, 0.7],
      fit: 'free',
      move: [0, -0.05, z],
    };
    const head = { ...newOccluder(HEAD, 1), hair: false, neck: false, ...hides };
    const drawn = await draw({
      effect: { ...blankEffect('Behind'), objects: { [SHEET]: sheet, ...(hides && { [HEAD]: head }) } },
      ...spec,
      landmarks: [152],
    });
    const pixels: number[] = [];
    for (let i = 0; i < drawn.data.length; i += 4)
      if (drawn.data[i]! > 240 && drawn.data[i + 1]! < 20 && drawn.data[i + 2]! > 240) pixels.push(i);
    return { drawn, pixels: new Set(pixels) };
  };
  const none = await draw({ effect: bare, ...spec });
  const head = await seen(-0.16, {});
  const hair = await seen(-0.16, { hair: true });
  const neck = await seen(-0.16, { neck: true });
  expect((await seen(-0.16, null)).pixels.size).toBeGreaterThan(head.pixels.size * 1.2);
  // Long hair beside the face and over the shoulders: there the camera picture is seen again.
  const byHair = [...head.pixels].filter((i) => !hair.pixels.has(i));
  expect(byHair.length).toBeGreaterThan(head.pixels.size * 0.05);
  const dark = byHair.filter((i) => none.data[i]! + none.data[i + 1]! + none.data[i + 2]! < 260);
  // But for a seam along it.
  expect(dark.length / byHair.length).toBeGreaterThan(0.8);
  // A neck hides below the chin and nowhere else; rows run from below.
  const chin = neck.drawn.marks[0]![1];
  const byNeck = [...head.pixels].filter((i) => !neck.pixels.has(i));
  expect(byNeck.length).toBeGreaterThan(500);
  const below = byNeck.filter((i) => Math.floor(i / 4 / spec.width) < chin + 30);
  expect(below.length / byNeck.length).toBeGreaterThan(0.95);
  // Before the head neither hides anything.
  const front = await seen(0.14, {});
  expect((await seen(0.14, { hair: true, neck: true })).pixels.size).toBe(front.pixels.size);
});

test('a soft shadow on a plain ground has no grain', async () => {
  const [BALL, GROUND, LAMP] = [id(0), id(1), id(2)];
  const anchor = headAnchor('headCentre');
  const effect: Effect = {
    ...blankEffect('Shadow'),
    objects: {
      [BALL]: { ...newSolid(BALL, 'sphere', 0, anchor), extent: [0.05, 0.05, 0.05], move: [0, 0.16, 0.05] },
      [GROUND]: {
        ...newShadowCatcher(GROUND, 1, anchor),
        extent: [0.8, 0.8],
        move: [0, 0, -0.05],
        density: 1,
        softness: 0.8,
      },
      [LAMP]: { ...newLight(LAMP, 'directional', 2, anchor), turn: [55, 0, 0] },
    },
  };
  const side = 2 * SIZE;
  const lit = await draw({ effect, width: side, height: side });
  const plain = await draw({
    width: side,
    height: side,
    effect: {
      ...effect,
      objects: { ...effect.objects, [GROUND]: { ...effect.objects[GROUND]!, visible: false } as never },
    },
  });
  /** How dark the ground has become at a pixel, 0 to 255. */
  const dark = (x: number, y: number): number => {
    const i = 4 * (y * side + x);
    return plain.data[i]! - lit.data[i]!;
  };
  let [shaded, rough] = [0, 0];
  for (let y = 2; y < side - 2; y++)
    for (let x = 2; x < side - 2; x++) {
      if (dark(x, y) < 8 || dark(x, y) > 120) continue;
      shaded++;
      // A soft edge bends little from pixel to pixel.
      if (Math.abs(dark(x - 1, y) - 2 * dark(x, y) + dark(x + 1, y)) > 6) rough++;
    }
  expect(shaded).toBeGreaterThan(300);
  expect(rough / shaded).toBeLessThan(0.15);
});
