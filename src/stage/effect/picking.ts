/** What is seen at a point of the picture, of the nodes that objects are drawn by. */
import type { Vec3 } from '../../core/maths/vec3';
import { Raycaster, Vector2, type Camera, type Object3D } from 'three';
import type { PartData } from './model-store';
import { kindOf } from '../../core/kinds/objects/objects';
import type { EffectObject, ObjectId } from '../../core/document/schema';

/** Whether an object can be picked by pointing at it. */
export const canBePicked = (object: EffectObject): boolean => kindOf(object).drawn !== 'otherwise';

/** The object a node of the scene stands for, or belongs to. */
export const objectIdOf = (node: Object3D): ObjectId | null => {
  for (let o: Object3D | null = node; o; o = o.parent)
    if (o.userData.objectId) return o.userData.objectId as ObjectId;
  return null;
};

/** Whether the node and all it hangs in are shown. */
const isShown = (node: Object3D): boolean => {
  for (let o: Object3D | null = node; o; o = o.parent) if (!o.visible) return false;
  return true;
};

/** What is seen at a point. */
export interface Picked {
  readonly id: ObjectId;
  /** Of a model: the part that was met and is no object of its own, by its place in the part tree; null for everything else. */
  readonly part: number | null;
  /** Where the ray met it, in the space it is drawn in. */
  readonly point: Vec3;
}

/** The part of its model that a node is, or lies in; null for what is no part, and for parts that are objects. */
const partAt = (node: Object3D): number | null => {
  for (let o: Object3D | null = node; o; o = o.parent) {
    if (o.userData.objectId) return null;
    const { part, partName } = o.userData as PartData;
    if (part !== undefined && partName) return part;
  }
  return null;
};

/** A point of the picture, 0..1 from the top left, and the camera it is seen by. */
interface Pointed {
  readonly x: number;
  readonly y: number;
  readonly camera: Camera;
}

/**
 * Of what a ray meets, what is seen there: the topmost flat thing of the Stack, unless something solid stands
 * before it. Occluders are not asked; what they hide can still be picked.
 */
export const pickTopmost = (
  { x, y, camera }: Pointed,
  nodes: Object3D[],
  objectOf: (id: ObjectId) => EffectObject | undefined,
): Picked | null => {
  if (nodes.length === 0) return null;
  const ray = new Raycaster();
  ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), camera);
  let solid: (Picked & { distance: number }) | null = null;
  let flat: (Picked & { order: number; distance: number }) | null = null;
  for (const hit of ray.intersectObjects(nodes)) {
    const id = objectIdOf(hit.object);
    const object = id ? objectOf(id) : undefined;
    if (!id || !object || !isShown(hit.object)) continue;
    const { x: px, y: py, z: pz } = hit.point;
    const picked: Picked = { id, part: partAt(hit.object), point: [px, py, pz] };
    const { drawn } = kindOf(object);
    if (drawn !== 'flat') {
      // A ground is picked only where nothing else is.
      const distance = drawn === 'ground' ? hit.distance + 1000 : hit.distance;
      if (!solid || distance < solid.distance) solid = { ...picked, distance };
    } else if (!flat || hit.object.renderOrder > flat.order)
      flat = { ...picked, order: hit.object.renderOrder, distance: hit.distance };
  }
  if (flat && solid) return flat.distance <= solid.distance ? flat : solid;
  return flat ?? solid;
};
