/**
 * Corners of a grey picture: FAST-9 (Rosten and Drummond, "Machine learning for high-speed corner detection", 2006), the strongest of
 * their neighbours, spread over the picture so that one busy place does not take all.
 */
import type { Grey } from './grey';

export interface Corners {
  readonly count: number;
  readonly x: Int32Array;
  readonly y: Int32Array;
  /** How many there were before they were chosen from. */
  readonly found: number;
}

/** The circle of 16 pixels around a corner. */
const CIRCLE_X = [0, 1, 2, 3, 3, 3, 2, 1, 0, -1, -2, -3, -3, -3, -2, -1];
const CIRCLE_Y = [-3, -3, -2, -1, 0, 1, 2, 3, 3, 3, 2, 1, 0, -1, -2, -3];
/** For each set of them, as bits: whether nine stand next to one another. */
const IS_ARC = Uint8Array.from({ length: 65536 }, (_, bits) => {
  // Twice round, so that an arc may pass the end; what is left of a bit says that so many from it on are set.
  const round = bits | (bits << 16);
  const two = round & (round >>> 1);
  const four = two & (two >>> 2);
  const eight = four & (four >>> 4);
  return (eight & (round >>> 8)) === 0 ? 0 : 1;
});

const MOST = 40_000;
const foundAt = new Int32Array(MOST);
const foundScore = new Int32Array(MOST);
let scores = new Uint16Array(0);

export interface CornerOptions {
  /** How much brighter or darker the arc is, in 256ths. */
  readonly threshold: number;
  /** Pixels along the edge without corners. */
  readonly border: number;
  readonly most: number;
  /** Each square of so many pixels gives its best before any gives its second. */
  readonly cell: number;
}

/** At most `most` corners, the best of each cell first. */
export const findCorners = (picture: Grey, { threshold, border, most, cell }: CornerOptions): Corners => {
  const { width, height, data } = picture;
  if (scores.length < width * height) scores = new Uint16Array(width * height);
  const found = scan(picture, threshold, border);
  // Only the strongest among its eight neighbours stays; of equals the later one.
  const keys: number[] = [];
  let kept = 0;
  for (let k = 0; k < found; k++) {
    const i = foundAt[k];
    const s = foundScore[k];
    if (
      s > scores[i - 1] &&
      s >= scores[i + 1] &&
      s > scores[i - width] &&
      s >= scores[i + width] &&
      s > scores[i - width - 1] &&
      s > scores[i - width + 1] &&
      s >= scores[i + width - 1] &&
      s >= scores[i + width + 1]
    ) {
      keys.push(s * 65536 + kept);
      foundAt[kept++] = i;
    }
  }
  scores.fill(0, 0, data.length);
  const order = Float64Array.from(keys).sort();
  const across = Math.ceil(width / cell);
  const inCell = new Uint16Array(across * Math.ceil(height / cell));
  const byRank: number[][] = [];
  for (let k = kept - 1; k >= 0; k--) {
    const at = foundAt[order[k] % 65536];
    const rank = inCell[((((at / width) | 0) / cell) | 0) * across + (((at % width) / cell) | 0)]++;
    if (rank < 40) (byRank[rank] ??= []).push(at);
  }
  const chosen = byRank.flat().slice(0, most);
  return {
    count: chosen.length,
    x: Int32Array.from(chosen, (at) => at % width),
    y: Int32Array.from(chosen, (at) => (at / width) | 0),
    found: kept,
  };
};

/** All pixels with an arc of nine brighter or darker ones around them, with how much brighter or darker in sum. */
const scan = ({ width, height, data }: Grey, threshold: number, border: number): number => {
  const offsets = Int32Array.from(CIRCLE_X, (x, i) => x + CIRCLE_Y[i] * width);
  const [o0, , o2, , o4, , o6, , o8, , o10, , o12, , o14] = offsets;
  let count = 0;
  for (let y = border; y < height - border; y++)
    for (let i = y * width + border, end = (y + 1) * width - border; i < end; i++) {
      const centre = data[i];
      const high = centre + threshold;
      const low = centre - threshold;
      // Of opposite pixels one has to belong to the arc: most places are done with after two of them. Signs stand for comparisons.
      const p0 = data[i + o0];
      const p8 = data[i + o8];
      if (p0 <= high && p0 >= low && p8 <= high && p8 >= low) continue;
      const p4 = data[i + o4];
      const p12 = data[i + o12];
      let brighter = ((high - p0) | (high - p8)) & ((high - p4) | (high - p12));
      let darker = ((p0 - low) | (p8 - low)) & ((p4 - low) | (p12 - low));
      if (brighter >= 0 && darker >= 0) continue;
      const p2 = data[i + o2];
      const p6 = data[i + o6];
      const p10 = data[i + o10];
      const p14 = data[i + o14];
      brighter &= ((high - p2) | (high - p10)) & ((high - p6) | (high - p14));
      darker &= ((p2 - low) | (p10 - low)) & ((p6 - low) | (p14 - low));
      if (brighter >= 0 && darker >= 0) continue;
      // Few pixels come so far: a plain look all around.
      let [up, down] = [0, 0];
      for (let k = 0; k < 16; k++) {
        const p = data[i + offsets[k]];
        if (p > high) up |= 1 << k;
        else if (p < low) down |= 1 << k;
      }
      const arc = IS_ARC[up] ? up : IS_ARC[down] ? down : 0;
      if (arc === 0) continue;
      const from = arc === up ? high : low;
      let score = 1;
      for (let k = 0; k < 16; k++) if ((arc >> k) & 1) score += Math.abs(data[i + offsets[k]] - from);
      if (count < MOST) {
        foundAt[count] = i;
        foundScore[count++] = score;
        scores[i] = score;
      }
    }
  return count;
};
