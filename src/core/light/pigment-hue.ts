/** What the colour of a light does to make-up that is seen in it. */
import { linearOf, luminance, rgbOf } from '../maths/srgb';
import type { Rgb } from '../maths/blend';
import type { Hex } from '../units';

/** Eyes and cameras take back a part of the colour of a light; so much of it is left. */
const LEFT = 0.45;
const LEAST = 0.02;

/**
 * Factors for the sRGB channels of a pigment in light of this colour: it gets the light's hue and stays about as bright. White light changes
 * nothing. Channels are raised to 1 / 2.2, near enough to sRGB's curve for factors.
 */
export const pigmentHue = (light: Hex): Rgb => {
  const linear = linearOf(rgbOf(light));
  const bright = Math.max(luminance(linear), 0.001);
  return linear.map((c) => 1 + LEFT * (Math.max(c / bright, LEAST) ** (1 / 2.2) - 1)) as unknown as Rgb;
};
