import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newCutout } from './objects/cutout';
import { newMorph } from './objects/morph';
import { headAnchor } from './objects/placed';
import { newFill } from './objects/fill';
import { newFountain } from './objects/fountain';
import { newGroup } from './objects/group';
import { newLight } from './objects/light';
import { newLive } from './objects/live';
import { newShadowCatcher } from './objects/shadow-catcher';
import { newSolid } from './objects/solid';
import { newSound } from './objects/sound';
import { newText } from './objects/text';
import { blankEffect } from '../document/defaults';
import { objectSchema } from './objects/objects';
import type { EffectObject, ObjectId } from '../document/schema';
import { firstValues } from '../program/first-values';
import { numbersOf, offeredNumbers, readNumber, withNumbers, writeNumber } from './numbers';
import { objectAs, ObjectsNow } from '../program/object-now';
import { CARD, card } from '../behave/testing';

const CROWN = headAnchor('crown');
const SCREEN = { kind: 'screen', pin: 'centre' } as const;
const id = 'obj_number' as ObjectId;
const objects: readonly EffectObject[] = [
  card(CARD),
  newText(id, 'Tide', 0, CROWN),
  newSolid(id, 'box', 0, CROWN),
  newLight(id, 'point', 0, CROWN),
  newFill(id, 0, SCREEN),
  newLive(id, 'whole', 0, SCREEN, 0),
  newGroup(id, 'G', 0, CROWN),
  newShadowCatcher(id, 0, { kind: 'world', surface: 'floor' }),
  newMorph(id, 0),
  newCutout(id, 'mouth', 0),
  newFountain(id, 0, CROWN),
  { ...newFountain(id, 0, SCREEN), area: { kind: 'box', size: [0.1, 0.2, 0.3] }, floor: 0.5, face: 0.4 },
  newSound(id, null, 0, CROWN),
];
const fresh = (object: EffectObject) => firstValues(blankEffect('N'), object);

describe.each(objects.map((o) => [o.kind, o] as const))('the numbers of a %s', (_, object) => {
  const paths = Object.keys(numbersOf(object));
  test('are read as they were written, within their bounds, and nothing else changes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...paths),
        fc.double({ min: -2e6, max: 2e6, noNaN: true }),
        (path, wanted) => {
          const values = fresh(object);
          const before = Object.fromEntries(paths.map((p) => [p, readNumber(object, values, p)]));
          writeNumber(object, values, path, wanted);
          const [low, high] = numbersOf(object)[path]!;
          const read = readNumber(object, values, path)!;
          if (path === 'visible') expect([0, 1]).toContain(read);
          else expect(read).toBeCloseTo(Math.min(high, Math.max(low, wanted)), 6);
          // Sizes are of one scale.
          const isSize = (p: string): boolean => /^(size|scale)/.test(p);
          for (const p of paths)
            if (p !== path && !(isSize(p) && isSize(path)))
              expect(readNumber(object, values, p)).toBe(before[p]);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('laid over the object it is still one that the document could hold', () => {
    for (const path of paths)
      for (const to of numbersOf(object)[path]!) {
        const values = fresh(object);
        writeNumber(object, values, path, to);
        const now = objectAs(object, values);
        expect(objectSchema.safeParse(now).error).toBeUndefined();
        if (values.numbers) expect(now).not.toBe(object);
      }
  });
});

describe('sizes', () => {
  const box = { ...newSolid(id, 'box', 0, CROWN), scale: [2, 4, -1] } as EffectObject;
  const scaled = (path: string, to: number): readonly number[] => {
    const values = fresh(box);
    writeNumber(box, values, path, to);
    return values.scale;
  };
  test('along one axis the others stay; sized by one they go along', () => {
    expect(scaled('scaleY', 3)).toEqual([2, 3, -1]);
    expect(scaled('sizedByY', 8)).toEqual([4, 8, -2]);
    expect(scaled('size', 0.5)).toEqual([1, 2, -0.5]);
    const flat = { ...box, scale: [2, 0, 1] } as EffectObject;
    const values = fresh(flat);
    writeNumber(flat, values, 'sizedByY', 3);
    expect(values.scale).toEqual([2, 3, 1]);
  });
  test('what only fields use is not offered', () => {
    expect(offeredNumbers(box)).toContain('scaleX');
    expect(offeredNumbers(box).filter((path) => path.startsWith('sizedBy'))).toEqual([]);
  });
});

describe('numbers that are none', () => {
  test('an unknown name or what is no number changes nothing', () => {
    const values = fresh(objects[1]!);
    const before = JSON.stringify(values);
    writeNumber(objects[1]!, values, 'nothing', 1);
    writeNumber(objects[1]!, values, '__proto__', 1);
    writeNumber(objects[1]!, values, 'arc', NaN);
    expect(JSON.stringify(values)).toBe(before);
    expect(readNumber(objects[1]!, values, 'nothing')).toBeNull();
    expect(withNumbers(objects[1]!, { nothing: 5 })).toBe(objects[1]);
  });
  test('the same object is given again as long as nothing of it changes', () => {
    const kept = new ObjectsNow();
    const [, text] = objects;
    const values = fresh(text!);
    expect(kept.at(0, text!, values)).toBe(text);
    writeNumber(text!, values, 'arc', 90);
    const now = kept.at(0, text!, values);
    expect(now).toMatchObject({ arc: 90 });
    expect(kept.at(0, text!, values)).toBe(now);
    writeNumber(text!, values, 'arc', 90);
    expect(kept.at(0, text!, values)).toBe(now);
    writeNumber(text!, values, 'arc', 91);
    expect(kept.at(0, text!, values)).toMatchObject({ arc: 91 });
  });
  test('every kind that the schema knows has numbers of its own or those that all have', () => {
    for (const object of objects) expect(Object.keys(numbersOf(object))).toContain('moveX');
  });
});
