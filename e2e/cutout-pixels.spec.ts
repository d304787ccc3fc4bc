/** Cutouts of faces in pixels: every pixel of the camera picture says where it is, so it is seen what a cutout shows. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { cutoutAfter } from '../src/core/edits/cutout-edits';
import { newCutout } from '../src/core/kinds/objects/cutout';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newMorph } from '../src/core/kinds/objects/morph';
import { headAnchor } from '../src/core/kinds/objects/placed';
import type { Cutout, Effect, EffectObject } from '../src/core/document/schema';
import type { CutoutPart } from '../src/core/face/cutout-parts';
import { partOutline } from '../src/core/face/cutout';
import { featurePoint } from '../src/core/face/feature-points';
import { NEUTRAL_FACE } from '../src/core/face/neutral';
import { add, pointAt, scale, type Vec3 } from '../src/core/maths/vec3';
import { bare, draw, id, openFacePage, SIZE, type Picture } from './harness/face-pixels';
import { seenAt } from './harness/neutral-view';

openFacePage();

const PLACES = 'vec3(vUv, 0.5)';
const NEUTRAL = Float32Array.from(NEUTRAL_FACE);
const withObjects = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Cut'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
/** A cutout moved over the brows, in the plane it would lie in on the face. */
const LIFT = 0.07;
const cutout = (part: CutoutPart, change: Partial<Cutout> = {}): Cutout => ({
  ...cutoutAfter(newCutout(id(0), part, 0), { inner: 0, outer: 0.0005, ...change }),
  move: [0, LIFT, 0],
  depthTest: false,
  ...change,
});
const middleOf = (part: CutoutPart): Vec3 => {
  const points = partOutline(NEUTRAL, part);
  return scale(
    points.reduce((a, b) => add(a, b)),
    1 / points.length,
  );
};
/** Where the middle of the cutout is drawn. */
const drawnAt = (of: Cutout): [number, number] => {
  const anchor = of.anchor as ReturnType<typeof headAnchor> & { kind: 'head' };
  return seenAt(add(featurePoint(NEUTRAL, anchor.point), of.move));
};
const source = (seen: Picture, at: readonly [number, number]): [number, number] => {
  const [r, g] = seen.colour(at);
  return [r * SIZE, g * SIZE];
};
const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!);

for (const part of ['mouth', 'leftEye', 'rightEye', 'nose'] as const)
  test(`${part}: shown where it is put, and nothing beside it`, async () => {
    const of = cutout(part);
    const none = await draw({ effect: bare, colour: PLACES });
    const seen = await draw({ effect: withObjects(of), colour: PLACES });
    const at = drawnAt(of);
    expect(apart(source(seen, at), seenAt(middleOf(part)))).toBeLessThan(4);
    expect(apart(source(none, at), seenAt(middleOf(part)))).toBeGreaterThan(25);
    // It ends with the part.
    let shown = 0;
    for (let i = 0; i < seen.data.length; i += 4)
      if (Math.abs(seen.data[i + 1]! - none.data[i + 1]!) > 12) shown++;
    const outline = partOutline(NEUTRAL, part).map((p) => seenAt(p));
    const area = Math.abs(
      outline.reduce((sum, [x, y], k) => {
        const [u, v] = outline[(k + 1) % outline.length]!;
        return sum + (x * v - u * y) / 2;
      }, 0),
    );
    expect(shown / area).toBeGreaterThan(0.7);
    expect(shown / area).toBeLessThan(1.9);
  });

test('its edge is as soft as it is set, and it can be mirrored, turned and made larger', async () => {
  const middle = seenAt(middleOf('mouth'));
  const none = await draw({ effect: bare, colour: PLACES });
  const widthOf = async (change: Partial<Cutout>): Promise<{ any: number; half: number }> => {
    const of = cutout('mouth', change);
    const seen = await draw({ effect: withObjects(of), colour: PLACES });
    const [x, y] = drawnAt(of);
    let [any, half] = [0, 0];
    const most = Math.abs(seen.colour([x, y])[1] - none.colour([x, y])[1]);
    for (let dx = -60; dx <= 60; dx++) {
      const by = Math.abs(seen.colour([x + dx, y])[1] - none.colour([x + dx, y])[1]) / most;
      if (by > 0.06) any++;
      if (by > 0.94) half++;
    }
    return { any, half };
  };
  const sharp = await widthOf({ inner: 0, outer: 0.0005 });
  const soft = await widthOf({ inner: 0.006, outer: 0.012 });
  expect(sharp.any - sharp.half).toBeLessThan(7);
  expect(soft.any).toBeGreaterThan(sharp.any + 6);
  expect(soft.half).toBeLessThan(sharp.half - 4);
  const large = await widthOf({ outer: 0.0005, scale: [2, 2, 2] });
  expect(large.any / sharp.any).toBeGreaterThan(1.8);

  const sideways = async (change: Partial<Cutout>): Promise<[number, number]> => {
    const of = cutout('mouth', change);
    const seen = await draw({ effect: withObjects(of), colour: PLACES });
    const [x, y] = drawnAt(of);
    return source(seen, [x + 8, y]);
  };
  expect((await sideways({}))[0]).toBeGreaterThan(middle[0] + 4);
  expect((await sideways({ flip: true }))[0]).toBeLessThan(middle[0] - 4);
  const turned = await sideways({ turn: [0, 0, 90] });
  expect(Math.abs(turned[0] - middle[0])).toBeLessThan(3);
  expect(Math.abs(turned[1] - middle[1])).toBeGreaterThan(4);
});

test('with make-up and shape it shows the face as the effect does; without, as the camera does', async () => {
  const lips = newLayer(id(5), { region: 'lips', tint: '#0000ff', finish: 'painted', opacity: 1 }, 5);
  const shape = { ...newMorph(id(6), 6), sliders: { mouthWidth: 1 } } as const;
  const colour = 'vec3(0.7, 0.5, 0.2)';
  const blue = async (made: boolean, ...more: EffectObject[]): Promise<number> => {
    const of = cutout('mouth', { made });
    const seen = await draw({ effect: withObjects(of, ...more), colour });
    const [x, y] = drawnAt(of);
    let count = 0;
    for (let dx = -50; dx <= 50; dx++)
      for (let dy = -16; dy <= 16; dy++) if (seen.colour([x + dx, y + dy])[2] > 0.6) count++;
    return count;
  };
  const dressed = await blue(true, lips);
  expect(dressed).toBeGreaterThan(150);
  expect(await blue(false, lips)).toBe(0);
  expect(await blue(true, lips, shape)).toBeGreaterThan(dressed * 1.1);
});

test('on the screen, many times, drawn by hand; gone with the face and where it is seen from the side', async () => {
  const onScreen = (i: number, x: number): Cutout => ({
    ...newCutout(id(i), 'mouth', i, { kind: 'screen', pin: 'centre' }),
    move: [x, 0.055, 0],
  });
  const copies = [-0.05, 0, 0.05].map((x, i) => onScreen(i, x));
  const seen = await draw({ effect: withObjects(...copies), colour: PLACES });
  const middle = seenAt(middleOf('mouth'));
  const at = (x: number): [number, number] => [
    SIZE / 2 + (x / 0.16) * SIZE,
    SIZE / 2 + (0.055 / 0.16) * SIZE,
  ];
  for (const x of [-0.05, 0, 0.05]) expect(apart(source(seen, at(x)), middle)).toBeLessThan(4);

  const drawn = cutout('drawn', {
    outline: [
      [0.4, 0.2],
      [0.6, 0.2],
      [0.6, 0.3],
      [0.4, 0.3],
    ],
    move: [0, -0.02, 0],
  });
  const cut = await draw({ effect: withObjects(drawn), colour: PLACES });
  // What is drawn lies on the forehead: it is taken from there.
  expect(source(cut, drawnAt(drawn))[1]).toBeGreaterThan(seenAt(pointAt(NEUTRAL, 9))[1]);

  const none = await draw({ effect: bare, colour: PLACES });
  const whose2 = { ...onScreen(0, 0), face: 2 };
  expect((await draw({ effect: withObjects(whose2), colour: PLACES })).data.equals(none.data)).toBe(true);
  const aside = await draw({ effect: withObjects(onScreen(0, 0)), colour: PLACES, turn: [0, 82, 0] });
  expect(aside.data.equals(none.data)).toBe(true);
});

test('a mouth that opens opens in the cutout', async () => {
  const spec = { take: 'screen-test-marin', time: 0.5, width: 300, height: 400 };
  const onScreen = {
    ...newCutout(id(0), 'mouth', 0, { kind: 'screen', pin: 'bottom' }),
    move: [0, 0.03, 0] as [number, number, number],
  };
  const dark = async (jawOpen: number): Promise<number> => {
    const seen = await draw({ effect: withObjects(onScreen), ...spec, expressions: { jawOpen } });
    let count = 0;
    for (let y = 20; y < 130; y++)
      for (let x = 90; x < 210; x++) if (Math.max(...seen.colour([x, y])) < 0.25) count++;
    return count;
  };
  const [shut, open] = [await dark(0), await dark(0.9)];
  expect(open).toBeGreaterThan(shut + 150);
});
