/** Changes of cutouts: another part, outline or edge is seen as large as the one before. */
import { partExtent } from '../face/cutout';
import { reshape } from './object-edits';
import { type Edit } from '../document/edit';
import type { Cutout, Effect, ObjectId } from '../document/schema';

/** What of a cutout decides what is seen in its window. */
type Change = Partial<Pick<Cutout, 'part' | 'outline' | 'inner' | 'outer' | 'face' | 'made' | 'flip'>>;

/** The cutout after a change, its window grown with the part so that what is seen keeps its size. */
export const cutoutAfter = (cutout: Cutout, change: Change): Cutout => {
  const next = { ...cutout, ...change };
  const was = partExtent(cutout.part, cutout.outer, cutout.outline);
  const is = partExtent(next.part, next.outer, next.outline);
  // A window that was pulled out of shape keeps its proportions to the part.
  const [kx, ky] = [cutout.extent[0] / was[0], cutout.extent[1] / was[1]];
  return { ...next, extent: [is[0] * kx, is[1] * ky] };
};

/** Changes what of a cutout is seen; see `cutoutAfter`. */
export const changeCutout = (effect: Effect, id: ObjectId, change: Change): Edit => {
  const object = effect.objects[id];
  if (object?.kind !== 'cutout') return reshape(effect, id, 'cutout', {});
  const { extent } = cutoutAfter(object, change);
  return reshape(effect, id, 'cutout', { ...change, extent });
};
