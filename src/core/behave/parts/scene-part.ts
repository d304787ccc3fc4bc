/** Which scene is on. */
import type { SceneId } from '../../document/schema';
import type { Program } from '../../program/program';
import type { Part } from './part';

export class ScenePart implements Part<SceneId | null> {
  now: SceneId | null;

  /** Begins with `first`, or with the opening scene. */
  constructor(
    private readonly program: Program,
    first: SceneId | null,
  ) {
    this.now = this.isThere(first) ? first : program.openingScene;
  }
  private isThere(scene: SceneId | null): boolean {
    return scene !== null && this.program.effect.scenes[scene] !== undefined;
  }

  /** Goes to a scene; one that is not there is left alone. */
  go(scene: SceneId | null): void {
    if (this.isThere(scene)) this.now = scene;
  }

  save(): SceneId | null {
    return this.now;
  }
  restore(state: SceneId | null): void {
    this.now = state;
  }
  carry(_before: Program, state: SceneId | null): SceneId | null {
    return this.isThere(state) ? state : this.now;
  }
}
