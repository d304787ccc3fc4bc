/**
 * Handles to move, turn and size an object in a view. They report what the drag adds to the placed values,
 * so that dragging an object that behaviour is moving still edits what the creator placed.
 */
import { Quaternion, Scene, Vector3, type Camera, type Object3D } from 'three';
import { TransformControls } from 'three/addons/controls/TransformControls.js';
import { anglesNear, compose, fromAngles, inverse, type Quaternion as Turn } from '../core/maths/quaternion';
import { add, multiply, type Vec3 } from '../core/maths/vec3';

export type HandleMode = 'move' | 'turn' | 'size';
export interface Placed {
  readonly move: Vec3;
  readonly turn: Vec3;
  readonly scale: Vec3;
}
export interface HandleEvents {
  onStart(): void;
  onChange(placed: Placed): void;
  onEnd(): void;
  onDraw(): void;
}

const MODES = { move: 'translate', turn: 'rotate', size: 'scale' } as const;
/** With Shift held, what is dragged falls on multiples of half a centimetre, fifteen degrees, a tenth. */
const SNAP = { move: 0.005, turn: 15, scale: 0.1 };

/** Rounds the components that the drag has changed; the others stay as they are. */
const snapped = (value: Vec3, before: Vec3, step: number): Vec3 =>
  value.map((v, i) => (Math.abs(v - before[i]!) < 1e-7 ? v : Math.round(v / step) * step)) as unknown as Vec3;

const tuple = (v: Vector3): Vec3 => [v.x, v.y, v.z];
const turnOf = (q: Quaternion): Turn => [q.x, q.y, q.z, q.w];

export class Handles {
  /** Draw this over the view. */
  readonly scene = new Scene();
  private readonly controls: TransformControls;
  private placed: Placed = { move: [0, 0, 0], turn: [0, 0, 0], scale: [1, 1, 1] };
  private began = {
    position: new Vector3(),
    rotation: new Quaternion(),
    scale: new Vector3(),
    placed: this.placed,
  };
  /** Before snapping, so that a slow drag is not held back. */
  private latest: Placed = this.placed;
  private snapping = false;

  constructor(
    camera: Camera,
    element: HTMLElement,
    colour: string,
    private readonly events: HandleEvents,
  ) {
    this.controls = new TransformControls(camera, element);
    this.controls.setSpace('local');
    this.controls.setSize(0.85);
    this.setColour(colour);
    this.scene.add(this.controls.getHelper());
    this.controls.addEventListener('mouseDown', () => this.start());
    this.controls.addEventListener('objectChange', () => this.change());
    this.controls.addEventListener('mouseUp', () => events.onEnd());
    this.controls.addEventListener('change', () => events.onDraw());
  }

  get dragging(): boolean {
    return this.controls.dragging;
  }
  /** A handle is under the pointer: a click belongs to it. */
  get hovered(): boolean {
    return this.controls.axis !== null;
  }

  /** One colour for all axes; what is grabbed turns ochre. */
  setColour(colour: string): void {
    this.controls.setColors(colour, colour, colour, '#d99a2b');
  }

  setMode(mode: HandleMode): void {
    this.controls.setMode(MODES[mode]);
  }

  setSnapping(on: boolean): void {
    this.snapping = on;
  }

  /** Shows the handles on a node, or nothing. `placed` are the document's values of its object. */
  attach(node: Object3D | null, placed: Placed | null): void {
    if (!node || !placed || !node.visible) {
      if (!this.dragging) this.controls.detach();
      return;
    }
    this.placed = placed;
    if (this.controls.object !== node) this.controls.attach(node);
  }

  private start(): void {
    const node = this.controls.object!;
    this.began = {
      position: node.position.clone(),
      rotation: node.quaternion.clone(),
      scale: node.scale.clone(),
      placed: this.placed,
    };
    this.latest = this.placed;
    this.events.onStart();
  }

  private change(): void {
    const node = this.controls.object;
    if (!node) return;
    const { position, rotation, scale, placed } = this.began;
    const turned = compose(turnOf(node.quaternion), inverse(turnOf(rotation)));
    const ratio = (now: number, then: number) => (then === 0 ? 1 : now / then);
    this.latest = {
      move: add(placed.move, tuple(node.position.clone().sub(position))),
      turn:
        this.controls.mode === 'rotate'
          ? anglesNear(compose(turned, fromAngles(placed.turn)), this.latest.turn)
          : placed.turn,
      scale: multiply(placed.scale, [
        ratio(node.scale.x, scale.x),
        ratio(node.scale.y, scale.y),
        ratio(node.scale.z, scale.z),
      ]),
    };
    const { move, turn, scale: size } = this.latest;
    this.events.onChange(
      this.snapping
        ? {
            move: snapped(move, placed.move, SNAP.move),
            turn: snapped(turn, placed.turn, SNAP.turn),
            scale: snapped(size, placed.scale, SNAP.scale),
          }
        : this.latest,
    );
  }

  dispose(): void {
    this.controls.detach();
    this.controls.dispose();
  }
}
