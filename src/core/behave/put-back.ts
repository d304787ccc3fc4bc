/** What actions change, and putting that back: at once, or on the way back over some time. */
import { changedBy } from '../kinds/actions/actions';
import { colourOf } from '../kinds/colour-of';
import { lerp } from '../maths/scalar';
import { mix, type Vec3 } from '../maths/vec3';
import type { Hex } from '../units';
import { mixedColour } from '../maths/mixed-colour';
import { readNumber, writeNumber } from '../kinds/numbers';
import type { CompiledAction, Program } from '../program/program';
import type { Values } from '../kinds/values';

/** What the action changes of its object. */
export const changesOf = (
  program: Program,
  { action, target }: CompiledAction,
): readonly (keyof Values)[] => {
  const object = program.objects[target];
  return object ? changedBy(action, object) : [];
};

/** Puts what the action changes back to what it was. */
export const putBack = (program: Program, compiled: CompiledAction, values: Values, to: Values): void => {
  for (const field of changesOf(program, compiled)) Object.assign(values, { [field]: to[field] });
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
  for (const field of changesOf(program, compiled)) {
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
