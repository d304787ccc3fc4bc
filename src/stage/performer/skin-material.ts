/**
 * Skin: light creeps a little past the edge of shadow and turns red there, as it does under real skin
 * (wrapped diffuse with a tinted terminator, after Simon Green, GPU Gems, chapter 16).
 */
import {
  Color,
  MeshPhongMaterial,
  ShaderChunk,
  type DataTexture,
  type MeshPhongMaterialParameters,
} from 'three';
import { PORES_REPEAT } from './pores';
import { SKINS, type Skin, type SkinTone } from '../../core/takes/skin-tones';

const PLAIN = 'vec3 irradiance = dotNL * directLight.color;';
const wrapped = (creep: Skin['creep']): string => /* glsl */ `
	float facing = dot( geometryNormal, directLight.direction );
	vec3 creep = vec3( ${creep.map((c) => c.toFixed(3)).join(', ')} );
	vec3 irradiance = clamp( ( vec3( facing ) + creep ) / ( 1.0 + creep ), 0.0, 1.0 ) * directLight.color;`;
/** How deep a pore is, metres. */
const DEEP = 0.0001;
/**
 * The normal follows the relief: how it rises along the surface, both in metres, so that pores are as deep from near as from far (Mikkelsen,
 * Bump Mapping Unparametrized Surfaces on the GPU, 2010).
 */
const PORES = /* glsl */ `
	#include <normal_fragment_maps>
	vec2 poreAt = vMapUv * ${PORES_REPEAT.toFixed(1)};
	float poreHere = texture2D( pores, poreAt ).r;
	vec2 poreRise = poresDeep * ( vec2( texture2D( pores, poreAt + dFdx( poreAt ) ).r, texture2D( pores, poreAt + dFdy( poreAt ) ).r ) - poreHere );
	vec3 alongX = dFdx( - vViewPosition );
	vec3 alongY = dFdy( - vViewPosition );
	vec3 acrossY = cross( alongY, normal );
	float poreArea = dot( alongX, acrossY );
	vec3 poreSlope = sign( poreArea ) * ( poreRise.x * acrossY + poreRise.y * cross( normal, alongX ) );
	normal = normalize( abs( poreArea ) * normal - poreSlope );`;

/** How sharp the shine is: a broad lobe, as pores scatter it. */
const SHININESS = 14;

/** Pores of a skin: their relief, and how deep they are, 1 as usual. Skin with pores has a map. */
export interface Pores {
  readonly relief: DataTexture;
  readonly deep: number;
}

export const skinMaterial = (
  tone: SkinTone,
  more: MeshPhongMaterialParameters = {},
  pores: Pores | null = null,
): MeshPhongMaterial => {
  const { shine, creep } = SKINS[tone];
  const material = new MeshPhongMaterial({
    specular: new Color(shine, shine * 0.96, shine * 0.92),
    shininess: SHININESS,
    ...more,
  });
  const chunk = ShaderChunk.lights_phong_pars_fragment;
  if (!chunk.includes(PLAIN))
    throw new Error('The lighting chunk of three.js has changed; mend skin-material.ts.');
  const lit = chunk.replace(PLAIN, wrapped(creep));
  material.onBeforeCompile = (shader) => {
    shader.fragmentShader = shader.fragmentShader.replace('#include <lights_phong_pars_fragment>', lit);
    if (!pores) return;
    shader.uniforms.pores = { value: pores.relief };
    shader.uniforms.poresDeep = { value: DEEP * pores.deep };
    shader.fragmentShader = `uniform sampler2D pores;\nuniform float poresDeep;\n${shader.fragmentShader.replace('#include <normal_fragment_maps>', PORES)}`;
  };
  if (pores) material.addEventListener('dispose', () => pores.relief.dispose());
  material.customProgramCacheKey = () => `skin ${tone} ${pores ? 'pores' : ''}`;
  return material;
};
