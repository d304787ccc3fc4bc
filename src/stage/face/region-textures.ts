/** Masks of the regions as textures: each is made once and shared by all faces. */
import { ClampToEdgeWrapping, DataTexture, LinearFilter, RedFormat } from 'three';
import type { FaceRegion } from '../../core/face/region-names';
import { maskBounds, regionMask, type Bounds } from '../../core/face/region-mask';

/** Pixels of a mask along each side: edges are soft, and its texture is smooth between them. */
const SIZE = 512;
/** Masks that are kept; a softness that is dragged makes many. */
const MOST = 60;

export interface RegionTexture {
  readonly texture: DataTexture;
  readonly bounds: Bounds;
}

const smooth = (texture: DataTexture): DataTexture => {
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.wrapS = texture.wrapT = ClampToEdgeWrapping;
  texture.unpackAlignment = 1;
  texture.needsUpdate = true;
  return texture;
};

export class RegionTextures {
  private readonly made = new Map<string, RegionTexture>();

  get(region: FaceRegion, softness: number): RegionTexture {
    const key = `${region} ${softness.toFixed(2)}`;
    const kept = this.made.get(key);
    if (kept) {
      // The one that was not asked for longest goes first.
      this.made.delete(key);
      this.made.set(key, kept);
      return kept;
    }
    const mask = regionMask(region, SIZE, softness);
    const made = {
      texture: smooth(new DataTexture(mask, SIZE, SIZE, RedFormat)),
      bounds: maskBounds(mask, SIZE) ?? [0, 0, 1, 1],
    };
    this.made.set(key, made);
    if (this.made.size > MOST) {
      const [oldest, { texture }] = this.made.entries().next().value!;
      texture.dispose();
      this.made.delete(oldest);
    }
    return made;
  }

  dispose(): void {
    for (const { texture } of this.made.values()) texture.dispose();
    this.made.clear();
  }
}
