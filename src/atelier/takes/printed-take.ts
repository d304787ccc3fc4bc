/** Takes as they are with what the creator prints on their pictures. */
import { clipTake } from '../../core/takes/clip';
import { makeTake } from '../../core/takes/make-take';
import type { Take } from '../../core/takes/take';

/**
 * The creator's pictures have their own shapes, and the take's sheets follow: `aspects` are those shapes, `keys` what the printed pictures of the effect are
 * known by in own clips, both in the order of the pictures.
 */
export const printedTake = (take: Take, aspects: readonly number[], keys: readonly string[]): Take => {
  if (take.clip) return clipTake(take.clip, keys);
  return take.spec.pictures === null ? take : makeTake(take.spec, { pictureAspects: aspects });
};
