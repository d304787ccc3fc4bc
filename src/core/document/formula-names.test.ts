/** What formulas call signals, and how what is typed is bound to them. */
import { describe, expect, test } from '@jest/globals';
import { newVariable } from './new-cues';
import { boundFormula, editDistance, formulaName, formulaNames } from './formula-names';
import type { Effect, ObjectId, VariableId } from './schema';

import { card, effectOf } from '../behave/testing';
import type { Names } from '../kinds/names';
import { FormulaProblem } from '../formula/problem';

const A = 'obj_aaaa' as ObjectId;
const B = 'obj_bbbb' as ObjectId;
const SCORE = 'var_score' as VariableId;
const effect = effectOf([], [card(A, { name: 'Crab' }), card(B, { name: 'Crab' })], {
  variables: { [SCORE]: newVariable(SCORE, 'sin', 0) } as Effect['variables'],
});
/** As the atelier has them, of what is needed here. */
const named = (map: Readonly<Record<string, { readonly name: string }>>) => (id: string | null) =>
  (id !== null && map[id]?.name) || 'something';
const NAMES = new Proxy({} as Names, {
  get: (_, what) => named(effect[`${String(what)}s` as 'objects'] ?? {}),
});
const known = formulaNames(effect, NAMES);
const meant = (name: string) => known.find((one) => one.name === name)?.signal;

test.each([
  ['jaw open', 'jawOpen'],
  ['Crab distance to the viewer (m)', 'crabDistanceToTheViewer'],
  ['time (s)', 'time'],
  ['2nd Pearl', 'n2ndPearl'],
  ['Élan vital', 'élanVital'],
  ['🦀', 'n'],
])('%s is called %s', (words, name) => expect(formulaName(words)).toBe(name));

describe('the names of an effect', () => {
  test('every one is told apart, and none is that of a function', () => {
    const names = known.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    expect(meant('sin')).toBeUndefined();
    expect(meant('sin2')).toMatchObject({ kind: 'variable', variable: SCORE });
    expect(meant('jawOpen')).toMatchObject({ kind: 'expression', name: 'jawOpen', face: 1 });
    expect(meant('crabOpacity')).toMatchObject({ object: A });
    expect(meant('crabOpacity2')).toMatchObject({ object: B });
  });
});

describe('what is typed', () => {
  test('means what it is called now; once bound it stays, whatever is called so later', () => {
    const formula = boundFormula(' = sin(time) * crabOpacity2 + pi', {}, known);
    expect(formula.text).toBe('sin(time) * crabOpacity2 + pi');
    expect(formula.inputs).toEqual({
      time: { kind: 'time' },
      crabOpacity2: { kind: 'object', object: B, of: 'opacity' },
    });
    expect(boundFormula('crabOpacity2 * 2', formula.inputs, []).inputs).toEqual({
      crabOpacity2: formula.inputs['crabOpacity2'],
    });
  });
  test('names of its own need no meaning', () =>
    expect(boundFormula('a * jawOpen', {}, known, ['a']).inputs).toEqual({ jawOpen: meant('jawOpen') }));
  test('what nothing is called is refused where it stands, with what is called nearly so', () => {
    const refused = (text: string): FormulaProblem => {
      try {
        boundFormula(text, {}, known);
      } catch (error) {
        return error as FormulaProblem;
      }
      throw new Error('It was taken.');
    };
    expect(refused('2 * jawOpne')).toMatchObject({
      message: 'There is nothing called “jawOpne”. Did you mean jawOpen?',
      at: 4,
      length: 7,
    });
    expect(refused('2 * xylophone').message).toBe('There is nothing called “xylophone”.');
    expect(refused('constructor + 1').message).toContain('nothing called “constructor”');
  });
});

test('letters that differ are counted', () => {
  expect(editDistance('kitten', 'sitting')).toBe(3);
  expect(editDistance('', 'abc')).toBe(3);
  expect(editDistance('abc', 'abcdefgh', 3)).toBe(3);
});
