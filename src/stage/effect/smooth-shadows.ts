/**
 * Shadows without grain. Three looks for the light at five points around each pixel, turned by chance from pixel to pixel: on skin and cloth
 * nobody sees it, on a plain floor it is grain. Here they are many, and lie alike for every pixel.
 */
import { ShaderChunk, type Material } from 'three';

const SAMPLES = 32;
/** From the turn by chance to the mean of the five. */
const FIVE = /float phi = interleavedGradientNoise\( gl_FragCoord\.xy \) \* PI2;[\s\S]*?\) \* 0\.2;/;
const MANY = /* glsl */ `
  shadow = 0.0;
  for (int i = 0; i < ${SAMPLES}; i++)
    shadow += texture(shadowMap, vec3(shadowCoord.xy + vogelDiskSample(i, ${SAMPLES}, 0.0) * radius, shadowCoord.z));
  shadow /= ${SAMPLES}.0;
`;

/** Three's own chunk, with many samples. */
export const SMOOTH_SHADOWS = ShaderChunk.shadowmap_pars_fragment.replace(FIVE, MANY);

/** Lets a material catch shadows without grain. */
export const catchSmoothly = (material: Material): void => {
  material.onBeforeCompile = (shader) => {
    shader.fragmentShader = shader.fragmentShader.replace(
      '#include <shadowmap_pars_fragment>',
      SMOOTH_SHADOWS,
    );
  };
  material.customProgramCacheKey = () => 'smooth shadows';
};
