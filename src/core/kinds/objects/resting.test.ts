/** Where things rest on the points of a head: each has a seat of its own, and both sides are alike. */
import { describe, expect, test } from '@jest/globals';
import { FEATURE_POINT_NAMES, featurePoint, type FeaturePoint } from '../../face/feature-points';
import { NEUTRAL_FACE } from '../../face/neutral';
import { HEAD_SEAT } from '../../face/head-fit';
import { sampleModel } from '../../document/sample-assets';
import type { ModelAsset, ObjectId } from '../../document/schema';
import { newModel, wornPoint } from './model';
import { headAnchor } from './placed';
import { restOn, type RestStyle } from './resting';

const on = (point: FeaturePoint, rests: RestStyle, base = 0) => restOn(headAnchor(point), rests, { base });
const SIDES = FEATURE_POINT_NAMES.filter((p) => p.endsWith('Left')).map(
  (left) => [left, left.replace('Left', 'Right') as FeaturePoint] as const,
);

describe.each(['before', 'model'] as const)('%s', (rests) => {
  test.each(SIDES)('%s and %s are mirrored', (left, right) => {
    const [a, b] = [on(left, rests), on(right, rests)];
    expect(b.move).toEqual([-a.move[0] + 0, a.move[1], a.move[2]]);
    expect(b.turn).toEqual([a.turn[0], -a.turn[1] + 0, a.turn[2]]);
  });
});
test('flat things on an ear look away from the head', () => {
  expect(on('earLeft', 'before').turn[1]).toBe(90);
  expect(on('earLeft', 'before').move[0]).toBeGreaterThan(0);
});
test('a head piece sits over the hair, a model stands on the nose with its base, hangs below an ear', () => {
  expect(on('crown', 'model').move).toEqual(HEAD_SEAT);
  expect(on('noseTip', 'model', -0.02).move[1]).toBeCloseTo(on('noseTip', 'model').move[1] + 0.02, 12);
  expect(on('earRight', 'model').move[1]).toBeLessThan(0);
});
test('a sound is where its point is, and nobody changes the seats of others', () => {
  expect(on('earLeft', 'inPlace')).toEqual({ move: [0, 0, 0], turn: [0, 0, 0] });
  on('earLeft', 'before').move[0] = 99;
  expect(on('earLeft', 'before').move[0]).toBeLessThan(1);
});

test('glasses and masks rest with their front on the face, wherever their origin is; on another point as all models do', () => {
  const glasses: ModelAsset = {
    ...sampleModel(1),
    likely: 'glasses',
    low: [-0.07, -0.022, 0],
    high: [0.07, 0.022, 0.142],
  };
  expect(wornPoint(glasses)).toBe('noseBridge');
  const made = newModel('obj_glasses' as ObjectId, glasses, 0, headAnchor('noseBridge'));
  expect(made.move).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9), expect.closeTo(0.012 - 0.142, 9)]);
  expect(newModel('obj_glasses' as ObjectId, glasses, 0, headAnchor('crown')).move).toEqual(HEAD_SEAT);
  // What it was fitted as goes before what its shape tells.
  const fitted = { ...glasses, prep: { size: { kind: 'head', as: 'earring' } } } as ModelAsset;
  expect(wornPoint(fitted)).toBe('earLeft');
  expect(wornPoint({ prep: null, likely: null })).toBe('crown');
});

test('a card over the whole face begins clear of the nose, one that leaves the nose free lies close', () => {
  const over = (point: FeaturePoint, extent: readonly [number, number]): number =>
    featurePoint(NEUTRAL_FACE, point)[2] +
    restOn(headAnchor(point), 'before', { extent: [...extent] }).move[2];
  const nose = featurePoint(NEUTRAL_FACE, 'noseTip')[2];
  for (const point of ['forehead', 'browCentre', 'mouth', 'noseTip', 'chin'] as const)
    expect(over(point, [0.2, 0.3])).toBeGreaterThan(nose + 0.01);
  expect(over('forehead', [0.12, 0.04])).toBeLessThan(featurePoint(NEUTRAL_FACE, 'forehead')[2] + 0.011);
});
