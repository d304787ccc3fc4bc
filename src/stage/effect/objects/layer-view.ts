/** A picture over the whole face: it goes with the skin. */
import { BufferAttribute, BufferGeometry, Group } from 'three';
import type { Layer } from '../../../core/document/schema';
import { FACE_LANDMARKS } from '../../../core/face/landmarks';
import { TRIANGLES, UV } from '../../../core/face/neutral';
import { FlatMesh, WHOLE } from './flat';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

const faceGeometry = (): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(FACE_LANDMARKS * 3), 3));
  geometry.setAttribute('uv', new BufferAttribute(Float32Array.from(UV), 2));
  geometry.setIndex([...TRIANGLES]);
  return geometry;
};

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
    const position = this.flat.mesh.geometry.getAttribute('position') as BufferAttribute;
    (position.array as Float32Array).set(face.landmarks.subarray(0, FACE_LANDMARKS * 3));
    position.needsUpdate = true;
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
