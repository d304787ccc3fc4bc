/** A card becomes a face layer and a face layer a card: name, look and cues stay. */
import { expect, test } from '@jest/globals';
import { applyEdit } from '../document/edit';
import { blankEffect } from '../document/defaults';
import { sampleAsset } from '../document/sample';
import { effectSchema, type Effect, type EffectObject, type ObjectId } from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newGroup } from '../kinds/objects/group';
import { newLayer } from '../kinds/objects/layer';
import { headAnchor } from '../kinds/objects/placed';
import { asCard, asFaceLayer, canBecome } from './become';

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
    order: 3,
  });
  const back = applyEdit(layered, asCard(layered, ID, headAnchor('forehead', 2))).effect;
  expect(effectSchema.parse(back)).toEqual(back);
  expect(back.objects[ID]).toMatchObject({
    kind: 'card',
    name: 'Scales',
    opacity: 0.4,
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
  expect(canBecome(before, before.objects[ID]!)).toBe(false);
  expect(applyEdit(before, asCard(before, ID, headAnchor('chin'))).effect).toEqual(before);
});
