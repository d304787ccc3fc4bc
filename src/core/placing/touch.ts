/** Which object a finger touches: by touch areas, so that it is the same on every device and in every test. */
import type { Program } from '../program/program';
import type { PicturePoint, View } from '../program/inputs';
import { add, scale, subtract, type Vec3 } from '../maths/vec3';
import { intersectEllipsoid, intersectBox, pointOn, transformRay, rayThrough, type Ray } from '../maths/ray';
import { transformPoint } from '../maths/matrix';
import type { TrackFrame } from '../tracking/track-frame';
import { SCREEN_HEIGHT, type Layering } from './anchors';
import { kindOf } from '../kinds/objects/objects';
import { boxOf } from './bounds';
import type { ObjectPlaces, Place } from './places';

export interface Touched {
  /** Index in the program. */
  readonly object: number;
  readonly place: Place;
  /** Where, in world space or the screen's. */
  readonly at: Vec3;
}

/** The usual upright picture. */
export const USUAL_ASPECT = 9 / 16;
/** What is seen of the camera: as given, or the whole of it in the usual shape. */
export const viewOf = (frame: TrackFrame, view?: View): View =>
  view ?? { fovY: frame.camera.fovY, aspect: USUAL_ASPECT };

/** The ray of a point of the picture, in the space that things are drawn in. */
export const rayFor = (layering: Layering, frame: TrackFrame, { fovY, aspect }: View, p: PicturePoint): Ray =>
  layering === 'space'
    ? rayThrough(frame.camera, fovY, aspect, p.x, p.y)
    : {
        from: [(p.x - 0.5) * SCREEN_HEIGHT * aspect, (0.5 - p.y) * SCREEN_HEIGHT, 1],
        along: [0, 0, -1],
      };

/** A flat thing can be met from its side too. */
const THIN = 1e-4;

/** How far along a ray it meets object `i` of the program at one of its places; null where it misses. */
export const meet = (program: Program, i: number, place: Place, ray: Ray): number | null => {
  const object = program.objects[i]!;
  const local = transformRay(place.matrix, ray);
  if (!local) return null;
  const area = object.touchArea;
  if (area?.shape === 'ball') return intersectEllipsoid(local, area.centre, scale(area.size, 0.5));
  const box = area
    ? { low: subtract(area.centre, scale(area.size, 0.5)), high: add(area.centre, scale(area.size, 0.5)) }
    : boxOf(program.effect, object);
  if (!box) return null;
  const thin: Vec3 = [THIN, THIN, THIN];
  return intersectBox(local, subtract(box.low, thin), add(box.high, thin));
};

/** Whether object `i` is a part of the model, or in the outer part, `of`. */
const isPartOf = (program: Program, i: number, of: number): boolean => {
  let at = i;
  while (at >= 0 && at !== of && program.objects[at]!.kind === 'part') at = program.parents[at]!;
  return at === of && at !== i;
};

const RANK: Record<Layering, number> = { screen: 0, space: 1, backdrop: 2 };

/** What a finger touches: on the screen first, then what is nearest, then the backdrop; null for nothing. */
export const touchedAt = (
  program: Program,
  places: readonly ObjectPlaces[],
  frame: TrackFrame,
  view: View,
  point: PicturePoint,
): Touched | null => {
  let best: (Touched & { readonly rank: number; readonly far: number }) | null = null;
  places.forEach(({ places: all, layering }, i) => {
    const object = program.objects[i]!;
    if (!kindOf(object).isTouched && object.touchArea === null) return;
    const ray = rayFor(layering, frame, view, point);
    for (const place of all) {
      const t = meet(program, i, place, ray);
      if (t === null) continue;
      const rank = RANK[layering];
      // On the screen nothing is nearer: what stands higher in the Stack covers.
      const far = layering === 'space' ? t : 0;
      // A part lies within the box of its model: where both are met, it is the part that is touched.
      const isPartOfBest = best !== null && best.rank === rank && isPartOf(program, i, best.object);
      if (best && !isPartOfBest && (rank > best.rank || (rank === best.rank && far >= best.far - 1e-9)))
        continue;
      best = {
        object: i,
        place,
        at: touchPoint(place, ray, t),
        rank,
        far: isPartOfBest ? Math.min(far, best!.far) : far,
      };
    }
  });
  return best;
};

const touchPoint = (place: Place, ray: Ray, t: number): Vec3 => {
  const local = transformRay(place.matrix, ray)!;
  return transformPoint(place.matrix, pointOn(local, t));
};
