/**
 * What fingers on the picture do: tap, double tap, hold, drag, pinch, twist. Plain data that one step turns into the next; places
 * are shares of the picture, distances shares of its height.
 */
import type { Degrees, Seconds } from '../../units';
import type { Finger, PicturePoint } from '../../program/inputs';

export const TOUCH_GESTURES = ['tap', 'doubleTap', 'hold', 'drag', 'pinch', 'twist'] as const;
export type TouchGesture = (typeof TOUCH_GESTURES)[number];

export interface TouchEvent {
  readonly kind: TouchGesture;
  readonly at: PicturePoint;
}

/** A finger that lies longer than this holds... */
const HOLDS: Seconds = 0.45;
/** ...and two taps within this are one double tap, */
const AGAIN: Seconds = 0.35;
/** if they are this near. */
const NEAR = 0.06;
/** From here on it is dragged. */
const DRAGGED = 0.025;
/** Share of their distance by which two fingers pinch, and the angle from which they twist. */
const PINCHED = 0.12;
const TWISTED: Degrees = 12;

interface Down {
  readonly at: PicturePoint;
  readonly time: Seconds;
  /** What it has become: nothing more is told of the same one. */
  readonly told: readonly TouchGesture[];
  /** The second finger came down here, from the first: distance and direction. */
  readonly pair: { readonly far: number; readonly way: Degrees } | null;
  /** Where it was last. */
  readonly last: PicturePoint;
}
export interface TouchState {
  readonly down: Down | null;
  /** The last tap, and how long ago; null when it can have no second. */
  readonly tapped: { readonly at: PicturePoint; readonly ago: Seconds } | null;
}
export const NO_TOUCH: TouchState = { down: null, tapped: null };

const between = (a: PicturePoint, b: PicturePoint, aspect: number): { far: number; way: Degrees } => {
  const [dx, dy] = [(b.x - a.x) * aspect, b.y - a.y];
  return { far: Math.hypot(dx, dy), way: (Math.atan2(dy, dx) * 180) / Math.PI };
};
/** The short way from one direction to another. */
const turned = (from: Degrees, to: Degrees): Degrees => ((((to - from) % 360) + 540) % 360) - 180;

/** One step of `step` seconds. `aspect` is the width of the picture over its height. */
export const nextTouch = (
  state: TouchState,
  fingers: readonly Finger[],
  aspect: number,
  step: Seconds,
): { readonly state: TouchState; readonly events: readonly TouchEvent[] } => {
  const events: TouchEvent[] = [];
  const ago = state.tapped ? state.tapped.ago + step : 0;
  const tapped = state.tapped && ago <= AGAIN ? { at: state.tapped.at, ago } : null;
  const [first, second] = fingers;
  if (!first) {
    const { down } = state;
    // Whatever it has become, it is no tap.
    if (!down || down.told.length > 0 || down.pair) return { state: { down: null, tapped }, events };
    const twice = tapped !== null && between(tapped.at, down.last, aspect).far < NEAR;
    events.push({ kind: 'tap', at: down.last });
    if (twice) events.push({ kind: 'doubleTap', at: down.last });
    return { state: { down: null, tapped: twice ? null : { at: down.last, ago: 0 } }, events };
  }
  const at: PicturePoint = { x: first.x, y: first.y };
  const old: Down = state.down ?? { at, time: 0, told: [], pair: null, last: at };
  const told = [...old.told];
  const tell = (kind: TouchGesture): void => {
    if (told.includes(kind)) return;
    told.push(kind);
    events.push({ kind, at });
  };
  const now = second ? between(first, second, aspect) : null;
  const pair = old.pair ?? now;
  if (now && old.pair) {
    if (Math.abs(now.far / Math.max(0.001, old.pair.far) - 1) > PINCHED) tell('pinch');
    if (Math.abs(turned(old.pair.way, now.way)) > TWISTED) tell('twist');
  } else if (!pair) {
    if (between(old.at, at, aspect).far > DRAGGED) tell('drag');
    else if (old.time + step > HOLDS && !told.includes('drag')) tell('hold');
  }
  return { state: { down: { ...old, time: old.time + step, told, pair, last: at }, tapped }, events };
};
