/**
 * Skin: light creeps a little past the edge of shadow and turns red there, as it does under real skin
 * (wrapped diffuse with a tinted terminator, after Simon Green, GPU Gems, chapter 16).
 */
import { Color, MeshPhongMaterial, ShaderChunk, type MeshPhongMaterialParameters } from 'three';
import { SKINS, type SkinTone } from '../../core/takes/skin-tones';

const PLAIN = 'vec3 irradiance = dotNL * directLight.color;';
const WRAPPED = /* glsl */ `
	float facing = dot( geometryNormal, directLight.direction );
	vec3 creep = vec3( 0.30, 0.14, 0.10 );
	vec3 irradiance = clamp( ( vec3( facing ) + creep ) / ( 1.0 + creep ), 0.0, 1.0 ) * directLight.color;`;

export const skinMaterial = (tone: SkinTone, more: MeshPhongMaterialParameters = {}): MeshPhongMaterial => {
  const { shine } = SKINS[tone];
  const material = new MeshPhongMaterial({
    specular: new Color(shine, shine * 0.96, shine * 0.92),
    shininess: 16,
    ...more,
  });
  const chunk = ShaderChunk.lights_phong_pars_fragment;
  if (!chunk.includes(PLAIN))
    throw new Error('The lighting chunk of three.js has changed; mend skin-material.ts.');
  const wrapped = chunk.replace(PLAIN, WRAPPED);
  material.onBeforeCompile = (shader) => {
    shader.fragmentShader = shader.fragmentShader.replace('#include <lights_phong_pars_fragment>', wrapped);
  };
  material.customProgramCacheKey = () => 'skin';
  return material;
};
