/** Points sampled on a surface, in a text that the document can hold: a scale in metres, then x, y, z of each as 16-bit integers. */

/** More are not needed to bear particles all over a shape. */
export const MOST_POINTS = 1200;
const FULL = 32767;

const KEPT = new Map<string, Float32Array>();

/** Points (x, y, z of each, metres) as a text; those beyond `MOST_POINTS` are left out. */
export const packPoints = (points: ArrayLike<number>): string => {
  const count = Math.min(MOST_POINTS, Math.floor(points.length / 3)) * 3;
  let reach = 0;
  for (let i = 0; i < count; i++) reach = Math.max(reach, Math.abs(points[i]!));
  const numbers = new Int16Array(count);
  for (let i = 0; i < count; i++) numbers[i] = reach > 0 ? Math.round((points[i]! / reach) * FULL) : 0;
  const bytes = new Uint8Array(numbers.buffer);
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return `${reach}|${btoa(text)}`;
};

/** No points where the text does not hold any. The same text gives the same array, which must not be changed. */
export const unpackPoints = (text: string): Float32Array => {
  const kept = KEPT.get(text);
  if (kept) return kept;
  const points = read(text);
  if (KEPT.size > 40) KEPT.clear();
  KEPT.set(text, points);
  return points;
};

const read = (text: string): Float32Array => {
  const [reach, data] = text.split('|');
  const k = Number(reach) / FULL;
  if (!data || !Number.isFinite(k)) return new Float32Array();
  try {
    const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
    const numbers = new Int16Array(bytes.buffer, 0, Math.floor(bytes.length / 6) * 3);
    return Float32Array.from(numbers, (n) => n * k);
  } catch {
    return new Float32Array();
  }
};
