/** A card becomes a face layer and a face layer a card: name, look and cues stay. */
import { describe, expect, test } from '@jest/globals';
import { applyEdit } from '../document/edit';
import { blankEffect } from '../document/defaults';
import { sampleAsset } from '../document/sample';
import { sampleModel } from '../document/sample-assets';
import {
  effectSchema,
  type Effect,
  type EffectObject,
  type MaterialId,
  type ObjectId,
} from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newCutout } from '../kinds/objects/cutout';
import { newGroup } from '../kinds/objects/group';
import { packMoves } from '../face/morph/packed-moves';
import { newLayer } from '../kinds/objects/layer';
import { newModel } from '../kinds/objects/model';
import { newMorph } from '../kinds/objects/morph';
import { newPart } from '../kinds/objects/part';
import { headAnchor } from '../kinds/objects/placed';
import { restMatrix, restOf } from '../placing/rest';
import { asCard, asFaceLayer, asFaceShape, asModel, onFaceAs } from './become';

type Triple = [number, number, number];
const ID = 'obj_scale' as ObjectId;
const asset = sampleAsset(1);
const with_ = (...objects: EffectObject[]): Effect => ({
  ...blankEffect(''),
  assets: { [asset.id]: asset },
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const card = {
  ...newCard(ID, asset, 3, headAnchor('noseTip', 2)),
  name: 'Scales',
  opacity: 0.4,
  tint: '#102030',
  blend: 'screen' as const,
  material: 'mat_scales' as MaterialId,
};

test('there, on the same face, and back again', () => {
  const before = with_(card);
  const layered = applyEdit(before, asFaceLayer(before, ID)).effect;
  expect(effectSchema.parse(layered)).toEqual(layered);
  expect(layered.objects[ID]).toMatchObject({
    kind: 'layer',
    asset: asset.id,
    region: 'face',
    anchor: { kind: 'skin', face: 2 },
    name: 'Scales',
    opacity: 0.4,
    tint: '#102030',
    blend: 'screen',
    material: 'mat_scales',
    order: 3,
  });
  const back = applyEdit(layered, asCard(layered, ID, headAnchor('forehead', 2))).effect;
  expect(effectSchema.parse(back)).toEqual(back);
  expect(back.objects[ID]).toMatchObject({
    kind: 'card',
    name: 'Scales',
    opacity: 0.4,
    material: 'mat_scales',
    anchor: { point: 'forehead' },
  });
});
test('out of a group it is its own', () => {
  const group = newGroup('obj_group' as ObjectId, 'Fish', 0, headAnchor('chin', 3));
  const before = with_(group, { ...card, parent: group.id });
  const { objects } = applyEdit(before, asFaceLayer(before, ID)).effect;
  expect(objects[ID]).toMatchObject({ parent: null, anchor: { kind: 'skin', face: 3 } });
});
test('a layer of plain colour stays what it is', () => {
  const before = with_(newLayer(ID, { region: 'lips' }, 0));
  expect(onFaceAs(before, before.objects[ID]!)).toBeNull();
  expect(applyEdit(before, asCard(before, ID, headAnchor('chin'))).effect).toEqual(before);
});

describe('a model', () => {
  const shell = sampleModel(2);
  const mesh = {
    asset: shell.id,
    file: shell.files[0]!.sha256,
    moves: packMoves(new Float32Array(3 * 468)),
    error: 0.01,
    by: 'layout',
  } as const;
  const placed = { ...newModel(ID, shell, 3, headAnchor('noseTip', 2)), name: 'Masque', opacity: 0.6 };
  const effect: Effect = { ...with_(placed), assets: { [shell.id]: shell } };

  test('becomes the shape of its face, and a model again', () => {
    expect(onFaceAs(effect, placed)).toBe('shape');
    const shaped = applyEdit(effect, asFaceShape(effect, ID, mesh)).effect;
    expect(effectSchema.parse(shaped)).toEqual(shaped);
    expect(shaped.objects[ID]).toMatchObject({
      kind: 'morph',
      mesh,
      anchor: { kind: 'skin', face: 2 },
      name: 'Masque',
      opacity: 0.6,
      order: 3,
    });
    expect(onFaceAs(shaped, shaped.objects[ID]!)).toBe('shape');
    const back = applyEdit(shaped, asModel(shaped, ID, headAnchor('chin', 2))).effect;
    expect(effectSchema.parse(back)).toEqual(back);
    expect(back.objects[ID]).toMatchObject({
      kind: 'model',
      asset: shell.id,
      name: 'Masque',
      opacity: 0.6,
      anchor: { kind: 'head', point: 'chin' },
    });
  });
  test('whose parts are set apart stays what it is', () => {
    const lid = newPart('obj_lid' as ObjectId, placed, 1, shell.tree!, 4);
    const parted = { ...effect, objects: { ...effect.objects, [lid.id]: lid } };
    expect(onFaceAs(parted, placed)).toBeNull();
    expect(applyEdit(parted, asFaceShape(parted, ID, mesh)).effect).toEqual(parted);
  });
  test('a face shaped by sliders alone is no model', () => {
    const morph = newMorph(ID, 0);
    const shaped = with_(morph);
    expect(onFaceAs(shaped, morph)).toBeNull();
    expect(applyEdit(shaped, asModel(shaped, ID, headAnchor('chin'))).effect).toEqual(shaped);
  });
});

test('what lay on it stays where it was seen, and lies on nothing any more', () => {
  const eye = {
    ...newCutout('obj_eye' as ObjectId, 'leftEye', 0),
    parent: ID,
    move: [0.02, 0.01, 0.0015] as Triple,
  };
  const turned = { ...card, turn: [0, 20, 0] as Triple, scale: [2, 2, 2] as Triple };
  const before = with_(turned, eye);
  const after = applyEdit(before, asFaceLayer(before, ID)).effect;
  expect(after.objects[eye.id]).toMatchObject({ parent: null, anchor: card.anchor });
  const seen = (effect: Effect) => restMatrix(restOf(effect), eye.id);
  seen(after).forEach((x, i) => expect(x).toBeCloseTo(seen(before)[i]!, 6));

  const model = newModel(ID, sampleModel(2), 0);
  const worn = { ...with_(model, eye), assets: { [model.asset]: sampleModel(2) } };
  expect(onFaceAs(worn, model)).toBe('shape');
});
