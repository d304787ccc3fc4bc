/** Single hairs along a shell of hair: they end it softly, on the skin or in the air, where the shell alone would end in an edge. */
import type { BufferGeometry } from 'three';
import { SKULL } from '../../../core/face/head-shell';
import { Random } from '../../../core/maths/random';
import { lerp } from '../../../core/maths/scalar';
import { add, normalise, scale, subtract, type Vec3 } from '../../../core/maths/vec3';
import type { Hex } from '../../../core/units';
import { strandColour, strandGeometry, type Strand } from '../strand-geometry';
import { looseAt } from './curtain';

type Range = readonly [from: number, to: number];

export interface LooseEnds {
  /** The shell: degrees from the front, and 0 at the parting or the pole to 1 at its ends. */
  readonly point: (degrees: number, v: number) => Vec3;
  readonly colour: Hex;
  readonly seed: number;
  readonly count: number;
  /** Where they are rooted around the head; both sides alike. */
  readonly degrees: Range;
  readonly roots: Range;
  /** How far they run from the root: hair that is combed back runs to less. */
  readonly run: Range;
  /** At the root, metres. */
  readonly width: number;
  /** How far they stand off the shell, metres. */
  readonly off?: Range;
  /** How far they wander to a side, in degrees. */
  readonly wander?: number;
  /** A smaller share grows the nearer to the end of `roots`. */
  readonly thinning?: boolean;
  /** Points of each. */
  readonly points?: number;
  readonly shade?: number;
}

export const looseEnds = ({
  point,
  colour,
  seed,
  count,
  degrees,
  roots,
  run,
  width,
  off = [0.0003, 0.0012],
  wander = 3,
  thinning = false,
  points = 4,
  shade = 0.75,
}: LooseEnds): BufferGeometry => {
  const random = new Random(seed);
  const strands: Strand[] = [];
  for (let n = 0; n < count * 6 && strands.length < count; n++) {
    const around = (random.next() < 0.5 ? -1 : 1) * random.between(...degrees);
    const share = random.next();
    if (thinning && random.next() < share ** 1.5) continue;
    const from = lerp(...roots, share);
    const to = from + random.between(...run);
    const aside = wander * random.normal();
    const high = random.between(...off);
    const path = Array.from({ length: points }, (_, i): Vec3 => {
      const t = i / (points - 1);
      const at = point(around + aside * t, lerp(from, to, t));
      // Rooted in the hair or the skin, it stands off more and more.
      return add(at, scale(normalise(subtract(at, SKULL.centre)), high * (0.2 + 0.8 * t)));
    });
    strands.push({
      points: path,
      normal: subtract(path[0]!, SKULL.centre),
      width: width * random.between(0.7, 1.2),
      colour: strandColour(colour, random),
      root: shade,
      loose: [looseAt(path[0]![1]), looseAt(path.at(-1)![1])],
    });
  }
  return strandGeometry(strands);
};
