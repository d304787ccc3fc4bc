/** Work that would block the server's thread: looking a file over, building a package. `worker-jobs.ts` does it in a thread of its own. */
import type { Effect, FileMime } from '../../core/document/schema';

export interface BuiltPackage {
  readonly zip: Uint8Array;
  readonly name: string;
  readonly manifest: unknown;
}

export interface Jobs {
  /** What a file is kept as; throws `IconiaError` with what is wrong with it. */
  check(path: string, name: string): Promise<FileMime>;
  /** The released package; `paths` are the files of the effect by content. */
  build(effect: Effect, release: number, paths: Readonly<Record<string, string>>): Promise<BuiltPackage>;
  stop(): Promise<void>;
}
