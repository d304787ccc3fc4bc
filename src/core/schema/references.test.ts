import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { idOf, mapReferences } from './references';
import { effectSchema } from '../document/schema';
import { text } from './values-schema';
import { blankEffect } from '../document/defaults';

const thing = z.strictObject({
  id: idOf('cues'),
  name: text(80),
  object: idOf('objects').nullable(),
  must: idOf('objects'),
  list: z.array(idOf('objects')).max(9),
  byObject: z.record(idOf('objects'), z.number()),
  inner: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('one'), target: idOf('targets').nullable() }),
    z.strictObject({ kind: z.literal('pair'), pair: z.tuple([idOf('scenes'), z.number()]) }),
  ]),
});
const value: z.infer<typeof thing> = {
  id: 'cue_aaaa',
  name: 'obj_aaaa',
  object: 'obj_aaaa',
  must: 'obj_aaaa',
  list: ['obj_aaaa', 'obj_bbbb'],
  byObject: { obj_aaaa: 1, obj_bbbb: 2 },
  inner: { kind: 'one', target: 'target_aaaa' },
};

describe('references are what the schema says, not what a text looks like', () => {
  test('each is told with what it refers to; texts and literals are not', () => {
    const told: string[] = [];
    mapReferences(thing, value, (to, id) => {
      told.push(`${to} ${id}`);
      return id;
    });
    expect(told.sort()).toEqual([
      'cues cue_aaaa',
      'objects obj_aaaa',
      'objects obj_aaaa',
      'objects obj_aaaa',
      'objects obj_aaaa',
      'objects obj_bbbb',
      'objects obj_bbbb',
      'targets target_aaaa',
    ]);
  });
  test('a reference taken away is null, or left out, or stays where something has to be named', () => {
    const gone = mapReferences(thing, value, (_, id) => (id === 'obj_aaaa' ? null : id));
    expect(gone).toEqual({ ...value, object: null, list: ['obj_bbbb'], byObject: { obj_bbbb: 2 } });
  });
  test('named anew everywhere, in keys, tuples and unions too', () => {
    const pair = { ...value, inner: { kind: 'pair' as const, pair: ['scene_aaaa', 3] as [string, number] } };
    const named = mapReferences(thing, pair, (_, id) => id.replace('aaaa', 'zzzz'));
    expect(named).toMatchObject({
      name: 'obj_aaaa',
      must: 'obj_zzzz',
      byObject: { obj_zzzz: 1, obj_bbbb: 2 },
      inner: { pair: ['scene_zzzz', 3] },
    });
  });
  test('a whole document stays as it is when nothing is changed', () => {
    const effect = blankEffect('Plain');
    expect(mapReferences(effectSchema, effect, (_, id) => id)).toEqual(effect);
  });
});
