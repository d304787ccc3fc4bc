/** A flat thing in one colour, or in a gradient. */
import { DataTexture, Group, LinearFilter, NoColorSpace, RGBAFormat } from 'three';
import { fillAt } from '../../../core/backdrop/gradient';
import type { Fill } from '../../../core/document/schema';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';
import { SurfaceQuad } from './surface-quad';

/** Along each side; the texture unit is smooth between. */
const PIXELS = 128;

const painted = (fill: Fill): DataTexture => {
  const size = fill.to === null ? 1 : PIXELS;
  const data = new Uint8Array(size * size * 4);
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++)
      data.set(
        [...fillAt(fill, (x + 0.5) / size, (y + 0.5) / size).map((c) => Math.round(255 * c)), 255],
        4 * (y * size + x),
      );
  const texture = new DataTexture(data, size, size, RGBAFormat);
  texture.colorSpace = NoColorSpace;
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
};

export class FillView implements ObjectView<Fill> {
  readonly node = new Group();
  private readonly flat: FlatMesh;
  private readonly quad: SurfaceQuad;
  private texture: DataTexture | null = null;
  private shows = '';

  constructor(tools: ViewTools) {
    this.flat = new FlatMesh(tools);
    this.quad = new SurfaceQuad(tools, this.node);
    this.node.add(this.flat.mesh);
  }

  update(now: ObjectNow<Fill>): boolean {
    const { object, opacity, order } = now;
    if (opacity === 0) return false;
    const worn = object.material ? now.effect.materials[object.material] : undefined;
    this.flat.mesh.visible = !worn;
    if (worn) {
      this.quad.show(now, worn);
      return true;
    }
    this.quad.hide();
    const { tint, to, gradient, angle, extent } = object;
    const key = [tint, to, gradient, angle, ...extent].join(' ');
    if (key !== this.shows) {
      this.texture?.dispose();
      this.texture = painted(object);
      this.shows = key;
    }
    // Its colours are in the texture.
    this.flat.style({ ...object, tint: '#ffffff' }, this.texture, WHOLE, opacity);
    this.flat.mesh.scale.set(extent[0], extent[1], 1);
    this.flat.order = order;
    return true;
  }

  dispose(): void {
    this.flat.dispose();
    this.quad.dispose();
    this.texture?.dispose();
  }
}
