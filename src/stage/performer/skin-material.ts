/**
 * Skin: light creeps a little past the edge of shadow and turns red there, as it does under real skin
 * (wrapped diffuse with a tinted terminator, after Simon Green, GPU Gems, chapter 16).
 */
import { Color, MeshPhongMaterial, ShaderChunk, type MeshPhongMaterialParameters } from 'three';
import { SKINS, type Skin, type SkinTone } from '../../core/takes/skin-tones';

const PLAIN = 'vec3 irradiance = dotNL * directLight.color;';
const wrapped = (creep: Skin['creep']): string => /* glsl */ `
	float facing = dot( geometryNormal, directLight.direction );
	vec3 creep = vec3( ${creep.map((c) => c.toFixed(3)).join(', ')} );
	vec3 irradiance = clamp( ( vec3( facing ) + creep ) / ( 1.0 + creep ), 0.0, 1.0 ) * directLight.color;`;
/** How sharp the shine is: a broad lobe, as pores scatter it. */
const SHININESS = 14;

export const skinMaterial = (tone: SkinTone, more: MeshPhongMaterialParameters = {}): MeshPhongMaterial => {
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
  };
  material.customProgramCacheKey = () => `skin ${tone}`;
  return material;
};
