/** A camera picture drawn by a fragment shader: known colours for tests of what is drawn on it. */
import { Mesh, OrthographicCamera, PlaneGeometry, Scene, ShaderMaterial, type WebGLRenderer } from 'three';
import type { CameraPicture } from '../../src/stage/picture';

export class PlainPicture implements CameraPicture {
  private readonly scene = new Scene();
  private readonly people = new Scene();
  readonly knowsPeople: boolean;
  /**
   * `colour` is GLSL for a vec3 of sRGB values, `people` for how much of a person there is (0 or 1); `vUv` runs from the
   * lower left.
   */
  constructor(colour: string, people: string | null = null) {
    this.knowsPeople = people !== null;
    this.add(this.scene, `vec4(${colour}, 1.0)`);
    if (people !== null) this.add(this.people, `vec4(${colour}, 1.0) * (${people})`);
  }
  private add(scene: Scene, colour: string): void {
    const material = new ShaderMaterial({
      vertexShader: 'varying vec2 vUv; void main() { vUv = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `varying vec2 vUv; void main() { gl_FragColor = ${colour}; }`,
      depthWrite: false,
      depthTest: false,
    });
    const quad = new Mesh(new PlaneGeometry(2, 2), material);
    quad.frustumCulled = false;
    scene.add(quad);
  }
  viewFovY = () => 40;
  draw = (renderer: WebGLRenderer) => renderer.render(this.scene, new OrthographicCamera());
  readonly knowsCover = false;
  drawCover = () => {};
  readonly knowsHair = false;
  drawHair = () => {};
  drawPeople = (renderer: WebGLRenderer) => renderer.render(this.people, new OrthographicCamera());
  dispose = () => {};
}

const kept = new Map<string, PlainPicture>();
/** The picture of a colour, made once: its program is compiled once too. */
export const plainPicture = (colour: string): PlainPicture => {
  const picture = kept.get(colour) ?? new PlainPicture(colour);
  kept.set(colour, picture);
  return picture;
};
