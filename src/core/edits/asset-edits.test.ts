import { describe, expect, test } from '@jest/globals';
import { newPicture } from '../document/defaults';
import { newModel } from '../kinds/objects/model';
import { applyEdit } from '../document/edit';
import { cutSheet, removeAssets, removeAssetsAndObjects, replaceAsset, showInstead } from './asset-edits';
import { History } from '../document/history';
import { assetBytes, isPreparable } from '../document/queries';
import { sampleAsset, sampleEffect, sampleFile } from '../document/sample';
import { sampleAssets, sampleModel, sampleSequence } from '../document/sample-assets';
import {
  assetSchema,
  type Card,
  type Effect,
  type LayerPlace,
  type ObjectId,
  type PictureAsset,
} from '../document/schema';

describe('assets', () => {
  const layer = (left: number, top: number, width: number, height: number): LayerPlace => ({
    canvas: [400, 400],
    left,
    top,
    width,
    height,
  });
  const withCard = (place: LayerPlace | null): { effect: Effect; asset: PictureAsset } => {
    const asset = {
      ...sampleAsset(0),
      width: place?.width ?? 400,
      height: place?.height ?? 200,
      layer: place,
    };
    const effect = sampleEffect(1, 0);
    effect.assets[asset.id] = asset;
    Object.assign(effect.objects['obj_sample0' as ObjectId]!, {
      extent: [0.1, (0.1 * asset.height) / asset.width],
      move: [0.01, 0.02, 0.03],
      scale: [2, 2, 1],
    });
    return { effect, asset };
  };
  const cardOf = (effect: Effect) => effect.objects['obj_sample0' as ObjectId] as Card;

  test('replaced: a picture of other proportions keeps the width of its cards, and everything else', () => {
    const { effect, asset } = withCard(null);
    const next = { ...newPicture(asset.id, 'new.png', sampleFile(77), 300, 300) };
    const after = applyEdit(effect, replaceAsset(effect, next)).effect;
    expect(cardOf(after)).toMatchObject({ extent: [0.1, 0.1], move: [0.01, 0.02, 0.03], scale: [2, 2, 1] });
    expect(after.assets[asset.id]!.files[0]).toEqual(sampleFile(77));
  });
  test('replaced: a layer that grew and shifted on its canvas does so on the face', () => {
    const { effect, asset } = withCard(layer(100, 100, 100, 50));
    const next = { ...asset, width: 200, height: 50, layer: layer(100, 120, 200, 50) };
    const card = cardOf(applyEdit(effect, replaceAsset(effect, next)).effect);
    // A millimetre a pixel, twice as large: the middle went 50 pixels right and 20 down.
    expect(card.extent[0]).toBeCloseTo(0.2, 9);
    expect(card.extent[1]).toBeCloseTo(0.05, 9);
    expect(card.move[0]).toBeCloseTo(0.01 + 0.1, 9);
    expect(card.move[1]).toBeCloseTo(0.02 - 0.04, 9);
    const same = cardOf(applyEdit(effect, replaceAsset(effect, { ...asset, files: [sampleFile(9)] })).effect);
    expect(same).toEqual(cardOf(effect));
  });
  test('deleted: the icon is let go, objects stay or go along; one undo brings all back', () => {
    const { effect, asset } = withCard(null);
    effect.listing.icon = asset.id;
    const history = new History(effect);
    history.edit(removeAssets(effect, [asset.id]));
    expect(history.effect.listing.icon).toBeNull();
    expect(Object.keys(history.effect.objects)).toHaveLength(1);
    history.undo();
    history.edit(removeAssetsAndObjects(history.effect, [asset.id]));
    expect(Object.keys(history.effect.objects)).toHaveLength(0);
    history.undo();
    expect(history.effect).toEqual(effect);
  });
  test('shown instead: only by objects that can', () => {
    const { effect, asset } = withCard(null);
    const model = sampleModel(1);
    const id = 'obj_model' as ObjectId;
    effect.assets[model.id] = model;
    effect.objects[id] = newModel(id, model, 3);
    const other = { ...sampleAsset(5), height: 400 };
    effect.assets[other.id] = other;
    const after = applyEdit(effect, showInstead(effect, asset.id, other)).effect;
    expect(cardOf(after)).toMatchObject({ asset: other.id, extent: [0.1, 0.1] });
    const not = applyEdit(effect, showInstead(effect, model.id, other)).effect;
    expect(not.objects[id]).toEqual(effect.objects[id]);
  });
  test('a sheet that was cut: its card shows the frames in place of the whole; one undo gives it back', () => {
    const { effect, asset } = withCard(null);
    const history = new History(effect);
    history.edit(cutSheet(effect, asset.id, sampleSequence(3)));
    // As wide as before, in the proportions of a frame.
    expect(cardOf(history.effect)).toMatchObject({ asset: sampleSequence(3).id, extent: [0.1, 0.08] });
    expect(Object.keys(history.effect.assets)).toContain(asset.id);
    history.undo();
    expect(history.effect).toEqual(effect);
  });
  test('a model whose clip is gone plays the first one that is there', () => {
    const model = { ...sampleModel(1), clips: [{ name: 'Swim', duration: 2 }] };
    const id = 'obj_model' as ObjectId;
    const effect = sampleEffect(0, 0);
    effect.assets[model.id] = model;
    effect.objects[id] = newModel(id, model, 0);
    const next = { ...model, clips: [{ name: 'Rest', duration: 1 }] };
    expect(applyEdit(effect, replaceAsset(effect, next)).effect.objects[id]).toMatchObject({
      clip: 'Rest',
    });
  });
  test('what can be made lighter: everything but videos, tables and fonts', () => {
    const kinds = sampleAssets()
      .filter(isPreparable)
      .map((a) => a.kind);
    expect(kinds).toEqual(['picture', 'sequence', 'model', 'sound', 'surroundings']);
  });
  test('every kind is part of the schema, and counts its files', () => {
    expect(assetSchema.safeParse(sampleModel(3)).success).toBe(true);
    expect(assetBytes({ files: [sampleFile(1), sampleFile(2)] })).toBe(2003);
    expect(assetSchema.safeParse({ ...sampleModel(3), files: [] }).success).toBe(false);
  });
});
