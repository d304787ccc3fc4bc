import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';

import { blankEffect, newPicture } from '../document/defaults';
import { newCard } from '../kinds/objects/card';
import type { AssetId, Effect, EffectObject, ObjectId } from '../document/schema';
import { newFill } from '../kinds/objects/fill';
import { newFountain } from '../kinds/objects/fountain';
import { newLayer } from '../kinds/objects/layer';
import { newRetouch } from '../kinds/objects/retouch';
import { FOREHEAD } from '../kinds/objects/placed';
import type { PhoneReport } from '../contract/try-contract';
import { CLASSES, PHONE_CLASSES } from './classes';
import { appButtons, coversOf, coversOver, isGround, overlap, shareOff, wayClear } from './covered';
import { drawnPixels, estimate, MOST_DRAWN_HEIGHT } from './estimate';
import { observe, surenessOf, UNSURE } from './judge';
import { costOfObject } from './kind-costs';
import { loadOf, particlesOf } from './load';
import { mended } from './mend';
import { hold, SCREENS, type Rect } from './screens';

const effectOf = (...objects: EffectObject[]): Effect => ({
  ...blankEffect('Kelp'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
const id = (n: number): ObjectId => `obj_thing${n}` as ObjectId;
const PIXELS = 720 * 1280;

describe('screens', () => {
  test.each(SCREENS.map((s) => [s.name, s] as const))(
    '%s: whatever is cut lies on it, and within its unsafe edges, held either way',
    (_, screen) => {
      for (const held of ['upright', 'sideways'] as const) {
        const { width, height, cut, safe } = hold(screen, held);
        expect([width, height].sort()).toEqual([screen.width, screen.height].sort());
        for (const c of cut) {
          expect(shareOff(c, { width, height })).toBeCloseTo(0, 6);
          const inside: Rect = {
            left: safe.left,
            top: safe.top,
            width: width - safe.left - safe.right,
            height: height - safe.top - safe.bottom,
          };
          expect([screen.id, held, c.what, overlap(c, inside)]).toEqual([screen.id, held, c.what, 0]);
        }
        for (const button of appButtons(hold(screen, held)))
          expect(shareOff(button, { width, height })).toBe(0);
      }
    },
  );

  test('sideways a notch at the top is at the left', () => {
    const notched = SCREENS.find((s) => s.id === 'notch-phone')!;
    const notch = hold(notched, 'sideways').cut.find((c) => c.what === 'notch')!;
    expect(notch).toMatchObject({ left: 0, width: 33, height: 210, top: 90 });
  });
});

describe('what lies under something', () => {
  const screen = SCREENS.find((s) => s.id === 'notch-phone')!;
  const covers = coversOf(screen, true);
  const rect = fc.record({
    left: fc.double({ min: -100, max: 380, noNaN: true }),
    top: fc.double({ min: -100, max: 830, noNaN: true }),
    width: fc.double({ min: 10, max: 600, noNaN: true }),
    height: fc.double({ min: 10, max: 200, noNaN: true }),
  });

  test('a thing under the notch is told of, one beside it is not', () => {
    expect(coversOver({ left: 150, top: 5, width: 60, height: 20 }, covers).map((c) => c.what)).toEqual([
      'notch',
    ]);
    expect(coversOver({ left: 60, top: 300, width: 200, height: 100 }, covers)).toEqual([]);
  });

  test('what lies in a round corner is told of; where the corner is square nothing is', () => {
    const inCorner = { left: 372, top: 826, width: 18, height: 18 };
    expect(coversOver(inCorner, covers).map((c) => c.name)).toEqual(['the round corner at the bottom right']);
    // A corner of 46 takes less than 14 of both sides.
    expect(coversOver({ left: 330, top: 780, width: 46, height: 46 }, coversOf(screen, false))).toEqual([]);
    const laptop = SCREENS.find((s) => s.corners === 0)!;
    expect(coversOf(laptop, false)).toEqual([]);
  });

  test('a frame or a tint of the whole screen is meant to lie under everything; a sign as wide as it is not', () => {
    expect(isGround({ left: -20, top: -20, width: 430, height: 884 }, screen)).toBe(true);
    expect(isGround({ left: 0, top: 0, width: 390, height: 120 }, screen)).toBe(false);
    // Only what is on the screen counts.
    expect(isGround({ left: 300, top: 0, width: 9000, height: 844 }, screen)).toBe(false);
  });

  test('the way clear is clear, on the safe part of the screen, and no other as short is', () => {
    fc.assert(
      fc.property(rect, (thing) => {
        const way = wayClear(thing, covers, screen);
        if (way === null || way === 0) return;
        const there = { ...thing, top: thing.top + way };
        expect(coversOver(there, covers)).toEqual([]);
        expect(there.top).toBeGreaterThanOrEqual(screen.safe.top);
        expect(there.top + there.height).toBeLessThanOrEqual(screen.height - screen.safe.bottom);
        for (let by = 1; by < Math.abs(way); by++)
          for (const nearer of [by, -by]) {
            const at = { ...thing, top: thing.top + nearer };
            const isSafe =
              at.top >= screen.safe.top && at.top + at.height <= screen.height - screen.safe.bottom;
            expect(isSafe && coversOver(at, covers).length === 0).toBe(false);
          }
      }),
      { numRuns: 60 },
    );
  });

  test('what is mended lies clear and on the screen, in the proportions it had', () => {
    fc.assert(
      fc.property(rect, (thing) => {
        const to = mended({ move: [0, 0, 0], scale: [1, 2, 3] }, thing, covers, screen);
        if (!to) return;
        const metres = 0.16 / screen.height;
        const factor = to.scale[0];
        expect(to.scale[1]).toBeCloseTo(2 * factor, 9);
        expect(to.scale[2]).toBe(3);
        const width = thing.width * factor;
        const height = thing.height * factor;
        const there: Rect = {
          left: thing.left + thing.width / 2 + to.move[0] / metres - width / 2,
          top: thing.top + thing.height / 2 - to.move[1] / metres - height / 2,
          width,
          height,
        };
        expect(coversOver(there, covers)).toEqual([]);
        expect(shareOff(there, screen)).toBeLessThan(0.02);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the estimate', () => {
  test('is dearer with everything that is added, on every class, and slower classes are slower', () => {
    const one = loadOf(effectOf(newLayer(id(1), { region: 'cheeks' }, 0)));
    const two = loadOf(effectOf(newLayer(id(1), { region: 'cheeks' }, 0), newRetouch(id(2), 1)));
    for (const of of PHONE_CLASSES)
      expect(estimate(two, CLASSES[of], PIXELS).drawing).toBeGreaterThan(
        1.5 * estimate(one, CLASSES[of], PIXELS).drawing,
      );
    const [weak, usual, quick] = PHONE_CLASSES.map((of) => estimate(two, CLASSES[of], PIXELS).drawing);
    expect(weak).toBeGreaterThan(usual!);
    expect(usual).toBeGreaterThan(quick!);
  });

  test('adds up: all parts make the whole, in time and in memory', () => {
    const effect = effectOf(newRetouch(id(1), 0), newFountain(id(2), 1, FOREHEAD), newFill(id(3), 2));
    const { drawing, bytes, parts } = estimate(loadOf(effect), CLASSES.usual, PIXELS);
    expect(parts.reduce((sum, p) => sum + p.drawing, 0)).toBeCloseTo(drawing, 9);
    expect(bytes - parts.reduce((sum, p) => sum + p.bytes, 0)).toBeCloseTo(40e6, 0);
    const times = parts.map((p) => p.drawing);
    expect(times).toEqual([...times].sort((a, b) => b - a));
  });

  test('a picture counts with all its smaller copies; trackers count where the effect needs them', () => {
    const picture = newPicture(
      'asset_kelp1' as AssetId,
      'kelp.png',
      { sha256: 'a'.repeat(64), mime: 'image/png', bytes: 900 },
      300,
      200,
    );
    const sample = { ...effectOf(newCard(id(1), picture, 0)), assets: { [picture.id]: picture } };
    const part = loadOf(sample).find((p) => p.of === 'asset' && p.asset === picture.id);
    expect(part?.bytes).toBe(320_000);
    const trackers = (effect: Effect): string[] =>
      loadOf(effect).flatMap((p) => (p.of === 'tracker' ? [p.tracker] : []));
    expect(trackers(effectOf(newFill(id(1), 0)))).toEqual(['faces']);
    expect(trackers(effectOf(newFill(id(1), 0, { kind: 'screen', pin: 'top' })))).toEqual([]);
    expect(trackers(effectOf(newFill(id(1), 0, { kind: 'backdrop' })))).toEqual(['people']);
  });

  test('a fountain has as many particles as are born while one lives, and no more than it may', () => {
    const fountain = newFountain(id(1), 0, FOREHEAD);
    expect(particlesOf({ ...fountain, rate: 10, life: [1, 3], most: 600 })).toBe(30);
    expect(particlesOf({ ...fountain, rate: 1000, life: [1, 3], most: 600 })).toBe(600);
  });

  test('what covers the screen costs what it covers; a finish and a bloom cost on top', () => {
    const flat = (extent: [number, number]) => ({
      ...newFill(id(1), 0, { kind: 'screen', pin: 'centre' }),
      extent,
    });
    const cost = (object: EffectObject): number => costOfObject(effectOf(object), object).screens;
    expect(cost(flat([0.09, 0.16]))).toBeCloseTo(1, 6);
    expect(cost(flat([0.09, 0.08]))).toBeCloseTo(0.5, 6);
    expect(cost(flat([0.01, 0.01]))).toBeLessThan(0.4);
    expect(cost(flat([9, 16]))).toBe(1);
    const layer = newLayer(id(1), { region: 'lips' }, 0);
    expect(cost({ ...layer, finish: 'gloss' })).toBeGreaterThan(cost({ ...layer, finish: 'painted' }));
  });

  test('no more is drawn than the show page draws', () => {
    expect(drawnPixels(390, 844, 3)).toBe(Math.round((390 * MOST_DRAWN_HEIGHT) / 844) * MOST_DRAWN_HEIGHT);
    expect(drawnPixels(360, 640, 1)).toBe(360 * 640);
  });
});

describe('against phones', () => {
  const load = loadOf(effectOf(newRetouch(id(1), 0), newLayer(id(2), { region: 'cheeks' }, 1)));
  const report = (rate: number): PhoneReport => ({
    revision: 1,
    screen: { width: 390, height: 844, density: 3 },
    drawn: { width: 592, height: 1280 },
    source: 'camera',
    camera: 'tracking',
    rate,
    milliseconds: 5,
    faces: 1,
    hands: 0,
    pictures: 0,
    faults: [],
  });

  test('nothing is known before one has drawn it', () => {
    expect(observe(load, report(0))).toBeNull();
    expect(surenessOf([], 'weak')).toEqual({ phones: 0, within: UNSURE });
  });

  test('one that takes as long as a class is estimated to is of that class, and makes it surer', () => {
    const weak = estimate(load, CLASSES.weak, 592 * 1280).drawing;
    const seen = observe(load, report(1000 / (weak * 1.2)))!;
    expect(seen).toMatchObject({ nearest: 'weak', isMost: false });
    const sure = surenessOf([seen], 'weak');
    expect(sure.phones).toBe(1);
    expect(sure.within).toBeCloseTo(1.2, 3);
    expect(surenessOf([seen], 'quick')).toEqual({ phones: 0, within: UNSURE });
  });

  test('one that shows all its screen can is not taken for slow', () => {
    const seen = observe(load, report(60))!;
    expect(seen.isMost).toBe(true);
    expect(seen.estimated).toBeLessThanOrEqual(1000 / 60 + 1e-9);
    expect(surenessOf([seen], seen.nearest).within).toBe(1.1);
  });
});
