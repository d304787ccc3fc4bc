/** Who may ask, and how much: names, pages of other sites, depth, how often. */
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import request from 'supertest';
import type { Express } from 'express';
import { blankEffect } from '../core/document/defaults';
import { sampleEffect } from '../core/document/sample';
import { isShallow } from './bounds';
import { testApp } from './testing';

jest.setTimeout(60_000);

let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ app, close } = await testApp({ hosts: ['tide.example'] }));
});
afterAll(() => close());

const code = (response: { body: unknown }) => (response.body as { code?: string }).code;
const make = () => request(app).post('/api/effects').send(blankEffect('Kelp'));
const list = async () => ((await request(app).get('/api/effects')).body as { items: unknown[] }).items.length;

describe('names and sites', () => {
  test.each(['127.0.0.1:4170', 'localhost', '[::1]:80', 'tide.example:443', 'LOCALHOST:1'])(
    '%s is a name of this server',
    async (host) => {
      expect((await request(app).get('/api/effects').set('Host', host)).status).toBe(200);
    },
  );
  test.each([
    'evil.example',
    'evil.example:4170',
    '127.0.0.1.evil.example',
    'localhost.evil.example',
    '10.0.0.7',
  ])('a domain turned to this address is told it is no name of it: %s', async (host) => {
    const refused = await request(app).get('/api/effects').set('Host', host);
    expect([refused.status, code(refused)]).toEqual([421, 'host.unknown']);
    expect((await make().set('Host', host)).status).toBe(421);
  });
  test.each([
    [{ Origin: 'https://evil.example' }],
    [{ Origin: 'null' }],
    [{ Origin: 'http://127.0.0.1:9999', Host: '127.0.0.1:4170' }],
    [{ 'Sec-Fetch-Site': 'cross-site' }],
    [{ 'Sec-Fetch-Site': 'same-site' }],
  ])('a page of another site changes nothing: %j', async (headers) => {
    const before = await list();
    const refused = await make().set(headers as Record<string, string>);
    expect([refused.status, code(refused)]).toEqual([403, 'origin.foreign']);
    const form = await request(app)
      .post('/api/files?name=x.png')
      .set({ ...(headers as Record<string, string>), 'Content-Type': 'text/plain' })
      .send('whatever');
    expect(form.status).toBe(403);
    expect(await list()).toBe(before);
  });
  test('our own pages, and programs that are no browsers, are let in', async () => {
    const own = { Host: '127.0.0.1:4170', Origin: 'http://127.0.0.1:4170', 'Sec-Fetch-Site': 'same-origin' };
    expect((await make().set(own)).status).toBe(201);
    expect((await make()).status).toBe(201);
  });
});

describe('bounds', () => {
  test('thirty copies of two kilobytes are refused before anything is applied', async () => {
    const id = ((await make()).body as { id: string }).id;
    const grow = Array.from({ length: 30 }, () => ({ op: 'copy', from: '/objects', path: '/objects/o' }));
    const started = performance.now();
    const refused = await request(app).patch(`/api/effects/${id}`).send({ revision: 1, patch: grow });
    expect([refused.status, code(refused)]).toEqual([400, 'request.invalid']);
    expect(performance.now() - started).toBeLessThan(5000);
    for (const op of ['copy', 'move', 'test']) {
      const one = { op, from: '/name', path: '/name', value: 'x' };
      expect(
        (
          await request(app)
            .patch(`/api/effects/${id}`)
            .send({ revision: 1, patch: [one] })
        ).status,
      ).toBe(400);
    }
  });
  test('a value a hundred thousand levels deep is refused, and the server goes on', async () => {
    const deep = `${'['.repeat(100_000)}${']'.repeat(100_000)}`;
    const bodies = [
      ['/api/effects', `{"schema":9,"x":${deep}}`],
      ['/api/takes', `{"x":${deep}}`],
      ['/api/shelf', deep],
    ] as const;
    for (const [path, body] of bodies) {
      const refused = await request(app).post(path).set('Content-Type', 'application/json').send(body);
      expect([path, refused.status, code(refused)]).toEqual([
        path,
        400,
        expect.stringMatching(/too-deep|too-large/),
      ]);
    }
    expect((await request(app).get('/healthz')).status).toBe(200);
  });
  test('a pointer of hundreds of levels is refused', async () => {
    const id = ((await make()).body as { id: string }).id;
    const path = '/a'.repeat(200);
    const refused = await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: [{ op: 'add', path, value: 1 }] });
    expect(refused.status).toBe(400);
  });
  test('depth is measured in lists and objects', () => {
    const nested = (levels: number): unknown => (levels === 0 ? 1 : { in: [nested(levels - 1)] });
    expect(isShallow(nested(20), 40)).toBe(true);
    expect(isShallow(nested(21), 40)).toBe(false);
    expect(isShallow(sampleEffect(200, 50))).toBe(true);
    expect(isShallow(null)).toBe(true);
  });
  test('malformed JSON is the sender’s, not our mistake', async () => {
    const refused = await request(app)
      .post('/api/effects')
      .set('Content-Type', 'application/json')
      .send('{"a":');
    expect([refused.status, code(refused)]).toEqual([400, 'request.malformed']);
    expect((refused.body as { detail: string }).detail).not.toMatch(/Iconia itself/);
  });
  test('who asks too often is told so, by kind of request', async () => {
    const small = await testApp({ rates: { reads: 3, saves: 2, uploads: 1, releases: 1, guesses: 1 } });
    const get = async () => (await request(small.app).get('/api/effects')).status;
    expect([await get(), await get(), await get(), await get()]).toEqual([200, 200, 200, 429]);
    const post = () => request(small.app).post('/api/effects').send(blankEffect('Kelp'));
    expect([(await post()).status, (await post()).status]).toEqual([201, 201]);
    const last = await post();
    expect([last.status, code(last)]).toEqual([429, 'request.too-often']);
    await small.close();
  });
});

describe('texts', () => {
  test('half a character or U+0000 is refused with its place, and the effect goes on being saved', async () => {
    const id = ((await make()).body as { id: string }).id;
    for (const value of [`${'a'.repeat(79)}\ud83e`, 'Kelp\0']) {
      const refused = await request(app)
        .patch(`/api/effects/${id}`)
        .send({ revision: 1, patch: [{ op: 'replace', path: '/name', value }] });
      expect([refused.status, code(refused)]).toEqual([422, 'effect.unreadable']);
      expect((refused.body as { detail: string }).detail).toMatch(/name: /);
    }
    const saved = await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: [{ op: 'replace', path: '/name', value: `${'a'.repeat(78)}🦀` }] });
    expect(saved.body).toEqual({ revision: 2 });
  });
});
