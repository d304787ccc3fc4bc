/**
 * The nearest and the second nearest of a set of binary descriptors, by how many bits differ. The second has to lie elsewhere on the
 * picture, since one place of it has many descriptors. In WebAssembly with SIMD (`hamming.wat`) where there is any, else in plain
 * JavaScript; both give the same.
 */
import { WORDS } from './descriptors';
import { HAMMING_WASM } from './hamming.wasm';

export interface DescriptorSet {
  readonly count: number;
  /** `WORDS` words each. */
  readonly words: Int32Array;
  /** Where on the picture they are, in 1024ths of its width. */
  readonly x: Int32Array;
  readonly y: Int32Array;
}

export interface Nearest {
  /** The number of the nearest; -1 when the set is empty. */
  readonly index: Int32Array;
  /** Bits that differ from it; 256 when there is none. */
  readonly distance: Int32Array;
  /** Bits that differ from the nearest one elsewhere. */
  readonly second: Int32Array;
}

/** `words` holds `count` descriptors that are sought in the set. */
export type FindNearest = (words: Int32Array, count: number, set: DescriptorSet) => Nearest;

/** Within so many 1024ths two descriptors are of one place. */
export const ONE_PLACE = 36;

const bitsOf = (v: number): number => {
  v -= (v >>> 1) & 0x55555555;
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return (v + (v >>> 4)) & 0x0f0f0f0f;
};
/** Bits in which two descriptors differ, by where they begin; any number from `limit` on when they are at least that many. */
export const differingBits = (a: Int32Array, i: number, b: Int32Array, j: number, limit: number): number => {
  let sum = 0;
  for (let k = 0; k < 4; k++) sum += bitsOf(a[i + k] ^ b[j + k]);
  if (Math.imul(sum, 0x01010101) >>> 24 >= limit) return 256;
  for (let k = 4; k < WORDS; k++) sum += bitsOf(a[i + k] ^ b[j + k]);
  return Math.imul(sum, 0x01010101) >>> 24;
};

export const findNearest: FindNearest = (words, count, set) => {
  const nearest = emptyNearest(count);
  for (let i = 0; i < count; i++) {
    let [best, second, at] = [256, 256, -1];
    for (let j = 0; j < set.count; j++) {
      const d = differingBits(words, WORDS * i, set.words, WORDS * j, second);
      if (d >= second) continue;
      const sameplace =
        at >= 0 && Math.abs(set.x[at] - set.x[j]) < ONE_PLACE && Math.abs(set.y[at] - set.y[j]) < ONE_PLACE;
      if (d < best) {
        if (!sameplace) second = best;
        best = d;
        at = j;
      } else if (!sameplace) second = d;
    }
    nearest.index[i] = at;
    nearest.distance[i] = best;
    nearest.second[i] = second;
  }
  return nearest;
};

const emptyNearest = (count: number): Nearest => ({
  index: new Int32Array(count),
  distance: new Int32Array(count),
  second: new Int32Array(count),
});

/** Descriptors that are sought at once; more go in turns. */
const AT_ONCE = 2048;

/** The same in WebAssembly; null where WebAssembly or SIMD is missing or blocked. */
export const makeFindNearest = async (): Promise<FindNearest | null> => {
  let exports: WebAssembly.Exports;
  try {
    const bytes = Uint8Array.from(atob(HAMMING_WASM), (c) => c.charCodeAt(0));
    ({ exports } = (await WebAssembly.instantiate(bytes)).instance);
  } catch {
    return null;
  }
  const memory = exports['mem'] as WebAssembly.Memory;
  const match = exports['match'] as (
    sought: number,
    count: number,
    set: number,
    setCount: number,
    places: number,
    result: number,
  ) => void;
  const [soughtAt, resultAt] = [0, AT_ONCE * 32];
  const setAt = resultAt + AT_ONCE * 12;
  /** The set that lies in memory. */
  let loaded: DescriptorSet | null = null;
  return (words, count, set) => {
    const placesAt = setAt + set.count * 32;
    const missing = placesAt + set.count * 8 - memory.buffer.byteLength;
    if (missing > 0) memory.grow(Math.ceil(missing / 65536));
    const heap = new Int32Array(memory.buffer);
    if (loaded !== set) {
      heap.set(set.words.subarray(0, set.count * WORDS), setAt >> 2);
      for (let i = 0; i < set.count; i++) {
        heap[(placesAt >> 2) + 2 * i] = set.x[i];
        heap[(placesAt >> 2) + 2 * i + 1] = set.y[i];
      }
      loaded = set;
    }
    const nearest = emptyNearest(count);
    for (let first = 0; first < count; first += AT_ONCE) {
      const some = Math.min(AT_ONCE, count - first);
      heap.set(words.subarray(first * WORDS, (first + some) * WORDS), soughtAt >> 2);
      match(soughtAt, some, setAt, set.count, placesAt, resultAt);
      for (let i = 0, o = resultAt >> 2; i < some; i++, o += 3) {
        nearest.index[first + i] = heap[o];
        nearest.distance[first + i] = heap[o + 1];
        nearest.second[first + i] = heap[o + 2];
      }
    }
    return nearest;
  };
};
