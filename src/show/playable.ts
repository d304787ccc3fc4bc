/** What is played, and where its files come from. */
import type { Effect, FileRef } from '../core/document/schema';
import type { FileSource } from '../stage/effect/texture-store';

export interface Playable {
  readonly effect: Effect;
  readonly files: FileSource;
  /** The address of a file; null where it is not there. */
  readonly urlOf: (file: FileRef) => string | null;
  /** What its printed pictures are found by, where that was made before. */
  readonly targets?: ReadonlyMap<string, Uint8Array>;
}
