/** Looking around a scene with the pointer, in a view that is drawn only when something asks for it. */
import CameraControls from 'camera-controls';
import {
  Box3,
  Matrix4,
  Quaternion,
  Raycaster,
  Sphere,
  Spherical,
  Vector2,
  Vector3,
  Vector4,
  type PerspectiveCamera,
} from 'three';

/** The library wants to be handed the parts of three it uses, once. */
let installed = false;
const install = (): void => {
  if (installed) return;
  installed = true;
  CameraControls.install({
    THREE: { Box3, Matrix4, Quaternion, Raycaster, Sphere, Spherical, Vector2, Vector3, Vector4 } as never,
  });
};

/**
 * Turns and nears the camera at once, without easing. Whoever draws calls `update` first: only then is taken over what the pointer
 * did. So the pointer has to ask for a picture, and a camera that moved on for another one.
 */
export const lookAround = (
  camera: PerspectiveCamera,
  canvas: HTMLCanvasElement,
  onNeedsDraw: () => void,
): CameraControls => {
  install();
  const orbit = new CameraControls(camera, canvas);
  orbit.smoothTime = 0.0001;
  orbit.draggingSmoothTime = 0.0001;
  orbit.addEventListener('control', onNeedsDraw);
  orbit.addEventListener('update', onNeedsDraw);
  return orbit;
};
