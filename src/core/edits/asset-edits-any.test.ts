/** Whatever is done to assets, in whatever order: the document stays whole, and undo leads back. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { costsOf, packageBytes } from '../checks/costs';
import { newModel } from '../kinds/objects/model';
import { type Edit, applyEdit } from '../document/edit';
import {
  addAsset,
  cutSheet,
  removeAssets,
  removeAssetsAndObjects,
  renameAssets,
  replaceAsset,
  showInstead,
} from './asset-edits';
import { showOn } from './show-on';
import { History } from '../document/history';
import { objectsShowing } from '../document/asset-uses';
import { isShowing, usedAssets, usedFiles } from '../document/queries';
import { canShow } from '../kinds/objects/objects';
import { sampleEffect, sampleFile } from '../document/sample';
import { sampleAssets, sampleModel } from '../document/sample-assets';
import { effectSchema, type Asset, type AssetId, type Effect, type ObjectId } from '../document/schema';

/** Cards, a model, and one asset of every kind. */
const full = (): Effect => {
  const effect = sampleEffect(3, 1);
  for (const asset of [...sampleAssets(), sampleModel(3)]) effect.assets[asset.id] ??= asset;
  const id = 'obj_model' as ObjectId;
  effect.objects[id] = newModel(id, sampleModel(0), 9);
  return effect;
};

type Act = (effect: Effect) => Edit | null;
const pick = (n: number, of: readonly Asset[]): Asset | undefined => of[n % Math.max(1, of.length)];
const assets = (effect: Effect): Asset[] => Object.values(effect.assets);

const acts = fc.array(
  fc.tuple(fc.integer({ min: 0, max: 7 }), fc.nat(30), fc.nat(30)).map(([kind, a, b]): Act => (effect) => {
    const [one, other] = [pick(a, assets(effect)), pick(b, assets(effect))];
    if (!one || !other) return null;
    switch (kind) {
      case 0:
        return removeAssets(effect, [one.id]);
      case 1:
        return removeAssetsAndObjects(effect, [one.id, other.id]);
      case 2:
        return renameAssets(new Map([[one.id, `Name ${b}`]]));
      case 3:
        return showInstead(effect, one.id, other);
      case 4:
        return replaceAsset(effect, {
          ...one,
          files: [{ ...one.files[0]!, ...sampleFile(100 + b), mime: one.files[0]!.mime }],
        } as Asset);
      case 5:
        return addAsset({ ...one, id: `asset_new${a}x${b}` as AssetId, name: `New ${a}` } as Asset);
      case 6: {
        const objects = Object.values(effect.objects);
        const object = objects[b % Math.max(1, objects.length)];
        return object ? showOn(effect, object.id, one) : null;
      }
      default:
        return one.kind === 'picture' && other.kind === 'sequence' ? cutSheet(effect, one.id, other) : null;
    }
  }),
  { minLength: 1, maxLength: 12 },
);
const walk = (list: readonly Act[], seen: (effect: Effect) => void): History => {
  const history = new History(full());
  for (const act of list) {
    const edit = act(history.effect);
    if (!edit) continue;
    history.edit(edit);
    seen(history.effect);
  }
  return history;
};

describe('any work on assets', () => {
  test('leaves a document that the schema takes', () => {
    fc.assert(
      fc.property(acts, (list) => {
        walk(list, (effect) => expect(effectSchema.safeParse(effect).success).toBe(true));
      }),
      { numRuns: 60 },
    );
  });
  test('never lets an object show what it cannot', () => {
    fc.assert(
      fc.property(acts, (list) => {
        walk(list, (effect) => {
          for (const object of Object.values(effect.objects).filter(isShowing)) {
            const asset = object.asset ? effect.assets[object.asset] : undefined;
            // An asset that was deleted leaves a gap, which the Stack shows and the checks stop at.
            if (asset) expect([object.name, canShow(object, asset)]).toEqual([object.name, true]);
          }
          const { icon } = effect.listing;
          if (icon) expect(effect.assets[icon]?.kind).toBe('picture');
        });
      }),
      { numRuns: 60 },
    );
  });
  test('undone, gives the first document back; redone, the last', () => {
    fc.assert(
      fc.property(acts, (list) => {
        const history = walk(list, () => {});
        const last = history.effect;
        while (history.undoLabel) history.undo();
        expect(history.effect).toEqual(full());
        while (history.redoLabel) history.redo();
        expect(history.effect).toEqual(last);
      }),
      { numRuns: 60 },
    );
  });
  test('the weight is that of the files in use, each counted once', () => {
    fc.assert(
      fc.property(acts, (list) => {
        walk(list, (effect) => {
          const files = new Map(usedFiles(effect).map((f) => [f.sha256, f.bytes]));
          expect(packageBytes(effect)).toBe([...files.values()].reduce((sum, n) => sum + n, 0));
          const costs = costsOf(effect);
          expect(costs).toHaveLength(assets(effect).length);
          // Objects may still ask for an asset that was deleted; it weighs nothing.
          const shown = usedAssets(effect).filter((id) => effect.assets[id]);
          expect(new Set(costs.filter((c) => c.used).map((c) => c.asset.id))).toEqual(new Set(shown));
        });
      }),
      { numRuns: 60 },
    );
  });
  test('what is deleted with all that shows it leaves no gap', () => {
    fc.assert(
      fc.property(fc.nat(20), (n) => {
        const effect = full();
        const { id } = pick(n, assets(effect))!;
        const after = applyEdit(effect, removeAssetsAndObjects(effect, [id])).effect;
        expect(after.assets[id]).toBeUndefined();
        expect(objectsShowing(after, id)).toEqual([]);
      }),
    );
  });
});
