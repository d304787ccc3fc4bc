/** Everything one face wears, in the order in which it is drawn: its reshaped form, retouch, dyed hair, irises, layers, lashes. */
import { Group, type PerspectiveCamera, type Texture, type WebGLRenderer } from 'three';
import type { Hair, Iris, Lashes, ObjectId, Retouch } from '../../core/document/schema';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import { FaceLook } from './face-look';
import { HairDye } from './hair-dye';
import { IrisView, type EyeScene } from './iris-view';
import { LashView } from './lash-view';
import type { LayerMask } from './limit-shader';
import { beyondLips, type LayerNow } from './look-flattener';
import { LIP_POINTS, MeanColour, SKIN_POINTS } from './mean-colour';
import { MorphView } from './morph-view';
import type { RegionTextures } from './region-textures';
import { RetouchView } from './retouch-view';

/** An object on the face, with its opacity now. */
export interface Worn<O> {
  readonly object: O;
  readonly opacity: Unit;
}

/** Something that a layer may limit. */
export interface WornWithin<O> extends Worn<O> {
  readonly limit: LayerMask | null;
}

/** What a face wears now; lists run from the lowest to the topmost. */
export interface Wearing {
  readonly face: TrackedFace;
  readonly layers: LayerNow[];
  readonly irises: (WornWithin<Iris> & { readonly picture: Texture | null })[];
  readonly lashes: WornWithin<Lashes>[];
  readonly hair: Worn<Hair>[];
  readonly retouch: Worn<Retouch>[];
}

export interface FaceScene {
  readonly renderer: WebGLRenderer;
  readonly camera: PerspectiveCamera;
  /** Copies what stands on the canvas; null where there is no camera picture (Space). */
  readonly copy: (() => Texture) | null;
  readonly cover: Texture | null;
  readonly hair: Texture | null;
  /** All faces that are seen, worn or not. */
  readonly faces: readonly TrackedFace[];
  readonly light: LightEstimate | null;
  /** Pixels along a side of the flattened layout. */
  readonly density: number;
}

export class WornFace {
  readonly node = new Group();
  readonly look: FaceLook;
  private readonly mean = new MeanColour(SKIN_POINTS);
  private lips: MeanColour | null = null;
  private morph: MorphView | null = null;
  private retouch: RetouchView | null = null;
  private dye: HairDye | null = null;
  private readonly irises = new Map<ObjectId, IrisView>();
  private readonly lashes = new Map<ObjectId, LashView>();
  private wearing: Wearing | null = null;

  constructor(
    private readonly regions: RegionTextures,
    private readonly beneath: FramebufferCopy,
  ) {
    this.look = new FaceLook(regions, beneath);
    this.node.add(this.look.node);
    this.node.matrixAutoUpdate = false;
  }

  show(wearing: Wearing): void {
    this.wearing = wearing;
  }

  /** Draws what lies beneath everything else, and readies the rest for the scene. */
  prepare(scene: FaceScene): void {
    const { wearing, mean } = this;
    if (!wearing) return;
    const { face, layers, hair, retouch } = wearing;
    const { renderer, camera, copy, cover } = scene;
    if (face.unmorphed && copy) {
      this.morph ??= new MorphView();
      this.morph.draw({ renderer, camera, picture: copy(), cover }, face);
    }
    // What is as painted needs neither the light nor the skin beneath.
    const looks =
      retouch.length + hair.length + wearing.irises.length > 0 ||
      layers.some((l) => l.layer.finish !== 'painted' || l.layer.region === 'teeth' || beyondLips(l));
    let picture = copy && looks ? copy() : null;
    if (picture) mean.measure(renderer, picture, face, camera);
    const meanSkin = picture ? mean.texture : null;
    let meanLips: Texture | null = null;
    if (picture && layers.some(beyondLips)) {
      this.lips ??= new MeanColour(LIP_POINTS);
      this.lips.measure(renderer, picture, face, camera);
      meanLips = this.lips.texture;
    }
    for (const { object, opacity } of retouch) {
      if (!picture || !copy || !meanSkin) break;
      this.retouch ??= new RetouchView(this.regions);
      this.retouch.draw({ renderer, camera, picture, cover, meanSkin }, face, object, opacity);
      picture = copy();
    }
    for (const { object, opacity } of hair) {
      if (!picture || !copy || !scene.hair) break;
      this.dye ??= new HairDye();
      this.dye.draw(
        { renderer, camera, picture, hair: scene.hair, faces: scene.faces },
        face,
        object,
        opacity,
      );
      picture = copy();
    }
    this.eyes(wearing, { camera, meanSkin, cover, light: scene.light, regions: this.regions });
    this.look.prepare({ ...scene, face, layers, meanSkin, meanLips });
  }

  private eyes({ face, irises, lashes }: Wearing, scene: EyeScene): void {
    const keep = <V extends { dispose(): void }>(
      views: Map<ObjectId, V>,
      worn: readonly Worn<{ id: ObjectId }>[],
    ) => {
      for (const [id, view] of views)
        if (!worn.some((w) => w.object.id === id)) {
          view.dispose();
          views.delete(id);
        }
    };
    keep(this.irises, irises);
    keep(this.lashes, lashes);
    for (const { object, opacity, picture, limit } of irises) {
      let view = this.irises.get(object.id);
      if (!view) {
        view = new IrisView(this.beneath);
        this.irises.set(object.id, view);
        this.node.add(view.mesh);
      }
      view.update(face, object, opacity, picture, limit, scene);
    }
    for (const { object, opacity, limit } of lashes) {
      let view = this.lashes.get(object.id);
      if (!view) {
        view = new LashView(this.beneath);
        this.lashes.set(object.id, view);
        this.node.add(view.node);
      }
      view.update(face, object, opacity, limit, scene);
    }
  }

  dispose(): void {
    this.node.removeFromParent();
    this.look.dispose();
    this.mean.dispose();
    this.lips?.dispose();
    this.morph?.dispose();
    this.retouch?.dispose();
    this.dye?.dispose();
    for (const view of [...this.irises.values(), ...this.lashes.values()]) view.dispose();
  }
}
