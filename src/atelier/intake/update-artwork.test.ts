/** Layered artwork as objects, and the same file again: pictures change, what the creator did stays. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changeObject, styleCard } from '../../core/edits/object-edits';
import { applyEdit } from '../../core/document/edit';
import { bringIn } from '../../core/edits/asset-edits';
import { blankEffect } from '../../core/document/defaults';
import { stackOrder } from '../../core/document/queries';
import { sampleFile } from '../../core/document/sample';
import { sampleAssets, sampleModel } from '../../core/document/sample-assets';
import {
  effectSchema,
  type AssetId,
  type Card,
  type Effect,
  type PictureAsset,
} from '../../core/document/schema';
import type { LayerDraft } from '../../intake/drafts';
import { FOREHEAD } from '../../core/kinds/objects/placed';
import { artworkObjects, isPlaceable, objectsFor, type Destination } from './placing';
import { layersHere, updateArtwork } from './update-artwork';

const FILE = 'reef.psd';
const CANVAS = [1000, 800] as const;

interface Spec {
  readonly key: string;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Tells versions of the picture apart. */
  readonly paint: number;
}
const spec = (key: string, change: Partial<Spec> = {}): Spec => ({
  key,
  left: 100,
  top: 50,
  width: 300,
  height: 200,
  paint: 0,
  ...change,
});
let serial = 0;
const assetOf = ({ key, left, top, width, height, paint }: Spec, id?: AssetId): PictureAsset => ({
  ...(sampleAssets()[0] as PictureAsset),
  id: id ?? (`asset_${key}${serial++}` as AssetId),
  name: key,
  files: [sampleFile(paint * 1000 + ([...key].reduce((sum, c) => sum * 31 + c.charCodeAt(0), 0) % 997))],
  from: { file: FILE, layer: key },
  width,
  height,
  layer: { canvas: [...CANVAS], left, top, width, height },
});
const layerOf = (s: Spec, draft: number): LayerDraft => ({
  key: s.key,
  name: s.key,
  opacity: 1,
  blend: 'normal',
  visible: true,
  draft,
});

const HERE: Destination = { anchor: FOREHEAD, at: null, scene: null };
const opened = (specs: readonly Spec[]): Effect => {
  const effect = blankEffect('Reef');
  const assets = specs.map((s) => assetOf(s));
  const objects = artworkObjects(effect, FILE, specs.map(layerOf), assets, HERE);
  return applyEdit(effect, bringIn('Bring in', assets, objects)).effect;
};
/** The file again: known layers under the ids that they have. */
const again = (effect: Effect, specs: readonly Spec[]) => {
  const here = layersHere(effect, FILE);
  const assets = specs.map((s) => assetOf(s, here.get(s.key)?.id));
  return updateArtwork(effect, FILE, specs.map(layerOf), assets);
};
const cards = (effect: Effect): Card[] => stackOrder(effect).filter((o): o is Card => o.kind === 'card');
const named = (effect: Effect, name: string): Card => cards(effect).find((c) => c.name === name)!;

describe('layers become cards', () => {
  test('each at its offset from the middle of the canvas, in metres, the topmost nearest', () => {
    const effect = opened([
      spec('foam', { left: 0, top: 0, width: 1000, height: 800 }),
      spec('fish', { left: 700, top: 600, width: 200, height: 100 }),
      spec('sand'),
    ]);
    const [foam, fish, sand] = cards(effect);
    // The longest side of the canvas is 20 cm: a pixel is 0.2 mm.
    expect(foam!.extent).toEqual([0.2, 0.16]);
    expect(foam!.move[0]).toBeCloseTo(0, 12);
    expect(fish!.move[0]).toBeCloseTo((800 - 500) * 0.0002, 12);
    expect(fish!.move[1]).toBeCloseTo(-(650 - 400) * 0.0002, 12);
    expect([foam, fish, sand].map((c) => c!.move[2])).toEqual([0.004, 0.002, 0]);
    const group = stackOrder(effect)[0]!;
    expect([group.kind, group.name]).toEqual(['group', 'reef']);
    expect(new Set(cards(effect).map((c) => c.parent))).toEqual(new Set([group.id]));
    expect(effectSchema.parse(effect)).toEqual(effect);
  });
  test('opacity, blend mode and hiding come with them', () => {
    const effect = blankEffect('Reef');
    const layer = { ...layerOf(spec('glow'), 0), opacity: 0.4, blend: 'screen' as const, visible: false };
    const [, card] = artworkObjects(effect, FILE, [layer], [assetOf(spec('glow'))], HERE);
    expect(card).toMatchObject({ opacity: 0.4, blend: 'screen', visible: false, name: 'glow' });
  });
});

describe('the file comes again', () => {
  test('nothing has changed: nothing is done', () => {
    const specs = [spec('fish'), spec('sand')];
    const effect = opened(specs);
    const { changed, added, gone, edit } = again(effect, specs);
    expect([changed, added, gone]).toEqual([0, [], []]);
    expect(applyEdit(effect, edit).effect).toEqual(effect);
  });
  test('another picture in the same place: the card shows it and stays', () => {
    const effect = opened([spec('fish'), spec('sand')]);
    const update = again(effect, [spec('fish', { paint: 1 }), spec('sand')]);
    const after = applyEdit(effect, update.edit).effect;
    expect(update.changed).toBe(1);
    expect(cards(after)).toEqual(cards(effect));
    const shown = after.assets[named(after, 'fish').asset] as PictureAsset;
    expect(shown.files).not.toEqual((effect.assets[shown.id] as PictureAsset).files);
  });
  test('a layer that was moved on the canvas moves its card as far, on top of what the creator did', () => {
    let effect = opened([spec('fish'), spec('sand')]);
    const fish = named(effect, 'fish');
    effect = applyEdit(
      effect,
      changeObject(effect, fish.id, { move: [fish.move[0] + 0.05, fish.move[1], fish.move[2]] }),
    ).effect;
    const moved = again(effect, [spec('fish', { left: 150, paint: 1 }), spec('sand')]);
    const after = named(applyEdit(effect, moved.edit).effect, 'fish');
    expect(after.move[0]).toBeCloseTo(named(effect, 'fish').move[0] + 50 * 0.0002, 12);
    expect(after.move[1]).toBeCloseTo(fish.move[1], 12);
  });
  test('names that the creator gave stay; a layer that is gone keeps its card and is named', () => {
    let effect = opened([spec('fish'), spec('sand')]);
    const fish = named(effect, 'fish');
    effect = applyEdit(effect, changeObject(effect, fish.id, { name: 'Hero' })).effect;
    const update = again(effect, [spec('fish', { paint: 2 })]);
    const after = applyEdit(effect, update.edit).effect;
    expect(cards(after).map((c) => c.name)).toEqual(['Hero', 'sand']);
    expect(update.gone.map((a) => a.name)).toEqual(['sand']);
  });
  test('new layers come in between their neighbours, in the order of the file', () => {
    const effect = opened([spec('foam'), spec('sand')]);
    const update = again(effect, [
      spec('sky'),
      spec('foam'),
      spec('fish'),
      spec('weed'),
      spec('crab'),
      spec('sand'),
      spec('rock'),
      spec('floor'),
    ]);
    const after = applyEdit(effect, update.edit).effect;
    expect(update.added).toEqual(['sky', 'fish', 'weed', 'crab', 'rock', 'floor']);
    expect(cards(after).map((c) => c.name)).toEqual([
      'sky',
      'foam',
      'fish',
      'weed',
      'crab',
      'sand',
      'rock',
      'floor',
    ]);
  });
  test('the creator has deleted the group: assets follow, no card comes back', () => {
    const effect = opened([spec('fish'), spec('sand')]);
    const bare: Effect = { ...effect, objects: {} };
    const update = again(bare, [spec('fish', { paint: 1 }), spec('sand'), spec('weed')]);
    const after = applyEdit(bare, update.edit).effect;
    expect(cards(after)).toEqual([]);
    expect(Object.keys(after.assets)).toHaveLength(3);
  });
  test('whatever changed in the file, what the creator did to the cards stays', () => {
    const keys = ['foam', 'fish', 'weed', 'crab', 'sand'];
    const change = fc.record({
      keep: fc.boolean(),
      paint: fc.integer({ min: 0, max: 3 }),
      left: fc.integer({ min: 0, max: 600 }),
      top: fc.integer({ min: 0, max: 500 }),
    });
    const done = fc.record({
      move: fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -0.2, max: 0.2, noNaN: true }))),
      opacity: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(change, { minLength: 5, maxLength: 5 }),
        fc.array(done, { minLength: 5, maxLength: 5 }),
        (changes, edits) => {
          let effect = opened(keys.map((k) => spec(k)));
          keys.forEach((key, i) => {
            const { id } = named(effect, key);
            const move = [...edits[i]!.move] as [number, number, number];
            effect = applyEdit(effect, changeObject(effect, id, { move })).effect;
            effect = applyEdit(effect, styleCard(effect, id, { opacity: edits[i]!.opacity })).effect;
          });
          const specs = keys.flatMap((key, i) => {
            const { keep, paint, left, top } = changes[i]!;
            return keep ? [spec(key, { paint, left, top })] : [];
          });
          const after = applyEdit(effect, again(effect, specs).edit).effect;
          expect(effectSchema.safeParse(after).success).toBe(true);
          expect(cards(after).map((c) => c.name)).toEqual(keys);
          for (const [i, key] of keys.entries()) {
            const [was, is] = [named(effect, key), named(after, key)];
            expect([is.id, is.asset, is.parent, is.order, is.opacity]).toEqual([
              was.id,
              was.asset,
              was.parent,
              was.order,
              was.opacity,
            ]);
            // It shifts as far as the layer has on its canvas, and no further.
            const { keep, left, top } = changes[i]!;
            const [dx, dy] = keep ? [left - 100, top - 50] : [0, 0];
            expect(is.move[0]).toBeCloseTo(was.move[0] + dx * 0.0002, 9);
            expect(is.move[1]).toBeCloseTo(was.move[1] - dy * 0.0002, 9);
            expect(is.move[2]).toBeCloseTo(was.move[2], 12);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('objects for single assets', () => {
  test('pictures, sequences and videos get a card, models an object and one occluder, surroundings a light, tables a grade', () => {
    let effect = blankEffect('Reef');
    for (const asset of sampleAssets()) {
      const objects = objectsFor(effect, asset, HERE);
      expect(objects.length > 0).toBe(isPlaceable(asset));
      effect = applyEdit(effect, bringIn('Bring in', [asset], objects)).effect;
    }
    expect(
      stackOrder(effect)
        .map((o) => o.kind)
        .sort(),
    ).toEqual(['card', 'card', 'card', 'grade', 'light', 'model', 'occluder', 'sound']);
    // The second head piece finds the occluder of the first.
    expect(objectsFor(effect, sampleModel(7), HERE).map((o) => o.kind)).toEqual(['model']);
  });
});
