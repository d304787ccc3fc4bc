/** Several things at once: layers in depth, others side by side, none in the spot of another. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleAsset } from '../document/sample';
import { sampleModel } from '../document/sample-assets';
import type { Anchor, Asset, AssetId, EffectObject, ObjectId, PictureAsset } from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newModel } from '../kinds/objects/model';
import { FOREHEAD } from '../kinds/objects/placed';
import { newSound } from '../kinds/objects/sound';
import { boxOf } from './bounds';
import { placedApart } from './several';

const picture = (n: number, width: number, height: number): PictureAsset => ({
  ...sampleAsset(n),
  id: `asset_p${n}` as AssetId,
  width,
  height,
});
const cardOf = (asset: PictureAsset, anchor: Anchor = FOREHEAD) =>
  newCard(`obj_${asset.id}` as ObjectId, asset, 0, anchor);
const known = (...assets: Asset[]) => ({ assets: Object.fromEntries(assets.map((a) => [a.id, a])) });
const FLOOR: Anchor = { kind: 'world', surface: 'floor' };

describe('several at once', () => {
  test('pictures of one size are layers: the first farthest back, in steps of a twenty-fifth of their width', () => {
    const all = [1, 2, 3].map((n) => picture(n, 400, 300));
    const cards = all.map((a) => cardOf(a));
    const placed = placedApart(known(...all), cards);
    const [width] = cards[0]!.extent;
    placed.forEach((card, i) => {
      expect(card.move.slice(0, 2)).toEqual(cards[i]!.move.slice(0, 2));
      expect(card.move[2]).toBeCloseTo(cards[i]!.move[2] + 0.04 * width * i, 12);
    });
  });
  test('one alone stays where it is', () => {
    const one = picture(1, 40, 30);
    const card = cardOf(one);
    expect(placedApart(known(one), [card])[0]!.move).toEqual(card.move);
  });
  test('a sound takes no room', () => {
    const one = picture(1, 40, 30);
    const card = cardOf(one);
    const sound = newSound('obj_sound' as ObjectId, null, 0, FOREHEAD);
    const [placed, heard] = placedApart(known(one), [card, sound]);
    expect([placed!.move, heard!.move]).toEqual([card.move, sound.move]);
  });
  test('on the backdrop each covers all of it', () => {
    const all = [picture(1, 40, 30), picture(2, 30, 40)];
    const cards = all.map((a) => cardOf(a, { kind: 'backdrop' }));
    expect(placedApart(known(...all), cards).map((c) => c.move)).toEqual(cards.map((c) => c.move));
  });
  test('things of different sizes never overlap, and their middle stays the middle', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.integer({ min: 8, max: 900 }), fc.integer({ min: 8, max: 900 })), {
          minLength: 2,
          maxLength: 7,
          selector: ([w, h]) => `${w} ${h}`,
        }),
        (sizes) => {
          const pictures = sizes.map(([w, h], n) => picture(n, w, h));
          const model = sampleModel(3);
          const objects: EffectObject[] = [
            ...pictures.map((a) => cardOf(a, FLOOR)),
            newModel('obj_model' as ObjectId, model, 0, FLOOR),
          ];
          const effect = known(...pictures, model);
          const spans = placedApart(effect, objects).map((o) => {
            const box = boxOf(effect, o)!;
            const half = (box.high[0] - box.low[0]) / 2;
            return [o.move[0] - half, o.move[0] + half] as const;
          });
          spans.slice(1).forEach(([left], i) => expect(left).toBeGreaterThan(spans[i]![1]));
          expect(spans[0]![0] + spans.at(-1)![1]).toBeCloseTo(0, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
