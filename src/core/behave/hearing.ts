/** What the viewer does with fingers and head, told apart as gestures from step to step. */
import { triggersOf } from '../document/behaviour-queries';
import type { TouchGesture } from '../document/schema';
import type { Here } from '../placing/anchors';
import { facesBySlot } from '../placing/presence';
import { touchedAt, viewOf } from '../placing/touch';
import { STEP } from '../units';
import type { PicturePoint } from '../program/inputs';
import type { Program } from '../program/program';
import type { Instant } from './signals';
import { nextHeadGesture, type HeadGestureState } from './watch/head-gesture';
import { NO_TOUCH, nextTouch, type TouchState } from './watch/touch-gesture';
import type { Happened } from '../kinds/triggers/trigger-kind';

export interface HearingState {
  readonly touch: TouchState;
  /** The last tap and the step it was in, for double taps. */
  readonly tapped: { readonly at: PicturePoint; readonly step: number } | null;
  /** By the number of the face. */
  readonly heads: Readonly<Record<number, HeadGestureState>>;
}

/** Two taps within so many seconds and so near, in shares of the picture, are one double tap. */
const AGAIN = 0.35;
const NEAR = 0.08;

export class Hearing {
  state: HearingState = { touch: NO_TOUCH, tapped: null, heads: {} };
  /** Only what some trigger waits for is found out. */
  private readonly wantsObjects: boolean;
  private readonly faces: readonly number[];

  constructor(private readonly program: Program) {
    const triggers = triggersOf(program.effect);
    this.wantsObjects = triggers.some((t) => t.kind === 'touch');
    this.faces = [...new Set(triggers.flatMap((t) => (t.kind === 'head' ? [t.face] : [])))];
  }

  step(at: Instant, here: Here): Pick<Happened, 'touches' | 'headGestures'> {
    return { touches: this.touches(at, here), headGestures: this.gestures(at) };
  }

  private touches(at: Instant, here: Here): Happened['touches'] {
    const { inputs, frame, step } = at;
    const { tapped } = this.state;
    if (inputs.taps.length === 0 && inputs.fingers.length === 0 && this.state.touch.down === null) return [];
    const events: { gesture: TouchGesture; at: PicturePoint }[] = [];
    const { aspect } = viewOf(frame, inputs.view);
    let last = tapped;
    for (const tap of inputs.taps) {
      events.push({ gesture: 'tap', at: tap });
      const twice =
        last !== null &&
        (step - last.step) * STEP <= AGAIN &&
        Math.hypot((tap.x - last.at.x) * aspect, tap.y - last.at.y) < NEAR;
      if (twice) events.push({ gesture: 'doubleTap', at: tap });
      last = twice ? null : { at: tap, step };
    }
    const next = nextTouch(this.state.touch, inputs.fingers, aspect, STEP);
    // A tap counts when the finger comes down, so those are told by `taps`.
    for (const { kind, at: point } of next.events)
      if (kind !== 'tap' && kind !== 'doubleTap') events.push({ gesture: kind, at: point });
    this.state = { ...this.state, touch: next.state, tapped: last };
    return events.map(({ gesture, at: point }) => ({ gesture, objects: this.met(point, at, here) }));
  }

  private met(point: PicturePoint, { frame, inputs, now }: Instant, here: Here): number[] {
    if (!this.wantsObjects) return [];
    const touched = touchedAt(this.program, now.places(), here.frame, viewOf(frame, inputs.view), point);
    const objects: number[] = [];
    for (let i = touched?.object ?? -1; i >= 0; i = this.program.parents[i]!) objects.push(i);
    return objects;
  }

  private gestures({ frame, now }: Instant): Happened['headGestures'] {
    if (this.faces.length === 0) return [];
    const faces = facesBySlot(now.presence, frame);
    const heads: Record<number, HeadGestureState> = {};
    const found: { face: number; gesture: 'nod' | 'shake' | 'tilt' }[] = [];
    for (const number of this.faces) {
      const face = faces[number - 1];
      // A face that comes back begins anew.
      if (!face) continue;
      const next = nextHeadGesture(this.state.heads[number] ?? null, face.pose.rotation, STEP);
      heads[number] = next.state;
      if (next.gesture) found.push({ face: number, gesture: next.gesture });
    }
    this.state = { ...this.state, heads };
    return found;
  }
}
