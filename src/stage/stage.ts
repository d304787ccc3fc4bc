/**
 * The stage: draws the camera picture, then the effect on it, into one canvas. The atelier, the show page
 * and the tests all draw through it.
 */
import {
  NeutralToneMapping,
  PerspectiveCamera,
  SRGBColorSpace,
  WebGLRenderer,
  type Camera,
  type Scene,
} from 'three';
import type { Program } from '../core/program/program';
import type { View } from '../core/program/inputs';
import type { Runtime } from '../core/behave/runtime';
import type { EffectObject, ObjectId } from '../core/document/schema';
import type { LightEstimate, TrackFrame } from '../core/tracking/track-frame';
import { STEP } from '../core/units';
import { isHinted, type Here } from '../core/placing/anchors';
import { onlyPlaces, placesOf, type ObjectPlaces } from '../core/placing/places';
import { facesBySlot } from '../core/placing/presence';
import { reshaped } from '../core/placing/reshape';
import type { Abilities } from './abilities/abilities';
import { given } from './abilities/given';
import type { CameraParts } from './backdrop/camera-parts';
import type { Picked } from './effect/picking';
import { EffectView } from './effect/effect-view';
import type { GradeView } from './grade/grade-view';
import type { Stores } from './effect/stores';
import type { CameraPicture } from './picture';
import { letGo } from './let-go';

export interface StageOptions {
  /** Keeps the last picture readable: thumbnails and tests. */
  readonly keepPixels?: boolean;
  /** Off for small pictures, where it costs more than it shows. */
  readonly smoothEdges?: boolean;
}

/** Thrown when the browser gives no WebGL. */
export class NoDrawing extends Error {
  constructor(cause: unknown) {
    super(
      'This browser does not let Iconia draw: WebGL 2 is switched off or missing. Switch on hardware acceleration, or use another browser.',
      { cause },
    );
  }
}

export class Stage {
  readonly renderer: WebGLRenderer;
  /** The camera the effect was last drawn with. */
  readonly camera = new PerspectiveCamera(44, 9 / 16, 0.01, 20);
  readonly effectView: EffectView;
  /** Drawn over everything: handles. */
  overlay: Scene | null = null;
  /** With another camera than the effect: handles on what lies flat on the screen. */
  overlayCamera: Camera | null = null;
  /** Left of this (0..1) the picture is drawn without its grades, to compare. */
  compareLine = 0;
  /** Measures how the camera picture is lit, in every frame. */
  measuresLight = false;
  /** How the camera picture is lit, while it is measured. */
  cameraLight: LightEstimate | null = null;
  /** Called while the camera picture stands alone on the canvas, and the camera is where it was. */
  onPicture: ((frame: TrackFrame) => void) | null = null;
  private readonly gradeView: GradeView | null;
  private readonly cameraParts: CameraParts | null;
  private picture: CameraPicture | null = null;

  constructor(
    readonly canvas: HTMLCanvasElement,
    private readonly stores: Stores,
    abilities: Abilities,
    { keepPixels = false, smoothEdges = true }: StageOptions = {},
  ) {
    try {
      this.renderer = new WebGLRenderer({
        canvas,
        antialias: smoothEdges,
        preserveDrawingBuffer: keepPixels,
      });
    } catch (cause) {
      throw new NoDrawing(cause);
    }
    this.renderer.outputColorSpace = SRGBColorSpace;
    this.renderer.toneMapping = NeutralToneMapping;
    this.renderer.autoClear = false;
    stores.faults.watch(this.renderer);
    this.gradeView = abilities.grades?.() ?? null;
    this.cameraParts = abilities.camera?.() ?? null;
    this.effectView = new EffectView(stores, abilities, this.cameraParts);
  }

  /** True when no graphics hardware draws, so that shadows and large pictures are too slow. */
  get isSoftware(): boolean {
    const gl = this.renderer.getContext();
    const info = gl.getExtension('WEBGL_debug_renderer_info');
    const name = info ? String(gl.getParameter(info.UNMASKED_RENDERER_WEBGL)) : '';
    return /swiftshader|llvmpipe|softpipe|software|basic render/i.test(name);
  }

  get aspect(): number {
    return this.canvas.width / this.canvas.height;
  }

  /** What of the camera is seen in this view. */
  viewOf(frame: TrackFrame): View {
    return { fovY: this.picture?.viewFovY(frame, this.aspect) ?? frame.camera.fovY, aspect: this.aspect };
  }

  /** CSS pixels; `density` is device pixels for each. */
  setSize(width: number, height: number, density: number): void {
    this.renderer.setPixelRatio(density);
    this.renderer.setSize(width, height, false);
  }

  /** The one before; it is let go when the new one has been drawn, so that programs both need are not translated anew. */
  private leaving: CameraPicture | null = null;

  /** The stage takes over the picture and disposes of the one before. */
  setPicture(picture: CameraPicture): void {
    if (picture === this.picture) return;
    if (picture !== this.leaving) this.letGoPicture(this.leaving);
    this.leaving = this.picture;
    this.picture = picture;
  }

  private readonly lent = new WeakSet<CameraPicture>();
  /** Shows a picture that whoever gives it goes on owning, and lets go: for those who show several by turns. */
  lendPicture(picture: CameraPicture): void {
    this.lent.add(picture);
    this.setPicture(picture);
  }
  private letGoPicture(picture: CameraPicture | null): void {
    if (picture && !this.lent.has(picture)) picture.dispose();
  }

  /** Where everything was when it was last drawn. */
  drawn: { readonly program: Program; readonly places: readonly ObjectPlaces[]; readonly here: Here } | null =
    null;

  /**
   * Makes ready what the first picture needs, a part at a time: its programs are translated side by side where the browser can, and
   * the page goes on answering. A picture that is drawn without looks the same, after the page has stood still for as long.
   */
  async prepare(frame: TrackFrame, program: Program, runtime: Runtime): Promise<void> {
    const { renderer, picture, camera, effectView, aspect } = this;
    if (!picture) return;
    await picture.prepare?.(renderer, frame, aspect);
    // It may have been let go meanwhile.
    if (this.picture !== picture) return;
    this.pose(picture, frame, program, runtime);
    await effectView.prepare(renderer, camera);
  }

  /** `keep` leaves objects out that are not worked on now. */
  draw(frame: TrackFrame, program: Program, runtime: Runtime, keep?: (id: ObjectId) => boolean): void {
    const { renderer, picture, camera, effectView, aspect } = this;
    if (!picture) return;
    renderer.clear();
    picture.draw(renderer, frame, aspect);
    this.letGoPicture(this.leaving);
    this.leaving = null;
    this.pose(picture, frame, program, runtime, keep);
    this.onPicture?.(frame);
    if (effectView.hasBackdrop) {
      renderer.clearDepth();
      // Only where people can be kept before it; else the picture stays as it is.
      if (picture.knowsPeople) {
        const parts = given(this.cameraParts ?? undefined, 'people before a backdrop');
        parts.prepare();
        effectView.drawBackdrop(renderer);
        parts.layPeople();
      }
    }
    renderer.clearDepth();
    effectView.draw(renderer, camera);
    for (const grade of effectView.grades)
      given(this.gradeView ?? undefined, 'grades').apply(renderer, grade, {
        frame: Math.max(0, runtime.steps - 1),
        line: this.compareLine,
        tableOf: (id) => {
          const asset = program.effect.assets[id];
          return asset?.kind === 'table' ? this.stores.tables.get(asset) : null;
        },
      });
  }

  /** Brings the effect and the camera to where they are in this frame. */
  private pose(
    picture: CameraPicture,
    frame: TrackFrame,
    program: Program,
    runtime: Runtime,
    keep?: (id: ObjectId) => boolean,
  ): void {
    const { renderer, camera, effectView, aspect } = this;
    camera.fov = picture.viewFovY(frame, aspect);
    camera.aspect = aspect;
    camera.updateProjectionMatrix();
    camera.position.fromArray(frame.camera.pose.position);
    camera.quaternion.fromArray(frame.camera.pose.rotation);
    const { backdrop } = program.effect;
    this.cameraParts?.begin({ renderer, picture, frame, aspect, camera, backdrop });
    this.cameraLight = (this.measuresLight && this.cameraParts?.lit().estimate) || null;
    const here = reshaped(program, runtime, {
      frame,
      presence: runtime.presence,
      targets: program.targets,
      aspect,
    });
    const all = placesOf(program, runtime, here);
    const places = keep ? onlyPlaces(program, all, keep) : all;
    this.drawn = { program, places, here };
    // The first step shows the effect as it starts.
    const time = Math.max(0, runtime.steps - 1) * STEP;
    const hinted = program.targets.find(
      (t) =>
        isHinted(t, runtime.presence) &&
        program.anchors.some((a) => a.kind === 'picture' && a.target === t.id),
    );
    effectView.update(
      program,
      places,
      frame.light,
      time,
      aspect,
      hinted ?? null,
      facesBySlot(here.presence, here.frame),
      runtime,
    );
  }

  /** Draws what lies over everything. It is drawn apart, since it stands where the effect was just drawn. */
  drawOverlay(): void {
    if (!this.overlay) return;
    this.renderer.clearDepth();
    this.renderer.render(this.overlay, this.overlayCamera ?? this.camera);
  }

  /** The topmost object under a point of the picture (0..1 from the top left), as last drawn. */
  pick(x: number, y: number, may?: (object: EffectObject) => boolean): Picked | null {
    return this.effectView.pick(x, y, this.camera, may);
  }

  dispose(): void {
    this.letGoPicture(this.leaving);
    this.letGoPicture(this.picture);
    this.effectView.dispose();
    this.gradeView?.dispose();
    this.cameraParts?.dispose();
    letGo(this.renderer);
  }
}
