import { describe, expect, test } from '@jest/globals';
import { partExtent } from '../face/cutout';
import { blankEffect } from '../document/defaults';
import { changed } from '../document/edit';
import { coveringOrder, stackOrder } from '../document/queries';
import { sampleAsset } from '../document/sample';
import { newCard } from '../kinds/objects/card';
import { newCutout } from '../kinds/objects/cutout';
import { headAnchor } from '../kinds/objects/placed';
import { newText } from '../kinds/objects/text';
import { invertMatrix, multiplyMatrices, positionOf, transformPoint } from '../maths/matrix';
import { restMatrix, restOf } from '../placing/rest';
import { compile } from '../program/program';
import { effectSchema, type Cutout, type Effect, type ObjectId } from '../document/schema';
import { addedOn, changeCutout, cutoutAfter, layCutoutOn, thingsUnder, thingUnder } from './cutout-edits';

const id = 'obj_cutout' as ObjectId;
const mouth = newCutout(id, 'mouth', 0);

describe('a cutout that is changed', () => {
  test('is as large on the face as it is there, whatever its part and its edge', () => {
    expect(mouth.extent).toEqual(partExtent('mouth', mouth.outer));
    for (const change of [{ part: 'face' }, { outer: 0.03 }, { part: 'leftEye', outer: 0 }] as const) {
      const next = cutoutAfter(mouth, change);
      const own = partExtent(next.part, next.outer);
      expect(next.extent[0]).toBeCloseTo(own[0], 9);
      expect(next.extent[1]).toBeCloseTo(own[1], 9);
    }
  });

  test('stays as much larger as it was', () => {
    const large = { ...mouth, extent: [3 * mouth.extent[0], 3 * mouth.extent[1]] as [number, number] };
    const next = cutoutAfter(large, { part: 'nose', outer: 0.004 });
    expect(next.extent[0] / partExtent('nose', 0.004)[0]).toBeCloseTo(3, 9);
  });

  test('in the document, and undone by the edit before it', () => {
    const effect: Effect = { ...blankEffect('Cut'), objects: { [id]: mouth } };
    const draft = structuredClone(effect);
    changeCutout(effect, id, { part: 'nose', inner: 0.005 }).change(draft as never);
    expect(draft.objects[id]).toMatchObject({ part: 'nose', inner: 0.005 });
    expect(() => effectSchema.parse(draft)).not.toThrow();
  });
});

describe('a cutout that lies on a thing', () => {
  const card = {
    ...newCard('obj_card' as ObjectId, sampleAsset(1), 1, headAnchor('noseTip')),
    scale: [2, 2, 2] as [number, number, number],
    turn: [0, 20, 0] as [number, number, number],
  };
  const eye = newCutout(id, 'leftEye', 0);
  const before: Effect = {
    ...blankEffect('Fish'),
    assets: { [card.asset]: sampleAsset(1) },
    objects: { [id]: eye, [card.id]: card },
  };
  const on = changed(before, layCutoutOn(before, id, card.id));
  const at = (effect: Effect, of: ObjectId) => restMatrix(restOf(effect), of);

  test('hangs in it and lies in its plane, where it was seen from the front', () => {
    expect(thingUnder(on, on.objects[id] as Cutout)!.id).toBe(card.id);
    const [was, is] = [positionOf(at(before, id)), positionOf(at(on, id))];
    expect(is[0]).toBeCloseTo(was[0], 4);
    expect(is[1]).toBeCloseTo(was[1], 4);
    // A millimetre and a half before the card, whatever size that is.
    const local = transformPoint(invertMatrix(at(on, card.id))!, is);
    expect(2 * local[2]).toBeCloseTo(0.0015, 6);
    expect(() => effectSchema.parse(on)).not.toThrow();
  });
  test('moves, turns and grows with it', () => {
    const held = multiplyMatrices(invertMatrix(at(on, card.id))!, at(on, id));
    const moved: Effect = {
      ...on,
      objects: { ...on.objects, [card.id]: { ...card, move: [0.05, 0.02, 0.04], turn: [10, -30, 5] } },
    };
    multiplyMatrices(invertMatrix(at(moved, card.id))!, at(moved, id)).forEach((x, i) =>
      expect(x).toBeCloseTo(held[i]!, 6),
    );
    expect(positionOf(at(moved, id))).not.toEqual(positionOf(at(on, id)));
  });
  test('lies over it, though the Stack shows it below', () => {
    expect(stackOrder(on).map((o) => o.id)).toEqual([card.id, id]);
    expect(coveringOrder(on).map((o) => o.id)).toEqual([id, card.id]);
    const { objects, covering } = compile(on);
    expect(objects.map((o, i) => [o.id, covering[i]])).toEqual([
      [card.id, 1],
      [id, 0],
    ]);
  });
  test('taken off it is where the part is on the face', () => {
    const off = changed(on, layCutoutOn(on, id, null));
    expect(off.objects[id]).toMatchObject({
      parent: null,
      anchor: eye.anchor,
      move: eye.move,
      turn: eye.turn,
    });
  });
  test('is offered what holds things around the same face, and nothing else', () => {
    const far = newCard('obj_wall' as ObjectId, sampleAsset(1), 2, { kind: 'screen', pin: 'centre' });
    const text = newText('obj_text' as ObjectId, 'Low tide', 3);
    const more = { ...before, objects: { ...before.objects, [far.id]: far, [text.id]: text } };
    expect(thingsUnder(more, eye).map((o) => o.id)).toEqual([card.id]);
    expect(changed(more, layCutoutOn(more, id, text.id))).toBe(more);
  });
  test('a new one goes onto the card where the part is', () => {
    const nose = newCutout('obj_nose' as ObjectId, 'nose', 4);
    const placed = addedOn(before, nose, card.id);
    expect(placed.parent).toBe(card.id);
    const there = { ...before, objects: { ...before.objects, [placed.id]: placed } };
    expect(() => effectSchema.parse(there)).not.toThrow();
  });
});
