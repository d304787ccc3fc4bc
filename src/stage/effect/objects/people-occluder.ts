/** People that hide: the whole view at the distance of the nearest face, of which only what is people in the picture counts. */
import { Mesh, NoBlending, PlaneGeometry, ShaderMaterial, Vector3, type Texture } from 'three';
import type { Vec3 } from '../../../core/maths/vec3';
import { texture, value } from '../../passes';

const VERTEX = /* glsl */ `
  uniform vec3 at;
  varying vec2 seen;
  void main() {
    vec4 far = projectionMatrix * vec4(0.0, 0.0, (viewMatrix * vec4(at, 1.0)).z, 1.0);
    gl_Position = vec4(2.0 * position.xy * far.w, far.z, far.w);
    seen = position.xy + 0.5;
  }
`;
const FRAGMENT = /* glsl */ `
  uniform sampler2D people;
  varying vec2 seen;
  void main() {
    if (texture2D(people, seen).a < 0.5) discard;
    gl_FragColor = vec4(0.0);
  }
`;

export class PeopleOccluder {
  readonly mesh = new Mesh(
    new PlaneGeometry(1, 1),
    new ShaderMaterial({
      vertexShader: VERTEX,
      fragmentShader: FRAGMENT,
      uniforms: { people: texture(), at: value(new Vector3()) },
      colorWrite: false,
      blending: NoBlending,
      toneMapped: false,
    }),
  );

  constructor() {
    this.mesh.frustumCulled = false;
  }

  /** `people` is opaque where people are, and runs from the lower left; `at` is where they are, in the world. Null hides nothing. */
  show(people: Texture | null, at: Vec3): void {
    this.mesh.visible = people !== null;
    this.mesh.material.uniforms.people!.value = people;
    this.mesh.material.uniforms.at!.value.fromArray(at);
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
