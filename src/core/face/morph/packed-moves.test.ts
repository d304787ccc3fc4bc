import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FACE_LANDMARKS } from '../landmarks';
import { PACKED_MOVES, packMoves, unpackMoves } from './packed-moves';

const NUMBERS = 3 * FACE_LANDMARKS;

test('moves come back to a hundredth of a millimetre', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: NUMBERS, maxLength: NUMBERS }),
      (moves) => {
        const text = packMoves(moves);
        expect(text).toMatch(PACKED_MOVES);
        unpackMoves(text).forEach((v, i) => expect(Math.abs(v - moves[i]!)).toBeLessThan(0.0000051));
      },
    ),
    { numRuns: 20 },
  ));

test('what goes farther than a head is kept at its most; text of another length is refused', () => {
  const far = new Float32Array(NUMBERS).fill(5);
  far[1] = -5;
  const [up, down] = unpackMoves(packMoves(far));
  expect(up).toBeCloseTo(0.32767, 5);
  expect(down).toBeCloseTo(-0.32767, 5);
  expect(packMoves(far).slice(4)).not.toMatch(PACKED_MOVES);
});
