/** Questions about materials: who wears them, what they are made of. */
import {
  MAP_SLOTS,
  type CameraPart,
  type Effect,
  type EffectObject,
  type Material,
  type MaterialId,
  type PictureSource,
} from './schema';
import { cutText } from '../text';

/** Kinds of objects that can wear a material. */
export type Wearer = Extract<EffectObject, { material: MaterialId | null } | { kind: 'model' | 'part' }>;
/** Whether an object can wear materials at all. */
export const wearsMaterials = (object: EffectObject): object is Wearer =>
  'material' in object || 'materials' in object;

/** Which of a model's own materials is replaced: its number, or all others. */
export const ALL_SLOTS = 'all';

/** The material an object wears in a slot; null is its own look. A slot matters on models alone. */
export const materialIdOf = (object: EffectObject, slot = ALL_SLOTS): MaterialId | null => {
  if ('material' in object) return object.material;
  if ('materials' in object) return object.materials[slot] ?? object.materials[ALL_SLOTS] ?? null;
  return null;
};

/** Materials an object wears, each once. */
export const materialIdsOf = (object: EffectObject): MaterialId[] => {
  if ('material' in object) return object.material ? [object.material] : [];
  return 'materials' in object ? [...new Set(Object.values(object.materials))] : [];
};

/** The objects that wear a material, in any of their slots. */
export const wearersOf = (effect: Effect, id: MaterialId): EffectObject[] =>
  Object.values(effect.objects).filter((o) => materialIdsOf(o).includes(id));

/** Whether others wear one of the object's materials too. */
export const sharesMaterial = (effect: Effect, object: EffectObject, slot = ALL_SLOTS): boolean => {
  const id = materialIdOf(object, slot);
  return (
    id !== null &&
    Object.values(effect.objects).some((o) => o.id !== object.id && materialIdsOf(o).includes(id))
  );
};

/** Materials by name. */
export const materialOrder = (effect: Effect): Material[] =>
  Object.values(effect.materials).sort((a, b) =>
    a.name === b.name ? (a.id < b.id ? -1 : 1) : a.name.localeCompare(b.name, 'en'),
  );

/** Every picture a material is made of, its circuit's among them. */
export const picturesOf = (material: Material): PictureSource[] => [
  ...MAP_SLOTS.flatMap((slot) => material.maps[slot] ?? []),
  ...(material.mask ? [material.mask.picture] : []),
  ...Object.values(material.circuit ?? {}).flatMap((node) => node.picture ?? []),
];

/** Parts of the camera picture a material shows. */
export const materialCameraParts = (material: Material): CameraPart[] =>
  picturesOf(material).flatMap((picture) => (picture.from === 'camera' ? [picture.part] : []));

/** A name that no material bears yet: "Brass", "Brass 2"... */
export const freeMaterialName = (effect: Pick<Effect, 'materials'>, wanted: string): string => {
  const taken = new Set(Object.values(effect.materials).map((m) => m.name));
  if (!taken.has(wanted)) return cutText(wanted, 80);
  const stem = cutText(wanted.replace(/ \d+$/, ''), 74);
  let n = 2;
  while (taken.has(`${stem} ${n}`)) n++;
  return `${stem} ${n}`;
};
