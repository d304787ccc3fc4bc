/** Texts: joined, made of numbers and of time. */
import { number } from '../../schema/properties';
import { defineNode, input, num, output, pure, type InputPort } from './node-kind';

const words = (name: string, note: string, also = '') => ({ name, group: 'Texts' as const, note, also });
const TEXT = [output('text', 'text')];
const text = (name: string, usual = ''): InputPort => input(name, 'text', usual);
/** Longer no text gets, whatever it is joined of. */
export const LONGEST_TEXT = 2000;
const two = (n: number): string => String(n).padStart(2, '0');

export const TEXT_NODES = {
  text: pure(
    words('Text', 'A text, set by hand.', 'constant words string'),
    [text('text', 'Low Tide')],
    TEXT,
    ([a]: readonly [string]) => [a],
  ),
  joinTexts: pure(
    words('Join texts', 'Up to three texts, one after another.', 'concatenate append combine'),
    [text('a'), text('b'), text('c')],
    TEXT,
    (all: readonly string[]) => [all.join('').slice(0, LONGEST_TEXT)],
  ),
  formatNumber: defineNode({
    ...words(
      'Format a number',
      'A number as it is written: so many digits behind the point, with words before and behind.',
      'to text string print score',
    ),
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
  clock: pure(
    words('Minutes and seconds', 'Seconds as 2:05.', 'clock time format countdown timer'),
    [num('seconds', 0, { unit: 'seconds' })],
    TEXT,
    ([s]: readonly number[]) => {
      // What is counted down shows 1 until it is over.
      const all = Number.isNaN(s) ? 0 : Math.ceil(Math.max(0, s!) - 1e-6);
      return [`${Math.floor(all / 60)}:${two(all % 60)}`];
    },
  ),
  textLength: pure(
    words('Length of a text', 'How many characters it has.', 'count size'),
    [text('text')],
    [output('value', 'number')],
    ([a]: readonly [string]) => [Array.from(a).length],
  ),
  upper: pure(
    words('Capitals', 'A text in capital letters.', 'upper case'),
    [text('text')],
    TEXT,
    ([a]: readonly [string]) => [a.toUpperCase()],
  ),
  splitText: pure(
    words('Split text', 'The n-th part of a text between separators, from 1.', 'part word token'),
    [text('text', 'shell, pearl, crab'), text('at', ','), num('which', 1)],
    TEXT,
    ([a, at, which]: readonly [string, string, number]) => [
      (a.split(at === '' ? ' ' : at)[Math.round(which) - 1] ?? '').trim(),
    ],
  ),
  sameText: pure(
    words('Same text', 'Yes while two texts are the same.', 'equals compare'),
    [text('a'), text('b')],
    [output('yes', 'truth')],
    ([a, b]: readonly string[]) => [a === b ? 1 : 0],
  ),
};
