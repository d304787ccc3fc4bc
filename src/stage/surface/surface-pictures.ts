/** Pictures of surfaces, wherever they come from, as textures. */
import type { Texture } from 'three';
import type { Effect, PictureSource } from '../../core/document/schema';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { ViewTools } from '../effect/objects/object-view';

/** A texture, and the part of it that a surface from 0 to 1 shows. */
export interface ShownPicture {
  readonly texture: Texture;
  readonly part: readonly [number, number, number, number];
  /** Holds sRGB values; repeats beyond its edge. */
  readonly kind: readonly [0 | 1, 0 | 1];
}

/** A picture as a texture; null while it is on its way, when it is lost, or where the camera shows none of it. */
export const shownPicture = (
  { stores, camera }: Pick<ViewTools, 'stores' | 'camera'>,
  source: PictureSource | null,
  { effect, face }: { readonly effect: Effect; readonly face: TrackedFace | null },
): ShownPicture | null => {
  if (!source) return null;
  if (source.from === 'asset') {
    const asset = effect.assets[source.asset];
    const texture = asset?.kind === 'picture' ? stores.maps.get(asset) : null;
    return texture && { texture, part: [0, 0, 1, 1], kind: [1, 1] };
  }
  const texture = camera?.get(source.part, source.blur, face) ?? null;
  const [x, y, w, h] = source.crop;
  // The camera picture runs from the lower left, surfaces from the upper left.
  return texture && { texture, part: source.flip ? [x + w, 1 - y, -w, -h] : [x, 1 - y, w, -h], kind: [1, 0] };
};
