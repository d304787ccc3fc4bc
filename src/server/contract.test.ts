/** Every route of the contract is there, refuses what does not fit it, and answers as it says. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Express } from 'express';
import sharp from 'sharp';
import request from 'supertest';
import type { z } from 'zod';
import { CONTRACT, problemSchema } from '../core/contract/contract';
import { addressOf, type Asked, type Route } from '../core/contract/route';
import { blankEffect, newPicture } from '../core/document/defaults';
import { diff } from '../core/document/patch';
import { readEffect } from '../core/document/migrations';
import { fileRefSchema, type AssetId, type CompoundId, type Effect } from '../core/document/schema';
import { textOfCompound } from '../core/edits/kept-compound';
import { FIRST_TAKE } from '../core/takes/library';
import { testApp } from './testing';

jest.setTimeout(60_000);

let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ app, close } = await testApp());
});
afterAll(() => close());

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', PATCH: 'patch', DELETE: 'delete' } as const;
const sent = (route: Route, asked: Asked<Route> = {}) => {
  const pending = request(app)[METHODS[route.method]](addressOf(route, asked));
  return asked.body === undefined ? pending : pending.send(asked.body as object);
};
/** Asks a route, expects its success, and reads the answer by the contract. */
const ask = async <R extends Route>(route: R, asked: Asked<R> = {}): Promise<z.output<R['answer']>> => {
  const { status, body } = await sent(route, asked);
  expect([route.path, status, status >= 400 ? body : '']).toEqual([route.path, route.status, '']);
  return route.answer.parse(body) as z.output<R['answer']>;
};

const PARAMS = {
  id: '00000000-0000-4000-8000-000000000000',
  revision: 1,
  sha256: 'a'.repeat(64),
  slug: 'kelp-crown-1a2b3c',
  link: '00000000-0000-4000-8000-000000000000',
  phone: '00000000-0000-4000-8000-000000000000',
  secret: 'a'.repeat(40),
};

describe.each(Object.entries(CONTRACT))('%s', (name, route: Route) => {
  test('is there, and answers what is not there, or does not fit, with what is wrong', async () => {
    const { status, body, headers } = await sent(route, { params: PARAMS });
    // Lists are empty at first; a take may be of anything, and is then looked at.
    if (status === 200) return expect(name).toMatch(/^list/);
    expect([400, 404, 415, 422]).toContain(status);
    expect(headers['content-type']).toMatch(/problem\+json/);
    const { code, detail } = problemSchema.parse(body);
    expect(code).not.toBe('not-found');
    expect(detail.length).toBeGreaterThan(10);
  });
});

test('effects are made, read, saved, read back, listed and taken away as the contract says', async () => {
  const { id, revision, document } = await ask(CONTRACT.createEffect, { body: blankEffect('Kelp') });
  expect([revision, document.name]).toEqual([1, 'Kelp']);
  const renamed: Effect = { ...document, name: 'Weed' };
  const saved = await ask(CONTRACT.saveEffect, {
    params: { id },
    body: { revision, patch: diff(document, renamed) as never },
  });
  expect(saved).toEqual({ revision: 2 });
  expect((await ask(CONTRACT.getEffect, { params: { id } })).document.name).toBe('Weed');
  expect((await ask(CONTRACT.getRevision, { params: { id, revision: 1 } })).document.name).toBe('Kelp');
  const { items, next } = await ask(CONTRACT.listEffects, { query: { limit: 10 } });
  expect(items).toEqual([expect.objectContaining({ id, name: 'Weed', revision: 2, address: null })]);
  expect(next).toBeNull();
  expect(await ask(CONTRACT.listReleases, { params: { id } })).toEqual([]);
  await ask(CONTRACT.removeEffect, { params: { id } });
  expect((await ask(CONTRACT.listEffects)).items).toEqual([]);
});

/** A compound as it was kept by an Iconia of schema 15. */
const OLD = readEffect(JSON.parse(readFileSync('src/core/document/fixtures/schema-15.json', 'utf8')));
const KEPT = textOfCompound(OLD, 'compound_later' as CompoundId);

test('files, the shelf and takes', async () => {
  const bytes = await sharp({ create: { width: 8, height: 4, channels: 4, background: '#0a8' } })
    .png()
    .toBuffer();
  const added = await request(app)
    .post(addressOf(CONTRACT.addFile, { query: { name: 'kelp.png' } }))
    .set('Content-Type', 'application/octet-stream')
    .send(bytes);
  expect(added.status).toBe(CONTRACT.addFile.status);
  const file = fileRefSchema.parse(added.body);
  const { known } = await ask(CONTRACT.knownFiles, { body: { sha256: [file.sha256, PARAMS.sha256] } });
  expect(known).toEqual([file]);
  const got = await request(app).get(addressOf(CONTRACT.getFile, { params: { sha256: file.sha256 } }));
  expect([got.status, got.body]).toEqual([200, bytes]);

  const picture = newPicture('asset_kelp' as AssetId, 'kelp.png', file, 8, 4);
  const shelved = await ask(CONTRACT.putOnShelf, { body: picture });
  expect(await ask(CONTRACT.listShelf)).toEqual([shelved]);
  await ask(CONTRACT.takeOffShelf, { params: { id: shelved.id } });
  expect(await ask(CONTRACT.listShelf)).toEqual([]);

  const kept = await ask(CONTRACT.keepCompound, { body: { text: KEPT } });
  expect(kept).toMatchObject({ name: 'Later', note: '' });
  expect(await ask(CONTRACT.listCompounds)).toEqual([kept]);
  expect(await ask(CONTRACT.getCompound, { params: { id: kept.id } })).toEqual({ text: KEPT });
  await ask(CONTRACT.dropCompound, { params: { id: kept.id } });
  expect(await ask(CONTRACT.listCompounds)).toEqual([]);

  const take = await ask(CONTRACT.createTake, { body: { ...FIRST_TAKE.spec } });
  const renamed = await ask(CONTRACT.saveTake, { params: { id: take.id }, body: { ...take, name: 'Pool' } });
  expect(await ask(CONTRACT.listTakes)).toEqual([renamed]);
  await ask(CONTRACT.removeTake, { params: { id: take.id } });
  expect(await ask(CONTRACT.listTakes)).toEqual([]);
});
