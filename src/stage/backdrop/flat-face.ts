/** A face laid flat: the camera picture that lies on it, drawn by the layout of the face. */
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Matrix4,
  Mesh,
  OrthographicCamera,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderTarget,
  type WebGLRenderer,
} from 'three';
import { FACE_LANDMARKS } from '../../core/face/landmarks';
import { TRIANGLES, UV } from '../../core/face/neutral';
import type { TrackedFace } from '../../core/tracking/track-frame';
import { headToClip } from '../face/to-clip';
import { onClear, passMaterial, texture, value } from '../passes';
import { UNWRAP_FRAGMENT, UNWRAP_VERTEX } from './mask-shader';

export class FlatFace {
  /** The face is drawn by its layout, whatever the camera. */
  private readonly anyCamera = new OrthographicCamera();
  private readonly toClip = value(new Matrix4());
  private readonly picture = texture();
  private readonly material = passMaterial(
    UNWRAP_FRAGMENT,
    { camera: this.picture, toClip: this.toClip },
    UNWRAP_VERTEX,
  );
  private readonly landmarks = new BufferAttribute(new Float32Array(FACE_LANDMARKS * 3), 3);
  private readonly mesh: Mesh;

  constructor() {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', this.landmarks);
    geometry.setAttribute('uv', new BufferAttribute(Float32Array.from(UV), 2));
    geometry.setIndex([...TRIANGLES]);
    this.material.side = DoubleSide;
    this.mesh = new Mesh(geometry, this.material);
    this.mesh.frustumCulled = false;
  }

  /** Draws `picture` as it lies on `face`, seen by `camera`, into `into`. */
  draw(
    renderer: WebGLRenderer,
    camera: PerspectiveCamera,
    face: TrackedFace,
    picture: Texture,
    into: WebGLRenderTarget,
  ): void {
    this.landmarks.array.set((face.unmorphed ?? face.landmarks).subarray(0, FACE_LANDMARKS * 3));
    this.landmarks.needsUpdate = true;
    headToClip(camera, face.pose, this.toClip.value);
    this.picture.value = picture;
    onClear(renderer, into, () => renderer.render(this.mesh, this.anyCamera));
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.material.dispose();
  }
}
