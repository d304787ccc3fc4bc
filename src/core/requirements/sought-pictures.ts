/** The printed pictures that a camera is searched for. */
import { targetOrder } from '../document/queries';
import type { AssetId, Effect, FileRef, Target } from '../document/schema';
import { MOST_PICTURES } from '../vision/picture-search';
import { requirementsOf } from './requirements';

export interface SoughtTarget {
  /** Which of the effect's targets, from 1. */
  readonly number: number;
  readonly target: Target;
  readonly asset: AssetId;
  /** What is printed. */
  readonly file: FileRef;
}

/** Those that something of the effect waits for, in the effect's order; ones without a picture cannot be looked for, and more than `MOST_PICTURES` are not. */
export const soughtPictures = (effect: Effect): readonly SoughtTarget[] => {
  const { pictures } = requirementsOf(effect);
  return targetOrder(effect)
    .flatMap((target, i): SoughtTarget[] => {
      const asset = target.asset ? effect.assets[target.asset] : undefined;
      if (!pictures.has(target.id) || asset?.kind !== 'picture') return [];
      return [{ number: i + 1, target, asset: asset.id, file: asset.files[0]! }];
    })
    .slice(0, MOST_PICTURES);
};
