/**
 * The material of cards: unlit, tinted, blended against what is already drawn (the camera picture). The
 * drawing buffer holds sRGB values, as the W3C formulas want them. Over an opaque backdrop all four modes
 * are one multiplication and one addition, which the blend unit does:
 *
 *   normal        source (a C, a)       ONE,                  ONE_MINUS_SRC_ALPHA
 *   multiply      source (1 - a + a C)  DST_COLOR,            ZERO
 *   screen        source (a C)          ONE_MINUS_DST_COLOR,  ONE
 *   plus-lighter  source (a C)          ONE,                  ONE
 */
import {
  AddEquation,
  Color,
  CustomBlending,
  DoubleSide,
  DstColorFactor,
  FrontSide,
  OneFactor,
  OneMinusDstColorFactor,
  OneMinusSrcAlphaFactor,
  ShaderMaterial,
  ZeroFactor,
  type Texture,
} from 'three';
import type { BlendMode, Card } from '../../core/document/schema';

const VERTEX = /* glsl */ `
  varying vec2 vUv;
  void main() {
    vUv = vec2(uv.x, 1.0 - uv.y);
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;

const FRAGMENT = /* glsl */ `
  uniform sampler2D map;
  uniform vec3 tint; // linear
  uniform float opacity;
  uniform bool tinted;
  uniform bool multiplies;
  varying vec2 vUv;

  vec3 toLinear(vec3 c) {
    return mix(pow((c + 0.055) / 1.055, vec3(2.4)), c / 12.92, vec3(lessThanEqual(c, vec3(0.04045))));
  }
  vec3 toSrgb(vec3 c) {
    return mix(1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, c * 12.92, vec3(lessThanEqual(c, vec3(0.0031308))));
  }

  void main() {
    vec4 texel = texture2D(map, vUv);
    float a = texel.a * opacity;
    if (a < 0.002) discard;
    vec3 colour = tinted ? toSrgb(toLinear(texel.rgb) * tint) : texel.rgb;
    gl_FragColor = multiplies ? vec4(1.0 - a + a * colour, 1.0) : vec4(a * colour, a);
  }
`;

const FACTORS: Record<BlendMode, Pick<ShaderMaterial, 'blendSrc' | 'blendDst'>> = {
  normal: { blendSrc: OneFactor, blendDst: OneMinusSrcAlphaFactor },
  multiply: { blendSrc: DstColorFactor, blendDst: ZeroFactor },
  screen: { blendSrc: OneMinusDstColorFactor, blendDst: OneFactor },
  'plus-lighter': { blendSrc: OneFactor, blendDst: OneFactor },
};

export const createCardMaterial = (): ShaderMaterial =>
  new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: FRAGMENT,
    uniforms: {
      map: { value: null },
      tint: { value: new Color(1, 1, 1) },
      opacity: { value: 1 },
      tinted: { value: false },
      multiplies: { value: false },
    },
    transparent: true,
    depthWrite: false,
    toneMapped: false,
    blending: CustomBlending,
    blendEquation: AddEquation,
    // The drawing buffer stays opaque.
    blendSrcAlpha: ZeroFactor,
    blendDstAlpha: OneFactor,
  });

export const styleCardMaterial = (material: ShaderMaterial, card: Card, texture: Texture | null): void => {
  const { map, tint, tinted, multiplies } = material.uniforms as Record<string, { value: unknown }>;
  map!.value = texture;
  (tint!.value as Color).set(card.tint);
  tinted!.value = card.tint !== '#ffffff';
  multiplies!.value = card.blend === 'multiply';
  Object.assign(material, FACTORS[card.blend]);
  material.side = card.doubleSided ? DoubleSide : FrontSide;
  // Flat, so both sides need no sorting.
  material.forceSinglePass = true;
};
