import { describe, expect, test } from '@jest/globals';
import { newGrade } from '../kinds/objects/grade';
import { newGradeStep } from './new-grade-step';
import { addObject } from './object-edits';
import { addAsset, removeAssetsAndObjects, showInstead } from './asset-edits';
import { addGradeStep, changeGradeStep, moveGradeStep, removeGradeStep } from './grade-edits';
import { History } from '../document/history';
import { usesOf } from '../document/asset-uses';
import { usedAssets } from '../document/queries';
import { assetsOf } from '../kinds/objects/objects';
import { clearSamples } from './sample-edits';
import { sampleEffect, sampleFile } from '../document/sample';
import {
  effectSchema,
  MOST_GRADE_STEPS,
  type Asset,
  type AssetId,
  type Grade,
  type ObjectId,
} from '../document/schema';
import { after } from './testing';

const ID = 'obj_grade' as ObjectId;
const tableAsset = (n: number): Asset => ({
  id: `asset_table${n}` as AssetId,
  name: `deep-${n}.cube`,
  files: [{ ...sampleFile(500 + n), mime: 'text/x-cube' }],
  original: null,
  preview: null,
  from: null,
  kind: 'table',
  dimensions: 3,
  size: 33,
});
const withGrade = () =>
  after(
    sampleEffect(1, 0),
    addObject(
      newGrade(ID, -1, [
        newGradeStep('step_first', 'exposure'),
        newGradeStep('step_second', 'contrast'),
        { id: 'step_third', on: true, kind: 'table', asset: 'asset_table1' as AssetId, strength: 1 },
      ]),
    ),
  );
const grade = (effect: ReturnType<typeof withGrade>): Grade => effect.objects[ID] as Grade;
const order = (effect: ReturnType<typeof withGrade>): string[] => grade(effect).steps.map((s) => s.id);

describe('edits of a grade', () => {
  test('steps are added, moved, changed, removed, and every edit is undone', () => {
    const history = new History(withGrade());
    const start = history.effect;
    history.edit(addGradeStep(history.effect, ID, newGradeStep('step_fourth', 'bloom')));
    expect(order(history.effect)).toEqual(['step_first', 'step_second', 'step_third', 'step_fourth']);
    history.edit(moveGradeStep(history.effect, ID, 'step_fourth', 0));
    history.edit(moveGradeStep(history.effect, ID, 'step_first', 99));
    expect(order(history.effect)).toEqual(['step_fourth', 'step_second', 'step_third', 'step_first']);
    history.edit(changeGradeStep(history.effect, ID, 'step_first', 'exposure', { stops: 1.5 }));
    expect(grade(history.effect).steps[3]).toMatchObject({ kind: 'exposure', stops: 1.5 });
    history.edit(removeGradeStep(history.effect, ID, 'step_second'));
    expect(effectSchema.safeParse(history.effect).success).toBe(true);
    for (let i = 0; i < 5; i++) history.undo();
    expect(history.effect).toEqual(start);
  });
  test('numbers of another kind, and steps that are not there, change nothing', () => {
    const effect = withGrade();
    expect(after(effect, changeGradeStep(effect, ID, 'step_first', 'contrast', { amount: 1 }))).toBe(effect);
    expect(after(effect, moveGradeStep(effect, ID, 'step_none', 0))).toBe(effect);
  });
  test('a grade that is full takes no more', () => {
    let effect = withGrade();
    for (let i = 0; i < 40; i++)
      effect = after(effect, addGradeStep(effect, ID, newGradeStep(`step_more${i}`, 'contrast')));
    expect(grade(effect).steps).toHaveLength(MOST_GRADE_STEPS);
    expect(effectSchema.safeParse(effect).success).toBe(true);
  });
});

describe('the table of a grade', () => {
  const effect = after(after(withGrade(), addAsset(tableAsset(1))), addAsset(tableAsset(2)));
  const [one, two] = ['asset_table1', 'asset_table2'] as [AssetId, AssetId];
  test('is used by it, and comes along with a release', () => {
    expect(assetsOf(grade(effect))).toEqual([one]);
    expect(usedAssets(effect)).toContain(one);
    expect(usesOf(effect, one)).toEqual([{ in: 'objects', id: ID, name: 'Grade' }]);
  });
  test('is put in the place of another', () => {
    const other = after(effect, showInstead(effect, one, effect.assets[two]!));
    expect(assetsOf(grade(other))).toEqual([two]);
  });
  test('goes with the grade, and the grade with it', () => {
    expect(after(effect, removeAssetsAndObjects(effect, [one])).objects[ID]).toBeUndefined();
    const sample = { ...effect, objects: { ...effect.objects, [ID]: { ...grade(effect), sample: true } } };
    expect(after(sample, clearSamples(sample)).assets[one]).toBeUndefined();
  });
});
