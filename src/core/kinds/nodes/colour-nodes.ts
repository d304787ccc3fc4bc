/** Colours: linear light at the ports, sRGB where they are set, and the ways of writing them down. */
import type { Rgb } from '../../maths/blend';
import { linearOf, luminance, srgbOf } from '../../maths/srgb';
import { fromHsl, fromOklch, toHsl, toOklch } from '../../maths/colour-spaces';
import { clamp } from '../../maths/scalar';
import { mix, type Vec3 } from '../../maths/vec3';
import { input, num, output, pure, type InputPort } from './node-kind';

const COLOUR = [output('colour', 'colour')];
const colour = (name: string, usual: string): InputPort => input(name, 'colour', usual);
const share = (name: string, usual: number): InputPort => num(name, usual, { unit: 'percent' });
const hue = (usual = 0): InputPort => num('hue', usual, { unit: 'degrees' });
const within = (rgb: Rgb): Rgb => rgb.map((c) => clamp(c, 0, 1)) as unknown as Rgb;

export const COLOUR_NODES = {
  colour: pure([colour('colour', '#0f6b62')], COLOUR, ([c]: readonly [Rgb]) => [c]),
  fromRgb: pure([share('red', 1), share('green', 1), share('blue', 1)], COLOUR, (rgb: readonly number[]) => [
    linearOf(within(rgb as unknown as Rgb)),
  ]),
  splitColour: pure(
    [colour('colour', '#ffffff')],
    [output('red', 'number'), output('green', 'number'), output('blue', 'number'), output('light', 'number')],
    ([c]: readonly [Rgb]) => [...srgbOf(c), luminance(c)],
  ),
  fromHsl: pure(
    [hue(), share('saturation', 1), share('lightness', 0.5)],
    COLOUR,
    ([h, s, l]: readonly number[]) => [linearOf(fromHsl([h!, clamp(s!, 0, 1), clamp(l!, 0, 1)]))],
  ),
  toHsl: pure(
    [colour('colour', '#0f6b62')],
    [
      output('hue', 'number', { unit: 'degrees' }),
      output('saturation', 'number'),
      output('lightness', 'number'),
    ],
    ([c]: readonly [Rgb]) => toHsl(within(srgbOf(c))),
  ),
  fromOklch: pure(
    [share('lightness', 0.7), num('chroma', 0.1), hue(180)],
    COLOUR,
    ([l, c, h]: readonly number[]) => [within(fromOklch([clamp(l!, 0, 1), Math.max(0, c!), h!]))],
  ),
  toOklch: pure(
    [colour('colour', '#0f6b62')],
    [output('lightness', 'number'), output('chroma', 'number'), output('hue', 'number', { unit: 'degrees' })],
    ([c]: readonly [Rgb]) => toOklch(c),
  ),
  mixColours: pure(
    [colour('a', '#000000'), colour('b', '#ffffff'), share('share', 0.5)],
    COLOUR,
    ([a, b, k]: readonly [Vec3, Vec3, number]) => [mix(a, b, k)],
  ),
  gradient: pure(
    [share('share', 0.5), colour('from', '#163a4a'), colour('middle', '#0f6b62'), colour('to', '#f6e7c1')],
    COLOUR,
    ([k, a, b, c]: readonly [number, Vec3, Vec3, Vec3]) => {
      const t = clamp(k, 0, 1) * 2;
      return [t <= 1 ? mix(a, b, t) : mix(b, c, t - 1)];
    },
  ),
  brighter: pure(
    [colour('colour', '#0f6b62'), num('times', 1)],
    COLOUR,
    ([c, k]: readonly [Vec3, number]) => [c.map((x) => Math.max(0, x * k))],
  ),
};
