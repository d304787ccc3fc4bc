/** The library for looking around wants to be handed the parts of three it uses, once. */
import CameraControls from 'camera-controls';
import { Box3, Matrix4, Quaternion, Raycaster, Sphere, Spherical, Vector2, Vector3, Vector4 } from 'three';

let installed = false;
export const installCameraControls = (): void => {
  if (installed) return;
  installed = true;
  CameraControls.install({
    THREE: { Box3, Matrix4, Quaternion, Raycaster, Sphere, Spherical, Vector2, Vector3, Vector4 } as never,
  });
};
