/** Retouch in GLSL: the guided filter of `core/makeup/guided.ts` on a small copy, and what is brightened. */
import { HAIR_MASK } from '../../core/kinds/objects/hair';
import { BLEND_GLSL } from '../effect/blend-shader';
import { SRGB_GLSL } from '../grade/grade-shader';
import { TOOTH_GLSL } from './tooth-shader';

/** GLSL 3, since the filter writes two textures at once. */
export const FILTER_VERTEX = /* glsl */ `
  out vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = vec4(position.xy, 0.0, 1.0);
  }
`;

/** The face out of the picture, smaller. `crop` is left, bottom, width, height in shares of the picture. */
export const SMALL_FRAGMENT = /* glsl */ `
  precision highp float;
  uniform sampler2D picture;
  uniform vec4 crop;
  uniform vec2 pixel; // of the small copy, in shares
  in vec2 vUv;
  layout(location = 0) out vec4 colour;
  void main() {
    vec4 sum = vec4(0.0);
    for (int y = 0; y < 2; y++)
      for (int x = 0; x < 2; x++)
        sum += texture(picture, crop.xy + (vUv + (vec2(x, y) - 0.5) * 0.5 * pixel) * crop.zw);
    colour = sum / 4.0;
  }
`;

/** Most taps of a box to each side. */
export const BOX_TAPS = 12;

/** One direction of the box means of two pictures. `SQUARES` takes the second as the square of the first. */
export const BOX_FRAGMENT = /* glsl */ `
  precision highp float;
  uniform sampler2D first;
  uniform sampler2D second;
  uniform vec2 stride;
  uniform int reach;
  uniform float epsilon;
  in vec2 vUv;
  layout(location = 0) out vec4 one;
  layout(location = 1) out vec4 two;
  void main() {
    vec3 a = vec3(0.0);
    vec3 b = vec3(0.0);
    float count = 0.0;
    for (int i = -${BOX_TAPS}; i <= ${BOX_TAPS}; i++) {
      if (abs(i) > reach) continue;
      vec2 at = vUv + float(i) * stride;
      if (any(lessThan(at, vec2(0.0))) || any(greaterThan(at, vec2(1.0)))) continue;
      vec3 f = texture(first, at).rgb;
      a += f;
      #ifdef SQUARES
      b += f * f;
      #else
      b += texture(second, at).rgb;
      #endif
      count += 1.0;
    }
    a /= count;
    b /= count;
    #ifdef FITS
    // From mean and mean of squares to the line that fits them best.
    vec3 variance = max(b - a * a, 0.0);
    vec3 slope = variance / (variance + epsilon);
    one = vec4(slope, 1.0);
    two = vec4(a * (1.0 - slope), 1.0);
    #else
    one = vec4(a, 1.0);
    two = vec4(b, 1.0);
    #endif
  }
`;

/** What is done on the skin. */
export const RETOUCH_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  uniform sampler2D slope;
  uniform sampler2D offset;
  uniform sampler2D small;
  uniform vec4 crop;
  uniform sampler2D skinMask;
  uniform sampler2D browMask;
  uniform sampler2D underMask;
  uniform sampler2D meanSkin;
  uniform sampler2D cover;
  uniform bool covered;
  uniform float smoothing;
  uniform float detail;
  uniform float under;
  uniform float eyes;
  uniform float teeth;
  varying vec2 vUv;
  ${SRGB_GLSL}
  ${TOOTH_GLSL}
  float most(vec3 c) { return max(c.r, max(c.g, c.b)); }
  float least(vec3 c) { return min(c.r, min(c.g, c.b)); }
  void main() {
    vec2 screen = gl_FragCoord.xy / bufferSize;
    vec3 c = texture2D(beneath, screen).rgb;
    vec3 was = c;
    float open = covered ? 1.0 - texture2D(cover, screen).r : 1.0;
    vec3 mean = texture2D(meanSkin, vec2(0.5)).rgb;
    float usual = max(brightnessOf(mean), 0.02);
    #ifdef OPENINGS
    float bright = brightnessOf(c) / usual;
    float colourful = (most(c) - least(c)) / max(most(c), 0.02);
    if (vUv.y < MOUTH_BELOW) {
      // The white of the eye: light, and of hardly any colour.
      float white = smoothstep(0.5, 0.25, colourful) * smoothstep(0.45, 0.8, bright);
      vec3 pale = mix(c, vec3(brightnessOf(c)), 0.55);
      c = mix(c, pale + (1.0 - pale) * 0.4, white * eyes);
    } else {
      // Teeth are light and not red; what is yellow about them goes.
      float tooth = toothness(c, mean);
      vec3 pale = vec3(mix(c, vec3(brightnessOf(c)), 0.6));
      c = mix(c, pale + (1.0 - pale) * 0.35, tooth * teeth);
    }
    #else
    vec2 at = (screen - crop.xy) / crop.zw;
    // Hairs of a brow stand beyond its outline: where its soft edge begins they are left as they are.
    float brow = smoothstep(0.02, 0.35, texture2D(browMask, vUv).r);
    float skin = texture2D(skinMask, vUv).r * (1.0 - brow);
    vec3 a = texture2D(slope, at).rgb;
    vec3 fine = c - texture2D(small, at).rgb;
    vec3 even = a * c + texture2D(offset, at).rgb + detail * (1.0 - a) * fine;
    c = mix(c, even, smoothing * skin);
    // Under the eyes only what is darker than the face as a whole is lifted.
    float shade = clamp(1.0 - brightnessOf(c) / usual, 0.0, 1.0);
    float lift = under * texture2D(underMask, vUv).r;
    c = mix(c, mix(c, mean, 0.6), lift * smoothstep(0.0, 0.3, shade + 0.06));
    c += lift * 0.05 * mean;
    #endif
    gl_FragColor = vec4(mix(was, clamp(c, 0.0, 1.0), open), 1.0);
  }
`;

/** Most heads that are told from each other. */
export const HEADS = 4;

/** Dyed hair: the dye as light and dark as the strands are. */
export const HAIR_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform sampler2D hair;
  uniform sampler2D meanHair;
  uniform vec3 tint; // sRGB
  uniform float strength;
  uniform float roots;
  uniform vec3 second; // sRGB, of tips and streaks
  uniform float tipsReach;
  uniform float streaks;
  uniform mat4 toHead; // from the far end of the view to head space
  uniform vec3 eye; // head space
  uniform int part; // of HAIR_PARTS
  uniform float edge;
  uniform sampler2D mask;
  uniform bool usesMask;
  uniform float aspect;
  // Heads in the picture: middle and radius; a radius of 0 is none. The first is the one whose hair is dyed.
  uniform vec3 heads[${HEADS}];
  uniform bool blends; // in another mode than normal, which dyes
  varying vec2 vUv;
  ${SRGB_GLSL}
  ${BLEND_GLSL}
  float cellAt(float x) { return fract(sin(floor(x) * 127.1 + 11.7) * 43758.5453); }
  float noiseAt(float x) { return mix(cellAt(x), cellAt(x + 1.0), smoothstep(0.0, 1.0, fract(x))); }
  /** Strands lie side by side: across them this changes from one to the next, along them hardly. */
  float strandOf(vec2 at) {
    // From the crown they run outwards, beside the face straight down.
    float spread = mix(1.0, 0.55, smoothstep(-0.02, 0.1, at.y));
    float across = at.x / spread;
    float sway = 0.004 * sin(38.0 * at.y + 9.0 * across);
    return 0.5 * noiseAt((across + sway) * 330.0) + 0.5 * noiseAt((across - sway) * 900.0 + 3.0);
  }
  /**
   * How far along its strand a place is, from the crown over the skull and from its widest place straight down; 1 is a strand of 31 cm. Hair of
   * a head that nobody modelled is seen from one side only: it is the height that tells.
   */
  float grownAt(float y) {
    float up = clamp((y - 0.03) / 0.105, 0.0, 1.0);
    return (0.105 * acos(up) + max(0.03 - y, 0.0)) / 0.31;
  }
  /**
   * How much of the hair at a place of the head is in the part that is dyed: metres, x to the wearer's left; what is front is that place before
   * the forehead.
   */
  float partAt(vec2 at, vec2 front) {
    float soft = mix(0.002, 0.06, edge);
    // How far inside it is, metres.
    float inside = 1.0;
    if (part == 1) inside = at.x;
    if (part == 2) inside = -at.x;
    if (part == 3) inside = 0.05 * (1.0 - length((front - vec2(0.0, 0.06)) / vec2(0.075, 0.045)));
    if (part == 4) inside = -0.02 - at.y;
    return smoothstep(-soft, soft, inside);
  }
  float maskAt(vec2 at) {
    vec2 on = (at - vec2(${HAIR_MASK.middle.map((m) => m.toFixed(4)).join(', ')})) / ${HAIR_MASK.side.toFixed(4)} + 0.5;
    if (any(lessThan(on, vec2(0.0))) || any(greaterThan(on, vec2(1.0)))) return 0.0;
    vec4 seen = texture2D(mask, on);
    return brightnessOf(seen.rgb) * seen.a;
  }
  float headsAway(vec3 head) { return length((vUv - head.xy) * vec2(aspect, 1.0)) / head.z; }
  void main() {
    vec3 c = texture2D(beneath, vUv).rgb;
    // Where the line of sight meets the plane through the middle of the head.
    vec4 far = toHead * vec4(2.0 * vUv - 1.0, 1.0, 1.0);
    vec3 along = far.xyz / far.w - eye;
    vec3 at = eye + along * ((-0.02 - eye.z) / along.z);
    float own = smoothstep(0.24, 0.18, abs(at.x)) * smoothstep(-0.55, -0.45, at.y) * smoothstep(0.3, 0.24, at.y);
    // The hair of this head, not that of the next one: hair belongs to the head that is nearest.
    for (int i = 1; i < ${HEADS}; i++)
      if (heads[i].z > 0.0) own *= smoothstep(-0.04, 0.04, headsAway(heads[i]) - headsAway(heads[0]));
    float there = texture2D(hair, vUv).r * own * partAt(at.xy, (eye + along * ((0.05 - eye.z) / along.z)).xy);
    if (usesMask) there *= maskAt(at.xy);
    // Of each strand: the colour begins and ends a little higher on one than on the next.
    float strandHere = strandOf(at.xy);
    float grown = grownAt(at.y) + 0.3 * (strandHere - 0.5);
    there *= roots <= 0.0 ? 1.0 : smoothstep(0.35 * roots, 1.25 * roots, grown);
    vec3 light = toLinear(c);
    float usual = max(brightnessOf(toLinear(texture2D(meanHair, vec2(0.5)).rgb)), 0.004);
    // Strands are much lighter and darker than each other in dark hair: that is kept, but less.
    float strand = min(pow(brightnessOf(light) / usual, 0.75), 1.8);
    // Where light is thrown back from the strands it keeps its own colour: dye lies beneath the shine.
    float shine = max(brightnessOf(light) - 2.2 * usual, 0.0) * 0.6;
    // The second tone: from the tips up, and strand by strand.
    float tip = tipsReach <= 0.0 ? 0.0 : smoothstep(1.05 - 1.05 * tipsReach, 1.4 - 1.05 * tipsReach, grown);
    float streak = streaks <= 0.0 ? 0.0 : smoothstep(0.86 - 0.98 * streaks, 1.14 - 0.98 * streaks, strandHere) * (0.75 + 0.25 * streaks);
    vec3 tone = mix(tint, second, max(tip, streak));
    vec3 dyed = blends
      ? blendOver(c, tone, 1.0)
      : toSrgb(min(toLinear(tone) * strand + shine, vec3(1.0)));
    gl_FragColor = vec4(mix(c, dyed, clamp(there * strength, 0.0, 1.0)), 1.0);
  }
`;

/** The mean colour of the hair around a head: only where the mask says hair. */
export const MEAN_HAIR_FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform sampler2D hair;
  uniform vec4 box; // left, bottom, right, top of the head with its hair
  void main() {
    vec3 sum = vec3(0.0);
    float weights = 0.001;
    for (int y = 0; y < 12; y++)
      for (int x = 0; x < 12; x++) {
        vec2 at = mix(box.xy, box.zw, (vec2(x, y) + 0.5) / 12.0);
        float w = texture2D(hair, at).r;
        sum += w * texture2D(beneath, at).rgb;
        weights += w;
      }
    gl_FragColor = vec4(sum / weights, 1.0);
  }
`;
