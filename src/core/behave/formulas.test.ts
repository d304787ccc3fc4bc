/** Formulas in an effect that runs: read like other signals, written into a number like other drives. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { changed } from '../document/edit';
import { newVariable } from '../document/new-cues';
import { effectSchema, type DriveId, type Effect, type ObjectId, type VariableId } from '../document/schema';
import { formulaAt, putFormula } from '../edits/formula-edits';
import { removeObject } from '../edits/object-edits';
import type { Formula } from '../kinds/signals/formula';
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
const withFormula = (formula: Formula, place = MOVE, effect = plain): Effect =>
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
