/**
 * Stands in for parts of the drawing library that the show page does without, since it is to be small: headsets, since it is seen on a screen;
 * groups of uniforms, which no material here has; and an output of its own, since passes are ours. The renderer makes each of them, or asks
 * whether it is in use; what would really use one is refused.
 */
import { EventDispatcher } from 'three/src/core/EventDispatcher.js';

export class WebXRManager extends EventDispatcher {
  enabled = false;
  readonly isPresenting = false;
  setAnimationLoop(): void {}
  dispose(): void {}
  hasDepthSensing(): boolean {
    return false;
  }
  getEnvironmentBlendMode(): undefined {}
}

const refused = (what: string) => (): never => {
  throw new Error(`The show page draws without ${what}.`);
};

export function WebGLUniformsGroups(): { bind(): never; update(): never; dispose(): void } {
  const refuse = refused('groups of uniforms');
  return { bind: refuse, update: refuse, dispose: () => undefined };
}

export class WebGLOutput {
  constructor() {
    refused('an output of its own')();
  }
}
