/** Colours by hue: HSL of CSS Color 4 on sRGB values, and OKLCH (Björn Ottosson, "A perceptual color space for image processing", 2020) on linear light. */
import type { Degrees } from '../units';
import type { Rgb } from './blend';

type Triple = readonly [number, number, number];

const turn = (angle: Degrees): Degrees => angle - 360 * Math.floor(angle / 360);

/** Hue in degrees, saturation and lightness from 0 to 1, of sRGB values. Grey has hue 0. */
export const toHsl = ([r, g, b]: Rgb): Triple => {
  const [high, low] = [Math.max(r, g, b), Math.min(r, g, b)];
  const [light, far] = [(high + low) / 2, high - low];
  if (far === 0) return [0, 0, light];
  const sixth = high === r ? (g - b) / far : high === g ? 2 + (b - r) / far : 4 + (r - g) / far;
  return [turn(sixth * 60), far / (1 - Math.abs(2 * light - 1)), light];
};

/** sRGB values of hue, saturation and lightness. */
export const fromHsl = ([hue, saturation, light]: Triple): Rgb => {
  const far = saturation * Math.min(light, 1 - light);
  const channel = (n: number): number => {
    const k = (n + turn(hue) / 30) % 12;
    return light - far * Math.max(-1, Math.min(k - 3, 9 - k, 1));
  };
  return [channel(0), channel(8), channel(4)];
};

/** Lightness 0 to 1, chroma from 0, hue in degrees, of linear light. */
export const toOklch = ([r, g, b]: Rgb): Triple => {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  const light = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s;
  const a = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
  const c = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
  return [light, Math.hypot(a, c), turn((Math.atan2(c, a) * 180) / Math.PI)];
};

/** Linear light of lightness, chroma and hue; beyond 0 to 1 where no screen shows it. */
export const fromOklch = ([light, chroma, hue]: Triple): Rgb => {
  const angle = (hue * Math.PI) / 180;
  const [a, c] = [chroma * Math.cos(angle), chroma * Math.sin(angle)];
  const l = (light + 0.3963377774 * a + 0.2158037573 * c) ** 3;
  const m = (light - 0.1055613458 * a - 0.0638541728 * c) ** 3;
  const s = (light - 0.0894841775 * a - 1.291485548 * c) ** 3;
  return [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ];
};
