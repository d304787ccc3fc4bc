/** Lights of an effect on faces, and what faces are made of, in pixels. */
import sharp from 'sharp';
import { expect, test } from './harness/test';
import { newMaterial } from '../src/core/document/new-material';
import type {
  AssetId,
  Cutout,
  Effect,
  EffectObject,
  Light,
  Material,
  MaterialId,
  PictureAsset,
} from '../src/core/document/schema';
import { regionCentre } from '../src/core/face/regions';
import type { Spot } from '../src/core/face/skin-spot';
import { newCutout } from '../src/core/kinds/objects/cutout';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newLight } from '../src/core/kinds/objects/light';
import { newMorph } from '../src/core/kinds/objects/morph';
import { headAnchor } from '../src/core/kinds/objects/placed';
import type { Rgb } from '../src/core/maths/blend';
import { sampleAsset } from '../src/core/document/sample';
import { bare, changedAt, colour, draw, id, near, openFacePage, SIZE, SKIN } from './harness/face-pixels';

openFacePage();

const FRONT = { direction: [0, 0.2, 0.98] as [number, number, number], colour: '#ffffff', brightness: 0.7 };
const LEFT: Spot = [0.72, 0.55];
const RIGHT: Spot = [0.28, 0.55];
const effectOf = (objects: readonly EffectObject[], more: Partial<Effect> = {}): Effect => ({
  ...bare,
  ...more,
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
/** A lamp 12 cm to the wearer's left of the nose, a little before it. */
const lamp = (of: Partial<Light> = {}): Light => ({
  ...newLight(id(1), 'point', 1, headAnchor('noseTip')),
  move: [0.12, 0, 0.06],
  strength: 0.4,
  onFaces: 'beside',
  ...of,
});
const bright = (c: Rgb): number => c[0] + c[1] + c[2];

test.describe('lights of the effect', () => {
  const spots = [LEFT, RIGHT];
  const seenIn = async (objects: readonly EffectObject[], turn?: [number, number, number]) => {
    const drawn = await draw({
      effect: effectOf(objects),
      colour,
      light: FRONT,
      spots,
      ...(turn ? { turn } : {}),
    });
    return { drawn, left: drawn.colour(drawn.at[0]!), right: drawn.colour(drawn.at[1]!) };
  };

  test('reach no face unless they say so; then the side that they are on is lighter, in their colour', async () => {
    const none = await seenIn([lamp({ onFaces: 'no' })]);
    near(none.left, SKIN);
    const red = await seenIn([lamp({ colour: '#ff2000' })]);
    expect(bright(red.left)).toBeGreaterThan(bright(SKIN) + 0.15);
    expect(red.left[0] - SKIN[0]).toBeGreaterThan(3 * (red.left[2] - SKIN[2]));
    expect(bright(red.left)).toBeGreaterThan(bright(red.right) + 0.1);
    // What is no head is left alone.
    for (const at of [
      [4, 4],
      [SIZE - 5, SIZE - 5],
      [4, SIZE / 2],
    ] as const)
      near(red.drawn.colour(at), SKIN, 1);
  });

  test('are dimmed: at 0 beside the camera’s light nothing changes, instead of it the face is dark', async () => {
    near((await seenIn([lamp({ strength: 0 })])).left, SKIN, 1);
    expect(bright((await seenIn([lamp({ strength: 0, onFaces: 'instead' })])).left)).toBeLessThan(0.1);
    const [half, full] = [await seenIn([lamp({ strength: 0.1 })]), await seenIn([lamp({ strength: 0.2 })])];
    expect(bright(full.left)).toBeGreaterThan(bright(half.left) + 0.05);
  });

  test('turn with what they stick to: a lamp on the screen stays where it is while the head turns', async () => {
    const fixed = (side: number) => ({
      ...newLight(id(1), 'directional', 1, { kind: 'screen', pin: 'centre' } as const),
      onFaces: 'instead' as const,
      turn: [0, 0, side] as [number, number, number],
    });
    const from = await seenIn([fixed(-90)]);
    expect(bright(from.left)).toBeGreaterThan(bright(from.right) + 0.3);
    const other = await seenIn([fixed(90)]);
    expect(bright(other.right)).toBeGreaterThan(bright(other.left) + 0.3);
    const turned = await seenIn([fixed(-90)], [0, 40, 0]);
    expect(bright(turned.right)).toBeGreaterThan(bright(from.right) + 0.1);
  });

  test('surroundings light from all around', async () => {
    const around = {
      ...newLight(id(1), 'surroundings', 1, headAnchor('noseTip')),
      onFaces: 'instead' as const,
    };
    const full = await seenIn([around]);
    expect(bright(full.left)).toBeGreaterThan(0.3);
    expect(bright((await seenIn([{ ...around, strength: 0.3 }])).left)).toBeLessThan(
      0.75 * bright(full.left),
    );
  });

  test('a finish mirrors the lamp from where it is, and a cutout shows the face as it is lit', async () => {
    const wet = newLayer(id(2), { region: 'skin', tint: '#ffffff', blend: 'multiply', finish: 'gloss' }, 2);
    const shine = async (x: number): Promise<number> => {
      const lights = [lamp({ move: [x, 0.02, 0.2], strength: 0.3 })];
      const plain = await draw({ effect: effectOf(lights), colour, light: FRONT });
      const drawn = await draw({ effect: effectOf([...lights, wet]), colour, light: FRONT });
      let [sum, hits] = [0, 0];
      for (let i = 0; i < drawn.data.length; i += 4)
        if (drawn.data[i + 1]! - plain.data[i + 1]! > 40) {
          sum += (i / 4) % SIZE;
          hits++;
        }
      expect(hits).toBeGreaterThan(30);
      return sum / hits;
    };
    expect(await shine(0.15)).toBeGreaterThan((await shine(-0.15)) + 0.03 * SIZE);

    const cut: Cutout = {
      ...newCutout(id(3), 'face', 0, { kind: 'screen', pin: 'top' }),
      move: [0, -0.02, 0],
      scale: [0.5, 0.5, 0.5],
    };
    const dark = lamp({ strength: 0, onFaces: 'instead' });
    const at = [SIZE / 2, SIZE * (1 - 0.02 / 0.16)] as const;
    near((await draw({ effect: effectOf([cut]), colour, light: FRONT })).colour(at), SKIN, 4);
    expect(
      bright((await draw({ effect: effectOf([cut, dark]), colour, light: FRONT })).colour(at)),
    ).toBeLessThan(0.15);
  });
});

test.describe('what a face is made of', () => {
  const MATERIAL = 'mat_scales' as MaterialId;
  const worn = (
    look: Partial<Material>,
    objects: readonly EffectObject[],
    assets: readonly PictureAsset[] = [],
  ) =>
    effectOf(objects, {
      materials: { [MATERIAL]: newMaterial(MATERIAL, 'Scales', look) },
      assets: Object.fromEntries(assets.map((a) => [a.id, a])),
    });
  const layer = (of: object = {}) => ({
    ...newLayer(id(1), { region: 'face', softness: 0 }, 1),
    material: MATERIAL,
    ...of,
  });
  const picture = (n: number): PictureAsset => ({ ...sampleAsset(n), width: 64, height: 64 });
  const file = async (asset: PictureAsset, pixel: (u: number, v: number) => Rgb) => {
    const raw = Buffer.alloc(64 * 64 * 3);
    for (let y = 0; y < 64; y++)
      for (let x = 0; x < 64; x++)
        pixel((x + 0.5) / 64, (y + 0.5) / 64).forEach((c, k) => (raw[3 * (64 * y + x) + k] = 255 * c));
    const png = await sharp(raw, { raw: { width: 64, height: 64, channels: 3 } })
      .png()
      .toBuffer();
    return [asset.files[0]!.sha256, png.toString('base64')] as const;
  };
  const from = (asset: PictureAsset) => ({ from: 'asset' as const, asset: asset.id as AssetId });

  test('its colour is where the layer is, and nothing beside it; it fades with the layer', async () => {
    const glow = { colour: '#000000', shading: 'unlit', glow: '#0000ff', glowStrength: 1 } as const;
    const lips = (opacity: number) => worn(glow, [layer({ region: 'upperLip', softness: 0.4, opacity })]);
    const none = await draw({ effect: bare, colour });
    const upper = [regionCentre('upperLip'), [0.5, 0.15]] as const;
    const full = await draw({ effect: lips(1), colour, spots: upper });
    expect(full.colour(full.at[0]!)[2]).toBeGreaterThan(0.8);
    expect(full.colour(full.at[0]!)[0]).toBeLessThan(0.25);
    expect(changedAt(none, full, full.at[1]!)).toBe(false);
    const half = (await draw({ effect: lips(0.5), colour, spots: upper })).colour(full.at[0]!);
    expect(half[0]).toBeGreaterThan(0.3);
    expect(half[2]).toBeGreaterThan(SKIN[2] + 0.1);
  });

  test('its base picture lies by the face layout, its relief and its roughness are lit', async () => {
    const [base, normal, packed] = [picture(1), picture(2), picture(3)];
    const files = Object.fromEntries([
      await file(base, (u) => (u < 0.5 ? [1, 0, 0] : [0, 0, 1])),
      // The left half leans to its left, the right half to its right.
      await file(normal, (u) => (u < 0.5 ? [0.85, 0.5, 0.85] : [0.15, 0.5, 0.85])),
      await file(packed, (u) => (u < 0.5 ? [1, 0.15, 0] : [1, 0.9, 0])),
    ]);
    const spots: Spot[] = [RIGHT, LEFT];
    const side = {
      direction: [0.8, 0.2, 0.56] as [number, number, number],
      colour: '#ffffff',
      brightness: 0.7,
    };
    const seen = async (maps: Partial<Material['maps']>, more: Partial<Material> = {}) => {
      const plain = newMaterial(MATERIAL, 'Scales', {}).maps;
      const look = { colour: '#ffffff', roughness: 0.8, maps: { ...plain, ...maps }, ...more };
      const effect = worn(look, [layer()], [base, normal, packed]);
      const drawn = await draw({ effect, files, colour, spots, light: side });
      return { drawn, colours: drawn.at.map((at) => drawn.colour(at)) };
    };
    const coloured = (await seen({ base: from(base) })).colours;
    expect(coloured[0]![0]).toBeGreaterThan(coloured[0]![2] + 0.2);
    expect(coloured[1]![2]).toBeGreaterThan(coloured[1]![0] + 0.2);

    const flat = (await seen({})).colours;
    const leaning = (await seen({ normal: from(normal) })).colours;
    expect(Math.abs(bright(leaning[0]!) - bright(flat[0]!))).toBeGreaterThan(0.06);
    expect(bright(leaning[0]!) - bright(flat[0]!)).toBeGreaterThan(
      bright(leaning[1]!) - bright(flat[1]!) + 0.06,
    );

    const shiny = await seen({ roughness: from(packed) }, { roughness: 1, colour: '#303030' });
    const dull = await seen({}, { roughness: 0.9, colour: '#303030' });
    let [smooth, rough] = [0, 0];
    for (let i = 0; i < shiny.drawn.data.length; i += 4) {
      const more = Math.abs(shiny.drawn.data[i + 1]! - dull.drawn.data[i + 1]!);
      if ((i / 4) % SIZE < SIZE / 2) smooth = Math.max(smooth, more);
      else rough = Math.max(rough, more);
    }
    expect(smooth).toBeGreaterThan(rough + 20);
  });

  test('make-up above it covers it, make-up beneath does not; a morph wears it where it counts', async () => {
    const spots = [[0.5, 0.15], regionCentre('chin')] as const;
    const look = { shading: 'unlit', colour: '#00a040' } as const;
    const paint = (n: number) => newLayer(id(n), { region: 'face', softness: 0, tint: '#ff00ff' }, n);
    const at = async (effect: Effect, i: number): Promise<Rgb> => {
      const drawn = await draw({ effect, colour, spots });
      return drawn.colour(drawn.at[i]!);
    };
    near(await at(worn(look, [layer({ id: id(1) }), paint(0)]), 0), [1, 0, 1], 4);
    expect((await at(worn(look, [layer({ id: id(1) }), paint(2)]), 0))[1]).toBeGreaterThan(0.5);
    const morph = { ...newMorph(id(1), 1), material: MATERIAL, regions: ['chin' as const], relief: 0 };
    expect((await at(worn(look, [morph]), 1))[1]).toBeGreaterThan(0.5);
    near(await at(worn(look, [morph]), 0), SKIN, 1);
    near(await at(worn(look, [{ ...morph, amount: 0 }]), 1), SKIN, 1);
  });
});

test.describe('a morph', () => {
  test('shows the light and shade of its shape on the skin, from the front', async () => {
    const spots: Spot[] = [LEFT, RIGHT];
    const side = { direction: [0.8, 0, 0.6] as [number, number, number], colour: '#ffffff', brightness: 0.7 };
    const cheeks = (relief: number) => ({
      ...newMorph(id(1), 1),
      sliders: { cheekbones: 1, cheeks: -1 },
      relief,
    });
    const seen = async (relief: number) =>
      draw({ effect: effectOf([cheeks(relief)]), colour, spots, light: side });
    const [flat, lit] = [await seen(0), await seen(1)];
    near(flat.colour(flat.at[0]!), SKIN, 2);
    const range = (drawn: typeof lit): number => {
      let [low, high] = [1, 0];
      for (let v = 0.3; v < 0.75; v += 0.05)
        for (let u = 0.25; u < 0.76; u += 0.05) {
          const x = SIZE * (0.5 + 0.55 * (u - 0.5));
          const y = SIZE * (0.5 - 0.6 * (v - 0.5));
          const g = drawn.colour([x, y])[1];
          low = Math.min(low, g);
          high = Math.max(high, g);
        }
      return high - low;
    };
    expect(range(flat)).toBeLessThan(0.02);
    expect(range(lit)).toBeGreaterThan(0.06);
  });

  test('a nose that is drawn out comes before hair that hangs behind it', async () => {
    const spec = {
      take: 'screen-test-marin',
      time: 0.5,
      width: 300,
      height: 375,
      fovY: 26,
      turn: [0, 48, 0] as [number, number, number],
    };
    const long = { ...newMorph(id(1), 1), sliders: { noseLength: 1, noseBridge: 1 }, amount: 2, relief: 0 };
    const drawn = await draw({ ...spec, effect: effectOf([long]), landmarks: [4, 197, 195, 5, 1] });
    const plain = await draw({ ...spec, effect: bare, landmarks: [4] });
    const skin = plain.colour(plain.marks[0]!);
    // Along the ridge of the drawn-out nose everything is skin: as light as skin is, and no dark hair.
    const moved = drawn.marks.map(([x, y]) => [x, y] as const);
    for (const [x, y] of moved) expect(bright(drawn.colour([x - 2, y]))).toBeGreaterThan(0.55 * bright(skin));
  });
});
