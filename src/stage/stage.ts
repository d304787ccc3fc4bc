/**
 * The stage: draws the camera picture, then the effect on it, into one canvas. The atelier, the show page
 * and the tests all draw through it.
 */
import {
  NeutralToneMapping,
  PerspectiveCamera,
  Raycaster,
  SRGBColorSpace,
  Vector2,
  WebGLRenderer,
  type Scene,
} from 'three';
import type { Program } from '../core/behave/program';
import type { Runtime } from '../core/behave/runtime';
import type { Effect, ObjectId } from '../core/document/schema';
import type { TrackFrame } from '../core/tracking/track-frame';
import { STEP } from '../core/units';
import { EffectView, pickable, topmost, type Stores } from './effect/effect-view';
import type { CameraPicture } from './picture';

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
  private picture: CameraPicture | null = null;

  constructor(
    readonly canvas: HTMLCanvasElement,
    stores: Stores,
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
    this.effectView = new EffectView(stores);
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

  /** CSS pixels; `density` is device pixels for each. */
  setSize(width: number, height: number, density: number): void {
    this.renderer.setPixelRatio(density);
    this.renderer.setSize(width, height, false);
  }

  /** The stage takes over the picture and disposes of the one before. */
  setPicture(picture: CameraPicture): void {
    if (picture === this.picture) return;
    this.picture?.dispose();
    this.picture = picture;
  }

  draw(frame: TrackFrame, effect: Effect, program: Program, runtime: Runtime): void {
    const { renderer, picture, camera, effectView } = this;
    if (!picture) return;
    renderer.clear();
    picture.draw(renderer, frame, this.aspect);
    camera.fov = picture.viewFovY(frame, this.aspect);
    camera.aspect = this.aspect;
    camera.updateProjectionMatrix();
    camera.position.fromArray(frame.camera.pose.position);
    camera.quaternion.fromArray(frame.camera.pose.rotation);
    effectView.sync(effect);
    const indexOf = new Map<ObjectId, number>(program.objects.map((o, i) => [o.id, i]));
    effectView.update(
      frame,
      (id) => {
        const i = indexOf.get(id);
        return i === undefined ? null : runtime.values(i);
      },
      // The first step shows the effect as it starts.
      Math.max(0, runtime.steps - 1) * STEP,
    );
    renderer.clearDepth();
    effectView.draw(renderer, camera);
    if (this.overlay) {
      renderer.clearDepth();
      renderer.render(this.overlay, camera);
    }
  }

  /** The topmost object under a point of the picture (0..1 from the top left), as last drawn. */
  pick(x: number, y: number): ObjectId | null {
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), this.camera);
    return topmost(ray.intersectObjects(pickable(this.effectView)), this.effectView);
  }

  dispose(): void {
    this.picture?.dispose();
    this.effectView.dispose();
    this.renderer.dispose();
  }
}
