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
import { OPEN_TRIANGLES, OPENING_TRIANGLES } from '../../core/face/neutral';
import { pigmentHue } from '../../core/light/pigment-hue';
import { toLocal } from '../../core/maths/pose';
import { linearOf, rgbOf } from '../../core/maths/srgb';
import type { Vec3 } from '../../core/maths/vec3';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import { modeNumber } from '../effect/blend-shader';
import { faceGeometry, fitFace } from '../effect/objects/face-geometry';
import { texture, value } from '../passes';
import { faceLitUniforms, PLAIN_LIGHT, setFaceLit, type FaceLight } from './face-lit';
import { LookFlattener, type FlatStep, type LayerNow } from './look-flattener';
import { LOOK_FRAGMENT, LOOK_VERTEX } from './look-shader';
import type { RegionTextures } from './region-textures';

/** Steps of one pass; longer looks take another. */
const MOST_STEPS = 24;

/** What a face is drawn in. */
export interface LookScene {
  readonly face: TrackedFace;
  /** From the lowest to the topmost. */
  readonly layers: readonly LayerNow[];
  readonly renderer: WebGLRenderer;
  readonly camera: PerspectiveCamera;
  /** The mean colour of its skin; null where there is no camera picture (Space). */
  readonly meanSkin: Texture | null;
  /** The mean colour of its lips; null where it is not needed, or not known. */
  readonly meanLips: Texture | null;
  /** Where something is before the face; null when nobody knows. */
  readonly cover: Texture | null;
  readonly light: LightEstimate | null;
  /** Lights of the effect that reach it. */
  readonly lit: Omit<FaceLight, 'camera'> | null;
  /** Pixels along a side of the flattened layout. */
  readonly density: number;
}

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
      teeth: value<boolean[]>([]),
      beyond: value<boolean[]>([]),
      lips: texture(),
      meanLips: texture(),
      knowsLips: value(false),
      lightDirection: value(new Vector3()),
      lightColour: value(new Vector3()),
      lightHue: value(new Vector3()),
      ...faceLitUniforms(),
    },
    side: FrontSide,
    depthWrite: false,
    toneMapped: false,
  });

/** The skin of a face, or what fills its eyes and its mouth: triangles with the maps that lie on them. */
class LookPart {
  readonly flattener: LookFlattener;
  private readonly geometry: BufferGeometry;
  private readonly order: Uint16Array;
  private readonly passes: Mesh<BufferGeometry, ShaderMaterial>[] = [];

  constructor(
    private readonly regions: RegionTextures,
    private readonly beneath: FramebufferCopy,
    private readonly node: Group,
    private readonly triangles: readonly number[],
    inOpenings: boolean,
    /** Where in the order of drawing. */
    private readonly first: number,
  ) {
    this.flattener = new LookFlattener(regions, inOpenings);
    this.geometry = faceGeometry();
    this.order = new Uint16Array(triangles.length);
    this.geometry.setIndex(new BufferAttribute(this.order, 1));
  }

  prepare(scene: LookScene): void {
    const { face, layers, renderer, camera, cover, light, lit, meanSkin, meanLips } = scene;
    this.flattener.update(renderer, layers, scene.density);
    const { steps } = this.flattener;
    const count = Math.ceil(steps.length / MOST_STEPS);
    while (this.passes.length < count) this.addPass();
    this.passes.forEach((pass, i) => (pass.visible = i < count));
    if (count === 0) return;
    fitFace(this.geometry, face);
    const eye = toLocal(face.pose, camera.position.toArray() as unknown as Vec3);
    farToNear(this.triangles, face.landmarks, eye, this.order);
    this.geometry.index!.needsUpdate = true;
    const { direction, colour, brightness } = light ?? PLAIN_LIGHT;
    const hue = pigmentHue(colour);
    for (const [i, pass] of this.passes.slice(0, count).entries()) {
      const u = pass.material.uniforms;
      this.setSteps(pass.material, steps.slice(i * MOST_STEPS, (i + 1) * MOST_STEPS), lit !== null);
      u.meanSkin!.value = meanSkin;
      u.meanLips!.value = meanLips;
      u.knowsLips!.value = meanLips !== null && meanSkin !== null;
      u.lips!.value = this.regions.get('lips', 1).texture;
      u.cover!.value = cover;
      u.covered!.value = cover !== null;
      (u.lightDirection!.value as Vector3).set(...direction);
      (u.lightColour!.value as Vector3)
        .set(...linearOf(rgbOf(colour)))
        .multiplyScalar((0.4 + brightness) * (lit?.lights.camera ?? 1));
      (u.lightHue!.value as Vector3).set(...hue);
      setFaceLit(u, light ?? PLAIN_LIGHT, lit);
    }
  }

  private addPass(): void {
    const pass = new Mesh(this.geometry, createPass());
    pass.frustumCulled = false;
    // It lies in the skin: half a millimetre before it, so that a head occluder does not flicker through.
    pass.position.z = 0.0005;
    pass.renderOrder = this.first + 0.001 * this.passes.length;
    pass.onBeforeRender = (renderer) => this.beneath.copyFor(renderer, pass.material);
    this.passes.push(pass);
    this.node.add(pass);
  }

  private setSteps(material: ShaderMaterial, steps: readonly FlatStep[], lit: boolean): void {
    const { finished } = this.flattener;
    const u = material.uniforms;
    const { defines } = material;
    if (
      defines.STEPS !== steps.length ||
      'FINISHED' in defines !== finished ||
      'LAMPS' in defines !== (lit && finished)
    ) {
      material.defines = {
        STEPS: steps.length,
        ...(finished ? { FINISHED: '' } : {}),
        ...(lit && finished ? { LAMPS: '' } : {}),
      };
      material.needsUpdate = true;
    }
    u.bounds!.value = steps.map((s) => new Vector4(...s.bounds));
    u.toTile!.value = steps.map((s) => new Vector4(...s.toTile));
    u.modes!.value = steps.map((s) => (s.mode === 'affine' ? -1 : modeNumber(s.mode)));
    u.gives!.value = steps.map((s) => s.givesWay);
    u.teeth!.value = steps.map((s) => s.onTeeth);
    u.beyond!.value = steps.map((s) => s.beyondLips);
    u.factors!.value = this.flattener.map('factor');
    u.pluses!.value = this.flattener.map('plus');
    u.glosses!.value = this.flattener.map('gloss');
    u.sparkles!.value = this.flattener.map('sparkle');
  }

  dispose(): void {
    this.geometry.dispose();
    for (const { material } of this.passes) material.dispose();
    this.flattener.dispose();
  }
}

/** More runs than that are drawn as if they were one. */
const MOST_RUNS = 9;
/** Where in the order of drawing the skin of a face's run of layers is; irises and lashes come after all of them. */
export const orderOfRun = (run: number): number => -0.5 + 0.01 * Math.min(MOST_RUNS, run);

export class FaceLook {
  readonly node = new Group();
  private readonly skin: LookPart;
  private readonly openings: LookPart;

  /** `run`: which of a face's looks it is, where things of a material lie between them. */
  constructor(regions: RegionTextures, beneath: FramebufferCopy, run = 0) {
    // Before everything but occluders. Eyes come before the skin: the nose of a turned face covers the far one.
    this.openings = new LookPart(regions, beneath, this.node, OPENING_TRIANGLES, true, orderOfRun(run) - 0.1);
    this.skin = new LookPart(regions, beneath, this.node, OPEN_TRIANGLES, false, orderOfRun(run));
  }

  /** What lies on the skin; for tests and benches. */
  get flattener(): LookFlattener {
    return this.skin.flattener;
  }

  /** Flattens what has changed and brings the passes to this frame. */
  prepare(scene: LookScene): void {
    for (const part of [this.openings, this.skin]) part.prepare(scene);
  }

  dispose(): void {
    this.node.removeFromParent();
    this.skin.dispose();
    this.openings.dispose();
  }
}
