/** Texts: joined, made of numbers and of time. */
import { number } from '../../schema/properties';
import { defineNode, input, num, output, pure, type InputPort } from './node-kind';

const TEXT = [output('text', 'text')];
const text = (name: string, usual = ''): InputPort => input(name, 'text', usual);
/** Longer no text gets, whatever it is joined of. */
export const LONGEST_TEXT = 2000;
const two = (n: number): string => String(n).padStart(2, '0');

export const TEXT_NODES = {
  text: pure([text('text', 'Low Tide')], TEXT, ([a]: readonly [string]) => [a]),
  joinTexts: pure([text('a'), text('b'), text('c')], TEXT, (all: readonly string[]) => [
    all.join('').slice(0, LONGEST_TEXT),
  ]),
  formatNumber: defineNode({
    inputs: [num('number'), text('before'), text('behind')],
    outputs: TEXT,
    fields: {
      digits: number({ name: 'Digits behind the point', low: 0, high: 6, unit: 'count', whole: true }),
      places: number({ name: 'At least so many before it', low: 1, high: 10, unit: 'count', whole: true }),
    },
    fresh: { digits: 0, places: 1 },
    run: {
      as: 'values',
      of: ([n, before, behind]: readonly [number, string, string], { digits, places }) => {
        if (Number.isNaN(n)) return [`${before}–${behind}`];
        const [whole, rest] = Math.abs(n).toFixed(digits).split('.');
        const isZero = Number(Math.abs(n).toFixed(digits)) === 0;
        const written = `${n < 0 && !isZero ? '-' : ''}${whole!.padStart(places, '0')}${rest ? `.${rest}` : ''}`;
        return [`${before}${written}${behind}`];
      },
    },
  }),
  clock: pure([num('seconds', 0, { unit: 'seconds' })], TEXT, ([s]: readonly number[]) => {
    // What is counted down shows 1 until it is over.
    const all = Number.isNaN(s) ? 0 : Math.ceil(Math.max(0, s!) - 1e-6);
    return [`${Math.floor(all / 60)}:${two(all % 60)}`];
  }),
  textLength: pure([text('text')], [output('value', 'number')], ([a]: readonly [string]) => [
    Array.from(a).length,
  ]),
  upper: pure([text('text')], TEXT, ([a]: readonly [string]) => [a.toUpperCase()]),
  splitText: pure(
    [text('text', 'shell, pearl, crab'), text('at', ','), num('which', 1)],
    TEXT,
    ([a, at, which]: readonly [string, string, number]) => [
      (a.split(at === '' ? ' ' : at)[Math.round(which) - 1] ?? '').trim(),
    ],
  ),
  sameText: pure([text('a'), text('b')], [output('yes', 'truth')], ([a, b]: readonly string[]) => [
    a === b ? 1 : 0,
  ]),
};
