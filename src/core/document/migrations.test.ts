/** Documents of older schemas, and what is no document. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readyTrigger } from '../kinds/triggers/ready-triggers';
import { FOREHEAD } from '../kinds/objects/placed';
import { newAction } from '../kinds/actions/actions';
import { newLight } from '../kinds/objects/light';
import { newMorph } from '../kinds/objects/morph';
import { newCue, newDrive } from './new-cues';
import { newSignal } from '../kinds/signals/signals';
import { readEffect } from './migrations';
import { sampleModel } from './sample-assets';
import { applyPatch, diff } from './patch';
import { blankEffect } from './defaults';
import { sampleEffect } from './sample';
import {
  SCHEMA_VERSION,
  type AssetId,
  type CircuitId,
  type CompoundId,
  type CueId,
  type DriveId,
  type Effect,
  type LookId,
  type ObjectId,
} from './schema';
import { readFileSync } from 'node:fs';

const fixture = (n: number): unknown =>
  JSON.parse(readFileSync(`src/core/document/fixtures/schema-${n}.json`, 'utf8'));
const schema1 = fixture(1);

describe('reading documents', () => {
  test('schema 1 is brought up: the trigger gets its threshold', () => {
    const effect = readEffect(schema1);
    expect(effect.schema).toBe(SCHEMA_VERSION);
    expect(effect.cues['cue_open' as CueId]!.triggers).toEqual([readyTrigger('mouthOpens')]);
    // Schema 3: pictures are files with facts, objects can hang in groups.
    expect(effect.objects['obj_kelp' as ObjectId]!.parent).toBeNull();
    expect(effect.assets['asset_kelp' as AssetId]).toMatchObject({
      files: [{ mime: 'image/png', bytes: 1234 }],
      original: null,
      width: 600,
    });
    // Angles are kept as they were set: -36 does not become 324.
    expect(effect.objects['obj_kelp' as ObjectId]!.turn).toEqual([0, 0, -36]);
  });
  test('schema 11 always asked for what it did not see, and goes on doing so', () => {
    expect(readEffect(fixture(11)).asks).toBe(true);
  });
  test('schema 12 had no circuits of behaviour', () => {
    const effect = readEffect(fixture(12));
    expect(effect.circuits).toEqual({});
    // What it asked for, or not, stays.
    expect(effect.asks).toBe(false);
  });
  test('schema 15 had boards with nothing beside their nodes', () => {
    const effect = readEffect(fixture(15));
    expect(effect.circuits['circuit_swing' as CircuitId]).toMatchObject({ name: 'Swing', notes: {} });
    expect(effect.compounds['compound_later' as CompoundId]).toMatchObject({ name: 'Later', notes: {} });
  });
  test('schema 4 looks as it did: cards lie where they were, people are cut out as they come, lit things cover', () => {
    const effect = readEffect(fixture(4));
    const object = (id: string) => effect.objects[id as ObjectId];
    expect(effect.backdrop).toEqual({ feather: 0, grow: 0, invert: false, spill: 0 });
    expect(object('obj_shell')).toMatchObject({ kind: 'card', fit: 'free' });
    for (const id of ['obj_turtle', 'obj_ball']) expect(object(id)).toMatchObject({ blend: 'normal' });
    for (const id of ['obj_words', 'obj_sun1', 'obj_group']) expect(object(id)).not.toHaveProperty('fit');
  });
  test('schema 5 wears nothing: every object keeps its own look', () => {
    const effect = readEffect(fixture(5));
    expect(effect.materials).toEqual({});
    for (const object of Object.values(effect.objects)) {
      if (['card', 'fill', 'solid'].includes(object.kind)) expect(object).toMatchObject({ material: null });
      else expect(object).not.toHaveProperty('material');
      if (object.kind === 'model') expect(object.materials).toEqual({});
    }
    expect(effect.objects['obj_pebble' as ObjectId]).toMatchObject({ colour: '#c98a4b', blend: 'multiply' });
  });
  test('schema 6: face layers stay pictures over the whole face, eyes and mouth too', () => {
    const effect = readEffect(fixture(6));
    expect(effect.looks).toEqual({});
    expect(effect.objects['obj_layer6' as ObjectId]).toMatchObject({
      kind: 'layer',
      region: 'face',
      softness: 0,
      mask: null,
      finish: 'painted',
      coversEyes: true,
      coversMouth: true,
      maskedBy: null,
    });
    expect(effect.objects['obj_pebble' as ObjectId]).not.toHaveProperty('region');
  });
  test('schema 7 stays as it is: what lies on faces, and the looks that were kept; until 16 only layers blended and were limited, until 17 nothing on a face was made of a material', () => {
    const old = fixture(7) as Effect;
    const effect = readEffect(old);
    expect(effect.schema).toBe(SCHEMA_VERSION);
    const leftOut = { maskedBy: null, maskedOut: false, givesWay: true };
    const grown = <T extends { readonly kind: string }>(one: T): T =>
      ['iris', 'lashes'].includes(one.kind)
        ? { ...one, blend: 'normal', ...leftOut }
        : one.kind === 'hair'
          ? {
              ...one,
              blend: 'normal',
              tips: (one as unknown as { tint: string }).tint,
              tipsReach: 0,
              streaks: 0,
              part: 'all',
              edge: 0.3,
              mask: null,
            }
          : one.kind === 'layer'
            ? { ...one, material: null }
            : one;
    for (const [id, object] of Object.entries(old.objects))
      expect(effect.objects[id as ObjectId]).toEqual(grown(object));
    expect(new Set(Object.values(old.objects).map((o) => o.kind))).toContain('lashes');
    for (const [id, look] of Object.entries(old.looks))
      expect(effect.looks[id as LookId]).toEqual({
        ...look,
        layers: look.layers.map(grown),
        extras: look.extras.map(grown),
      });
  });
  test('a morph of schema 17 had two strengths, which are one now unless a cue or a drive changes it; no light reached faces', () => {
    const plain = { ...newMorph('obj_plain' as ObjectId, 0), amount: 1.5, opacity: 0.5 };
    const faded = { ...newMorph('obj_faded' as ObjectId, 1), amount: 0.5, opacity: 0 };
    const driven = { ...newMorph('obj_driven' as ObjectId, 3), amount: 0.5, opacity: 0.5 };
    const drive = newDrive('drive_fades' as DriveId, 0, newSignal('loudness', null), {
      kind: 'number',
      objects: [driven.id],
      property: 'opacity',
    });
    const lamp = newLight('obj_lamp' as ObjectId, 'point', 2, FOREHEAD);
    const cue = newCue('cue_fades' as CueId, 'screenTapped', 0, [
      { id: 'beat_first', actions: [{ ...newAction('act_first', 'fade', faded.id) }] },
    ]);
    const current = {
      ...blankEffect('Old'),
      objects: { [plain.id]: plain, [faded.id]: faded, [lamp.id]: lamp, [driven.id]: driven },
      drives: { [drive.id]: drive },
      cues: { [cue.id]: cue },
    };
    const without = ({ material: _m, onFaces: _f, relief: _r, ...object }: Record<string, unknown>) => object;
    const old = {
      ...current,
      schema: 17,
      objects: Object.fromEntries(
        Object.entries(current.objects).map(([id, o]) => [id, without(o as never)]),
      ),
    };
    const { objects } = readEffect(old);
    expect(objects[plain.id]).toEqual({ ...plain, amount: 0.75, opacity: 1, relief: 0 });
    expect(objects[faded.id]).toEqual({ ...faded, relief: 0 });
    expect(objects[driven.id]).toEqual({ ...driven, relief: 0 });
    expect(objects[lamp.id]).toEqual(lamp);
  });
  test('in schema 10 nobody had measured the parts of models', () => {
    const model = sampleModel(1);
    const { tree: _tree, likely: _likely, ...before } = model;
    const old = { ...sampleEffect(1, 0), schema: 10, assets: { [model.id]: before } };
    expect(readEffect(old).assets).toEqual({ [model.id]: { ...model, tree: null } });
  });
  test.each([
    ['nothing', null, 'effect.unreadable'],
    ['a newer schema', { schema: SCHEMA_VERSION + 1 }, 'effect.too-new'],
    ['an unknown old one', { schema: 0 }, 'effect.unreadable'],
    ['a field too many', { ...sampleEffect(0, 0), colour: 1 }, 'effect.unreadable'],
    [
      'an id that is not its key',
      {
        ...sampleEffect(0, 0),
        objects: { obj_other: sampleEffect(1, 0).objects['obj_sample0' as ObjectId] },
      },
      'effect.unreadable',
    ],
    [
      'a number out of range',
      {
        ...sampleEffect(0, 0),
        objects: { obj_sample0: { ...sampleEffect(1, 0).objects['obj_sample0' as ObjectId], opacity: 2 } },
      },
      'effect.unreadable',
    ],
  ])('%s is refused with a code', (_what, json, code) => {
    expect(() => readEffect(json)).toThrow(expect.objectContaining({ code }));
  });
  test('a patch that does not fit, or reaches for the prototype, is refused', () => {
    const effect = sampleEffect(1, 0);
    expect(() => applyPatch(effect, [{ op: 'remove', path: '/objects/obj_gone' }])).toThrow(
      expect.objectContaining({ code: 'patch.does-not-fit' }),
    );
    expect(() => applyPatch(effect, [{ op: 'add', path: '/__proto__/polluted', value: 1 }])).toThrow();
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });
  test('diff of any two documents leads from one to the other', () => {
    fc.assert(
      fc.property(fc.nat(4), fc.nat(4), fc.nat(3), fc.nat(3), (a, b, c, d) => {
        const [from, to] = [sampleEffect(a, c), sampleEffect(b, d)];
        expect(applyPatch(from, diff(from, to))).toEqual(to);
      }),
    );
  });
});
