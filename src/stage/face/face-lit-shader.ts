/** Light on skin: the camera's, estimated, and that of the effect's lamps and surroundings; see core/light/face-lights.ts. */
import { MOST_LAMPS } from '../../core/light/face-lights';

/**
 * `cameraOn` is how light the camera's light makes a white surface that faces `n` (world), `lampsOn` the same of the effect's;
 * `relit` is what a lit colour is multiplied by when those come to it.
 */
export const FACE_LIT_GLSL = /* glsl */ `
  uniform vec3 cameraFrom; // towards its light, world
  uniform vec3 cameraLight; // linear
  uniform float cameraStays;
  uniform int lampCount;
  uniform vec4 lampAt[${MOST_LAMPS}]; // where it is or towards it; 0 all around, 1 far away, 2 near by
  uniform vec3 lampColour[${MOST_LAMPS}]; // linear
  uniform bool hasAround;
  uniform vec3 around[9];
  uniform mat3 aroundTurn;
  vec3 cameraOn(vec3 n) { return cameraLight * (0.55 + 0.6 * max(dot(n, cameraFrom), 0.0)); }
  vec3 aroundOn(vec3 world) {
    if (!hasAround) return vec3(0.0);
    vec3 d = aroundTurn * world;
    return max(vec3(0.0), 0.282095 * around[0] + 0.488603 * (d.y * around[1] + d.z * around[2] + d.x * around[3])
      + 1.092548 * (d.x * d.y * around[4] + d.y * d.z * around[5] + d.x * d.z * around[7])
      + 0.315392 * (3.0 * d.z * d.z - 1.0) * around[6] + 0.546274 * (d.x * d.x - d.y * d.y) * around[8]);
  }
  /** Towards a lamp, and what of it comes to a place. */
  vec3 towardsLamp(int i, vec3 place) {
    return lampAt[i].w > 1.5 ? normalize(lampAt[i].xyz - place) : lampAt[i].xyz;
  }
  vec3 lampLight(int i, vec3 place) {
    vec3 away = lampAt[i].xyz - place;
    return lampAt[i].w > 1.5 ? lampColour[i] / max(dot(away, away), 0.0004) : lampColour[i];
  }
  vec3 lampsOn(vec3 n, vec3 place) {
    vec3 sum = aroundOn(n);
    for (int i = 0; i < ${MOST_LAMPS}; i++) {
      if (i >= lampCount) break;
      // Light goes a little into skin and comes out beside: its edge is soft.
      float facing = lampAt[i].w < 0.5 ? 1.0 : max((dot(n, towardsLamp(i, place)) + 0.12) / 1.12, 0.0);
      sum += lampLight(i, place) * facing;
    }
    return sum;
  }
  vec3 relit(vec3 n, vec3 place) {
    vec3 there = cameraOn(n);
    return (cameraStays * there + lampsOn(n, place)) / max(there, vec3(0.02));
  }
`;

export const LIT_VERTEX = /* glsl */ `
  attribute float edge; // 0 where the neck ends
  attribute float hair; // 1 on the skull, where hair lies
  varying vec3 vNormal;
  varying vec3 vPlace;
  varying float vEdge;
  varying float vHair;
  void main() {
    // A head is a little wider than the landmarks on it, and wider still with its hair.
    vec4 world = modelMatrix * vec4(position + (0.0018 + 0.008 * hair) * normal, 1.0);
    vHair = hair;
    vNormal = mat3(modelMatrix) * normal;
    vPlace = world.xyz;
    vEdge = edge;
    gl_Position = projectionMatrix * viewMatrix * world;
  }
`;
/** The head that is drawn so far, as it looks when the effect's light comes to it: skin, what is painted on it, hair. */
export const LIT_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  varying vec3 vNormal;
  varying vec3 vPlace;
  varying float vEdge;
  varying float vHair;
  float sLinear(float c) { return c <= 0.04045 ? c / 12.92 : pow((c + 0.055) / 1.055, 2.4); }
  vec3 sLinear(vec3 c) { return vec3(sLinear(c.r), sLinear(c.g), sLinear(c.b)); }
  vec3 sEncoded(vec3 c) { return mix(12.92 * c, 1.055 * pow(max(c, vec3(0.0)), vec3(1.0 / 2.4)) - 0.055, step(0.0031308, c)); }
  ${FACE_LIT_GLSL}
  void main() {
    vec2 screen = gl_FragCoord.xy / bufferSize;
    vec3 lit = sLinear(texture2D(beneath, screen).rgb) * relit(normalize(vNormal), vPlace);
    // What is brighter than white comes near it without a step.
    lit = mix(lit, 1.0 - 0.2 * exp(-(lit - 0.8) / 0.2), step(0.8, lit));
    // What is seen from the side runs out into what is around.
    float facing = dot(normalize(vNormal), normalize(cameraPosition - vPlace));
    gl_FragColor = vec4(sEncoded(clamp(lit, 0.0, 1.0)), smoothstep(0.0, mix(0.06, 0.75, vHair), facing) * vEdge);
  }
`;
