/**
 * Who writes what. In one step they come in this order:
 *
 *   the viewer   controls; offset, size and twist of what may be handled, which lie over the object's own place whatever moves that
 *   cues         objects, scene, variables, prompts, other cues; in the order of the sheet
 *   motion       what shakes, sways and bounces: lies over the object's pose in that step alone, and adds up
 *   drives       whatever `core/kinds/writables` lists, through `written-part.ts`; in their order
 *   circuits     the same, worked out before cues
 *
 * Of two that write the same thing the later one wins. What cues have left behind stays until another cue writes it; motion and drives
 * lie over it, and what is beneath shows again when they end (a variable keeps what was written last). Each gets only what it may write.
 */
import type { WholeWrites } from '../../kinds/actions/action-kind';
import type { Vec3 } from '../../maths/vec3';
import type { Values } from '../../kinds/values';

export interface Motion {
  readonly move: Vec3;
  readonly turn: Vec3;
}

export interface CueWrites extends WholeWrites {
  /** What cues have made of the objects, by their index: changed in place, and it stays. */
  readonly objects: readonly Values[];
  addMotion(object: number, motion: Motion): void;
}
