/** What two objects have between them. */
import { positionOf, type Matrix } from '../../maths/matrix';
import type { Vec3 } from '../../maths/vec3';
import { objectIdSchema, type ObjectId } from '../../schema/placed-schema';
import { orNone, toChoose } from '../../schema/references';
import type { Names } from '../names';
import type { SignalSource } from './signal-kind';

/** An object, and another; from null it is the viewer. */
export const betweenFields = () => ({
  object: toChoose(objectIdSchema, 'Object of the signal', { ask: 'Choose what' }),
  from: orNone(objectIdSchema, 'To what', 'the viewer', { mark: 'to' }),
});
interface Between {
  readonly object: ObjectId | null;
  readonly from: ObjectId | null;
}
export const NOTHING_BETWEEN: Between = { object: null, from: null };

/** "Crab to the viewer" */
export const betweenWords = ({ object, from }: Between, names: Names): string =>
  `${names.object(object)} to ${from === null ? 'the viewer' : names.object(from)}`;

/** Where the one is, and the place of the other; null while either has none. */
export const bothOf = (
  { object, from }: Between,
  source: SignalSource,
): { readonly matrix: Matrix; readonly other: Vec3 } | null => {
  const matrix = object === null ? null : source.matrixOf(object);
  if (!matrix) return null;
  if (from === null) return { matrix, other: source.frame.camera.pose.position };
  const second = source.matrixOf(from);
  return second && { matrix, other: positionOf(second) };
};
