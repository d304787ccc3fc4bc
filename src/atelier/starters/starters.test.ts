import { describe, expect, test } from '@jest/globals';
import { readFileSync, existsSync } from 'node:fs';
import { applyEdit } from '../../core/document/edit';
import { newPicture } from '../../core/document/defaults';
import { sampleFile } from '../../core/document/sample';
import { sampleModel } from '../../core/document/sample-assets';
import { effectSchema, type Asset, type AssetId } from '../../core/document/schema';
import { clearSamples } from '../../core/edits/sample-edits';
import { catalogueSchema } from '../../core/stock/catalogue';
import { hasAnchor } from '../../core/takes/library/take-for';
import { SHIPPED_TAKES } from '../../core/takes/library';
import { STARTERS, type Samples } from './starters';

const stock = catalogueSchema.parse(JSON.parse(readFileSync('stock/catalogue.json', 'utf8')));
/** Assets of the kinds that the stock has under these ids. */
const samplesFor = (ids: readonly string[]): Samples =>
  new Map(
    ids.map((id, i): [string, Asset] => {
      const item = stock.find((s) => s.id === id)!;
      const isModel = ['Jewellery', 'Sea creatures', 'Solids'].includes(item.group);
      return [
        id,
        isModel ? sampleModel(i) : newPicture(`asset_of${i}x` as AssetId, item.name, sampleFile(i), 300, 400),
      ];
    }),
  );

describe.each(STARTERS.map((s) => [s.name, s] as const))('%s', (_name, starter) => {
  const effect = starter.build(samplesFor(starter.stock));
  test('is made of stock there is, and is a document that holds together', () => {
    for (const id of starter.stock) expect(stock.map((s) => s.id)).toContain(id);
    expect(effectSchema.safeParse(effect).error?.issues ?? []).toEqual([]);
  });
  test('opens on a take that has all it sticks to', () => {
    const take = SHIPPED_TAKES.find((t) => t.id === (starter.take ?? SHIPPED_TAKES[0]!.id))!;
    for (const { anchor } of Object.values(effect.objects))
      expect(hasAnchor(take, effect, anchor)).toBe(true);
  });
  test('is free of samples and their assets after one action', () => {
    const { effect: cleared } = applyEdit(effect, clearSamples(effect));
    expect(Object.values(cleared.objects).filter((o) => o.sample)).toEqual([]);
    expect(cleared.assets).toEqual({});
  });
  test('shows what it looks like', () => {
    if (starter.id !== 'blank')
      expect(existsSync(`src/atelier/starters/pictures/${starter.id}.webp`)).toBe(true);
  });
});
