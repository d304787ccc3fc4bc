/** What a layer of the face leaves of what it limits: of other layers, irises and lashes alike. */
import type { ShaderMaterial, Texture } from 'three';
import type { Layer } from '../../core/document/schema';
import { texture, value } from '../passes';
import type { RegionTextures } from './region-textures';

/** A mask: that of a region, or a painted one. */
export interface LayerMask {
  readonly layer: Layer;
  readonly painted: Texture | null;
  /** Counts up as it is painted on. */
  readonly version: number;
}

/** `maskOf` is how much of a mask there is at a place of the layout, `limitAt` how much a limit leaves there. */
export const LIMIT_GLSL = /* glsl */ `
  uniform bool isLimited;
  uniform bool limitedOut;
  uniform sampler2D limitRegion;
  uniform sampler2D limitPainted;
  uniform bool limitIsPainted;
  float maskOf(sampler2D own, sampler2D paint, bool usesPaint, vec2 at) {
    if (!usesPaint) return texture2D(own, at).r;
    vec4 p = texture2D(paint, at);
    return dot(p.rgb, vec3(0.2126, 0.7152, 0.0722)) * p.a;
  }
  float limitAt(vec2 at) {
    if (!isLimited) return 1.0;
    float limit = maskOf(limitRegion, limitPainted, limitIsPainted, at);
    return limitedOut ? 1.0 - limit : limit;
  }
`;

export const limitUniforms = () => ({
  isLimited: value(false),
  limitedOut: value(false),
  limitRegion: texture(),
  limitPainted: texture(),
  limitIsPainted: value(false),
});

/** Sets what `limitUniforms` made; null limits nothing. */
export const setLimit = (
  uniforms: ShaderMaterial['uniforms'],
  regions: RegionTextures,
  limit: LayerMask | null,
  outside: boolean,
): void => {
  uniforms.isLimited!.value = limit !== null;
  uniforms.limitedOut!.value = outside;
  uniforms.limitRegion!.value = limit && regions.get(limit.layer.region, limit.layer.softness).texture;
  uniforms.limitPainted!.value = limit?.painted ?? null;
  uniforms.limitIsPainted!.value = Boolean(limit?.painted);
};
