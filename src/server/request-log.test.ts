/** The log of requests. */
import { afterAll, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openRequestLog } from './request-log';

const folder = mkdtempSync(join(tmpdir(), 'iconia-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('a server that ends the moment it has begun writes what it has to say', () => {
  const file = join(folder, 'requests.log');
  const log = openRequestLog(file);
  log.info({ path: '/healthz' });
  // Nothing is waited for: no other thread has it still to write.
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ path: '/healthz' });
});
