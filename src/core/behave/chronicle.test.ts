import { describe, expect, test } from '@jest/globals';
import { blankEffect } from '../document/defaults';
import { newCue } from '../document/new-cues';
import { newAction } from '../kinds/actions/actions';
import { newCard } from '../kinds/objects/card';
import { sampleAsset } from '../document/sample';
import type { Action, Cue, CueId, Effect, ObjectId } from '../document/schema';
import { SHIPPED_TAKES } from '../takes/library';
import { STEP } from '../units';
import { chronicleOf, isUneventful, rangeOf, UNEVENTFUL, valueAt, type Chronicle } from './chronicle';
import { Player } from './player';
import { recordedTaps } from './recorded';
import type { ReadyTrigger } from '../kinds/triggers/ready-triggers';
import type { Signal } from '../kinds/signals/signals';

const CARD = 'obj_card' as ObjectId;
const take = (id: string) => SHIPPED_TAKES.find((t) => t.id === id)!;
const cue = (name: string, trigger: ReadyTrigger, action: Partial<Action> & Pick<Action, 'kind'>): Cue =>
  newCue(`cue_${name}` as CueId, trigger, 0, [
    {
      id: `beat_${name}`,
      actions: [{ ...newAction(`act_${name}`, action.kind, CARD), ...action } as Action],
    },
  ]);
const effectWith = (...cues: Cue[]): Effect => {
  const asset = sampleAsset(0);
  return {
    ...blankEffect('Scope'),
    assets: { [asset.id]: asset },
    objects: { [CARD]: { ...newCard(CARD, asset, 0), opacity: 1 } },
    cues: Object.fromEntries(cues.map((c) => [c.id, c])),
  };
};
const seen = (
  effect: Effect,
  on: string,
  signals: Signal[],
  taps: readonly { time: number; x: number; y: number }[] = [],
): Chronicle => chronicleOf(effect, take(on), { recorded: recordedTaps(taps), signals });
const opacity: Signal = { kind: 'object', object: CARD, of: 'opacity' };
const jaw: Signal = { kind: 'expression', face: 1, name: 'jawOpen' };

describe('what a scope shows', () => {
  test('every step of the take, as the player gives it at that moment', () => {
    const fade = cue('fade', 'screenTapped', { kind: 'fade', opacity: 0.2, duration: 1, easing: 'steady' });
    const effect = effectWith(fade);
    const taps = [{ time: 2, x: 0.5, y: 0.5 }];
    const scope = seen(effect, 'neutral', [opacity, jaw], taps);
    expect(scope.lines[0]).toHaveLength(Math.round(take('neutral').duration * scope.rate));
    const player = new Player(effect, take('neutral'), { recorded: recordedTaps(taps) });
    for (const time of [0, 1.9, 2.25, 2.5, 3.4]) {
      const now = player.at(time);
      expect(valueAt(scope, 0, time)).toBeCloseTo(now.values(0).opacity, 5);
      expect(valueAt(scope, 1, time)).toBeCloseTo(
        take('neutral').frameAt(time).faces[0]!.expressions.jawOpen ?? 0,
        5,
      );
    }
    expect(rangeOf(scope.lines[0]!)![0]).toBeCloseTo(0.2, 5);
    expect(rangeOf(scope.lines[0]!)![1]).toBe(1);
  });

  test('cues as bars: when they were at work, each firing its own, endless ones to the end', () => {
    const blink = cue('blink', 'screenTapped', { kind: 'fade', opacity: 0, duration: 0.5, delay: 0.25 });
    const turns = cue('turns', 'effectStarts', {
      kind: 'turn',
      mode: 'by',
      by: [0, 360, 0],
      duration: 2,
      repeat: 0,
    });
    const taps = [1, 3, 3.5].map((time) => ({ time, x: 0.5, y: 0.5 }));
    const { bars } = seen(effectWith(blink, turns), 'neutral', [], taps);
    const of = (id: string) => bars.filter((b) => b.cue === id);
    expect(of('cue_turns')).toEqual([{ cue: 'cue_turns', from: 0, to: Infinity }]);
    const blinks = of('cue_blink');
    expect(blinks.map((b) => b.from)).toEqual([1, 3, 3.5].map((t) => expect.closeTo(t, 6)));
    expect(blinks[0]!.to - blinks[0]!.from).toBeCloseTo(0.75, 1);
    // Fired again while it was at work, it begins anew.
    expect(blinks[1]!.to).toBeCloseTo(3.5, 6);
    expect(blinks[2]!.to - 3.5).toBeCloseTo(0.75, 1);
  });

  test('where there is no face or no such object there is no value', () => {
    const scope = seen(effectWith(), 'three-people', [
      { kind: 'head', face: 3, of: 'distance' },
      { kind: 'faces' },
      { kind: 'object', object: 'obj_gone' as ObjectId, of: 'opacity' },
      { kind: 'expression', face: 4, name: 'jawOpen' },
    ]);
    // The third face is there as soon as there are three.
    scope.lines[0]!.forEach((v, i) => {
      if (scope.lines[1]![i] === 3) expect(v).toBeGreaterThan(0.2);
    });
    expect(rangeOf(scope.lines[1]!)).toEqual([1, 3]);
    expect(scope.lines[0]![0]).toBeNaN();
    expect(rangeOf(scope.lines[2]!)).toBeNull();
    expect(rangeOf(scope.lines[3]!)).toBeNull();
    expect(valueAt(scope, 1, 9999)).toBeNaN();
  });

  test('the head as the camera sees it', () => {
    const { lines } = seen(effectWith(), 'slow-turn', [
      { kind: 'head', face: 1, of: 'yaw' },
      { kind: 'head', face: 1, of: 'distance' },
    ]);
    const [low, high] = rangeOf(lines[0]!)!;
    expect(high).toBeGreaterThan(35);
    expect(low).toBeLessThan(-35);
    const [near, far] = rangeOf(lines[1]!)!;
    expect(near).toBeGreaterThan(0.2);
    expect(far).toBeLessThan(1.5);
  });

  test('asked twice it is the same', () => {
    const effect = effectWith(cue('hide', 'mouthOpens', { kind: 'hide' }));
    const signals: Signal[] = [{ kind: 'object', object: CARD, of: 'visible' }];
    const [first, second] = [seen(effect, 'mouth', signals), seen(effect, 'mouth', signals)];
    expect(second).toEqual(first);
    expect(first.bars.length).toBeGreaterThan(0);
    expect(first.bars[0]!.from % STEP).toBeLessThan(1e-6);
  });
});

test('where it is known without a run that nothing happens, a run finds nothing', () => {
  const quiet = effectWith();
  expect(isUneventful(quiet, {})).toBe(true);
  expect(seen(quiet, 'neutral', [], [{ time: 1, x: 0.5, y: 0.5 }])).toEqual(UNEVENTFUL);
  expect(isUneventful(quiet, { signals: [jaw] })).toBe(false);
  const fade = cue('fade', 'screenTapped', { kind: 'fade', opacity: 0.2, duration: 1, easing: 'steady' });
  expect(isUneventful(effectWith(fade), {})).toBe(false);
});
