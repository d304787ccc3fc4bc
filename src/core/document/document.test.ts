import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newCard, newCue, newGroup, newModel, newOccluder } from './defaults';
import * as edits from './edits';
import { History } from './history';
import { readEffect } from './migrations';
import { applyPatch, diff, patchSchema } from './patch';
import {
  anchorOf,
  cuesActingOn,
  freeName,
  objectsShowing,
  orderOnTop,
  parentOf,
  stackOrder,
  usedAssets,
  usesOf,
  withDescendants,
} from './queries';
import { sampleAsset, sampleEffect } from './sample';
import { sampleModel } from './sample-assets';
import {
  BLEND_MODES,
  SCHEMA_VERSION,
  effectSchema,
  type AssetId,
  type CueId,
  type Effect,
  type ObjectId,
} from './schema';
import { readFileSync } from 'node:fs';

const schema1: unknown = JSON.parse(readFileSync('src/core/document/fixtures/schema-1.json', 'utf8'));

/** A random edit, made for the document as it is when its turn comes. */
const anyEdit = fc
  .record({
    kind: fc.nat(18),
    pick: fc.nat(), // JSON knows no -0.
    number: fc.double({ min: -50, max: 50, noNaN: true }).map((n) => n + 0),
    text: fc.string({ maxLength: 12 }),
  })
  .map(({ kind, pick, number, text }) => {
    return (effect: Effect, serial: number): edits.Edit => {
      const objects = stackOrder(effect);
      const object = objects[pick % Math.max(1, objects.length)];
      const cue = Object.values(effect.cues)[0];
      const fresh = `obj_new${serial}` as ObjectId;
      const asset = sampleAsset(1000 + serial);
      switch (object ? kind : kind % 3) {
        case 0:
          return edits.bringIn('Bring in', [asset], [newCard(fresh, asset, orderOnTop(effect))]);
        case 1:
          return edits.addObject(newOccluder(fresh, number));
        case 2:
          return edits.renameEffect(text);
        case 3:
          return edits.removeObject(effect, object!.id);
        case 4:
          return edits.duplicateObject(
            effect,
            object!.id,
            (of) => `obj_c${serial}x${of.slice(4)}`.slice(0, 60) as ObjectId,
          );
        case 5:
          return edits.changeObject(effect, object!.id, {
            move: [number, 0, number],
            turn: [0, number * 20, 0],
          });
        case 6:
          return edits.styleCard(effect, object!.id, {
            opacity: Math.abs(number) / 50,
            blend: BLEND_MODES[pick % 4]!,
          });
        case 7:
          return edits.reorderObjects([...objects].reverse().map((o) => o.id));
        case 8:
          return edits.putCue(
            newCue('cue_random' as CueId, 'screenTapped', number, [{ id: 'beat_random', actions: [] }]),
          );
        case 9:
          return cue ? edits.removeCue(cue.id) : edits.changeListing({ summary: text });
        case 10:
          return edits.changeListing({
            tags: text ? [text] : [],
            icon: Object.values(effect.assets)[0]?.id ?? null,
          });
        case 11:
          return edits.removeAssets(effect, [Object.values(effect.assets)[0]?.id ?? asset.id]);
        case 12:
          return edits.bringIn(
            'Group',
            [],
            [
              newGroup(fresh, 'Group', number),
              { ...newOccluder(`${fresh}in` as ObjectId, 0), parent: pick % 2 ? fresh : object!.id },
            ],
          );
        case 13: {
          const model = sampleModel(serial);
          return edits.bringIn('Model', [model], [newModel(fresh, model, number)]);
        }
        case 14:
          return edits.styleSolid(effect, object!.id, { opacity: Math.abs(number) / 50, clip: text });
        case 15: {
          const old = Object.values(effect.assets)[0];
          return edits.replaceAsset(effect, {
            ...asset,
            id: old?.id ?? asset.id,
            height: 100 + (pick % 300),
          });
        }
        case 16:
          return edits.renameAssets(
            new Map(Object.values(effect.assets).map((a) => [a.id, `${text} ${a.name}`])),
          );
        case 17:
          return edits.removeAssetsAndObjects(
            effect,
            Object.values(effect.assets)
              .slice(0, 2)
              .map((a) => a.id),
          );
        default: {
          const action = cue?.beats[0]?.actions[0];
          return cue && action
            ? edits.changeAction(cue.id, { ...action, delay: Math.abs(number) })
            : edits.addAsset(asset);
        }
      }
    };
  });

describe('edits', () => {
  test('any sequence of edits, undone, gives the first document back; redone, the last', () => {
    fc.assert(
      fc.property(
        fc.array(anyEdit, { maxLength: 25 }),
        fc.array(fc.boolean(), { maxLength: 25 }),
        (makers, gestures) => {
          const first = sampleEffect(3, 2);
          const history = new History(first);
          makers.forEach((make, i) => history.edit(make(history.effect, i), gestures[i] ? 'drag' : null));
          const last = history.effect;
          // What an edit makes is always a valid document.
          expect(effectSchema.safeParse(last).error?.issues ?? []).toEqual([]);
          let steps = 0;
          while (history.undoLabel) {
            history.undo();
            steps++;
          }
          expect(history.effect).toEqual(first);
          for (let i = 0; i < steps; i++) history.redo();
          expect(history.effect).toEqual(last);
          expect(history.redoLabel).toBeNull();
        },
      ),
    );
  });
  test('the old document is never touched', () => {
    const before = sampleEffect(2, 1);
    const copy = structuredClone(before);
    edits.applyEdit(before, edits.changeObject(before, 'obj_sample0' as ObjectId, { visible: false }));
    expect(before).toEqual(copy);
  });
  test('the patches lead there and back', () => {
    const before = sampleEffect(2, 1);
    const { effect, forward, inverse } = edits.applyEdit(
      before,
      edits.removeObject(before, 'obj_sample0' as ObjectId),
    );
    expect(applyPatch(before, forward)).toEqual(effect);
    expect(applyPatch(effect, inverse)).toEqual(before);
    expect(patchSchema.safeParse(forward).success).toBe(true);
  });
  test('deleting an object leaves its actions without a target, and undo gives it back', () => {
    const history = new History(sampleEffect(1, 1));
    history.edit(edits.removeObject(history.effect, 'obj_sample0' as ObjectId));
    const targets = Object.values(history.effect.cues)[0]!.beats.flatMap((b) =>
      b.actions.map((a) => a.target),
    );
    expect(new Set(targets)).toEqual(new Set([null]));
    history.undo();
    expect(cuesActingOn(history.effect, 'obj_sample0' as ObjectId)).toHaveLength(1);
  });
  test('a copy stands just above its original under a name of its own', () => {
    const before = sampleEffect(3, 0);
    const { effect } = edits.applyEdit(
      before,
      edits.duplicateObject(before, 'obj_sample1' as ObjectId, () => 'obj_copy' as ObjectId),
    );
    expect(stackOrder(effect).map((o) => o.name)).toEqual(['Shell 0', 'Shell 3', 'Shell 1', 'Shell 2']);
  });
});

describe('history', () => {
  const move = (history: History, x: number, gesture: string | null) =>
    history.edit(
      edits.changeObject(history.effect, 'obj_sample0' as ObjectId, { move: [x, 0, 0.01] }, 'Move'),
      gesture,
    );
  test('a drag is one step; the next drag is another', () => {
    const history = new History(sampleEffect(1, 0));
    for (const x of [1, 2, 3]) move(history, x, 'drag');
    history.endGesture();
    for (const x of [4, 5]) move(history, x, 'drag');
    history.undo();
    expect(history.effect.objects['obj_sample0' as ObjectId]!.move[0]).toBe(3);
    history.undo();
    expect(history.effect.objects['obj_sample0' as ObjectId]!.move[0]).toBe(0);
    expect(history.undoLabel).toBeNull();
  });
  test('an edit that changes nothing leaves no step, nor does a drag that comes back', () => {
    const history = new History(sampleEffect(1, 0));
    history.edit(edits.renameEffect('Sample'));
    expect(history.undoLabel).toBeNull();
    move(history, 2, 'drag');
    move(history, 0, 'drag');
    expect(history.undoLabel).toBeNull();
  });
  test('a new edit ends what could be redone', () => {
    const history = new History(sampleEffect(1, 0));
    move(history, 1, null);
    history.undo();
    expect(history.redoLabel).toBe('Move Shell 0');
    move(history, 2, null);
    expect(history.redoLabel).toBeNull();
  });
});

describe('queries', () => {
  test('names are made free by counting on', () => {
    const effect = sampleEffect(1, 0);
    expect(freeName(effect, 'Shell 0')).toBe('Shell 2');
    expect(freeName(effect, 'Kelp')).toBe('Kelp');
  });
  test('assets in use are those on cards and the icon', () => {
    const effect = sampleEffect(2, 0);
    delete effect.objects['obj_sample1' as ObjectId];
    expect(usedAssets(effect)).toEqual(['asset_sample0']);
    effect.listing.icon = sampleAsset(1).id;
    expect(usedAssets(effect)).toEqual(['asset_sample0', 'asset_sample1']);
    expect(objectsShowing(effect, sampleAsset(0).id).map((c) => c.name)).toEqual(['Shell 0']);
    expect(usesOf(effect, sampleAsset(1).id)).toEqual([{ kind: 'icon' }]);
    expect(usesOf(effect, sampleAsset(0).id)).toEqual([
      { kind: 'object', id: 'obj_sample0', name: 'Shell 0' },
    ]);
  });
});

describe('groups', () => {
  const G = 'obj_group' as ObjectId;
  const grouped = (): Effect => {
    const effect = sampleEffect(3, 1);
    effect.objects[G] = { ...newGroup(G, 'Kelp', 0.5), anchor: { kind: 'head', face: 2, point: 'chin' } };
    for (const n of [1, 2]) effect.objects[`obj_sample${n}` as ObjectId]!.parent = G;
    return effect;
  };
  const names = (effect: Effect) => stackOrder(effect).map((o) => o.name);
  test('stand in the Stack with what they hold after them, and hand down what they stick to', () => {
    const effect = grouped();
    expect(names(effect)).toEqual(['Shell 0', 'Kelp', 'Shell 1', 'Shell 2']);
    expect(anchorOf(effect, effect.objects['obj_sample2' as ObjectId]!)).toMatchObject({
      face: 2,
      point: 'chin',
    });
    expect(withDescendants(effect, G).map((o) => o.id)).toEqual([G, 'obj_sample1', 'obj_sample2']);
  });
  test('are copied and deleted as a whole', () => {
    const before = grouped();
    const { effect } = edits.applyEdit(
      before,
      edits.duplicateObject(before, G, (of) => `${of}-copy` as ObjectId),
    );
    expect(names(effect)).toEqual(['Shell 0', 'Kelp 2', 'Shell 3', 'Shell 4', 'Kelp', 'Shell 1', 'Shell 2']);
    const { effect: less } = edits.applyEdit(effect, edits.removeObject(effect, G));
    expect(names(less)).toEqual(['Shell 0', 'Kelp 2', 'Shell 3', 'Shell 4']);
  });
  test('that are gone, are no groups or hang in themselves hide nothing', () => {
    const effect = grouped();
    effect.objects['obj_sample0' as ObjectId]!.parent = 'obj_gone' as ObjectId;
    effect.objects['obj_sample1' as ObjectId]!.parent = 'obj_sample2' as ObjectId;
    const H = 'obj_other' as ObjectId;
    effect.objects[H] = { ...newGroup(H, 'Other', 9), parent: G };
    effect.objects[G]!.parent = H;
    expect(names(effect)).toHaveLength(5);
    expect(new Set(names(effect)).size).toBe(5);
    expect(parentOf(effect, effect.objects[G]!)).toBeNull();
  });
});

describe('reading documents', () => {
  test('schema 1 is brought up: the trigger gets its threshold', () => {
    const effect = readEffect(schema1);
    expect(effect.schema).toBe(SCHEMA_VERSION);
    expect(effect.cues['cue_open' as CueId]!.trigger).toEqual({ kind: 'mouthOpens', threshold: 0.4 });
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
