/** Between which numbers a drive goes at first, so that something sensible is seen at once. */
import type { Effect, ObjectId, Signal } from '../document/schema';
import { writableFacts } from '../document/writable-facts';
import { UNITS, type UnitName } from '../schema/properties';
import { unitOfNumber } from '../kinds/numbers';
import { shownIn } from '../kinds/signals/signals';
import type { Ends } from '../kinds/writables/writable-kind';
import { endsOf, unitOf, type Writable } from '../kinds/writables/writables';
import { reachOf } from './explain';

/** For whatever is written. */
export const fittingTo = (effect: Effect, to: Writable): Ends => endsOf(to, writableFacts(effect));

/** Between what a signal goes; 0 to 1 where nobody can say. */
export const fittingFrom = (effect: Effect, signal: Signal): Ends => reachOf(signal, effect) ?? [0, 1];

/** How a number is shown: by which factor, with what behind it. */
export interface Shown {
  readonly factor: number;
  readonly mark: string;
  readonly digits: number;
}
const shown = (unit: UnitName): Shown => {
  const { factor, mark, digits } = UNITS[unit];
  return { factor, mark, digits: Math.max(1, digits) };
};
/** How ends of what is written are shown. */
export const shownAs = (effect: Effect, to: Writable): Shown => shown(unitOf(to, writableFacts(effect)));
/** How values of a signal are shown. */
export const readAs = (effect: Effect, signal: Signal): Shown =>
  shown(
    shownIn(signal, (id, path) =>
      unitOfNumber(id === null ? undefined : effect.objects[id as ObjectId], path),
    ),
  );
