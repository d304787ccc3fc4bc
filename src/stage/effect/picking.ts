/** What is seen at a point of the picture, of the nodes that objects are drawn by. */
import { Raycaster, Vector2, type Camera, type Object3D } from 'three';
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
): ObjectId | null => {
  if (nodes.length === 0) return null;
  const ray = new Raycaster();
  ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), camera);
  let solid: { id: ObjectId; distance: number } | null = null;
  let flat: { id: ObjectId; order: number; distance: number } | null = null;
  for (const hit of ray.intersectObjects(nodes)) {
    const id = objectIdOf(hit.object);
    const object = id ? objectOf(id) : undefined;
    if (!id || !object || !isShown(hit.object)) continue;
    const { drawn } = kindOf(object);
    if (drawn !== 'flat') {
      // A ground is picked only where nothing else is.
      const distance = drawn === 'ground' ? hit.distance + 1000 : hit.distance;
      if (!solid || distance < solid.distance) solid = { id, distance };
    } else if (!flat || hit.object.renderOrder > flat.order)
      flat = { id, order: hit.object.renderOrder, distance: hit.distance };
  }
  if (flat && solid) return flat.distance <= solid.distance ? flat.id : solid.id;
  return flat?.id ?? solid?.id ?? null;
};
