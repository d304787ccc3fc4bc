/** The transfer curve of sRGB (IEC 61966-2-1): between values as pictures hold them and amounts of light. */
import type { Rgb } from './blend';

export const toLinear = (c: number): number => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);
export const toSrgb = (c: number): number => (c <= 0.0031308 ? c * 12.92 : 1.055 * c ** (1 / 2.4) - 0.055);

export const linearOf = ([r, g, b]: Rgb): Rgb => [toLinear(r), toLinear(g), toLinear(b)];
export const srgbOf = ([r, g, b]: Rgb): Rgb => [toSrgb(r), toSrgb(g), toSrgb(b)];

/** How bright a colour is, from its amounts of light (Rec. 709). */
export const luminance = ([r, g, b]: Rgb): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
