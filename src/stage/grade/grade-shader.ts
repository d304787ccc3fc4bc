/**
 * Steps of a grade that look at one colour, as GLSL: one function a step, done in order. `core/grade/grade.ts`
 * says the same in TypeScript; a test compares the two pixel by pixel. The shader depends on the kinds of steps
 * alone; all numbers are uniforms, so that a dragged slider compiles nothing.
 */
import { GRAIN_REACH } from '../../core/grade/grain';
import { PCG3D_GLSL } from '../../core/maths/hash';
import type { PointKind } from '../../core/grade/grade';

export const SRGB_GLSL = /* glsl */ `
  vec3 toLinear(vec3 c) {
    return mix(pow((c + 0.055) / 1.055, vec3(2.4)), c / 12.92, vec3(lessThanEqual(c, vec3(0.04045))));
  }
  vec3 toSrgb(vec3 c) {
    return mix(1.055 * pow(max(c, 0.0), vec3(1.0 / 2.4)) - 0.055, c * 12.92, vec3(lessThanEqual(c, vec3(0.0031308))));
  }
  float brightnessOf(vec3 c) { return dot(c, vec3(0.2126, 0.7152, 0.0722)); }
`;

/** Tetrahedral interpolation as in core/assets/colour/table.ts: exact, whatever the texture unit rounds. */
const TABLE_GLSL = /* glsl */ `
  vec3 lookUp3(highp sampler3D table, vec3 low, vec3 high, vec3 colour) {
    float size = float(textureSize(table, 0).x);
    vec3 at = clamp((colour - low) / (high - low) * (size - 1.0), 0.0, size - 1.0);
    vec3 cell = min(floor(at), size - 2.0);
    vec3 f = at - cell;
    ivec3 c = ivec3(cell);
    // Along the axes, the one with the largest part first (Gustavson, "Simplex noise demystified", 2005).
    vec3 g = step(f.gbr, f);
    vec3 l = 1.0 - g.brg;
    ivec3 first = ivec3(min(g, l));
    ivec3 second = ivec3(max(g, l));
    float x = max(f.r, max(f.g, f.b));
    float z = min(f.r, min(f.g, f.b));
    float y = f.r + f.g + f.b - x - z;
    return (1.0 - x) * texelFetch(table, c, 0).rgb
      + (x - y) * texelFetch(table, c + first, 0).rgb
      + (y - z) * texelFetch(table, c + second, 0).rgb
      + z * texelFetch(table, c + ivec3(1), 0).rgb;
  }
  vec3 lookUp1(highp sampler3D table, vec3 low, vec3 high, vec3 colour) {
    int size = textureSize(table, 0).x;
    vec3 at = clamp((colour - low) / (high - low) * float(size - 1), 0.0, float(size - 1));
    vec3 result;
    for (int k = 0; k < 3; k++) {
      int i = min(size - 2, int(floor(at[k])));
      result[k] = mix(texelFetch(table, ivec3(i, 0, 0), 0)[k], texelFetch(table, ivec3(i + 1, 0, 0), 0)[k],
        at[k] - float(i));
    }
    return result;
  }
`;

const TABLE_UNIFORMS =
  'uniform highp sampler3D table#; uniform vec3 low#; uniform vec3 high#; uniform float strength#;';

const GRAIN_GLSL = /* glsl */ `
  ${PCG3D_GLSL}
`;

/** Steps as shaders tell them apart: a table of one dimension is looked up otherwise, and no shader holds both ways. */
export type ShaderStep = PointKind | 'line';

/** What each kind declares and does; `#` is the number of the step. */
const STEP_GLSL: Readonly<Record<ShaderStep, { readonly declares: string; readonly does: string }>> = {
  exposure: {
    declares: 'uniform float gain#;',
    does: 'c = toSrgb(toLinear(max(c, 0.0)) * gain#);',
  },
  whiteBalance: {
    declares: 'uniform mat3 balance#;',
    does: 'c = toSrgb(max(balance# * toLinear(max(c, 0.0)), 0.0));',
  },
  contrast: {
    declares: 'uniform float slope#;',
    does: 'c = 0.5 + (c - 0.5) * slope#;',
  },
  saturation: {
    declares: 'uniform float amount#;',
    does: 'c = mix(vec3(brightnessOf(c)), c, 1.0 + amount#);',
  },
  curves: {
    declares: 'uniform sampler2D curves#;',
    does: 'for (int k = 0; k < 3; k++) c[k] = curveAt(curves#, c[k], k);',
  },
  table: {
    declares: TABLE_UNIFORMS,
    does: 'c = mix(c, lookUp3(table#, low#, high#, c), strength#);',
  },
  line: {
    declares: TABLE_UNIFORMS,
    does: 'c = mix(c, lookUp1(table#, low#, high#, c), strength#);',
  },
  vignette: {
    declares: 'uniform vec3 vignette#; // amount, begin, end',
    does: `{
      float k = smoothstep(vignette#.y, vignette#.z, length(vUv - 0.5) / 0.70710678);
      c = vignette#.x >= 0.0 ? c * (1.0 - vignette#.x * k) : mix(c, vec3(1.0), -vignette#.x * k);
    }`,
  },
  grain: {
    declares: 'uniform vec2 grain#; // amount, size of a grain in pixels',
    does: `{
      vec3 dice = vec3(pcg3d(uvec3(uvec2(floor(gl_FragCoord.xy / grain#.y)), uint(frame))) >> 8u) / 16777216.0;
      float l = clamp(brightnessOf(c), 0.0, 1.0);
      c += (dice.x + dice.y + dice.z - 1.5) * grain#.x * ${GRAIN_REACH.toFixed(4)} * (0.35 + 2.6 * l * (1.0 - l));
    }`,
  },
};

const CURVE_GLSL = /* glsl */ `
  float curveAt(sampler2D curves, float x, int channel) {
    int last = textureSize(curves, 0).x - 1;
    float at = clamp(x, 0.0, 1.0) * float(last);
    int i = min(last - 1, int(floor(at)));
    return mix(texelFetch(curves, ivec2(i, 0), 0)[channel], texelFetch(curves, ivec2(i + 1, 0), 0)[channel],
      at - float(i));
  }
`;

/** How a pass ends: it does not end the grade, it ends what came before it, or it is all of the grade. */
export type PassEnd = 'on' | 'ends' | 'whole';

/** Which shader the steps need: those of one key share it. */
export const keyOf = (steps: readonly ShaderStep[], end: PassEnd): string => `${steps.join(' ')} ${end}`;

/** How a grade ends: mixed with the picture as it came by strength, and left as that was beyond the compare line. */
const FINISH_GLSL = /* glsl */ `
  uniform sampler2D before;
  uniform float strength;
  uniform float compare; // left of it the picture is as it was
  vec3 finished(vec3 b, vec3 c) {
    return vUv.x < compare ? b : mix(b, clamp(c, 0.0, 1.0), strength);
  }
`;
/** What the pass gives. Of a pass that is the whole grade the picture as it came is known already. */
const RESULT: Readonly<Record<PassEnd, string>> = {
  on: 'clamp(c, 0.0, 1.0)',
  ends: 'finished(texture2D(before, vUv).rgb, c)',
  whole: 'finished(came, c)',
};

/** `picture` through the steps; the last pass of a grade also ends it. */
export const pointsFragment = (kinds: readonly ShaderStep[], end: PassEnd): string => {
  const numbered = (text: string, i: number): string => text.replaceAll('#', String(i));
  return /* glsl */ `
    precision highp float;
    precision highp int;
    uniform sampler2D picture;
    uniform float frame;
    varying vec2 vUv;
    ${SRGB_GLSL}
    ${end === 'on' ? '' : FINISH_GLSL}
    ${kinds.some((kind) => kind === 'table' || kind === 'line') ? TABLE_GLSL : ''}
    ${kinds.includes('grain') ? GRAIN_GLSL : ''}
    ${kinds.includes('curves') ? CURVE_GLSL : ''}
    ${kinds.map((kind, i) => numbered(STEP_GLSL[kind].declares, i)).join('\n')}
    void main() {
      vec3 came = texture2D(picture, vUv).rgb;
      vec3 c = came;
      ${kinds.map((kind, i) => numbered(STEP_GLSL[kind].does, i)).join('\n')}
      gl_FragColor = vec4(${RESULT[end]}, 1.0);
    }
  `;
};

/** A picture less its own blur, added: edges stand out. On brightness alone, so that colours get no fringes. */
export const SHARPEN_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 texel;
  uniform float amount;
  varying vec2 vUv;
  ${SRGB_GLSL}
  void main() {
    vec3 c = texture2D(picture, vUv).rgb;
    float blurred = 0.0;
    for (int y = -1; y <= 1; y++)
      for (int x = -1; x <= 1; x++) {
        float weight = (x == 0 ? 2.0 : 1.0) * (y == 0 ? 2.0 : 1.0) / 16.0;
        blurred += weight * brightnessOf(texture2D(picture, vUv + vec2(x, y) * texel).rgb);
      }
    gl_FragColor = vec4(clamp(c + amount * (brightnessOf(c) - blurred), 0.0, 1.0), 1.0);
  }
`;

/** The light of what is brighter than a level, made smaller. */
export const BRIGHT_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 texel; // of the picture
  uniform float above;
  varying vec2 vUv;
  ${SRGB_GLSL}
  vec3 bright(vec2 at) {
    vec3 c = texture2D(picture, at).rgb;
    // Soft at the level, so that nothing flickers there.
    return toLinear(c) * smoothstep(above - 0.1, above + 0.1, max(c.r, max(c.g, c.b)));
  }
  void main() {
    gl_FragColor = vec4(0.25 * (bright(vUv + texel) + bright(vUv - texel)
      + bright(vUv + texel * vec2(1.0, -1.0)) + bright(vUv + texel * vec2(-1.0, 1.0))), 1.0);
  }
`;

/** One direction of a Gaussian blur, nine taps as five by the texture unit. */
export const BLUR_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 stride;
  varying vec2 vUv;
  void main() {
    vec3 sum = texture2D(picture, vUv).rgb * 0.227027;
    sum += (texture2D(picture, vUv + stride * 1.384615).rgb + texture2D(picture, vUv - stride * 1.384615).rgb) * 0.316216;
    sum += (texture2D(picture, vUv + stride * 3.230769).rgb + texture2D(picture, vUv - stride * 3.230769).rgb) * 0.070270;
    gl_FragColor = vec4(sum, 1.0);
  }
`;

/** Shine of three sizes laid over the picture, light added to light. */
export const SHINE_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform sampler2D near;
  uniform sampler2D middle;
  uniform sampler2D far;
  uniform float strength;
  uniform float reach;
  varying vec2 vUv;
  ${SRGB_GLSL}
  void main() {
    vec3 c = toLinear(texture2D(picture, vUv).rgb);
    // A wider reach shifts the weight to the wider shines; together they weigh one.
    vec3 weights = vec3((1.0 - reach) * (1.0 - reach), 2.0 * reach * (1.0 - reach), reach * reach);
    vec3 shine = weights.x * texture2D(near, vUv).rgb + weights.y * texture2D(middle, vUv).rgb
      + weights.z * texture2D(far, vUv).rgb;
    gl_FragColor = vec4(clamp(toSrgb(c + strength * shine), 0.0, 1.0), 1.0);
  }
`;
