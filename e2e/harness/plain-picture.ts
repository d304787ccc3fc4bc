/** A camera picture drawn by a fragment shader: known colours for tests of what is drawn on it. */
import { Mesh, OrthographicCamera, PlaneGeometry, Scene, ShaderMaterial, type WebGLRenderer } from 'three';
import type { CameraPicture } from '../../src/stage/picture';

export class PlainPicture implements CameraPicture {
  private readonly scene = new Scene();
  /** `colour` is GLSL for a vec3 of sRGB values; `vUv` runs from the lower left. */
  constructor(colour: string) {
    const material = new ShaderMaterial({
      vertexShader: 'varying vec2 vUv; void main() { vUv = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `varying vec2 vUv; void main() { gl_FragColor = vec4(${colour}, 1.0); }`,
      depthWrite: false,
      depthTest: false,
    });
    const quad = new Mesh(new PlaneGeometry(2, 2), material);
    quad.frustumCulled = false;
    this.scene.add(quad);
  }
  viewFovY = () => 40;
  draw = (renderer: WebGLRenderer) => renderer.render(this.scene, new OrthographicCamera());
  readonly knowsPeople = false;
  drawPeople = () => {};
  dispose = () => {};
}
