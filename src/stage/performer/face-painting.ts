/** A sheet in the face's UV to paint on, by landmark. */
import { UV } from '../../core/face/neutral';
import { lerp } from '../../core/maths/scalar';
import type { Context } from './canvas';

/** Positions and widths are on a sheet of this size, whatever its pixels. */
export const SHEET = 1024;

export type Point = readonly [number, number];
export const at = (landmark: number): Point => [UV[2 * landmark]! * SHEET, UV[2 * landmark + 1]! * SHEET];

export const trace = (g: Context, ids: readonly number[]): void => {
  g.beginPath();
  ids.forEach((id, i) => (i === 0 ? g.moveTo(...at(id)) : g.lineTo(...at(id))));
};

export const centre = (ids: readonly number[]): Point => {
  const sum = ids.map(at).reduce(([x, y], [px, py]) => [x + px, y + py], [0, 0]);
  return [sum[0] / ids.length, sum[1] / ids.length];
};

/** A place along a row of points: whole numbers are the points themselves. */
export const alongRow = (row: readonly Point[], u: number): Point => {
  const i = Math.min(row.length - 2, Math.floor(u));
  const f = u - i;
  return [lerp(row[i]![0], row[i + 1]![0], f), lerp(row[i]![1], row[i + 1]![1], f)];
};

/** The same path on the other half of the face. */
const MIRROR = new Map<number, number>();
const mirrorOf = (landmark: number): number => {
  const kept = MIRROR.get(landmark);
  if (kept !== undefined) return kept;
  const [x, y] = at(landmark);
  let [best, far] = [landmark, Infinity];
  for (let i = 0; i < UV.length / 2; i++) {
    const d = Math.hypot(SHEET - x - at(i)[0], y - at(i)[1]);
    if (d < far) [best, far] = [i, d];
  }
  MIRROR.set(landmark, best);
  return best;
};
export const mirrored = (ids: readonly number[]): number[] => ids.map(mirrorOf);

/** Where a full beard grows: along the jaw, up the sideburns, over the upper lip; the lips are left out. */
const BEARD_RIGHT = [
  152, 148, 176, 149, 150, 136, 172, 58, 132, 93, 234, 137, 147, 187, 207, 216, 206, 165, 167,
] as const;
const LIP_RIM = [
  61, 185, 40, 39, 37, 0, 267, 269, 270, 409, 291, 375, 321, 405, 314, 17, 84, 181, 91, 146,
] as const;
export const traceBeard = (g: Context): void => {
  trace(g, [...BEARD_RIGHT, 164, ...mirrored(BEARD_RIGHT).reverse().slice(0, -1)]);
};
const MOUSTACHE_RIGHT = [185, 92, 165, 167] as const;
export const traceMoustache = (g: Context): void => {
  trace(g, [
    ...MOUSTACHE_RIGHT,
    164,
    ...mirrored(MOUSTACHE_RIGHT).reverse(),
    ...[...LIP_RIM.slice(0, 11)].reverse(),
  ]);
};
export const cutLips = (g: Context): void => {
  g.save();
  g.globalCompositeOperation = 'destination-out';
  g.filter = 'blur(4px)';
  trace(g, LIP_RIM);
  g.fill();
  g.restore();
};
