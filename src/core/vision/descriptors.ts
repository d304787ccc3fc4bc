/**
 * Oriented binary descriptors of corners: 256 comparisons of two smoothed pixels each, turned with the corner (after Calonder et al.,
 * "BRIEF", 2010, and Rublee et al., "ORB", 2011; the pattern is our own, drawn from a Gaussian).
 */
import { Random } from '../maths/random';
import type { Grey } from './grey';

/** Words of 32 bits a descriptor. */
export const WORDS = 8;
/** How far from the corner the comparisons reach, pixels. */
export const REACH = 12;
const PAIRS = 256;
/** Angles that the pattern is kept turned to. */
const TURNS = 64;

const PATTERN = (() => {
  const random = new Random(7);
  const point = (): [number, number] => {
    for (;;) {
      const radius = 0.42 * REACH * Math.sqrt(-2 * Math.log(1 - random.next()));
      const angle = 2 * Math.PI * random.next();
      if (radius < REACH - 1) return [radius * Math.cos(angle), radius * Math.sin(angle)];
    }
  };
  const pattern = new Float32Array(4 * PAIRS);
  for (let i = 0; i < PAIRS; i++) {
    let [p, q] = [point(), point()];
    while (Math.hypot(p[0] - q[0], p[1] - q[1]) < 2.5) [p, q] = [point(), point()];
    pattern.set([...p, ...q], 4 * i);
  }
  return pattern;
})();
/** Half the width of each row of the disc that the direction is taken over. */
const DISC = Array.from({ length: 2 * REACH + 1 }, (_, i) =>
  Math.floor(Math.sqrt(REACH * REACH - (i - REACH) ** 2 + 0.5)),
);

/** Where the pattern's pixels are from the corner, for each turn, in a picture of this width. */
const turnedPatterns = new Map<number, Int32Array>();
const turnedPattern = (width: number): Int32Array => {
  const known = turnedPatterns.get(width);
  if (known) return known;
  const table = new Int32Array(TURNS * 2 * PAIRS);
  for (let turn = 0; turn < TURNS; turn++) {
    const [c, s] = [Math.cos((turn / TURNS) * 2 * Math.PI), Math.sin((turn / TURNS) * 2 * Math.PI)];
    for (let i = 0; i < 2 * PAIRS; i++) {
      const [x, y] = [PATTERN[2 * i], PATTERN[2 * i + 1]];
      table[turn * 2 * PAIRS + i] = Math.round(s * x + c * y) * width + Math.round(c * x - s * y);
    }
  }
  // A target has views of many widths; nobody needs all of them for ever.
  if (turnedPatterns.size > 64) turnedPatterns.clear();
  turnedPatterns.set(width, table);
  return table;
};

/** The direction of a corner, radians: from it to the centre of brightness around it. At least `REACH` from every edge. */
export const cornerAngle = ({ width, data }: Grey, x: number, y: number): number => {
  let [mx, my] = [0, 0];
  for (let dy = -REACH; dy <= REACH; dy++) {
    const half = DISC[dy + REACH];
    const at = (y + dy) * width + x;
    let sum = 0;
    for (let dx = -half; dx <= half; dx++) {
      const v = data[at + dx];
      mx += dx * v;
      sum += v;
    }
    my += dy * sum;
  }
  return Math.atan2(my, mx);
};

/** Writes the descriptor of a corner of a blurred picture at `offset`, `WORDS` words long. At least `REACH` from every edge. */
export const describe = (
  blurred: Grey,
  x: number,
  y: number,
  angle: number,
  into: Int32Array,
  offset: number,
): void => {
  const table = turnedPattern(blurred.width);
  const turn = (Math.round((angle / (2 * Math.PI)) * TURNS) + TURNS) % TURNS;
  const { data } = blurred;
  const at = y * blurred.width + x;
  for (let word = 0, k = turn * 2 * PAIRS; word < WORDS; word++) {
    let bits = 0;
    for (let b = 0; b < 32; b++, k += 2)
      bits = (bits << 1) | ((data[at + table[k]] - data[at + table[k + 1]]) >>> 31);
    into[offset + word] = bits;
  }
};
