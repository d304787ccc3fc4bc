/** A solid in one colour, lit. */
import {
  BoxGeometry,
  CapsuleGeometry,
  ConeGeometry,
  CylinderGeometry,
  DoubleSide,
  FrontSide,
  Mesh,
  MeshStandardMaterial,
  PlaneGeometry,
  SphereGeometry,
  TorusGeometry,
  type BufferGeometry,
} from 'three';
import type { Solid } from '../../../core/document/schema';
import { Group } from 'three';
import { Blended } from '../blended';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** Of the given width, height and depth. */
export const solidGeometry = ({
  shape,
  extent: [w, h, d],
}: Pick<Solid, 'shape' | 'extent'>): BufferGeometry => {
  switch (shape) {
    case 'box':
      return new BoxGeometry(w, h, d);
    case 'sphere':
      return new SphereGeometry(0.5, 32, 20).scale(w, h, d);
    case 'cylinder':
      return new CylinderGeometry(0.5, 0.5, 1, 40).scale(w, h, d);
    case 'cone':
      return new ConeGeometry(0.5, 1, 40).scale(w, h, d);
    case 'torus': {
      // Lies in the plane of x and y; its tube is as thick as it is deep.
      const tube = Math.min(d, 0.98 * Math.min(w, h)) / 2;
      const ring = Math.min(w, h) / 2 - tube;
      return new TorusGeometry(ring, tube, 16, 48).scale(
        w / Math.min(w, h),
        h / Math.min(w, h),
        d / (2 * tube),
      );
    }
    case 'plane':
      return new PlaneGeometry(w, h);
    case 'capsule': {
      const straight = Math.max(0, h - w);
      return new CapsuleGeometry(w / 2, straight, 8, 24).scale(1, h / (straight + w), d / w);
    }
  }
};

export class SolidView implements ObjectView<Solid> {
  readonly node = new Group();
  private readonly mesh = new Mesh<BufferGeometry, MeshStandardMaterial>(
    undefined,
    new MeshStandardMaterial(),
  );
  private shows = '';

  private readonly blended: Blended;

  constructor(tools: Pick<ViewTools, 'beneath'>) {
    this.blended = new Blended(tools.beneath);
    this.blended.prepare(this.mesh.material);
    this.blended.watch(this.mesh);
    this.node.add(this.mesh);
    this.mesh.receiveShadow = true;
  }

  update({ object, opacity, order }: ObjectNow<Solid>): boolean {
    if (opacity === 0) return false;
    const shape = `${object.shape} ${object.extent.join(' ')}`;
    if (shape !== this.shows) {
      this.shows = shape;
      this.mesh.geometry.dispose();
      this.mesh.geometry = solidGeometry(object);
    }
    const { material } = this.mesh;
    material.color.set(object.colour);
    material.roughness = object.roughness;
    material.metalness = object.metalness;
    material.opacity = opacity;
    this.blended.style(material, object.blend, opacity < 1);
    material.side = object.shape === 'plane' ? DoubleSide : FrontSide;
    material.depthTest = object.depthTest;
    material.depthWrite = object.depthWrite;
    this.mesh.castShadow = opacity > 0.5;
    this.mesh.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
