/** The transfer curve of sRGB (IEC 61966-2-1): between values as pictures hold them and amounts of light. */
import type { Hex } from '../units';
import type { Rgb } from './blend';

/** An sRGB value, 0 to 1, as an amount of light (IEC 61966-2-1). */
export const toLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);
/** An amount of light, 0 to 1, as an sRGB value. */
export const toSrgb = (c: number): number => (c <= 0.0031308 ? c * 12.92 : 1.055 * c ** (1 / 2.4) - 0.055);

/** A colour as amounts of light. */
export const linearOf = ([r, g, b]: Rgb): Rgb => [toLinear(r), toLinear(g), toLinear(b)];
/** Amounts of light as a colour. */
export const srgbOf = ([r, g, b]: Rgb): Rgb => [toSrgb(r), toSrgb(g), toSrgb(b)];

/** How bright a colour is, from its amounts of light (Rec. 709). */
export const luminance = ([r, g, b]: Rgb): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;

/** The values of a colour as the document holds it, 0 to 1. */
export const rgbOf = (hex: Hex): Rgb => {
  const value = parseInt(hex.slice(1), 16);
  return [((value >> 16) & 255) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255];
};

/** A colour as the document holds it, from values 0 to 1; beyond is cut. */
export const hexOf = (rgb: Rgb): Hex =>
  `#${rgb
    .map((x) =>
      Math.round(255 * Math.min(1, Math.max(0, x)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** The same of amounts of light. */
export const hexOfLight = (light: Rgb): Hex =>
  hexOf(srgbOf(light.map((c) => Math.min(1, Math.max(0, c))) as unknown as Rgb));
