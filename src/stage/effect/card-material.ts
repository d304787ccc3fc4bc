/**
 * The material of cards: unlit, tinted, blended against what is already drawn (the camera picture). The
 * drawing buffer holds sRGB values, as the W3C formulas want them. Over an opaque backdrop four modes are one
 * multiplication and one addition, which the blend unit does:
 *
 *   normal        source (a C, a)       ONE,                  ONE_MINUS_SRC_ALPHA
 *   multiply      source (1 - a + a C)  DST_COLOR,            ZERO
 *   screen        source (a C)          ONE_MINUS_DST_COLOR,  ONE
 *   plus-lighter  source (a C)          ONE,                  ONE
 *
 * The others look at a copy of what is beneath and write the result themselves.
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
  Vector2,
  Vector4,
  ZeroFactor,
  type Texture,
} from 'three';
import type { BlendMode } from '../../core/document/schema';
import { BLEND_GLSL, FIXED_MODES, modeNumber } from './blend-shader';

const VERTEX = /* glsl */ `
  varying vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;

const FRAGMENT = /* glsl */ `
  uniform sampler2D map;
  uniform vec4 rect; // of the texture: x, y, width, height from its top left
  uniform vec2 repeat;
  uniform vec3 tint; // linear
  uniform float opacity;
  uniform float leastAlpha;
  uniform bool tinted;
  uniform bool multiplies;
  varying vec2 vUv;

  vec3 toLinear(vec3 c) {
    return mix(pow((c + 0.055) / 1.055, vec3(2.4)), c / 12.92, vec3(lessThanEqual(c, vec3(0.04045))));
  }
  vec3 toSrgb(vec3 c) {
    return mix(1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, c * 12.92, vec3(lessThanEqual(c, vec3(0.0031308))));
  }
  #ifdef SEES_BENEATH
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  ${BLEND_GLSL}
  #endif

  void main() {
    vec2 tiled = vUv * repeat;
    // Where a tile ends the next begins: how fine the texture is must not jump there.
    vec2 across = dFdx(tiled) * rect.zw;
    vec2 down = dFdy(tiled) * rect.zw;
    vec2 within = repeat == vec2(1.0) ? vUv : fract(tiled);
    vec4 texel = textureGrad(map, rect.xy + within * rect.zw, across, down);
    float a = texel.a * opacity;
    if (a < leastAlpha) discard;
    vec3 colour = tinted ? toSrgb(toLinear(texel.rgb) * tint) : texel.rgb;
    #ifdef SEES_BENEATH
    vec3 backdrop = texture2D(beneath, gl_FragCoord.xy / bufferSize).rgb;
    gl_FragColor = vec4(mix(backdrop, blendColours(backdrop, colour), a), 1.0);
    #else
    gl_FragColor = multiplies ? vec4(1.0 - a + a * colour, 1.0) : vec4(a * colour, a);
    #endif
  }
`;

const FACTORS: Partial<Record<BlendMode, Pick<ShaderMaterial, 'blendSrc' | 'blendDst'>>> = {
  normal: { blendSrc: OneFactor, blendDst: OneMinusSrcAlphaFactor },
  multiply: { blendSrc: DstColorFactor, blendDst: ZeroFactor },
  screen: { blendSrc: OneMinusDstColorFactor, blendDst: OneFactor },
  'plus-lighter': { blendSrc: OneFactor, blendDst: OneFactor },
};
/** For modes that see what is beneath: what they write replaces it. */
const REPLACES = { blendSrc: OneFactor, blendDst: ZeroFactor } as const;

export const createCardMaterial = (): ShaderMaterial =>
  new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: FRAGMENT,
    uniforms: {
      map: { value: null },
      rect: { value: new Vector4(0, 0, 1, 1) },
      repeat: { value: new Vector2(1, 1) },
      tint: { value: new Color(1, 1, 1) },
      opacity: { value: 1 },
      leastAlpha: { value: 0.002 },
      tinted: { value: false },
      multiplies: { value: false },
      mode: { value: 0 },
      beneath: { value: null },
      bufferSize: { value: new Vector2(1, 1) },
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

/** Whether a mode has to see what is already drawn beneath. */
export const seesBeneath = (blend: BlendMode): boolean => !FIXED_MODES.has(blend);

export interface CardLook {
  readonly tint: string;
  readonly blend: BlendMode;
  readonly doubleSided: boolean;
}

/** `rect` is the part of the texture that is shown: x, y, width, height from its top left, 0..1. */
export const styleCardMaterial = (
  material: ShaderMaterial,
  card: CardLook,
  texture: Texture | null,
  rect: readonly [number, number, number, number],
): void => {
  const { map, tint, tinted, multiplies, mode } = material.uniforms as Record<string, { value: unknown }>;
  map!.value = texture;
  (material.uniforms.rect!.value as Vector4).set(...rect);
  (tint!.value as Color).set(card.tint);
  tinted!.value = card.tint !== '#ffffff';
  multiplies!.value = card.blend === 'multiply';
  mode!.value = modeNumber(card.blend);
  const beneath = seesBeneath(card.blend);
  if (beneath !== 'SEES_BENEATH' in material.defines) {
    material.defines = beneath ? { SEES_BENEATH: '' } : {};
    material.needsUpdate = true;
  }
  Object.assign(material, FACTORS[card.blend] ?? REPLACES);
  material.side = card.doubleSided ? DoubleSide : FrontSide;
  // Flat, so both sides need no sorting.
  material.forceSinglePass = true;
};
