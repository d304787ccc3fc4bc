/** Another thing in the place of one that is there: place, size, touch and cues stay. */
import { describe, expect, test } from '@jest/globals';
import { applyEdit } from '../document/edit';
import { blankEffect } from '../document/defaults';
import { sampleAsset } from '../document/sample';
import { sampleModel } from '../document/sample-assets';
import {
  effectSchema,
  type Anchor,
  type Asset,
  type AssetId,
  type Effect,
  type EffectObject,
  type ModelAsset,
  type ObjectId,
} from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newModel } from '../kinds/objects/model';
import { newText } from '../kinds/objects/text';
import { transformPoint } from '../maths/matrix';
import { HANDLED } from '../placing/handled';
import { localMatrix } from '../placing/local';
import { boxOf } from '../placing/bounds';
import { showOn, standInKinds } from './show-on';

const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const ID = 'obj_buoy' as ObjectId;
const modelAsset = (name: string, low: ModelAsset['low'], high: ModelAsset['high']): ModelAsset => ({
  ...sampleModel(1),
  id: `asset_${name}` as AssetId,
  name: `${name}.glb`,
  low,
  high,
});
const SMALL = modelAsset('small', [-0.1, 0, -0.1], [0.1, 0.4, 0.1]);
/** A hundred times too large, and off its origin. */
const HUGE = modelAsset('huge', [5, 10, -10], [25, 50, 10]);

const effectWith = (object: EffectObject, ...assets: Asset[]): Effect => ({
  ...blankEffect(''),
  assets: Object.fromEntries(assets.map((a) => [a.id, a])),
  objects: { [object.id]: object },
});
const shown = (effect: Effect, to: Asset): Effect => {
  const before = { ...effect, assets: { ...effect.assets, [to.id]: to } };
  return effectSchema.parse(applyEdit(before, showOn(before, ID, to)).effect) as Effect;
};
/** Where the middle of its foot stands, and how long it is. */
const stands = (effect: Effect) => {
  const object = effect.objects[ID]!;
  const { low, high } = boxOf(effect, object)!;
  return {
    foot: transformPoint(localMatrix(object, object.pivot), [
      (low[0] + high[0]) / 2,
      low[1],
      (low[2] + high[2]) / 2,
    ]).map((x) => Number(x.toFixed(9))),
    length: Math.max(...high.map((h, k) => (h - low[k]!) * object.scale[k]!)),
  };
};

describe('showing another thing', () => {
  const model = {
    ...newModel(ID, SMALL, 0, FLOOR),
    move: [0.2, 0.1, -0.9] as [number, number, number],
    turn: [0, 30, 0] as [number, number, number],
    scale: [2, 2, 2] as [number, number, number],
    byViewer: HANDLED,
  };
  test('a model a hundred times as large stands on the same spot, as large as the one before', () => {
    const before = effectWith(model, SMALL);
    const after = shown(before, HUGE);
    expect(after.objects[ID]).toMatchObject({ asset: HUGE.id, name: 'small', byViewer: HANDLED });
    expect(stands(after).length).toBeCloseTo(stands(before).length, 9);
    stands(after).foot.forEach((x, k) => expect(x).toBeCloseTo(stands(before).foot[k]!, 6));
  });
  test('one that turns about a pivot of its own does too', () => {
    const before = effectWith({ ...model, pivot: [0.05, 0.3, 0] }, SMALL);
    const after = shown(before, HUGE);
    stands(after).foot.forEach((x, k) => expect(x).toBeCloseTo(stands(before).foot[k]!, 6));
  });
  test('a sample takes over the name of what replaces it, and is none any more', () => {
    const after = shown(effectWith({ ...model, sample: true }, SMALL), HUGE);
    expect(after.objects[ID]).toMatchObject({ name: 'huge', sample: false });
  });
  test('a sample of a model may become a card: same id, place, anchor, touch, and as long', () => {
    const picture = sampleAsset(4);
    const before = effectWith({ ...model, sample: true }, SMALL);
    const after = shown(before, picture);
    const { id, anchor, turn, byViewer, kind } = after.objects[ID]!;
    expect({ id, anchor, turn, byViewer, kind }).toEqual({
      id: ID,
      anchor: FLOOR,
      turn: model.turn,
      byViewer: HANDLED,
      kind: 'card',
    });
    expect(stands(after).length).toBeCloseTo(stands(before).length, 9);
  });
  test('what is no sample keeps its kind; a picture changes nothing of a model', () => {
    const before = effectWith(model, SMALL);
    expect(shown(before, sampleAsset(4)).objects).toEqual(before.objects);
  });
  test('a card keeps its width', () => {
    const wide = { ...sampleAsset(1), width: 400, height: 100 };
    const card = newCard(ID, wide, 0);
    const tall = { ...sampleAsset(2), width: 100, height: 300 };
    const { extent } = shown(effectWith(card, wide), tall).objects[ID] as typeof card;
    expect(extent[0]).toBeCloseTo(card.extent[0], 12);
    expect(extent[1]).toBeCloseTo(card.extent[0] * 3, 12);
  });
  test('a text takes typefaces alone', () =>
    expect(standInKinds({ ...newText(ID, 'Low tide', 0), sample: true })).toEqual(['font']));
});
