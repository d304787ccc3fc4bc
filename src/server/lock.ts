/**
 * One process a data folder: a second one would open the database without being refused, and writes would
 * be lost. The lock file holds the owner's pid and start time; a lock whose process is gone is taken over.
 */
import { closeSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';

interface Owner {
  readonly pid: number;
  /** When that process started, in clock ticks since boot; tells a reused pid apart. Null where unknown. */
  readonly startedAt: string | null;
  readonly address: string;
}

const startOf = (pid: number): string | null => {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
};

const alive = (owner: Owner): boolean => {
  try {
    process.kill(owner.pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ESRCH') return false;
  }
  const start = startOf(owner.pid);
  return start === null || owner.startedAt === null || start === owner.startedAt;
};

export class FolderInUse extends Error {}

/** Takes the lock, or throws `FolderInUse` naming the process that has it. Returns the release. */
export const lockFolder = (dataDir: string, address: string): (() => void) => {
  mkdirSync(dataDir, { recursive: true });
  const file = join(dataDir, 'in-use.json');
  const mine: Owner = { pid: process.pid, startedAt: startOf(process.pid), address };
  for (let attempt = 0; attempt < 3; attempt++) {
    try {
      const handle = openSync(file, 'wx');
      writeSync(handle, JSON.stringify(mine));
      closeSync(handle);
      return () => rmSync(file, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    let owner: Owner | null = null;
    try {
      owner = JSON.parse(readFileSync(file, 'utf8')) as Owner;
    } catch {
      // Half-written by a process that was killed just then: nobody holds it.
    }
    if (owner && alive(owner))
      throw new FolderInUse(
        `The data folder ${dataDir} is in use by process ${owner.pid} (${owner.address}). Open that address, stop that process, or choose another folder with --data DIR.`,
      );
    rmSync(file, { force: true });
  }
  throw new FolderInUse(
    `The data folder ${dataDir} could not be locked. Delete ${file} if no Iconia is running.`,
  );
};
