/** A face laid flat, as the camera saw it at one moment, read from the graphics card: to be painted over. */
import { FramebufferTexture, LinearFilter, Vector2, type PerspectiveCamera, type WebGLRenderer } from 'three';
import type { TrackedFace } from '../core/tracking/track-frame';
import { FlatFace } from './backdrop/flat-face';
import type { SeenCutout } from './effect/seen-cutouts';
import { byteTarget, copyDrawn } from './passes';

/** Pixels along each side. */
const PIXELS = 768;

/** To be called while the camera picture stands alone on the canvas. Rows run from the lowest. */
export const photographOf = (
  renderer: WebGLRenderer,
  camera: PerspectiveCamera,
  face: TrackedFace,
): SeenCutout => {
  const { x, y } = renderer.getDrawingBufferSize(new Vector2());
  const picture = new FramebufferTexture(x, y);
  picture.minFilter = picture.magFilter = LinearFilter;
  copyDrawn(renderer, picture);
  const into = byteTarget(PIXELS, PIXELS);
  const flat = new FlatFace();
  camera.updateMatrixWorld();
  flat.draw(renderer, camera, face, picture, into);
  const pixels = new Uint8Array(4 * PIXELS * PIXELS);
  renderer.readRenderTargetPixels(into, 0, 0, PIXELS, PIXELS, pixels);
  for (const made of [picture, into, flat]) made.dispose();
  return { width: PIXELS, height: PIXELS, pixels };
};
