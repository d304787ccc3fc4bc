import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { sampleAsset, sampleEffect } from '../document/sample';
import type { Card, Effect, ObjectId } from '../document/schema';
import { check, packageBytes, stops } from './checks';

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
  test('a cue without a target stops the release', () => {
    const effect = { ...ready(), cues: sampleEffect(0, 1).cues };
    expect(stops(check(effect)).map((f) => f.code)).toEqual(['cue-without-target']);
  });
  test('the same picture counts once; the budget is a stop', () => {
    const effect = sampleEffect(2, 0);
    const [a, b] = Object.values(effect.assets);
    effect.assets[b!.id] = { ...b!, sha256: a!.sha256, bytes: a!.bytes };
    expect(packageBytes(effect)).toBe(a!.bytes);
    expect(stops(check(ready(), 10)).map((f) => f.code)).toEqual(['too-big']);
  });
});
