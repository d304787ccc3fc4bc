/** How a device is held, as browsers say it, and what its camera looks at because of it. */
import { fromAxisAngle, multiplyQuaternions, type Quaternion } from '../maths/quaternion';
import type { Degrees } from '../units';

/**
 * As in W3C Device Orientation: the device is turned by `alpha` about its Z, then by `beta` about X, then by `gamma` about Y; all zero it lies on its
 * back with its upper edge to the north. `screen` is how far the page is turned on the device.
 */
export interface DeviceTurn {
  readonly alpha: Degrees;
  readonly beta: Degrees;
  readonly gamma: Degrees;
  readonly screen: Degrees;
}

const turnAbout = (axis: 'x' | 'y' | 'z', angle: Degrees): Quaternion =>
  fromAxisAngle(axis === 'x' ? [1, 0, 0] : axis === 'y' ? [0, 1, 0] : [0, 0, 1], angle);

/**
 * The turn of a camera in a world with +Y up and north at -Z (it looks along its own -Z). The earth's frame of the standard has Z up and Y to the north;
 * the camera on the back looks out of the device, and the page may be turned on the screen. The one towards the viewer looks the other way.
 */
export const cameraTurn = ({ alpha, beta, gamma, screen }: DeviceTurn, looksAtViewer = false): Quaternion =>
  [
    turnAbout('x', -90),
    turnAbout('z', alpha),
    turnAbout('x', beta),
    turnAbout('y', gamma),
    turnAbout('z', -screen),
    ...(looksAtViewer ? [turnAbout('y', 180)] : []),
  ].reduce(multiplyQuaternions);
