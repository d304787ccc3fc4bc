/** The look of one face: its layers flattened, drawn over its skin in one pass. */
import {
  BufferAttribute,
  FrontSide,
  Group,
  Mesh,
  ShaderMaterial,
  Vector2,
  Vector3,
  Vector4,
  type BufferGeometry,
  type PerspectiveCamera,
  type Texture,
  type WebGLRenderer,
} from 'three';
import { farToNear } from '../../core/face/far-to-near';
import { TRIANGLES } from '../../core/face/neutral';
import { toLocal } from '../../core/maths/pose';
import { linearOf, rgbOf } from '../../core/maths/srgb';
import type { Vec3 } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Beneath } from '../effect/beneath';
import { modeNumber } from '../effect/blend-shader';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { texture, value } from '../passes';
import { LookFlattener, type FlatStep, type LayerNow } from './look-flattener';
import { LOOK_FRAGMENT, LOOK_VERTEX } from './look-shader';
import { MeanSkin } from './mean-skin';
import type { RegionTextures } from './region-textures';

/** Steps of one pass; longer looks take another. */
const MOST_STEPS = 24;

/** What a face is drawn in. */
export interface LookScene {
  readonly renderer: WebGLRenderer;
  readonly camera: PerspectiveCamera;
  /** The camera picture; null where there is none (Space). */
  readonly picture: Texture | null;
  /** Where something is before the face; null when nobody knows. */
  readonly cover: Texture | null;
  readonly light: LightEstimate | null;
  /** Pixels along a side of the flattened layout. */
  readonly density: number;
}

/** Light from the front and above, for pictures whose light nobody knows. */
const PLAIN_LIGHT: LightEstimate = { direction: [0.3, 0.6, 0.74], colour: '#ffffff', brightness: 0.7 };

const createPass = () =>
  new ShaderMaterial({
    vertexShader: LOOK_VERTEX,
    fragmentShader: LOOK_FRAGMENT,
    uniforms: {
      beneath: texture(),
      bufferSize: value(new Vector2(1, 1)),
      factors: texture(),
      pluses: texture(),
      glosses: texture(),
      sparkles: texture(),
      meanSkin: texture(),
      cover: texture(),
      covered: value(false),
      bounds: value<Vector4[]>([]),
      toTile: value<Vector4[]>([]),
      modes: value<number[]>([]),
      gives: value<boolean[]>([]),
      lightDirection: value(new Vector3()),
      lightColour: value(new Vector3()),
    },
    side: FrontSide,
    depthWrite: false,
    toneMapped: false,
  });

export class FaceLook {
  readonly node = new Group();
  readonly flattener: LookFlattener;
  private readonly geometry: BufferGeometry = faceGeometry();
  private readonly order = new Uint16Array(TRIANGLES.length);
  private readonly passes: Mesh<BufferGeometry, ShaderMaterial>[] = [];
  private readonly mean = new MeanSkin();
  private face: TrackedFace | null = null;
  private layers: readonly LayerNow[] = [];

  constructor(
    regions: RegionTextures,
    private readonly beneath: Beneath,
  ) {
    this.flattener = new LookFlattener(regions);
    this.geometry.setIndex(new BufferAttribute(this.order, 1));
  }

  /** `layers` run from the lowest to the topmost. */
  show(face: TrackedFace, layers: readonly LayerNow[]): void {
    [this.face, this.layers] = [face, layers];
    fitFace(this.geometry, face);
  }

  /** Flattens what has changed and brings the passes to this frame. */
  prepare(scene: LookScene): void {
    const { face, layers } = this;
    if (!face) return;
    const { renderer, camera, picture, cover, light } = scene;
    this.flattener.update(renderer, layers, scene.density);
    if (picture) this.mean.measure(renderer, picture, face, camera);
    const eye = toLocal(face.pose, camera.position.toArray() as unknown as Vec3);
    farToNear(TRIANGLES, face.landmarks, eye, this.order);
    this.geometry.index!.needsUpdate = true;
    const { steps } = this.flattener;
    const count = Math.ceil(steps.length / MOST_STEPS);
    while (this.passes.length < count) this.addPass();
    const { direction, colour, brightness } = light ?? PLAIN_LIGHT;
    this.passes.forEach((pass, i) => {
      pass.visible = i < count;
      if (i >= count) return;
      const u = pass.material.uniforms;
      this.setSteps(pass.material, steps.slice(i * MOST_STEPS, (i + 1) * MOST_STEPS));
      u.meanSkin!.value = picture ? this.mean.texture : null;
      u.cover!.value = cover;
      u.covered!.value = cover !== null;
      (u.lightDirection!.value as Vector3).set(...direction);
      (u.lightColour!.value as Vector3).set(...linearOf(rgbOf(colour))).multiplyScalar(0.4 + brightness);
    });
  }

  private addPass(): void {
    const pass = new Mesh(this.geometry, createPass());
    pass.frustumCulled = false;
    // It lies in the skin: half a millimetre before it, so that a head occluder does not flicker through.
    pass.position.z = 0.0005;
    // Before everything but occluders.
    pass.renderOrder = -0.5 + 0.001 * this.passes.length;
    pass.onBeforeRender = (renderer) => this.beneath.copyFor(renderer, pass.material);
    this.passes.push(pass);
    this.node.add(pass);
  }

  private setSteps(material: ShaderMaterial, steps: readonly FlatStep[]): void {
    const { finished } = this.flattener;
    const u = material.uniforms;
    if (material.defines.STEPS !== steps.length || 'FINISHED' in material.defines !== finished) {
      material.defines = { STEPS: steps.length, ...(finished ? { FINISHED: '' } : {}) };
      material.needsUpdate = true;
    }
    u.bounds!.value = steps.map((s) => new Vector4(...s.bounds));
    u.toTile!.value = steps.map((s) => new Vector4(...s.toTile));
    u.modes!.value = steps.map((s) => (s.mode === 'affine' ? -1 : modeNumber(s.mode)));
    u.gives!.value = steps.map((s) => s.givesWay);
    u.factors!.value = this.flattener.map('factor');
    u.pluses!.value = this.flattener.map('plus');
    u.glosses!.value = this.flattener.map('gloss');
    u.sparkles!.value = this.flattener.map('sparkle');
  }

  dispose(): void {
    this.node.removeFromParent();
    this.geometry.dispose();
    for (const { material } of this.passes) material.dispose();
    this.flattener.dispose();
    this.mean.dispose();
  }
}
