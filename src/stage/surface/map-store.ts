/** Pictures of materials as textures: those of the texture store, laid so that they repeat. */
import { RepeatWrapping, Texture } from 'three';
import type { PictureAsset } from '../../core/document/schema';
import type { TextureStore } from '../effect/texture-store';

export class MapStore {
  private readonly maps = new Map<Texture, Texture>();

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
    }
    return map;
  }

  dispose(): void {
    for (const map of this.maps.values()) map.dispose();
    this.maps.clear();
  }
}
