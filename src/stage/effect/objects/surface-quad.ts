/** A flat thing that wears a material: a square of one metre, lit as solids are. */
import {
  Mesh,
  type BufferGeometry,
  type Material as ThreeMaterial,
  type Object3D,
  type Texture,
} from 'three';
import type { Card, Fill, Material } from '../../../core/document/schema';
import type { WornSurface } from '../../surface/worn-surface';
import { Blended } from '../blended';
import { flatGeometry } from './flat';
import type { ObjectNow, ViewTools } from './object-view';

export class SurfaceQuad {
  private mesh: Mesh<BufferGeometry, ThreeMaterial> | null = null;
  private surface: WornSurface | null = null;
  private extent: readonly [number, number] = [1, 1];

  constructor(
    private readonly tools: ViewTools,
    private readonly parent: Object3D,
  ) {}

  /** Shows the object in the material. */
  show(
    now: ObjectNow<Card | Fill>,
    material: Material,
    picture?: { texture: Texture; rect: readonly [number, number, number, number] },
  ): void {
    const { object, opacity, order } = now;
    if (!this.mesh || !this.surface) {
      const blended = new Blended(this.tools.beneath);
      this.surface = this.tools.surface(blended);
      this.mesh = new Mesh(flatGeometry());
      blended.watch(this.mesh);
      this.mesh.receiveShadow = true;
      this.parent.add(this.mesh);
    }
    const three = this.surface.update({
      ...object,
      effect: now.effect,
      face: now.wearer,
      time: now.time,
      opacity,
      material: onCard(material, object, picture !== undefined),
      ...(picture ? { picture } : {}),
    });
    this.mesh.material = three;
    this.mesh.customDepthMaterial = this.surface.shadow ?? undefined;
    this.mesh.castShadow = opacity > 0.5 && object.blend === 'normal';
    // Of its true size, so that circuits measure it in metres.
    const [width, height] = object.extent;
    if (width !== this.extent[0] || height !== this.extent[1]) {
      this.mesh.geometry.dispose();
      this.mesh.geometry = flatGeometry().scale(width, height, 1);
    }
    this.extent = [width, height];
    this.mesh.renderOrder = order;
    this.mesh.visible = true;
  }

  hide(): void {
    if (this.mesh) this.mesh.visible = false;
  }

  dispose(): void {
    this.mesh?.geometry.dispose();
    this.surface?.dispose();
  }
}

/**
 * A card is seen from behind when it says so, or its material does; and what is clear in its own picture stays clear, also
 * in a material that covers.
 */
const onCard = (material: Material, object: Card | Fill, ownPicture: boolean): Material => ({
  ...material,
  doubleSided: material.doubleSided || object.doubleSided,
  ...(ownPicture && !material.maps.base && material.alpha === 'opaque'
    ? ({ alpha: 'blend', opacity: 1 } as const)
    : {}),
});
