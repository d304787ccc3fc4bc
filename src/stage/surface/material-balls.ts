/** A material on balls under three lights, before stripes that show what it lets through. */
import {
  AmbientLight,
  DirectionalLight,
  Mesh,
  NeutralToneMapping,
  OrthographicCamera,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  ShaderMaterial,
  SRGBColorSpace,
  WebGLRenderer,
  type BufferGeometry,
  type ColorRepresentation,
  type Material as ThreeMaterial,
} from 'three';
import type { Effect, Material } from '../../core/document/schema';
import { rgbOf } from '../../core/maths/srgb';
import { FramebufferCopy } from '../effect/framebuffer-copy';
import { Blended } from '../effect/blended';
import { roomReflection } from '../effect/room-reflection';
import { solidGeometry } from '../effect/objects/solid-view';
import type { Stores } from '../effect/stores';
import { SurfaceMaterial } from './surface-material';
import { letGo } from '../let-go';

interface BallLight {
  readonly from: readonly [number, number, number];
  readonly colour: ColorRepresentation;
  readonly strength: number;
  readonly around: number;
  readonly room: number;
  /** Of the stripes behind. */
  readonly behind: readonly [string, string];
}
/** By a window, under the sun, at night beside a lamp. */
export const BALL_LIGHTS: readonly BallLight[] = [
  {
    from: [-0.7, 0.5, 0.6],
    colour: '#f4f8ff',
    strength: 1.3,
    around: 0.5,
    room: 0.8,
    behind: ['#d9d5cd', '#c4bfb5'],
  },
  {
    from: [0.3, 1, 0.35],
    colour: '#fff3dc',
    strength: 2.6,
    around: 0.25,
    room: 0.5,
    behind: ['#b9c6cc', '#9fb0b8'],
  },
  {
    from: [0.8, -0.1, 0.4],
    colour: '#ffb469',
    strength: 1.7,
    around: 0.06,
    room: 0.12,
    behind: ['#2c3137', '#23282d'],
  },
];

const STRIPES = /* glsl */ `
  varying vec2 vUv;
  uniform vec3 light;
  uniform vec3 dark;
  void main() { gl_FragColor = vec4(mix(light, dark, step(0.5, fract((vUv.x + vUv.y) * 6.0))), 1.0); }`;

export class MaterialBalls {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(24, 1, 0.1, 10);
  private readonly sun = new DirectionalLight();
  private readonly around = new AmbientLight();
  private readonly beneath = new FramebufferCopy();
  private readonly blended = new Blended(this.beneath);
  private readonly ball: Mesh<BufferGeometry, ThreeMaterial>;
  private readonly surface: SurfaceMaterial;
  private readonly back = new Scene();
  private readonly stripes: ShaderMaterial;

  /** `canvas` holds the balls side by side. */
  constructor(
    readonly canvas: HTMLCanvasElement,
    stores: Stores,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
    this.renderer.outputColorSpace = SRGBColorSpace;
    this.renderer.toneMapping = NeutralToneMapping;
    this.renderer.autoClear = false;
    stores.faults.watch(this.renderer);
    this.surface = new SurfaceMaterial({ stores, beneath: this.beneath, camera: null }, this.blended);
    this.ball = new Mesh(solidGeometry({ shape: 'sphere', extent: [1, 1, 1] }));
    this.ball.rotation.y = -0.9;
    this.blended.watch(this.ball);
    this.scene.add(this.ball, this.sun, this.around);
    this.camera.position.z = 2.75;
    this.scene.environment = roomReflection();
    this.stripes = new ShaderMaterial({
      vertexShader: 'varying vec2 vUv; void main() { vUv = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: STRIPES,
      uniforms: { light: { value: [1, 1, 1] }, dark: { value: [1, 1, 1] } },
      depthTest: false,
      depthWrite: false,
      toneMapped: false,
    });
    const quad = new Mesh(new PlaneGeometry(2, 2), this.stripes);
    quad.frustumCulled = false;
    this.back.add(quad);
  }

  /** Draws the material under each of the lights, `size` pixels a ball. */
  draw(effect: Effect, material: Material, size: number, lights: readonly BallLight[] = BALL_LIGHTS): void {
    const { renderer, scene } = this;
    renderer.setPixelRatio(1);
    renderer.setSize(size * lights.length, size, false);
    renderer.setScissorTest(true);
    lights.forEach((light, i) => {
      renderer.setViewport(i * size, 0, size, size);
      renderer.setScissor(i * size, 0, size, size);
      renderer.clear();
      this.stripes.uniforms.light!.value = rgbOf(light.behind[0]);
      this.stripes.uniforms.dark!.value = rgbOf(light.behind[1]);
      renderer.render(this.back, new OrthographicCamera());
      this.sun.position.set(...light.from);
      this.sun.color.set(light.colour);
      this.sun.intensity = light.strength;
      this.around.intensity = light.around;
      scene.environmentIntensity = light.room;
      this.ball.material = this.surface.update({
        material,
        effect,
        face: null,
        time: 0.6,
        opacity: 1,
        depthTest: true,
        depthWrite: true,
        blend: 'normal',
      });
      renderer.render(scene, this.camera);
    });
    renderer.setScissorTest(false);
  }

  dispose(): void {
    this.surface.dispose();
    this.ball.geometry.dispose();
    this.stripes.dispose();
    this.beneath.dispose();
    letGo(this.renderer);
    this.renderer.forceContextLoss();
  }
}
