/** Irises and lashes on a face, and occluders and shadows about it, in pixels. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newHair } from '../src/core/kinds/objects/hair';
import { newIris } from '../src/core/kinds/objects/iris';
import { newLashes } from '../src/core/kinds/objects/lashes';
import type { Effect, EffectObject, Fill, Hair, Iris, Lashes, Occluder } from '../src/core/document/schema';
import type { FaceRegion } from '../src/core/face/region-names';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newFill } from '../src/core/kinds/objects/fill';
import { newOccluder } from '../src/core/kinds/objects/occluder';
import { newLight } from '../src/core/kinds/objects/light';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { newShadowCatcher } from '../src/core/kinds/objects/shadow-catcher';
import { newSolid } from '../src/core/kinds/objects/solid';
import { bare, changedAt, draw, id, one, openFacePage, SIZE } from './harness/face-pixels';

openFacePage();

test.describe('more on the face', () => {
  const spec = { take: 'screen-test-marin', time: 0.5, width: 360, height: 640 };
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

  test('lashes lie behind the frames of spectacles, and are seen beside them', async () => {
    for (const performer of ['anselm', 'ines']) {
      const at = { take: `screen-test-${performer}`, time: 0.5, fovY: 15, width: 480, height: 480 };
      const none = await draw({ effect: bare, ...at, cover: true });
      const frames = Buffer.from(none.cover!, 'base64');
      const seen = async (givesWay: boolean) => {
        const lashes = newLashes(id(0), 0);
        // So long that they cross the frames above the eyes.
        const long = { ...lashes, tint: '#ff00ff', length: 2.4, density: 2, opacity: 1, givesWay };
        const drawn = await draw({ effect: one(long), ...at });
        let [onFrames, beside] = [0, 0];
        for (let i = 0; i < 480 * 480; i++)
          if (changedAt(none, drawn, [i % 480, Math.floor(i / 480)], 24)) {
            if (frames[i]! > 0) onFrames++;
            else beside++;
          }
        return { onFrames, beside };
      };
      const [over, under] = [await seen(false), await seen(true)];
      expect(over.onFrames, performer).toBeGreaterThan(15);
      expect(under.onFrames, performer).toBeLessThan(0.1 * over.onFrames);
      expect(under.beside, performer).toBeGreaterThan(0.95 * over.beside);
    }
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
