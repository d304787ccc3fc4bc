/** Numbers as they are written in sentences. */
import { UNITS, type UnitName } from '../schema/properties';

/** A number with at most two digits behind the point, and no more than it needs: `written(0.5)` is "0.5". */
export const written = (n: number): string => String(Math.round(n * 100) / 100);
/** A number of the document in a unit: "80 %", "3 cm". */
export const writtenIn = (unit: UnitName, n: number): string => {
  const { factor, mark } = UNITS[unit];
  return `${written(n * factor)}${mark === '%' ? ' %' : mark}`;
};
/** Three of them, by a factor: "0, 3, 0". */
export const writtenAll = (v: readonly number[], factor: number): string =>
  v.map((n) => written(n * factor)).join(', ');
