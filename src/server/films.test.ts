/** Films of effects: kept by revision, shown to lists, gone with their effect; what is no film is refused. */
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import type { Express } from 'express';
import sharp from 'sharp';
import request from 'supertest';
import { CONTRACT } from '../core/contract/contract';
import { addressOf } from '../core/contract/route';
import { blankEffect } from '../core/document/defaults';
import { diff } from '../core/document/patch';
import { testApp } from './testing';

jest.setTimeout(60_000);
let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ app, close } = await testApp());
});
afterAll(() => close());

const strip = (colour: string, width = 900): Promise<Buffer> =>
  sharp({ create: { width, height: 200, channels: 3, background: colour } })
    .webp()
    .toBuffer();
const made = async (name: string): Promise<string> =>
  ((await request(app).post('/api/effects').send(blankEffect(name))).body as { id: string }).id;
const keep = (id: string, revision: number, bytes: Buffer, type = 'image/webp') =>
  request(app)
    .put(addressOf(CONTRACT.saveFilm, { params: { id }, query: { revision } }))
    .set('Content-Type', type)
    .send(bytes);
const film = (id: string) => request(app).get(addressOf(CONTRACT.getFilm, { params: { id } }));
const listed = async (id: string): Promise<number | null> =>
  (
    (await request(app).get('/api/effects')).body as { items: { id: string; film: number | null }[] }
  ).items.find((e) => e.id === id)!.film;

test('kept, listed by its revision, and given back byte for byte', async () => {
  const id = await made('Kelp');
  expect(await listed(id)).toBeNull();
  expect((await film(id)).status).toBe(404);
  const bytes = await strip('#0a8');
  expect((await keep(id, 1, bytes)).status).toBe(204);
  expect(await listed(id)).toBe(1);
  const got = await film(id);
  expect([got.headers['content-type'], got.body]).toEqual(['image/webp', bytes]);
});
test('a newer revision takes its place, an older one does not; one that is not there yet is not kept', async () => {
  const id = await made('Reef');
  const before = blankEffect('Reef');
  await request(app)
    .patch(`/api/effects/${id}`)
    .send({ revision: 1, patch: diff(before, { ...before, name: 'Pier' }) });
  const [first, second] = [await strip('#123'), await strip('#abc')];
  await keep(id, 2, second);
  await keep(id, 1, first);
  expect([await listed(id), (await film(id)).body]).toEqual([2, second]);
  await keep(id, 9, first);
  expect(await listed(id)).toBe(2);
});
test.each([
  [
    'a PNG under a WebP name',
    async () =>
      sharp(await strip('#fff'))
        .png()
        .toBuffer(),
    'image/webp',
    415,
  ],
  ['text', () => Promise.resolve(Buffer.from('<script>')), 'image/webp', 422],
  ['another type', () => strip('#fff'), 'image/png', 415],
  ['far too wide', () => strip('#fff', 4000), 'image/webp', 415],
  ['far too heavy', () => Promise.resolve(Buffer.alloc(500_000)), 'image/webp', 413],
] as const)('%s is refused with a sentence, and nothing is kept', async (_, bytes, type, status) => {
  const id = await made('Bad');
  const answer = await keep(id, 1, await bytes(), type);
  expect([answer.status, answer.headers['content-type']]).toEqual([
    status,
    expect.stringContaining('problem+json'),
  ]);
  expect((answer.body as { detail: string }).detail.length).toBeGreaterThan(10);
  expect(await listed(id)).toBeNull();
});
test('gone with its effect, and none for an effect that is not there', async () => {
  const id = await made('Gone');
  await keep(id, 1, await strip('#000'));
  await request(app).delete(`/api/effects/${id}`);
  expect((await film(id)).status).toBe(404);
  expect((await keep('00000000-0000-4000-8000-000000000000', 1, await strip('#000'))).status).toBe(404);
});
