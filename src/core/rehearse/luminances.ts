/** How bright each pixel of a picture is. */
import type { Raster } from '../assets/raster';
import { luminance, toLinear } from '../maths/srgb';

const LINEAR = Float32Array.from({ length: 256 }, (_, level) => toLinear(level / 255));

/** Relative luminance (WCAG 2.2), 0 to 1, row by row. */
export const luminancesOf = ({ width, height, data }: Raster): Float32Array =>
  Float32Array.from({ length: width * height }, (_, i) =>
    luminance([LINEAR[data[4 * i]!]!, LINEAR[data[4 * i + 1]!]!, LINEAR[data[4 * i + 2]!]!]),
  );
