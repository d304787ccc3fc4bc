/** Things get a length in centimetres: all of them by one factor, each on its own foot. */
import { edit, type Edit } from '../document/edit';
import { anchorOf } from '../document/queries';
import type { Effect, ObjectId } from '../document/schema';
import { standsOn } from '../kinds/objects/resting';
import type { Vec3 } from '../maths/vec3';
import { boxOf } from '../placing/bounds';
import { longestSide, onSameFoot } from '../placing/resize';
import type { Metres } from '../units';
import { changeObjects, objectWords, type Common } from './object-edits';

const sized = (effect: Effect, ids: readonly ObjectId[]) =>
  ids.flatMap((id) => {
    const object = effect.objects[id];
    const box = object ? boxOf(effect, object) : null;
    return object && box ? [{ object, box }] : [];
  });

/** The longest side of the longest of them, as they are sized; null where none has a size. */
export const lengthOf = (effect: Effect, ids: readonly ObjectId[]): Metres | null => {
  const lengths = sized(effect, ids).map(({ object, box }) => longestSide(box, object.scale));
  return lengths.length > 0 ? Math.max(...lengths) : null;
};

/** The longest of them becomes so long, the others by the same factor; what stands keeps its foot on the ground. */
export const fitToLength = (effect: Effect, ids: readonly ObjectId[], length: Metres): Edit => {
  const now = lengthOf(effect, ids);
  return edit(`Fit ${objectWords(effect, ids)} to a length`, (d) => {
    if (now === null || !(length > 0)) return;
    const k = length / now;
    const changes = new Map<ObjectId, Common>(
      sized(effect, ids).map(({ object, box }) => {
        const scale = object.scale.map((s) => s * k) as [number, number, number];
        const move = onSameFoot(object, box, box, scale as Vec3, standsOn(anchorOf(effect, object)));
        return [object.id, { scale, move: [...move] as [number, number, number] }];
      }),
    );
    changeObjects(effect, changes).change(d);
  });
};
