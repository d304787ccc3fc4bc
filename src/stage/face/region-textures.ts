/** Masks of the regions as textures: each is made once and shared by all faces. */
import { ClampToEdgeWrapping, DataTexture, LinearFilter, RedFormat, RGFormat } from 'three';
import type { FaceRegion } from '../../core/face/region-names';
import { maskBounds, openingMasks, regionMask, type Bounds } from '../../core/makeup/region-mask';

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
  private opened: DataTexture | null = null;

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

  /** Where the layout is open: eyes in the first channel, the mouth in the second. */
  get openings(): DataTexture {
    if (this.opened) return this.opened;
    const { eyes, mouth } = openingMasks(SIZE);
    const both = new Uint8Array(2 * SIZE * SIZE);
    eyes.forEach((e, i) => both.set([e, mouth[i]!], 2 * i));
    return (this.opened = smooth(new DataTexture(both, SIZE, SIZE, RGFormat)));
  }

  dispose(): void {
    for (const { texture } of this.made.values()) texture.dispose();
    this.made.clear();
    this.opened?.dispose();
    this.opened = null;
  }
}
