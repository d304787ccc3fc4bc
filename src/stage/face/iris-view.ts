/** Irises in another colour: drawn in the openings of the eyes, where the tracked irises are. */
import {
  BufferAttribute,
  FrontSide,
  Mesh,
  ShaderMaterial,
  Vector2,
  Vector3,
  type BufferGeometry,
  type PerspectiveCamera,
  type Texture,
} from 'three';
import type { Iris } from '../../core/document/schema';
import { IRIS_LEFT, IRIS_RIGHT } from '../../core/face/landmarks';
import { OPENING_TRIANGLES } from '../../core/face/neutral';
import { MOUTH_BELOW } from '../../core/face/region-mask';
import { toOuter } from '../../core/maths/pose';
import { rgbOf } from '../../core/maths/srgb';
import { pointAt } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import { BLEND_GLSL, modeNumber } from '../effect/blend-shader';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { SRGB_GLSL } from '../grade/grade-shader';
import { texture, value } from '../passes';
import { LIMIT_GLSL, limitUniforms, setLimit, type LayerMask } from './limit-shader';
import type { RegionTextures } from './region-textures';

const VERTEX = /* glsl */ `
  varying vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;
const FRAGMENT = /* glsl */ `
  uniform sampler2D beneath;
  uniform vec2 bufferSize; // pixels
  uniform sampler2D meanSkin;
  uniform bool known; // the camera picture is there
  uniform sampler2D cover;
  uniform bool covered;
  uniform sampler2D picture;
  uniform bool hasPicture;
  uniform vec3 tint; // sRGB
  uniform float opacity;
  uniform float pupil;
  uniform float glint;
  uniform vec2 lightAt; // where the lamp is mirrored, in radii
  uniform bool blends; // in another mode than normal
  uniform bool wears[2]; // right, left
  // Of each iris on the screen, in shares of it: middle, half axes across and up.
  uniform vec2 middle[2];
  uniform vec2 across[2];
  uniform vec2 upward[2];
  varying vec2 vUv;
  ${SRGB_GLSL}
  ${LIMIT_GLSL}
  ${BLEND_GLSL}
  float fibre(float angle, float r) {
    float f = 0.5 + 0.5 * sin(angle * 37.0 + 3.0 * sin(angle * 5.0)) * sin(angle * 61.0 + r * 4.0);
    return mix(f, 0.5 + 0.5 * sin(angle * 13.0 + r * 9.0), 0.35);
  }
  /**
   * How much light falls on an eye: by its white beside the iris, which is as light on dark faces as on light ones, and by the skin where
   * no white is seen.
   */
  float lightOn(int side) {
    float white = 0.0;
    for (int i = 0; i < 4; i++) {
      float x = (i < 2 ? -1.0 : 1.0) * (i == 0 || i == 2 ? 1.4 : 1.75);
      vec2 at = middle[side] + x * across[side] - 0.1 * upward[side];
      white = max(white, brightnessOf(texture2D(beneath, clamp(at, 0.0, 1.0)).rgb));
    }
    float skin = brightnessOf(texture2D(meanSkin, vec2(0.5)).rgb);
    return clamp(max(1.6 * skin, 1.8 * white), 0.35, 1.15);
  }
  void main() {
    if (vUv.y > MOUTH_BELOW) discard;
    int side = vUv.x < 0.5 ? 0 : 1;
    if (!wears[side]) discard;
    vec2 screen = gl_FragCoord.xy / bufferSize;
    vec3 c = texture2D(beneath, screen).rgb;
    vec2 d = screen - middle[side];
    vec2 a = across[side];
    vec2 b = upward[side];
    float det = a.x * b.y - a.y * b.x;
    if (abs(det) < 1e-9) discard;
    vec2 p = vec2(d.x * b.y - d.y * b.x, a.x * d.y - a.y * d.x) / det;
    float r = length(p);
    if (r > 1.08) discard;
    float angle = atan(p.y, p.x);
    float inside = smoothstep(1.06, 0.9, r);
    float ring = smoothstep(pupil - 0.05, pupil + 0.07, r);
    vec3 colour = tint;
    float a0 = 1.0;
    if (hasPicture) {
      vec4 texel = texture2D(picture, vec2(0.5 + 0.5 * p.x, 0.5 - 0.5 * p.y));
      colour = tint == vec3(1.0) ? texel.rgb : toSrgb(toLinear(texel.rgb) * toLinear(tint));
      a0 = texel.a;
    } else {
      // Lighter around the pupil and in the fibres, dark at the rim, in the shade of the upper lid.
      float light = 0.62 + 0.5 * fibre(angle, r) * (0.5 + 0.5 * r) + 0.35 * smoothstep(0.6, pupil, r);
      light *= 1.0 - 0.72 * smoothstep(0.74, 1.0, r);
      light *= 1.0 - 0.35 * smoothstep(0.1, 1.0, p.y);
      colour = toSrgb(min(toLinear(tint) * light, vec3(1.0)));
    }
    float lit = known ? lightOn(side) : 1.0;
    colour = min(colour * lit, vec3(1.0));
    float open = (covered ? 1.0 - texture2D(cover, screen).r : 1.0) * limitAt(vUv);
    // Blended with the wearer's own iris the pupil is theirs.
    vec3 worn = blends ? mix(c, blendOver(c, colour, 1.0), ring) : mix(vec3(0.02), colour, ring);
    vec3 eye = mix(c, worn, opacity * inside * a0 * open);
    float spot = smoothstep(0.2, 0.09, length(p - lightAt)) + 0.35 * smoothstep(0.12, 0.04, length(p + 0.8 * lightAt));
    eye += glint * open * spot * inside * lit;
    gl_FragColor = vec4(min(eye, 1.0), 1.0);
  }
`;

export interface EyeScene {
  readonly camera: PerspectiveCamera;
  readonly meanSkin: Texture | null;
  readonly cover: Texture | null;
  readonly light: LightEstimate | null;
  readonly regions: RegionTextures;
}

export class IrisView {
  readonly mesh: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly point = new Vector3();

  constructor(beneath: FramebufferCopy) {
    const geometry = faceGeometry();
    geometry.setIndex(new BufferAttribute(Uint16Array.from(OPENING_TRIANGLES), 1));
    const pair = () => [new Vector2(), new Vector2()];
    const material = new ShaderMaterial({
      vertexShader: VERTEX,
      fragmentShader: FRAGMENT,
      defines: { MOUTH_BELOW: MOUTH_BELOW.toFixed(3) },
      uniforms: {
        beneath: texture(),
        bufferSize: value(new Vector2()),
        meanSkin: texture(),
        known: value(false),
        cover: texture(),
        covered: value(false),
        picture: texture(),
        hasPicture: value(false),
        tint: value(new Vector3()),
        opacity: value(1),
        pupil: value(0.36),
        glint: value(0),
        lightAt: value(new Vector2(0.3, 0.35)),
        ...limitUniforms(),
        mode: value(0),
        blends: value(false),
        wears: value([true, true]),
        middle: value(pair()),
        across: value(pair()),
        upward: value(pair()),
      },
      side: FrontSide,
      depthWrite: false,
      toneMapped: false,
    });
    this.mesh = new Mesh(geometry, material);
    this.mesh.frustumCulled = false;
    this.mesh.position.z = 0.0005;
    this.mesh.renderOrder = -0.55;
    this.mesh.onBeforeRender = (renderer) => beneath.copyFor(renderer, material);
  }

  update(
    face: TrackedFace,
    iris: Iris,
    opacity: Unit,
    picture: Texture | null,
    limit: LayerMask | null,
    scene: EyeScene,
  ): void {
    const { camera, meanSkin, light, regions } = scene;
    const cover = iris.givesWay ? scene.cover : null;
    fitFace(this.mesh.geometry, face, false);
    const u = this.mesh.material.uniforms;
    const seen = (index: number): Vector2 => {
      this.point.set(...toOuter(face.pose, pointAt(face.landmarks, index))).project(camera);
      return new Vector2(0.5 + 0.5 * this.point.x, 0.5 + 0.5 * this.point.y);
    };
    [IRIS_RIGHT, IRIS_LEFT].forEach(([centre, right, top, left, bottom], side) => {
      (u.middle!.value as Vector2[])[side]!.copy(seen(centre));
      (u.across!.value as Vector2[])[side]!.copy(seen(left).sub(seen(right)).divideScalar(2));
      (u.upward!.value as Vector2[])[side]!.copy(seen(top).sub(seen(bottom)).divideScalar(2));
    });
    u.wears!.value = [iris.eyes !== 'left', iris.eyes !== 'right'];
    u.mode!.value = modeNumber(iris.blend);
    u.blends!.value = iris.blend !== 'normal';
    setLimit(u, regions, limit, iris.maskedOut);
    u.meanSkin!.value = meanSkin;
    u.known!.value = meanSkin !== null;
    u.cover!.value = cover;
    u.covered!.value = cover !== null;
    u.picture!.value = picture;
    u.hasPicture!.value = picture !== null;
    (u.tint!.value as Vector3).set(...rgbOf(iris.tint));
    u.opacity!.value = opacity;
    u.pupil!.value = iris.pupil;
    u.glint!.value = iris.glint * opacity;
    const [x, y] = light?.direction ?? [0.4, 0.5, 0.7];
    (u.lightAt!.value as Vector2).set(0.42 * x, 0.2 + 0.3 * Math.max(0, y));
  }

  dispose(): void {
    this.mesh.removeFromParent();
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
