/** Formulas in number fields: each is a drive whose signal is the formula. */
import { edit, type Edit } from '../document/edit';
import { newDrive } from '../document/new-cues';
import { inOrder } from '../document/queries';
import type { Drive, DriveId, Effect, EffectObject, ObjectId } from '../document/schema';
import type { Formula } from '../kinds/signals/formula';
import { numberName, numbersOf, unitOfNumber } from '../kinds/numbers';
import type { UnitName } from '../schema/properties';
import type { Draft } from 'immer';

/** A number of objects that a formula is written for. */
export interface FormulaPlace {
  readonly objects: readonly ObjectId[];
  readonly property: string;
  /** What a number without a unit counts in; without, as lists show it. */
  readonly unit?: UnitName;
  /** The number of the document that a formula's 1 is, in its base unit; without, the same. */
  readonly factor?: number;
}
/** The unit a formula there counts in. */
export const unitOfPlace = (effect: Effect, { objects: [first], property, unit }: FormulaPlace): UnitName =>
  unit ?? unitOfNumber(first === undefined ? undefined : effect.objects[first], property);
/** The place of a property, by its path in the document (`move.0`, `rate`); null where nothing drives it. */
export const formulaPlace = (object: EffectObject, path: string): FormulaPlace | null => {
  const [of, axis] = path.split('.');
  const property =
    (of === 'move' || of === 'turn') && axis !== undefined ? `${of}${'XYZ'[Number(axis)]}` : path;
  return Object.hasOwn(numbersOf(object), property) ? { objects: [object.id], property } : null;
};
/** The place of a number that several objects have; null where one of them has none. */
export const sharedPlace = (objects: readonly EffectObject[], path: string): FormulaPlace | null => {
  const places = objects.map((object) => formulaPlace(object, path));
  const [first] = places;
  return first && places.every((place) => place !== null)
    ? { ...first, objects: objects.map(({ id }) => id) }
    : null;
};
/**
 * The place of a size along an axis: in metres where its own extent there is known, else as a share. `together` lets the other axes go along in
 * proportion.
 */
export const sizePlace = (
  objects: readonly EffectObject[],
  axis: 0 | 1 | 2,
  extent: number | null,
  together: boolean,
): FormulaPlace => ({
  objects: objects.map(({ id }) => id),
  property: `${together ? 'sizedBy' : 'scale'}${'XYZ'[axis]}`,
  unit: extent === null ? 'percent' : 'centimetres',
  // What is mirrored stays mirrored; of several each is as it is written.
  factor: (objects.length === 1 && objects[0]!.scale[axis] < 0 ? -1 : 1) / (extent ?? 1),
});
type FormulaDrive = Drive & { readonly signal: { readonly kind: 'formula' } & Formula };

/** The drive that writes a formula into just that number; of several the last, which counts. */
export const formulaAt = (effect: Effect, { objects, property }: FormulaPlace): FormulaDrive | null =>
  (inOrder(effect.drives).findLast(
    ({ signal, to }) =>
      signal.kind === 'formula' &&
      to.kind === 'number' &&
      to.property === property &&
      to.objects.length === objects.length &&
      to.objects.every((id, i) => id === objects[i]),
  ) as FormulaDrive | undefined) ?? null;

/** Writes a formula for a number of objects, instead of the one that was there: as it is, without ends. */
export const putFormula = (effect: Effect, place: FormulaPlace, formula: Formula, id: DriveId): Edit => {
  const [first] = place.objects;
  const object = first === undefined ? undefined : effect.objects[first];
  const signal = { kind: 'formula', ...formula, unit: unitOfPlace(effect, place) } as const;
  const to: [number, number] = [0, place.factor ?? 1];
  const before = formulaAt(effect, place);
  const order = Math.max(0, ...Object.values(effect.drives).map((d) => d.order)) + 1;
  const fresh = newDrive(id, order, signal, {
    kind: 'number',
    objects: [...place.objects],
    property: place.property,
  });
  const drive: Drive = before
    ? { ...before, signal, enabled: true, remap: { ...before.remap, to } }
    : { ...fresh, remap: { ...fresh.remap, to, bounded: false } };
  return edit(`Formula for ${numberName(object, place.property)}`, (d) => {
    d.drives[drive.id] = drive as Draft<Drive>;
  });
};
