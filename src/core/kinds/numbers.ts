/**
 * The numbers of objects that actions and drives can change, by their path in the document. What every object has, the pose and
 * the opacity, is kept in `Values`; everything else lies over the object as the document has it.
 */
import { perObject } from '../memo';
import { listed, valueAt, withValueAt, type NumberProperty, type UnitName } from '../schema/properties';
import { propertiesOf, type EffectObject } from './objects/objects';
import { clamp } from '../maths/scalar';
import type { Vec3 } from '../maths/vec3';
import type { Values } from './values';

/** Least and most. */
export type Bounds = readonly [low: number, high: number];

const ZERO_TO_ONE: Bounds = [0, 1];
const SCALES: Bounds = [-1000, 1000];
/**
 * What `Values` holds itself. `size` is a factor on the placed size, `scaleX` the scale along an axis, `sizedByX` the same with the other axes going
 * along as they are placed; metres and degrees elsewhere.
 */
const PLACED: Readonly<Record<string, Bounds>> = {
  moveX: [-1e4, 1e4],
  moveY: [-1e4, 1e4],
  moveZ: [-1e4, 1e4],
  turnX: [-1e6, 1e6],
  turnY: [-1e6, 1e6],
  turnZ: [-1e6, 1e6],
  size: [0, 1000],
  ...Object.fromEntries(
    ['X', 'Y', 'Z'].flatMap((axis) => [`scale${axis}`, `sizedBy${axis}`].map((path) => [path, SCALES])),
  ),
  visible: ZERO_TO_ONE,
};
/** Numbers of the pose, as lists call them. */
export const POSE_WORDS = {
  moveX: 'move x (m)',
  moveY: 'move y (m)',
  moveZ: 'move z (m)',
  turnX: 'turn x (°)',
  turnY: 'turn y (°)',
  turnZ: 'turn z (°)',
  size: 'size',
} as const;
const PLACED_NAMES: Readonly<Record<string, string>> = {
  ...POSE_WORDS,
  scaleX: 'size along x',
  scaleY: 'size along y',
  scaleZ: 'size along z',
  visible: 'shown',
};

/** What every object has and `Values` keeps itself. */
const KEPT = new Set(['opacity']);

/** Numbers of an object that behaviour can change, as its kind describes them; see `objects/`. */
const drivenOf = perObject((object: EffectObject): Readonly<Record<string, NumberProperty>> => {
  const found: Record<string, NumberProperty> = {};
  for (const [path, property] of Object.entries(propertiesOf(object)))
    if (property.type === 'number' && property.driven) found[path] = property;
  return found;
});
const boundsOf = ({ low, high }: NumberProperty): Bounds => [low, high];

/** Every number of an object that behaviour can change: paths and bounds. A path of its own goes before one that all have. */
export const numbersOf = perObject((object: EffectObject): Readonly<Record<string, Bounds>> => ({
  ...PLACED,
  ...Object.fromEntries(Object.entries(drivenOf(object)).map(([path, number]) => [path, boundsOf(number)])),
}));

/** Those that are offered in lists. */
export const offeredNumbers = (object: EffectObject): readonly string[] =>
  Object.keys(numbersOf(object)).filter(
    (path) =>
      !path.startsWith('sizedBy') &&
      !(Object.hasOwn(drivenOf(object), path) && drivenOf(object)[path]!.quietFor),
  );

/** The unit a number of an object is shown in. */
export const unitOfNumber = (object: EffectObject | undefined, path: string): UnitName => {
  if (path.startsWith('move')) return 'centimetres';
  if (path.startsWith('turn')) return 'degrees';
  if (path === 'size' || path === 'opacity') return 'percent';
  const property = object ? propertiesOf(object)[path] : undefined;
  return property?.type === 'number' ? property.unit : 'plain';
};

/** What a number of an object is called in a list: "strength of the light", "shortest life (s)". */
export const numberName = (object: EffectObject | undefined, path: string): string => {
  const own = object && Object.hasOwn(drivenOf(object), path) ? drivenOf(object)[path] : undefined;
  return own ? listed(own) : (PLACED_NAMES[path] ?? (path.startsWith('sizedBy') ? 'size' : path));
};

/** The same where its values are shown with their unit: "strength of the light", "shortest life". */
export const bareNumberName = (object: EffectObject | undefined, path: string): string =>
  numberName(object, path).replace(/ \([^)]*\)$/, '');

// A document may say anything, `__proto__` too.
const isOwn = (object: EffectObject, path: string): boolean =>
  !KEPT.has(path) && Object.hasOwn(drivenOf(object), path);

const AXES = ['X', 'Y', 'Z'];

/** The number now; null where the object has none of that name. */
export const readNumber = (object: EffectObject, values: Readonly<Values>, path: string): number | null => {
  if (isOwn(object, path))
    return values.numbers?.[path] ?? (valueAt(object, path) as number | undefined) ?? 0;
  if (path === 'opacity') return values.opacity;
  if (path === 'visible') return values.visible ? 1 : 0;
  if (path === 'size') return object.scale[0] === 0 ? 0 : values.scale[0] / object.scale[0];
  const axis = AXES.indexOf(path.slice(-1));
  if (axis < 0) return null;
  if (path.startsWith('move')) return values.move[axis]!;
  if (path.startsWith('scale') || path.startsWith('sizedBy')) return values.scale[axis]!;
  return path.startsWith('turn') ? values.turn[axis]! : null;
};

/** The field of `Values` that keeps a number. */
export const fieldOfNumber = (object: EffectObject, path: string): keyof Values => {
  if (isOwn(object, path)) return 'numbers';
  if (path.startsWith('scale') || path.startsWith('sizedBy')) return 'scale';
  return FIELDS[path] ?? 'numbers';
};
const FIELDS: Readonly<Record<string, keyof Values>> = {
  moveX: 'move',
  moveY: 'move',
  moveZ: 'move',
  turnX: 'turn',
  turnY: 'turn',
  turnZ: 'turn',
  size: 'scale',
  opacity: 'opacity',
  visible: 'visible',
};

const withAxis = (v: Vec3, axis: number, x: number): Vec3 =>
  v.map((old, i) => (i === axis ? x : old)) as unknown as Vec3;

/** As large along an axis, and along the others in proportion; one without extent there grows along that axis alone. */
const scaledTo = (placed: Vec3, axis: number, to: number): Vec3 => {
  const own = placed[axis]!;
  return own === 0 ? withAxis(placed, axis, to) : (placed.map((x) => (x * to) / own) as unknown as Vec3);
};

/** Where its pivot is now. */
export const pivotOf = (object: EffectObject, { numbers }: Readonly<Values>): Vec3 =>
  numbers === null
    ? object.pivot
    : (object.pivot.map((x, axis) => numbers[`pivot.${axis}`] ?? x) as unknown as Vec3);

/** Sets the number in `values`, within its bounds. An unknown name, or what is no number, changes nothing. */
export const writeNumber = (object: EffectObject, values: Values, path: string, to: number): void => {
  const all = numbersOf(object);
  const bounds = Object.hasOwn(all, path) ? all[path] : undefined;
  if (!bounds || Number.isNaN(to)) return;
  const value = clamp(to, bounds[0], bounds[1]);
  if (isOwn(object, path)) {
    if (values.numbers?.[path] !== value) values.numbers = { ...values.numbers, [path]: value };
    return;
  }
  if (path === 'opacity') values.opacity = value;
  else if (path === 'visible') values.visible = value >= 0.5;
  else if (path === 'size')
    values.scale = [object.scale[0] * value, object.scale[1] * value, object.scale[2] * value];
  else {
    const axis = AXES.indexOf(path.slice(-1));
    if (path.startsWith('move')) values.move = withAxis(values.move, axis, value);
    else if (path.startsWith('scale')) values.scale = withAxis(values.scale, axis, value);
    else if (path.startsWith('sizedBy')) values.scale = scaledTo(object.scale, axis, value);
    else values.turn = withAxis(values.turn, axis, value);
  }
};

/** The object with numbers laid over it. */
export const withNumbers = <O extends EffectObject>(
  object: O,
  numbers: Readonly<Record<string, number>>,
): O =>
  Object.entries(numbers).reduce(
    (now, [path, to]) => (isOwn(object, path) ? withValueAt(now, path, to) : now),
    object,
  );
