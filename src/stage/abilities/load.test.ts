import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../../core/document/defaults';
import { newMaterial } from '../../core/document/new-material';
import type { Effect, EffectObject, MaterialId } from '../../core/document/schema';
import { isOnFace, kindOf } from '../../core/kinds/objects/objects';
import { ASSETS, ID, NEW } from '../../core/kinds/testing';
import { requirementsOf } from '../../core/requirements/requirements';
import { BASIC } from './abilities';
import { ALL_ABILITIES } from './all';
import { loadAbilities } from './load';

const PEARL = 'material_pearl' as MaterialId;
const effectOf = (object: EffectObject): Effect => ({
  ...blankEffect('One'),
  assets: ASSETS,
  objects: { [ID]: object },
  materials: { [PEARL]: newMaterial(PEARL, 'Pearl') },
});

describe('what an effect needs to be drawn', () => {
  test.each(Object.values(NEW).map((object) => [object.kind, object] as const))(
    'a %s: what was loaded for it draws it',
    async (kind, object) => {
      const { views, faces, grades } = await loadAbilities(requirementsOf(effectOf(object)));
      if (isOnFace(object)) expect(faces).toBeDefined();
      else if (kindOf(object).isPart) expect(views.model).toBeDefined();
      else if (kind === 'grade') expect(grades).toBeDefined();
      else expect(views[kind]).toBeDefined();
    },
  );
  test('a picture, a colour, a light, a sound need nothing but what every stage can', async () => {
    for (const kind of ['card', 'fill', 'light', 'sound', 'group', 'occluder'] as const)
      expect([...requirementsOf(effectOf(NEW[kind])).drawing]).toEqual([]);
    expect(await loadAbilities(requirementsOf(effectOf(NEW.card)))).toEqual(BASIC);
  });
  test('a material brings surfaces, and the camera picture that it may show', () =>
    expect([...requirementsOf(effectOf({ ...NEW.card, material: PEARL })).drawing].sort()).toEqual([
      'camera',
      'surfaces',
    ]));
  test('what lies behind the people needs to know them, also when it is hidden', () => {
    const sea: EffectObject = { ...NEW.card, anchor: { kind: 'backdrop' }, visible: false };
    expect([...requirementsOf(effectOf(sea)).drawing]).toEqual(['camera']);
  });
  test('everything together is what all kinds need', async () => {
    const all = await Promise.all(
      Object.values(NEW).map((object) => loadAbilities(requirementsOf(effectOf(object)))),
    );
    const names = (of: object): string[] => Object.keys(of).sort();
    expect(names(ALL_ABILITIES)).toEqual(names(Object.assign({}, ...all) as object));
    expect(names(ALL_ABILITIES.views)).toEqual(
      names(Object.assign({}, ...all.map(({ views }) => views)) as object),
    );
  });
});
