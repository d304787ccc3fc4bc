import { afterEach, describe, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FolderInUse, lockFolder } from './lock';

const folder = mkdtempSync(join(tmpdir(), 'iconia-lock-'));
const file = join(folder, 'in-use.json');
afterEach(() => rmSync(file, { force: true }));

describe('one process a data folder', () => {
  test('a second opener is told who has it', () => {
    const release = lockFolder(folder, 'http://127.0.0.1:1');
    expect(() => lockFolder(folder, 'http://127.0.0.1:2')).toThrow(FolderInUse);
    expect(() => lockFolder(folder, 'http://127.0.0.1:2')).toThrow(
      `process ${process.pid} (http://127.0.0.1:1)`,
    );
    release();
    lockFolder(folder, 'http://127.0.0.1:2')();
  });
  test('a lock whose process is gone, or half-written, is taken over', () => {
    for (const left of [
      JSON.stringify({ pid: 2 ** 22 + 12345, startedAt: '1', address: 'x' }),
      '{"pid": 12',
    ]) {
      writeFileSync(file, left);
      lockFolder(folder, 'here');
      expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ pid: process.pid });
      rmSync(file);
    }
  });
  test('a pid that was given to another program since is not mistaken for the owner', () => {
    writeFileSync(file, JSON.stringify({ pid: process.pid, startedAt: '1', address: 'x' }));
    expect(() => lockFolder(folder, 'here')).not.toThrow();
  });
});
