/** What several objects have in common, and where they differ. */
import { isOnFace, propertiesOf } from '../kinds/objects/objects';
import { valueAt, type Property } from '../schema/properties';
import type { EffectObject } from './schema';

/** A property that all of several objects have. */
export interface SharedProperty {
  readonly property: Property;
  /** Of the first of them. */
  readonly value: unknown;
  /** Others have another value. */
  readonly isMixed: boolean;
}

/** The same field: of one type, and of choices the same ones. */
const isSame = (a: Property, b: Property | undefined): boolean =>
  b !== undefined &&
  a.type === b.type &&
  a.name === b.name &&
  (a.type !== 'choice' ||
    (b.type === 'choice' && a.options.map((o) => o.value).join() === b.options.map((o) => o.value).join()));

/**
 * The described properties that all objects have, by their path, in the order of the first. What lies on a face as a whole has no place of its
 * own; a pivot is a point of each object's own space, and is not shared.
 */
export const sharedProperties = (
  objects: readonly EffectObject[],
): Readonly<Record<string, SharedProperty>> => {
  const [first, ...others] = objects;
  if (!first) return {};
  const isPlaced = !objects.some(isOnFace);
  return Object.fromEntries(
    Object.entries(propertiesOf(first)).flatMap(([path, property]): [string, SharedProperty][] => {
      const [key] = path.split('.');
      if (key === 'pivot' || (!isPlaced && (key === 'move' || key === 'turn'))) return [];
      // Another number stands for it.
      if (property.type === 'number' && property.quietFor !== undefined) return [];
      if (!others.every((o) => isSame(property, propertiesOf(o)[path]))) return [];
      const value = valueAt(first, path);
      return [[path, { property, value, isMixed: others.some((o) => valueAt(o, path) !== value) }]];
    }),
  );
};
