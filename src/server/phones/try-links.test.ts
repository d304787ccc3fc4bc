/** Try links: how long they last, for whom they are, what they give. */
import { describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import sharp from 'sharp';
import { blankEffect, newPicture } from '../../core/document/defaults';
import { applyPatch } from '../../core/document/patch';
import type { TryLink } from '../../core/contract/try-contract';
import type { AssetId, FileRef } from '../../core/document/schema';
import { MINUTE, phonesServer } from './testing';

jest.setTimeout(60_000);
const { asked, clock, join, listenAs, newEffect, newLink, phones, save, uuid } = phonesServer();

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
    expect(shown).toEqual((await asked().get(`/api/effects/${id}`)).body.document);
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
    await asked().delete(`/api/effects/${id}/try-links/${link.id}`).expect(204);
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
    await asked().delete(`/api/effects/${id}/try-links/${mine.id}`).expect(204);
    await gone.ended;
    expect(gone.heard.at(-1)).toMatchObject({ kind: 'over', why: expect.stringContaining('revoked') });
    await save(id, (effect) => ({ ...effect, name: 'Weed' }));
    await stays.until((heard) => heard.at(-1)?.kind === 'edit');
    expect(
      phones()
        .list(id)
        .map((p) => p.id),
    ).toEqual([other]);
    stays.stop();
    // A second time it is not there.
    await asked().delete(`/api/effects/${id}/try-links/${mine.id}`).expect(404);
  });

  test('is open for as long as it lasts, and no longer', async () => {
    const id = await newEffect();
    const phone = uuid();
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(60, 1440, 10_080, 43_200),
        fc.integer({ min: -3, max: 3 }).filter((d) => d !== 0),
        async (minutes, seconds) => {
          const began = clock.now;
          const { secret } = await newLink(id, { minutes });
          clock.now = began + minutes * MINUTE + seconds * 1000;
          const { status, body } = await join(secret, phone);
          expect(status).toBe(seconds < 0 ? 200 : 410);
          if (seconds > 0) expect((body as { detail: string }).detail).toMatch(/has expired/);
          const { links } = (await asked().get(`/api/effects/${id}/try-links`)).body as {
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
    phones().endExpired();
    await save(id, (effect) => ({ ...effect, name: 'Still there' }));
    await stream.until((heard) => heard.at(-1)?.kind === 'edit');
    clock.now += 61 * MINUTE;
    phones().endExpired();
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
    await asked().get(`/try-api/${secret}/events?phone=${second}`).expect(403);
  });

  test('is refused when it is made without a name, for a time that is not offered, or on an effect that is not there', async () => {
    const id = await newEffect();
    for (const wanted of [
      { name: ' ', minutes: 60, oneDevice: false },
      { name: 'x'.repeat(81), minutes: 60, oneDevice: false },
      { name: 'Mine', minutes: 61, oneDevice: false },
      { name: 'Mine', minutes: 60 },
    ])
      await asked().post(`/api/effects/${id}/try-links`).send(wanted).expect(400);
    await asked()
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
        await asked()
          .post('/api/files?name=a.png')
          .set('Content-Type', 'application/octet-stream')
          .send(bytes)
      ).body as FileRef;
    };
    const [mine, other] = [await keep('#0a8'), await keep('#a08')];
    const picture = newPicture('asset_mine' as AssetId, 'a.png', mine, 4, 4);
    const id = await newEffect({ ...blankEffect('Kelp'), assets: { [picture.id]: picture } });
    const { secret } = await newLink(id);
    const got = await asked().get(`/try-api/${secret}/files/${mine.sha256}`).expect(200);
    expect(got.headers['content-type']).toBe('image/png');
    expect(got.headers['content-security-policy']).toContain('sandbox');
    await asked().get(`/try-api/${secret}/files/${other.sha256}`).expect(404);
  });

  test('ends with its effect', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const stream = await listenAs(secret, phone);
    await asked().delete(`/api/effects/${id}`).expect(204);
    await stream.ended;
    expect(stream.heard.at(-1)).toMatchObject({ kind: 'over', why: expect.stringMatching(/deleted/) });
    await join(secret, phone).expect(404);
  });
});
