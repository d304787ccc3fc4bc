/** The mean colour of a face's skin, or of its lips, in the camera picture, as a texture of one pixel: nothing is read back. */
import { Vector2, Vector3, type PerspectiveCamera, type Texture, type WebGLRenderer } from 'three';
import { toOuter } from '../../core/maths/pose';
import { pointAt } from '../../core/maths/vec3';
import type { TrackedFace } from '../../core/tracking/track-frame';
import { byteTarget, passMaterial, PassQuad, texture, value } from '../passes';
import { MEAN_FRAGMENT, MEAN_POINTS } from './look-shader';

/** Cheeks, forehead, nose and chin: bare skin on nearly everybody. */
export const SKIN_POINTS: readonly number[] = [
  50, 280, 101, 330, 151, 9, 108, 337, 205, 425, 117, 346, 199, 5, 36, 266,
];
/** The red of both lips, away from its border and from the mouth. */
export const LIP_POINTS: readonly number[] = [
  ...[11, 72, 302, 73, 303, 74],
  ...[16, 85, 315, 180, 404, 15, 86, 316, 179, 403],
];

export class MeanColour {
  private readonly target = byteTarget(1, 1);
  private readonly quad = new PassQuad();
  private readonly points = Array.from({ length: MEAN_POINTS }, () => new Vector2());
  private readonly pass = passMaterial(MEAN_FRAGMENT, { beneath: texture(), points: value(this.points) });
  private readonly at = new Vector3();

  /** `landmarks` of which the mean is taken: `MEAN_POINTS` of them. */
  constructor(private readonly landmarks: readonly number[]) {}

  get texture(): Texture {
    return this.target.texture;
  }

  measure(renderer: WebGLRenderer, picture: Texture, face: TrackedFace, camera: PerspectiveCamera): void {
    this.landmarks.forEach((index, i) => {
      this.at.set(...toOuter(face.pose, pointAt(face.landmarks, index))).project(camera);
      this.points[i]!.set(0.5 + 0.5 * this.at.x, 0.5 + 0.5 * this.at.y);
    });
    this.pass.uniforms.beneath!.value = picture;
    this.quad.draw(renderer, this.pass, this.target);
  }

  dispose(): void {
    this.target.dispose();
    this.pass.dispose();
    this.quad.dispose();
  }
}
