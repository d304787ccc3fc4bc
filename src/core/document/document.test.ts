import { isDeepStrictEqual } from 'node:util';
import { newBehaviourNode } from '../kinds/nodes/nodes';
import { newCircuit } from './new-circuit';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { headAnchor } from '../kinds/objects/placed';
import { newGroup } from '../kinds/objects/group';
import { applyEdit } from './edit';
import { changeObject, removeObject } from '../edits/object-edits';
import { renameEffect } from '../edits/effect-edits';
import { History } from './history';
import { applyPatch, isSameJson, patchSchema } from './patch';
import { objectsShowing, tellingPictures, usesOf } from './asset-uses';
import { blankEffect } from './defaults';
import { newMaterial } from './new-material';
import { newLayer } from '../kinds/objects/layer';
import {
  anchorOf,
  cuesActingOn,
  freeName,
  parentOf,
  stackOrder,
  neededAssets,
  usedAssets,
  withDescendants,
} from './queries';
import { sampleAsset, sampleEffect } from './sample';
import {
  type Anchor,
  type AssetId,
  type CircuitId,
  type NodeId,
  type Effect,
  type MaterialId,
  type ObjectId,
  type PictureAsset,
} from './schema';
import { duplicateObjects } from '../edits/copy-edits';

/** Ids that differ for each edit. */
const freshIds = (serial: number, prefix?: string) => {
  let n = 0;
  return (kind?: string): string => `${prefix ?? kind ?? 'obj'}_x${serial}y${n++}`;
};

describe('edits', () => {
  test('the old document is never touched', () => {
    const before = sampleEffect(2, 1);
    const copy = structuredClone(before);
    applyEdit(before, changeObject(before, 'obj_sample0' as ObjectId, { visible: false }));
    expect(before).toEqual(copy);
  });
  test('the patches lead there and back', () => {
    const before = sampleEffect(2, 1);
    const { effect, forward, inverse } = applyEdit(before, removeObject(before, 'obj_sample0' as ObjectId));
    expect(applyPatch(before, forward)).toEqual(effect);
    expect(applyPatch(effect, inverse)).toEqual(before);
    expect(patchSchema.safeParse(forward).success).toBe(true);
  });
  test('objects that share an anchor are undone one by one', () => {
    const shared: Anchor = { kind: 'screen', pin: 'top' };
    const first = sampleEffect(2, 0);
    for (const object of Object.values(first.objects)) object.anchor = shared;
    const history = new History(first);
    history.edit(changeObject(first, 'obj_sample0' as ObjectId, { anchor: headAnchor('chin') }));
    expect(history.undo()).toEqual(first);
    history.redo();
    expect(history.effect.objects['obj_sample1' as ObjectId]!.anchor).toEqual(shared);
  });
  test('deleting an object leaves its actions without a target, and undo gives it back', () => {
    const history = new History(sampleEffect(1, 1));
    history.edit(removeObject(history.effect, 'obj_sample0' as ObjectId));
    const targets = Object.values(history.effect.cues)[0]!.beats.flatMap((b) =>
      b.actions.flatMap((a) => a.targets),
    );
    expect(targets).toEqual([]);
    history.undo();
    expect(cuesActingOn(history.effect, 'obj_sample0' as ObjectId)).toHaveLength(1);
  });
  test('a copy stands just above its original under a name of its own', () => {
    const before = sampleEffect(3, 0);
    const { effect } = applyEdit(before, duplicateObjects(before, ['obj_sample1' as ObjectId], freshIds(0)));
    expect(stackOrder(effect).map((o) => o.name)).toEqual(['Shell 0', 'Shell 3', 'Shell 1', 'Shell 2']);
  });
});

describe('history', () => {
  const move = (history: History, x: number, gesture: string | null) =>
    history.edit(
      changeObject(history.effect, 'obj_sample0' as ObjectId, { move: [x, 0, 0.01] }, 'Move'),
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
    history.edit(renameEffect('Sample'));
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

describe('likeness of JSON', () => {
  const json = fc.jsonValue({ maxDepth: 4 }).map((value) => JSON.parse(JSON.stringify(value)) as unknown);
  test('two values are alike when the one written down reads as the other', () =>
    fc.assert(
      fc.property(json, json, (a, b) => {
        expect(isSameJson(a, structuredClone(a))).toBe(true);
        expect(isSameJson(a, b)).toBe(isDeepStrictEqual(a, b));
      }),
    ));
  test('a list is no record, and a key more makes another value', () => {
    expect(isSameJson([], {})).toBe(false);
    expect(isSameJson({ a: 1 }, { a: 1, b: 2 })).toBe(false);
    expect(isSameJson({ a: undefined }, { b: undefined })).toBe(false);
    expect(isSameJson(null, {})).toBe(false);
  });
});

describe('queries', () => {
  test('names are made free by counting on', () => {
    const effect = sampleEffect(1, 0);
    expect(freeName(effect, 'Shell 0')).toBe('Shell 2');
    expect(freeName(effect, 'Kelp')).toBe('Kelp');
  });
  test('assets in use are those that circuits and compounds bring', () => {
    const picture = (id: string, asset: number) =>
      newBehaviourNode(id as NodeId, 'thePicture', [0, 0], { set: { picture: sampleAsset(asset).id } });
    const [on, within] = [picture('node_aaaa', 1), picture('node_bbbb', 2)];
    const effect = sampleEffect(1, 0);
    const circuit = { ...newCircuit('circuit_main' as CircuitId, 'Main', 0), nodes: { [on.id]: on } };
    const compound = {
      id: 'compound_one',
      name: 'One',
      order: 0,
      note: '',
      nodes: { [within.id]: within },
      notes: {},
    };
    const both = {
      ...effect,
      circuits: { [circuit.id]: circuit },
      compounds: { [compound.id]: compound },
    } as Effect;
    expect(usedAssets(both)).toEqual([0, 1, 2].map((n) => sampleAsset(n).id));
    expect(neededAssets(both)).toEqual(usedAssets(both));
  });
  test('assets in use are those on cards and the icon', () => {
    const effect = sampleEffect(2, 0);
    delete effect.objects['obj_sample1' as ObjectId];
    expect(usedAssets(effect)).toEqual(['asset_sample0']);
    effect.listing.icon = sampleAsset(1).id;
    expect(usedAssets(effect)).toEqual(['asset_sample0', 'asset_sample1']);
    expect(objectsShowing(effect, sampleAsset(0).id).map((c) => c.name)).toEqual(['Shell 0']);
    expect(usesOf(effect, sampleAsset(1).id)).toEqual([{ in: 'icon' }]);
    expect(usesOf(effect, sampleAsset(0).id)).toEqual([
      { in: 'objects', id: 'obj_sample0', name: 'Shell 0' },
    ]);
  });
});

describe('groups', () => {
  const G = 'obj_group' as ObjectId;
  const grouped = (): Effect => {
    const effect = sampleEffect(3, 1);
    effect.objects[G] = { ...newGroup(G, 'Kelp', 0.5), anchor: headAnchor('chin', 2) };
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
    const { effect } = applyEdit(before, duplicateObjects(before, [G], freshIds(0)));
    expect(names(effect)).toEqual(['Shell 0', 'Kelp 2', 'Shell 3', 'Shell 4', 'Kelp', 'Shell 1', 'Shell 2']);
    const { effect: less } = applyEdit(effect, removeObject(effect, G));
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

test('pictures that tell of an effect: no masks, no maps, nothing blank', () => {
  const picture = (n: number, bytes = 4000): PictureAsset => {
    const asset = sampleAsset(n);
    return { ...asset, id: `asset_tell${n}` as AssetId, files: [{ ...asset.files[0]!, bytes }] };
  };
  const [kelp, mask, map, blank] = [picture(1), picture(2), picture(3), picture(4, 1)];
  const layer = { ...newLayer('obj_layer1' as ObjectId, { region: 'lips' }, 0), mask: mask!.id };
  const material = newMaterial('mat_shell' as MaterialId, 'Shell');
  const effect: Effect = {
    ...blankEffect(''),
    assets: Object.fromEntries([kelp, mask, map, blank].map((a) => [a!.id, a!])),
    objects: { [layer.id]: layer },
    materials: {
      [material.id]: { ...material, maps: { ...material.maps, base: { from: 'asset', asset: map!.id } } },
    },
  };
  expect(tellingPictures(effect).map((a) => a.id)).toEqual([kelp!.id]);
});
