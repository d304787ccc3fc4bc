/** The person mask in GLSL; `core/backdrop/person-mask.ts` says the same in TypeScript. */
import { SRGB_GLSL } from '../grade/grade-shader';

/** Taps of the blur to each side; its deviation is never more than a third of that, in pixels of the small mask. */
export const BLUR_TAPS = 24;
export const MOST_DEVIATION = BLUR_TAPS / 2.5;

/** One direction of the blur of the people's alpha and colour. Colours weigh by how much of the person is there. */
export const MASK_BLUR_FRAGMENT = /* glsl */ `
  uniform sampler2D picture; // colour times alpha, alpha
  uniform vec2 stride;
  uniform float deviation;
  varying vec2 vUv;
  void main() {
    vec4 sum = vec4(0.0);
    float weights = 0.0;
    for (int i = -${BLUR_TAPS}; i <= ${BLUR_TAPS}; i++) {
      float x = float(i) / max(deviation, 0.01);
      float w = exp(-0.5 * x * x);
      sum += w * texture2D(picture, vUv + float(i) * stride);
      weights += w;
    }
    gl_FragColor = sum / weights;
  }
`;

/** The camera's colour where people are: what the blur starts from. */
export const MASK_START_FRAGMENT = /* glsl */ `
  uniform sampler2D camera;
  uniform sampler2D people;
  varying vec2 vUv;
  void main() {
    float a = texture2D(people, vUv).a;
    gl_FragColor = vec4(texture2D(camera, vUv).rgb * a, a);
  }
`;

export const EDGE_GLSL = /* glsl */ `
  uniform sampler2D people; // alpha
  uniform sampler2D blurred;
  uniform bool plain; // the edge as it came
  uniform float feather;
  uniform float grow;
  uniform float deviation;
  uniform bool inverted;

  float inverseErf(float y) {
    float c = clamp(y, -0.999999, 0.999999);
    float l = log(1.0 - c * c);
    float b = ${(2 / (Math.PI * 0.147)).toFixed(9)} + 0.5 * l;
    return sign(c) * sqrt(sqrt(b * b - l / 0.147) - b);
  }
  float maskAt(vec2 at) {
    float m;
    if (plain) m = texture2D(people, at).a;
    else {
      float d = 1.41421356 * deviation * inverseErf(2.0 * texture2D(blurred, at).a - 1.0);
      m = clamp((d + grow) / feather + 0.5, 0.0, 1.0);
    }
    return inverted ? 1.0 - m : m;
  }
`;

/** A picture with alpha made ready for a blur that lets no colour of what is clear in, and back again. */
export const PREMULTIPLY_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  varying vec2 vUv;
  void main() {
    vec4 c = texture2D(picture, vUv);
    gl_FragColor = vec4(c.rgb * c.a, c.a);
  }
`;
/** `spread` above 1 lets what is blurred reach into what was clear: the room into where people stood. */
export const DIVIDE_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform float spread;
  varying vec2 vUv;
  void main() {
    vec4 c = texture2D(picture, vUv);
    gl_FragColor = c.a > 0.004 ? vec4(c.rgb / c.a, min(1.0, spread * c.a)) : vec4(0.0);
  }
`;

/** The face laid flat: each triangle of its layout takes the colours it has in the camera picture. */
export const UNWRAP_VERTEX = /* glsl */ `
  uniform mat4 toClip;
  varying vec4 vClip;
  void main() {
    vClip = toClip * vec4(position, 1.0);
    gl_Position = vec4(2.0 * uv.x - 1.0, 1.0 - 2.0 * uv.y, 0.0, 1.0);
  }
`;
export const UNWRAP_FRAGMENT = /* glsl */ `
  uniform sampler2D camera;
  varying vec4 vClip;
  void main() { gl_FragColor = vec4(texture2D(camera, 0.5 + 0.5 * vClip.xy / vClip.w).rgb, 1.0); }
`;

/**
 * The camera picture with alpha where it stays. Spill: near the edge its colour is turned to that of the person
 * farther in, so that no rim of the old background is left.
 */
export const CUT_OUT_FRAGMENT = /* glsl */ `
  uniform sampler2D camera;
  uniform float spill;
  varying vec2 vUv;
  ${SRGB_GLSL}
  ${EDGE_GLSL}
  void main() {
    float m = maskAt(vUv);
    vec3 c = texture2D(camera, vUv).rgb;
    vec4 inside = texture2D(blurred, vUv);
    if (spill > 0.0 && !inverted && inside.a > 0.02) {
      vec3 own = inside.rgb / inside.a;
      // Full at the edge, none where the blur sees nothing but person; the light and shade of the pixel stays.
      float near = spill * clamp(2.0 * (1.0 - inside.a), 0.0, 1.0);
      float l = max(brightnessOf(own), 0.02);
      c = mix(c, own * clamp(brightnessOf(c) / l, 0.6, 1.5), near);
    }
    gl_FragColor = vec4(c, m);
  }
`;
