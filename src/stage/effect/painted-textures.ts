/** Textures of what is being painted right now: they stand in for the file of a layer until that is kept. */
import {
  ClampToEdgeWrapping,
  DataTexture,
  LinearFilter,
  NoColorSpace,
  RGBAFormat,
  type Texture,
} from 'three';
import { maskBounds, type Bounds } from '../../core/face/region-mask';
import type { Rect, Sheet } from '../../core/painter/sheet';

/** What of a layer is painted. */
export type PaintedPart = 'mask' | 'picture';

export class PaintedTextures {
  private readonly made = new Map<string, { readonly sheet: Sheet; readonly texture: DataTexture }>();

  /** `onChanged` is called when something was painted, so that the picture is drawn again. */
  constructor(private readonly onChanged: () => void) {}

  get(layer: string, part: PaintedPart): Texture | null {
    return this.made.get(`${layer} ${part}`)?.texture ?? null;
  }

  /** A sheet stands in for a part of a layer, as it is painted on. */
  begin(layer: string, part: PaintedPart, sheet: Sheet): void {
    this.end(layer, part);
    const texture = new DataTexture(new Uint8Array(sheet.data.buffer), sheet.size, sheet.size, RGBAFormat);
    texture.colorSpace = NoColorSpace;
    texture.minFilter = texture.magFilter = LinearFilter;
    texture.wrapS = texture.wrapT = ClampToEdgeWrapping;
    texture.userData.bounds = boundsOf(sheet);
    texture.needsUpdate = true;
    this.made.set(`${layer} ${part}`, { sheet, texture });
    this.onChanged();
  }

  /** The sheet was painted on. All of it is sent: that is quicker than the many rows of a stroke one by one. */
  changed(layer: string, part: PaintedPart, rect: Rect | null): void {
    const made = this.made.get(`${layer} ${part}`);
    if (!made) return;
    const { texture, sheet } = made;
    const [left, top, right, bottom] = texture.userData.bounds as Bounds;
    texture.userData.bounds = rect
      ? [
          Math.min(left, rect[0] / sheet.size),
          Math.min(top, rect[1] / sheet.size),
          Math.max(right, rect[2] / sheet.size),
          Math.max(bottom, rect[3] / sheet.size),
        ]
      : boundsOf(sheet);
    texture.needsUpdate = true;
    this.onChanged();
  }

  end(layer: string, part: PaintedPart): void {
    const key = `${layer} ${part}`;
    this.made.get(key)?.texture.dispose();
    this.made.delete(key);
    this.onChanged();
  }
}

/** Where anything is painted; nowhere is a corner. */
const boundsOf = ({ data, size }: Sheet): Bounds => {
  const there = new Uint8Array(size * size);
  for (let i = 0; i < there.length; i++) there[i] = data[4 * i + 3]!;
  return maskBounds(there, size) ?? [0, 0, 1 / size, 1 / size];
};
