/** Where something is before the faces of a camera picture in which nobody knows: judged by how each face usually looks. */
import {
  DataTexture,
  FrontSide,
  LinearFilter,
  Matrix4,
  Mesh,
  NoBlending,
  RedFormat,
  Scene,
  ShaderMaterial,
  type BufferGeometry,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { GRID, nextCover, type CoverModel } from '../../core/face/seen/cover-model';
import { OPEN_TRIANGLES, OPENING_TRIANGLES } from '../../core/face/neutral';
import type { TrackedFace, TrackFrame } from '../../core/tracking/track-frame';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { texture, value } from '../passes';
import { FaceSampler } from './face-sampler';
import { headToClip } from './to-clip';

const VERTEX = /* glsl */ `
  uniform mat4 toClip;
  varying vec2 vUv;
  void main() {
    vUv = uv;
    gl_Position = toClip * vec4(position, 1.0);
  }
`;
const FRAGMENT = /* glsl */ `
  uniform sampler2D cover;
  varying vec2 vUv;
  void main() {
    float there = smoothstep(0.25, 0.75, texture2D(cover, vUv).r);
    gl_FragColor = vec4(vec3(there), 1.0);
  }
`;

interface Kept {
  model: CoverModel;
  readonly texture: DataTexture;
}

export class CoverGuess {
  private readonly sampler = new FaceSampler();
  private readonly scene = new Scene();
  private readonly mesh: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly faces = new Map<number, Kept>();
  private time = NaN;

  constructor() {
    const geometry = faceGeometry();
    geometry.setIndex([...OPENING_TRIANGLES, ...OPEN_TRIANGLES]);
    this.mesh = new Mesh(
      geometry,
      new ShaderMaterial({
        vertexShader: VERTEX,
        fragmentShader: FRAGMENT,
        uniforms: { cover: texture(), toClip: value(new Matrix4()) },
        side: FrontSide,
        blending: NoBlending,
        depthTest: false,
        depthWrite: false,
        toneMapped: false,
      }),
    );
    this.mesh.frustumCulled = false;
    this.scene.add(this.mesh);
  }

  /** Looks at the faces of a frame. `picture` is the camera picture alone. The same frame is looked at once. */
  look(renderer: WebGLRenderer, camera: PerspectiveCamera, picture: Texture, frame: TrackFrame): void {
    if (frame.time === this.time) return;
    // Whoever jumps back to the start of something else shows other people.
    if (frame.time < this.time) this.forget();
    this.time = frame.time;
    for (const [id, { texture }] of this.faces)
      if (!frame.faces.some((f) => f.id === id)) {
        texture.dispose();
        this.faces.delete(id);
      }
    for (const face of frame.faces) {
      const samples = this.sampler.sample(renderer, camera, picture, face);
      const kept = this.faces.get(face.id);
      const model = nextCover(kept?.model ?? null, samples, face.pose.rotation);
      if (kept) kept.model = model;
      else {
        const made = new DataTexture(new Uint8Array(GRID * GRID), GRID, GRID, RedFormat);
        made.minFilter = made.magFilter = LinearFilter;
        made.unpackAlignment = 1;
        this.faces.set(face.id, { model, texture: made });
      }
      const { texture: into } = this.faces.get(face.id)!;
      const data = into.image.data as Uint8Array;
      model.cover.forEach((c, i) => (data[i] = 255 * c));
      into.needsUpdate = true;
    }
  }

  /** Draws what covers the faces in white over what is there. */
  draw(renderer: WebGLRenderer, camera: PerspectiveCamera, faces: readonly TrackedFace[]): void {
    for (const face of faces) {
      const kept = this.faces.get(face.id);
      if (!kept) continue;
      fitFace(this.mesh.geometry, face.unmorphed ? { ...face, landmarks: face.unmorphed } : face, false);
      const { cover, toClip } = this.mesh.material.uniforms;
      cover!.value = kept.texture;
      headToClip(camera, face.pose, toClip!.value as Matrix4);
      renderer.render(this.scene, camera);
    }
  }

  /** Begins anew, with whatever comes next. */
  forget(): void {
    this.time = NaN;
    for (const { texture } of this.faces.values()) texture.dispose();
    this.faces.clear();
  }

  dispose(): void {
    this.forget();
    this.sampler.dispose();
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
