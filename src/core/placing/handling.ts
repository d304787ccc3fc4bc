/**
 * What the viewer does to objects by hand, where the creator lets them: one finger drags along what the object
 * stands on, two fingers pinch and twist it. Part of the runtime, so it can be saved, restored and repeated.
 */
import type { Program } from '../program/program';
import type { Finger, Inputs, View } from '../program/inputs';
import { clamp } from '../maths/scalar';
import { transformDirection, invertMatrix, positionOf, type Matrix } from '../maths/matrix';
import { intersectPlane, pointOn } from '../maths/ray';
import { rotate } from '../maths/quaternion';
import { add, length, normalise, scale, subtract, type Vec3 } from '../maths/vec3';
import type { TrackFrame } from '../tracking/track-frame';
import { anchorPlaces, layeringOf, type Here } from './anchors';
import { UNTOUCHED, upAxis, type ByHand } from './local';
import { placesOf, within, type ObjectPlaces, type StateNow } from './places';
import type { Presence } from './presence';
import { reshaped } from './reshape';
import { rayFor, touchedAt, viewOf } from './touch';

interface Grip {
  readonly object: number;
  readonly instance: number;
  /** How many fingers, at most two; a change of that begins anew from where things are. */
  readonly fingers: number;
  readonly from: ByHand;
  /** One finger: where it met the plane the object slides on, world space. */
  readonly point: Vec3 | null;
  /** A point of that plane. */
  readonly on: Vec3;
  /** Two fingers: their distance when they began, and their direction a step ago in degrees. */
  readonly spread: number;
  readonly direction: number;
}

export interface HandlingState {
  /** By index of the object; only those that were handled. */
  readonly hands: Readonly<Record<number, ByHand>>;
  readonly grip: Grip | null;
}

const between = (a: Finger, b: Finger, aspect: number): { spread: number; direction: number } => {
  const [x, y] = [(b.x - a.x) * aspect, a.y - b.y];
  return { spread: Math.max(1e-4, Math.hypot(x, y)), direction: (Math.atan2(y, x) * 180) / Math.PI };
};
/** The short way from one direction to another, -180 to 180. */
const turnBetween = (from: number, to: number): number => ((((to - from + 180) % 360) + 360) % 360) - 180;

/** Farther away than this nothing is dragged, in metres: near the horizon a finger would fling it away. */
const FARTHEST = 60;

/** An instant as the gestures see it. */
interface Now {
  readonly here: Here;
  readonly view: View;
  readonly fingers: readonly Finger[];
  readonly places: readonly ObjectPlaces[];
}

export class Handling {
  state: HandlingState = { hands: {}, grip: null };
  private readonly any: boolean;

  constructor(private readonly program: Program) {
    this.any = program.objects.some((o) => o.byViewer !== null);
  }

  /** Index of the object that is held now; null for none. */
  get holds(): number | null {
    return this.state.grip?.object ?? null;
  }

  of(i: number): ByHand | null {
    return this.state.hands[i] ?? null;
  }

  step(frame: TrackFrame, inputs: Inputs, state: StateNow & { readonly presence: Presence }): void {
    if (!this.any) return;
    const { fingers } = inputs;
    const { grip } = this.state;
    if (fingers.length === 0) {
      if (grip) this.state = { ...this.state, grip: null };
      return;
    }
    const view = viewOf(frame, inputs.view);
    const here = reshaped(this.program, state, {
      frame,
      presence: state.presence,
      targets: this.program.targets,
      aspect: view.aspect,
    });
    const now: Now = { here, view, fingers, places: placesOf(this.program, state, here) };
    if (!grip || grip.fingers !== Math.min(2, fingers.length)) this.begin(now);
    else {
      const hand = grip.fingers === 1 ? this.dragged(grip, now) : this.pinched(grip, now);
      if (hand) this.state = { ...this.state, hands: { ...this.state.hands, [grip.object]: hand } };
    }
  }

  private begin(now: Now): void {
    const { fingers, view, places } = now;
    // While one finger holds an object, the second belongs to it wherever it lies.
    const held = this.state.grip ?? this.find(now);
    const place = held && places[held.object]!.places.find((p) => p.instance === held.instance);
    if (!held || !place) return;
    const { object, instance } = held;
    const on = positionOf(place.matrix);
    const two = fingers[1] ? between(fingers[0]!, fingers[1], view.aspect) : { spread: 1, direction: 0 };
    this.state = {
      ...this.state,
      grip: {
        object,
        instance,
        fingers: Math.min(2, fingers.length),
        from: this.of(object) ?? UNTOUCHED,
        point: this.onPlane(object, instance, on, now),
        on,
        ...two,
      },
    };
  }

  /** The object under the fingers that the viewer may handle; two that come down together may hold it between them. */
  private find({ fingers, here, view, places }: Now): { object: number; instance: number } | null {
    const [a, b] = fingers as [Finger, Finger | undefined];
    const tries = b ? [{ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, a, b] : [a];
    for (const point of tries) {
      const touched = touchedAt(this.program, places, here.frame, view, point);
      if (!touched) continue;
      for (let at = touched.object; at >= 0; at = this.program.parents[at]!)
        if (this.program.objects[at]!.byViewer) return { object: at, instance: touched.place.instance };
    }
    return null;
  }

  /** From the space the object hangs in to the world's. */
  private base(object: number, instance: number, { here, places }: Now): Matrix | null {
    const parent = this.program.parents[object]!;
    const all = parent < 0 ? anchorPlaces(this.program.anchors[object]!, here) : places[parent]!.places;
    const base = all.find((p) => p.instance === instance)?.matrix;
    return base ? within(this.program, object, base) : null;
  }

  /** Where the first finger meets the plane that an object slides on: floor, wall, picture; else across the view. */
  private onPlane(object: number, instance: number, on: Vec3, now: Now): Vec3 | null {
    const { here, view, fingers } = now;
    const anchor = this.program.anchors[object]!;
    const layering = layeringOf(anchor.kind);
    const base = this.base(object, instance, now);
    let normal = rotate(here.frame.camera.pose.rotation, [0, 0, 1]);
    if (layering !== 'space') normal = [0, 0, 1];
    else if (base && (anchor.kind === 'world' || anchor.kind === 'picture'))
      normal = normalise(transformDirection(base, upAxis({ anchor })));
    const ray = rayFor(layering, here.frame, view, fingers[0]!);
    const t = intersectPlane(ray, on, normal);
    return t === null || t > FARTHEST ? null : pointOn(ray, t);
  }

  private dragged(grip: Grip, now: Now): ByHand | null {
    const { byViewer } = this.program.objects[grip.object]!;
    const base = this.base(grip.object, grip.instance, now);
    const into = base ? invertMatrix(base) : null;
    const point = this.onPlane(grip.object, grip.instance, grip.on, now);
    if (!byViewer?.drag || !grip.point || !point || !into) return null;
    let offset = add(grip.from.offset, transformDirection(into, subtract(point, grip.point)));
    const far = length(offset);
    if (far > byViewer.reach) offset = scale(offset, byViewer.reach / far);
    return { ...grip.from, offset };
  }

  private pinched(grip: Grip, { fingers, view }: Now): ByHand | null {
    const { byViewer } = this.program.objects[grip.object]!;
    if (!byViewer) return null;
    const { spread, direction } = between(fingers[0]!, fingers[1]!, view.aspect);
    const before = this.of(grip.object) ?? grip.from;
    this.state = { ...this.state, grip: { ...grip, direction } };
    return {
      offset: before.offset,
      factor: byViewer.pinch
        ? clamp((grip.from.factor * spread) / grip.spread, byViewer.least, byViewer.most)
        : before.factor,
      // Followed from step to step, so that it can go round more than once.
      twist: byViewer.twist ? before.twist + turnBetween(grip.direction, direction) : before.twist,
    };
  }
}
