/** An effect as it looks on one person alone. */
import type { Effect, EffectObject, FaceChoice } from './schema';

const swapped = (object: EffectObject, face: number): EffectObject => {
  const other = (was: number): number => (was === face ? 1 : was === 1 ? face : was);
  const { anchor } = object;
  const on =
    'face' in anchor && typeof anchor.face === 'number' ? { ...anchor, face: other(anchor.face) } : anchor;
  return {
    ...object,
    anchor: on,
    ...(object.kind === 'cutout' ? { face: other(object.face) } : {}),
  } as EffectObject;
};

/**
 * What a face wears, on the first: the two change places, so that a single person before the camera wears what the face has on. For
 * the first face, or for all of them, it is the effect itself.
 */
export const asFirstFace = (effect: Effect, face: FaceChoice): Effect =>
  typeof face !== 'number' || face === 1
    ? effect
    : {
        ...effect,
        objects: Object.fromEntries(
          Object.entries(effect.objects).map(([id, object]) => [id, swapped(object, face)]),
        ),
      };
