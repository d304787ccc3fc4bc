/** Known answers. */
import { expect } from '@jest/globals';
import type { VECTOR_NODES } from '../vector-nodes';
import { once, near, type CasesOf } from './testing';

export const VECTOR_CASES: CasesOf<typeof VECTOR_NODES> = {
  joinPoint: [once({ x: 1, y: 2 }, [1, 2])],
  splitPoint: [once({ point: [1, 2] }, 1, 2)],
  joinVector: [once({ x: 1, y: 2, z: 3 }, [1, 2, 3])],
  splitVector: [once({ vector: [1, 2, 3] }, 1, 2, 3)],
  addVectors: [once({ a: [1, 2, 3], b: [1, 1, 1] }, [2, 3, 4])],
  subtractVectors: [once({ a: [1, 2, 3], b: [1, 1, 1] }, [0, 1, 2])],
  multiplyVectors: [once({ a: [1, 2, 3], b: [2, 2, 2] }, [2, 4, 6])],
  scaleVector: [once({ vector: [1, 2, 3], by: 2 }, [2, 4, 6])],
  mixVectors: [once({ a: [0, 0, 0], b: [4, 8, 2], share: 0.5 }, [2, 4, 1])],
  lengthOf: [once({ vector: [3, 4, 0] }, 5)],
  distance: [once({ a: [1, 0, 0], b: [1, 2, 0] }, 2)],
  direction: [once({ vector: [0, 5, 0] }, [0, 1, 0]), once({ vector: [0, 0, 0] }, [0, 0, 0])],
  dotProduct: [once({ a: [1, 2, 3], b: [1, 1, 1] }, 6)],
  crossProduct: [once({ a: [1, 0, 0], b: [0, 1, 0] }, [0, 0, 1])],
  alongPath: [
    once(
      { share: 0.5, a: [0, 0, 0], b: [1, 0, 0], c: [2, 0, 0], d: [3, 0, 0] },
      [near(1.5), 0, 0],
      [near(1), 0, 0],
    ),
    {
      given: [{ share: 1.25, a: [0, 0, 0], b: [1, 0, 0], c: [1, 1, 0], d: [0, 1, 0] }],
      gives: [
        [
          [1, 0, 0],
          [near(Math.SQRT1_2), near(Math.SQRT1_2), 0],
        ],
      ],
      set: { ends: 'closed' },
    },
  ],
  pathThrough: [
    once(
      { share: 0.5, x: [0, 1, 2], y: [0, 0, 0], z: [5] },
      [near(1), 0, expect.any(Number)],
      expect.any(Array),
    ),
    once({ share: 0.5 }, [0, 0, 0], [0, 0, 0]),
  ],
  vectorAngle: [once({}, near(90)), once({ a: [0, 0, 0] }, NaN)],
};
