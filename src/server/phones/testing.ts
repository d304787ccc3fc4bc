/** What tests of try links and phones share: a server that is reached over real connections, on a clock of theirs. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect } from '@jest/globals';
import type { Express } from 'express';
import request from 'supertest';
import { blankEffect } from '../../core/document/defaults';
import { diff } from '../../core/document/patch';
import type { Phone, TryEvent, TryLink } from '../../core/contract/try-contract';
import type { Effect } from '../../core/document/schema';
import type { Phones } from './phones';
import { testApp } from '../testing';

export const MINUTE = 60_000;

export interface Listening<T> {
  readonly heard: T[];
  /** Resolves once as many events were heard. */
  readonly until: (enough: (heard: readonly T[]) => boolean) => Promise<void>;
  readonly ended: Promise<void>;
  readonly stop: () => void;
}
/** Reads a stream of events. */
const listen = async <T>(base: string, path: string): Promise<Listening<T>> => {
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
/** Runs while the tests of a file do. */
export const phonesServer = () => {
  /** Milliseconds since 1970, as the server has it. */
  const clock = { now: Date.UTC(2026, 5, 1) };
  let app: Express & { readonly phones: Phones };
  let close: () => Promise<void>;
  let server: Server;
  let base: string;
  beforeAll(async () => {
    ({ app, close } = await testApp({
      now: () => clock.now,
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
  return {
    clock,
    phones: (): Phones => app.phones,
    asked: () => request(app),
    uuid: (): string => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
    newEffect: async (effect: Effect = blankEffect('Kelp')): Promise<string> =>
      ((await request(app).post('/api/effects').send(effect)).body as { id: string }).id,
    newLink: async (
      effect: string,
      wanted: Partial<{ name: string; minutes: number; oneDevice: boolean }> = {},
    ): Promise<TryLink> => {
      const { body, status } = await request(app)
        .post(`/api/effects/${effect}/try-links`)
        .send({ name: 'My phone', minutes: 60, oneDevice: false, ...wanted });
      expect(status).toBe(201);
      return body as TryLink;
    },
    join: (secret: string, phone: string) =>
      request(app).post(`/try-api/${secret}/phones`).send({ phone, device: 'Android, Chrome' }),
    listenAs: (secret: string, phone: string) =>
      listen<TryEvent>(base, `/try-api/${secret}/events?phone=${phone}`),
    watch: (effect: string) => listen<{ phones: Phone[] }>(base, `/api/effects/${effect}/phones`),
    save: async (effect: string, change: (of: Effect) => Effect): Promise<number> => {
      const { body } = await request(app).get(`/api/effects/${effect}`);
      const { revision, document } = body as { revision: number; document: Effect };
      const saved = await request(app)
        .patch(`/api/effects/${effect}`)
        .send({ revision, patch: diff(document, change(document)) });
      expect(saved.status).toBe(200);
      return (saved.body as { revision: number }).revision;
    },
  };
};
