/** What the jaw does: it carries chin, lower lip and the skin between along. */
import { smoothstep } from '../../maths/scalar';
import type { Vec3 } from '../../maths/vec3';
import { INNER_LIP_UPPER, OUTER_LIP_UPPER, OVAL } from '../landmarks';
import { displacement, LIPS, lipWeights, LOWER_LIP, once, spread, x, y, z, type Displacement } from './field';

const CHIN = [
  152, 148, 176, 377, 400, 175, 199, 200, 18, 83, 313, 201, 208, 428, 421, 171, 396, 149, 378,
] as const;

/** How far each point goes with the jaw. */
const jawWeights = (): Float64Array => {
  const values = new Map<number, number>();
  for (const i of OVAL) values.set(i, y(i) > -0.01 ? 0 : smoothstep(0.01, 0.075, -y(i)));
  for (const i of [...OUTER_LIP_UPPER, ...INNER_LIP_UPPER]) values.set(i, 0);
  for (const i of LOWER_LIP) values.set(i, 1);
  for (const i of [61, 291, 78, 308]) values.set(i, 0.4);
  for (const i of CHIN) values.set(i, 1);
  return spread((i) => y(i) > -0.012 && !LIPS.has(i), values);
};

/** The jaw turns about an axis through the ears. */
const [HINGE_Y, HINGE_Z, FULL_TURN] = [-0.005, -0.025, 0.4];

const jawTurn =
  (w: Float64Array) =>
  (i: number): Vec3 => {
    const [dy, dz, angle] = [y(i) - HINGE_Y, z(i) - HINGE_Z, FULL_TURN * w[i]!];
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const up = INNER_LIP_UPPER.indexOf(i as never);
    const lift = up > 0 && up < 10 ? 0.0025 : 0;
    return [LIPS.has(i) ? -x(i) * 0.12 : 0, dy * c - dz * s - dy + lift, dy * s + dz * c - dz];
  };

const weights = once(jawWeights);
const slide = (by: Vec3) => (): Displacement => {
  const w = weights();
  return displacement((i) => [by[0] * w[i]!, by[1] * w[i]!, by[2] * w[i]!]);
};

export const JAW_EXPRESSIONS = {
  jawOpen: () => displacement(jawTurn(weights())),
  jawForward: slide([0, 0, 0.006]),
  jawLeft: slide([0.008, 0, 0]),
  jawRight: slide([-0.008, 0, 0]),
  /** Lips that stay shut over an open jaw: what the jaw did to them is taken back, the chin stays down. */
  mouthClose: () => {
    const open = jawTurn(weights());
    const shut = lipWeights(() => 1);
    return displacement((i) => {
      const [dx, dy, dz] = open(i);
      return [-dx * shut[i]!, -dy * shut[i]!, -dz * shut[i]!];
    });
  },
};
