/** The face's own pixels on the reshaped mesh, and what lies around mirrored into where the face no longer is. */
const COVER = /* glsl */ `
  uniform sampler2D cover;
  uniform bool covered;
  float open(vec2 at) { return covered ? 1.0 - texture2D(cover, at).r : 1.0; }
`;

export const MORPH_VERTEX = /* glsl */ `
  attribute vec3 from; // where the camera saw it, head space
  attribute vec3 facing; // what it faced there
  attribute float edge; // 0 on the outline of the face
  uniform mat4 toClip;
  varying vec4 vFrom;
  varying float vEdge;
  varying vec3 vNormal;
  varying vec3 vFacing;
  varying float vMoved;
  void main() {
    vNormal = normal;
    vFacing = facing;
    vMoved = length(position - from);
    vFrom = toClip * vec4(from, 1.0);
    vEdge = edge;
    gl_Position = toClip * vec4(position, 1.0);
  }
`;
export const MORPH_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 bufferSize;
  ${COVER}
  uniform sampler2D hair;
  uniform bool knowsHair;
  uniform vec3 light; // towards it, head space
  uniform float relief;
  uniform sampler2D outline; // how far the face reached in each direction, in the units of the outline
  uniform vec3 middle; // of that, and the aspect
  varying vec4 vFrom;
  varying float vEdge;
  varying vec3 vNormal;
  varying vec3 vFacing;
  varying float vMoved; // metres
  float lit(vec3 n) { return 0.55 + 0.6 * max(dot(normalize(n), light), 0.0); }
  void main() {
    vec2 at = 0.5 + 0.5 * vFrom.xy / vFrom.w;
    vec2 here = gl_FragCoord.xy / bufferSize;
    // A hand before the face is neither bent nor covered. Hair beside the face lies behind it, and what is before it close to the skin:
    // what is drawn out comes before both.
    float before = open(here);
    if (knowsHair) {
      vec2 from = (2.0 * here - 1.0) * vec2(middle.z, 1.0) - middle.xy;
      float reach = texture2D(outline, vec2(atan(from.y, from.x) / 6.2831853, 0.5)).r;
      float beside = smoothstep(1.0, 1.04, length(from) / max(reach, 1e-4));
      before = mix(before, 1.0, texture2D(hair, here).r * max(beside, smoothstep(0.012, 0.03, vMoved)));
    }
    float shown = min(open(at), before);
    // What is turned to the light gets lighter, what is turned away darker: the new shape is seen from the front too.
    float shade = pow(clamp(lit(vNormal) / lit(vFacing), 0.4, 1.8), relief / 2.2);
    vec3 skin = min(texture2D(picture, at).rgb * shade, vec3(1.0));
    gl_FragColor = vec4(skin, shown * smoothstep(0.0, 0.3, vEdge));
  }
`;

export const BACKFILL_VERTEX = /* glsl */ `
  attribute vec2 from;
  uniform float aspect;
  varying vec2 vFrom;
  void main() {
    vFrom = 0.5 + 0.5 * vec2(from.x / aspect, from.y);
    gl_Position = vec4(position.x / aspect, position.y, 0.0, 1.0);
  }
`;
export const BACKFILL_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 bufferSize;
  ${COVER}
  varying vec2 vFrom;
  void main() {
    // Beyond the picture it is mirrored back.
    vec2 at = 1.0 - abs(1.0 - mod(vFrom, 2.0));
    gl_FragColor = vec4(texture2D(picture, at).rgb, open(gl_FragCoord.xy / bufferSize));
  }
`;
