/** What one face morph of a document does to landmarks at its full amount. */
import type { Morph } from '../document/schema';
import { SHAPE_NAMES } from '../face/shape-names';
import { regionWeights, sliderMoves, sumMoves, type Moves } from '../face/morph/moves';
import { unpackMoves } from '../face/morph/packed-moves';

const known = new WeakMap<Morph, Moves | null>();

/**
 * Sliders and mesh together, faded out around its regions, at an amount of 1; null when nothing moves. Objects of a document
 * never change.
 */
export const movesOf = (morph: Morph): Moves | null => {
  const kept = known.get(morph);
  if (kept !== undefined) return kept;
  const weights = morph.regions.length > 0 ? regionWeights(morph.regions, morph.fade) : null;
  const sum = sumMoves([
    ...SHAPE_NAMES.flatMap((name) => {
      const amount = morph.sliders[name] ?? 0;
      return amount === 0 ? [] : [{ moves: sliderMoves(name), amount, weights }];
    }),
    ...(morph.mesh ? [{ moves: unpackMoves(morph.mesh.moves), amount: 1, weights }] : []),
  ]);
  const moves = sum.some((v) => v !== 0) ? sum : null;
  known.set(morph, moves);
  return moves;
};
