/** How the camera picture is lit, measured in the picture itself: for surfaces and lights that are to match it. */
import { Vector3, type PerspectiveCamera, type Texture, type WebGLRenderer } from 'three';
import { estimateOf, shadeOf, slopeOf, type CameraShade } from '../../core/light/camera-shade';
import { faceSamples, meanOf, type SmallPicture } from '../../core/light/face-samples';
import { SteadyLight, type FoundLight } from '../../core/light/steady-light';
import type { Vec3 } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds } from '../../core/units';
import { byteTarget, passMaterial, PassQuad, texture } from '../passes';

/** Small enough to be read back at once. */
const WIDTH = 72;
const HEIGHT = 128;

const SMALL = /* glsl */ `
  varying vec2 vUv;
  uniform sampler2D picture;
  void main() {
    vec2 pixel = 1.0 / vec2(${WIDTH}.0, ${HEIGHT}.0);
    vec4 sum = vec4(0.0);
    for (int y = 0; y < 2; y++) for (int x = 0; x < 2; x++)
      sum += texture2D(picture, vUv + (vec2(x, y) - 0.5) * 0.5 * pixel);
    gl_FragColor = sum / 4.0;
  }`;

/** What it is measured in. */
export interface LightScene {
  readonly renderer: WebGLRenderer;
  readonly picture: Texture;
  readonly face: TrackedFace | null;
  readonly camera: PerspectiveCamera;
  /** When the picture was taken; null where each picture stands for itself, as on takes that are scrubbed. */
  readonly time: Seconds | null;
}

const asVectors = ({ all, x, y, z }: CameraShade): Vector3[] =>
  [all, x, y, z].map((rgb) => new Vector3(...rgb));

export class CameraLight {
  /** For shaders: light from all around, then along x, y, z. */
  readonly uniform = { value: asVectors(shadeOf(slopeOf([]), [0.5, 0.5, 0.5])) };
  private readonly small = passMaterial(SMALL, { picture: texture() });
  private readonly quad = new PassQuad();
  private readonly target = byteTarget(WIDTH, HEIGHT);
  private readonly data = new Uint8Array(4 * WIDTH * HEIGHT);
  /** The last that was measured. */
  private found: FoundLight | null = null;
  private readonly steady = new SteadyLight();

  /** It is another picture from now on. */
  forget(): void {
    this.steady.forget();
  }

  /** Measures the light of a frame. */
  measure(scene: LightScene): void {
    const { renderer, picture, face, camera } = scene;
    this.small.uniforms.picture!.value = picture;
    this.quad.draw(renderer, this.small, this.target);
    renderer.readRenderTargetPixels(this.target, 0, 0, WIDTH, HEIGHT, this.data);
    const small: SmallPicture = { width: WIDTH, height: HEIGHT, data: this.data };
    camera.updateMatrixWorld();
    const point = new Vector3();
    const samples = face
      ? faceSamples(face, small, camera.position.toArray() as unknown as Vec3, (at) => {
          point.set(...at).project(camera);
          return Math.abs(point.x) < 1 && Math.abs(point.y) < 1
            ? [point.x * 0.5 + 0.5, point.y * 0.5 + 0.5]
            : null;
        })
      : [];
    const found = { slope: slopeOf(samples), mean: meanOf(small) };
    this.found = scene.time === null ? found : this.steady.next(found, scene.time);
    asVectors(shadeOf(this.found.slope, this.found.mean)).forEach((v, i) => this.uniform.value[i]!.copy(v));
  }

  /** What was measured, as one lamp; null before anything was. */
  get estimate(): LightEstimate | null {
    return this.found && estimateOf(this.found.slope, this.found.mean);
  }

  dispose(): void {
    this.small.dispose();
    this.quad.dispose();
    this.target.dispose();
  }
}
