/** What runs along the wires of a surface circuit, and how one kind of value is read as another. */
import { linearOf, rgbOf } from '../maths/srgb';
import type { SurfaceNodeValue } from '../document/schema';

/** A number, a point (2), a vector (3), a colour (3, linear light, 1 is white). */
export type PortType = 'n' | 'p' | 'v' | 'c';

/** How many numbers a value is. */
export const WIDTH: Readonly<Record<PortType, 1 | 2 | 3>> = { n: 1, p: 2, v: 3, c: 3 };

/** Relative luminance of linear sRGB (IEC 61966-2-1, Rec. 709). */
export const LUMINANCE = [0.2126, 0.7152, 0.0722] as const;

/** A value read as another kind: numbers fill all places, a point lies in the plane z = 0, a colour has its luminance. */
export const converted = (value: readonly number[], from: PortType, to: PortType): readonly number[] => {
  if (WIDTH[from] === WIDTH[to]) return value;
  if (from === 'n') return to === 'p' ? [value[0]!, value[0]!] : [value[0]!, value[0]!, value[0]!];
  if (to === 'n')
    return from === 'c'
      ? [value[0]! * LUMINANCE[0] + value[1]! * LUMINANCE[1] + value[2]! * LUMINANCE[2]]
      : [value[0]!];
  return from === 'p' ? [value[0]!, value[1]!, 0] : [value[0]!, value[1]!];
};

/** The same in GLSL. */
export const convertedGlsl = (code: string, from: PortType, to: PortType): string => {
  if (WIDTH[from] === WIDTH[to]) return code;
  if (from === 'n') return to === 'p' ? `vec2(${code})` : `vec3(${code})`;
  if (to === 'n') return from === 'c' ? `dot(${code}, vec3(${LUMINANCE.join(', ')}))` : `${code}.x`;
  return from === 'p' ? `vec3(${code}, 0.0)` : `${code}.xy`;
};

export const GLSL_TYPE: Readonly<Record<PortType, string>> = { n: 'float', p: 'vec2', v: 'vec3', c: 'vec3' };

/** What the document holds for an input, as numbers; null when it is of another kind. */
export const numbersOf = (value: SurfaceNodeValue | undefined, type: PortType): readonly number[] | null => {
  if (typeof value === 'number') return converted([value], 'n', type);
  if (typeof value === 'string')
    return type === 'c' && /^#[0-9a-f]{6}$/.test(value) ? [...linearOf(rgbOf(value))] : null;
  return value && value.length === WIDTH[type] ? value : null;
};
