/** What the viewer did since the last step, and what of the camera is seen. */
import type { ControlId, ViewerEvent } from '../document/schema';
import type { Degrees, Unit } from '../units';

/** A point of the picture: x and y from 0 to 1, from the top left. */
export interface PicturePoint {
  readonly x: Unit;
  readonly y: Unit;
}
/** A finger on the picture. Fingers are told apart by their id. */
export interface Finger extends PicturePoint {
  readonly id: number;
}

/** A control was brought to a value; a button that is pressed counts up. */
export interface ControlSet {
  readonly control: ControlId;
  readonly value: number;
}

export interface Inputs {
  readonly taps: readonly PicturePoint[];
  /** The fingers that lie on the picture now. */
  readonly fingers: readonly Finger[];
  /** What of the camera is seen; without it the whole upright picture. */
  readonly view?: View;
  readonly controls?: readonly ControlSet[];
  readonly events?: readonly ViewerEvent[];
  /** How loud the microphone hears it. */
  readonly loudness?: Unit;
}
/** Opening angle from top to bottom, and width over height. */
export interface View {
  readonly fovY: Degrees;
  readonly aspect: number;
}
export const NO_INPUTS: Inputs = { taps: [], fingers: [] };
