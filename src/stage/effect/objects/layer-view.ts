/** A picture over the whole face: it goes with the skin. */
import { Group } from 'three';
import type { Layer } from '../../../core/document/schema';
import { faceGeometry, fitFace } from './face-geometry';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

export class LayerView implements ObjectView<Layer> {
  readonly node = new Group();
  private readonly flat: FlatMesh;

  constructor(private readonly tools: ViewTools) {
    this.flat = new FlatMesh(tools.beneath, faceGeometry());
    this.flat.mesh.frustumCulled = false;
    this.node.add(this.flat.mesh);
  }

  update({ object, effect, opacity, face, order }: ObjectNow<Layer>): boolean {
    const asset = effect.assets[object.asset];
    const texture = asset?.kind === 'picture' ? this.tools.stores.textures.get(asset) : null;
    if (!face || !texture || opacity === 0) return false;
    fitFace(this.flat.mesh.geometry, face, false);
    // It lies in the skin: half a millimetre before it, so that a head occluder does not flicker through.
    this.flat.mesh.position.set(0, 0, 0.0005);
    this.flat.style({ ...object, doubleSided: false }, texture, WHOLE, opacity);
    this.flat.mesh.castShadow = false;
    this.flat.mesh.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.flat.dispose();
  }
}
