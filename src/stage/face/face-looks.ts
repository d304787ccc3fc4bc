/** What all faces wear now: which objects lie on which face, and what they are made of. */
import {
  BufferAttribute,
  BufferGeometry,
  Mesh,
  MeshBasicMaterial,
  type PerspectiveCamera,
  type Scene,
  type WebGLRenderer,
} from 'three';
import type { Media } from '../../core/kinds/values';
import type { Effect, EffectObject, Layer } from '../../core/document/schema';
import { faceLightsOf, type FaceLights, type LightPlace } from '../../core/light/face-lights';
import type { Irradiance } from '../../core/light/irradiance';
import { fromPose } from '../../core/maths/matrix';
import type { Place } from '../../core/placing/places';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds } from '../../core/units';
import type { CameraParts } from '../backdrop/camera-parts';
import { pictureOf, WHOLE } from '../effect/asset-picture';
import type { ViewTools } from '../effect/objects/object-view';
import type { Stores } from '../effect/stores';
import { aroundOf, type FaceLight } from './face-lit';
import type { FaceLook } from './face-look';
import type { LayerMask } from './limit-shader';
import { RegionTextures } from './region-textures';
import { WornFace, type Wearing } from './worn-face';

/** The flattened layout has about as many pixels as the face can show on a canvas of this height. */
const densityFor = (height: number): number =>
  Math.min(2048, Math.max(256, 2 ** Math.round(Math.log2(height * 0.9))));

/** What behaviour plays counts from its own beginning. */
const startDelayOf = (object: EffectObject): Seconds => ('startDelay' in object ? object.startDelay : 0);

const wearingNothing = (face: TrackedFace): Wearing => ({
  face,
  layers: [],
  irises: [],
  lashes: [],
  hair: [],
  retouch: [],
  shapes: [],
  relief: 0,
});

/** Farther than hair lies from the skin, metres. */
const DRAWN_OUT = 0.008;
const isDrawnOut = ({ landmarks, unmorphed }: TrackedFace): boolean =>
  unmorphed !== undefined && landmarks.some((x, i) => Math.abs(x - unmorphed[i]!) > DRAWN_OUT);
/** Dyed hair has to be found; a drawn-out face comes before hair that lies behind it. */
const asksForHair = ({ hair, face }: Wearing): boolean => hair.length > 0 || isDrawnOut(face);

export class FaceLooks {
  private readonly regions = new RegionTextures();
  private readonly faces = new Map<number, WornFace>();
  private wanted = new Map<number, Wearing>();
  private light: LightEstimate | null = null;
  private lit: Omit<FaceLight, 'camera'> | null = null;
  /** Something on a face gives way to what is before it. */
  private givesWay = false;
  /** Draws nothing; stands where all that faces wear is drawn, and nothing before them yet. */
  private readonly dressed = new Mesh(new BufferGeometry(), new MeshBasicMaterial());

  private readonly stores: Stores;
  private readonly camera: CameraParts | null;

  constructor(private readonly tools: ViewTools) {
    this.stores = tools.stores;
    this.camera = tools.camera;
    this.dressed.geometry.setAttribute('position', new BufferAttribute(new Float32Array(9), 3));
    this.dressed.frustumCulled = false;
    this.dressed.renderOrder = -0.2;
    this.dressed.material.colorWrite = this.dressed.material.depthWrite = false;
    this.dressed.onBeforeRender = () => this.camera?.keepMade();
  }

  /** Whether lights of the effect reach faces now. */
  get isLit(): boolean {
    return this.lit !== null && this.wanted.size > 0;
  }

  /** A new frame: no face wears anything yet. */
  begin(): void {
    this.wanted = new Map();
  }

  /**
   * An object on a face at one of its places. Objects come from the topmost to the lowest. False when there is nothing to
   * draw.
   */
  add(
    object: EffectObject,
    effect: Effect,
    { face, opacity }: Place,
    time: Seconds,
    media: Media | null = null,
  ): boolean {
    if (!face || opacity === 0) return false;
    const wearing = this.wanted.get(face.id) ?? wearingNothing(face);
    const worn = this.put(wearing, object, effect, opacity, media ? media.at + startDelayOf(object) : time);
    if (worn) this.wanted.set(face.id, wearing);
    return worn;
  }

  private put(
    wearing: Wearing,
    object: EffectObject,
    effect: Effect,
    opacity: number,
    time: Seconds,
  ): boolean {
    switch (object.kind) {
      case 'layer':
        return this.putLayer(wearing, object, effect, opacity, time);
      case 'iris': {
        const asset = object.asset ? effect.assets[object.asset] : undefined;
        const picture = asset?.kind === 'picture' ? this.stores.textures.get(asset) : null;
        const limit = this.limitOf(object, effect);
        if ((object.asset && !picture) || limit === 'coming') return false;
        wearing.irises.unshift({ object, opacity, picture, limit });
        return true;
      }
      case 'lashes': {
        const limit = this.limitOf(object, effect);
        if (limit === 'coming') return false;
        wearing.lashes.unshift({ object, opacity, limit });
        return true;
      }
      case 'hair': {
        const asset = object.mask ? effect.assets[object.mask] : undefined;
        const mask = asset?.kind === 'picture' ? this.stores.textures.get(asset) : null;
        if (object.mask && !mask) return false;
        wearing.hair.unshift({ object, opacity, mask });
        return true;
      }
      case 'retouch':
        wearing.retouch.unshift({ object, opacity });
        return true;
      // The face has its shape already; it has to be drawn.
      case 'morph': {
        const material = object.material ? effect.materials[object.material] : undefined;
        wearing.relief = Math.max(wearing.relief, object.relief * opacity);
        const there = opacity * Math.min(1, Math.max(0, object.amount));
        if (material && there > 0)
          wearing.shapes.unshift({ object, opacity: there, skin: { material, effect, time } });
        return wearing.face.unmorphed !== undefined || material !== undefined;
      }
      default:
        return false;
    }
  }

  private putLayer(wearing: Wearing, layer: Layer, effect: Effect, opacity: number, time: Seconds): boolean {
    const mask = this.maskOf(layer, effect);
    const limit = this.limitOf(layer, effect);
    if (!mask || limit === 'coming') return false;
    const asset = layer.asset ? effect.assets[layer.asset] : undefined;
    const own = Math.max(0, time - layer.startDelay);
    const live = this.stores.painted.get(layer.id, 'picture');
    const picture = live
      ? { texture: live, rect: WHOLE }
      : layer.asset
        ? pictureOf(this.stores, asset, own, this.camera !== null)
        : null;
    if (layer.asset && !picture) return false;
    const material = layer.material ? effect.materials[layer.material] : undefined;
    wearing.layers.unshift({
      ...mask,
      opacity,
      picture,
      skin: material ? { material, effect, time } : null,
      moment: asset?.kind === 'video' ? own : (picture?.texture.version ?? 0),
      limit,
    });
    return true;
  }

  /** What limits an object; null where nothing does, `coming` while a painted mask is on its way. */
  private limitOf({ maskedBy }: Pick<Layer, 'maskedBy'>, effect: Effect): LayerMask | null | 'coming' {
    const masking = maskedBy ? effect.objects[maskedBy] : undefined;
    return masking?.kind === 'layer' ? (this.maskOf(masking, effect) ?? 'coming') : null;
  }

  /** The mask of a layer; null while a painted one is on its way, or when it is lost. */
  private maskOf(layer: Layer, effect: Effect): LayerMask | null {
    const live = this.stores.painted.get(layer.id, 'mask');
    if (live) return { layer, painted: live, version: live.version };
    if (!layer.mask) return { layer, painted: null, version: 0 };
    const asset = effect.assets[layer.mask];
    const painted = asset?.kind === 'picture' ? this.stores.textures.get(asset) : null;
    return painted && { layer, painted, version: painted.version };
  }

  /** All objects are there: faces get what they wear, and `lights` of the effect reach those that are seen. */
  finish(scene: Scene, light: LightEstimate | null, lights: readonly LightPlace[], effect: Effect): void {
    const reaching = faceLightsOf(lights);
    this.lit = reaching && { lights: reaching, around: this.aroundOf(reaching, effect) };
    if (reaching)
      for (const face of this.camera?.faces ?? [])
        if (!this.wanted.has(face.id)) this.wanted.set(face.id, wearingNothing(face));
    for (const [id, face] of this.faces)
      if (!this.wanted.has(id)) {
        face.dispose();
        this.faces.delete(id);
      }
    for (const [id, wearing] of this.wanted) {
      let worn = this.faces.get(id);
      if (!worn) {
        worn = new WornFace(this.regions, this.tools);
        this.faces.set(id, worn);
        scene.add(worn.node);
      }
      worn.node.matrix.fromArray(fromPose(wearing.face.pose) as number[]);
      worn.node.matrixWorldNeedsUpdate = true;
      worn.show(wearing);
    }
    const shines = [...this.wanted.values()].some(
      ({ face, layers, irises }) =>
        reaching !== null ||
        irises.length > 0 ||
        face.unmorphed !== undefined ||
        layers.some(({ layer }) => layer.finish !== 'painted'),
    );
    this.givesWay = [...this.wanted.values()].some(
      ({ face, layers, irises, lashes, retouch }) =>
        reaching !== null ||
        irises.length + lashes.length + retouch.length > 0 ||
        face.unmorphed !== undefined ||
        layers.some(({ layer }) => layer.givesWay),
    );
    if (this.givesWay && this.camera?.has) this.camera.look();
    if (this.camera?.has && [...this.wanted.values()].some(asksForHair)) this.camera.lookForHair();
    if (this.dressed.parent !== scene) scene.add(this.dressed);
    this.dressed.visible = this.wanted.size > 0 && this.camera?.wantsMade === true;
    this.light = light ?? (shines && this.camera ? this.camera.lit().estimate : null);
  }

  /** Readies the faces while the canvas shows what they lie on; retouch and dyed hair are drawn at once. */
  prepare(renderer: WebGLRenderer, camera: PerspectiveCamera, height: number): void {
    if (this.wanted.size === 0) return;
    const all = [...this.wanted.values()];
    const parts = this.camera;
    for (const face of this.faces.values())
      face.prepare({
        renderer,
        camera,
        copy: parts?.has ? () => parts.copy() : null,
        cover: this.givesWay ? (parts?.cover() ?? null) : null,
        hair: all.some(asksForHair) ? (parts?.hair() ?? null) : null,
        faces: parts?.faces ?? [],
        light: this.light,
        lit: this.lit,
        density: densityFor(height),
      });
  }

  /** Null while the picture of the surroundings is on its way. */
  private aroundOf({ surroundings }: FaceLights, effect: Effect): Irradiance | null {
    if (!surroundings) return null;
    if (surroundings.asset === null) return aroundOf(null);
    const asset = effect.assets[surroundings.asset];
    const picture = asset?.kind === 'surroundings' ? this.stores.surroundings.get(asset) : null;
    return picture && aroundOf(picture);
  }

  /** The look of a face; for tests and benches. */
  of(face: number): FaceLook | null {
    return this.faces.get(face)?.look ?? null;
  }

  dispose(): void {
    for (const face of this.faces.values()) face.dispose();
    this.faces.clear();
    this.dressed.removeFromParent();
    this.dressed.geometry.dispose();
    this.dressed.material.dispose();
    this.regions.dispose();
  }
}
