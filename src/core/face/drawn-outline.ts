/** Outlines drawn by hand on the face layout. */
import { MOST_CORNERS } from './cutout';
import type { Spot } from './skin-spot';

const between = (a: Spot, b: Spot, t: number): Spot => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
const far = (a: Spot, b: Spot): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

/** A closed line as `count` corners, evenly spaced along it; null when it encloses nothing. */
export const evenOutline = (line: readonly Spot[], count = 32): Spot[] | null => {
  const corners = Math.min(MOST_CORNERS, Math.max(3, count));
  const steps = line.map((p, i) => far(p, line[(i + 1) % line.length]!));
  const whole = steps.reduce((a, b) => a + b, 0);
  const area = line.reduce((sum, [x, y], i) => {
    const [u, v] = line[(i + 1) % line.length]!;
    return sum + (x * v - u * y) / 2;
  }, 0);
  if (line.length < 3 || Math.abs(area) < 1e-4) return null;
  const out: Spot[] = [];
  let [i, gone] = [0, 0];
  for (let n = 0; n < corners; n++) {
    const at = (n / corners) * whole;
    while (i < line.length - 1 && gone + steps[i]! < at) gone += steps[i++]!;
    out.push(between(line[i]!, line[(i + 1) % line.length]!, steps[i]! > 0 ? (at - gone) / steps[i]! : 0));
  }
  return out;
};
