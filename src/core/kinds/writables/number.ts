/** A number of objects, by its path in `kinds/numbers.ts`: of each of them the same. */
import { MOST_TARGETS } from '../actions/action-kind';
import { unitOfNumber } from '../numbers';
import { propertiesOf, type EffectObject } from '../objects/objects';
import { objectIdSchema, type ObjectId } from '../../schema/placed-schema';
import { valueAt, type UnitName } from '../../schema/properties';
import { text } from '../../schema/values-schema';
import { z } from 'zod';
import { defineWritable, type Ends } from './writable-kind';

/** Widest range that is driven from end to end at once, in the document's units: beyond it the range lies around the value. */
const WIDE: Partial<Record<UnitName, number>> = {
  percent: 1,
  percentPoints: 100,
  degrees: 360,
  plain: 10,
  rounds: 10,
};
const around = (value: number, by: number): Ends => [value - by, value + by];

/** Sensible ends for a number of an object, in the document's units: a turn goes round, a share from none to all, a place 10 cm to both sides. */
export const endsOfNumber = (object: EffectObject, path: string): Ends => {
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

/** The key of one number of one object. */
export const keyOfNumber = (object: ObjectId, property: string): string => `number ${object} ${property}`;

export const number = defineWritable({
  kind: 'number',
  group: 'Objects',
  fields: { objects: z.array(objectIdSchema).max(MOST_TARGETS), property: text(40) },
  keys: ({ objects, property }) => objects.map((id) => keyOfNumber(id, property)),
  ends: ({ objects, property }, facts) => {
    // As it fits the first of them.
    const object = objects.map((id) => facts.object(id)).find((o) => o !== undefined);
    return object ? endsOfNumber(object, property) : [0, 1];
  },
  unit: ({ objects: [first], property }, facts) =>
    first === undefined ? 'plain' : unitOfNumber(facts.object(first), property),
  setters: ({ objects, property }, of) => objects.map((object) => of.number(object, property)),
});
