/** One layer drawn into the flattened maps of its look; `core/makeup/affine.ts` and `finish.ts` say what the maps hold. */
import { MOUTH_BELOW } from '../../core/face/region-mask';
import { SRGB_GLSL } from '../grade/grade-shader';
import { LIMIT_GLSL } from './limit-shader';

/**
 * What is drawn, by the map that is drawn into. Maps are blended by the blend unit as the layer's mode asks:
 * factor and addition of the affine map, then how the surface catches light, in two maps of three numbers each.
 */
export const OUTPUTS = ['factor', 'plus', 'gloss', 'sparkle'] as const;
export type Output = (typeof OUTPUTS)[number];

/** `position` runs over the layer's bounds; `toTile` takes the layout to the tile of its step. */
export const FLATTEN_VERTEX = /* glsl */ `
  uniform vec4 bounds; // left, top, right, bottom on the layout
  uniform vec4 toTile; // offset, scale
  varying vec2 vUv;
  void main() {
    vUv = mix(bounds.xy, bounds.zw, uv);
    gl_Position = vec4(2.0 * (toTile.xy + vUv * toTile.zw) - 1.0, 0.0, 1.0);
  }
`;

export const FLATTEN_FRAGMENT = /* glsl */ `
  uniform int kind; // of the output
  uniform sampler2D region;
  uniform sampler2D painted;
  uniform bool isPainted;
  uniform bool inOpenings; // the maps are for the eyes and the mouth, not for the skin
  uniform vec2 covers; // eyes, mouth
  uniform sampler2D picture;
  uniform bool hasPicture;
  uniform vec4 rect; // of the picture: x, y, width, height from its top left
  uniform vec3 tint; // sRGB
  uniform float opacity;
  uniform bool multiplies;
  uniform vec3 gloss; // gloss, roughness, metal
  uniform vec3 sparkle; // shimmer, matte, lit
  varying vec2 vUv;
  ${SRGB_GLSL}
  ${LIMIT_GLSL}
  void main() {
    float a = opacity * maskOf(region, painted, isPainted, vUv) * limitAt(vUv);
    if (inOpenings) a *= vUv.y > ${MOUTH_BELOW.toFixed(3)} ? covers.y : covers.x;
    vec3 colour = tint;
    if (hasPicture) {
      vec4 texel = texture2D(picture, rect.xy + vUv * rect.zw);
      a *= texel.a;
      colour = tint == vec3(1.0) ? texel.rgb : toSrgb(toLinear(texel.rgb) * toLinear(tint));
    }
    if (kind < 2) gl_FragColor = multiplies ? vec4(1.0 - a + a * colour, 1.0) : vec4(a * colour, a);
    else gl_FragColor = vec4(a * (kind == 2 ? gloss : sparkle), a);
  }
`;
