/** Lashes of one face: blades along the lids. */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DoubleSide,
  Group,
  Mesh,
  ShaderMaterial,
  Vector2,
} from 'three';
import type { Lashes } from '../../core/document/schema';
import { lashCount, lashPoints, lashRoots, lashTriangles } from '../../core/makeup/lashes';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import { BLEND_GLSL, modeNumber } from '../effect/blend-shader';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import { OVER_PICTURE, texture, value } from '../passes';
import { LIMIT_GLSL, limitUniforms, setLimit, type LayerMask } from './limit-shader';
import type { EyeScene } from './iris-view';

const VERTEX = /* glsl */ `
  varying vec2 vUv; // where on the layout its root is
  void main() {
    vUv = uv;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;
const FRAGMENT = /* glsl */ `
  uniform vec3 tint; // sRGB
  uniform float opacity;
  uniform sampler2D beneath;
  uniform sampler2D cover;
  uniform bool covered;
  uniform vec2 bufferSize;
  uniform bool blends; // in another mode than normal
  varying vec2 vUv;
  ${LIMIT_GLSL}
  ${BLEND_GLSL}
  void main() {
    vec2 screen = gl_FragCoord.xy / bufferSize;
    float open = (covered ? 1.0 - texture2D(cover, screen).r : 1.0) * limitAt(vUv);
    vec3 colour = blends ? blendOver(texture2D(beneath, screen).rgb, tint, 1.0) : tint;
    gl_FragColor = vec4(colour, opacity * open);
  }
`;

export class LashView {
  readonly node = new Group();
  private readonly material = new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: FRAGMENT,
    uniforms: {
      tint: value(new Color()),
      opacity: value(1),
      ...limitUniforms(),
      mode: value(0),
      blends: value(false),
      beneath: texture(),
      cover: texture(),
      covered: value(false),
      bufferSize: value(new Vector2(1, 1)),
    },
    ...OVER_PICTURE,
    side: DoubleSide,
    depthWrite: false,
    toneMapped: false,
  });
  private readonly eyes = (['right', 'left'] as const).map((side) => {
    const mesh = new Mesh(new BufferGeometry(), this.material);
    mesh.frustumCulled = false;
    mesh.renderOrder = -0.3;
    mesh.onBeforeRender = (renderer) => {
      if (this.material.uniforms.blends!.value) this.beneath.copyFor(renderer, this.material);
      else renderer.getDrawingBufferSize(this.material.uniforms.bufferSize!.value as Vector2);
    };
    this.node.add(mesh);
    return { side, mesh };
  });
  private count = 0;

  constructor(private readonly beneath: FramebufferCopy) {}

  update(
    face: TrackedFace,
    lashes: Lashes,
    opacity: Unit,
    limit: LayerMask | null,
    { cover: before, regions }: EyeScene,
  ): void {
    const cover = lashes.givesWay ? before : null;
    const count = lashCount(lashes);
    for (const { side, mesh } of this.eyes) {
      mesh.visible = lashes.eyes === 'both' || lashes.eyes === side;
      if (!mesh.visible) continue;
      const points = lashPoints(face.landmarks, side, lashes);
      if (count !== this.count || !mesh.geometry.index) {
        mesh.geometry.dispose();
        mesh.geometry = new BufferGeometry();
        mesh.geometry.setAttribute('position', new BufferAttribute(points, 3));
        mesh.geometry.setAttribute('uv', new BufferAttribute(lashRoots(side, lashes), 2));
        mesh.geometry.setIndex(new BufferAttribute(lashTriangles(count), 1));
        continue;
      }
      const position = mesh.geometry.getAttribute('position') as BufferAttribute;
      (position.array as Float32Array).set(points);
      position.needsUpdate = true;
    }
    this.count = count;
    const u = this.material.uniforms;
    // The colour goes to the picture as it is in the document.
    (u.tint!.value as Color).setStyle(lashes.tint, '');
    u.opacity!.value = opacity;
    u.mode!.value = modeNumber(lashes.blend);
    u.blends!.value = lashes.blend !== 'normal';
    setLimit(u, regions, limit, lashes.maskedOut);
    u.cover!.value = cover;
    u.covered!.value = cover !== null;
  }

  dispose(): void {
    this.node.removeFromParent();
    for (const { mesh } of this.eyes) mesh.geometry.dispose();
    this.material.dispose();
  }
}
