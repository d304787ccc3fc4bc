/** Writing so that it stays: beside, synced, renamed. And what there is room for. */
import { closeSync, fsyncSync, openSync, readdirSync, statfsSync } from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Problem } from './problem';

const MB = 1024 * 1024;

/** The name of a folder is on the disk, and what stands in it. Some systems cannot sync folders; there renaming has to do. */
export const syncFolder = (folder: string): void => {
  let handle: number;
  try {
    handle = openSync(folder, 'r');
  } catch {
    return;
  }
  try {
    fsyncSync(handle);
  } catch (error) {
    if (!['EPERM', 'EINVAL', 'EISDIR', 'ENOTSUP'].includes((error as NodeJS.ErrnoException).code ?? ''))
      throw error;
  } finally {
    closeSync(handle);
  }
};

/** Every file and folder below is on the disk. */
export const syncTree = (folder: string): void => {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) syncTree(path);
    else if (entry.isFile()) {
      const handle = openSync(path, 'r');
      fsyncSync(handle);
      closeSync(handle);
    }
  }
  syncFolder(folder);
};

export const syncFile = async (path: string): Promise<void> => {
  const handle = await open(path, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
};

/** A synced file takes its place, and the place is on the disk too. */
export const moveInto = async (from: string, to: string): Promise<void> => {
  await rename(from, to);
  syncFolder(dirname(to));
};

export type FreeBytes = (folder: string) => number;
export const freeBytes: FreeBytes = (folder) => {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
};

const FULL = new Set(['ENOSPC', 'EDQUOT', '53100']);

/** Whether an error, or what caused it, says that the disk is full. */
export const isDiskFull = (error: unknown): boolean => {
  for (let e = error, depth = 0; typeof e === 'object' && e !== null && depth < 5; depth++) {
    const { code, errno, cause } = e as { code?: unknown; errno?: unknown; cause?: unknown };
    // Emscripten tells by number: 51 is ENOSPC there.
    if (FULL.has(String(code)) || ('errno' in e && !('syscall' in e) && errno === 51)) return true;
    e = cause;
  }
  return false;
};

const size = (bytes: number): string => `${Math.max(1, Math.ceil(bytes / MB))} MB`;

/** `need` is what was to be written, in bytes. */
export const diskFull = (need: number | null = null): Problem =>
  new Problem(
    507,
    'disk.full',
    `The disk that holds Iconia's data is full${need === null ? '' : `: ${size(need)} more are needed`}. Nothing was changed. Make room on it, then try again.`,
  );

/** Throws when there is not room for so much; something is always left for the database to work with. */
export const needRoom = (folder: string, bytes: number, free: FreeBytes = freeBytes): void => {
  const left = free(folder) - 16 * MB;
  if (left < bytes)
    throw new Error(
      `The disk has no room for Iconia's data in ${folder}: ${size(bytes - left)} more are needed. Make room, or choose another folder with --data DIR.`,
      { cause: { code: 'ENOSPC' } },
    );
};
