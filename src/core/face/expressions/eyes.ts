/** What the lids do. The eyeballs themselves turn with the gaze; see `takes/performer`. */
import { BROW_LEFT, BROW_RIGHT, EYE_LEFT, EYE_RIGHT } from '../landmarks';
import { displacement, isOval, spread, x, y, type Displacement } from './field';

const lower = (ring: readonly number[]) => ring.slice(0, 9);
const upper = (ring: readonly number[]) => [ring[0]!, ...ring.slice(9).reverse(), ring[8]!];
const bow = (k: number) => Math.sin((Math.PI * k) / 8);

/** Moves the lids' edges by these heights, highest in the middle, fading out towards brow and cheek. */
const lids = (
  ring: readonly number[],
  brow: readonly number[],
  upperBy: (k: number) => number,
  lowerBy: (k: number) => number,
  back = 0,
): Displacement => {
  const values: [number, number][] = [];
  upper(ring).forEach((i, k) => k > 0 && k < 8 && values.push([i, upperBy(k)]));
  lower(ring).forEach((i, k) => values.push([i, lowerBy(k)]));
  const floor = lowerBy(4) === 0 ? 0.02 : 0.008;
  const w = spread(
    (i) => y(i) < floor || Math.sign(x(i)) !== Math.sign(x(ring[4]!)) || brow.includes(i) || isOval(i),
    values,
  );
  return displacement((i) => [0, w[i]!, -w[i]! * back]);
};

const none = () => 0;
const eye = (ring: readonly number[], brow: readonly number[]) => {
  const [low, high] = [lower(ring), upper(ring)];
  const opening = (k: number) => y(high[k]!) - y(low[k]!);
  const move = (upperBy: (k: number) => number, lowerBy: (k: number) => number, back?: number) => () =>
    lids(ring, brow, upperBy, lowerBy, back);
  return {
    // A little further than the lower lid, so that no slit of the eye is left.
    blink: move((k) => -opening(k) - 0.0011 * bow(k), none, 0.12),
    squint: move(
      (k) => -0.16 * opening(k),
      (k) => 0.0026 * bow(k),
      0.1,
    ),
    wide: move(
      (k) => 0.003 * bow(k),
      (k) => -0.0008 * bow(k),
    ),
    lookDown: move(
      (k) => -0.34 * opening(k),
      (k) => -0.0008 * bow(k),
    ),
    lookUp: move(
      (k) => 0.0014 * bow(k),
      (k) => 0.0005 * bow(k),
    ),
  };
};

const [left, right] = [eye(EYE_LEFT, BROW_LEFT), eye(EYE_RIGHT, BROW_RIGHT)];
export const EYE_EXPRESSIONS = {
  eyeBlinkLeft: left.blink,
  eyeBlinkRight: right.blink,
  eyeSquintLeft: left.squint,
  eyeSquintRight: right.squint,
  eyeWideLeft: left.wide,
  eyeWideRight: right.wide,
  eyeLookDownLeft: left.lookDown,
  eyeLookDownRight: right.lookDown,
  eyeLookUpLeft: left.lookUp,
  eyeLookUpRight: right.lookUp,
};
