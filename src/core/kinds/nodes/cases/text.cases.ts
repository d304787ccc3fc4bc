/** Known answers. */
import type { TEXT_NODES } from '../text-nodes';
import { once, type CasesOf } from './testing';

export const TEXT_CASES: CasesOf<typeof TEXT_NODES> = {
  text: [once({ text: 'Crab' }, 'Crab')],
  joinTexts: [
    once({ a: 'Low', b: ' ', c: 'Tide' }, 'Low Tide'),
    once({ a: 'x'.repeat(1999), b: 'yz' }, `${'x'.repeat(1999)}y`),
  ],
  formatNumber: [
    {
      given: [{ number: 3.456, before: 'Score ', behind: ' !' }],
      gives: [['Score 3.5 !']],
      set: { digits: 1 },
    },
    { given: [{ number: 7 }], gives: [['007']], set: { places: 3 } },
    once({ number: -0.2 }, '0'),
    once({ number: NaN }, '–'),
  ],
  clock: [once({ seconds: 65 }, '1:05'), once({ seconds: 4.2 }, '0:05'), once({ seconds: NaN }, '0:00')],
  textLength: [once({ text: 'naïve🦀' }, 6)],
  upper: [once({ text: 'tide' }, 'TIDE')],
  splitText: [once({ which: 2 }, 'pearl'), once({ which: 9 }, '')],
  sameText: [once({ a: 'x', b: 'x' }, 1), once({ a: 'x', b: 'y' }, 0)],
};
