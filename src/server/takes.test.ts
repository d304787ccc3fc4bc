import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import request from 'supertest';
import type { Express } from 'express';
import { FIRST_TAKE } from '../core/takes/library';
import type { TakeSpec } from '../core/takes/take';
import { testApp } from './testing';

jest.setTimeout(60_000);

let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ app, close } = await testApp());
});
afterAll(() => close());

const own: TakeSpec = { ...FIRST_TAKE.spec, name: 'Mine', taps: [{ time: 2, x: 0.5, y: 0.25 }] };

describe('own takes', () => {
  test('made, listed, changed, deleted', async () => {
    const made = await request(app).post('/api/takes').send(own);
    expect(made.status).toBe(201);
    const { id } = made.body as TakeSpec;
    expect(id).not.toBe(own.id);
    expect(made.body).toEqual({ ...own, id });
    expect((await request(app).get('/api/takes')).body).toEqual([{ ...own, id }]);
    const changed = { ...own, id, name: 'Mine, darker', light: 'dim' };
    expect((await request(app).put(`/api/takes/${id}`).send(changed)).body).toEqual(changed);
    expect((await request(app).get('/api/takes')).body).toEqual([changed]);
    expect((await request(app).delete(`/api/takes/${id}`)).status).toBe(204);
    expect((await request(app).get('/api/takes')).body).toEqual([]);
    expect((await request(app).delete(`/api/takes/${id}`)).body).toMatchObject({ code: 'take.missing' });
    expect((await request(app).put(`/api/takes/${id}`).send(changed)).status).toBe(404);
  });
  test.each([
    ['without a name', { name: ' ' }, 'Give the take a name.'],
    ['too short', { duration: 2 }, 'at least 8 seconds'],
    ['too long', { duration: 60 }, 'at most 20 seconds'],
    ['with strange parts', { hats: 3 }, 'hats'],
    ['with a tap outside', { taps: [{ time: 1, x: 4, y: 0 }] }, ''],
  ])('%s is refused, and nothing is kept', async (_what, wrong, says) => {
    const { status, body } = await request(app)
      .post('/api/takes')
      .send({ ...own, ...wrong });
    expect(status).toBe(400);
    expect(JSON.stringify(body)).toContain(says);
    expect((await request(app).get('/api/takes')).body).toEqual([]);
  });
  test.each([
    ['performer', { cast: [{ ...own.cast[0]!, performer: 'nobody' }] }],
    ['performance', { cast: [{ ...own.cast[0]!, performance: 'flies' }] }],
    ['room', { room: 'moon' }],
    ['light', { light: 'none' }],
    ['camera', { camera: 'drone' }],
    ['pictures', { pictures: 'burn' }],
  ])('an unknown %s is named', async (_what, wrong) => {
    const { status, body } = await request(app)
      .post('/api/takes')
      .send({ ...own, ...wrong });
    expect(status).toBe(422);
    expect((body as { detail: string }).detail).toMatch(/nobody|flies|moon|none|drone|burn/);
  });
  test('what is no id is no take', async () => {
    expect((await request(app).delete('/api/takes/solo')).status).toBe(404);
  });
});
