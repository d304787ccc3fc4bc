/**
 * The numbers of objects that actions and drives can change, by their path in the document. What every object has, the pose and
 * the opacity, is kept in `Values`; everything else lies over the object as the document has it.
 */
import type { EffectObject, Fountain, ObjectKind } from '../document/schema';
import { SHAPE_NAMES } from '../face/shape-names';
import { clamp } from '../maths/scalar';
import type { Vec3 } from '../maths/vec3';
import type { Values } from './values';

/** Least and most. */
export type Bounds = readonly [low: number, high: number];

const ZERO_TO_ONE: Bounds = [0, 1];
/** What `Values` holds itself. `size` is a factor on the placed size, metres and degrees elsewhere. */
const PLACED: Readonly<Record<string, Bounds>> = {
  moveX: [-1e4, 1e4],
  moveY: [-1e4, 1e4],
  moveZ: [-1e4, 1e4],
  turnX: [-1e6, 1e6],
  turnY: [-1e6, 1e6],
  turnZ: [-1e6, 1e6],
  size: [0, 1000],
  visible: ZERO_TO_ONE,
};
const OPACITY: Readonly<Record<string, Bounds>> = { opacity: ZERO_TO_ONE };

const OWN: Partial<Record<ObjectKind, Readonly<Record<string, Bounds>>>> = {
  live: { blur: ZERO_TO_ONE },
  fill: { angle: [-360, 360] },
  text: { size: [0.0005, 100], arc: [-350, 350], spacing: [-0.2, 2], outline: [0, 0.5] },
  solid: { roughness: ZERO_TO_ONE, metalness: ZERO_TO_ONE },
  light: { strength: [0, 20] },
  shadowCatcher: { density: ZERO_TO_ONE, softness: ZERO_TO_ONE },
  layer: { softness: ZERO_TO_ONE, shine: ZERO_TO_ONE },
  iris: { pupil: ZERO_TO_ONE, glint: ZERO_TO_ONE },
  lashes: { length: [0.2, 3], curl: [0, 120], density: [0.2, 3] },
  hair: { roots: ZERO_TO_ONE },
  retouch: {
    'smooth.strength': ZERO_TO_ONE,
    'smooth.detail': ZERO_TO_ONE,
    'underEyes.amount': ZERO_TO_ONE,
    'eyes.amount': ZERO_TO_ONE,
    'teeth.amount': ZERO_TO_ONE,
  },
  morph: {
    amount: [-1, 2],
    ...Object.fromEntries(SHAPE_NAMES.map((name): [string, Bounds] => [`sliders.${name}`, [-1, 1]])),
  },
  cutout: { inner: [0, 0.1], outer: [0, 0.1] },
  fountain: {
    rate: [0, 5000],
    'life.0': [0.05, 60],
    'life.1': [0.05, 60],
    'speed.0': [0, 50],
    'speed.1': [0, 50],
    spread: [0, 180],
    gravity: [-50, 50],
    drag: [0, 50],
    'wind.0': [-50, 50],
    'wind.1': [-50, 50],
    'wind.2': [-50, 50],
    turbulence: [0, 50],
    swirl: [0.005, 10],
    'spin.0': [-20, 20],
    'spin.1': [-20, 20],
    size: [0.0002, 10],
    sizeVaries: ZERO_TO_ONE,
  },
  sound: { pitch: [0.25, 4], near: [0.01, 100] },
};

const SIZE: Bounds = [0.0001, 1000];
const AREAS: Partial<Record<Fountain['area']['kind'], readonly string[]>> = {
  disc: ['area.radius'],
  sphere: ['area.radius'],
  plane: ['area.width', 'area.depth'],
  box: ['area.size.0', 'area.size.1', 'area.size.2'],
};
/** What a fountain has besides depends on what it is set to: its area, what it bounces off, the ages of its particles. */
const ofFountain = ({ area, floor, face, over }: Fountain): Record<string, Bounds> =>
  Object.fromEntries<Bounds>([
    ...(AREAS[area.kind] ?? []).map((path): [string, Bounds] => [path, SIZE]),
    ...(floor === null ? [] : [['floor', ZERO_TO_ONE] as [string, Bounds]]),
    ...(face === null ? [] : [['face', ZERO_TO_ONE] as [string, Bounds]]),
    ...over.flatMap((_, i): [string, Bounds][] => [
      [`over.${i}.size`, [0, 20]],
      [`over.${i}.opacity`, ZERO_TO_ONE],
    ]),
  ]);
const ownOf = (object: EffectObject): Readonly<Record<string, Bounds>> => ({
  ...OWN[object.kind],
  ...(object.kind === 'fountain' ? ofFountain(object) : {}),
});

/** Every number of an object of this kind: paths and bounds. A path of its own goes before one that all have. */
export const numbersOf = (object: EffectObject): Readonly<Record<string, Bounds>> => ({
  ...PLACED,
  ...('opacity' in object ? OPACITY : {}),
  ...ownOf(object),
});

// A document may say anything, `__proto__` too.
const isOwn = (object: EffectObject, path: string): boolean => Object.hasOwn(ownOf(object), path);

const dig = (value: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], value);

const AXES = ['X', 'Y', 'Z'];

/** The number now; null where the object has none of that name. */
export const readNumber = (object: EffectObject, values: Readonly<Values>, path: string): number | null => {
  if (isOwn(object, path)) return values.numbers?.[path] ?? (dig(object, path) as number | undefined) ?? 0;
  if (path === 'opacity') return values.opacity;
  if (path === 'visible') return values.visible ? 1 : 0;
  if (path === 'size') return object.scale[0] === 0 ? 0 : values.scale[0] / object.scale[0];
  const axis = AXES.indexOf(path.slice(-1));
  if (axis < 0) return null;
  if (path.startsWith('move')) return values.move[axis]!;
  return path.startsWith('turn') ? values.turn[axis]! : null;
};

const withAxis = (v: Vec3, axis: number, x: number): Vec3 =>
  v.map((old, i) => (i === axis ? x : old)) as unknown as Vec3;

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
    else values.turn = withAxis(values.turn, axis, value);
  }
};

const withPath = (value: unknown, [key, ...rest]: readonly string[], to: number): unknown => {
  if (key === undefined) return to;
  if (Array.isArray(value))
    return value.map((v, i) => (String(i) === key ? withPath(v, rest, to) : (v as unknown)));
  const record = (value ?? {}) as Record<string, unknown>;
  return { ...record, [key]: withPath(record[key], rest, to) };
};

/** The object with numbers laid over it. */
export const withNumbers = <O extends EffectObject>(
  object: O,
  numbers: Readonly<Record<string, number>>,
): O =>
  Object.entries(numbers).reduce(
    (o, [path, to]) => (isOwn(o, path) ? (withPath(o, path.split('.'), to) as O) : o),
    object,
  );
