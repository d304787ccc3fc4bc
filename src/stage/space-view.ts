/** Space: the scene from any side, around a plain head, with handles. */
import CameraControls from 'camera-controls';
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  GridHelper,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  Vector2,
  WebGLRenderer,
} from 'three';
import { SHELL_TRIANGLES, shellPositions } from '../core/face/head-shell';
import { NEUTRAL_FACE } from '../core/face/neutral';
import type { Values } from '../core/behave/runtime';
import type { Effect, EffectObject, ObjectId } from '../core/document/schema';
import { faceFrame } from '../core/tracking/track-frame';
import { installCameraControls } from './camera-controls';
import { EffectView, pickable, topmost, type Stores } from './effect/effect-view';
import { Handles, type HandleEvents, type HandleMode } from './handles';
import { NoDrawing } from './stage';

export type SpaceSide = 'free' | 'front' | 'side' | 'top';
const SIDES: Record<SpaceSide, readonly [number, number, number]> = {
  free: [0.3, 0.16, 0.6],
  front: [0, 0.02, 0.7],
  side: [0.7, 0.02, 0.001],
  top: [0, 0.72, 0.001],
};
const CENTRE = [0, 0.015, -0.02] as const;

/** The head in Space rests: neutral, at the origin. */
const restFrame = faceFrame(
  0,
  { pose: { position: [0, 0, 1], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 },
  [
    {
      id: 1,
      pose: { position: [0, 0, 0], rotation: [0, 0, 0, 1] },
      landmarks: Float32Array.from(NEUTRAL_FACE),
      expressions: {},
      confidence: 1,
    },
  ],
);

const placedValues = (object: EffectObject): Values => ({
  // Hidden objects can be placed too: Space shows them.
  visible: true,
  opacity: 'opacity' in object ? Math.max(0.25, object.opacity) : 1,
  move: object.move,
  turn: object.turn,
  scale: object.scale,
});

export class SpaceView {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(34, 1, 0.01, 10);
  private readonly orbit: CameraControls;
  private readonly effectView: EffectView;
  private readonly handles: Handles;
  private readonly grid = new GridHelper(1.2, 24, 0x9a958b, 0xcfc9bd);
  private effect: Effect | null = null;

  constructor(
    canvas: HTMLCanvasElement,
    stores: Stores,
    events: Omit<HandleEvents, 'onDraw'>,
    private readonly onNeedsDraw: () => void,
  ) {
    try {
      this.renderer = new WebGLRenderer({ canvas, antialias: true });
    } catch (cause) {
      throw new NoDrawing(cause);
    }
    this.renderer.autoClear = false;
    this.renderer.setClearColor(new Color('#e9e6df'));
    this.effectView = new EffectView(stores);
    installCameraControls();
    this.orbit = new CameraControls(this.camera, canvas);
    this.orbit.minDistance = 0.15;
    this.orbit.maxDistance = 3;
    this.orbit.smoothTime = 0.0001;
    this.orbit.draggingSmoothTime = 0.0001;
    this.orbit.addEventListener('update', onNeedsDraw);
    this.handles = new Handles(this.camera, canvas, '#1d2327', {
      onStart: () => {
        this.orbit.enabled = false;
        events.onStart();
      },
      onChange: (placed) => events.onChange(placed),
      onEnd: () => {
        this.orbit.enabled = true;
        events.onEnd();
      },
      onDraw: onNeedsDraw,
    });
    this.furnish();
    this.look('free');
  }

  private furnish(): void {
    const geometry = new BufferGeometry();
    geometry.setAttribute(
      'position',
      new BufferAttribute(Float32Array.from(shellPositions(NEUTRAL_FACE)), 3),
    );
    geometry.setIndex([...SHELL_TRIANGLES]);
    geometry.computeVertexNormals();
    const head = new Mesh(geometry, new MeshLambertMaterial({ color: 0xf4f0e9 }));
    const { grid } = this;
    grid.position.y = -0.14;
    grid.material.transparent = true;
    const key = new DirectionalLight(0xffffff, 1.4);
    key.position.set(-0.5, 0.8, 0.9);
    this.scene.add(head, grid, key, new HemisphereLight(0xffffff, 0xb8b0a2, 1.9));
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
    this.grid.material.opacity = dark ? 0.22 : 1;
    this.handles.setColour(dark ? '#ece8e1' : '#1d2327');
    this.onNeedsDraw();
  }

  look(side: SpaceSide): void {
    void this.orbit.setLookAt(...SIDES[side], ...CENTRE, false);
    this.orbit.update(0.016);
    this.onNeedsDraw();
  }

  setMode(mode: HandleMode): void {
    this.handles.setMode(mode);
    this.onNeedsDraw();
  }

  setSnapping(on: boolean): void {
    this.handles.setSnapping(on);
  }

  draw(effect: Effect, selected: ObjectId | null): void {
    this.effect = effect;
    this.orbit.update(0.016);
    this.effectView.sync(effect);
    this.effectView.update(
      restFrame,
      (id) => {
        const object = this.effect?.objects[id];
        return object ? placedValues(object) : null;
      },
      0,
    );
    const entry = selected ? this.effectView.objectNodes.get(selected) : undefined;
    this.handles.attach(entry?.node ?? null, entry?.object ?? null);
    this.renderer.clear();
    this.renderer.render(this.scene, this.camera);
    this.effectView.draw(this.renderer, this.camera);
    this.renderer.clearDepth();
    this.renderer.render(this.handles.scene, this.camera);
  }

  /** The object under a point of the canvas (0..1), unless a handle is there. */
  pick(x: number, y: number): ObjectId | 'handle' | null {
    if (this.handles.hovered || this.handles.dragging) return 'handle';
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), this.camera);
    return topmost(ray.intersectObjects(pickable(this.effectView)), this.effectView);
  }

  dispose(): void {
    this.orbit.dispose();
    this.handles.dispose();
    this.effectView.dispose();
    this.renderer.dispose();
  }
}
