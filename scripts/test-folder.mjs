// The folder for what tests leave while they run. In memory, where the machine has such a folder: databases sync every save, and a disk
// takes longer for that than most tests.
import { accessSync, constants, mkdirSync, readdirSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const IN_MEMORY = '/dev/shm';
const PREFIX = 'iconia-tests-';
/** What all tests leave at once stays below. */
const BYTES_NEEDED = 4 * 2 ** 30;

const hasRoomInMemory = () => {
  try {
    accessSync(IN_MEMORY, constants.W_OK);
    const { bavail, bsize } = statfsSync(IN_MEMORY);
    return bavail * bsize > BYTES_NEEDED;
  } catch {
    return false;
  }
};
const runs = (pid) => {
  try {
    return process.kill(pid, 0);
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** A new folder; it goes with the process. What runs that were killed have left goes too. */
export const makeTestFolder = () => {
  const parent = hasRoomInMemory() ? IN_MEMORY : tmpdir();
  const remove = (name) => rmSync(join(parent, name), { recursive: true, force: true });
  for (const name of readdirSync(parent))
    if (name.startsWith(PREFIX) && !runs(Number(name.slice(PREFIX.length)))) remove(name);
  const own = `${PREFIX}${process.pid}`;
  mkdirSync(join(parent, own), { recursive: true });
  process.on('exit', () => remove(own));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
  return join(parent, own);
};
