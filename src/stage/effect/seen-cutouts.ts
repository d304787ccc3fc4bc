/** What cutouts of faces show, read from one stage and shown by another that has no camera picture: Space. */
import { DataTexture, LinearFilter, RGBAFormat, type Texture } from 'three';
import type { ObjectId } from '../../core/document/schema';

/** RGBA rows from the lowest; sRGB, its colours not multiplied by its opacity. */
export interface SeenCutout {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8Array<ArrayBuffer>;
}
export type SeenCutouts = ReadonlyMap<ObjectId, SeenCutout>;

export class SeenCutoutTextures {
  private readonly made = new Map<ObjectId, { readonly of: SeenCutout; readonly texture: DataTexture }>();
  private seen: SeenCutouts = new Map();

  /** What is seen from now on. */
  show(seen: SeenCutouts): void {
    this.seen = seen;
    for (const [id, { texture }] of this.made)
      if (!seen.has(id)) {
        texture.dispose();
        this.made.delete(id);
      }
  }

  /** Null where nobody has seen it. */
  get(id: ObjectId): Texture | null {
    const of = this.seen.get(id);
    if (!of) return null;
    const kept = this.made.get(id);
    if (kept?.of === of) return kept.texture;
    kept?.texture.dispose();
    const texture = new DataTexture(of.pixels, of.width, of.height, RGBAFormat);
    texture.minFilter = texture.magFilter = LinearFilter;
    texture.needsUpdate = true;
    this.made.set(id, { of, texture });
    return texture;
  }

  dispose(): void {
    this.show(new Map());
  }
}
