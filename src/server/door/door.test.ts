/** What is reached from beyond this computer, and by which certificate. */
import { X509Certificate, createPrivateKey } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import type { AddressInfo } from 'node:net';
import type { RequestListener } from 'node:http';
import type { NetworkInterfaceInfo } from 'node:os';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { certificateFor } from './certificate';
import { networkAddresses } from './network-addresses';
import { openDoor } from './open-door';
import { viewersOnly } from './viewers-only';

const DAY = 86_400_000;
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'iconia-door-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the certificate', () => {
  test('names every address, is good for a server, lasts no longer than phones take, and its key fits', async () => {
    const now = Date.UTC(2026, 0, 10);
    const { cert, key, isNew } = await certificateFor(join(folder, 'a'), ['192.168.1.20', '10.0.0.7'], now);
    expect(isNew).toBe(true);
    const read = new X509Certificate(cert);
    for (const ip of ['192.168.1.20', '10.0.0.7']) expect(read.checkIP(ip)).toBe(ip);
    expect(read.checkIP('192.168.1.21')).toBeUndefined();
    expect(read.checkHost('localhost')).toBe('localhost');
    expect(read.checkPrivateKey(createPrivateKey(key))).toBe(true);
    expect(read.ca).toBe(false);
    expect(read.keyUsage).toEqual(['1.3.6.1.5.5.7.3.1']);
    const lasts = Date.parse(read.validTo) - Date.parse(read.validFrom);
    expect(lasts).toBeLessThanOrEqual(398 * DAY);
    expect(Date.parse(read.validFrom)).toBeLessThan(now);
    // Nobody else reads the key.
    expect(statSync(join(folder, 'a', 'key.pem')).mode & 0o077).toBe(0);
  });

  test('is the same at the next start, and made anew for another address, near its end, or when it is broken', async () => {
    const now = Date.UTC(2026, 0, 10);
    const at = join(folder, 'b');
    const first = await certificateFor(at, ['192.168.1.20'], now);
    expect(await certificateFor(at, ['192.168.1.20'], now + DAY)).toEqual({ ...first, isNew: false });
    expect((await certificateFor(at, ['192.168.1.99'], now)).isNew).toBe(true);
    expect((await certificateFor(at, ['192.168.1.99'], now + 392 * DAY)).isNew).toBe(true);
    writeFileSync(join(at, 'cert.pem'), 'no certificate');
    expect((await certificateFor(at, ['192.168.1.99'], now)).isNew).toBe(true);
    expect(readFileSync(join(at, 'cert.pem'), 'utf8')).toContain('BEGIN CERTIFICATE');
  });
});

test('addresses are those a phone beside it reaches: private ones first, none of its own loop', () => {
  const info = (address: string, internal = false): NetworkInterfaceInfo =>
    ({ address, family: address.includes(':') ? 'IPv6' : 'IPv4', internal }) as NetworkInterfaceInfo;
  expect(
    networkAddresses({
      lo: [info('127.0.0.1', true), info('::1', true)],
      far: [info('203.0.113.9'), info('169.254.3.3')],
      near: [info('192.168.1.20'), info('fe80::1')],
      other: [info('172.20.0.3'), info('192.168.1.20')],
    }),
  ).toEqual(['192.168.1.20', '172.20.0.3', '203.0.113.9']);
});

describe('from beyond', () => {
  const asked: string[] = [];
  const app: RequestListener = (request, response) => {
    asked.push(request.url ?? '');
    response.end('let in');
  };
  const answerTo = (url: string): { status: number; said: string } => {
    let status = 200;
    let said = '';
    viewersOnly(app)(
      { url } as never,
      {
        writeHead: (code: number) => (status = code),
        end: (words: string) => (said = words),
      } as never,
    );
    return { status, said };
  };

  test.each([
    '/try/' + 'a'.repeat(40),
    `/try-api/${'a'.repeat(40)}/events?phone=1`,
    '/show/kelp-1a2b3c',
    '/outlet/kelp-1a2b3c/effect.zip',
    '/assets/show/main-1.js',
    '/trackers/face.js',
  ])('%s is open', (url) => {
    expect(answerTo(url)).toEqual({ status: 200, said: 'let in' });
  });

  test.each([
    '/',
    '/api/effects',
    '/effects/1/try',
    '/api/files/abc',
    '/healthz',
    '/try/../api/effects',
    '/try/%2e%2e/api/effects',
    '/assets/..%2fapi/effects',
    '/assets//api',
    '/assets\\..\\api',
    '/rehearse.html',
    '',
  ])('%s is not', (url) => {
    const before = asked.length;
    const { status, said } = answerTo(url);
    expect([status, asked.length]).toEqual([404, before]);
    expect(said).toMatch(/on the computer that runs it only/);
  });

  test('the door itself: a page comes by HTTPS under the certificate that was given, the atelier does not', async () => {
    const made = await certificateFor(join(folder, 'c'), ['127.0.0.1']);
    const files = { cert: join(folder, 'c', 'cert.pem'), key: join(folder, 'c', 'key.pem') };
    const { server, doors, words } = await openDoor(
      { port: 0, certificate: files },
      ['tide.example'],
      folder,
      app,
    );
    const { port } = server.address() as AddressInfo;
    expect(doors).toEqual([{ base: `https://tide.example:${port}`, reach: 'name' }]);
    expect(words.join(' ')).toContain(`https://tide.example:${port}`);
    const get = (path: string): Promise<number> =>
      new Promise((done, fail) =>
        // Trusted by what was made alone: another certificate would be refused.
        request({ host: '127.0.0.1', port, path, ca: made.cert }, (response) => {
          response.resume();
          done(response.statusCode ?? 0);
        })
          .on('error', fail)
          .end(),
      );
    expect(await get('/try/' + 'a'.repeat(40))).toBe(200);
    expect(await get('/api/effects')).toBe(404);
    await new Promise((done) => server.close(done));
  });

  test.each([
    [
      'a certificate that is not there',
      { cert: '/nowhere/cert.pem', key: '/nowhere/key.pem' },
      /cannot be read/,
    ],
    ['one that is none', null, /cannot be used: they have to be PEM files/],
  ])('%s is refused with a sentence', async (_, certificate, words) => {
    const broken = { cert: join(folder, 'broken.pem'), key: join(folder, 'broken.pem') };
    writeFileSync(broken.cert, 'nothing');
    await expect(
      openDoor({ port: 0, certificate: certificate ?? broken }, ['tide.example'], folder, app),
    ).rejects.toThrow(words);
  });
});
