/** Try links and the phones that have one open, over real connections. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Express } from 'express';
import fc from 'fast-check';
import sharp from 'sharp';
import request from 'supertest';
import { blankEffect, newPicture } from '../../core/document/defaults';
import { diff, applyPatch } from '../../core/document/patch';
import type { Phone, PhoneReport, TryEvent, TryLink } from '../../core/contract/try-contract';
import type { AssetId, Effect, FileRef } from '../../core/document/schema';
import { MOST_PHONES, type Phones } from './phones';
import { testApp } from '../testing';

jest.setTimeout(60_000);

let app: Express & { readonly phones: Phones };
let close: () => Promise<void>;
let server: Server;
let base: string;
/** Milliseconds since 1970, as the server has it. */
let now = Date.UTC(2026, 5, 1);
const MINUTE = 60_000;

beforeAll(async () => {
  ({ app, close } = await testApp({
    now: () => now,
    build: 'b1',
    rates: { reads: 1e6, saves: 1e6, uploads: 1e6, releases: 1e6, guesses: 1e6 },
  }));
  server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  app.phones.hangUp();
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
  await close();
});

let made = 0;
const uuid = (): string => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`;

const newEffect = async (effect: Effect = blankEffect('Kelp')): Promise<string> =>
  ((await request(app).post('/api/effects').send(effect)).body as { id: string }).id;
const newLink = async (
  effect: string,
  asked: Partial<{ name: string; minutes: number; oneDevice: boolean }> = {},
): Promise<TryLink> => {
  const { body, status } = await request(app)
    .post(`/api/effects/${effect}/try-links`)
    .send({ name: 'My phone', minutes: 60, oneDevice: false, ...asked });
  expect(status).toBe(201);
  return body as TryLink;
};
const join = (secret: string, phone: string) =>
  request(app).post(`/try-api/${secret}/phones`).send({ phone, device: 'Android, Chrome' });

interface Listening<T> {
  readonly heard: T[];
  /** Resolves once as many events were heard. */
  readonly until: (enough: (heard: readonly T[]) => boolean) => Promise<void>;
  readonly ended: Promise<void>;
  readonly stop: () => void;
}
/** Reads a stream of events. */
const listen = async <T>(path: string): Promise<Listening<T>> => {
  const abort = new AbortController();
  const response = await fetch(base + path, { signal: abort.signal });
  expect([path, response.status]).toEqual([path, 200]);
  const heard: T[] = [];
  let told = (): void => {};
  const read = async (): Promise<void> => {
    let text = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      text += new TextDecoder().decode(chunk);
      const events = text.split('\n\n');
      text = events.pop()!;
      for (const event of events) if (event.startsWith('data: ')) heard.push(JSON.parse(event.slice(6)) as T);
      told();
    }
  };
  const ended = read().catch(() => undefined);
  return {
    heard,
    until: (enough) =>
      new Promise((done) => {
        told = () => {
          if (enough(heard)) done();
        };
        told();
      }),
    ended,
    stop: () => abort.abort(),
  };
};
const listenAs = (secret: string, phone: string) =>
  listen<TryEvent>(`/try-api/${secret}/events?phone=${phone}`);
const watch = (effect: string) => listen<{ phones: Phone[] }>(`/api/effects/${effect}/phones`);

const save = async (effect: string, change: (of: Effect) => Effect): Promise<number> => {
  const { body } = await request(app).get(`/api/effects/${effect}`);
  const { revision, document } = body as { revision: number; document: Effect };
  const saved = await request(app)
    .patch(`/api/effects/${effect}`)
    .send({ revision, patch: diff(document, change(document)) });
  expect(saved.status).toBe(200);
  return (saved.body as { revision: number }).revision;
};

const REPORT: PhoneReport = {
  revision: 1,
  screen: { width: 390, height: 844, density: 3 },
  drawn: { width: 590, height: 1280 },
  source: 'camera',
  camera: 'tracking',
  rate: 58.5,
  milliseconds: 6.2,
  faces: 1,
  hands: 0,
  pictures: 0,
  faults: ['The microphone is not there.'],
};

describe('a link', () => {
  test('opens the effect as it is now, and every edit comes as the patch that makes it so', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    const joined = await join(secret, phone);
    expect(joined.status).toBe(200);
    expect(joined.body).toMatchObject({ number: 1, revision: 1, build: 'b1', document: { name: 'Kelp' } });
    const stream = await listenAs(secret, phone);
    const revision = await save(id, (effect) => ({ ...effect, name: 'Weed' }));
    await stream.until((heard) => heard.length >= 2);
    const [here, edit] = stream.heard;
    expect(here).toEqual({ kind: 'here', revision: 1, build: 'b1' });
    if (edit?.kind !== 'edit') throw new Error('no edit');
    expect([edit.from, edit.revision]).toEqual([1, revision]);
    const shown = applyPatch((joined.body as { document: object }).document, edit.patch);
    expect(shown).toEqual((await request(app).get(`/api/effects/${id}`)).body.document);
    stream.stop();
  });

  test('that is guessed opens nothing, and a wrong one says the same as a revoked one', async () => {
    const id = await newEffect();
    const link = await newLink(id);
    for (const secret of ['f'.repeat(40), 'short', `${link.secret}0`, link.secret.toUpperCase(), `%2e%2e`]) {
      const answer = await join(secret, uuid());
      expect([secret, answer.status]).toEqual([secret, 404]);
    }
    const wrong = await join('e'.repeat(40), uuid());
    await request(app).delete(`/api/effects/${id}/try-links/${link.id}`).expect(204);
    const revoked = await join(link.secret, uuid());
    expect(revoked.body).toEqual(wrong.body);
  });

  test('sends its phones away when it is revoked, and those of other links stay', async () => {
    const id = await newEffect();
    const [mine, theirs] = [await newLink(id), await newLink(id, { name: 'Theirs' })];
    const [one, other] = [uuid(), uuid()];
    await join(mine.secret, one);
    await join(theirs.secret, other);
    const [gone, stays] = [await listenAs(mine.secret, one), await listenAs(theirs.secret, other)];
    await request(app).delete(`/api/effects/${id}/try-links/${mine.id}`).expect(204);
    await gone.ended;
    expect(gone.heard.at(-1)).toMatchObject({ kind: 'over', why: expect.stringContaining('revoked') });
    await save(id, (effect) => ({ ...effect, name: 'Weed' }));
    await stays.until((heard) => heard.at(-1)?.kind === 'edit');
    expect(app.phones.list(id).map((p) => p.id)).toEqual([other]);
    stays.stop();
    // A second time it is not there.
    await request(app).delete(`/api/effects/${id}/try-links/${mine.id}`).expect(404);
  });

  test('is open for as long as it lasts, and no longer', async () => {
    const id = await newEffect();
    const phone = uuid();
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(60, 1440, 10_080, 43_200),
        fc.integer({ min: -3, max: 3 }).filter((d) => d !== 0),
        async (minutes, seconds) => {
          const began = now;
          const { secret } = await newLink(id, { minutes });
          now = began + minutes * MINUTE + seconds * 1000;
          const { status, body } = await join(secret, phone);
          expect(status).toBe(seconds < 0 ? 200 : 410);
          if (seconds > 0) expect((body as { detail: string }).detail).toMatch(/has expired/);
          const { links } = (await request(app).get(`/api/effects/${id}/try-links`)).body as {
            links: TryLink[];
          };
          expect(links.some((l) => l.secret === secret)).toBe(seconds < 0);
        },
      ),
      { numRuns: 15 },
    );
  });

  test('that expires while a phone has it open sends that phone away', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const stream = await listenAs(secret, phone);
    app.phones.endExpired();
    await save(id, (effect) => ({ ...effect, name: 'Still there' }));
    await stream.until((heard) => heard.at(-1)?.kind === 'edit');
    now += 61 * MINUTE;
    app.phones.endExpired();
    await stream.ended;
    expect(stream.heard.at(-1)).toMatchObject({ kind: 'over', why: expect.stringMatching(/expired/) });
  });

  test('for one device is kept by the first, also when that comes back', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id, { oneDevice: true });
    const [first, second] = [uuid(), uuid()];
    await join(secret, first).expect(200);
    const refused = await join(secret, second);
    expect(refused.status).toBe(403);
    expect((refused.body as { detail: string }).detail).toMatch(/another one has opened it/);
    await join(secret, first).expect(200);
    await request(app).get(`/try-api/${secret}/events?phone=${second}`).expect(403);
  });

  test('is refused when it is made without a name, for a time that is not offered, or on an effect that is not there', async () => {
    const id = await newEffect();
    for (const asked of [
      { name: ' ', minutes: 60, oneDevice: false },
      { name: 'x'.repeat(81), minutes: 60, oneDevice: false },
      { name: 'Mine', minutes: 61, oneDevice: false },
      { name: 'Mine', minutes: 60 },
    ])
      await request(app).post(`/api/effects/${id}/try-links`).send(asked).expect(400);
    await request(app)
      .post(`/api/effects/${uuid()}/try-links`)
      .send({ name: 'Mine', minutes: 60, oneDevice: false })
      .expect(404);
  });

  test('gives files of its effect, and no others', async () => {
    const keep = async (colour: string): Promise<FileRef> => {
      const bytes = await sharp({ create: { width: 4, height: 4, channels: 3, background: colour } })
        .png()
        .toBuffer();
      return (
        await request(app)
          .post('/api/files?name=a.png')
          .set('Content-Type', 'application/octet-stream')
          .send(bytes)
      ).body as FileRef;
    };
    const [mine, other] = [await keep('#0a8'), await keep('#a08')];
    const picture = newPicture('asset_mine' as AssetId, 'a.png', mine, 4, 4);
    const id = await newEffect({ ...blankEffect('Kelp'), assets: { [picture.id]: picture } });
    const { secret } = await newLink(id);
    const got = await request(app).get(`/try-api/${secret}/files/${mine.sha256}`).expect(200);
    expect(got.headers['content-type']).toBe('image/png');
    expect(got.headers['content-security-policy']).toContain('sandbox');
    await request(app).get(`/try-api/${secret}/files/${other.sha256}`).expect(404);
  });

  test('ends with its effect', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const stream = await listenAs(secret, phone);
    await request(app).delete(`/api/effects/${id}`).expect(204);
    await stream.ended;
    expect(stream.heard.at(-1)).toMatchObject({ kind: 'over', why: expect.stringMatching(/deleted/) });
    await join(secret, phone).expect(404);
  });
});

describe('phones', () => {
  test('are told of with what they report, come and go, and keep their number when they come back after an hour', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id, { minutes: 1440 });
    const watching = await watch(id);
    const [one, two] = [uuid(), uuid()];
    await join(secret, one);
    await join(secret, two);
    const stream = await listenAs(secret, two);
    await request(app).post(`/try-api/${secret}/reports?phone=${two}`).send(REPORT).expect(204);
    await watching.until(
      (heard) => heard.at(-1)?.phones[1]?.report !== null && heard.at(-1)!.phones.length > 1,
    );
    expect(watching.heard.at(-1)!.phones).toMatchObject([
      { id: one, number: 1, here: false, report: null },
      { id: two, number: 2, here: true, report: REPORT, device: 'Android, Chrome' },
    ]);
    stream.stop();
    await watching.until((heard) => heard.at(-1)?.phones[1]?.here === false);
    now += 60 * MINUTE;
    const back = await join(secret, two);
    expect(back.body).toMatchObject({ number: 2 });
    watching.stop();
  });

  test('are refused reports that are none, and those of a phone that is not known', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await request(app).post(`/try-api/${secret}/reports?phone=${phone}`).send(REPORT).expect(404);
    await join(secret, phone);
    for (const wrong of [
      {},
      { ...REPORT, rate: -1 },
      { ...REPORT, faults: Array(11).fill('x') },
      { ...REPORT, more: 1 },
      { ...REPORT, screen: { width: 1e9, height: 1, density: 1 } },
    ])
      await request(app).post(`/try-api/${secret}/reports?phone=${phone}`).send(wrong).expect(400);
    expect(app.phones.list(id)[0]!.report).toBeNull();
  });

  test('are asked for a picture, which is shown as what it is; what is none is refused', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const ask = `/api/effects/${id}/phones/${phone}/picture`;
    const away = await request(app).post(ask);
    expect([away.status, (away.body as { code: string }).code]).toEqual([409, 'phone.away']);
    await request(app).get(ask).expect(404);
    const stream = await listenAs(secret, phone);
    await request(app).post(ask).expect(204);
    await stream.until((heard) => heard.some((e) => e.kind === 'picture'));
    expect(app.phones.list(id)[0]).toMatchObject({ asked: true, picture: 0 });
    const send = (bytes: Buffer, type = 'image/jpeg') =>
      request(app).put(`/try-api/${secret}/picture?phone=${phone}`).set('Content-Type', type).send(bytes);
    await send(Buffer.from('<script>alert(1)</script>')).expect(422);
    await send(Buffer.from('GIF89a'), 'text/html').expect(415);
    await send(Buffer.alloc(4 * 1024 * 1024)).expect(413);
    const jpeg = await sharp({ create: { width: 9, height: 16, channels: 3, background: '#0a8' } })
      .jpeg()
      .toBuffer();
    await send(jpeg).expect(204);
    expect(app.phones.list(id)[0]).toMatchObject({ asked: false, picture: 1 });
    const got = await request(app).get(ask).expect(200);
    expect([got.headers['content-type'], Buffer.compare(got.body as Buffer, jpeg)]).toEqual([
      'image/jpeg',
      0,
    ]);
    stream.stop();
  });

  test('send a clip that is fetched once; a newer one takes its place', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const send = (bytes: Buffer) =>
      request(app)
        .put(`/try-api/${secret}/clip?phone=${phone}`)
        .set('Content-Type', 'video/webm')
        .send(bytes);
    await send(Buffer.alloc(0)).expect(415);
    await send(Buffer.from('first')).expect(204);
    await send(Buffer.from('second')).expect(204);
    expect(app.phones.list(id)[0]!.clip).toEqual({ number: 2, bytes: 6 });
    const clip = `/api/effects/${id}/phones/${phone}/clip`;
    const got = await request(app).get(clip).buffer(true).expect(200);
    expect([got.headers['content-type'], String(got.body)]).toEqual(['application/octet-stream', 'second']);
    await request(app).delete(clip).expect(204);
    await request(app).get(clip).expect(404);
    expect(app.phones.list(id)[0]!.clip).toBeNull();
  });

  test('thirty at once all hear an edit, in order; beyond what is served one is told so, until another leaves', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const ids = Array.from({ length: 30 }, uuid);
    await Promise.all(ids.map((phone) => join(secret, phone).expect(200)));
    const streams = await Promise.all(ids.map((phone) => listenAs(secret, phone)));
    const revisions: number[] = [];
    for (const name of ['One', 'Two', 'Three'])
      revisions.push(await save(id, (effect) => ({ ...effect, name })));
    for (const stream of streams) {
      await stream.until((heard) => heard.filter((e) => e.kind === 'edit').length >= 3);
      expect(stream.heard.flatMap((e) => (e.kind === 'edit' ? [e.revision] : []))).toEqual(revisions);
    }
    const more = Array.from({ length: MOST_PHONES - 30 }, uuid);
    for (const phone of more) await join(secret, phone).expect(200);
    const moreStreams = await Promise.all(more.map((phone) => listenAs(secret, phone)));
    const full = await join(secret, uuid());
    expect([full.status, (full.body as { code: string }).code]).toEqual([503, 'try.full']);
    moreStreams[0]!.stop();
    const watching = await watch(id);
    await watching.until((heard) => (heard.at(-1)?.phones ?? []).some((p) => !p.here));
    await join(secret, uuid()).expect(200);
    for (const stream of [...streams, ...moreStreams, watching]) stream.stop();
  });

  test('one whose stream broke and came back is told of once', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const before = await listenAs(secret, phone);
    const after = await listenAs(secret, phone);
    await before.ended;
    expect(app.phones.list(id)).toMatchObject([{ id: phone, here: true }]);
    await save(id, (effect) => ({ ...effect, name: 'Weed' }));
    await after.until((heard) => heard.at(-1)?.kind === 'edit');
    after.stop();
  });
});
