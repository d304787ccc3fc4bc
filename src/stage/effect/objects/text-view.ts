/** A text, painted into a texture. */
import { CanvasTexture, Group, LinearFilter, LinearMipmapLinearFilter, NoColorSpace } from 'three';
import type { TextObject } from '../../../core/document/schema';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';
import { paintText } from './text-painting';

export class TextView implements ObjectView<TextObject> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private texture: CanvasTexture | null = null;
  private shows = '';

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    this.node.add(this.flat.mesh);
  }

  update({ object, effect, opacity, order }: ObjectNow<TextObject>): boolean {
    const asset = object.font === null ? null : effect.assets[object.font];
    const family = this.tools.stores.fonts.get(asset?.kind === 'font' ? asset : null);
    if (opacity === 0 || object.text.trim() === '' || family === null) return false;
    const { text, size, align, colour, outline, outlineColour, arc, spacing } = object;
    const wanted = JSON.stringify([text, size, align, colour, outline, outlineColour, arc, spacing, family]);
    if (wanted !== this.shows) {
      this.shows = wanted;
      this.texture?.dispose();
      const { canvas, low, high } = paintText(object, family);
      this.texture = new CanvasTexture(canvas);
      this.texture.colorSpace = NoColorSpace;
      this.texture.flipY = false;
      this.texture.magFilter = LinearFilter;
      this.texture.minFilter = LinearMipmapLinearFilter;
      this.texture.anisotropy = 4;
      this.flat.mesh.position.set((low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2, 0);
      this.flat.mesh.scale.set(high[0]! - low[0]!, high[1]! - low[1]!, 1);
    }
    this.flat.style({ ...object, tint: '#ffffff', doubleSided: true }, this.texture, WHOLE, opacity);
    this.flat.order = order;
    return true;
  }

  dispose(): void {
    this.texture?.dispose();
    this.flat.dispose();
  }
}
