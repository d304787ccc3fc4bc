/** Colours: linear light at the ports, sRGB where they are set, and the ways of writing them down. */
import type { Rgb } from '../../maths/blend';
import { linearOf, luminance, srgbOf } from '../../maths/srgb';
import { fromHsl, fromOklch, toHsl, toOklch } from '../../maths/colour-spaces';
import { clamp } from '../../maths/scalar';
import { mix, type Vec3 } from '../../maths/vec3';
import { input, num, output, pure, type InputPort } from './node-kind';

const words = (name: string, note: string, also = '') => ({ name, group: 'Colours' as const, note, also });
const COLOUR = [output('colour', 'colour')];
const colour = (name: string, usual: string): InputPort => input(name, 'colour', usual);
const share = (name: string, usual: number): InputPort => num(name, usual, { unit: 'percent' });
const hue = (usual = 0): InputPort => num('hue', usual, { unit: 'degrees' });
const within = (rgb: Rgb): Rgb => rgb.map((c) => clamp(c, 0, 1)) as unknown as Rgb;

export const COLOUR_NODES = {
  colour: pure(
    words('Colour', 'A colour, set by hand.', 'constant paint'),
    [colour('colour', '#0f6b62')],
    COLOUR,
    ([c]: readonly [Rgb]) => [c],
  ),
  fromRgb: pure(
    words(
      'Colour from red, green, blue',
      'Of shares of red, green and blue as screens have them.',
      'rgb make',
    ),
    [share('red', 1), share('green', 1), share('blue', 1)],
    COLOUR,
    (rgb: readonly number[]) => [linearOf(within(rgb as unknown as Rgb))],
  ),
  splitColour: pure(
    words(
      'Split colour',
      'Red, green and blue as screens have them, and how light it is.',
      'rgb break channels luminance brightness',
    ),
    [colour('colour', '#ffffff')],
    [output('red', 'number'), output('green', 'number'), output('blue', 'number'), output('light', 'number')],
    ([c]: readonly [Rgb]) => [...srgbOf(c), luminance(c)],
  ),
  fromHsl: pure(
    words('Colour from hue', 'Of hue, saturation and lightness (HSL).', 'rainbow hsl make'),
    [hue(), share('saturation', 1), share('lightness', 0.5)],
    COLOUR,
    ([h, s, l]: readonly number[]) => [linearOf(fromHsl([h!, clamp(s!, 0, 1), clamp(l!, 0, 1)]))],
  ),
  toHsl: pure(
    words('Hue of a colour', 'Hue, saturation and lightness (HSL).', 'hsl split'),
    [colour('colour', '#0f6b62')],
    [
      output('hue', 'number', { unit: 'degrees' }),
      output('saturation', 'number'),
      output('lightness', 'number'),
    ],
    ([c]: readonly [Rgb]) => toHsl(within(srgbOf(c))),
  ),
  fromOklch: pure(
    words(
      'Colour as seen',
      'Of lightness, colourfulness and hue as eyes see them (OKLCH); what no screen shows is brought to what it can.',
      'oklch lch perceptual make',
    ),
    [share('lightness', 0.7), num('chroma', 0.1), hue(180)],
    COLOUR,
    ([l, c, h]: readonly number[]) => [within(fromOklch([clamp(l!, 0, 1), Math.max(0, c!), h!]))],
  ),
  toOklch: pure(
    words(
      'Colour as seen, split',
      'Lightness, colourfulness and hue as eyes see them (OKLCH).',
      'oklch lch perceptual',
    ),
    [colour('colour', '#0f6b62')],
    [output('lightness', 'number'), output('chroma', 'number'), output('hue', 'number', { unit: 'degrees' })],
    ([c]: readonly [Rgb]) => toOklch(c),
  ),
  mixColours: pure(
    words('Mix colours', 'From one colour to another by a share, in light.', 'blend lerp fade'),
    [colour('a', '#000000'), colour('b', '#ffffff'), share('share', 0.5)],
    COLOUR,
    ([a, b, k]: readonly [Vec3, Vec3, number]) => [mix(a, b, k)],
  ),
  gradient: pure(
    words('Gradient', 'Through three colours by a share.', 'ramp map heat'),
    [share('share', 0.5), colour('from', '#163a4a'), colour('middle', '#0f6b62'), colour('to', '#f6e7c1')],
    COLOUR,
    ([k, a, b, c]: readonly [number, Vec3, Vec3, Vec3]) => {
      const t = clamp(k, 0, 1) * 2;
      return [t <= 1 ? mix(a, b, t) : mix(b, c, t - 1)];
    },
  ),
  brighter: pure(
    words('Brighter', 'A colour with so much times the light.', 'darker exposure multiply gain'),
    [colour('colour', '#0f6b62'), num('times', 1)],
    COLOUR,
    ([c, k]: readonly [Vec3, number]) => [c.map((x) => Math.max(0, x * k))],
  ),
};
