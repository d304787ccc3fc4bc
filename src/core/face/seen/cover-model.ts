/**
 * Where something is before a face in a camera picture in which nobody knows: a hand, hair, a mug. The face laid flat looks
 * alike from picture to picture; what departs from how a place usually looks, and what never looked like skin, covers it.
 * A running Gaussian a place, as in Wren, Azarbayejani, Darrell and Pentland, "Pfinder: Real-Time Tracking of the Human Body"
 * (1997), in logarithms of light, after what the light does to the whole face has been taken out.
 */
import { angleBetween, slerp, type Quaternion } from '../../maths/quaternion';
import { fillOutlines } from '../region-mask';
import { EYE_OPENINGS, faceRegion, FACE_EDGE, MOUTH_OPENING } from '../regions';
import { solveLinear } from '../../maths/linear';
import { clamp, smoothstep } from '../../maths/scalar';

/** Places along a side of the layout. */
export const GRID = 64;
const PLACES = GRID * GRID;

export interface CoverModel {
  /** Mean logarithm of light of each place, three channels one after the other. */
  readonly mean: Float32Array;
  /** Mean square of what it departs by. */
  readonly spread: Float32Array;
  /** Pictures in which each place was seen bare. */
  readonly seen: Uint16Array;
  /** How covered each place is now, 0 to 1. */
  readonly cover: Float32Array;
  /** How the head was held in the mean while it was learnt. */
  readonly rotation: Quaternion;
  /** What the light does to the whole face now, a channel each; null before it was seen twice. */
  readonly light: readonly LightPlane[] | null;
}
/** A plane over the layout: c + a u + b v, in logarithms. */
type LightPlane = readonly [c: number, a: number, b: number];

const maskOf = (lines: Parameters<typeof fillOutlines>[0]): Float32Array => fillOutlines(lines, GRID);
const FACE = maskOf([FACE_EDGE]);
/** Eyes, mouth and brows look different all the time, or like no skin. */
const LIVELY = (() => {
  const parts = [
    maskOf([...EYE_OPENINGS]),
    maskOf([MOUTH_OPENING]),
    maskOf([...faceRegion('lips').outlines]),
    maskOf([...faceRegion('brows').outlines]),
    maskOf([...faceRegion('lids').outlines]),
  ];
  const any = new Float32Array(PLACES);
  for (const part of parts) part.forEach((v, i) => (any[i] = Math.max(any[i]!, v)));
  return any;
})();
/** Bare skin on nearly everybody: what skin looks like is learnt there. */
const SKIN = (() => {
  const any = new Float32Array(PLACES);
  for (const name of ['cheeks', 'nose', 'underEyes'] as const)
    maskOf([...faceRegion(name).outlines]).forEach((v, i) => (any[i] = Math.max(any[i]!, v)));
  return any;
})();

/** Of how well a place is seen, below which nothing is said about it. */
const SEEN_WELL = 90;
/** What is covered says so much less about the light. */
const WEIGHS_LESS = 0.99;
/** Least and most standard deviation of a place in logarithms: 4 % and 16 %. */
const LEAST = 0.06;
const MOST = 0.16;
const LEARNS = 0.08;
/** What is covered is forgotten slowly, so that a lamp that is switched on is not taken for a hand for ever. */
const FORGETS = 0.006;
/** So much of it at once: a mug before the mouth for some seconds leaves nothing behind. */
const FORGETS_AT_MOST = 0.15;

/** Deviation that a degree of turning adds, and how fast the way the head is held is learnt. */
const SLACK = 0.008;
/** A shadow is allowed to be this much darker than what usually happens; colour counts as much more than light. */
const SHADE = 1.6;
const TINT = 2;
const TURNS = 0.05;
/** How odd a place is: from where on it is covered by itself, and where it hangs together with one that surely is. */
const SURE = [0.7, 1.3] as const;
const LIKELY = [0.35, 0.6] as const;

const logOf = (byte: number): number => {
  const c = byte / 255;
  const light = c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  return Math.log(light + 0.015);
};
const LOGS = Float32Array.from({ length: 256 }, (_, i) => logOf(i));

const median = (values: Float32Array): number => values.sort()[values.length >> 1] ?? 0;

/** Where each place is on the layout, from its middle. */
const ACROSS = Float32Array.from({ length: PLACES }, (_, i) => (i % GRID) / GRID - 0.5);
const DOWN = Float32Array.from({ length: PLACES }, (_, i) => Math.floor(i / GRID) / GRID - 0.5);

/**
 * What the light does to the whole face, fitted to places that are bare as far as is known: begun from what it did in the picture before, so that
 * a hand that comes over most of the face is not taken for the light.
 */
const lightChange = (
  off: Float32Array,
  channel: number,
  use: readonly number[],
  cover: Float32Array,
  before: LightPlane | null,
): LightPlane => {
  let fit: LightPlane = before ?? [median(Float32Array.from(use, (i) => off[3 * i + channel]!)), 0, 0];
  for (let round = 0; round < 4; round++) {
    const [c, a, b] = fit;
    // Cauchy weights: a hand before half the face does not tilt the plane. Sums in plain numbers: this runs for every picture.
    let sw = 0;
    let su = 0;
    let sv = 0;
    let suu = 0;
    let suv = 0;
    let svv = 0;
    let sd = 0;
    let sud = 0;
    let svd = 0;
    for (const i of use) {
      const u = ACROSS[i]!;
      const v = DOWN[i]!;
      const d = off[3 * i + channel]!;
      const e = (d - c - a * u - b * v) / 0.08;
      const w = (1 - WEIGHS_LESS * cover[i]!) / (1 + e * e);
      sw += w;
      su += w * u;
      sv += w * v;
      suu += w * u * u;
      suv += w * u * v;
      svv += w * v * v;
      sd += w * d;
      sud += w * u * d;
      svd += w * v * d;
    }
    // A slope stays as it was unless it is well founded.
    const damping = before ? 0.01 * sw : 0.002 * sw;
    const sums = Float64Array.of(sw, su, sv, su, suu + damping, suv, sv, suv, svv + damping);
    const next = Float64Array.of(sd, sud + damping * (before?.[1] ?? 0), svd + damping * (before?.[2] ?? 0));
    if (!solveLinear(sums, next, 3)) break;
    fit = [next[0]!, next[1]!, next[2]!];
  }
  return fit;
};
/** Means over 3 x 3 places of the face. */
const spreadOut = (of: Float32Array, use: Uint8Array, into: Float32Array): void => {
  for (let y = 0; y < GRID; y++)
    for (let x = 0; x < GRID; x++) {
      let [sum, count] = [0, 0];
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [u, v] = [x + dx, y + dy];
          if (u < 0 || v < 0 || u >= GRID || v >= GRID || !use[v * GRID + u]) continue;
          sum += of[v * GRID + u]!;
          count++;
        }
      into[y * GRID + x] = count > 0 ? sum / count : 0;
    }
};

/** 1 for places that are odd enough and hang together, through others that are, with one that is surely covered. */
const hangsTogether = (odd: Float32Array, use: Uint8Array): Uint8Array => {
  const found = new Uint8Array(PLACES);
  const ahead: number[] = [];
  for (let i = 0; i < PLACES; i++)
    if (use[i] && odd[i]! > SURE[1]) {
      found[i] = 1;
      ahead.push(i);
    }
  while (ahead.length > 0) {
    const i = ahead.pop()!;
    const x = i % GRID;
    for (const k of [x > 0 ? i - 1 : -1, x < GRID - 1 ? i + 1 : -1, i - GRID, i + GRID]) {
      if (k < 0 || k >= PLACES || found[k] || !use[k] || odd[k]! <= LIKELY[0]) continue;
      found[k] = 1;
      ahead.push(k);
    }
  }
  return found;
};

/** Places that say nothing take the mean of those around them, from their edge inwards. */
const filledIn = (of: Float32Array, use: Uint8Array): void => {
  let open: number[] = [];
  const known = use.slice();
  for (let i = 0; i < PLACES; i++) if (!known[i] && FACE[i]! > 0.2) open.push(i);
  while (open.length > 0) {
    const rest: number[] = [];
    const found: [number, number][] = [];
    for (const i of open) {
      const x = i % GRID;
      let [sum, count] = [0, 0];
      for (const k of [x > 0 ? i - 1 : -1, x < GRID - 1 ? i + 1 : -1, i - GRID, i + GRID])
        if (k >= 0 && k < PLACES && known[k]) {
          sum += of[k]!;
          count++;
        }
      if (count > 0) found.push([i, sum / count]);
      else rest.push(i);
    }
    if (found.length === 0) {
      for (const i of open) of[i] = 0;
      return;
    }
    for (const [i, v] of found) {
      of[i] = v;
      known[i] = 1;
    }
    open = rest;
  }
};

/**
 * The next picture of the same face. `samples` are four bytes a place, the layout's top row first: sRGB, and how well the place
 * is seen. `rotation` is how the head is held. `before` is null for a face that is new.
 */
export const nextCover = (
  before: CoverModel | null,
  samples: Uint8Array,
  rotation: Quaternion,
): CoverModel => {
  const mean = before ? before.mean.slice() : new Float32Array(3 * PLACES);
  const spread = before ? before.spread.slice() : new Float32Array(PLACES).fill(MOST * MOST);
  const seen = before ? before.seen.slice() : new Uint16Array(PLACES);
  const old = before?.cover ?? new Float32Array(PLACES);
  const use = new Uint8Array(PLACES);
  const off = new Float32Array(3 * PLACES);
  const learnt: number[] = [];
  for (let i = 0; i < PLACES; i++) {
    if (FACE[i]! < 0.5 || LIVELY[i]! > 0.1 || samples[4 * i + 3]! < SEEN_WELL) continue;
    use[i] = 1;
    for (let c = 0; c < 3; c++) {
      const now = LOGS[samples[4 * i + c]!]!;
      if (seen[i] === 0) mean[3 * i + c] = now;
      off[3 * i + c] = now - mean[3 * i + c]!;
    }
    if (seen[i]! > 0) learnt.push(i);
  }
  let light = before?.light ?? null;
  if (learnt.length > 60) {
    light = [0, 1, 2].map((c) => lightChange(off, c, learnt, old, light?.[c] ?? null));
    light.forEach(([k, a, b], c) => {
      for (const i of learnt) off[3 * i + c]! -= k + a * ACROSS[i]! + b * DOWN[i]!;
    });
  }
  // What skin looks like on this face: a robust mean where it is nearly always bare.
  const bare: number[] = [];
  for (let i = 0; i < PLACES; i++) if (use[i] && SKIN[i]! > 0.5 && seen[i]! > 0) bare.push(i);
  const tone =
    bare.length > 30
      ? ([0, 1, 2] as const).map((c) => median(Float32Array.from(bare, (i) => mean[3 * i + c]!)))
      : null;
  const held = before?.rotation ?? rotation;
  // A turned head is lit another way.
  const slack = SLACK * angleBetween(held, rotation);
  const odd = new Float32Array(PLACES);
  for (let i = 0; i < PLACES; i++) {
    if (!use[i]) continue;
    const deviation = slack + Math.min(MOST, Math.max(LEAST, Math.sqrt(spread[i]!)));
    // How bright it is, and of what colour, apart: a shadow is darker and little else.
    const [red, green, blue] = [off[3 * i]!, off[3 * i + 1]!, off[3 * i + 2]!];
    const light = (red + green + blue) / 3;
    const tint = ((red - light) ** 2 + (green - light) ** 2 + (blue - light) ** 2) / 3;
    const bright = light / (light < 0 ? SHADE * deviation : deviation);
    odd[i] = Math.min(3, (bright ** 2 + (TINT * TINT * tint) / deviation ** 2) / 9);
    if (tone) {
      const r = mean[3 * i]! + red - tone[0]!;
      const g = mean[3 * i + 1]! + green - tone[1]!;
      const b = mean[3 * i + 2]! + blue - tone[2]!;
      const dark = -(r + g + b) / 3;
      const hue = Math.max(Math.abs(r - g), Math.abs(g - b));
      // Hair is much darker than skin in its own shade, or of quite another colour.
      const alien = Math.max(dark / 1.5, hue / 0.75);
      odd[i] = Math.max(odd[i]!, Math.min(3, alien * alien));
    }
  }
  const smooth = new Float32Array(PLACES);
  spreadOut(odd, use, smooth);
  const hanging = hangsTogether(smooth, use);
  const cover = new Float32Array(PLACES);
  for (let i = 0; i < PLACES; i++) {
    if (!use[i]) continue;
    const now = hanging[i] ? smoothstep(...LIKELY, smooth[i]!) : smoothstep(...SURE, smooth[i]!);
    cover[i] = old[i]! + (now > old[i]! ? 0.7 : 0.5) * (now - old[i]!);
    const isBare = cover[i]! < 0.3;
    const rate = isBare ? Math.max(LEARNS, 1 / (seen[i]! + 1)) : FORGETS;
    const most = isBare ? Infinity : FORGETS_AT_MOST;
    let square = 0;
    for (let c = 0; c < 3; c++) {
      mean[3 * i + c]! += rate * clamp(off[3 * i + c]!, -most, most);
      square += off[3 * i + c]! ** 2 / 3;
    }
    if (isBare) {
      spread[i]! += Math.min(0.05, rate) * (square - spread[i]!);
      seen[i] = Math.min(60_000, seen[i]! + 1);
    }
  }
  filledIn(cover, use);
  return { mean, spread, seen, cover, rotation: slerp(held, rotation, TURNS), light };
};
