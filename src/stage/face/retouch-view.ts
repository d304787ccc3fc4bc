/** Retouch of one face: skin evened out, shadows under the eyes lifted, eyes and teeth brightened. */
import {
  BufferAttribute,
  FrontSide,
  Mesh,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  type BufferGeometry,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import type { Retouch } from '../../core/document/schema';
import { farToNear } from '../../core/face/far-to-near';
import { FACE_LANDMARKS } from '../../core/face/landmarks';
import { OPEN_TRIANGLES, OPENING_TRIANGLES } from '../../core/face/neutral';
import { fromPose } from '../../core/maths/matrix';
import { toLocal, toOuter } from '../../core/maths/pose';
import { pointAt, type Vec3 } from '../../core/maths/vec3';
import { MOUTH_BELOW } from '../../core/face/region-mask';
import type { TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { texture, value } from '../passes';
import { GuidedFilter, type Crop } from './guided-filter';
import type { RegionTextures } from './region-textures';
import { RETOUCH_FRAGMENT } from './retouch-shader';

const VERTEX = /* glsl */ `
  varying vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;

export interface RetouchScene {
  readonly renderer: WebGLRenderer;
  readonly camera: PerspectiveCamera;
  /** What stands on the canvas. */
  readonly picture: Texture;
  readonly cover: Texture | null;
  readonly meanSkin: Texture;
}

const part = (triangles: readonly number[], defines: Record<string, string>) => {
  const geometry = faceGeometry();
  const order = new Uint16Array(triangles.length);
  geometry.setIndex(new BufferAttribute(order, 1));
  const material = new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: RETOUCH_FRAGMENT,
    defines: { MOUTH_BELOW: MOUTH_BELOW.toFixed(3), ...defines },
    uniforms: {
      beneath: texture(),
      bufferSize: value(new Vector2()),
      slope: texture(),
      offset: texture(),
      small: texture(),
      crop: value(new Vector4()),
      skinMask: texture(),
      browMask: texture(),
      underMask: texture(),
      meanSkin: texture(),
      cover: texture(),
      covered: value(false),
      smoothing: value(0),
      detail: value(0),
      under: value(0),
      eyes: value(0),
      teeth: value(0),
    },
    side: FrontSide,
    depthTest: false,
    depthWrite: false,
    toneMapped: false,
  });
  const mesh: Mesh<BufferGeometry, ShaderMaterial> = new Mesh(geometry, material);
  mesh.frustumCulled = false;
  return { mesh, order, triangles };
};

/** Where the face is in the picture, with a rim for the filter; null when it is outside. */
const cropOf = (face: TrackedFace, camera: PerspectiveCamera): Crop | null => {
  const point = new Vector3();
  let [left, bottom, right, top] = [1, 1, 0, 0];
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    point.set(...toOuter(face.pose, pointAt(face.landmarks, i))).project(camera);
    const [x, y] = [0.5 + 0.5 * point.x, 0.5 + 0.5 * point.y];
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [bottom, top] = [Math.min(bottom, y), Math.max(top, y)];
  }
  const rim = 0.04 * (right - left);
  const cut = (x: number) => Math.min(1, Math.max(0, x));
  [left, bottom, right, top] = [cut(left - rim), cut(bottom - rim), cut(right + rim), cut(top + rim)];
  return right - left > 0.01 && top - bottom > 0.01 ? [left, bottom, right - left, top - bottom] : null;
};

/** How soft the outline of brows is, so that the hairs beyond it lie within. */
const BROW_EDGE = 3;

export class RetouchView {
  private readonly scene = new Scene();
  private readonly filter = new GuidedFilter();
  private readonly skin = part(OPEN_TRIANGLES, {});
  private readonly openings = part(OPENING_TRIANGLES, { OPENINGS: '' });
  private readonly size = new Vector2();

  constructor(private readonly regions: RegionTextures) {
    this.scene.matrixAutoUpdate = false;
    // The nose of a turned face covers the far eye.
    this.openings.mesh.renderOrder = 0;
    this.skin.mesh.renderOrder = 1;
    this.scene.add(this.openings.mesh, this.skin.mesh);
  }

  /** Draws over the canvas. `opacity` is that of the object now. */
  draw(scene: RetouchScene, face: TrackedFace, retouch: Retouch, opacity: Unit): void {
    const { renderer, camera, picture, cover, meanSkin } = scene;
    const crop = cropOf(face, camera);
    if (!crop || opacity === 0) return;
    renderer.getDrawingBufferSize(this.size);
    const { smooth, underEyes, eyes, teeth } = retouch;
    const smoothing = smooth.on ? smooth.strength * opacity : 0;
    if (smoothing > 0) this.filter.run(renderer, picture, crop, [this.size.x, this.size.y], smooth.strength);
    this.scene.matrix.fromArray(fromPose(face.pose) as number[]);
    this.scene.matrixWorldNeedsUpdate = true;
    const eye = toLocal(face.pose, camera.position.toArray() as unknown as Vec3);
    for (const { mesh, order, triangles } of [this.openings, this.skin]) {
      fitFace(mesh.geometry, face, false);
      farToNear(triangles, face.landmarks, eye, order);
      mesh.geometry.index!.needsUpdate = true;
      const u = mesh.material.uniforms;
      u.beneath!.value = picture;
      (u.bufferSize!.value as Vector2).copy(this.size);
      if (smoothing > 0) {
        u.slope!.value = this.filter.slope;
        u.offset!.value = this.filter.offset;
        u.small!.value = this.filter.smallCopy;
      }
      (u.crop!.value as Vector4).set(...crop);
      u.skinMask!.value = this.regions.get('skin', 1).texture;
      u.browMask!.value = this.regions.get('brows', BROW_EDGE).texture;
      u.underMask!.value = this.regions.get('underEyes', 1.6).texture;
      u.meanSkin!.value = meanSkin;
      u.cover!.value = cover;
      u.covered!.value = cover !== null;
      u.smoothing!.value = smoothing;
      u.detail!.value = smooth.detail;
      u.under!.value = underEyes.on ? underEyes.amount * opacity : 0;
      u.eyes!.value = eyes.on ? eyes.amount * opacity : 0;
      u.teeth!.value = teeth.on ? teeth.amount * opacity : 0;
    }
    this.openings.mesh.visible = eyes.on || teeth.on;
    this.skin.mesh.visible = smoothing > 0 || underEyes.on;
    if (this.openings.mesh.visible || this.skin.mesh.visible) renderer.render(this.scene, camera);
  }

  dispose(): void {
    this.filter.dispose();
    for (const { mesh } of [this.skin, this.openings]) {
      mesh.geometry.dispose();
      mesh.material.dispose();
    }
  }
}
