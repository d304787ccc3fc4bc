/** A step of a grade: as it is before a creator changes anything. */
import { STRAIGHT } from '../grade/tone-curve';
import { DAYLIGHT } from '../grade/white-balance';
import type { GradeStep, GradeStepKind } from '../document/schema';

/** A step as it comes in: it changes nothing until its numbers are moved, but for those that are for one thing. */
export const newGradeStep = (id: string, kind: GradeStepKind): GradeStep => {
  const shared = { id, on: true };
  switch (kind) {
    case 'exposure':
      return { ...shared, kind, stops: 0 };
    case 'whiteBalance':
      return { ...shared, kind, kelvin: DAYLIGHT, tint: 0 };
    case 'contrast':
    case 'saturation':
      return { ...shared, kind, amount: 0 };
    case 'curves':
      return { ...shared, kind, all: straight(), red: straight(), green: straight(), blue: straight() };
    case 'table':
      return { ...shared, kind, asset: null, strength: 1 };
    case 'vignette':
      return { ...shared, kind, amount: 0.4, begin: 0.45, softness: 0.6 };
    case 'grain':
      return { ...shared, kind, amount: 0.3, size: 1.5 };
    case 'bloom':
      return { ...shared, kind, above: 0.75, strength: 0.5, reach: 0.5 };
    case 'sharpen':
      return { ...shared, kind, amount: 0.5 };
  }
};
const straight = (): [number, number][] => STRAIGHT.map(([x, y]) => [x, y]);
