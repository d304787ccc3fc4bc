/** Draws a camera's picture, covering the view. */
import {
  LinearFilter,
  Mesh,
  OrthographicCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  Texture,
  type WebGLRenderer,
} from 'three';
import { coveringFovY } from '../core/tracking/project';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraPicture } from './picture';

export class VideoPicture implements CameraPicture {
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly texture: Texture;
  private readonly material: ShaderMaterial;

  /** `image` holds the picture the tracker saw last, so that effect and picture belong together. */
  constructor(private readonly image: HTMLCanvasElement) {
    this.texture = new Texture(image);
    this.texture.minFilter = this.texture.magFilter = LinearFilter;
    this.texture.generateMipmaps = false;
    this.material = new ShaderMaterial({
      uniforms: { map: { value: this.texture }, cover: { value: [1, 1] } },
      vertexShader: /* glsl */ `
        uniform vec2 cover;
        varying vec2 vUv;
        void main() {
          vUv = (uv - 0.5) * cover + 0.5;
          gl_Position = vec4(position.xy, 0.0, 1.0);
        }`,
      fragmentShader: /* glsl */ `
        uniform sampler2D map;
        varying vec2 vUv;
        void main() { gl_FragColor = vec4(texture2D(map, vUv).rgb, 1.0); }`,
      depthTest: false,
      depthWrite: false,
      toneMapped: false,
    });
    const quad = new Mesh(new PlaneGeometry(2, 2), this.material);
    quad.frustumCulled = false;
    this.scene.add(quad);
  }

  viewFovY(frame: TrackFrame, viewAspect: number): number {
    return coveringFovY(frame.camera.fovY, frame.camera.aspect, viewAspect);
  }

  draw(renderer: WebGLRenderer, _frame: TrackFrame, viewAspect: number): void {
    const aspect = this.image.width / this.image.height;
    this.material.uniforms.cover!.value =
      aspect > viewAspect ? [viewAspect / aspect, 1] : [1, aspect / viewAspect];
    this.texture.needsUpdate = true;
    renderer.render(this.scene, this.camera);
  }

  /** A camera does not know yet which of its pixels are people. */
  readonly knowsPeople = false;
  drawPeople(): void {}

  dispose(): void {
    this.texture.dispose();
    this.material.dispose();
  }
}
