/** Phones that have a try link open: what they say, what they are asked for, how many there may be. */
import { describe, expect, jest, test } from '@jest/globals';
import sharp from 'sharp';
import type { PhoneReport } from '../../core/contract/try-contract';
import { MOST_PHONES } from './phones';
import { MINUTE, phonesServer } from './testing';

jest.setTimeout(60_000);
const { asked, clock, join, listenAs, newEffect, newLink, phones, save, uuid, watch } = phonesServer();

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

describe('phones', () => {
  test('are told of with what they report, come and go, and keep their number when they come back after an hour', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id, { minutes: 1440 });
    const watching = await watch(id);
    const [one, two] = [uuid(), uuid()];
    await join(secret, one);
    await join(secret, two);
    const stream = await listenAs(secret, two);
    await asked().post(`/try-api/${secret}/reports?phone=${two}`).send(REPORT).expect(204);
    await watching.until(
      (heard) => heard.at(-1)?.phones[1]?.report !== null && heard.at(-1)!.phones.length > 1,
    );
    expect(watching.heard.at(-1)!.phones).toMatchObject([
      { id: one, number: 1, here: false, report: null },
      { id: two, number: 2, here: true, report: REPORT, device: 'Android, Chrome' },
    ]);
    stream.stop();
    await watching.until((heard) => heard.at(-1)?.phones[1]?.here === false);
    clock.now += 60 * MINUTE;
    const back = await join(secret, two);
    expect(back.body).toMatchObject({ number: 2 });
    watching.stop();
  });

  test('are refused reports that are none, and those of a phone that is not known', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await asked().post(`/try-api/${secret}/reports?phone=${phone}`).send(REPORT).expect(404);
    await join(secret, phone);
    for (const wrong of [
      {},
      { ...REPORT, rate: -1 },
      { ...REPORT, faults: Array(11).fill('x') },
      { ...REPORT, more: 1 },
      { ...REPORT, screen: { width: 1e9, height: 1, density: 1 } },
    ])
      await asked().post(`/try-api/${secret}/reports?phone=${phone}`).send(wrong).expect(400);
    expect(phones().list(id)[0]!.report).toBeNull();
  });

  test('are asked for a picture, which is shown as what it is; what is none is refused', async () => {
    const id = await newEffect();
    const { secret } = await newLink(id);
    const phone = uuid();
    await join(secret, phone);
    const ask = `/api/effects/${id}/phones/${phone}/picture`;
    const away = await asked().post(ask);
    expect([away.status, (away.body as { code: string }).code]).toEqual([409, 'phone.away']);
    await asked().get(ask).expect(404);
    const stream = await listenAs(secret, phone);
    await asked().post(ask).expect(204);
    await stream.until((heard) => heard.some((e) => e.kind === 'picture'));
    expect(phones().list(id)[0]).toMatchObject({ asked: true, picture: 0 });
    const send = (bytes: Buffer, type = 'image/jpeg') =>
      asked().put(`/try-api/${secret}/picture?phone=${phone}`).set('Content-Type', type).send(bytes);
    await send(Buffer.from('<script>alert(1)</script>')).expect(422);
    await send(Buffer.from('GIF89a'), 'text/html').expect(415);
    await send(Buffer.alloc(4 * 1024 * 1024)).expect(413);
    const jpeg = await sharp({ create: { width: 9, height: 16, channels: 3, background: '#0a8' } })
      .jpeg()
      .toBuffer();
    await send(jpeg).expect(204);
    expect(phones().list(id)[0]).toMatchObject({ asked: false, picture: 1 });
    const got = await asked().get(ask).expect(200);
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
      asked().put(`/try-api/${secret}/clip?phone=${phone}`).set('Content-Type', 'video/webm').send(bytes);
    await send(Buffer.alloc(0)).expect(415);
    await send(Buffer.from('first')).expect(204);
    await send(Buffer.from('second')).expect(204);
    expect(phones().list(id)[0]!.clip).toEqual({ number: 2, bytes: 6 });
    const clip = `/api/effects/${id}/phones/${phone}/clip`;
    const got = await asked().get(clip).buffer(true).expect(200);
    expect([got.headers['content-type'], String(got.body)]).toEqual(['application/octet-stream', 'second']);
    await asked().delete(clip).expect(204);
    await asked().get(clip).expect(404);
    expect(phones().list(id)[0]!.clip).toBeNull();
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
    expect(phones().list(id)).toMatchObject([{ id: phone, here: true }]);
    await save(id, (effect) => ({ ...effect, name: 'Weed' }));
    await after.until((heard) => heard.at(-1)?.kind === 'edit');
    after.stop();
  });
});
