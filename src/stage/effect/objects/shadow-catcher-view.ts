/** A ground, or the skin of a face, on which nothing but shadows is seen. */
import { Group, Mesh, PlaneGeometry, ShadowMaterial, type BufferGeometry } from 'three';
import { anchorOf } from '../../../core/document/queries';
import type { ShadowCatcher } from '../../../core/document/schema';
import { catchSmoothly } from '../smooth-shadows';
import { faceGeometry, fitFace } from './face-geometry';
import type { ObjectNow, ObjectView } from './object-view';

export class ShadowCatcherView implements ObjectView<ShadowCatcher> {
  readonly node = new Group();
  private readonly material = new ShadowMaterial();
  private readonly ground = new Mesh(new PlaneGeometry(1, 1), this.material);
  /** Made when it first catches on skin. */
  private skin: Mesh<BufferGeometry, ShadowMaterial> | null = null;

  constructor() {
    catchSmoothly(this.material);
    // Flat on the ground: width along x, depth along z.
    this.ground.rotation.x = -Math.PI / 2;
    this.ground.receiveShadow = true;
    this.node.add(this.ground);
  }

  update({ object, effect, opacity, face, order }: ObjectNow<ShadowCatcher>): boolean {
    this.material.opacity = object.density * opacity;
    this.material.depthTest = object.depthTest;
    this.material.depthWrite = false;
    if (object.density === 0 || opacity === 0) return false;
    const onSkin = anchorOf(effect, object).kind === 'skin';
    if (onSkin && !face) return false;
    this.ground.visible = !onSkin;
    if (onSkin) {
      if (!this.skin) {
        this.skin = new Mesh(faceGeometry(), this.material);
        this.skin.frustumCulled = false;
        this.skin.receiveShadow = true;
        this.node.add(this.skin);
      }
      fitFace(this.skin.geometry, face!);
      // Half a millimetre before the skin, so that a head occluder does not flicker through.
      this.skin.position.set(0, 0, 0.0005);
    }
    if (this.skin) this.skin.visible = onSkin;
    this.ground.scale.set(object.extent[0], object.extent[1], 1);
    for (const mesh of [this.ground, this.skin]) if (mesh) mesh.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.ground.geometry.dispose();
    this.skin?.geometry.dispose();
    this.material.dispose();
  }
}
