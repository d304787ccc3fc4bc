/** Pictures of materials as textures: those of the texture store, laid so that they repeat. */
import { RepeatWrapping, Texture } from 'three';
import type { PictureAsset } from '../../core/document/schema';
import type { TextureStore } from '../effect/texture-store';

/** Larger pictures are looked through at this size. */
const LOOKED_AT = 256;

export class MapStore {
  private readonly maps = new Map<Texture, Texture>();
  private readonly opaque = new WeakMap<Texture, boolean>();

  constructor(private readonly textures: TextureStore) {}

  /** The picture of a material; null while it is on its way. */
  get(asset: PictureAsset): Texture | null {
    const texture = this.textures.get(asset);
    if (!texture) return null;
    let map = this.maps.get(texture);
    if (!map) {
      // Shares the picture itself with the texture it is made from.
      map = texture.clone();
      map.wrapS = map.wrapT = RepeatWrapping;
      map.needsUpdate = true;
      this.maps.set(texture, map);
      // Goes with the texture it is made from.
      const gone = (): void => {
        texture.removeEventListener('dispose', gone);
        this.maps.delete(texture);
        map!.dispose();
      };
      texture.addEventListener('dispose', gone);
    }
    return map;
  }

  /** Whether a picture has no transparent part; null while it is on its way. */
  isOpaque(asset: PictureAsset): boolean | null {
    const texture = this.textures.get(asset);
    if (!texture) return null;
    let opaque = this.opaque.get(texture);
    if (opaque === undefined) {
      const image = texture.image as ImageBitmap;
      const k = Math.min(1, LOOKED_AT / Math.max(image.width, image.height));
      const [width, height] = [
        Math.max(1, Math.round(image.width * k)),
        Math.max(1, Math.round(image.height * k)),
      ];
      const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
      context.drawImage(image, 0, 0, width, height);
      const { data } = context.getImageData(0, 0, width, height);
      opaque = true;
      for (let i = 3; i < data.length; i += 4) if (data[i]! < 250) opaque = false;
      this.opaque.set(texture, opaque);
    }
    return opaque;
  }

  dispose(): void {
    for (const map of this.maps.values()) map.dispose();
    this.maps.clear();
  }
}
