import { describe, expect, test } from '@jest/globals';
import { KIT, KIT_LOOKS, regionRank } from '../makeup/kit';
import { duplicateObjects } from './copy-edits';
import { blankEffect } from '../document/defaults';
import { sampleAsset } from '../document/sample';
import { addObject, removeObject } from './object-edits';
import { applyEdit } from '../document/edit';
import {
  addLayerInOrder,
  changeLayer,
  copyLook,
  extraPiecesOf,
  extrasOn,
  layersOn,
  limitBy,
  lookOrder,
  piecesOf,
  removeLook,
  saveLook,
  wearLook,
} from './look-edits';
import { newLashes } from '../kinds/objects/lashes';
import { newLayer } from '../kinds/objects/layer';
import { applyPatch } from '../document/patch';
import { effectSchema, type Effect, type Layer, type LookId, type ObjectId } from '../document/schema';

const id = (n: number | string) => `obj_layer${n}` as ObjectId;
const ids = (from: number) => Array.from({ length: 20 }, (_, i) => id(from + i));
const LOOK = 'look_first' as LookId;
const piece = (name: string) => KIT.find((p) => p.id === name)!.layer;
const [SUN, , NIGHT] = KIT_LOOKS;
const wear = (effect: Effect, look = SUN!, face: 1 | 2 = 1, from = 100) =>
  applyEdit(effect, wearLook(effect, look.name, look.layers, face, ids(from), null)).effect;
const names = (effect: Effect, face: 1 | 2 = 1) => layersOn(effect, face).map((l) => l.name);
const valid = (effect: Effect) => expect(effectSchema.safeParse(effect).error?.issues ?? []).toEqual([]);

describe('layers put on a face', () => {
  test('lie in the order of make-up, whatever came first', () => {
    let effect = blankEffect('Look');
    for (const [i, name] of ['liner', 'blush', 'lipstick', 'shadow', 'powder', 'crease'].entries())
      effect = applyEdit(effect, addLayerInOrder(effect, newLayer(id(i), piece(name), 0), 1)).effect;
    expect(names(effect)).toEqual(['Lipstick', 'Lid line', 'Eye shadow', 'Crease', 'Blush', 'Matte powder']);
    valid(effect);
  });

  test('stickers lie over make-up and its shine, a plain colour on the whole face beneath all', () => {
    let effect = blankEffect('Look');
    const layers = [
      newLayer(id(0), { name: 'Sticker', asset: sampleAsset(1).id }, 0),
      newLayer(id(1), { name: 'Base', tint: '#c8a080', opacity: 0.3 }, 0),
      newLayer(id(2), piece('glow'), 0),
      newLayer(id(3), piece('lipstick'), 0),
      newLayer(id(4), { name: 'Painted', mask: sampleAsset(2).id }, 0),
    ];
    for (const layer of layers) effect = applyEdit(effect, addLayerInOrder(effect, layer, 1)).effect;
    expect(names(effect)).toEqual(['Painted', 'Sticker', 'Lipstick', 'Wet glow', 'Base']);
  });

  test('a second of a region lies over the first', () => {
    let effect = blankEffect('Look');
    for (const [i, name] of ['lipstick', 'lipGloss'].entries())
      effect = applyEdit(effect, addLayerInOrder(effect, newLayer(id(i), piece(name), 0), 1)).effect;
    expect(names(effect)).toEqual(['Lip gloss', 'Lipstick']);
  });
});

describe('looks', () => {
  test('are put on in the place of what was there, and undone', () => {
    const first = wear(blankEffect('Look'));
    expect(names(first)).toEqual(SUN!.layers.map((l) => l.name));
    const { effect, inverse } = applyEdit(first, wearLook(first, 'Night', NIGHT!.layers, 1, ids(200), null));
    expect(names(effect)).toEqual(NIGHT!.layers.map((l) => l.name));
    valid(effect);
    expect(applyPatch(effect, inverse)).toEqual(first);
  });

  test('leave other objects, locked layers and other faces alone', () => {
    let effect = wear(wear(blankEffect('Look')), NIGHT, 2, 300);
    const locked = layersOn(effect, 1)[0]!;
    effect = applyEdit(effect, changeLayer(effect, locked.id, { locked: true })).effect;
    const after = wear(effect, NIGHT, 1, 400);
    expect(after.objects[locked.id]).toEqual(effect.objects[locked.id]);
    expect(names(after, 2)).toEqual(names(effect, 2));
  });

  test('keep the ids of pieces they share with what was there, so that cues go on', () => {
    const first = wear(blankEffect('Look'));
    const shared = layersOn(first, 1).find((l) => l.name === 'Crease')!;
    const after = wear(first, NIGHT, 1, 500);
    expect(after.objects[shared.id]).toMatchObject({ name: 'Crease', tint: '#4a4148' });
  });

  test('copied to another face, who limits whom goes with them', () => {
    let effect = wear(blankEffect('Look'));
    const [gloss, , lids] = layersOn(effect, 1) as [Layer, Layer, Layer];
    effect = applyEdit(effect, changeLayer(effect, gloss.id, { maskedOut: true })).effect;
    effect = applyEdit(effect, limitBy(effect, gloss.id, lids.id)).effect;
    effect = applyEdit(effect, copyLook(effect, 1, 2, ids(600), null)).effect;
    const [copy, , copiedLids] = layersOn(effect, 2) as [Layer, Layer, Layer];
    expect(copy).toMatchObject({ maskedBy: copiedLids.id, maskedOut: true, anchor: { face: 2 } });
    valid(effect);
  });

  test('lashes that a layer limits stay limited by it: copied to another face, kept and put on again', () => {
    let effect = wear(blankEffect('Look'));
    const lids = layersOn(effect, 1)[2]!;
    effect = applyEdit(effect, addObject(newLashes(id('lashes'), -9))).effect;
    effect = applyEdit(effect, limitBy(effect, id('lashes'), lids.id)).effect;
    effect = applyEdit(effect, saveLook(effect, LOOK, 'Mine', 1)).effect;
    const lashesOn = (one: Effect, face: 1 | 2) => extrasOn(one, face).find((o) => o.kind === 'lashes')!;
    const copied = applyEdit(effect, copyLook(effect, 1, 2, ids(900), null)).effect;
    expect(lashesOn(copied, 2)).toMatchObject({ maskedBy: layersOn(copied, 2)[2]!.id });
    const { layers, extras } = lookOrder(effect)[0]!;
    const bare = applyEdit(wear(effect, NIGHT, 1, 700), removeObject(effect, id('lashes'))).effect;
    const again = applyEdit(
      bare,
      wearLook(bare, 'Mine', piecesOf(layers), 1, ids(800), null, extraPiecesOf(extras, layers)),
    ).effect;
    expect(lashesOn(again, 1)).toMatchObject({ maskedBy: layersOn(again, 1)[2]!.id });
    valid(again);
    // Put on without that layer, nothing limits them.
    const alone = applyEdit(
      bare,
      wearLook(bare, 'Bare', [], 1, ids(850), null, extraPiecesOf(extras, layers)),
    );
    expect(lashesOn(alone.effect, 1)).toMatchObject({ maskedBy: null });
  });

  test('are kept, put on again, deleted', () => {
    let effect = wear(blankEffect('Look'));
    effect = applyEdit(effect, saveLook(effect, LOOK, 'Mine', 1)).effect;
    const [kept] = lookOrder(effect);
    const bare = wear(effect, NIGHT, 1, 700);
    const again = applyEdit(bare, wearLook(bare, 'Mine', piecesOf(kept!.layers), 1, ids(800), null)).effect;
    expect(piecesOf(layersOn(again, 1))).toEqual(piecesOf(layersOn(effect, 1)));
    valid(again);
    expect(lookOrder(applyEdit(again, removeLook(again, LOOK)).effect)).toEqual([]);
  });

  test('of a face without layers there is none to keep', () => {
    const effect = blankEffect('Look');
    expect(() => applyEdit(effect, saveLook(effect, LOOK, 'None', 2))).toThrow('Face 2 has no layers yet');
  });
});

describe('a layer limited by another', () => {
  const two = () => {
    let effect = blankEffect('Look');
    for (const [i, name] of ['shadow', 'lipGloss'].entries())
      effect = applyEdit(effect, addObject(newLayer(id(i), piece(name), i))).effect;
    return effect;
  };
  const limit = (effect: Effect, a: number, b: number) =>
    applyEdit(effect, limitBy(effect, id(a), id(b))).effect;

  test('is free again when that one is deleted', () => {
    const effect = limit(two(), 1, 0);
    const after = applyEdit(effect, removeObject(effect, id(0))).effect;
    expect(after.objects[id(1)]).toMatchObject({ maskedBy: null });
  });
  test('never limits itself, not by way of another either', () => {
    const effect = limit(two(), 1, 0);
    expect(limit(effect, 0, 1).objects[id(0)]).toMatchObject({ maskedBy: null });
    expect(limit(effect, 1, 1).objects[id(1)]).toMatchObject({ maskedBy: null });
  });
  test('goes over the whole face where it lies elsewhere, so that it shows there; what lies there stays', () => {
    let effect = blankEffect('Look');
    for (const [i, name] of ['glow', 'lipstick', 'powder', 'shadow', 'blush'].entries())
      effect = applyEdit(effect, addObject(newLayer(id(i), piece(name), i))).effect;
    // The cheekbones have nothing of the lips; the skin leaves lips out, and has the lids.
    expect(limit(effect, 0, 1).objects[id(0)]).toMatchObject({
      region: 'face',
      softness: 0,
      maskedBy: id(1),
    });
    expect(limit(effect, 2, 1).objects[id(2)]).toMatchObject({ region: 'face' });
    expect(limit(effect, 2, 3).objects[id(2)]).toMatchObject({ region: 'skin' });
    // Regions that meet stay what they are.
    expect(limit(effect, 0, 4).objects[id(0)]).toMatchObject({ region: 'cheekbones', maskedBy: id(4) });
    const outside = applyEdit(effect, changeLayer(effect, id(0), { maskedOut: true })).effect;
    expect(limit(outside, 0, 1).objects[id(0)]).toMatchObject({ region: 'cheekbones' });
  });
  test('copied together with it, is limited by the copy', () => {
    const effect = limit(two(), 1, 0);
    const made = new Map<ObjectId, ObjectId>();
    let n = 0;
    const copy = duplicateObjects(effect, [id(0), id(1)], (p) => `${p}_copy${n++}`, 'none', made);
    const after = applyEdit(effect, copy).effect;
    expect(after.objects[made.get(id(1))!]).toMatchObject({ maskedBy: made.get(id(0)) });
  });
});

test('regions that make-up is put on in order', () =>
  expect(regionRank('lips')).toBeGreaterThan(regionRank('lids')));
