/** Formulas in an effect that runs: read like other signals, written into a number like other drives. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changed } from '../document/edit';
import { newVariable } from '../document/new-cues';
import { effectSchema, type DriveId, type Effect, type ObjectId, type VariableId } from '../document/schema';
import {
  formulaAt,
  formulaPlace,
  putFormula,
  sharedPlace,
  sizePlace,
  type FormulaPlace,
} from '../edits/formula-edits';
import { removeObject } from '../edits/object-edits';
import type { Formula } from '../kinds/signals/formula';
import { FOREHEAD } from '../kinds/objects/placed';
import { newText } from '../kinds/objects/text';
import { requirementsOf } from '../requirements/requirements';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { CARD, card, effectOf, faceWith, NOBODY_THERE, pass } from './testing';

const ID = 'drive_formula' as DriveId;
const SCORE = 'var_score' as VariableId;
const MOVE = { objects: [CARD], property: 'moveX' };
const JAW = { jawOpen: { kind: 'expression', face: 1, name: 'jawOpen' } } as const;
const TIME = { time: { kind: 'time' } } as const;
const plain = effectOf([], [card()], {
  variables: { [SCORE]: newVariable(SCORE, 'Score', 0) } as Effect['variables'],
});
const withFormula = (formula: Formula, place: FormulaPlace = MOVE, effect = plain): Effect =>
  changed(effect, putFormula(effect, place, formula, ID));
const running = (effect: Effect): Runtime => new Runtime(compile(effect));

describe('a formula in a number field', () => {
  test('writes what it gives in the unit of the field, beyond the ends too, in every step', () => {
    const effect = withFormula({ text: 'time * 3', inputs: TIME });
    expect(effectSchema.safeParse(effect).error).toBeUndefined();
    expect(pass(running(effect), 4).move[0]).toBeCloseTo(0.12, 2);
    const turn = withFormula({ text: '90 + 360 * jawOpen', inputs: JAW }, { ...MOVE, property: 'turnZ' });
    const runtime = running(turn);
    runtime.step(faceWith({ jawOpen: 0.5 }));
    expect(runtime.values(0).turn[2]).toBeCloseTo(270, 6);
  });
  test('stays as it was while something it reads has no value', () => {
    const runtime = running(withFormula({ text: 'jawOpen * 10', inputs: JAW }));
    runtime.step(faceWith({ jawOpen: 0.5 }));
    runtime.step(NOBODY_THERE);
    expect(runtime.values(0).move[0]).toBeCloseTo(0.05, 9);
  });
  test('one that cannot be worked out leaves the number alone', () => {
    const effect = withFormula({ text: 'nothing +', inputs: {} });
    expect(pass(running(effect), 0.2).move[0]).toBe(0);
  });
  test('restored at any step it goes on as it would have', () => {
    const effect = withFormula({ text: 'sin(time * 2) * jawOpen * 5', inputs: { ...TIME, ...JAW } });
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 30 }),
        (jaws) => {
          const runtime = running(effect);
          const seen = jaws.map((jawOpen) => {
            const before = runtime.save();
            runtime.step(faceWith({ jawOpen }));
            return { before, at: runtime.values(0).move[0], jawOpen };
          });
          const other = running(effect);
          for (const { before, at, jawOpen } of [...seen].reverse()) {
            other.restore(before);
            other.step(faceWith({ jawOpen }));
            expect(other.values(0).move[0]).toBe(at);
          }
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe('sizes, pivots and several objects', () => {
  const wide = card(CARD, { scale: [2, 2, 1] });
  const OTHER = 'obj_other' as ObjectId;
  const two = effectOf([], [wide, card(OTHER, { turn: [0, 0, 10] })], {});
  const CARD_WIDTH = 0.12;
  const jawAt = (effect: Effect, jawOpen = 0.5): Runtime => {
    const runtime = running(effect);
    runtime.step(faceWith({ jawOpen }));
    return runtime;
  };
  test('a width in centimetres, the height along with it or not', () => {
    const formula = { text: '24 + 12 * jawOpen', inputs: JAW };
    // 30 cm of a picture that is 12 cm wide at its size of 1.
    const together = withFormula(formula, sizePlace([wide], 0, CARD_WIDTH, true), two);
    expect(jawAt(together).values(0).scale).toEqual([
      expect.closeTo(2.5, 9),
      expect.closeTo(2.5, 9),
      expect.closeTo(1.25, 9),
    ]);
    const alone = withFormula(formula, sizePlace([wide], 0, CARD_WIDTH, false), two);
    expect(jawAt(alone).values(0).scale).toEqual([expect.closeTo(2.5, 9), 2, 1]);
    const inMetres = withFormula(
      { text: '0.3 m * jawOpen', inputs: JAW },
      sizePlace([wide], 1, CARD_WIDTH, false),
      two,
    );
    expect(jawAt(inMetres, 1).values(0).scale[1]).toBeCloseTo(2.5, 9);
    expect(formulaAt(alone, sizePlace([wide], 0, CARD_WIDTH, false))?.signal.text).toBe(formula.text);
    expect(formulaAt(alone, sizePlace([wide], 1, CARD_WIDTH, false))).toBeNull();
  });
  test('what is mirrored stays mirrored', () => {
    const mirrored = card(CARD, { scale: [-2, 2, 1] });
    const effect = effectOf([], [mirrored]);
    const formula = { text: '12 + 12 * jawOpen', inputs: JAW };
    for (const together of [true, false]) {
      const sized = withFormula(formula, sizePlace([mirrored], 0, CARD_WIDTH, together), effect);
      expect(jawAt(sized, 1).values(0).scale[0]).toBeCloseTo(-2, 9);
      expect(jawAt(sized, 1).values(0).scale[1]).toBeCloseTo(2, 9);
    }
  });
  test('a size in per cent, of all that are selected', () => {
    const objects = Object.values(two.objects);
    const effect = withFormula(
      { text: '50 % + jawOpen', inputs: JAW },
      sizePlace(objects, 1, null, false),
      two,
    );
    const runtime = jawAt(effect);
    for (const i of [0, 1]) expect(runtime.values(i).scale[1]).toBeCloseTo(1, 9);
  });
  test('one number of several objects; none where one of them has no such number', () => {
    const objects = Object.values(two.objects);
    const effect = withFormula({ text: '90 * jawOpen', inputs: JAW }, sharedPlace(objects, 'turn.2')!, two);
    const runtime = jawAt(effect);
    expect([0, 1].map((i) => runtime.values(i).turn[2])).toEqual([45, 45]);
    expect(sharedPlace([...objects, newText('obj_text' as ObjectId, 'Tide', 0, FOREHEAD)], 'arc')).toBeNull();
  });
  test('a pivot: it is turned about another point', () => {
    const turned = effectOf(
      [],
      [card(CARD, { turn: [0, 0, 90], anchor: { kind: 'screen', pin: 'centre' } })],
    );
    const at = (effect: Effect): readonly number[] => {
      const runtime = jawAt(effect, 1);
      return runtime
        .places()[0]!
        .places[0]!.matrix.slice(12, 15)
        .map((x) => Math.round(x * 1e6) / 1e6 + 0);
    };
    expect(at(turned)).toEqual([0, 0, 0]);
    const place = formulaPlace(turned.objects[CARD]!, 'pivot.0')!;
    const moved = withFormula({ text: '2 cm * jawOpen', inputs: JAW }, place, turned);
    expect(effectSchema.safeParse(moved).error).toBeUndefined();
    // Two centimetres to the right are up, once turned by 90 degrees, and the pivot comes to lie in the middle.
    expect(at(moved)).toEqual([0, -0.02, 0]);
  });
});

describe('in the document', () => {
  const first = withFormula({ text: 'jawOpen', inputs: JAW });
  test('writing another takes the place of the first: same drive, same place among the drives', () => {
    const again = changed(
      first,
      putFormula(first, MOVE, { text: '2', inputs: {} }, 'drive_other' as DriveId),
    );
    expect(Object.keys(again.drives)).toEqual([ID]);
    expect(formulaAt(again, MOVE)?.signal).toEqual({
      kind: 'formula',
      text: '2',
      inputs: {},
      unit: 'centimetres',
    });
    expect(formulaAt(again, { ...MOVE, property: 'moveY' })).toBeNull();
    expect(formulaAt(again, { ...MOVE, objects: [] })).toBeNull();
  });
  test('what it reads is asked of the camera', () => {
    const onScreen = effectOf([], [card(CARD, { anchor: { kind: 'screen', pin: 'centre' } } as never)]);
    expect(requirementsOf(onScreen).faces).toBe(false);
    expect(requirementsOf(withFormula({ text: 'jawOpen', inputs: JAW }, MOVE, onScreen)).faces).toBe(true);
  });
  test('an object that it reads may go: then it has no value', () => {
    const other = card('obj_other' as ObjectId, { opacity: 0.5 });
    const effect = withFormula(
      {
        text: 'otherOpacity * 10',
        inputs: { otherOpacity: { kind: 'object', object: other.id, of: 'opacity' } },
      },
      MOVE,
      { ...plain, objects: { ...plain.objects, [other.id]: other } },
    );
    expect(pass(running(effect), 0.1).move[0]).toBeCloseTo(0.05, 9);
    const without = changed(effect, removeObject(effect, other.id));
    expect(pass(running(without), 0.1).move[0]).toBe(0);
  });
});
