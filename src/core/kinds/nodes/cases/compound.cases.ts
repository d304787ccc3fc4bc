/** Known answers. What compounds do stands in `program/circuits.test.ts`, since their nodes are put in their place. */
import type { COMPOUND_NODES } from '../compound-nodes';
import { newPort } from '../declared-ports';
import { once, type CasesOf } from './testing';

const two = [newPort('a'), newPort('word', 'text')];
export const COMPOUND_CASES: CasesOf<typeof COMPOUND_NODES> = {
  compound: [{ ...once({ a: 4 }, 0, ''), set: { takes: [newPort('a')], gives: two } }],
  enter: [
    { ...once({ a: 4, word: 'ebb' }, 4, 'ebb'), set: { takes: two } },
    { ...once({ a: 4 }, 3), set: { takes: [{ ...newPort('a'), high: 3 }] } },
    { ...once({ a: NaN }, NaN), set: { takes: [{ ...newPort('a'), low: 0 }] } },
  ],
  leave: [
    { ...once({ a: 4, word: 'ebb' }, 4, 'ebb'), set: { gives: two } },
    { ...once({ a: -4 }, -1), set: { gives: [{ ...newPort('a'), low: -1 }] } },
  ],
};
