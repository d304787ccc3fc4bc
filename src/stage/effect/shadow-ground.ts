/** What shadows fall on, as far as the light that throws them has to know. */
import type { ShadowCatcher } from '../../core/document/schema';
import { column, positionOf } from '../../core/maths/matrix';
import { distance, length, mix } from '../../core/maths/vec3';
import type { Place } from '../../core/placing/places';
import type { ShadowGround } from './effect-light';

/** Half of a face, in metres: what shadows on skin are thrown over. */
const FACE_REACH = 0.17;
export const groundOf = (object: ShadowCatcher, place: Place, onSkin: boolean): ShadowGround => ({
  centre: positionOf(place.matrix),
  reach: onSkin
    ? FACE_REACH
    : (Math.max(...object.extent) / 2) *
      Math.max(length(column(place.matrix, 0)), length(column(place.matrix, 2))),
  softness: object.softness,
});
/** What holds both, where shadows fall on several things. The softest of them counts. */
export const joined = (a: ShadowGround | null, b: ShadowGround): ShadowGround => {
  if (!a) return b;
  const apart = distance(a.centre, b.centre);
  if (apart + b.reach <= a.reach) return a;
  const reach = Math.max(a.reach, (a.reach + b.reach + apart) / 2);
  const part = apart > 0 ? Math.max(0, (reach - a.reach) / apart) : 0;
  return { centre: mix(a.centre, b.centre, part), reach, softness: Math.max(a.softness, b.softness) };
};
