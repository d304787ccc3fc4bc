/** A flat ground on which nothing but shadows is seen. */
import { Group, Mesh, PlaneGeometry, ShadowMaterial } from 'three';
import type { ShadowCatcher } from '../../../core/document/schema';
import type { ObjectNow, ObjectView } from './object-view';

export class ShadowCatcherView implements ObjectView<ShadowCatcher> {
  readonly node = new Group();
  private readonly mesh = new Mesh(new PlaneGeometry(1, 1), new ShadowMaterial());

  constructor() {
    // Flat on the ground: width along x, depth along z.
    this.mesh.rotation.x = -Math.PI / 2;
    this.mesh.receiveShadow = true;
    this.node.add(this.mesh);
  }

  update({ object, opacity, order }: ObjectNow<ShadowCatcher>): boolean {
    this.mesh.scale.set(object.extent[0], object.extent[1], 1);
    this.mesh.material.opacity = object.density * opacity;
    this.mesh.material.depthTest = object.depthTest;
    this.mesh.material.depthWrite = false;
    this.mesh.renderOrder = order;
    return object.density > 0 && opacity > 0;
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
