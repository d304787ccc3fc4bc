/** How a particle looks over its life, from the ages that are set to a table that is quick to read. */
import type { Fountain } from '../document/schema';
import { lerp } from '../maths/scalar';
import { hexOf, linearOf, rgbOf, srgbOf } from '../maths/srgb';
import type { Unit } from '../units';

export const LIFE_STEPS = 64;

export interface LifeTable {
  /** Factor on the size, and opacity, at each step of the life. */
  readonly size: Float32Array;
  readonly opacity: Float32Array;
  /** sRGB, three each. */
  readonly colour: Float32Array;
}

type Stop = Fountain['over'][number];

/** Straight from one age to the next; before the first and after the last as there. Colours are mixed as light. */
export const lookAtAge = (over: readonly Stop[], age: Unit): Omit<Stop, 'at'> => {
  const stops = [...over].sort((a, b) => a.at - b.at);
  const next = stops.findIndex((s) => s.at > age);
  if (next === 0) return stops[0]!;
  const a = stops[(next < 0 ? stops.length : next) - 1]!;
  if (next < 0) return a;
  const b = stops[next]!;
  const t = (age - a.at) / (b.at - a.at);
  const [from, to] = [linearOf(rgbOf(a.colour)), linearOf(rgbOf(b.colour))];
  const mixed = srgbOf([lerp(from[0], to[0], t), lerp(from[1], to[1], t), lerp(from[2], to[2], t)]);
  return { size: lerp(a.size, b.size, t), opacity: lerp(a.opacity, b.opacity, t), colour: hexOf(mixed) };
};

/** Size, opacity and colour over a life, in `LIFE_STEPS` steps: read in each frame for each particle. */
export const lifeTable = (over: readonly Stop[]): LifeTable => {
  const table = {
    size: new Float32Array(LIFE_STEPS),
    opacity: new Float32Array(LIFE_STEPS),
    colour: new Float32Array(3 * LIFE_STEPS),
  };
  for (let k = 0; k < LIFE_STEPS; k++) {
    const { size, opacity, colour } = lookAtAge(over, k / (LIFE_STEPS - 1));
    table.size[k] = size;
    table.opacity[k] = opacity;
    table.colour.set(rgbOf(colour), 3 * k);
  }
  return table;
};
