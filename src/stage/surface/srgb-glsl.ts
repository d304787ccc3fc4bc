/** From the values of a picture to amounts of light (IEC 61966-2-1), in GLSL. */
export const SRGB_GLSL = /* glsl */ `
  vec3 sfLinear(vec3 c) {
    return mix(pow((c + 0.055) / 1.055, vec3(2.4)), c / 12.92, lessThanEqual(c, vec3(0.04045)));
  }`;
