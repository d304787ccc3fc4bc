/** What actions change, and putting that back: at once, or on the way back over some time. */
import type { Action } from '../document/schema';
import { lerp } from '../maths/scalar';
import { mix, type Vec3 } from '../maths/vec3';
import type { Hex } from '../units';
import { mixedColour } from '../maths/mixed-colour';
import { readNumber, writeNumber } from '../kinds/numbers';
import { colourOf } from './object-now';
import type { CompiledAction, Program } from './program';
import type { Values } from '../kinds/values';

/** What each kind changes, to be put back. */
const CHANGES: Partial<Record<Action['kind'], readonly (keyof Values)[]>> = {
  show: ['visible'],
  hide: ['visible'],
  toggle: ['visible'],
  fade: ['opacity'],
  move: ['move'],
  turn: ['turn'],
  size: ['scale'],
  pose: ['move', 'turn', 'scale'],
  circle: ['move', 'turn'],
  face: ['facing'],
  follow: ['move'],
  colour: ['colour'],
  play: ['media'],
  picture: ['media'],
  flow: ['open'],
};
/** The numbers of `Values` that an action of numbers may mean. */
const PLACED_FIELD: Readonly<Record<string, keyof Values>> = {
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
export const changedBy = (
  program: Program,
  { action, target }: CompiledAction,
): readonly (keyof Values)[] => {
  if (action.kind !== 'number') return CHANGES[action.kind] ?? [];
  const object = program.objects[target];
  const own = object?.kind === 'text' && action.property === 'size';
  const field = own ? undefined : PLACED_FIELD[action.property];
  return [field ?? 'numbers'];
};

/** Puts what the action changes back to what it was. */
export const putBack = (program: Program, compiled: CompiledAction, values: Values, to: Values): void => {
  for (const field of changedBy(program, compiled)) Object.assign(values, { [field]: to[field] });
};

/** On the way back to what it was: `k` from 0 to 1. What cannot go gradually goes at once, what hides at the end. */
export const goneBack = (
  program: Program,
  compiled: CompiledAction,
  values: Values,
  now: Values,
  to: Values,
  k: number,
): void => {
  for (const field of changedBy(program, compiled)) {
    const [a, b] = [now[field], to[field]];
    if (field === 'visible') values.visible = to.visible || k < 1;
    else if (field === 'opacity' || field === 'open') values[field] = lerp(a as number, b as number, k);
    else if (field === 'move' || field === 'turn' || field === 'scale')
      values[field] = mix(a as Vec3, b as Vec3, k);
    else if (field === 'colour' && typeof a === 'string') {
      const own = (b as Hex | null) ?? colourOf(program.objects[compiled.target]!);
      values.colour = k >= 1 ? (b as Hex | null) : own === null ? null : mixedColour(a, own, k);
    } else if (field === 'numbers') backNumbers(program, compiled, values, now, to, k);
    else Object.assign(values, { [field]: b });
  }
};

const backNumbers = (
  program: Program,
  { action, target }: CompiledAction,
  values: Values,
  now: Values,
  to: Values,
  k: number,
): void => {
  if (action.kind !== 'number') return;
  const object = program.objects[target]!;
  const [a, b] = [readNumber(object, now, action.property), readNumber(object, to, action.property)];
  if (a !== null && b !== null) writeNumber(object, values, action.property, lerp(a, b, Math.min(1, k)));
};
