/** Everything one face wears, in the order in which it is drawn: its reshaped form, retouch, dyed hair, irises, layers, lashes. */
import { Group, type PerspectiveCamera, type Texture, type WebGLRenderer } from 'three';
import type { Hair, Iris, Lashes, Morph, ObjectId, Retouch } from '../../core/document/schema';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Unit } from '../../core/units';
import type { FramebufferCopy } from '../effect/framebuffer-copy';
import type { Vec3 } from '../../core/maths/vec3';
import type { ViewTools } from '../effect/objects/object-view';
import { LitHead, PLAIN_LIGHT, type FaceLight } from './face-lit';
import { FaceLook, orderOfRun, type LookScene } from './face-look';
import { HairDye } from './hair-dye';
import { IrisView, type EyeScene } from './iris-view';
import { LashView } from './lash-view';
import type { LayerMask } from './limit-shader';
import { beyondLips, type LayerNow, type SkinOf } from './look-flattener';
import { LIP_POINTS, MeanColour, SKIN_POINTS } from './mean-colour';
import { MorphView } from './morph-view';
import type { RegionTextures } from './region-textures';
import { RetouchView } from './retouch-view';
import { SkinSurface, type SkinNow } from './skin-surface';

/** An object on the face, with its opacity now. */
export interface Worn<O> {
  readonly object: O;
  readonly opacity: Unit;
}

/** Something that a layer may limit. */
export interface WornWithin<O> extends Worn<O> {
  readonly limit: LayerMask | null;
}

/** A morph that is made of a material. */
export interface MorphNow extends Worn<Morph> {
  readonly skin: SkinOf;
}

/** What a face wears now; lists run from the lowest to the topmost. */
export interface Wearing {
  readonly face: TrackedFace;
  readonly layers: LayerNow[];
  readonly irises: (WornWithin<Iris> & { readonly picture: Texture | null })[];
  readonly lashes: WornWithin<Lashes>[];
  readonly hair: (Worn<Hair> & { readonly mask: Texture | null })[];
  readonly retouch: Worn<Retouch>[];
  readonly shapes: MorphNow[];
  /** How much of the light and shade of a new shape is seen. */
  relief: Unit;
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
  /** Lights of the effect that reach faces. */
  readonly lit: Omit<FaceLight, 'camera'> | null;
  /** Pixels along a side of the flattened layout. */
  readonly density: number;
}

export class WornFace {
  readonly node = new Group();
  /** Layers between those that are made of a material; the first lies lowest. */
  private readonly looks: FaceLook[] = [];
  private readonly skins: SkinSurface[] = [];
  private lit: LitHead | null = null;
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
    private readonly tools: ViewTools,
  ) {
    this.lookAt(0);
    this.node.matrixAutoUpdate = false;
  }

  private get beneath(): FramebufferCopy {
    return this.tools.beneath;
  }

  /** The lowest of its looks; for tests and benches. */
  get look(): FaceLook {
    return this.looks[0]!;
  }

  private lookAt(run: number): FaceLook {
    while (this.looks.length <= run) {
      const look = new FaceLook(this.regions, this.beneath, this.looks.length);
      this.looks.push(look);
      this.node.add(look.node);
    }
    return this.looks[run]!;
  }

  show(wearing: Wearing): void {
    this.wearing = wearing;
  }

  /** Draws what lies beneath everything else, and readies the rest for the scene. */
  prepare(scene: FaceScene): void {
    const { wearing, mean } = this;
    if (!wearing) return;
    const { face, layers, hair, retouch } = wearing;
    const { renderer, camera, copy, cover, hair: hairMask } = scene;
    if (face.unmorphed && copy) {
      this.morph ??= new MorphView();
      this.morph.draw(
        {
          renderer,
          camera,
          picture: copy(),
          cover,
          hair: hairMask,
          light: scene.light,
          relief: wearing.relief,
        },
        face,
      );
    }
    // What is as painted needs neither the light nor the skin beneath.
    const looks =
      retouch.length + hair.length + wearing.irises.length > 0 ||
      layers.some(
        (l) => !l.skin && (l.layer.finish !== 'painted' || l.layer.region === 'teeth' || beyondLips(l)),
      );
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
    for (const { object, opacity, mask } of hair) {
      if (!picture || !copy || !scene.hair) break;
      this.dye ??= new HairDye();
      this.dye.draw(
        { renderer, camera, picture, hair: scene.hair, faces: scene.faces },
        face,
        object,
        opacity,
        mask,
      );
      picture = copy();
    }
    this.eyes(wearing, { camera, meanSkin, cover, light: scene.light, regions: this.regions });
    this.lay(wearing, { ...scene, face, meanSkin, meanLips });
  }

  /** Layers in their order: those of colour together as far as they go, with things of a material between them. */
  private lay(wearing: Wearing, scene: Omit<LookScene, 'layers'>): void {
    const { face, layers, shapes } = wearing;
    const runs: LayerNow[][] = [[]];
    const surfaces: { readonly now: SkinNow; readonly order: number }[] = [];
    const between = (now: SkinNow, run: number): void => {
      surfaces.push({ now, order: orderOfRun(run) - 0.003 + 0.0001 * surfaces.length });
    };
    for (const { object, opacity, skin } of shapes) between(this.ofMorph(object, opacity, skin), 0);
    for (const layer of layers) {
      if (!layer.skin) {
        runs.at(-1)!.push(layer);
        continue;
      }
      runs.push([]);
      between(this.ofLayer(layer, layer.skin), runs.length - 1);
    }
    while (this.skins.length < surfaces.length) {
      const skin = new SkinSurface(this.tools, this.regions);
      this.skins.push(skin);
      this.node.add(skin.mesh);
    }
    for (const skin of this.skins.splice(surfaces.length)) skin.dispose();
    const { cover, light, lit, camera } = scene;
    const eye = camera.position.toArray() as unknown as Vec3;
    surfaces.forEach(({ now, order }, i) => this.skins[i]!.update(face, now, { eye, cover }, order));
    runs.forEach((run, i) => this.lookAt(i).prepare({ ...scene, layers: run }));
    for (const look of this.looks.splice(Math.max(1, runs.length))) look.dispose();
    if (lit && !this.lit) {
      this.lit = new LitHead(this.beneath);
      this.node.add(this.lit.mesh);
    }
    if (!this.lit) return;
    this.lit.mesh.visible = lit !== null;
    // Over skin and paint; what is made of a material is lit as a thing.
    if (lit) this.lit.update(face, { ...lit, camera: light ?? PLAIN_LIGHT }, eye, orderOfRun(0) + 0.005);
  }

  private ofLayer({ layer, opacity, painted, limit, picture }: LayerNow, skin: SkinOf): SkinNow {
    return {
      ...skin,
      opacity,
      blend: layer.blend,
      region: this.regions.get(layer.region, layer.softness).texture,
      painted,
      limit,
      limitedOut: layer.maskedOut,
      givesWay: layer.givesWay,
      coversEyes: layer.coversEyes,
      coversMouth: layer.coversMouth,
      picture: picture && { texture: picture.texture, rect: picture.rect },
    };
  }

  private ofMorph(morph: Morph, opacity: Unit, skin: SkinOf): SkinNow {
    return {
      ...skin,
      opacity,
      blend: 'normal',
      region: this.regions.several(morph.regions, morph.fade).texture,
      painted: null,
      limit: null,
      limitedOut: false,
      givesWay: true,
      coversEyes: false,
      coversMouth: false,
      picture: null,
    };
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
    for (const look of this.looks) look.dispose();
    for (const skin of this.skins) skin.dispose();
    this.lit?.dispose();
    this.mean.dispose();
    this.lips?.dispose();
    this.morph?.dispose();
    this.retouch?.dispose();
    this.dye?.dispose();
    for (const view of [...this.irises.values(), ...this.lashes.values()]) view.dispose();
  }
}
