/** Before all interface tests: one server on fresh data, one clip for the fake camera. */
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { CLIP_FILE, E2E_PORT } from '../playwright.config';
import { writeClip } from './harness/clip';
import { startServer } from './harness/server';

export default async function setUp(): Promise<() => Promise<void>> {
  const data = mkdtempSync(join(tmpdir(), 'iconia-e2e-'));
  const server = await startServer(data, E2E_PORT);
  mkdirSync(dirname(CLIP_FILE), { recursive: true });
  if (existsSync(CLIP_FILE)) rmSync(CLIP_FILE);
  await writeClip(CLIP_FILE);
  return async () => {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  };
}
