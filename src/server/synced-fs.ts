/**
 * The file system of the database, with the one thing that PGlite leaves out: `fsync`. PostgreSQL asks for it where it has to, the
 * log before an answer, data before a checkpoint is written; here those calls reach the disk. So an acknowledged save survives
 * a power cut.
 */
import { fsyncSync } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** What of an open file is needed here. */
interface OpenFile {
  readonly nfd: number;
  readonly path: string;
}

export class SyncedFs extends NodeFS {
  /** `onSync` is told of each file once all that was written to it is on the disk. */
  constructor(
    folder: string,
    private readonly onSync: (path: string) => void = () => {},
  ) {
    super(folder);
  }

  override async init(...[pg, options]: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const started = await super.init(pg, options);
    started.emscriptenOpts.preRun?.push((module) => {
      const { stream_ops } = (module as unknown as { NODEFS: { stream_ops: Record<string, unknown> } })
        .NODEFS;
      stream_ops.fsync = ({ nfd, path }: OpenFile): number => {
        fsyncSync(nfd);
        this.onSync(path);
        return 0;
      };
    });
    return started;
  }
}

/** PGlite switches syncing off; these are its own parameters with that left out. */
export const SYNCED_PARAMS = [
  ...(PGlite as unknown as { defaultStartParams: string[] }).defaultStartParams.filter((p) => p !== '-F'),
  '-c',
  'fsync=on',
  // `fdatasync` goes nowhere in WebAssembly.
  '-c',
  'wal_sync_method=fsync',
];
