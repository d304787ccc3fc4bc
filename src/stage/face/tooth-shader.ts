/** What of an open mouth are teeth: light beside the skin, and not red. GLSL, for sRGB values; `brightnessOf` has to be there. */
export const TOOTH_GLSL = /* glsl */ `
  float toothness(vec3 c, vec3 meanSkin) {
    float bright = brightnessOf(c) / max(brightnessOf(meanSkin), 0.02);
    float red = (c.r - c.g) / max(max(c.r, max(c.g, c.b)), 0.02);
    return smoothstep(0.3, 0.16, red) * smoothstep(0.35, 0.7, bright);
  }
`;
