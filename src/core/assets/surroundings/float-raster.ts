/** Pictures whose brightness has no upper end: linear light, red, green, blue, row by row from the top left. */
import type { Pixels } from '../../units';

export interface FloatRaster {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly data: Float32Array;
}

/** The brightest value of any channel. */
export const peakOf = ({ data }: FloatRaster): number => {
  let peak = 0;
  for (const x of data) if (x > peak) peak = x;
  return peak;
};

/** Smaller, each pixel the mean of the area it covers, so that no light is lost. */
export const shrinkFloat = (from: FloatRaster, width: Pixels, height: Pixels): FloatRaster => {
  if (width >= from.width && height >= from.height) return from;
  const out = new Float32Array(width * height * 3);
  const [kx, ky] = [from.width / width, from.height / height];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const sum = [0, 0, 0];
      let area = 0;
      for (let sy = Math.floor(y * ky); sy < Math.min(from.height, Math.ceil((y + 1) * ky - 1e-9)); sy++) {
        const h = Math.min(sy + 1, (y + 1) * ky) - Math.max(sy, y * ky);
        for (let sx = Math.floor(x * kx); sx < Math.min(from.width, Math.ceil((x + 1) * kx - 1e-9)); sx++) {
          const share = h * (Math.min(sx + 1, (x + 1) * kx) - Math.max(sx, x * kx));
          area += share;
          for (let c = 0; c < 3; c++) sum[c] = sum[c]! + share * from.data[(sy * from.width + sx) * 3 + c]!;
        }
      }
      for (let c = 0; c < 3; c++) out[(y * width + x) * 3 + c] = sum[c]! / area;
    }
  return { width, height, data: out };
};
