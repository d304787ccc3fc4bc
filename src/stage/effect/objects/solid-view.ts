/** A solid in one colour, lit. */
import {
  BoxGeometry,
  CapsuleGeometry,
  ConeGeometry,
  CylinderGeometry,
  DoubleSide,
  FrontSide,
  Group,
  Mesh,
  MeshStandardMaterial,
  PlaneGeometry,
  SphereGeometry,
  TorusGeometry,
  type BufferGeometry,
  type Material,
} from 'three';
import type { Solid } from '../../../core/document/schema';
import { SurfaceMaterial } from '../../surface/surface-material';
import { Blended } from '../blended';
import type { ObjectNow, ObjectView, ViewTools } from './object-view';

/** Of the given width, height and depth. Pictures lie on it from the upper left, as everywhere in Iconia. */
export const solidGeometry = (solid: Pick<Solid, 'shape' | 'extent'>): BufferGeometry => {
  const geometry = shapeOf(solid);
  const uv = geometry.getAttribute('uv');
  for (let i = 0; i < uv.count; i++) uv.setY(i, 1 - uv.getY(i));
  return geometry;
};

const shapeOf = ({ shape, extent: [w, h, d] }: Pick<Solid, 'shape' | 'extent'>): BufferGeometry => {
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
  private readonly plain = new MeshStandardMaterial();
  private readonly mesh = new Mesh<BufferGeometry, Material>(undefined, this.plain);
  private readonly surface: SurfaceMaterial;
  private shows = '';

  private readonly blended: Blended;

  constructor(tools: ViewTools) {
    this.blended = new Blended(tools.beneath);
    this.surface = new SurfaceMaterial(tools, this.blended);
    this.blended.prepare(this.plain);
    this.blended.watch(this.mesh);
    this.node.add(this.mesh);
    this.mesh.receiveShadow = true;
  }

  update(now: ObjectNow<Solid>): boolean {
    const { object, opacity, order } = now;
    if (opacity === 0) return false;
    const shape = `${object.shape} ${object.extent.join(' ')}`;
    if (shape !== this.shows) {
      this.shows = shape;
      this.mesh.geometry.dispose();
      this.mesh.geometry = solidGeometry(object);
    }
    const worn = object.material ? now.effect.materials[object.material] : undefined;
    if (worn) {
      this.mesh.material = this.surface.update({
        ...now,
        ...object,
        opacity,
        face: now.wearer,
        material: worn,
      });
      this.mesh.customDepthMaterial = this.surface.shadow ?? undefined;
      // It has no back to be seen from inside.
      if (object.shape === 'plane') this.mesh.material.side = DoubleSide;
    } else this.stylePlain(object, opacity);
    this.mesh.castShadow = opacity > 0.5;
    this.mesh.renderOrder = order;
    return true;
  }

  private stylePlain(object: Solid, opacity: number): void {
    const { plain } = this;
    this.mesh.material = plain;
    this.mesh.customDepthMaterial = undefined;
    plain.color.set(object.colour);
    plain.roughness = object.roughness;
    plain.metalness = object.metalness;
    plain.opacity = opacity;
    this.blended.style(plain, object.blend, opacity < 1);
    plain.side = object.shape === 'plane' ? DoubleSide : FrontSide;
    plain.depthTest = object.depthTest;
    plain.depthWrite = object.depthWrite;
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.plain.dispose();
    this.surface.dispose();
  }
}
