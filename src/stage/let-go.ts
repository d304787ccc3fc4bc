/** Letting go of what draws. */
import type { WebGLRenderer } from 'three';

/**
 * Frees a renderer and its context at once. Without the last, a context and all it holds wait for the collector, and browsers keep
 * only so many: the oldest, perhaps the one that is looked at, is taken away for a new one.
 */
export const letGo = (renderer: WebGLRenderer): void => {
  renderer.dispose();
  renderer.forceContextLoss();
};
