/** Each page and worker gets the policy that it needs, and no more. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import type { Express } from 'express';
import { testApp } from './testing';

let app: Express;
let close: () => Promise<void>;
const clientDir = mkdtempSync(join(tmpdir(), 'iconia-policies-'));
beforeAll(async () => {
  mkdirSync(join(clientDir, 'assets', 'workers'), { recursive: true });
  for (const file of [
    'index.html',
    'show.html',
    'assets/main-1.js',
    'assets/workers/intake-worker-1.js',
    'assets/workers/ktx2-worker-1.js',
  ])
    writeFileSync(join(clientDir, file), '//');
  ({ app, close } = await testApp({ clientDir }));
});
afterAll(async () => {
  await close();
  rmSync(clientDir, { recursive: true });
});
/** The sources of one directive. */
const allowed = async (path: string, directive: string): Promise<string[]> => {
  const { status, headers } = await request(app).get(path);
  expect([path, status]).toEqual([path, 200]);
  const policy = headers['content-security-policy']!.split(';').map((d) => d.trim().split(' '));
  return policy.find(([name]) => name === directive)?.slice(1) ?? [];
};

test('only the workers that need it may make code of texts; WebAssembly is for all', async () => {
  for (const path of ['/', '/show/some-effect', '/assets/main-1.js', '/assets/workers/intake-worker-1.js'])
    expect([path, await allowed(path, 'script-src')]).toEqual([path, ["'self'", "'wasm-unsafe-eval'"]]);
  expect(await allowed('/assets/workers/ktx2-worker-1.js', 'script-src')).toContain("'unsafe-eval'");
});
test('only the worker that opens files may start helpers from memory', async () => {
  expect(await allowed('/assets/workers/intake-worker-1.js', 'worker-src')).toEqual(["'self'", 'blob:']);
  for (const path of ['/', '/show/some-effect', '/assets/workers/ktx2-worker-1.js'])
    expect(await allowed(path, 'worker-src')).toEqual(["'self'"]);
});
test('pages may ask for what effects use, and for nothing else; nobody else’s page may', async () => {
  for (const path of ['/', '/effects/x/try', '/show/some-effect', '/healthz']) {
    const { headers } = await request(app).get(path);
    const policy = Object.fromEntries(
      headers['permissions-policy']!.split(', ').map((p) => p.split('=')),
    ) as object;
    expect([path, policy]).toEqual([
      path,
      {
        camera: '(self)',
        microphone: '(self)',
        accelerometer: '(self)',
        gyroscope: '(self)',
        magnetometer: '(self)',
        'xr-spatial-tracking': '(self)',
        geolocation: '()',
        payment: '()',
        usb: '()',
        'display-capture': '()',
      },
    ]);
  }
});
test('nobody may fetch from elsewhere', async () => {
  for (const path of ['/', '/show/some-effect', '/assets/workers/intake-worker-1.js'])
    expect(await allowed(path, 'connect-src')).toEqual(["'self'", 'blob:']);
});
test('a built file that is not there is no page', async () => {
  const { status, headers } = await request(app).get('/assets/main-2.js');
  expect(status).toBe(404);
  expect(headers['content-type']).toContain('json');
});
