/** A whole piece of work, from Home to a picture that does what was wanted; it says how many actions it may take. */
import type { Effect } from '../../src/core/document/schema';
import type { Hand } from './hand';

export interface Piece {
  readonly name: string;
  readonly most: number;
  /** Files that it needs, by their names. */
  readonly make: (hand: Hand, file: (name: string) => string) => Promise<void>;
  /** What has to be in the document then. */
  readonly proves: (effect: Effect) => void;
}
