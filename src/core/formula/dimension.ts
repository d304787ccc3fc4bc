/**
 * What a number in a formula measures. Lengths are in metres, angles in degrees, times in seconds, and a share of 1 is 100 %. Only lengths
 * are told from plain numbers strictly: fields show centimetres and signals metres, so that a 2 beside a length would mean either.
 */
import { UNITS, type UnitName } from '../schema/properties';

export type Dimension = 'number' | 'share' | 'angle' | 'time' | 'length';

export const DIMENSION_WORDS: Readonly<Record<Dimension, string>> = {
  number: 'a number',
  share: 'a share',
  angle: 'an angle',
  time: 'a time',
  length: 'a length',
};

/** Units that are written behind a number, and how much of the document's unit one of them is. */
export const WRITTEN_UNITS: Readonly<Record<string, { readonly is: Dimension; readonly factor: number }>> = {
  mm: { is: 'length', factor: 0.001 },
  cm: { is: 'length', factor: 0.01 },
  m: { is: 'length', factor: 1 },
  deg: { is: 'angle', factor: 1 },
  '°': { is: 'angle', factor: 1 },
  turns: { is: 'angle', factor: 360 },
  '%': { is: 'share', factor: 0.01 },
  ms: { is: 'time', factor: 0.001 },
  s: { is: 'time', factor: 1 },
};

/** What a field of a unit takes. */
export const dimensionOf = (unit: UnitName): Dimension => {
  switch (unit) {
    case 'centimetres':
    case 'millimetres':
    case 'metres':
      return 'length';
    case 'degrees':
      return 'angle';
    case 'seconds':
      return 'time';
    case 'percent':
      return 'share';
    default:
      return 'number';
  }
};

/**
 * What a result is multiplied by to be in the document's unit of a field; null where a length would be taken for something else. A plain
 * number, and what has a unit of another kind, counts in the unit that the field shows.
 */
export const factorInto = (result: Dimension, unit: UnitName): number | null => {
  const wanted = dimensionOf(unit);
  if (result === wanted && result !== 'number') return 1;
  if (result === 'length') return null;
  // A share of a field in hundredths is a share of it.
  if (result === 'share' && unit === 'percentPoints') return 100;
  return 1 / UNITS[unit].factor;
};
