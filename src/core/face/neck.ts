/** A neck for occluders: it hangs from the head, and stands on a body that does not turn with it. Head space, metres. */
import { cross, normalise, type Vec3 } from '../maths/vec3';

/** Where it begins, inside the head. */
const TOP: Vec3 = [0, -0.01, -0.05];
/** From there on: how far down, half-width, half-depth. A usual neck, a little slimmer than the skin so that nothing is hidden beside it. */
const RINGS: readonly (readonly [number, number, number])[] = [
  [0, 0.048, 0.04],
  [0.04, 0.049, 0.044],
  [0.07, 0.05, 0.047],
  [0.1, 0.051, 0.049],
  [0.125, 0.055, 0.053],
  [0.15, 0.068, 0.06],
];
const AROUND = 20;
/** How much of its way the neck goes with the head; the rest is the body's. */
const WITH_HEAD = 0.3;

export const NECK_POINTS = RINGS.length * AROUND;

const tube = (): number[] => {
  const out: number[] = [];
  for (let ring = 0; ring < RINGS.length - 1; ring++)
    for (let j = 0; j < AROUND; j++) {
      const [a, b] = [ring * AROUND + j, ring * AROUND + ((j + 1) % AROUND)];
      out.push(a, b, a + AROUND, b, b + AROUND, a + AROUND);
    }
  return out;
};
export const NECK_TRIANGLES: readonly number[] = tube();

/**
 * The neck of a head in head space. `down` is the way down of the world there, `factor` how large the head is (1 is usual). `out` holds
 * three numbers a point and is given back.
 */
export const neckPositions = (
  down: Vec3,
  factor: number,
  out: Float32Array = new Float32Array(NECK_POINTS * 3),
): Float32Array => {
  const along = normalise([
    down[0] * (1 - WITH_HEAD),
    down[1] * (1 - WITH_HEAD) - WITH_HEAD,
    down[2] * (1 - WITH_HEAD),
  ]);
  // Right and front of the neck, as near to those of the head as its way allows.
  const right = normalise(cross(along, [0, 0, -1]));
  const front = cross(right, along);
  let at = 0;
  for (const [far, width, depth] of RINGS)
    for (let j = 0; j < AROUND; j++) {
      const a = (j / AROUND) * 2 * Math.PI;
      for (let k = 0; k < 3; k++)
        out[at++] =
          factor *
          (TOP[k]! + along[k]! * far + right[k]! * width * Math.cos(a) + front[k]! * depth * Math.sin(a));
    }
  return out;
};
