/** A soft dark oval on the ground. */
import {
  DataTexture,
  LinearFilter,
  Mesh,
  MeshBasicMaterial,
  NoColorSpace,
  PlaneGeometry,
  RGBAFormat,
  Group,
} from 'three';
import type { ContactShadow } from '../../../core/document/schema';
import { boxOf } from '../../../core/placing/bounds';
import { contactOf } from '../../../core/placing/contact';
import type { ObjectNow, ObjectView } from './object-view';

const PIXELS = 64;

/** Alpha from the middle to the rim; the edge begins where softness says. */
const ovalOf = (softness: number): DataTexture => {
  const data = new Uint8Array(PIXELS * PIXELS * 4);
  const hard = 1 - Math.max(0.02, softness);
  for (let y = 0; y < PIXELS; y++)
    for (let x = 0; x < PIXELS; x++) {
      const r = Math.hypot((x + 0.5) / PIXELS - 0.5, (y + 0.5) / PIXELS - 0.5) * 2;
      const share = Math.min(1, Math.max(0, (1 - r) / (1 - hard)));
      // Smooth at both ends, so that neither the core nor the rim shows a line.
      data[4 * (y * PIXELS + x) + 3] = Math.round(255 * share * share * (3 - 2 * share));
    }
  const texture = new DataTexture(data, PIXELS, PIXELS, RGBAFormat);
  texture.colorSpace = NoColorSpace;
  texture.minFilter = texture.magFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
};

export class ContactShadowView implements ObjectView<ContactShadow> {
  readonly node = new Group();
  private readonly material = new MeshBasicMaterial({
    color: 0x000000,
    transparent: true,
    depthWrite: false,
  });
  private readonly oval = new Mesh(new PlaneGeometry(1, 1), this.material);
  private softness = -1;

  constructor() {
    // Flat on the ground: width along x, depth along z.
    this.oval.rotation.x = -Math.PI / 2;
    this.node.add(this.oval);
  }

  update({ object, effect, opacity, order, matrix, placeOf }: ObjectNow<ContactShadow>): boolean {
    const thing = object.below ? effect.objects[object.below] : undefined;
    const there = thing ? placeOf(thing.id) : null;
    const box = thing ? boxOf(effect, thing) : null;
    // What it follows is hidden or nowhere: then so is its shadow.
    if (thing && !there) return false;
    const contact = there && box ? contactOf(matrix, there.matrix, box, object.fadesAt) : null;
    // It fades with what it follows.
    const strength = object.density * opacity * (there?.opacity ?? 1) * (contact?.strength ?? 1);
    if (strength === 0) return false;
    if (object.softness !== this.softness) {
      this.material.map?.dispose();
      this.material.map = ovalOf(object.softness);
      this.softness = object.softness;
    }
    this.material.opacity = strength;
    this.material.depthTest = object.depthTest;
    const spread = contact?.spread ?? 1;
    this.oval.scale.set(object.extent[0] * spread, object.extent[1] * spread, 1);
    this.oval.position.set(contact?.shift[0] ?? 0, 0, contact?.shift[1] ?? 0);
    this.oval.renderOrder = order;
    return true;
  }

  dispose(): void {
    this.oval.geometry.dispose();
    this.material.map?.dispose();
    this.material.dispose();
  }
}
