/** Draws a camera's picture, covering the view. */
import {
  DataTexture,
  LinearFilter,
  Mesh,
  OrthographicCamera,
  PlaneGeometry,
  RedFormat,
  Scene,
  ShaderMaterial,
  Texture,
  type WebGLRenderer,
} from 'three';
import { coveringFovY } from '../core/tracking/project';
import type { PeopleMask } from '../core/tracking/people-mask';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { CameraPicture } from './picture';

const VERTEX = /* glsl */ `
  uniform vec2 cover;
  varying vec2 vUv;
  void main() {
    vUv = (uv - 0.5) * cover + 0.5;
    gl_Position = vec4(position.xy, 0.0, 1.0);
  }`;

export class VideoPicture implements CameraPicture {
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, 0, 1);
  private readonly texture: Texture;
  private readonly material: ShaderMaterial;

  private readonly people: ShaderMaterial;
  /** Of the picture when it was drawn last. */
  private size = '';
  private mask: { readonly of: PeopleMask; readonly texture: DataTexture } | null = null;
  private readonly quad: Mesh<PlaneGeometry, ShaderMaterial>;

  /**
   * `image` holds the picture the tracker saw last, so that effect and picture belong together; `peopleIn` says where
   * people are in it.
   */
  constructor(
    private readonly image: HTMLCanvasElement,
    private readonly peopleIn: () => PeopleMask | null = () => null,
  ) {
    this.texture = new Texture(image);
    this.texture.minFilter = this.texture.magFilter = LinearFilter;
    this.texture.generateMipmaps = false;
    const cover = { value: [1, 1] };
    this.material = new ShaderMaterial({
      uniforms: { map: { value: this.texture }, cover },
      vertexShader: VERTEX,
      fragmentShader: /* glsl */ `
        uniform sampler2D map;
        varying vec2 vUv;
        void main() { gl_FragColor = vec4(texture2D(map, vUv).rgb, 1.0); }`,
      depthTest: false,
      depthWrite: false,
      toneMapped: false,
    });
    this.people = new ShaderMaterial({
      uniforms: { map: { value: this.texture }, mask: { value: null }, cover },
      vertexShader: VERTEX,
      fragmentShader: /* glsl */ `
        uniform sampler2D map;
        uniform sampler2D mask;
        varying vec2 vUv;
        void main() {
          // The finder is unsure in a band around people; what it is half sure of is their edge.
          float a = smoothstep(0.25, 0.75, texture2D(mask, vec2(vUv.x, 1.0 - vUv.y)).r);
          gl_FragColor = vec4(texture2D(map, vUv).rgb, a);
        }`,
      depthTest: false,
      depthWrite: false,
      toneMapped: false,
    });
    this.quad = new Mesh(new PlaneGeometry(2, 2), this.material);
    this.quad.frustumCulled = false;
    this.scene.add(this.quad);
  }

  viewFovY(frame: TrackFrame, viewAspect: number): number {
    return coveringFovY(frame.camera.fovY, frame.camera.aspect, viewAspect);
  }

  draw(renderer: WebGLRenderer, _frame: TrackFrame, viewAspect: number): void {
    const { width, height } = this.image;
    const aspect = width / height;
    // A texture keeps the size it was made with: a phone that is turned needs another.
    if (this.size !== `${width} ${height}`) this.texture.dispose();
    this.size = `${width} ${height}`;
    this.material.uniforms.cover!.value =
      aspect > viewAspect ? [viewAspect / aspect, 1] : [1, aspect / viewAspect];
    this.texture.needsUpdate = true;
    this.quad.material = this.material;
    renderer.render(this.scene, this.camera);
  }

  get knowsPeople(): boolean {
    return this.peopleIn() !== null;
  }

  drawPeople(renderer: WebGLRenderer): void {
    const people = this.peopleIn();
    if (!people) return;
    if (this.mask?.of !== people) {
      this.mask?.texture.dispose();
      const texture = new DataTexture(people.alpha, people.width, people.height, RedFormat);
      texture.minFilter = texture.magFilter = LinearFilter;
      texture.unpackAlignment = 1;
      texture.needsUpdate = true;
      this.mask = { of: people, texture };
    }
    this.people.uniforms.mask!.value = this.mask.texture;
    this.quad.material = this.people;
    renderer.render(this.scene, this.camera);
  }

  /** Nobody tells hands and hair from skin in it. */
  readonly knowsCover = false;
  drawCover(): void {}
  readonly knowsHair = false;
  drawHair(): void {}

  dispose(): void {
    this.texture.dispose();
    this.material.dispose();
    this.people.dispose();
    this.mask?.texture.dispose();
    this.quad.geometry.dispose();
  }
}
