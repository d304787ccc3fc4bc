import { describe, expect, test } from '@jest/globals';
import { partExtent } from '../face/cutout';
import { blankEffect } from '../document/defaults';
import { changeCutout, cutoutAfter } from './cutout-edits';
import { newCutout } from '../kinds/objects/cutout';
import { effectSchema, type Effect, type ObjectId } from '../document/schema';

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
