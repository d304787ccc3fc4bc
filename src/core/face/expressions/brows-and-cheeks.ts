/** What brows, cheeks and the wings of the nose do. */
import { BROW_LEFT, BROW_RIGHT } from '../landmarks';
import { smoothstep } from '../../maths/scalar';
import { around, displacement, isOval, onSide, spread, x, y, type Displacement, type Side } from './field';

const browWeights = (strength: (i: number) => number): Float64Array =>
  spread(
    (i) => y(i) < 0.031 || isOval(i),
    [...BROW_LEFT, ...BROW_RIGHT].map((i): [number, number] => [i, strength(i)]),
  );
const browRaise = (strength: (i: number) => number): Displacement => {
  const w = browWeights(strength);
  return displacement((i) => [0, 0.008 * w[i]!, 0]);
};
const outer = (side: Side) => (i: number) =>
  Math.sign(x(i)) === side ? smoothstep(0.012, 0.045, Math.abs(x(i))) : 0;

/** The brow comes down and in, most at its inner end. */
const browDown = (side: Side): Displacement => {
  const w = browWeights((i) =>
    Math.sign(x(i)) === side ? 1 - 0.45 * smoothstep(0.02, 0.055, Math.abs(x(i))) : 0,
  );
  return displacement((i) => [-side * 0.0025 * w[i]!, -0.0058 * w[i]!, 0.001 * w[i]!]);
};

const puff = (): Displacement => {
  const [left, right] = [around(427, 0.036), around(207, 0.036)];
  return displacement((i) => {
    const k = Math.max(left(i), right(i));
    return [Math.sign(x(i)) * 0.0085 * k, 0, 0.0055 * k];
  });
};

const cheekSquint = (side: Side): Displacement => {
  const cheek = around(side > 0 ? 330 : 101, 0.03);
  return displacement((i) => {
    // The lower lid is pushed up by the cheek but not carried all the way.
    const k = cheek(i) * (1 - 0.6 * smoothstep(0.012, 0.022, y(i)));
    return [0, 0.0042 * k, 0.0022 * k];
  });
};

const sneer = (side: Side): Displacement => {
  const [wing, fold] = [around(side > 0 ? 358 : 129, 0.02), around(side > 0 ? 371 : 142, 0.018)];
  return displacement((i) => {
    const k = Math.max(wing(i), 0.7 * fold(i)) * onSide(side, i);
    return [side * 0.0008 * k, 0.0044 * k, 0.0006 * k];
  });
};

export const BROW_AND_CHEEK_EXPRESSIONS = {
  browInnerUp: () => browRaise((i) => 1 - smoothstep(0.015, 0.05, Math.abs(x(i)))),
  browOuterUpLeft: () => browRaise(outer(1)),
  browOuterUpRight: () => browRaise(outer(-1)),
  browDownLeft: () => browDown(1),
  browDownRight: () => browDown(-1),
  cheekPuff: puff,
  cheekSquintLeft: () => cheekSquint(1),
  cheekSquintRight: () => cheekSquint(-1),
  noseSneerLeft: () => sneer(1),
  noseSneerRight: () => sneer(-1),
};
