/**
 * A face's look in one pass over the skin: its steps in order, then how its surfaces catch the light of the camera picture.
 * Highlights: Cook-Torrance with the GGX distribution (Walter et al. 2007) and Schlick's Fresnel term, as glTF 2.0 has them.
 */
import { EYEBALL_LEFT, EYEBALL_RIGHT } from '../../core/face/neutral';
import { BLEND_FUNCTIONS } from '../effect/blend-shader';
import { SRGB_GLSL } from '../grade/grade-shader';
import { FACE_LIT_GLSL } from './face-lit-shader';
import { TOOTH_GLSL } from './tooth-shader';

const BALLS = [EYEBALL_RIGHT, EYEBALL_LEFT]
  .map((ball) => `vec3(${ball.map((x) => x.toFixed(5)).join(', ')})`)
  .join(', ');

export const LOOK_VERTEX = /* glsl */ `
  const vec3 BALLS[2] = vec3[2](${BALLS}); // middles of the eyeballs, head space
  varying vec2 vUv;
  varying vec3 vNormal;
  varying vec3 vTowards; // the camera, world
  void main() {
    vUv = uv;
    vec4 world = modelMatrix * vec4(position, 1.0);
    // Lids lie on the eyeball, and are as round as it is; the few points of their mesh do not show that.
    vec3 fromBall = position - BALLS[position.x < 0.0 ? 0 : 1];
    vec3 rounded = mix(normal, normalize(fromBall), 0.85 * smoothstep(0.021, 0.0155, length(fromBall)));
    vNormal = mat3(modelMatrix) * normalize(rounded);
    vTowards = cameraPosition - world.xyz;
    gl_Position = projectionMatrix * viewMatrix * world;
  }
`;

/** `STEPS` and, where anything catches light, `FINISHED` are defined by whoever compiles it. */
export const LOOK_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  uniform sampler2D factors;
  uniform sampler2D pluses;
  uniform sampler2D glosses;
  uniform sampler2D sparkles;
  uniform sampler2D meanSkin; // one pixel
  uniform sampler2D cover; // where something is before the face
  uniform bool covered;
  uniform vec4 bounds[STEPS];
  uniform vec4 toTile[STEPS];
  uniform int modes[STEPS]; // -1 is an affine map
  uniform bool gives[STEPS];
  uniform bool teeth[STEPS];
  uniform bool beyond[STEPS]; // of the lips
  uniform sampler2D lips; // their region
  uniform sampler2D meanLips; // one pixel
  uniform bool knowsLips;
  uniform vec3 lightDirection; // towards it, world
  uniform vec3 lightColour; // linear
  uniform vec3 lightHue; // what it makes of white of the same brightness, sRGB
  #ifdef LAMPS
  ${FACE_LIT_GLSL}
  #endif
  varying vec2 vUv;
  varying vec3 vNormal;
  varying vec3 vTowards;
  ${SRGB_GLSL}
  ${TOOTH_GLSL}
  int mode;
  ${BLEND_FUNCTIONS}

  vec4 hashOf(vec2 cell) {
    vec4 p = fract(cell.xyxy * vec4(0.1031, 0.1030, 0.0973, 0.1099));
    p += dot(p, p.wzxy + 33.33);
    return fract((p.xxyz + p.yzzw) * p.zywx);
  }
  /** Gloss does not lie as smooth as glass: it is a little thicker here and thinner there, and mirrors the light in streaks. */
  vec2 unevenness() {
    vec2 at = vUv * vec2(64.0, 110.0);
    vec2 cell = floor(at);
    vec2 f = fract(at);
    f = f * f * (3.0 - 2.0 * f);
    vec2 low = mix(hashOf(cell).xy, hashOf(cell + vec2(1.0, 0.0)).xy, f.x);
    vec2 high = mix(hashOf(cell + vec2(0.0, 1.0)).xy, hashOf(cell + vec2(1.0, 1.0)).xy, f.x);
    return mix(low, high, f.y) - 0.5;
  }
  /** GGX: how much of a surface so rough mirrors towards the eye. */
  float spreadOf(float rough, float nh) {
    float a2 = pow(rough, 4.0);
    float d = nh * nh * (a2 - 1.0) + 1.0;
    return a2 / (3.14159265 * d * d);
  }
  /** What of a light that comes from l is mirrored towards v, of the light that a white surface would show. */
  vec3 highlight(vec3 n, vec3 v, vec3 l, float rough, vec3 mirror) {
    vec3 h = normalize(v + l);
    float nh = max(dot(n, h), 0.0);
    float nv = max(dot(n, v), 0.05);
    float nl = max(dot(n, l), 0.0);
    // A wet film on skin that is rough itself: a sharp highlight within a wide one.
    float spread = 0.7 * min(spreadOf(rough, nh), 40.0) + 0.3 * spreadOf(min(1.0, 2.1 * rough), nh);
    float k = rough * rough * 0.5;
    float hidden = 1.0 / ((nl * (1.0 - k) + k) * (nv * (1.0 - k) + k));
    vec3 fresnel = mirror + (1.0 - mirror) * pow(1.0 - max(dot(h, v), 0.0), 5.0);
    // White skin would show the light's colour; the light itself is pi times as much (Lambert).
    return 3.14159265 * fresnel * min(spread * hidden * 0.25, 6.0) * nl;
  }
  /** Grains of mica: each leans its own way and flashes when it mirrors the light. */
  float sparkle(vec3 normal, vec3 halfway) {
    float sum = 0.0;
    for (int scale = 0; scale < 2; scale++) {
      vec2 at = vUv * (scale == 0 ? 190.0 : 330.0);
      vec4 h = hashOf(floor(at) + 57.0 * float(scale));
      vec3 leaning = normalize(normal + 0.9 * (h.xyz - 0.5));
      vec2 from = fract(at) - 0.5 - 0.4 * (h.wx - 0.5);
      float grain = smoothstep(0.34, 0.12, length(from));
      sum += grain * pow(max(dot(leaning, halfway), 0.0), 90.0) * (0.5 + h.w);
    }
    return sum;
  }

  /**
   * What of the skin's hue is kept from showing through make-up of an opposite hue: mixed, the two would turn grey. Its lightness shows
   * through all the same.
   */
  vec3 opposed(vec3 beneath, vec3 factor, vec3 plus) {
    float a = 1.0 - (factor.r + factor.g + factor.b) / 3.0;
    if (a < 0.002) return vec3(0.0);
    vec3 pigment = plus / a;
    vec3 own = pigment - brightnessOf(pigment);
    vec3 under = beneath - brightnessOf(beneath);
    float against = -dot(own, under) / max(length(own) * length(under), 0.0001);
    return smoothstep(0.0, 0.6, against) * (1.0 - a) * smoothstep(0.1, 0.65, a) * under;
  }

  void main() {
    vec2 screen = gl_FragCoord.xy / bufferSize;
    vec3 skin = texture2D(beneath, screen).rgb;
    float open = covered ? 1.0 - texture2D(cover, screen).r : 1.0;
    // How light the skin is here, beside the whole face: make-up is lit as what it lies on.
    float usual = max(brightnessOf(toLinear(texture2D(meanSkin, vec2(0.5)).rgb)), 0.004);
    float light = clamp(brightnessOf(toLinear(skin)) / usual, 0.12, 2.2);
    // Pigment is deeper on deeper skin: it does not lie on it like chalk.
    float deep = pow(clamp(usual / 0.32, 0.02, 1.0), 0.2);
    // It has the colour of the light it is seen in, as the skin has.
    vec3 shade = pow(light, 0.28) * deep * lightHue;
    float tooth = toothness(skin, texture2D(meanSkin, vec2(0.5)).rgb);
    vec3 c = skin;
    vec3 gloss = vec3(0.0); // gloss, roughness, metal
    vec3 extra = vec3(0.0); // shimmer, matte, lit
    float coat = 0.0;
    bool worn = false;
    // What skin is multiplied by to be lip, where lips are painted fuller than they are.
    vec3 lipTone = vec3(1.0);
    if (knowsLips) {
      vec3 mean = max(texture2D(meanSkin, vec2(0.5)).rgb, 0.02);
      lipTone = clamp(texture2D(meanLips, vec2(0.5)).rgb / mean, 0.3, 1.3);
      // Half of how dark lips are is the shade that the upper one lies in; the skin beside them lies in its own.
      lipTone *= inversesqrt(brightnessOf(lipTone));
    }
    bool deepened = false;
    for (int i = 0; i < STEPS; i++) {
      if (any(lessThan(vUv, bounds[i].xy)) || any(greaterThan(vUv, bounds[i].zw))) continue;
      worn = true;
      vec2 at = toTile[i].xy + vUv * toTile[i].zw;
      float there = (gives[i] ? open : 1.0) * (teeth[i] ? tooth : 1.0);
      vec3 factor = texture2D(factors, at).rgb;
      vec3 plus = texture2D(pluses, at).rgb;
      vec3 kept = vec3(0.0);
      #ifdef FINISHED
      vec4 g = texture2D(glosses, at) * there;
      vec4 s = texture2D(sparkles, at) * there;
      gloss = gloss * (1.0 - g.a) + g.rgb;
      extra = extra * (1.0 - s.a) + s.rgb;
      coat = coat * (1.0 - g.a) + g.a;
      if (s.a > 0.001) {
        plus *= mix(vec3(1.0), shade, s.b / s.a);
        kept = opposed(c, factor, plus) * s.b / s.a;
      }
      #endif
      if (beyond[i] && !deepened) {
        float a = 1.0 - (factor.r + factor.g + factor.b) / 3.0;
        float off = (1.0 - texture2D(lips, vUv).r) * smoothstep(0.0, 0.5, a) * there;
        c *= mix(vec3(1.0), lipTone, off);
        deepened = true;
      }
      if (modes[i] < 0) c = clamp(mix(c, c * factor + plus - kept, there), 0.0, 1.0);
      else {
        float a = 1.0 - factor.r;
        if (a < 0.002) continue;
        mode = modes[i];
        c = mix(c, blendColours(c, clamp(plus / a, 0.0, 1.0)), a * there);
      }
    }
    // Bare skin stays as it is.
    if (!worn) discard;
    #ifdef FINISHED
    if (coat > 0.002) {
      // Matte powder takes off what is brighter than the face as a whole.
      float powder = extra.y * clamp((light - 1.0) / max(light, 0.01), 0.0, 1.0);
      c *= pow(1.0 - 0.8 * powder, 0.45);
      vec3 v = normalize(vTowards);
      vec3 h = normalize(v + lightDirection);
      float rough = clamp(gloss.y / coat, 0.08, 1.0);
      float metal = clamp(gloss.z, 0.0, 1.0);
      vec3 n = normalize(vNormal);
      vec2 uneven = unevenness() * 0.34 * smoothstep(0.5, 0.2, rough);
      n = normalize(n + vec3(uneven, 0.0));
      float nv = max(dot(n, v), 0.05);
      vec3 own = toLinear(c);
      vec3 mirror = mix(vec3(0.045), own, metal);
      // What is mirrored beside the lamp: the room, brighter above and where the light comes from.
      vec3 r = reflect(-v, n);
      // Its even part is in the picture already: skin mirrors about as much of it as what is wet.
      float room = 0.02 + 0.7 * smoothstep(0.3, 0.95, dot(r, lightDirection)) + 0.25 * smoothstep(0.45, 0.95, r.y);
      float edge = pow(1.0 - nv, 3.0);
      // Pores and creases of the skin break the highlight.
      float grain = mix(1.0, light, 0.35);
      vec3 shine = lightColour * (highlight(n, v, lightDirection, rough, mirror) * grain + (mirror + edge * 0.25) * room);
      vec3 glitter = min(sparkle(n, h), 1.5) * lightColour;
      #ifdef LAMPS
      vec3 place = cameraPosition - vTowards;
      shine += (mirror + edge * 0.25) * aroundOn(r);
      for (int i = 0; i < lampCount; i++) {
        if (lampAt[i].w < 0.5) continue;
        vec3 l = towardsLamp(i, place);
        shine += lampLight(i, place) * highlight(n, v, l, rough, mirror) * grain;
        glitter += lampLight(i, place) * min(sparkle(n, normalize(v + l)), 1.5);
      }
      // All of the face is lit anew after this, its highlights are already.
      vec3 anew = max(relit(n, place), vec3(0.08));
      shine /= anew;
      glitter /= anew;
      #endif
      own = own * (1.0 - 0.6 * metal) + gloss.x * shine;
      own += extra.x * glitter * mix(vec3(1.0), own / max(most(own), 0.05), 0.45);
      c = toSrgb(min(own, vec3(1.0)));
    }
    #endif
    // What changes nothing is not drawn: at the edges of the mesh, pixels that it covers in part would change a little.
    if (all(lessThan(abs(c - skin), vec3(0.003)))) discard;
    gl_FragColor = vec4(c, 1.0);
  }
`;

/** The mean colour of a face's skin, from a handful of points that look at the camera. */
export const MEAN_POINTS = 16;
export const MEAN_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform vec2 points[${MEAN_POINTS}];
  void main() {
    vec3 sum = vec3(0.0);
    for (int i = 0; i < ${MEAN_POINTS}; i++) sum += texture2D(beneath, clamp(points[i], 0.0, 1.0)).rgb;
    vec3 mean = sum / ${MEAN_POINTS}.0;
    // A second look leaves out what is unlike the rest: a finger, a lock of hair.
    vec3 kept = vec3(0.0);
    float weights = 0.0;
    for (int i = 0; i < ${MEAN_POINTS}; i++) {
      vec3 c = texture2D(beneath, clamp(points[i], 0.0, 1.0)).rgb;
      vec3 off = c - mean;
      float w = exp(-12.0 * dot(off, off));
      kept += w * c;
      weights += w;
    }
    gl_FragColor = vec4(kept / max(weights, 0.0001), 1.0);
  }
`;
