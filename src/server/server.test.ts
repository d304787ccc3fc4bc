import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import sharp from 'sharp';
import request from 'supertest';
import type { Express } from 'express';
import { readFileSync } from 'node:fs';
import { identityTable } from '../core/assets/colour/table';
import { writeCube } from '../core/assets/colour/cube';
import { writeGlb } from '../core/assets/models/open-model';
import { plainDocument } from '../core/assets/models/plain-model';
import { writeWav } from '../core/assets/sounds/wav';
import { writeRadiance } from '../core/assets/surroundings/radiance';
import { blankEffect, newPicture } from '../core/document/defaults';
import { newCard } from '../core/kinds/objects/card';
import { applyEdit } from '../core/document/edit';
import { bringIn } from '../core/edits/asset-edits';
import { diff } from '../core/document/patch';
import { sampleEffect } from '../core/document/sample';
import type {
  Asset,
  AssetId,
  Effect,
  FileRef,
  ObjectId,
  PictureAsset,
  Target,
  TargetId,
} from '../core/document/schema';
import { type OpenedPackage } from '../core/package/effect-package';
import { readPackage } from '../core/package/read-package';
import { Grey } from '../core/vision/grey';
import { readTarget } from '../core/vision/target-file';
import { migrate, type Database } from './database';
import { EffectsStore } from './effects-store';
import { MIGRATIONS } from './migrations/index';
import { testApp } from './testing';

jest.setTimeout(60_000);

let db: Database;
let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ db, app, close } = await testApp());
});
afterAll(() => close());

const create = async (effect: Effect = blankEffect('Kelp')): Promise<string> => {
  const { body, status } = await request(app).post('/api/effects').send(effect);
  expect(status).toBe(201);
  return (body as { id: string }).id;
};
const png = (colour = '#0a8') =>
  sharp({ create: { width: 20, height: 10, channels: 4, background: colour } })
    .png()
    .toBuffer();
const upload = (bytes: Buffer | Uint8Array, name = 'kelp.png') =>
  request(app)
    .post(`/api/files?name=${encodeURIComponent(name)}`)
    .set('Content-Type', 'application/octet-stream')
    .send(Buffer.from(bytes));
const rename = (from: string, to: string) => diff(blankEffect(from), blankEffect(to));

describe('headers', () => {
  test('a policy that allows no script, style or frame from elsewhere', async () => {
    const { headers } = await request(app).get('/healthz');
    const policy = headers['content-security-policy']!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/'unsafe-(inline|eval|hashes)'/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('effects', () => {
  test('made, listed, read, deleted', async () => {
    const id = await create(sampleEffect(2, 1));
    const read = await request(app).get(`/api/effects/${id}`);
    expect(read.body).toMatchObject({ id, revision: 1, document: sampleEffect(2, 1) });
    const listed = (await request(app).get('/api/effects')).body as { items: { id: string }[] };
    expect(listed.items.map((e) => e.id)).toContain(id);
    expect(JSON.stringify(listed)).not.toContain('"objects"');
    expect((await request(app).delete(`/api/effects/${id}`)).status).toBe(204);
    expect((await request(app).get(`/api/effects/${id}`)).status).toBe(404);
    expect((await request(app).delete(`/api/effects/${id}`)).status).toBe(404);
  });
  test('a patch on the current revision gives the next one, and every revision can be read back', async () => {
    const id = await create(blankEffect('r1'));
    for (let n = 1; n <= 30; n++) {
      const saved = await request(app)
        .patch(`/api/effects/${id}`)
        .send({ revision: n, patch: rename(`r${n}`, `r${n + 1}`) });
      expect(saved.body).toEqual({ revision: n + 1 });
    }
    const store = new EffectsStore(db);
    // Revision 25 is a snapshot; the others are rebuilt from patches.
    for (const n of [1, 7, 24, 25, 26, 31]) expect((await store.at(id, n)).name).toBe(`r${n}`);
    await expect(store.at(id, 32)).rejects.toMatchObject({ code: 'revision.missing' });
  });
  test('a stale revision gets 409 with the document as it is now', async () => {
    const id = await create(blankEffect('first'));
    await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: rename('first', 'theirs') });
    const late = await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: rename('first', 'mine') });
    expect(late.status).toBe(409);
    expect(late.type).toBe('application/problem+json');
    expect(late.body).toMatchObject({
      code: 'effect.stale',
      status: 409,
      revision: 2,
      document: { name: 'theirs' },
    });
  });
  test('two saves at once: one wins, one is told', async () => {
    const id = await create(blankEffect('first'));
    const both = await Promise.all(
      ['a', 'b'].map((to) =>
        request(app)
          .patch(`/api/effects/${id}`)
          .send({ revision: 1, patch: rename('first', to) }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });
  test.each([
    [
      'a patch that leads to a broken document',
      { revision: 1, patch: [{ op: 'add', path: '/objects/obj_broken', value: { id: 'obj_broken' } }] },
      422,
      'effect.unreadable',
    ],
    [
      'a patch that does not fit',
      { revision: 1, patch: [{ op: 'remove', path: '/objects/obj_none' }] },
      422,
      'patch.does-not-fit',
    ],
    ['a patch that is none', { revision: 1, patch: [{ op: 'explode', path: '/' }] }, 400, 'request.invalid'],
    ['a field too many', { revision: 1, patch: rename('a', 'b'), force: true }, 400, 'request.invalid'],
    ['no revision', { patch: rename('a', 'b') }, 400, 'request.invalid'],
  ])('%s is refused and changes nothing', async (_what, body, status, code) => {
    const id = await create(blankEffect('same'));
    const refused = await request(app).patch(`/api/effects/${id}`).send(body);
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([status, code]);
    expect((await request(app).get(`/api/effects/${id}`)).body).toMatchObject({
      revision: 1,
      document: { name: 'same' },
    });
  });
  test('what cannot be an id is not there, in a sentence that says so', async () => {
    for (const [path, thing] of [
      ['/api/effects/no-such-effect', 'effect'],
      ['/api/effects/no-such-effect/releases', 'effect'],
      ['/api/effects/no-such-effect/revisions/2', 'effect'],
      [`/api/effects/${'x'.repeat(300)}`, 'effect'],
    ] as const) {
      const { status, body } = await request(app).get(path);
      expect([status, body.code]).toEqual([404, `${thing}.missing`]);
      expect(body.detail).toMatch(/^There is no effect .{1,63}\. The address may have lost a piece/);
    }
    expect((await request(app).delete('/api/shelf/nothing')).body.code).toBe('asset.missing');
    expect((await request(app).put('/api/takes/nothing').send({})).body.code).toBe('take.missing');
  });
  test('what is no effect, no JSON, no id, too much, or nowhere', async () => {
    expect((await request(app).post('/api/effects').send({ name: 'x' })).body).toMatchObject({
      code: 'effect.unreadable',
    });
    expect(
      (await request(app).post('/api/effects').set('Content-Type', 'application/json').send('{')).status,
    ).toBe(400);
    expect((await request(app).get("/api/effects/' or 1=1 --")).status).toBe(404);
    expect(
      (
        await request(app)
          .post('/api/effects')
          .send({ name: 'x'.repeat(5_000_000) })
      ).status,
    ).toBe(413);
    expect((await request(app).get('/api/nothing')).body).toMatchObject({ status: 404, code: 'not-found' });
  });
});

describe('files', () => {
  test('kept once by content and served as what they are', async () => {
    const bytes = await png();
    const [first, second] = [await upload(bytes), await upload(bytes, 'copy.png')];
    expect(first.status).toBe(201);
    expect(first.body).toEqual(second.body);
    expect(first.body).toEqual({ sha256: expect.any(String), mime: 'image/png', bytes: bytes.length });
    const { sha256 } = first.body as { sha256: string };
    const rows = await db.query('select 1 from files where sha256 = $1', [sha256]);
    expect(rows.rows).toHaveLength(1);
    const served = await request(app).get(`/api/files/${sha256}`);
    expect(served.type).toBe('image/png');
    expect(Buffer.compare(served.body as Buffer, bytes)).toBe(0);
  });
  test('every kind that viewers open, told by its bytes', async () => {
    const url = (sha: string) => `/api/files/${sha}`;
    const wav = writeWav({ rate: 8000, channels: [new Float32Array(800).fill(0.5)] });
    const glb = await writeGlb(
      plainDocument(
        [{ part: 'a', material: '', positions: [0, 0, 0, 1, 0, 0, 0, 1, 0], uvs: [], normals: [] }],
        new Map(),
      ),
    );
    const cube = writeCube(identityTable(2));
    const hdr = writeRadiance({ width: 8, height: 4, data: new Float32Array(96).fill(1) });
    const font = readFileSync(
      'node_modules/@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
    );
    for (const [bytes, mime] of [
      [wav, 'audio/wav'],
      [glb, 'model/gltf-binary'],
      [cube, 'text/x-cube'],
      [hdr, 'image/vnd.radiance'],
      [font, 'font/woff2'],
    ] as const) {
      const kept = await upload(bytes, 'misnamed.png');
      expect([mime, kept.status, (kept.body as FileRef).mime]).toEqual([mime, 201, mime]);
      const head = await request(app).head(url((kept.body as FileRef).sha256));
      expect([head.status, head.headers['content-length']]).toEqual([200, String(bytes.length)]);
    }
    expect((await request(app).head(url('0'.repeat(64)))).status).toBe(404);
    expect((await request(app).get(url("' or 1=1"))).status).toBe(400);
  });
  test('bad files: a sentence, and nothing is kept', async () => {
    const count = async () =>
      (await db.query<{ n: number }>('select count(*)::int as n from files')).rows[0]!.n;
    const before = await count();
    const jpeg = await sharp({ create: { width: 300, height: 300, channels: 3, background: '#c84' } })
      .jpeg()
      .toBuffer();
    const large = await png('#123');
    large.writeUInt32BE(10_000, 16);
    large.writeUInt32BE(6_000, 20);
    // Structure intact, picture data damaged: only decoding finds it.
    const damaged = await png('#456');
    const data = damaged.indexOf('IDAT') + 4;
    damaged.fill(0x55, data, data + 12);
    for (const [name, bytes, code] of [
      ['letter.png', Buffer.from('hello'), 'file.not-kept'],
      ['model.glb', Buffer.from('glTF\x02\0\0\0\xff\xff\xff\0', 'latin1'), 'model.cut-off'],
      ['deep.cube', Buffer.from('LUT_3D_SIZE 2\n0 0 0\n'), 'table.cut-off'],
      ['nothing.png', Buffer.alloc(0), 'picture.empty'],
      ['wall.png', large, 'picture.too-large'],
      ['cut.jpg', jpeg.subarray(0, jpeg.length / 2), 'picture.cut-off'],
      [
        'drawing.svg',
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
        'file.not-kept',
      ],
      ['damaged.png', damaged, 'picture.broken'],
    ] as const) {
      const refused = await upload(bytes, name);
      expect([name, refused.status, (refused.body as { code: string }).code]).toEqual([name, 422, code]);
      expect((refused.body as { detail: string }).detail).toContain(name);
    }
    expect(await count()).toBe(before);
  });
  test('more than the limit', async () => {
    expect((await upload(Buffer.alloc(65 * 1024 * 1024))).status).toBe(413);
  });
});

describe('the shelf', () => {
  const asset = async (name: string): Promise<Asset> =>
    newPicture('asset_kelp' as AssetId, name, (await upload(await png('#2ac'))).body as FileRef, 20, 10);
  test('keeps the same content once, under its newest name', async () => {
    const [first, second] = [await asset('kelp.png'), await asset('weed.png')];
    const put = await request(app).post('/api/shelf').send(first);
    expect(put.status).toBe(201);
    await request(app).post('/api/shelf').send(second);
    const list = (await request(app).get('/api/shelf')).body as { id: string; asset: Asset }[];
    expect(list.map((i) => i.asset.name)).toEqual(['weed.png']);
    expect((await request(app).delete(`/api/shelf/${list[0]!.id}`)).status).toBe(204);
    expect((await request(app).delete(`/api/shelf/${list[0]!.id}`)).status).toBe(404);
    expect((await request(app).get('/api/shelf')).body).toEqual([]);
  });
  test('takes nothing whose files are not kept, and nothing that is no asset', async () => {
    const lost = {
      ...(await asset('kelp.png')),
      files: [{ sha256: '0'.repeat(64), mime: 'image/png', bytes: 4 }],
    };
    expect((await request(app).post('/api/shelf').send(lost)).status).toBe(422);
    expect((await request(app).post('/api/shelf').send({ name: 'kelp' })).status).toBe(400);
  });
});

describe('releases', () => {
  const finished = async (): Promise<{ id: string; asset: PictureAsset }> => {
    const file = (await upload(await png('#2ac'))).body as FileRef;
    const asset = newPicture('asset_kelp' as AssetId, 'kelp.png', file, 20, 10);
    const card = newCard('obj_kelp' as ObjectId, asset, 0);
    const { effect } = applyEdit(blankEffect('Kelp Crown!'), bringIn('Bring in', [asset], [card]));
    return { id: await create({ ...effect, listing: { summary: 's', tags: [], icon: asset.id } }), asset };
  };
  const served = async (slug: string): Promise<OpenedPackage> => {
    const { body } = await request(app)
      .get(`/outlet/${slug}/effect.zip`)
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (c: Buffer) => chunks.push(c));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      });
    return readPackage(new Uint8Array(body as Buffer));
  };
  test('built, versioned, served under one address', async () => {
    const { id, asset } = await finished();
    const first = await request(app).post(`/api/effects/${id}/releases`).send({ revision: 1 });
    expect(first.status).toBe(201);
    const { slug, version } = first.body as { slug: string; version: number };
    expect([version, slug.startsWith('kelp-crown-')]).toEqual([1, true]);
    await request(app)
      .patch(`/api/effects/${id}`)
      .send({ revision: 1, patch: [{ op: 'replace', path: '/name', value: 'Kelp Two' }] });
    const second = (await request(app).post(`/api/effects/${id}/releases`).send({ revision: 2 })).body as {
      slug: string;
      version: number;
    };
    expect(second).toMatchObject({ slug, version: 2 });
    const opened = await served(slug);
    expect(opened.manifest).toMatchObject({ name: 'Kelp Two', release: 2 });
    const [file] = asset.files;
    expect(opened.files.get(file!.sha256)!.bytes.length).toBe(file!.bytes);
    expect(((await request(app).get(`/api/effects/${id}/releases`)).body as unknown[]).length).toBe(2);
  });
  test('a printed picture brings what it is found by', async () => {
    const printed = await png('#a40');
    const file = (await upload(printed, 'card.png')).body as FileRef;
    const asset = newPicture('asset_printed' as AssetId, 'card.png', file, 20, 10);
    const target: Target = {
      id: 'target_card' as TargetId,
      name: 'Card',
      order: 0,
      asset: asset.id,
      width: 0.2,
      beforeFound: 'nothing',
      afterLost: 'nothing',
    };
    const on = { kind: 'picture', target: target.id } as const;
    const card = newCard('obj_card' as ObjectId, asset, 0, on);
    const { effect } = applyEdit(blankEffect('Printed'), bringIn('Bring in', [asset], [card]));
    const listing = { summary: 's', tags: [], icon: asset.id };
    const id = await create({ ...effect, listing, targets: { [target.id]: target } });
    const { body } = await request(app).post(`/api/effects/${id}/releases`).send({ revision: 1 });
    const opened = await served((body as { slug: string }).slug);
    expect([...opened.targets.keys()]).toEqual([file.sha256]);
    const grey = new Grey(20, 10);
    expect(readTarget(opened.targets.get(file.sha256)!, grey).aspect).toBe(0.5);
  });
  test('not while checks are open, nor for a revision that is past', async () => {
    const id = await create(blankEffect('Bare'));
    const refused = await request(app).post(`/api/effects/${id}/releases`).send({ revision: 1 });
    expect(refused.status).toBe(422);
    expect((refused.body as { findings: { code: string }[] }).findings.map((f) => f.code)).toEqual([
      'no-icon',
      'nothing-to-see',
    ]);
    const ready = await finished();
    expect((await request(app).post(`/api/effects/${ready.id}/releases`).send({ revision: 9 })).status).toBe(
      409,
    );
  });
  test('an address that nobody has', async () => {
    expect((await request(app).get('/outlet/no-such-1a2b3c/effect.zip')).status).toBe(404);
  });
});

describe('migrations', () => {
  test('one that fails leaves everything as it was and keeps its cause', async () => {
    const last = MIGRATIONS.at(-1)!.number;
    const broken = [
      ...MIGRATIONS,
      { number: last + 1, name: 'broken', sql: 'create table half (id int); create nonsense;' },
    ];
    await expect(migrate(db, broken)).rejects.toMatchObject({
      message: expect.stringContaining(`Migration ${last + 1}`),
      cause: expect.anything(),
    });
    expect(
      (await db.query("select 1 from information_schema.tables where table_name = 'half'")).rows,
    ).toHaveLength(0);
    expect(
      (await db.query<{ last: number }>('select max(number) as last from schema_version')).rows[0]!.last,
    ).toBe(last);
  });
  test('data of a newer version is not touched', async () => {
    await expect(migrate(db, [])).rejects.toThrow('newer Iconia');
  });
});
