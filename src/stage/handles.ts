/**
 * Handles to move, turn and size what is selected, in a view. They stand on a point of their own and report how it was
 * dragged; core works out what that means for each object. So dragging an object that behaviour is moving still edits
 * what the creator placed.
 */
import { Object3D, Quaternion, Scene, type Camera } from 'three';
import { TransformControls } from 'three/addons/controls/TransformControls.js';
import type { Drag } from '../core/placing/drag';
import { multiplyQuaternions, conjugate, type Quaternion as Turn } from '../core/maths/quaternion';
import { subtract, type Vec3 } from '../core/maths/vec3';

export type HandleMode = 'move' | 'turn' | 'size';
export interface HandleEvents {
  onStart(): void;
  onChange(drag: Drag): void;
  onEnd(): void;
  onDraw(): void;
}

/** Where handles stand. */
export interface HandlePlace {
  readonly point: Vec3;
  readonly axes: Turn;
  /** Sizing along each axis apart; several objects grow evenly. */
  readonly uneven: boolean;
}

/** Of the view. */
const SIZE = 0.85;
const MODES = { move: 'translate', turn: 'rotate', size: 'scale' } as const;

const turnOf = (q: Quaternion): Turn => [q.x, q.y, q.z, q.w];

export class Handles {
  /** Draw this over the view. */
  readonly scene = new Scene();
  private readonly controls: TransformControls;
  private readonly proxy = new Object3D();
  private place: HandlePlace | null = null;
  private began: HandlePlace = { point: [0, 0, 0], axes: [0, 0, 0, 1], uneven: true };

  constructor(
    camera: Camera,
    element: HTMLElement,
    colour: string,
    private readonly events: HandleEvents,
  ) {
    this.controls = new TransformControls(camera, element);
    this.controls.setSpace('local');
    this.controls.setSize(SIZE);
    this.setColour(colour);
    this.scene.add(this.proxy, this.controls.getHelper());
    this.controls.addEventListener('mouseDown', () => {
      this.began = this.place ?? this.began;
      events.onStart();
    });
    this.controls.addEventListener('objectChange', () => this.change());
    this.controls.addEventListener('mouseUp', () => {
      events.onEnd();
      this.stand();
    });
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

  /** Where the view is drawn so many times as large they stay as large as they are. */
  setZoom(zoom: number): void {
    this.controls.setSize(SIZE / zoom);
  }

  setCamera(camera: Camera): void {
    this.controls.camera = camera;
  }

  /** Shows the handles, or nothing. A drag that goes on is not disturbed. */
  attach(place: HandlePlace | null): void {
    this.place = place;
    if (this.dragging) return;
    if (!place) {
      if (this.controls.object) this.controls.detach();
      return;
    }
    this.stand();
    if (this.controls.object !== this.proxy) this.controls.attach(this.proxy);
  }

  private stand(): void {
    if (!this.place) return;
    this.proxy.position.fromArray(this.place.point);
    this.proxy.quaternion.fromArray(this.place.axes);
    this.proxy.scale.set(1, 1, 1);
    this.proxy.updateMatrixWorld();
  }

  private change(): void {
    const { position, quaternion, scale } = this.proxy;
    const { point, axes, uneven } = this.began;
    switch (this.controls.mode) {
      case 'translate':
        return this.events.onChange({
          kind: 'move',
          by: subtract([position.x, position.y, position.z], point),
        });
      case 'rotate':
        return this.events.onChange({
          kind: 'turn',
          by: multiplyQuaternions(turnOf(quaternion), conjugate(axes)),
          about: point,
        });
      default: {
        const factors: Vec3 = [scale.x, scale.y, scale.z];
        // Of an even drag only the axis that was pulled has changed.
        const pulled = factors.reduce((far, f) => (Math.abs(f - 1) > Math.abs(far - 1) ? f : far), 1);
        this.events.onChange({
          kind: 'size',
          factors: uneven ? factors : [pulled, pulled, pulled],
          about: point,
        });
      }
    }
  }

  dispose(): void {
    this.controls.detach();
    this.controls.dispose();
  }
}
