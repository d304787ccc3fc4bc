/** The looks of all faces: which layers lie on which face now, and what they are made of. */
import type { PerspectiveCamera, Scene, WebGLRenderer } from 'three';
import type { Effect, Layer, ObjectId } from '../../core/document/schema';
import { fromPose } from '../../core/maths/matrix';
import type { Place } from '../../core/placing/places';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds } from '../../core/units';
import type { CameraParts } from '../backdrop/camera-parts';
import { pictureOf, WHOLE } from '../effect/asset-picture';
import type { Beneath } from '../effect/beneath';
import type { Stores } from '../effect/stores';
import { FaceLook } from './face-look';
import type { LayerMask, LayerNow } from './look-flattener';
import { RegionTextures } from './region-textures';

/** The flattened layout has about as many pixels as the face can show on a canvas of this height. */
const densityFor = (height: number): number =>
  Math.min(2048, Math.max(256, 2 ** Math.round(Math.log2(height * 0.9))));

export class FaceLooks {
  private readonly regions = new RegionTextures();
  private readonly looks = new Map<number, FaceLook>();
  private wanted = new Map<number, { readonly face: TrackedFace; readonly layers: LayerNow[] }>();
  private light: LightEstimate | null = null;

  constructor(
    private readonly stores: Stores,
    private readonly beneath: Beneath,
    private readonly camera: CameraParts | null,
  ) {}

  /** A new frame: no face has a layer yet. */
  begin(): void {
    this.wanted = new Map();
  }

  /** A layer at one of its places. Layers come from the topmost to the lowest. False when there is nothing to draw. */
  add(layer: Layer, effect: Effect, { face, opacity }: Place, time: Seconds): boolean {
    if (!face || opacity === 0) return false;
    const mask = this.maskOf(layer, effect);
    const masking = layer.maskedBy ? effect.objects[layer.maskedBy as ObjectId] : undefined;
    const limit = masking?.kind === 'layer' ? this.maskOf(masking, effect) : null;
    if (!mask || (masking?.kind === 'layer' && !limit)) return false;
    const asset = layer.asset ? effect.assets[layer.asset] : undefined;
    const own = Math.max(0, time - layer.startDelay);
    const live = this.stores.painted.get(layer.id, 'picture');
    const picture = live
      ? { texture: live, rect: WHOLE }
      : layer.asset
        ? pictureOf(this.stores, asset, own, this.camera !== null)
        : null;
    if (layer.asset && !picture) return false;
    const wanted = this.wanted.get(face.id) ?? { face, layers: [] };
    this.wanted.set(face.id, wanted);
    wanted.layers.unshift({
      ...mask,
      opacity,
      picture,
      moment: asset?.kind === 'video' ? own : (picture?.texture.version ?? 0),
      limit,
    });
    return true;
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

  /** All layers are there: faces get their looks. */
  finish(scene: Scene, light: LightEstimate | null): void {
    for (const [id, look] of this.looks)
      if (!this.wanted.has(id)) {
        look.dispose();
        this.looks.delete(id);
      }
    for (const [id, { face, layers }] of this.wanted) {
      let look = this.looks.get(id);
      if (!look) {
        look = new FaceLook(this.regions, this.beneath);
        look.node.matrixAutoUpdate = false;
        this.looks.set(id, look);
        scene.add(look.node);
      }
      look.node.matrix.fromArray(fromPose(face.pose) as number[]);
      look.node.matrixWorldNeedsUpdate = true;
      look.show(face, layers);
    }
    const shines = [...this.wanted.values()].some(({ layers }) =>
      layers.some(({ layer }) => layer.finish !== 'painted'),
    );
    this.light = light ?? (shines && this.camera ? this.camera.lit().estimate : null);
  }

  /** Readies the looks while the canvas shows what they lie on. */
  prepare(renderer: WebGLRenderer, camera: PerspectiveCamera, height: number): void {
    if (this.wanted.size === 0) return;
    const givesWay = [...this.wanted.values()].some(({ layers }) =>
      layers.some(({ layer }) => layer.givesWay),
    );
    const scene = {
      renderer,
      camera,
      picture: this.camera?.get('whole', 0, null) ?? null,
      cover: givesWay ? (this.camera?.cover() ?? null) : null,
      light: this.light,
      density: densityFor(height),
    };
    for (const look of this.looks.values()) look.prepare(scene);
  }

  /** The look of a face; for tests and benches. */
  of(face: number): FaceLook | null {
    return this.looks.get(face) ?? null;
  }

  dispose(): void {
    for (const look of this.looks.values()) look.dispose();
    this.looks.clear();
    this.regions.dispose();
  }
}
