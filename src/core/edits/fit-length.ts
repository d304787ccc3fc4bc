/** Things get a length in centimetres: all of them by one factor, each on its own foot. */
import { edit, type Edit } from '../document/edit';
import { anchorOf } from '../document/queries';
import type { Effect, ObjectId } from '../document/schema';
import { standsOn } from '../kinds/objects/resting';
import type { Vec3 } from '../maths/vec3';
import { boxOf } from '../placing/bounds';
import { longestSide, onSameFoot } from '../placing/resize';
import type { Metres } from '../units';
import { outermostOf } from './stack-edits';
import { changeObjects, objectWords, type Common } from './object-edits';

/** Those that are sized by themselves: what hangs in another of them grows with that. Null where one has no size of its own, as groups. */
const sized = (effect: Effect, ids: readonly ObjectId[]) => {
  const outer = outermostOf(effect, ids);
  const found = outer.flatMap((object) => {
    const box = boxOf(effect, object);
    return box ? [{ object, box }] : [];
  });
  return found.length > 0 && found.length === outer.length ? found : null;
};

/** The longest side of the longest of them, as they are sized; null where one of them has no size of its own. */
export const lengthOf = (effect: Effect, ids: readonly ObjectId[]): Metres | null => {
  const all = sized(effect, ids);
  return all && Math.max(...all.map(({ object, box }) => longestSide(box, object.scale)));
};

/** The longest of them becomes so long, the others by the same factor; what stands keeps its foot on the ground. */
export const fitToLength = (effect: Effect, ids: readonly ObjectId[], length: Metres): Edit => {
  const now = lengthOf(effect, ids);
  return edit(`Fit ${objectWords(effect, ids)} to a length`, (d) => {
    const all = sized(effect, ids);
    if (now === null || !all || !(length > 0)) return;
    const k = length / now;
    const changes = new Map<ObjectId, Common>(
      all.map(({ object, box }) => {
        const scale = object.scale.map((s) => s * k) as [number, number, number];
        const move = onSameFoot(object, box, box, scale as Vec3, standsOn(anchorOf(effect, object)));
        return [object.id, { scale, move: [...move] as [number, number, number] }];
      }),
    );
    changeObjects(effect, changes).change(d);
  });
};
