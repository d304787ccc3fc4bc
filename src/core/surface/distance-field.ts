/**
 * The distance of every pixel to the edge of a painted shape, for texts in surface circuits.
 * Felzenszwalb and Huttenlocher, "Distance Transforms of Sampled Functions", Theory of Computing 8 (2012): exact, and as
 * many steps as there are pixels.
 */
export interface DistanceField {
  readonly width: number;
  readonly height: number;
  /** Row by row from the top, in pixels; below 0 inside. */
  readonly values: Float32Array;
}

const FAR = 1e12;

/** Squared distance to the nearest of a row of parabolas, in place. */
const alongLine = (f: Float64Array, n: number, v: Int32Array, z: Float64Array, out: Float64Array): void => {
  let k = 0;
  v[0] = 0;
  z[0] = -Infinity;
  z[1] = Infinity;
  for (let q = 1; q < n; q++) {
    let s: number;
    do {
      const r = v[k]!;
      s = (f[q]! + q * q - (f[r]! + r * r)) / (2 * q - 2 * r);
    } while (s <= z[k]! && --k >= 0);
    k++;
    v[k] = q;
    z[k] = s;
    z[k + 1] = Infinity;
  }
  k = 0;
  for (let q = 0; q < n; q++) {
    while (z[k + 1]! < q) k++;
    const d = q - v[k]!;
    out[q] = d * d + f[v[k]!]!;
  }
};

const squared = (start: Float64Array, width: number, height: number): Float64Array => {
  const most = Math.max(width, height);
  const [f, out, z, v] = [
    new Float64Array(most),
    new Float64Array(most),
    new Float64Array(most + 1),
    new Int32Array(most),
  ];
  const grid = Float64Array.from(start);
  for (let x = 0; x < width; x++) {
    for (let y = 0; y < height; y++) f[y] = grid[y * width + x]!;
    alongLine(f, height, v, z, out);
    for (let y = 0; y < height; y++) grid[y * width + x] = out[y]!;
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) f[x] = grid[y * width + x]!;
    alongLine(f, width, v, z, out);
    for (let x = 0; x < width; x++) grid[y * width + x] = out[x]!;
  }
  return grid;
};

/**
 * `cover` says how much of each pixel is painted, 0 to 1. Half painted pixels lie on the edge, so that smooth edges keep
 * their place between pixels.
 */
export const distanceField = (cover: Float32Array, width: number, height: number): DistanceField => {
  const inside = new Float64Array(width * height);
  const outside = new Float64Array(width * height);
  for (let i = 0; i < cover.length; i++) {
    const a = cover[i]!;
    // How far the edge is from the middle of a pixel that it crosses.
    const edge = 0.5 - a;
    outside[i] = a >= 1 ? 0 : a <= 0 ? FAR : Math.max(0, edge) ** 2;
    inside[i] = a <= 0 ? 0 : a >= 1 ? FAR : Math.max(0, -edge) ** 2;
  }
  const [out, inn] = [squared(outside, width, height), squared(inside, width, height)];
  const values = new Float32Array(width * height);
  for (let i = 0; i < values.length; i++) values[i] = Math.sqrt(out[i]!) - Math.sqrt(inn[i]!);
  return { width, height, values };
};

/** The value at a place (pixels, from the upper left corner), smooth between pixels; the edge of the field goes on. */
export const fieldAt = ({ width, height, values }: DistanceField, x: number, y: number): number => {
  const [fx, fy] = [x - 0.5, y - 0.5];
  const [x0, y0] = [Math.floor(fx), Math.floor(fy)];
  const at = (i: number, j: number): number =>
    values[Math.min(height - 1, Math.max(0, j)) * width + Math.min(width - 1, Math.max(0, i))]!;
  const [u, v] = [fx - x0, fy - y0];
  return (
    (at(x0, y0) * (1 - u) + at(x0 + 1, y0) * u) * (1 - v) +
    (at(x0, y0 + 1) * (1 - u) + at(x0 + 1, y0 + 1) * u) * v
  );
};
