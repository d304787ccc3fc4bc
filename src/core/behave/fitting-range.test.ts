/** Drives begin with ends that fit what is driven, in its own unit. */
import { expect, test } from '@jest/globals';
import type { ControlId, CueId, Drive, EffectObject } from '../document/schema';
import { newControl } from '../document/new-cues';
import { newLight } from '../kinds/objects/light';
import { numbersOf } from '../kinds/numbers';
import { FOREHEAD } from '../kinds/objects/placed';
import { endsOfNumber } from '../kinds/writables/number';
import { fittingFrom, fittingTo, shownAs } from './fitting-range';
import { CARD, card, CUE, cueOf, effectOf } from './testing';

const placed = { ...card(), move: [0.02, 0.1, -0.3], turn: [0, 30, 0] } as EffectObject;

test('a turn goes once round from where it is, a place 10 cm to both sides, a size from half to one and a half', () => {
  expect(endsOfNumber(placed, 'turnY')).toEqual([30, 390]);
  expect(endsOfNumber(placed, 'moveZ').map((x) => Number(x.toFixed(9)))).toEqual([-0.4, -0.2]);
  expect(endsOfNumber(placed, 'size')).toEqual([0.5, 1.5]);
  expect(endsOfNumber(placed, 'opacity')).toEqual([0, 1]);
});
test('every number of every object has ends within its bounds, that differ', () => {
  const light = newLight(CARD, 'point', 0, FOREHEAD);
  for (const object of [placed, light])
    for (const [path, [low, high]] of Object.entries(numbersOf(object))) {
      const [a, b] = endsOfNumber(object, path);
      expect([path, a >= low, b <= high, a < b]).toEqual([path, true, true, true]);
    }
});
test('an action takes from twice to half its time, never none', () => {
  const cue = cueOf('effectStarts', [[{ kind: 'turn', duration: 4 }]]);
  const to: Drive['to'] = { kind: 'duration', cue: CUE as CueId, action: cue.beats[0]!.actions[0]!.id };
  expect(fittingTo(effectOf([cue]), to)).toEqual([8, 2]);
  expect(fittingTo(effectOf([]), to)).toEqual([2, 0.5]);
});
test('a signal goes between what it can be', () => {
  const slider = {
    ...newControl('control_tide' as ControlId, 'slider', 'Tide', 0),
    least: 2,
    most: 9,
  } as never;
  const effect = { ...effectOf([]), controls: { control_tide: slider } as never };
  expect(fittingFrom(effect, { kind: 'control', control: 'control_tide' as ControlId })).toEqual([2, 9]);
  expect(fittingFrom(effect, { kind: 'expression', face: 1, name: 'jawOpen' })).toEqual([0, 1]);
});
test('places are shown in centimetres, turns in degrees, sizes in per cent', () => {
  const effect = effectOf([], [placed]);
  const shown = (property: string) => shownAs(effect, { kind: 'number', objects: [placed.id], property });
  expect(shown('moveX')).toMatchObject({ factor: 100, mark: ' cm' });
  expect(shown('turnX')).toMatchObject({ factor: 1, mark: '°' });
  expect(shown('size')).toMatchObject({ factor: 100, mark: '%' });
  expect(shownAs(effect, { kind: 'duration', cue: null, action: 'act_a' })).toMatchObject({ mark: ' s' });
});
