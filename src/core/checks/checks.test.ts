import { describe, expect, test } from '@jest/globals';
import { blankEffect, newGroup } from '../document/defaults';
import { sampleAsset, sampleEffect } from '../document/sample';
import type { Card, Effect, ObjectId } from '../document/schema';
import { check, stops } from './checks';
import { costsOf, packageBytes } from './costs';

const CARD = 'obj_sample0' as ObjectId;
const ready = (): Effect => {
  const effect = sampleEffect(1, 0);
  return { ...effect, listing: { summary: 'A shell.', tags: [], icon: sampleAsset(0).id } };
};
const changed = (change: (effect: Effect, card: Card) => void): string[] => {
  const effect = ready();
  change(effect, effect.objects[CARD] as Card);
  return check(effect).map((f) => f.code);
};

describe('checks', () => {
  test('a finished effect has none', () => expect(check(ready())).toEqual([]));
  test('a blank one cannot be released', () => {
    expect(stops(check(blankEffect(''))).map((f) => f.code)).toEqual([
      'no-name',
      'no-icon',
      'nothing-to-see',
    ]);
  });
  test('each fault is named', () => {
    expect(
      changed((e) => {
        delete e.assets[sampleAsset(0).id];
      }),
    ).toEqual(['no-icon', 'missing-asset']);
    expect(
      changed((_, card) => {
        card.visible = false;
      }),
    ).toEqual(['invisible']);
    expect(
      changed((_, card) => {
        card.opacity = 0;
      }),
    ).toEqual(['invisible']);
    expect(
      changed((_, card) => {
        card.scale = [0, 1, 1];
      }),
    ).toEqual(['invisible']);
    expect(
      changed((e) => {
        e.listing.summary = ' ';
      }),
    ).toEqual(['no-summary']);
    expect(
      changed((e) => {
        e.assets[sampleAsset(5).id] = sampleAsset(5);
      }),
    ).toEqual(['unused-asset']);
  });
  test('a hidden object that a cue shows is no fault', () => {
    const effect = { ...ready(), cues: sampleEffect(1, 1).cues };
    effect.objects[CARD]!.visible = false;
    expect(check(effect).map((f) => f.code)).not.toContain('invisible');
  });
  test('what hangs in a hidden group is hidden', () => {
    const effect = ready();
    const group = 'obj_group' as ObjectId;
    effect.objects[group] = { ...newGroup(group, 'Kelp', 0), visible: false };
    effect.objects[CARD]!.parent = group;
    expect(check(effect)).toEqual([
      { code: 'invisible', object: CARD, why: 'hidden', severity: 'warning', stage: 'place' },
    ]);
  });
  test('a cue without a target stops the release', () => {
    const effect = { ...ready(), cues: sampleEffect(0, 1).cues };
    expect(stops(check(effect)).map((f) => f.code)).toEqual(['cue-without-target']);
  });
  test('the same picture counts once; the budget is a stop', () => {
    const effect = sampleEffect(2, 0);
    const [a, b] = Object.values(effect.assets);
    effect.assets[b!.id] = { ...b!, files: a!.files };
    expect(packageBytes(effect)).toBe(a!.files[0]!.bytes);
    expect(stops(check(ready(), 10)).map((f) => f.code)).toEqual(['too-big']);
  });
});

test('what takes the space: the heaviest first, shared files once, what is not used last', () => {
  const effect = sampleEffect(3, 0);
  delete effect.objects['obj_sample1' as ObjectId];
  const [a, b, c] = Object.values(effect.assets);
  effect.assets[c!.id] = { ...c!, files: [...a!.files, { ...c!.files[0]!, bytes: 9000 }] };
  expect(costsOf(effect).map(({ asset, bytes, used }) => [asset.id, bytes, used])).toEqual([
    [c!.id, 9000, true],
    [a!.id, 1000, true],
    [b!.id, 1001, false],
  ]);
  expect(packageBytes(effect)).toBe(10_000);
});
