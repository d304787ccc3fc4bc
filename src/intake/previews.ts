/** Small pictures for lists. */
import { lookUp, type ColourTable } from '../core/assets/colour/table';
import { peakOf, shrinkFloat, type FloatRaster } from '../core/assets/surroundings/float-raster';
import { blank, blit, shrink, within, type Raster } from '../core/assets/raster';
import type { Rgb } from '../core/maths/blend';
import { browserCodec } from './browser-codec';
import type { KeptBytes } from './drafts';

/** Longest side of a small picture. */
const SIDE = 224;

const encoded = async (raster: Raster): Promise<KeptBytes> => {
  try {
    return { bytes: await browserCodec.encode(raster, 'webp', 82), mime: 'image/webp' };
  } catch {
    // A browser that writes no WebP: a small PNG does as well.
    return { bytes: await browserCodec.encode(raster, 'png', 100), mime: 'image/png' };
  }
};

/** Null for pictures that are small themselves. */
export const picturePreview = async (picture: Raster, always = false): Promise<KeptBytes | null> => {
  if (!always && Math.max(picture.width, picture.height) <= 2 * SIDE) return null;
  const { width, height } = within(picture.width, picture.height, SIDE);
  return encoded(shrink(picture, width, height));
};

/** Frames side by side, so that a list can play them: as many as `PREVIEW_FRAMES`. */
export const PREVIEW_FRAMES = 8;
export const filmPreview = async (frames: readonly Raster[]): Promise<KeptBytes> => {
  const [first] = frames;
  const { width, height } = within(first!.width, first!.height, 112);
  const film = blank(width * frames.length, height);
  frames.forEach((frame, i) => blit(shrink(frame, width, height), film, i * width, 0));
  return encoded(film);
};

/** Which frames stand for a sequence of `count`. */
export const previewFrames = (count: number): number[] =>
  Array.from({ length: Math.min(PREVIEW_FRAMES, count) }, (_, i) =>
    Math.floor((i * count) / Math.min(PREVIEW_FRAMES, count)),
  );

/** Hue across, light to dark down: what a colour table makes of all colours, with the colours themselves above. */
export const tablePreview = (table: ColourTable): Promise<KeptBytes> => {
  const [width, height] = [160, 112];
  const picture = blank(width, height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const hue = (x / width) * 6;
      const light = 1 - (y % (height / 2)) / (height / 2);
      const channel = (shift: number): number => {
        const k = (hue + shift) % 6;
        const full = Math.min(1, Math.max(0, Math.min(k, 4 - k)));
        return light > 0.5 ? full + (1 - full) * (2 * light - 1) : full * 2 * light;
      };
      const colour: Rgb = [channel(2), channel(0), channel(4)];
      const shown = y < height / 2 ? colour : lookUp(table, colour);
      picture.data.set(
        [...shown.map((c) => Math.round(Math.min(1, Math.max(0, c)) * 255)), 255],
        (y * width + x) * 4,
      );
    }
  return encoded(picture);
};

/** Bright enough to see what is in it, whatever its own brightness. */
export const surroundingsPreview = (light: FloatRaster): Promise<KeptBytes> => {
  const { width, height } = within(light.width, light.height, SIDE);
  const small = shrinkFloat(light, width, height);
  const sorted = Float32Array.from(small.data).sort();
  const white = Math.max(1e-4, sorted[Math.floor(sorted.length * 0.9)] || peakOf(small));
  const picture = blank(width, height);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) {
      const v = small.data[i * 3 + c]! / white;
      picture.data[i * 4 + c] = Math.round(255 * Math.min(1, (v * 1.2) / (v + 0.6)) ** (1 / 2.2));
    }
    picture.data[i * 4 + 3] = 255;
  }
  return encoded(picture);
};
