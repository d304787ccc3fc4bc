/**
 * What is put into three's shaders so that they draw Iconia's materials: pictures of every origin (brought in, or a part of
 * the camera picture), masks, cut edges, circuits, light estimated from the camera, and light that goes through.
 *
 * Defines: SF_BASE, SF_GLOW, SF_MASK switch pictures on; SF_OPAQUE, SF_CUTOFF say what opacity means; SF_CAMERA_LIT takes
 * the camera's light; SF_THROUGH lets what is beneath shine through; SF_CIRCUIT runs a circuit.
 */
import type { CompiledSurface } from '../../core/surface/compile';
import type { SurfaceCut } from './worn-surface';
import { SRGB_GLSL } from './srgb-glsl';

const VARYINGS = /* glsl */ `
  varying vec2 sfVPlace;
  varying vec3 sfVPosition;
  varying vec3 sfVNormal;
  varying vec3 sfVEye;
  varying vec3 sfVEyeNormal;
  varying vec3 sfVView;`;

const vertexHead = (circuit: CompiledSurface | null): string => /* glsl */ `
  ${VARYINGS}
  uniform mat3 sfUv;
  ${
    circuit?.vertex
      ? `vec2 sfPlace; vec3 sfPosition; vec3 sfNormal; vec3 sfView; float sfFacing;
  ${circuit.vertex}`
      : ''
  }
  void main() {`;

const TRANSFORMED = ['NORMALMAP', 'AOMAP', 'ROUGHNESSMAP', 'METALNESSMAP'] as const;
const VARYING_OF = {
  NORMALMAP: 'vNormalMapUv',
  AOMAP: 'vAoMapUv',
  ROUGHNESSMAP: 'vRoughnessMapUv',
  METALNESSMAP: 'vMetalnessMapUv',
} as const;

const vertexUv = `#include <uv_vertex>
  sfVPlace = uv;
  ${TRANSFORMED.map(
    (map) => `#ifdef USE_${map}
  ${VARYING_OF[map]} = (sfUv * vec3(${VARYING_OF[map]}, 1.0)).xy;
  #endif`,
  ).join('\n  ')}`;

/** Whether the code of a circuit asks for the direction towards the viewer; it costs an inverse a vertex. */
const asksForView = (code: string | null): boolean => code !== null && /\bsfView\b/.test(code);
/** From a direction towards the eye to the same in the object's own space. */
const OWN_VIEW = /* glsl */ `inverse(mat3(modelViewMatrix)) *
    (isOrthographic ? vec3(0.0, 0.0, 1.0) : -(modelViewMatrix * vec4(position, 1.0)).xyz)`;

const vertexBegin = (circuit: CompiledSurface | null): string => `#include <begin_vertex>
  sfVPosition = position;
  sfVNormal = normal;
  sfVView = ${circuit && asksForView(circuit.fragment) ? OWN_VIEW : 'vec3(0.0)'};
  ${circuit && asksForView(circuit.vertex) ? `sfView = normalize(${OWN_VIEW});` : ''}
  ${
    circuit?.vertex
      ? `sfPlace = uv; sfPosition = position; sfNormal = normalize(normal);
  vec3 sfEyeHere = (modelViewMatrix * vec4(position, 1.0)).xyz;
  sfFacing = abs(dot(normalize(normalMatrix * normal), isOrthographic ? vec3(0.0, 0.0, 1.0) : normalize(sfEyeHere)));
  sfVertex();
  ${circuit.outputs.has('bulge') ? 'transformed += sfNormal * sfOut_bulge;' : ''}
  ${circuit.outputs.has('offset') ? 'transformed += sfOut_offset;' : ''}`
      : ''
  }`;

const VERTEX_END = /* glsl */ `#include <project_vertex>
  sfVEye = -mvPosition.xyz;
  sfVEyeNormal = normalMatrix * normal;`;

const fragmentHead = (circuit: CompiledSurface | null, cut: SurfaceCut | null): string => /* glsl */ `
  ${VARYINGS}
  ${cut?.head ?? ''}
  uniform mat3 sfUv;
  uniform float sfOpacity;
  uniform float sfCutoff;
  uniform vec3 sfGlow;
  ${SRGB_GLSL}
  #ifdef SF_BASE
  uniform sampler2D sfBase;
  uniform vec4 sfBasePart;
  #endif
  #ifdef SF_GLOW
  uniform sampler2D sfGlowMap;
  uniform vec4 sfGlowPart;
  #endif
  #ifdef SF_MASK
  uniform sampler2D sfMask;
  uniform vec4 sfMaskPart;
  uniform vec2 sfMaskBy; // by its own transparency; inverted
  #endif
  #ifdef SF_CAMERA_LIT
  uniform vec3 sfShade[4];
  #endif
  #ifdef SF_THROUGH
  uniform vec4 sfThrough; // how much, index of refraction, thickness, roughness
  uniform mat4 projectionMatrix;
  vec3 sfBeneathAt(vec2 at, float spread) {
    vec3 sum = sfLinear(texture2D(beneath, at).rgb);
    float weight = 1.0;
    for (int i = 0; i < 12; i++) {
      float turn = 2.39996 * float(i);
      vec2 away = spread * sqrt((float(i) + 0.5) / 12.0) * vec2(cos(turn), sin(turn));
      sum += spread > 0.0 ? sfLinear(texture2D(beneath, at + away).rgb) : vec3(0.0);
      weight += spread > 0.0 ? 1.0 : 0.0;
    }
    return sum / weight;
  }
  // What the tone curve makes of the result is what was beneath: the inverse of Khronos PBR Neutral, but for its fading
  // of colours that are brighter than white.
  vec3 sfBeforeTone(vec3 c) {
    float peak = min(0.97, max(c.r, max(c.g, c.b)));
    float start = 0.76;
    if (peak > start) {
      float d = 1.0 - start;
      c *= (d * d / (1.0 - peak) - d + start) / peak;
    }
    float least = min(c.r, min(c.g, c.b));
    return c + (least < 0.04 ? sqrt(least / 6.25) - least : 0.04);
  }
  #endif
  ${
    circuit
      ? `vec2 sfPlace; vec3 sfPosition; vec3 sfNormal; vec3 sfView; float sfFacing;
  ${circuit.fragment}`
      : ''
  }
  void main() {
    vec3 sfGlowNow = sfGlow;`;

/** In the place of three's own base picture. */
const colourCode = (circuit: CompiledSurface | null, cut: SurfaceCut | null): string => /* glsl */ `
  vec2 sfAt = (sfUv * vec3(sfVPlace, 1.0)).xy;
  diffuseColor.a = sfOpacity;
  #ifdef SF_BASE
  vec4 sfBaseColour = texture2D(sfBase, sfBasePart.xy + sfAt * sfBasePart.zw);
  diffuseColor *= vec4(sfLinear(sfBaseColour.rgb), sfBaseColour.a);
  #endif
  #ifdef SF_GLOW
  sfGlowNow *= sfLinear(texture2D(sfGlowMap, sfGlowPart.xy + sfAt * sfGlowPart.zw).rgb);
  #endif
  #ifdef SF_MASK
  vec4 sfMaskColour = texture2D(sfMask, sfMaskPart.xy + sfAt * sfMaskPart.zw);
  float sfMaskIs = mix(dot(sfMaskColour.rgb, vec3(0.2126, 0.7152, 0.0722)) * sfMaskColour.a, sfMaskColour.a, sfMaskBy.x);
  diffuseColor.a *= mix(sfMaskIs, 1.0 - sfMaskIs, sfMaskBy.y);
  #endif
  ${
    circuit
      ? `sfPlace = sfVPlace; sfPosition = sfVPosition; sfNormal = normalize(sfVNormal); sfView = sfVView / max(1e-6, length(sfVView));
  sfFacing = abs(dot(normalize(sfVEyeNormal), isOrthographic ? vec3(0.0, 0.0, 1.0) : normalize(sfVEye)));
  sfFragment();
  ${circuit.outputs.has('colour') ? 'diffuseColor.rgb = clamp(sfOut_colour, 0.0, 8.0);' : ''}
  ${circuit.outputs.has('opacity') ? 'diffuseColor.a = clamp(sfOut_opacity, 0.0, 1.0);' : ''}
  ${circuit.outputs.has('glow') ? 'sfGlowNow = clamp(sfOut_glow, 0.0, 8.0);' : ''}`
      : ''
  }
  #ifdef SF_OPAQUE
  diffuseColor.a = 1.0;
  #endif
  #ifdef SF_CUTOFF
  if (diffuseColor.a < sfCutoff) discard;
  diffuseColor.a = 1.0;
  #endif
  #ifdef SF_SHADOW
  if (diffuseColor.a < 0.5) discard;
  #else
  // The object's own fading comes on top.
  diffuseColor.a *= opacity;
  #endif
  ${cut ? `diffuseColor.a *= ${cut.there};` : ''}
`;

const THROUGH = /* glsl */ `
  #ifdef SF_THROUGH
  vec3 sfBent = refract(-normalize(vViewPosition), normal, 1.0 / sfThrough.y) * sfThrough.z;
  vec4 sfStraight = projectionMatrix * vec4(-vViewPosition, 1.0);
  vec4 sfClip = projectionMatrix * vec4(-vViewPosition + sfBent, 1.0);
  vec2 sfAside = 0.5 * (sfClip.xy / sfClip.w - sfStraight.xy / sfStraight.w);
  vec2 sfSeen = clamp(gl_FragCoord.xy / bufferSize + sfAside, 0.0, 1.0);
  vec3 sfBehind = sfBeforeTone(sfBeneathAt(sfSeen, 0.05 * sfThrough.w * sfThrough.w));
  totalDiffuse = mix(totalDiffuse, sfBehind * diffuseColor.rgb, sfThrough.x * (1.0 - metalnessFactor));
  #endif
`;

const CAMERA_LIT = /* glsl */ `#include <lights_fragment_maps>
  #ifdef SF_CAMERA_LIT
  // The lamps of the effect do not count; what the camera picture says does.
  reflectedLight.directDiffuse = reflectedLight.directSpecular = vec3(0.0);
  #ifdef USE_CLEARCOAT
  clearcoatSpecularDirect = vec3(0.0);
  #endif
  #ifdef USE_SHEEN
  sheenSpecularDirect = vec3(0.0);
  #endif
  vec3 sfWorldNormal = inverseTransformDirection(normal, viewMatrix);
  vec3 sfShadeNow = max(vec3(0.0), sfShade[0] + sfShade[1] * sfWorldNormal.x + sfShade[2] * sfWorldNormal.y
    + sfShade[3] * sfWorldNormal.z);
  irradiance = PI * sfShadeNow;
  iblIrradiance = vec3(0.0);
  radiance *= dot(sfShade[0], vec3(0.3333));
  #endif
`;

/** Patches one of three's shaders; the circuit's own sources are marked by its key, so that a fault can be told. */
export const patchSurface = (
  shader: { vertexShader: string; fragmentShader: string },
  circuit: CompiledSurface | null,
  mark: string,
  cut: SurfaceCut | null = null,
): void => {
  shader.vertexShader = shader.vertexShader
    .replace('void main() {', vertexHead(circuit))
    .replace('#include <uv_vertex>', vertexUv)
    .replace('#include <begin_vertex>', vertexBegin(circuit))
    .replace('#include <project_vertex>', VERTEX_END);
  shader.fragmentShader = `// ${mark}\n${shader.fragmentShader}`
    .replace('void main() {', fragmentHead(circuit, cut))
    .replace('#include <map_fragment>', colourCode(circuit, cut))
    .replace('#include <alphamap_fragment>', '')
    .replace('#include <alphatest_fragment>', '')
    .replace(
      '#include <roughnessmap_fragment>',
      `#include <roughnessmap_fragment>\n${
        circuit?.outputs.has('roughness') ? 'roughnessFactor = clamp(sfOut_roughness, 0.0, 1.0);' : ''
      }`,
    )
    .replace(
      '#include <metalnessmap_fragment>',
      `#include <metalnessmap_fragment>\n${
        circuit?.outputs.has('metalness') ? 'metalnessFactor = clamp(sfOut_metalness, 0.0, 1.0);' : ''
      }`,
    )
    .replace('#include <emissivemap_fragment>', 'totalEmissiveRadiance = sfGlowNow;')
    .replace('#include <lights_fragment_maps>', CAMERA_LIT)
    .replace('#include <transmission_fragment>', THROUGH)
    .replace(
      '#include <opaque_fragment>',
      `#ifdef SF_UNLIT
  outgoingLight += sfGlowNow;
  #endif
  gl_FragColor = vec4(outgoingLight, diffuseColor.a);`,
    );
};
