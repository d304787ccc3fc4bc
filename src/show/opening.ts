/** An effect that is opened on the page of viewers, wherever it comes from. */
import type { Playable } from './playable';
import type { Player } from './player';

export interface Opening {
  readonly playable: Playable;
  readonly summary: string;
  /** What becomes of the camera picture. */
  readonly small?: string;
  readonly icon: string | null;
  /** It may become anything: whatever an effect can be made of is drawn. */
  readonly mayChange: boolean;
  /** What else is done with it, once it plays. */
  readonly begin?: (player: Player) => void;
}
