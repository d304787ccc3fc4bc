/** Space: what sticks to one kind of thing, from any side, around a plain stand-in for it, with handles. */
import type CameraControls from 'camera-controls';
import {
  Box3,
  Box3Helper,
  Color,
  DirectionalLight,
  HemisphereLight,
  PerspectiveCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three';
import { compile, type Program } from '../core/program/program';
import type { Anchor, Effect, ObjectId } from '../core/document/schema';
import type { Here } from '../core/placing/anchors';
import type { Box } from '../core/maths/box';
import type { Ray } from '../core/maths/ray';
import { placeOf, placesOf, type ObjectPlaces, type StateNow } from '../core/placing/places';
import { restHere, restState } from '../core/placing/rest';
import { lookAround } from './look-around';
import type { Picked } from './effect/picking';
import { EffectView } from './effect/effect-view';
import type { Abilities } from './abilities/abilities';
import { SeenCutoutTextures, type SeenCutouts } from './effect/seen-cutouts';
import type { Stores } from './effect/stores';
import { Handles, type HandleEvents, type HandleMode, type HandlePlace } from './handles';
import { setOf, SpaceSets, VIEWS, type SetName } from './space-sets';
import { NoDrawing } from './stage';
import { TouchOutline } from './touch-outline';
import { letGo } from './let-go';

export type SpaceSide = 'free' | 'front' | 'side' | 'top';
/** Directions to look from. */
const SIDES: Record<SpaceSide, readonly [number, number, number]> = {
  free: [0.42, 0.22, 0.88],
  front: [0, 0.001, 1],
  side: [1, 0.001, 0.001],
  top: [0, 1, 0.001],
};

/** Hidden objects can be placed too: Space shows them as ghosts. */
const GHOST = 0.28;

export interface SpaceOptions {
  /** The anchor whose surroundings are shown. */
  readonly anchor: Anchor;
  readonly scene: string | null;
  /** Shows hidden objects. */
  readonly ghosts: boolean;
  /** Objects that are left out. */
  readonly keep: (id: ObjectId) => boolean;
  readonly handles: HandlePlace | null;
  /** Drawn around what is measured, or pointed at. */
  readonly measured: Box | null;
  /** The object whose touch area is outlined, when it has one. */
  readonly touched: ObjectId | null;
}

/** What is on another face is not in the way. */
const sameFace = (a: Anchor, b: Anchor): boolean =>
  !('face' in a) ||
  !('face' in b) ||
  a.face === b.face ||
  typeof a.face === 'string' ||
  typeof b.face === 'string';

export class SpaceView {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(34, 1, 0.01, 60);
  private readonly orbit: CameraControls;
  private readonly effectView: EffectView;
  private readonly handles: Handles;
  private readonly cutouts = new SeenCutoutTextures();
  private readonly sets = new SpaceSets();
  private readonly touchOutline = new TouchOutline();
  private readonly measured = new Box3Helper(new Box3(), 0x0f6b62);
  private side: SpaceSide = 'free';
  private set: SetName | null = null;
  private compiled: Program | null = null;

  constructor(
    canvas: HTMLCanvasElement,
    private readonly stores: Stores,
    abilities: Abilities,
    events: Omit<HandleEvents, 'onDraw'>,
    private readonly onNeedsDraw: () => void,
  ) {
    try {
      this.renderer = new WebGLRenderer({ canvas, antialias: true });
    } catch (cause) {
      throw new NoDrawing(cause);
    }
    stores.faults.watch(this.renderer);
    this.renderer.autoClear = false;
    this.renderer.setClearColor(new Color('#e9e6df'));
    this.effectView = new EffectView(stores, abilities, null, (id) => this.cutouts.get(id));
    this.orbit = lookAround(this.camera, canvas, onNeedsDraw);
    this.orbit.minDistance = 0.05;
    this.orbit.maxDistance = 20;
    this.handles = new Handles(this.camera, canvas, '#1d2327', {
      onStart: () => {
        this.orbit.enabled = false;
        events.onStart();
      },
      onChange: (drag) => events.onChange(drag),
      onEnd: () => {
        this.orbit.enabled = true;
        events.onEnd();
      },
      onDraw: onNeedsDraw,
    });
    const key = new DirectionalLight(0xffffff, 1.4);
    key.position.set(-0.5, 0.8, 0.9);
    this.scene.add(
      this.sets.group,
      key,
      new HemisphereLight(0xffffff, 0xb8b0a2, 1.9),
      this.touchOutline.node,
      this.measured,
    );
    this.measured.visible = false;
  }

  setSize(width: number, height: number, density: number): void {
    this.renderer.setPixelRatio(density);
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.onNeedsDraw();
  }

  setDark(dark: boolean): void {
    this.renderer.setClearColor(new Color(dark ? '#20272b' : '#e9e6df'));
    this.sets.setDark(dark);
    this.handles.setColour(dark ? '#ece8e1' : '#1d2327');
    this.onNeedsDraw();
  }

  look(side: SpaceSide): void {
    this.side = side;
    const { centre, far } = VIEWS[this.set ?? 'head'];
    const [x, y, z] = SIDES[side];
    void this.orbit.setLookAt(
      centre[0] + x * far,
      centre[1] + y * far,
      centre[2] + z * far,
      ...centre,
      false,
    );
    this.orbit.update(0.016);
    this.onNeedsDraw();
  }

  /** Brings what is measured into the middle. */
  approach(box: Box): void {
    void this.orbit.fitToBox(new Box3(new Vector3(...box.low), new Vector3(...box.high)), false, {
      paddingLeft: 0.05,
      paddingRight: 0.05,
      paddingTop: 0.05,
      paddingBottom: 0.05,
    });
    this.orbit.update(0.016);
    this.onNeedsDraw();
  }

  setMode(mode: HandleMode): void {
    this.handles.setMode(mode);
    this.onNeedsDraw();
  }

  /** What cutouts show in the Viewfinder: Space has no camera picture of its own. */
  setCutouts(seen: SeenCutouts): void {
    this.cutouts.show(seen);
    this.onNeedsDraw();
  }

  setFigures(shown: boolean): void {
    this.sets.setFigures(shown);
    this.onNeedsDraw();
  }

  draw(effect: Effect, options: SpaceOptions): void {
    if (this.compiled?.effect !== effect) this.compiled = compile(effect);
    const program = this.compiled;
    const set = setOf(options.anchor);
    if (set !== this.set) {
      this.set = set;
      this.look(this.side);
    }
    this.orbit.update(0.016);
    const here = restHere(program);
    const places = this.placesFor(program, here, options);
    this.effectView.update(program, places, null, 0, here.aspect);
    this.sets.show(set, this.sheetOf(effect, options.anchor));
    this.measured.visible = options.measured !== null;
    if (options.measured)
      this.measured.box.set(new Vector3(...options.measured.low), new Vector3(...options.measured.high));
    const touched = options.touched ? effect.objects[options.touched] : undefined;
    const place = touched && placeOf(program, places, touched.id);
    this.touchOutline.show(touched?.touchArea ?? null, place?.matrix ?? null);
    this.handles.attach(options.handles);
    this.renderer.clear();
    this.renderer.shadowMap.enabled = false;
    this.renderer.render(this.scene, this.camera);
    this.effectView.draw(this.renderer, this.camera);
    this.renderer.clearDepth();
    this.renderer.render(this.handles.scene, this.camera);
  }

  /** What is shown here, each at its first place, all of it in the room: what lies flat on the screen too. */
  private placesFor(
    program: Program,
    here: Here,
    { anchor, scene, ghosts, keep }: SpaceOptions,
  ): ObjectPlaces[] {
    const rest = restState(program, scene);
    const state: StateNow = {
      ...rest,
      values: (i) => {
        const object = program.objects[i]!;
        const values = rest.values(i);
        return object.visible ? values : { ...values, visible: ghosts, opacity: values.opacity * GHOST };
      },
    };
    return placesOf(program, state, here).map((entry, i): ObjectPlaces => {
      const own = program.anchors[i]!;
      const here =
        setOf(own) === setOf(anchor) &&
        (own.kind !== 'picture' || anchor.kind !== 'picture' || own.target === anchor.target) &&
        sameFace(own, anchor);
      const places = here && keep(program.objects[i]!.id) ? entry.places.slice(0, 1) : [];
      return { layering: 'space', places };
    });
  }

  private sheetOf(effect: Effect, anchor: Anchor) {
    const target = anchor.kind === 'picture' ? effect.targets[anchor.target] : undefined;
    const asset = target?.asset ? effect.assets[target.asset] : undefined;
    const width = target?.width ?? 0.15;
    if (asset?.kind !== 'picture') return { width, height: width * Math.SQRT2, texture: null };
    return {
      width,
      height: (width * asset.height) / asset.width,
      texture: this.stores.textures.get(asset),
    };
  }

  /** What is looked along at a point of the canvas (0..1 from the top left), in the space of what is shown. */
  ray(x: number, y: number): Ray {
    this.camera.updateMatrixWorld();
    const towards = new Vector3(2 * x - 1, 1 - 2 * y, 0.5).unproject(this.camera);
    const from = this.camera.position;
    const along = towards.sub(from).normalize();
    return { from: [from.x, from.y, from.z], along: [along.x, along.y, along.z] };
  }

  /** A handle is under the pointer. */
  get onHandle(): boolean {
    return this.handles.hovered;
  }

  /** The object under a point of the canvas (0..1), unless a handle is there. */
  pick(x: number, y: number, may: Parameters<EffectView['pick']>[3]): Picked | 'handle' | null {
    if (this.handles.hovered || this.handles.dragging) return 'handle';
    return this.effectView.pick(x, y, this.camera, may);
  }

  dispose(): void {
    this.orbit.dispose();
    this.handles.dispose();
    this.effectView.dispose();
    this.cutouts.dispose();
    this.sets.dispose();
    this.touchOutline.dispose();
    letGo(this.renderer);
  }
}
