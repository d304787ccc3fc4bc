/** Known answers. */
import type { LIST_NODES } from '../list-nodes';
import { once, type CasesOf } from './testing';

export const LIST_CASES: CasesOf<typeof LIST_NODES> = {
  makeList: [once({ '1': 4, '2': 5 }, [4, 5, 0, 0])],
  joinLists: [once({ a: [1], b: [2, 3] }, [1, 2, 3])],
  itemOf: [once({ list: [4, 5], which: 2 }, 5), once({ list: [], which: 1 }, NaN)],
  listLength: [once({ list: [1, 2] }, 2)],
  sorted: [once({ list: [3, 1, 2] }, [1, 2, 3])],
  listSum: [once({ list: [1, 2, 6] }, 9, 3), once({ list: [] }, 0, NaN)],
  listRange: [once({ list: [3, 1] }, 1, 3), once({ list: [] }, NaN, NaN)],
  eachItem: [
    once({ list: [1, 2, 3] }, [2, 4, 6]),
    {
      given: [{ list: [5, 5], a: 10, b: 1 }],
      gives: [[[13, 23]]],
      set: { text: 'a * place + count + b + 0 * item' },
    },
    { given: [{ list: [5] }], gives: [[[]]], set: { text: 'nonsense +' } },
  ],
  countUp: [once({ count: 3 }, [1, 2, 3]), once({ count: -1 }, []), once({ count: NaN }, [])],
  collect: [
    {
      given: [1, 2, 3].map((value) => ({ event: 1, value, most: 2 })),
      gives: [[[1]], [[1, 2]], [[2, 3]]],
    },
  ],
};
