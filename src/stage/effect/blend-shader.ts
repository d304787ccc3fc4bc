/**
 * Blend modes that need to see what is beneath: W3C Compositing and Blending Level 1, sections 10.1 and 10.2, in
 * GLSL. `core/maths/blend.ts` says the same in TypeScript; a test compares the two pixel by pixel.
 */
import { BLEND_MODES, type BlendMode } from '../../core/document/schema';

/** Modes the blend unit does by itself over an opaque picture. */
export const FIXED_MODES: ReadonlySet<BlendMode> = new Set(['normal', 'multiply', 'screen', 'plus-lighter']);

/** What `mode` means in the shader. */
export const modeNumber = (mode: BlendMode): number => BLEND_MODES.indexOf(mode);

const is = (mode: BlendMode): string => `mode == ${modeNumber(mode)}`;

/** The formulas; they ask a `mode` that has to be there before. */
export const BLEND_FUNCTIONS = /* glsl */ `
  float hardLight(float b, float s) {
    return s <= 0.5 ? b * 2.0 * s : b + (2.0 * s - 1.0) - b * (2.0 * s - 1.0);
  }
  float softLight(float b, float s) {
    if (s <= 0.5) return b - (1.0 - 2.0 * s) * b * (1.0 - b);
    float d = b <= 0.25 ? ((16.0 * b - 12.0) * b + 4.0) * b : sqrt(b);
    return b + (2.0 * s - 1.0) * (d - b);
  }
  float blendChannel(float b, float s) {
    if (${is('multiply')}) return b * s;
    if (${is('screen')}) return b + s - b * s;
    if (${is('overlay')}) return hardLight(s, b);
    if (${is('darken')}) return min(b, s);
    if (${is('lighten')}) return max(b, s);
    if (${is('color-dodge')}) return b <= 0.0 ? 0.0 : s >= 1.0 ? 1.0 : min(1.0, b / (1.0 - s));
    if (${is('color-burn')}) return b >= 1.0 ? 1.0 : s <= 0.0 ? 0.0 : 1.0 - min(1.0, (1.0 - b) / s);
    if (${is('hard-light')}) return hardLight(b, s);
    if (${is('soft-light')}) return softLight(b, s);
    if (${is('difference')}) return abs(b - s);
    if (${is('exclusion')}) return b + s - 2.0 * b * s;
    return s;
  }
  float lum(vec3 c) { return dot(c, vec3(0.3, 0.59, 0.11)); }
  float least(vec3 c) { return min(c.r, min(c.g, c.b)); }
  float most(vec3 c) { return max(c.r, max(c.g, c.b)); }
  vec3 clipColour(vec3 c) {
    float l = lum(c);
    float n = least(c);
    float x = most(c);
    if (n < 0.0) c = l + (c - l) * l / (l - n);
    if (x > 1.0) c = l + (c - l) * (1.0 - l) / (x - l);
    return c;
  }
  vec3 setLum(vec3 c, float l) { return clipColour(c + (l - lum(c))); }
  vec3 setSat(vec3 c, float s) {
    float range = most(c) - least(c);
    return range <= 0.0 ? vec3(0.0) : (c - least(c)) * s / range;
  }
  vec3 blendColours(vec3 b, vec3 s) {
    if (${is('hue')}) return setLum(setSat(s, most(b) - least(b)), lum(b));
    if (${is('saturation')}) return setLum(setSat(b, most(s) - least(s)), lum(b));
    if (${is('color')}) return setLum(s, lum(b));
    if (${is('luminosity')}) return setLum(b, lum(s));
    return vec3(blendChannel(b.r, s.r), blendChannel(b.g, s.g), blendChannel(b.b, s.b));
  }
  /** A colour with opacity over an opaque one. */
  vec3 blendOver(vec3 b, vec3 s, float a) {
    return ${is('plus-lighter')} ? min(vec3(1.0), b + a * s) : mix(b, blendColours(b, s), a);
  }
`;
/** The formulas with one mode for all. */
export const BLEND_GLSL = /* glsl */ `
  uniform int mode;
  ${BLEND_FUNCTIONS}
`;
