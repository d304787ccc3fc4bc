/** A part of a face cut out of a picture; core/face/cutout.ts says where its window and its outline are. */
import { MOST_CORNERS } from '../../core/face/cutout';

export const CUTOUT_VERTEX = /* glsl */ `
  uniform mat4 toClip;
  uniform vec3 centre; // world
  uniform vec3 across;
  uniform vec3 up;
  uniform vec2 size; // metres on a head of the usual size
  varying vec4 vClip;
  varying vec2 vAt;
  void main() {
    vec2 from = uv - 0.5;
    vAt = from * size;
    vClip = toClip * vec4(centre + from.x * across + from.y * up, 1.0);
    gl_Position = vec4(position.xy, 0.0, 1.0);
  }
`;

export const CUTOUT_FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  uniform vec2 size;
  uniform vec2 corners[${MOST_CORNERS}];
  uniform int count;
  uniform float inner;
  uniform float outer;
  uniform float facing;
  varying vec4 vClip;
  varying vec2 vAt;

  // Signed distance to the outline, above 0 outside.
  float far(vec2 p) {
    float least = 1e9;
    bool inside = false;
    vec2 a = corners[count - 1];
    for (int i = 0; i < ${MOST_CORNERS}; i++) {
      if (i >= count) break;
      vec2 b = corners[i];
      vec2 e = b - a;
      vec2 w = p - a;
      vec2 d = w - e * clamp(dot(w, e) / max(dot(e, e), 1e-12), 0.0, 1.0);
      least = min(least, dot(d, d));
      if ((a.y > p.y) != (b.y > p.y) && p.x < a.x + (p.y - a.y) * e.x / e.y) inside = !inside;
      a = b;
    }
    return inside ? -sqrt(least) : sqrt(least);
  }

  void main() {
    vec2 at = 0.5 + 0.5 * vClip.xy / vClip.w;
    float there = 1.0 - smoothstep(-inner, max(outer, 1e-5 - inner), far(vAt));
    // No hard line where the window ends, and nothing from beyond the picture.
    vec2 rim = smoothstep(vec2(0.0), vec2(0.02), 0.5 - abs(vAt / size));
    vec2 seen = step(vec2(0.0), at) * step(at, vec2(1.0));
    float alpha = there * rim.x * rim.y * seen.x * seen.y * facing;
    gl_FragColor = vec4(texture2D(picture, at).rgb, vClip.w > 0.0 ? alpha : 0.0);
  }
`;
