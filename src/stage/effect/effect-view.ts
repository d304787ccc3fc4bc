/** The effect's objects as scenes: kept in step with the document, posed by where core says everything is. */
import {
  OrthographicCamera,
  Scene,
  Vector2,
  type Camera,
  type Object3D,
  type PerspectiveCamera,
  type WebGLRenderer,
} from 'three';
import type { Program } from '../../core/program/program';
import type { Values } from '../../core/kinds/values';
import type { Particles } from '../../core/fountain/particles';
import type { Effect, EffectObject, ObjectId, Target } from '../../core/document/schema';
import { materialIdsOf } from '../../core/document/material-queries';
import { isLit, isOnFace, kindOf } from '../../core/kinds/objects/objects';
import { SCREEN_HEIGHT, type Layering } from '../../core/placing/anchors';
import { partsNow, type ObjectPlaces, type PartNow, type Place } from '../../core/placing/places';
import type { LightEstimate, TrackedFace } from '../../core/tracking/track-frame';
import type { Seconds } from '../../core/units';
import type { CameraParts } from '../backdrop/camera-parts';
import { canBePicked, pickTopmost, type Picked } from './picking';
import { orderOf } from './drawing-order';
import { groundOf, joined } from './shadow-ground';
import { createView, type Abilities } from '../abilities/abilities';
import { given } from '../abilities/given';
import type { FaceLooks } from '../face/face-looks';
import { FramebufferCopy } from './framebuffer-copy';
import { EffectLight, type PlacedLight, type ShadowGround } from './effect-light';
import { PictureHint } from './picture-hint';
import type { GradeNow } from '../grade/grade-view';
import { flatGeometry } from './objects/flat';
import type { ObjectView, ViewTools } from './objects/object-view';
import type { SeenCutout, SeenCutouts } from './seen-cutouts';
import type { Stores } from './stores';

interface Entry {
  object: EffectObject;
  /** By the number of the place: on *every face* there are several. */
  readonly views: Map<number, ObjectView>;
}

const NO_PARTS: readonly PartNow[] = [];

/** What behaviour has made of the objects: the runtime. */
export interface Living {
  effectNow(): Effect;
  objectNow(i: number): EffectObject;
  values(i: number): Readonly<Values>;
  particlesOf(i: number): Particles | null;
}

export class EffectView {
  private readonly scenes: Record<Layering, Scene> = {
    backdrop: new Scene(),
    space: new Scene(),
    screen: new Scene(),
  };
  private readonly entries = new Map<ObjectId, Entry>();
  /** What all views of this effect share. */
  private readonly tools: ViewTools;
  private readonly light = new EffectLight(this.scenes.space);
  private readonly flatLight = new EffectLight(this.scenes.screen);
  private readonly screenCamera = new OrthographicCamera();
  private readonly hint: PictureHint;
  /** What faces wear; null where nothing that is worn can be drawn. */
  readonly looks: FaceLooks | null;
  /** Grades to be done over the picture, in their order. */
  grades: readonly GradeNow[] = [];
  private readonly size = new Vector2();
  private faces: readonly (TrackedFace | undefined)[] = [];
  private living: Living | null = null;
  private placeOf: (id: ObjectId) => Place | null = () => null;
  private objectAt: (index: number) => EffectObject = () => {
    throw new Error('Nothing was posed yet.');
  };
  private objectOf: (id: ObjectId) => EffectObject | undefined = () => undefined;
  private shown: Record<Layering, boolean> = { backdrop: false, space: false, screen: false };

  /** `camera` gives parts of the camera picture to what shows them; without one `cutout` gives what cutouts show. */
  constructor(
    private readonly stores: Stores,
    private readonly abilities: Abilities,
    camera: CameraParts | null = null,
    cutout: ViewTools['cutout'] = () => null,
  ) {
    this.tools = {
      stores,
      beneath: new FramebufferCopy(),
      square: flatGeometry(),
      camera,
      cutout,
      surface: (blended, cut) => given(abilities.surfaces, 'materials')(this.tools, blended, cut),
    };
    this.screenCamera.position.z = 1;
    this.hint = new PictureHint(this.tools);
    this.looks = abilities.faces?.(this.tools) ?? null;
    this.scenes.screen.add(this.hint.node);
    for (const scene of Object.values(this.scenes)) scene.matrixAutoUpdate = false;
  }

  /** What cutouts show, as they were drawn last. */
  seenCutouts(renderer: WebGLRenderer): SeenCutouts {
    const seen = new Map<ObjectId, SeenCutout>();
    for (const [id, { object, views }] of this.entries) {
      if (object.kind !== 'cutout') continue;
      const [view] = views.values();
      const shown = view?.seen?.(renderer);
      if (shown) seen.set(id, shown);
    }
    return seen;
  }

  /** The node of an object at its first place; for tests and for pointing at it. */
  nodeOf(id: ObjectId): Object3D | null {
    return this.entries.get(id)?.views.values().next().value?.node ?? null;
  }

  /** Whether anything lies behind the people now. */
  get hasBackdrop(): boolean {
    return this.shown.backdrop;
  }

  /**
   * Poses everything. `places` are those of the program's objects, in its order; `time` is how long the effect has been
   * running: sequences, videos and clips follow it. `hinted` is a picture that is still to be found, `faces` those in the
   * camera picture by their number. Without a `living` runtime all is as the document has it.
   */
  update(
    program: Program,
    places: readonly ObjectPlaces[],
    light: LightEstimate | null,
    time: Seconds,
    aspect: number,
    hinted: Target | null = null,
    faces: readonly (TrackedFace | undefined)[] = [],
    living: Living | null = null,
  ): void {
    this.faces = faces;
    this.living = living;
    this.placeOf = (id) => {
      const at = program.indexOf.get(id);
      return (at === undefined ? undefined : places[at]?.places[0]) ?? null;
    };
    this.objectAt = (i) => (living ? living.objectNow(i) : program.objects[i]!);
    this.objectOf = (id) => program.effect.objects[id];
    const effect = living?.effectNow() ?? program.effect;
    for (const [id, entry] of this.entries)
      if (program.effect.objects[id]?.kind !== entry.object.kind) this.remove(id, entry);
    this.shown = { backdrop: false, space: false, screen: false };
    const lit: Record<Layering, boolean> = { backdrop: false, space: false, screen: false };
    const lights: PlacedLight[] = [];
    const grades: GradeNow[] = [];
    let ground: ShadowGround | null = null;
    this.looks?.begin();
    program.objects.forEach((_, i) => {
      const object = this.objectAt(i);
      const { places: all, layering } = places[i]!;
      if (object.kind === 'grade') {
        // What stands lower in the Stack is done first.
        if (all[0]) grades.unshift({ steps: object.steps, strength: all[0].opacity });
        return;
      }
      if (isOnFace(object)) {
        for (const place of all)
          if (
            given(this.looks ?? undefined, 'what lies on faces').add(
              object,
              effect,
              place,
              time,
              living?.values(i).media,
            )
          )
            this.shown.space = true;
        if (all.length > 0 && materialIdsOf(object).length > 0) lit.space = true;
        return;
      }
      // Its model draws it.
      if (kindOf(object).isPart) return;
      const entry = this.entries.get(object.id) ?? { object, views: new Map<number, ObjectView>() };
      this.entries.set(object.id, entry);
      entry.object = object;
      for (const [instance, view] of entry.views)
        if (!all.some((p) => p.instance === instance)) view.node.visible = false;
      const order = orderOf(object, program.anchors[i]!, program.covering[i]!);
      for (const place of all) {
        // A fountain has one set of particles, wherever its copies are.
        if (object.kind === 'fountain' && place !== all[0]) continue;
        const parts = object.kind === 'model' ? partsNow(program, places, i, place.instance) : NO_PARTS;
        const drawn = this.pose(entry, effect, place, layering, time, order, aspect, i, parts);
        if (!drawn) continue;
        this.shown[layering] = true;
        if (isLit(object)) lit[layering] = true;
        if (object.kind === 'light') lights.push({ light: object, matrix: place.matrix });
        if (object.kind === 'shadowCatcher')
          ground = joined(ground, groundOf(object, place, program.anchors[i]!.kind === 'skin'));
      }
    });
    this.looks?.finish(this.scenes.space, light, lights, program.effect);
    if (this.looks?.isLit) this.shown.space = true;
    // Where nobody knows the light of the picture, it is measured, if something is lit by it.
    const asPicture = lit.space && lights.length === 0;
    const { camera } = this.tools;
    const estimate = light ?? ((asPicture && camera?.has && camera.lit().estimate) || null);
    this.light.update(lit.space, lights, estimate, ground, (own) => {
      const asset = own.asset ? program.effect.assets[own.asset] : undefined;
      return asset?.kind === 'surroundings' ? this.stores.surroundings.get(asset) : null;
    });
    this.grades = grades;
    this.flatLight.update(lit.screen, [], null, null);
    this.hint.show(program.effect, hinted, this.stores.textures, aspect);
    this.shown.screen ||= hinted !== null;
    const half = SCREEN_HEIGHT / 2;
    Object.assign(this.screenCamera, {
      left: -half * aspect,
      right: half * aspect,
      top: half,
      bottom: -half,
      near: 0.01,
      far: 2,
    });
    this.screenCamera.updateProjectionMatrix();
    this.screenCamera.updateMatrixWorld();
  }

  private pose(
    entry: Entry,
    effect: Effect,
    place: Place,
    layering: Layering,
    time: Seconds,
    order: number,
    aspect: number,
    index: number,
    parts: readonly PartNow[],
  ): boolean {
    const { object, views } = entry;
    let view = views.get(place.instance);
    if (!view) {
      view = createView(this.abilities, object.kind, this.tools);
      view.node.userData.objectId = object.id;
      view.node.matrixAutoUpdate = false;
      views.set(place.instance, view);
    }
    const scene = this.scenes[layering];
    if (view.node.parent !== scene) scene.add(view.node);
    view.node.matrix.fromArray(place.matrix as number[]);
    view.node.matrixWorldNeedsUpdate = true;
    view.node.visible = view.update({
      object,
      effect,
      opacity: place.opacity,
      face: place.face,
      hand: place.hand,
      wearer: place.face ?? this.faces.find((f) => f !== undefined) ?? null,
      faceOf: (number) => this.faces[number - 1] ?? null,
      time,
      media: this.living?.values(index).media ?? null,
      particles: this.living?.particlesOf(index) ?? null,
      matrix: place.matrix,
      parts,
      objectAt: this.objectAt,
      placeOf: this.placeOf,
      order,
      layering,
      aspect,
    });
    return view.node.visible;
  }

  private remove(id: ObjectId, { views }: Entry): void {
    for (const view of views.values()) {
      view.node.removeFromParent();
      view.dispose();
    }
    this.entries.delete(id);
  }

  /** Draws what lies behind the people. */
  drawBackdrop(renderer: WebGLRenderer): void {
    renderer.render(this.scenes.backdrop, this.screenCamera);
  }

  /** Makes the programs ready that drawing it as it is posed now needs. */
  async prepare(renderer: WebGLRenderer, camera: PerspectiveCamera): Promise<void> {
    const ready: Promise<unknown>[] = [];
    if (this.shown.space) {
      this.light.reflect(renderer);
      renderer.shadowMap.enabled = this.light.shadows;
      ready.push(renderer.compileAsync(this.scenes.space, camera));
    }
    if (this.shown.screen) {
      renderer.shadowMap.enabled = false;
      this.flatLight.reflect(renderer);
      ready.push(renderer.compileAsync(this.scenes.screen, this.screenCamera));
    }
    if (this.shown.backdrop) ready.push(renderer.compileAsync(this.scenes.backdrop, this.screenCamera));
    await Promise.all(ready);
  }

  /** Draws what is in the room, then what lies on the screen. */
  draw(renderer: WebGLRenderer, camera: PerspectiveCamera): void {
    if (this.shown.space) {
      renderer.getDrawingBufferSize(this.size);
      this.looks?.prepare(renderer, camera, this.size.y);
      this.light.reflect(renderer);
      renderer.shadowMap.enabled = this.light.shadows;
      renderer.render(this.scenes.space, camera);
    }
    if (this.shown.screen) {
      renderer.shadowMap.enabled = false;
      this.flatLight.reflect(renderer);
      renderer.clearDepth();
      renderer.render(this.scenes.screen, this.screenCamera);
    }
  }

  /** The camera that what lies on the screen or behind the people is drawn with. */
  get flatCamera(): Camera {
    return this.screenCamera;
  }

  /** The topmost object under a point (0..1 from the top left): on the screen, in the room, behind the people. */
  pick(
    x: number,
    y: number,
    camera: Camera,
    may: (object: EffectObject) => boolean = () => true,
  ): Picked | null {
    for (const layering of ['screen', 'space', 'backdrop'] as const) {
      const nodes: Object3D[] = [];
      for (const { object, views } of this.entries.values())
        if (canBePicked(object) && may(object))
          for (const { node } of views.values())
            if (node.visible && node.parent === this.scenes[layering]) nodes.push(node);
      const found = pickTopmost(
        { x, y, camera: layering === 'space' ? camera : this.screenCamera },
        nodes,
        (id) => {
          const object = this.objectOf(id);
          return object && canBePicked(object) && may(object) ? object : undefined;
        },
      );
      if (found) return found;
    }
    return null;
  }

  dispose(): void {
    for (const [id, entry] of this.entries) this.remove(id, entry);
    this.hint.dispose();
    this.looks?.dispose();
    this.tools.beneath.dispose();
    this.tools.square.dispose();
    this.light.dispose();
    this.flatLight.dispose();
  }
}
