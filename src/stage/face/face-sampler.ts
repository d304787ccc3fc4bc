/** The face in the camera picture laid flat on a coarse grid and read back: what judgements about single pixels are made on. */
import {
  DoubleSide,
  Matrix4,
  Mesh,
  NoBlending,
  OrthographicCamera,
  Scene,
  ShaderMaterial,
  Vector3,
  type BufferGeometry,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { GRID } from '../../core/face/seen/cover-model';
import { TRIANGLES } from '../../core/face/neutral';
import { toLocal } from '../../core/maths/pose';
import type { Vec3 } from '../../core/maths/vec3';
import type { TrackedFace } from '../../core/tracking/track-frame';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { byteTarget, onClear, texture, value } from '../passes';
import { headToClip } from './to-clip';

const VERTEX = /* glsl */ `
  uniform mat4 toClip;
  uniform vec3 eye; // head space
  varying vec4 vClip;
  varying float vFacing;
  void main() {
    vClip = toClip * vec4(position, 1.0);
    vFacing = dot(normalize(normal), normalize(eye - position));
    gl_Position = vec4(2.0 * uv.x - 1.0, 1.0 - 2.0 * uv.y, 0.0, 1.0);
  }
`;
const FRAGMENT = /* glsl */ `
  uniform sampler2D picture;
  varying vec4 vClip;
  varying float vFacing;
  void main() {
    vec2 at = 0.5 + 0.5 * vClip.xy / vClip.w;
    bool inside = all(greaterThan(at, vec2(0.0))) && all(lessThan(at, vec2(1.0)));
    // What is seen from the side is seen badly.
    gl_FragColor = vec4(texture2D(picture, at).rgb, inside ? clamp(vFacing, 0.0, 1.0) : 0.0);
  }
`;

export class FaceSampler {
  private readonly scene = new Scene();
  private readonly anyCamera = new OrthographicCamera();
  private readonly target = byteTarget(GRID, GRID);
  private readonly mesh: Mesh<BufferGeometry, ShaderMaterial>;
  private readonly pixels = new Uint8Array(GRID * GRID * 4);

  constructor() {
    const geometry = faceGeometry();
    geometry.setIndex([...TRIANGLES]);
    this.mesh = new Mesh(
      geometry,
      new ShaderMaterial({
        vertexShader: VERTEX,
        fragmentShader: FRAGMENT,
        uniforms: { picture: texture(), toClip: value(new Matrix4()), eye: value(new Vector3()) },
        side: DoubleSide,
        blending: NoBlending,
        depthTest: false,
        depthWrite: false,
        toneMapped: false,
      }),
    );
    this.mesh.frustumCulled = false;
    this.scene.add(this.mesh);
  }

  /**
   * RGB as in the picture, and how well each place is seen (0 from behind, 255 from the front); the layout's top row first. The
   * same array is filled each time.
   */
  sample(
    renderer: WebGLRenderer,
    camera: PerspectiveCamera,
    picture: Texture,
    face: TrackedFace,
  ): Uint8Array {
    const seen = face.unmorphed ? { ...face, landmarks: face.unmorphed } : face;
    fitFace(this.mesh.geometry, seen);
    const { toClip, eye, picture: from } = this.mesh.material.uniforms;
    headToClip(camera, face.pose, toClip!.value as Matrix4);
    (eye!.value as Vector3).set(...toLocal(face.pose, camera.position.toArray() as unknown as Vec3));
    from!.value = picture;
    onClear(renderer, this.target, () => renderer.render(this.scene, this.anyCamera));
    renderer.readRenderTargetPixels(this.target, 0, 0, GRID, GRID, this.pixels);
    // WebGL reads from the bottom up, and the layout runs down.
    const row = GRID * 4;
    const flipped = new Uint8Array(this.pixels.length);
    for (let y = 0; y < GRID; y++)
      flipped.set(this.pixels.subarray((GRID - 1 - y) * row, (GRID - y) * row), y * row);
    return flipped;
  }

  dispose(): void {
    this.target.dispose();
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
