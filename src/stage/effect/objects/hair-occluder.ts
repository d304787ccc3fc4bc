/** Hair that hides: an upright sheet through the middle of a head, of which only what is hair in the picture counts. */
import { Mesh, NoBlending, PlaneGeometry, ShaderMaterial, Vector3, Vector4, type Texture } from 'three';
import { texture, value } from '../../passes';

/** Left, right, lowest and highest point of hair about the middle of a head, in metres: down to the chest. */
const REACH = new Vector4(-0.24, 0.24, -0.5, 0.26);
/** The middle of the skull in head space. */
const MIDDLE = new Vector3(0, 0.03, -0.032);

/** The sheet faces the camera, so that it has one depth, however the head is turned. */
const VERTEX = /* glsl */ `
  uniform vec4 reach;
  uniform vec3 middle;
  varying vec4 seen;
  void main() {
    vec4 centre = modelViewMatrix * vec4(middle, 1.0);
    float size = length(modelMatrix[0].xyz);
    centre.xy += mix(reach.xz, reach.yw, uv) * size;
    gl_Position = seen = projectionMatrix * centre;
  }
`;
const FRAGMENT = /* glsl */ `
  uniform sampler2D hair;
  varying vec4 seen;
  void main() {
    vec2 at = 0.5 + 0.5 * seen.xy / seen.w;
    // A little wider than the hair is seen, so that nothing shines through between hair and skin.
    vec2 beside = 1.0 / vec2(textureSize(hair, 0));
    float there = 0.0;
    for (int x = -1; x <= 1; x++)
      for (int y = -1; y <= 1; y++) there = max(there, texture2D(hair, at + beside * vec2(x, y)).r);
    if (there < 0.5) discard;
    gl_FragColor = vec4(0.0);
  }
`;

export class HairOccluder {
  readonly mesh = new Mesh(
    new PlaneGeometry(1, 1),
    new ShaderMaterial({
      vertexShader: VERTEX,
      fragmentShader: FRAGMENT,
      uniforms: { hair: texture(), reach: value(REACH), middle: value(MIDDLE) },
      colorWrite: false,
      blending: NoBlending,
      toneMapped: false,
    }),
  );

  constructor() {
    this.mesh.frustumCulled = false;
  }

  /** `hair` is white where hair is, and runs from the lower left; null hides nothing. */
  show(hair: Texture | null): void {
    this.mesh.visible = hair !== null;
    this.mesh.material.uniforms.hair!.value = hair;
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
