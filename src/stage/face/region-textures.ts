/** Masks of the regions as textures: each is made once and shared by all faces. */
import { ClampToEdgeWrapping, DataTexture, LinearFilter, RedFormat } from 'three';
import type { FaceRegion } from '../../core/face/region-names';
import type { Unit } from '../../core/units';
import { maskBounds, regionMask, regionsField, type Bounds } from '../../core/face/region-mask';

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
    return this.kept(`${region} ${softness.toFixed(2)}`, () => regionMask(region, SIZE, softness));
  }

  private kept(key: string, make: () => Uint8Array): RegionTexture {
    const kept = this.made.get(key);
    if (kept) {
      // The one that was not asked for longest goes first.
      this.made.delete(key);
      this.made.set(key, kept);
      return kept;
    }
    const mask = make();
    const made = {
      texture: smooth(new DataTexture(mask as Uint8Array<ArrayBuffer>, SIZE, SIZE, RedFormat)),
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

  /** Several regions together, as a morph counts in them; none is the whole face. */
  several(regions: readonly FaceRegion[], fade: Unit): RegionTexture {
    if (regions.length === 0) return this.get('face', 0.4);
    const key = `${[...regions].sort().join()} ${fade.toFixed(3)}`;
    return this.kept(key, () =>
      Uint8Array.from(regionsField(regions, fade, SIZE), (share) => Math.round(255 * Math.min(1, share))),
    );
  }

  dispose(): void {
    for (const { texture } of this.made.values()) texture.dispose();
    this.made.clear();
  }
}
