/** Between which numbers a drive goes at first, so that something sensible is seen at once. */
import type { Effect, Signal } from '../document/schema';
import { writableFacts } from '../document/writable-facts';
import { UNITS } from '../schema/properties';
import type { Ends } from '../kinds/writables/writable-kind';
import { endsOf, unitOf, type Writable } from '../kinds/writables/writables';
import { reachOf } from './explain';

/** For whatever is written. */
export const fittingTo = (effect: Effect, to: Writable): Ends => endsOf(to, writableFacts(effect));

/** Between what a signal goes; 0 to 1 where nobody can say. */
export const fittingFrom = (effect: Effect, signal: Signal): Ends => reachOf(signal, effect) ?? [0, 1];

/** How ends of what is written are shown: by which factor, with what behind them. */
export const shownAs = (
  effect: Effect,
  to: Writable,
): { readonly factor: number; readonly mark: string; readonly digits: number } => {
  const { factor, mark, digits } = UNITS[unitOf(to, writableFacts(effect))];
  return { factor, mark, digits: Math.max(1, digits) };
};
