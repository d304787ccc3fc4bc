/** Formulas by known answers, what their parts measure, and what is refused in which words. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { UnitName } from '../schema/properties';
import { compileFormula, type NameOf } from './compile';
import { FUNCTION_WORDS } from './function-words';
import { CONSTANTS, FUNCTIONS, type FunctionName } from './functions';
import { MOST_LETTERS, namesIn, parseFormula } from './parse';
import { FormulaProblem } from './problem';

const NAMES: readonly NameOf[] = [
  { name: 'time', is: 'time' },
  { name: 'jawOpen', is: 'share' },
  { name: 'headTurn', is: 'angle' },
  { name: 'crabX', is: 'length' },
  { name: 'score', is: 'number' },
];
/** Two seconds, a mouth half open, a head turned 30 degrees, 4 cm, 7. */
const NOW = [2, 0.5, 30, 0.04, 7];
const value = (text: string, unit: UnitName = 'plain'): number =>
  compileFormula(parseFormula(text), NAMES, unit)(NOW);
const near = (wanted: number): unknown => (Number.isNaN(wanted) ? NaN : expect.closeTo(wanted, 9));
const problem = (text: string, unit: UnitName = 'plain'): FormulaProblem => {
  try {
    value(text, unit);
  } catch (error) {
    if (error instanceof FormulaProblem) return error;
    throw error;
  }
  throw new Error(`“${text}” was taken.`);
};

describe('worked out', () => {
  test.each([
    ['= 1 + 2 * 3', 7],
    ['(1 + 2) * 3', 9],
    ['2 ^ 3 ^ 2', 512],
    ['-2 ^ 2', -4],
    ['(-2) ^ 2', 4],
    ['-(2) ^ 2', -4],
    ['10 / 4 - 1', 1.5],
    ['3 × 4 ÷ 2 − 1', 5],
    ['1e2 + .5', 100.5],
    ['sin(time * 2) * 3 + jawOpen', Math.sin(4) * 3 + 0.5],
    ['score > 5 ? 10 : 20', 10],
    ['score > 5 && jawOpen < 0.2', 0],
    ['score == 7 || !score', 1],
    ['score != 7', 0],
    ['1 / 0', NaN],
    ['pi', Math.PI],
    ['+score', 7],
    ['score <= 7 ? 1 : 0', 1],
  ])('%s', (text, wanted) => expect(value(text)).toEqual(near(wanted)));
  test('what is missing stays missing', () => {
    const ways = [
      'jawOpen + 1',
      'jawOpen > 0.2',
      'jawOpen > 0.2 ? 1 : 0',
      '!jawOpen',
      'jawOpen > 0.2 || score > 5',
    ];
    for (const text of ways)
      expect([text, compileFormula(parseFormula(text), NAMES, 'plain')([2, NaN, 0, 0, 7])]).toEqual([
        text,
        NaN,
      ]);
  });
});

/** The table fails to compile when a function has no known answer. */
const ANSWERS: Readonly<Record<FunctionName, readonly (readonly [string, number])[]>> = {
  sin: [
    ['sin(90 deg)', 1],
    ['sin(90°)', 1],
    ['sin(0.25 turns)', 1],
    ['sin(pi / 2)', 1],
    ['sin(headTurn)', 0.5],
  ],
  cos: [['cos(180 deg)', -1]],
  tan: [['tan(45 deg)', 1]],
  wave: [['wave(time / 8 s)', 1]],
  zigzag: [
    ['zigzag(0.25)', 0.5],
    ['zigzag(1.75)', 0.5],
  ],
  atan2: [['atan2(1, 1)', 45]],
  asin: [['asin(1)', 90]],
  acos: [['acos(2)', 0]],
  abs: [['abs(0 - score)', 7]],
  sign: [['sign(0 m - crabX)', -1]],
  floor: [['floor(2.7)', 2]],
  ceil: [['ceil(2.1)', 3]],
  round: [['round(2.5)', 3]],
  sqrt: [['sqrt(9)', 3]],
  exp: [['exp(0)', 1]],
  log: [
    ['log(exp(2))', 2],
    ['log(0)', NaN],
  ],
  min: [['min(3, 1, 2)', 1]],
  max: [['max(3, 1, 2, 9)', 9]],
  hypot: [['hypot(3, 4)', 5]],
  mod: [
    ['mod(-1, 3)', 2],
    ['mod(1, 0)', NaN],
  ],
  clamp: [['clamp(5, 0, 2)', 2]],
  mix: [['mix(10, 20, 0.25)', 12.5]],
  smooth: [
    ['smooth(0.5, 0, 1)', 0.5],
    ['smooth(3, 2, 2)', 1],
  ],
};
describe.each(Object.entries(ANSWERS))('function %s', (name, cases) => {
  test.each(cases)('%s', (text, wanted) => expect(value(text)).toEqual(near(wanted)));
  test('says what it takes, and is refused with nothing', () => {
    expect(FUNCTION_WORDS[name as FunctionName]).toMatch(/[.]$/);
    expect(problem(`${name}()`).message).toContain(`${name}(${FUNCTIONS[name as FunctionName].takes})`);
  });
});

describe('units', () => {
  test.each<[string, UnitName, number]>([
    // A plain number counts in what the field shows.
    ['3', 'centimetres', 0.03],
    ['3', 'millimetres', 0.003],
    ['50', 'percent', 0.5],
    ['90', 'degrees', 90],
    // What has a unit is what it is.
    ['3 cm', 'centimetres', 0.03],
    ['1.5m', 'centimetres', 1.5],
    ['20mm + 1cm', 'metres', 0.03],
    ['50%', 'percent', 0.5],
    ['jawOpen', 'percent', 0.5],
    ['1 - jawOpen', 'percent', 0.5],
    ['50% + jawOpen * 50%', 'percent', 0.75],
    ['jawOpen', 'percentPoints', 50],
    ['0.5 turns', 'degrees', 180],
    ['500 ms', 'seconds', 0.5],
    // Signals by factors, into whatever the field is in.
    ['jawOpen * 3', 'centimetres', 0.015],
    ['headTurn / 10', 'centimetres', 0.03],
    ['crabX * 2', 'centimetres', 0.08],
    ['crabX / 1 cm', 'plain', 4],
    ['max(crabX, 5 cm)', 'centimetres', 0.05],
    ['mix(0 cm, 10 cm, jawOpen)', 'centimetres', 0.05],
    ['headTurn * 2 + 10', 'degrees', 70],
    ['jawOpen > 20% ? 2 cm : crabX', 'centimetres', 0.02],
  ])('%s into %s', (text, unit, wanted) => expect(value(text, unit)).toBeCloseTo(wanted, 9));

  test.each<[string, UnitName, RegExp]>([
    ['crabX + 2', 'centimetres', /A length and a number without a unit cannot be added: write 2 cm or 2 m/],
    ['crabX - headTurn', 'plain', /A length and an angle cannot be subtracted/],
    ['crabX > 3', 'plain', /cannot be compared/],
    ['max(crabX, 3)', 'centimetres', /cannot be given to max together/],
    ['crabX * crabX', 'plain', /area/],
    ['crabX', 'degrees', /gives a length, and the field takes none/],
    ['1 / crabX', 'plain', /Only a length can be divided by a length/],
    ['crabX ^ 2', 'plain', /no powers/],
    ['sin(crabX)', 'plain', /sin takes a plain number/],
  ])('%s into %s is refused', (text, unit, why) => expect(problem(text, unit).message).toMatch(why));
});

describe('refused in a sentence', () => {
  test.each<[string, RegExp, number | null]>([
    ['=', /nothing to be worked out/, null],
    ['= 3 +', /ends too early/, 5],
    ['sin(3', /ends too early/, null],
    ['3 4', /side by side/, null],
    ['3 kg', /side by side|no number with a unit/, null],
    ['7kg', /“7kg” is no number with a unit that is known/, null],
    ['foo', /nothing called “foo”/, null],
    ['foo(2)', /no function called “foo”/, null],
    ['sin', /“sin” is a function/, null],
    ['crab.x', /one word/, null],
    ['[1, 2]', /./, null],
    ['"a"', /./, null],
    ['a = 2', /./, null],
    ['() => 1', /./, null],
    ['time; score', /./, null],
    ['this', /nothing called “this”/, null],
    ['constructor', /nothing called “constructor”/, null],
    ['__proto__', /nothing called/, null],
    ['toString(1)', /no function called/, null],
    ['sin(1)(2)', /Before a bracket stands a function/, null],
    ['clamp(1, 2)', /clamp is given 3: clamp\(x, low, high\)/, null],
    [`1${'+1'.repeat(MOST_LETTERS)}`, /at most 300 letters/, null],
  ])('%s', (text, why, at) => {
    const found = problem(text);
    expect(found.message).toMatch(why);
    if (at !== null) expect(found.at).toBe(at);
  });
  test('whatever is typed is worked out or refused, and nothing else happens', () => {
    const letters = fc.constantFrom(...'0123456789.+-*/^()<>=!&|?:,; %°_$"`\'[]{}\\ascmdegxyé'.split(''));
    fc.assert(
      fc.property(fc.array(letters, { maxLength: 40 }), (all) => {
        try {
          expect(typeof value(all.join(''))).toBe('number');
        } catch (error) {
          expect(error).toBeInstanceOf(FormulaProblem);
          expect((error as Error).message).toMatch(/[.?…]$/);
        }
      }),
      { numRuns: 2000 },
    );
  });
});

test('the names in a formula, each once', () => {
  expect(namesIn(parseFormula('a + max(b, a, -c) * (d > e ? f : !g) + sin(a)'))).toEqual([
    'a',
    'b',
    'c',
    'd',
    'e',
    'f',
    'g',
  ]);
  expect(Object.keys(CONSTANTS)).toEqual(['pi']);
});
