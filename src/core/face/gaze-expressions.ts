/** Where both eyes look, as expression coefficients. */
import { clamp } from '../maths/scalar';
import type { Expressions } from '../tracking/track-frame';

/** `left` towards the wearer's left and `up`, both -1 to 1 as far as eyes can turn. Eyes look at one thing: one looks in where the other looks out. */
export const gazeExpressions = (left: number, up: number): Expressions => {
  const part = (v: number): number => clamp(v, 0, 1);
  return {
    eyeLookOutLeft: part(left),
    eyeLookInRight: part(left),
    eyeLookInLeft: part(-left),
    eyeLookOutRight: part(-left),
    eyeLookUpLeft: part(up),
    eyeLookUpRight: part(up),
    eyeLookDownLeft: part(-up),
    eyeLookDownRight: part(-up),
  };
};
