import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { groupObjects } from '../../core/edits/stack-edits';
import { addMaterial } from '../../core/edits/material-edits';
import { materialIdOf } from '../../core/document/material-queries';
import { newMaterial } from '../../core/document/new-material';
import { headAnchor } from '../../core/kinds/objects/placed';
import { newFill } from '../../core/kinds/objects/fill';
import { newSolid } from '../../core/kinds/objects/solid';
import { newPicture } from '../../core/document/defaults';
import { sampleFile } from '../../core/document/sample';
import type { AssetId, EffectObject, MaterialId, ObjectId, PictureAsset } from '../../core/document/schema';
import { STOCK_MATERIALS } from '../../core/surface/stock-materials';
import { effectWith } from '../../core/placing/testing';
import { blankRecord, pretendBrowser } from '../stores/testing';

pretendBrowser();
const { useDeskStore } = await import('../stores/desk');
const { useEffectStore } = await import('../stores/effect');
const commands = await import('./material-commands');

const CHIN = headAnchor('chin');
const [BALL, FIELD] = ['obj_ball1', 'obj_field'] as ObjectId[] as [ObjectId, ObjectId];
let effectStore: ReturnType<typeof useEffectStore>;
let desk: ReturnType<typeof useDeskStore>;
const picture = (name: string, width = 64): PictureAsset =>
  newPicture(`asset_${name.replace(/\W/g, '')}` as AssetId, name, sampleFile(1), width, 64);
const object = (id: ObjectId): EffectObject => effectStore.effect.objects[id]!;
const worn = (id: ObjectId) => {
  const material = materialIdOf(object(id));
  return material ? effectStore.effect.materials[material] : undefined;
};

// What is unsaved would be tried again for ever: there is no server.
afterEach(() => effectStore.close());
beforeEach(() => {
  setActivePinia(createPinia());
  effectStore = useEffectStore();
  effectStore.begin(blankRecord());
  desk = useDeskStore();
  const effect = effectWith([
    { ...newSolid(BALL, 'sphere', 0, CHIN), name: 'Ball', colour: '#123456', roughness: 0.2 },
    { ...newFill(FIELD, 1, CHIN), name: 'Field' },
  ]);
  effectStore.edit({ label: 'Open', change: (draft) => void Object.assign(draft, effect) });
});

describe('a new material', () => {
  test('begins as what it is put on looks, and takes its name', () => {
    desk.selected = BALL;
    commands.addNewMaterial();
    expect(worn(BALL)).toMatchObject({ name: 'Ball', colour: '#123456', roughness: 0.2, shading: 'lit' });
    expect(desk.style.material).toBe(worn(BALL)!.id);
    desk.selected = FIELD;
    commands.addNewMaterial();
    expect(worn(FIELD)).toMatchObject({ name: 'Field', shading: 'unlit' });
    effectStore.undo();
    expect(worn(FIELD)).toBeUndefined();
  });
  test('of the stock is worn by all that is selected', () => {
    desk.selection = [BALL, FIELD];
    commands.addStockMaterial(STOCK_MATERIALS.find((m) => m.key === 'brass')!);
    expect(worn(BALL)).toMatchObject({ name: 'Ship brass', metalness: 1 });
    expect(worn(FIELD)!.id).toBe(worn(BALL)!.id);
    commands.wearOnSelected(null);
    expect([worn(BALL), worn(FIELD)]).toEqual([undefined, undefined]);
  });
});

describe('a set of pictures', () => {
  const set = [
    picture('c_basecolor.png'),
    picture('c_orm.png'),
    picture('c_opacity.png'),
    picture('c_normal_dx.png'),
  ];
  test('makes a material in one step, with factors that leave the pictures as they are', () => {
    desk.selected = BALL;
    const came = commands.layPictures(set, null);
    expect(worn(BALL)).toMatchObject({
      colour: '#ffffff',
      roughness: 1,
      metalness: 1,
      normalDown: true,
      alpha: 'blend',
      maps: { base: { asset: set[0]!.id }, metalness: { asset: set[1]!.id }, glow: null },
      mask: { picture: { asset: set[2]!.id }, by: 'grey' },
    });
    expect(commands.setWords(set, came)).toMatch(/^Laid: base colour \(c_basecolor\.png\)/);
    effectStore.undo();
    expect(worn(BALL)).toBeUndefined();
    expect(Object.keys(effectStore.effect.materials)).toHaveLength(0);
  });
  test('is laid on a material that is there; what it says nothing about stays', () => {
    const id = 'mat_shell' as MaterialId;
    effectStore.edit(
      addMaterial(effectStore.effect, newMaterial(id, 'Shell', { clearcoat: 1, roughness: 0.3 }), [BALL]),
    );
    desk.selected = BALL;
    commands.layPictures([picture('c_emissive.png')], id);
    expect(worn(BALL)).toMatchObject({ clearcoat: 1, roughness: 0.3, glow: '#ffffff' });
  });
  test('whose names tell nothing changes nothing, and that is said', () => {
    desk.selected = BALL;
    const pictures = [picture('one.png'), picture('two.png')];
    const came = commands.layPictures(pictures, null);
    expect(Object.keys(effectStore.effect.materials)).toHaveLength(0);
    expect(commands.setWords(pictures, came)).toMatch(/^one\.png and two\.png: the name does not tell/);
  });
  test('of odd shapes is laid all the same, and that is said', () => {
    const pictures = [picture('c_base.png'), picture('c_normal.png', 128)];
    expect(commands.setWords(pictures, commands.layPictures(pictures, null))).toMatch(/another shape/);
  });
});

describe('a circuit', () => {
  test('brings a material, its look and the blend mode it wants, in one step', () => {
    desk.selected = FIELD;
    commands.startCircuit('contactShadow', null);
    expect(worn(FIELD)).toMatchObject({ name: 'Contact shadow', shading: 'unlit', alpha: 'blend' });
    expect(object(FIELD)).toMatchObject({ blend: 'multiply' });
    effectStore.undo();
    expect(object(FIELD)).toMatchObject({ blend: 'normal', material: null });
  });
  test('on a material that is worn changes only that', () => {
    desk.selected = BALL;
    commands.addNewMaterial();
    const id = worn(BALL)!.id;
    commands.startCircuit('rimGlow', id);
    expect(worn(BALL)).toMatchObject({ id, colour: '#123456', shading: 'lit' });
    expect(Object.keys(worn(BALL)!.circuit!)).toHaveLength(5);
    expect(object(BALL)).toMatchObject({ blend: 'normal' });
  });
});

describe('a material on a group', () => {
  test('is worn by all that hang in it and can, in one step', () => {
    const group = 'obj_group' as ObjectId;
    effectStore.edit(groupObjects(effectStore.effect, [BALL, FIELD], group));
    desk.selected = group;
    commands.addNewMaterial();
    expect(worn(BALL)).toBeDefined();
    expect(worn(FIELD)).toBe(worn(BALL));
    effectStore.undo();
    expect([worn(BALL), worn(FIELD)]).toEqual([undefined, undefined]);
    commands.wearOnSelected(null);
    expect(worn(BALL)).toBeUndefined();
  });
});
