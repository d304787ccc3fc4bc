/** From the head space of a face to where it is seen. */
import { Matrix4, type PerspectiveCamera } from 'three';
import { fromPose } from '../../core/maths/matrix';
import type { Pose } from '../../core/maths/pose';

const head = new Matrix4();

/** Head space to clip space of the camera, written into `into`. */
export const headToClip = (camera: PerspectiveCamera, pose: Pose, into: Matrix4): Matrix4 => {
  camera.updateMatrixWorld();
  return into
    .multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse)
    .multiply(head.fromArray(fromPose(pose) as number[]));
};
