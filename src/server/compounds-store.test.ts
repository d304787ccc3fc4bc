/** Compounds that a creator keeps, by the routes: once each, and nothing that is no compound. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { Express } from 'express';
import request from 'supertest';
import { readEffect } from '../core/document/migrations';
import type { CompoundId, Effect, NodeId } from '../core/document/schema';
import { textOfNodes } from '../core/edits/circuit-text';
import { textOfCompound } from '../core/edits/kept-compound';
import { newBehaviourNode } from '../core/kinds/nodes/nodes';
import { testApp } from './testing';

jest.setTimeout(60_000);

let app: Express;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ app, close } = await testApp());
});
afterAll(() => close());

describe('compounds on the shelf', () => {
  const old = readEffect(JSON.parse(readFileSync('src/core/document/fixtures/schema-15.json', 'utf8')));
  const id = 'compound_later' as CompoundId;
  const named = (name: string, as = id): string =>
    textOfCompound({ ...old, compounds: { [as]: { ...old.compounds[id]!, id: as, name } } } as Effect, as);
  const keep = (text: unknown) => request(app).post('/api/compounds').send({ text });
  test('the same compound is kept once, as it was last; another of the same name beside it', async () => {
    expect((await keep(named('Later'))).status).toBe(201);
    await keep(named('Much later'));
    await keep(named('Much later', 'compound_other' as CompoundId));
    const list = (await request(app).get('/api/compounds')).body as { id: string; name: string }[];
    expect(list.map(({ name }) => name)).toEqual(['Much later', 'Much later']);
    for (const one of list) expect((await request(app).delete(`/api/compounds/${one.id}`)).status).toBe(204);
    expect((await request(app).get(`/api/compounds/${list[0]!.id}`)).status).toBe(404);
    expect((await request(app).delete(`/api/compounds/${list[0]!.id}`)).body.code).toBe('compound.missing');
  });
  test.each([
    ['no text of nodes', 'low tide', 422, 'circuit.paste'],
    ['of nothing', JSON.stringify({ format: 'iconia-nodes', schema: 16, nodes: [] }), 422, 'circuit.paste'],
    [
      'of a node that is no compound',
      textOfNodes([newBehaviourNode('node_time' as NodeId, 'time')], old),
      422,
      'compound.text',
    ],
    ['of a newer Iconia', named('Later').replace(/"schema": \d+/, '"schema": 9000'), 422, 'circuit.paste'],
    ['no text', 5, 400, 'request.invalid'],
    ['too long', 'x'.repeat(600_000), 400, 'request.invalid'],
    ['far too long', 'x'.repeat(2_000_000), 413, 'request.too-large'],
  ])('%s: a sentence, and nothing is kept', async (_what, text, status, code) => {
    const { status: answered, body } = await keep(text);
    expect([answered, body.code]).toEqual([status, code]);
    expect(body.detail).toMatch(answered === 400 ? /text: / : /[.]$/);
    expect((await request(app).get('/api/compounds')).body).toEqual([]);
  });
});
