/** Bytes beside the database: kept whole, streamed, cleared when nothing names them. */
import { afterAll, beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { existsSync, readdirSync, utimesSync } from 'node:fs';
import { Readable } from 'node:stream';
import sharp from 'sharp';
import request from 'supertest';
import type { Express } from 'express';
import { blankEffect, newPicture } from '../core/document/defaults';
import { Random } from '../core/maths/random';
import type { AssetId, FileRef } from '../core/document/schema';
import type { ContentFiles } from './content-files';
import type { Database } from './database';
import { isDiskFull } from './disk';
import { clearUnnamed } from './housekeeping';
import { moveBytesOut } from './move-bytes-out';
import { testApp } from './testing';

jest.setTimeout(60_000);

let made: Awaited<ReturnType<typeof testApp>>;
let app: Express;
let db: Database;
let content: ContentFiles;
beforeAll(async () => {
  made = await testApp({ quota: 40_000 });
  ({ app, db, content } = made);
});
afterAll(() => made.close());
beforeEach(async () => {
  await db.exec('delete from files');
});

const png = async (colour: string): Promise<Buffer> =>
  sharp({ create: { width: 20, height: 10, channels: 4, background: colour } })
    .png()
    .toBuffer();
const upload = (bytes: Buffer, name = 'kelp.png') =>
  request(app)
    .post(`/api/files?name=${encodeURIComponent(name)}`)
    .set('Content-Type', 'application/octet-stream')
    .send(bytes);
const kept = async (colour: string): Promise<FileRef> => (await upload(await png(colour))).body as FileRef;

describe('kept and served', () => {
  test('bytes lie by their content, not in the database', async () => {
    const file = await kept('#0a8');
    expect(existsSync(content.path(file.sha256))).toBe(true);
    const { rows } = await db.query('select bytes from files where sha256 = $1', [file.sha256]);
    expect(rows).toEqual([{ bytes: null }]);
    expect(readdirSync(`${content.folder}/.incoming`)).toEqual([]);
  });
  test('what a browser has is not sent again, and parts are', async () => {
    const file = await kept('#1a8');
    const url = `/api/files/${file.sha256}`;
    const whole = await request(app).get(url);
    expect(whole.headers).toMatchObject({
      etag: `"${file.sha256}"`,
      'cache-control': 'private, max-age=31536000, immutable',
      'accept-ranges': 'bytes',
      'content-security-policy': "default-src 'none'; sandbox",
      'x-content-type-options': 'nosniff',
    });
    const again = await request(app).get(url).set('If-None-Match', `"${file.sha256}"`);
    expect([again.status, again.text]).toEqual([304, '']);
    const part = await request(app).get(url).set('Range', 'bytes=0-7');
    expect([part.status, part.headers['content-range']]).toEqual([206, `bytes 0-7/${file.bytes}`]);
    expect((part.body as Buffer).toString('latin1')).toBe('\x89PNG\r\n\x1a\n');
  });
  test('which of many are kept is told at once', async () => {
    const file = await kept('#2a8');
    const asked = [file.sha256, '0'.repeat(64)];
    expect((await request(app).post('/api/files/known').send({ sha256: asked })).body).toEqual({
      known: [file],
    });
  });
  test('an upload that breaks off leaves nothing', async () => {
    const broken = new Readable({
      read() {
        this.push(Buffer.alloc(1000));
        this.destroy(new Error('gone'));
      },
    });
    await expect(content.take(broken, 1e6)).rejects.toThrow('gone');
    // Also one that is over before its file has been made, now and then only: so many times.
    for (let i = 0; i < 600; i++) {
      const gone = new Readable({ read: () => {} });
      const taking = content.take(gone, 1e6);
      gone.destroy(new Error('gone'));
      await expect(taking).rejects.toThrow('gone');
    }
    await expect(content.take(Readable.from([Buffer.alloc(2000)]), 1000)).rejects.toMatchObject({
      status: 413,
    });
    expect(readdirSync(`${content.folder}/.incoming`)).toEqual([]);
  });
  test('beyond the quota a file is refused with what is too much, and nothing is kept', async () => {
    const random = new Random(3);
    const raw = Buffer.from(Array.from({ length: 150 * 150 * 3 }, () => Math.floor(random.between(0, 256))));
    const noise = await sharp(raw, { raw: { width: 150, height: 150, channels: 3 } })
      .png()
      .toBuffer();
    expect(noise.length).toBeGreaterThan(40_000);
    const refused = await upload(noise, 'large.png');
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([507, 'files.quota']);
    expect((refused.body as { detail: string }).detail).toContain('large.png');
    expect((await db.query('select 1 from files')).rows).toEqual([]);
  });
  test('a full disk is known by its code, however deep', () => {
    expect(isDiskFull(Object.assign(new Error('x'), { code: 'ENOSPC' }))).toBe(true);
    expect(isDiskFull(new Error('x', { cause: { code: '53100' } }))).toBe(true);
    expect(isDiskFull({ errno: 51 })).toBe(true);
    expect(isDiskFull(new Error('x'))).toBe(false);
  });
});

describe('cleared', () => {
  const DAY = 86_400_000;
  const age = async (file: FileRef): Promise<void> => {
    const old = new Date(Date.now() - 3 * DAY);
    utimesSync(content.path(file.sha256), old, old);
    await db.query('update files set created_at = $2 where sha256 = $1', [file.sha256, old]);
  };
  test('what nothing names goes after a day; what a document, its history or the shelf names stays', async () => {
    const [unused, young, used, before, shelved] = await Promise.all(
      ['#300', '#400', '#500', '#600', '#700'].map((c) => kept(c)),
    );
    const picture = (file: FileRef, id: string) =>
      newPicture(`asset_${id}` as AssetId, `${id}.png`, file, 20, 10);
    const withPicture = (file: FileRef) => {
      const asset = picture(file, 'kelp');
      return { ...blankEffect('Kelp'), assets: { [asset.id]: asset } };
    };
    await request(app).post('/api/effects').send(withPicture(used!));
    const { id } = (await request(app).post('/api/effects').send(withPicture(before!))).body as {
      id: string;
    };
    await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: [{ op: 'remove', path: '/assets/asset_kelp' }] });
    await request(app).post('/api/shelf').send(picture(shelved!, 'shell'));
    for (const file of [unused, used, before, shelved]) await age(file!);
    expect(await clearUnnamed(db, content, made.app.files, Date.now())).toBe(1);
    const there = [unused, young, used, before, shelved].map((f) => existsSync(content.path(f!.sha256)));
    expect(there).toEqual([false, true, true, true, true]);
    expect((await request(app).get(`/api/files/${unused!.sha256}`)).status).toBe(404);
    // Brought in again, it is there again.
    expect((await upload(await png('#300'))).status).toBe(201);
    expect((await request(app).get(`/api/files/${unused!.sha256}`)).status).toBe(200);
  });
  test('bytes of older versions are moved out of the database', async () => {
    const bytes = await png('#888');
    const sha256 = (await import('node:crypto')).createHash('sha256').update(bytes).digest('hex');
    await db.query(
      "insert into files (owner, sha256, mime, size, bytes) values ('owner', $1, 'image/png', $2, $3)",
      [sha256, bytes.length, bytes],
    );
    expect(await moveBytesOut(db, content)).toBe(1);
    expect(await moveBytesOut(db, content)).toBe(0);
    const served = await request(app).get(`/api/files/${sha256}`);
    expect(Buffer.compare(served.body as Buffer, bytes)).toBe(0);
  });
});
