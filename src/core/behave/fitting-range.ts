/** What a drive does at first: between which numbers, so that something sensible is seen at once. */
import type { Drive, Effect, EffectObject, Signal } from '../document/schema';
import { propertiesOf } from '../kinds/objects/objects';
import { UNITS, valueAt, type UnitName } from '../schema/properties';
import { reachOf } from './explain';

type Range = readonly [number, number];
/** Widest range that is driven from end to end at once, in the document's units: beyond it the range lies around the value. */
const WIDE: Partial<Record<UnitName, number>> = {
  percent: 1,
  percentPoints: 100,
  degrees: 360,
  plain: 10,
  rounds: 10,
};

const around = (value: number, by: number): Range => [value - by, value + by];

/** Sensible ends for a number of an object, in the document's units: a turn goes round, a share from none to all, a place 10 cm to both sides. */
export const fittingRange = (object: EffectObject, path: string): Range => {
  const axis = 'XYZ'.indexOf(path.slice(-1));
  if (path.startsWith('move') && axis >= 0) return around(object.move[axis]!, 0.1);
  if (path.startsWith('turn') && axis >= 0) return [object.turn[axis]!, object.turn[axis]! + 360];
  if (path === 'size') return [0.5, 1.5];
  if (path === 'visible') return [0, 1];
  const property = propertiesOf(object)[path];
  if (property?.type !== 'number') return [0, 1];
  const [low, high] = property.offered ?? [property.low, property.high];
  if (high - low <= (WIDE[property.unit] ?? 0)) return [low, high];
  const value = Number(valueAt(object, path) ?? 0);
  const [from, to] = value === 0 ? [low, Math.min(high, 1)] : [value / 2, value * 2];
  return [Math.max(low, Math.min(from, to)), Math.min(high, Math.max(from, to))];
};

/** The same for whatever a drive drives: an action takes from twice to half its time, so that more makes it faster. */
export const fittingTo = (effect: Effect, to: Drive['to']): Range => {
  if (to.kind === 'number') {
    // As it fits the first of them.
    const object = to.objects.map((id) => effect.objects[id]).find((o) => o !== undefined);
    return object ? fittingRange(object, to.property) : [0, 1];
  }
  if (to.kind !== 'duration') return [0, 1];
  const cue = to.cue ? effect.cues[to.cue] : undefined;
  const action = cue?.beats.flatMap((b) => b.actions).find((a) => a.id === to.action);
  return action && action.duration > 0 ? [action.duration * 2, action.duration / 2] : [2, 0.5];
};

/** Between what a signal goes; 0 to 1 where nobody can say. */
export const fittingFrom = (effect: Effect, signal: Signal): Range => reachOf(signal, effect) ?? [0, 1];

/** How ends of a driven number are shown: by which factor, with what behind it. */
export const shownAs = (
  object: EffectObject | undefined,
  path: string,
): { readonly factor: number; readonly mark: string; readonly digits: number } => {
  const property = object ? propertiesOf(object)[path] : undefined;
  const unit: UnitName = path.startsWith('move')
    ? 'centimetres'
    : path.startsWith('turn')
      ? 'degrees'
      : path === 'size' || path === 'opacity'
        ? 'percent'
        : property?.type === 'number'
          ? property.unit
          : 'plain';
  const { factor, mark, digits } = UNITS[unit];
  return { factor, mark, digits: Math.max(1, digits) };
};
