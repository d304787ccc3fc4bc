/** Known answers. */
import type { LOGIC_NODES } from '../logic-nodes';
import { once, type CasesOf } from './testing';

export const LOGIC_CASES: CasesOf<typeof LOGIC_NODES> = {
  yesNo: [once({ value: 1 }, 1)],
  and: [once({ a: 1, b: 1 }, 1), once({ a: 1, b: 0 }, 0)],
  or: [once({ a: 0, b: 1 }, 1), once({ a: 0, b: 0 }, 0)],
  exclusiveOr: [once({ a: 1, b: 1 }, 0), once({ a: 1, b: 0 }, 1)],
  not: [once({ a: 1 }, 0), once({ a: 0 }, 1)],
  compare: [
    once({ a: 1, b: 0.5 }, 1),
    { given: [{ a: 1, b: 1 }], gives: [[1]], set: { is: 'atLeast' } },
    { given: [{ a: 1, b: 1 }], gives: [[0]], set: { is: 'below' } },
    { given: [{ a: 1, b: 1 }], gives: [[1]], set: { is: 'atMost' } },
    { given: [{ a: 1, b: 1 + 1e-9 }], gives: [[1]], set: { is: 'same' } },
    { given: [{ a: NaN, b: 1 }], gives: [[0]], set: { is: 'differs' } },
  ],
  between: [once({ value: 0.5, from: 1, to: 0 }, 1), once({ value: 1.1 }, 0), once({ value: NaN }, 0)],
  hasValue: [once({ value: NaN }, 0), once({ value: 0 }, 1)],
  branch: [once({ if: 1, yes: 4, no: 5 }, 4), once({ if: 0, yes: 4, no: 5 }, 5)],
  select: [once({ which: 3, '3': 9 }, 9), once({ which: 99, '4': 8 }, 8)],
  instead: [once({ value: NaN, else: 2 }, 2), once({ value: 1, else: 2 }, 1)],
  chooseText: [once({ if: 1 }, 'yes'), once({ if: 0, no: 'ebb' }, 'ebb')],
  howMany: [once({ a: 1, c: 1, d: 1 }, 3)],
};
