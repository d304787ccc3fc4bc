import { describe, expect, test } from '@jest/globals';
import { check } from '../checks/checks';
import { requirementsOf } from '../requirements/requirements';
import { duplicateObjects } from './copy-edits';
import { blankEffect, newPicture } from '../document/defaults';
import { removeAssets, showInstead } from './asset-edits';
import {
  addMaterial,
  addNodes,
  changeMaterial,
  changeNode,
  makeMaterialsOwn,
  removeMaterial,
  removeNodes,
  wearMaterial,
  wire,
} from './material-edits';
import {
  freeMaterialName,
  materialIdOf,
  materialIdsOf,
  materialOrder,
  sharesMaterial,
  wearersOf,
} from '../document/material-queries';
import { circuitOf, newMaterial, newSurfaceNode } from '../document/new-material';
import { newModel } from '../kinds/objects/model';
import { newSolid } from '../kinds/objects/solid';
import { newText } from '../kinds/objects/text';
import { usesOf } from '../document/asset-uses';
import { usedAssets } from '../document/queries';
import { sampleModel } from '../document/sample-assets';
import { sampleFile } from '../document/sample';
import { after, CHIN, idsInTurn } from './testing';
import {
  MOST_SURFACE_NODES,
  effectSchema,
  type AssetId,
  type Effect,
  type MaterialId,
  type NodeId,
  type ObjectId,
} from '../document/schema';

const [A, B, C] = ['obj_box1', 'obj_box2', 'obj_shell'] as ObjectId[] as [ObjectId, ObjectId, ObjectId];
const BRASS = 'mat_brass' as MaterialId;
const KELP = 'mat_kelp' as MaterialId;
const brass = newMaterial(BRASS, 'Brass', { metalness: 1 });
const start = (): Effect => {
  const model = sampleModel(1);
  return {
    ...blankEffect('Shells'),
    assets: { [model.id]: model },
    objects: {
      [A]: newSolid(A, 'box', 0, CHIN),
      [B]: newSolid(B, 'sphere', 1, CHIN),
      [C]: newModel(C, model, 2),
    },
  };
};
const worn = (): Effect => after(start(), addMaterial(start(), brass, [A, B]));
const valid = (effect: Effect): void =>
  expect(effectSchema.safeParse(effect).error?.issues ?? []).toEqual([]);

describe('wearing', () => {
  test('a new material is worn at once, under a free name', () => {
    let effect = worn();
    expect(wearersOf(effect, BRASS).map((o) => o.id)).toEqual([A, B]);
    effect = after(effect, addMaterial(effect, newMaterial(KELP, 'Brass')));
    expect(effect.materials[KELP]!.name).toBe('Brass 2');
    expect(freeMaterialName(effect, 'Brass 2')).toBe('Brass 3');
    expect(materialOrder(effect).map((m) => m.name)).toEqual(['Brass', 'Brass 2']);
    valid(effect);
  });
  test('a model wears one for each of its own materials, and one for all others', () => {
    let effect = worn();
    effect = after(effect, wearMaterial(effect, [C], BRASS));
    effect = after(effect, addMaterial(effect, newMaterial(KELP, 'Kelp'), [C], '2'));
    const model = effect.objects[C]!;
    expect([materialIdOf(model, '0'), materialIdOf(model, '2'), materialIdOf(model)]).toEqual([
      BRASS,
      KELP,
      BRASS,
    ]);
    expect(new Set(materialIdsOf(model))).toEqual(new Set([BRASS, KELP]));
    effect = after(effect, wearMaterial(effect, [C], null, '2'));
    expect(materialIdOf(effect.objects[C]!, '2')).toBe(BRASS);
    valid(effect);
    // Put on all of it, it takes the place of what single parts wore; and nothing is worn when that is taken off.
    effect = after(effect, wearMaterial(effect, [C], KELP, '1'));
    effect = after(effect, wearMaterial(effect, [C], BRASS));
    expect(effect.objects[C]).toMatchObject({ materials: { all: BRASS } });
    expect(materialIdOf(effect.objects[C]!, '1')).toBe(BRASS);
    effect = after(effect, wearMaterial(effect, [C], null));
    expect(materialIdsOf(effect.objects[C]!)).toEqual([]);
  });
  test('what cannot wear one stays as it is', () => {
    const text = newText('obj_text' as ObjectId, 'Tide', 3, CHIN);
    const effect = { ...worn(), objects: { ...worn().objects, [text.id]: text } };
    expect(after(effect, wearMaterial(effect, [text.id], BRASS)).objects[text.id]).toEqual(text);
  });
  test('deleted, its wearers have their own look again', () => {
    let effect = worn();
    effect = after(effect, wearMaterial(effect, [C], BRASS, '1'));
    effect = after(effect, removeMaterial(effect, BRASS));
    expect(Object.values(effect.objects).flatMap(materialIdsOf)).toEqual([]);
    valid(effect);
  });
  test('made its own, a change is its alone', () => {
    let effect = worn();
    expect(sharesMaterial(effect, effect.objects[A]!)).toBe(true);
    effect = after(effect, makeMaterialsOwn(effect, [B], idsInTurn()));
    const own = materialIdOf(effect.objects[B]!)!;
    expect(own).not.toBe(BRASS);
    expect(effect.materials[own]).toMatchObject({ name: 'Brass 2', metalness: 1 });
    expect(sharesMaterial(effect, effect.objects[A]!)).toBe(false);
    effect = after(effect, changeMaterial(effect, own, { colour: '#ff0000' }));
    expect(effect.materials[BRASS]!.colour).toBe('#ffffff');
  });
  test('a copy shares the materials of its original, or has its own', () => {
    const effect = worn();
    for (const [how, same] of [
      ['shared', true],
      ['own', false],
    ] as const) {
      const made = new Map<ObjectId, ObjectId>();
      const copied = after(effect, duplicateObjects(effect, [A], idsInTurn(), 'none', made, how));
      expect(materialIdOf(copied.objects[made.get(A)!]!) === BRASS).toBe(same);
      valid(copied);
    }
  });
});

describe('pictures of materials', () => {
  const picture = (id: string, n: number) => newPicture(id as AssetId, `${id}.png`, sampleFile(n), 64, 64);
  const map = picture('asset_map1', 1);
  const other = picture('asset_map2', 2);
  const dressed = (): Effect => {
    const effect = { ...worn(), assets: { ...worn().assets, [map.id]: map, [other.id]: other } };
    return after(
      effect,
      changeMaterial(effect, BRASS, {
        maps: { ...brass.maps, base: { from: 'asset', asset: map.id } },
        mask: { picture: { from: 'asset', asset: map.id }, by: 'grey', invert: false },
      }),
    );
  };
  test('are part of the release while somebody wears them', () => {
    const effect = dressed();
    expect(usedAssets(effect)).toContain(map.id);
    expect(usedAssets(after(effect, wearMaterial(effect, [A, B], null)))).not.toContain(map.id);
    expect(usesOf(effect, map.id)).toEqual([{ in: 'materials', id: BRASS, name: 'Brass' }]);
  });
  test('deleted, that is a stop of the release that names the place', () => {
    const effect = after(dressed(), removeAssets(dressed(), [map.id]));
    expect(check(effect).filter((f) => f.code === 'material')).toEqual(
      ['base', 'mask'].map((slot) =>
        expect.objectContaining({ severity: 'stop', stage: 'style', problem: { code: 'lost-map', slot } }),
      ),
    );
  });
  test('follow when another picture is shown instead', () => {
    const effect = after(dressed(), showInstead(dressed(), map.id, other));
    expect(effect.materials[BRASS]!.maps.base).toEqual({ from: 'asset', asset: other.id });
    expect(effect.materials[BRASS]!.mask!.picture).toEqual({ from: 'asset', asset: other.id });
  });
  test('that show the person need people to be found', () => {
    const effect = dressed();
    expect(requirementsOf(effect).people).toBe(false);
    const base = { from: 'camera', part: 'person', crop: [0, 0, 1, 1], flip: false, blur: 0 } as const;
    const live = after(
      effect,
      changeMaterial(effect, BRASS, { maps: { ...brass.maps, base: { ...base, crop: [0, 0, 1, 1] } } }),
    );
    expect(requirementsOf(live).people).toBe(true);
    expect(requirementsOf(after(live, wearMaterial(live, [A, B], null))).people).toBe(false);
  });
});

describe('circuits', () => {
  const ids = ['node_surf', 'node_noise', 'node_mixer'] as NodeId[] as [NodeId, NodeId, NodeId];
  const [SURFACE, NOISE, MIX] = ids;
  const wired = (): Effect => {
    const circuit = circuitOf([
      newSurfaceNode(SURFACE, 'surface', [0, 0], { inputs: { colour: { node: MIX, port: 'colour' } } }),
      newSurfaceNode(NOISE, 'noise', [0, 0]),
      newSurfaceNode(MIX, 'mix', [0, 0], { inputs: { amount: { node: NOISE, port: 'value' } } }),
    ]);
    return after(worn(), changeMaterial(worn(), BRASS, { circuit }));
  };
  const circuitIn = (effect: Effect) => effect.materials[BRASS]!.circuit!;
  test('nodes go with their wires; the surface stays', () => {
    const effect = after(wired(), removeNodes(wired(), BRASS, [MIX, SURFACE]));
    expect(Object.keys(circuitIn(effect)).sort()).toEqual([NOISE, SURFACE].sort());
    expect(circuitIn(effect)[SURFACE]!.inputs).toEqual({});
    valid(effect);
  });
  test('a wire takes the place of the one before, and is taken off', () => {
    let effect = after(
      wired(),
      wire(wired(), BRASS, { node: SURFACE, port: 'colour' }, { node: NOISE, port: 'value' }),
    );
    expect(circuitIn(effect)[SURFACE]!.inputs.colour).toEqual({ node: NOISE, port: 'value' });
    effect = after(effect, wire(effect, BRASS, { node: SURFACE, port: 'colour' }, null));
    expect(circuitIn(effect)[SURFACE]!.inputs).toEqual({});
  });
  test('values are set beside those that are there', () => {
    let effect = after(wired(), changeNode(wired(), BRASS, MIX, { values: { a: '#112233' } }));
    effect = after(effect, changeNode(effect, BRASS, MIX, { values: { amount: 0.2 } }));
    expect(circuitIn(effect)[MIX]!.values).toEqual({ a: '#112233', amount: 0.2 });
    valid(effect);
  });
  test('more nodes than a circuit holds are refused, and nothing is added', () => {
    const many = Array.from({ length: MOST_SURFACE_NODES }, (_, i) =>
      newSurfaceNode(`node_more${i}` as NodeId, 'number', [0, 0]),
    );
    expect(() => after(wired(), addNodes(wired(), BRASS, many))).toThrow(/200 more do not fit/);
  });
  test('what a document cannot hold is refused by its schema', () => {
    const effect = wired();
    const bad = structuredClone(effect);
    bad.materials[BRASS]!.circuit![MIX]!.id = 'node_else' as NodeId;
    expect(effectSchema.safeParse(bad).success).toBe(false);
    const rough = structuredClone(effect);
    rough.materials[BRASS]!.roughness = 1.2;
    expect(effectSchema.safeParse(rough).success).toBe(false);
  });
});
