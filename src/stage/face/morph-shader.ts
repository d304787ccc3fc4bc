/** The face's own pixels on the reshaped mesh, and what lies around mirrored into where the face no longer is. */
const COVER = /* glsl */ `
  uniform sampler2D cover;
  uniform bool covered;
  float open(vec2 at) { return covered ? 1.0 - texture2D(cover, at).r : 1.0; }
`;

export const MORPH_VERTEX = /* glsl */ `
  attribute vec3 from; // where the camera saw it, head space
  attribute float edge; // 0 on the outline of the face
  uniform mat4 toClip;
  varying vec4 vFrom;
  varying float vEdge;
  void main() {
    vFrom = toClip * vec4(from, 1.0);
    vEdge = edge;
    gl_Position = toClip * vec4(position, 1.0);
  }
`;
export const MORPH_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 bufferSize;
  ${COVER}
  varying vec4 vFrom;
  varying float vEdge;
  void main() {
    vec2 at = 0.5 + 0.5 * vFrom.xy / vFrom.w;
    // A hand before the face is neither bent nor covered.
    float shown = min(open(at), open(gl_FragCoord.xy / bufferSize));
    gl_FragColor = vec4(texture2D(picture, at).rgb, shown * smoothstep(0.0, 0.3, vEdge));
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
