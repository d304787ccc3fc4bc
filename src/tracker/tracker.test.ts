import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compile } from '../core/program/program';
import { Runtime } from '../core/behave/runtime';
import { blankEffect } from '../core/document/defaults';
import { newCue } from '../core/document/new-cues';
import { newAction } from '../core/kinds/actions/actions';
import { newCard } from '../core/kinds/objects/card';
import { sampleAsset, sampleEffect } from '../core/document/sample';
import type { CueId, Effect, ObjectId } from '../core/document/schema';
import { FIRST_TAKE } from '../core/takes/library';
import { STEP } from '../core/units';
import { LiveRuntime } from './live-runtime';

const frame = FIRST_TAKE.frameAt(0);
const CARD = 'obj_card' as ObjectId;

const tapToggles = (): Effect => {
  const asset = sampleAsset(0);
  const cue = newCue('cue_tap1' as CueId, 'screenTapped', 0, [
    { id: 'beat_tap1', actions: [newAction('act_tap1', 'toggle', CARD)] },
  ]);
  return {
    ...blankEffect('Tap'),
    assets: { [asset.id]: asset },
    objects: { [CARD]: newCard(CARD, asset, 0) },
    cues: { [cue.id]: cue },
  };
};

describe('stepping along with real time', () => {
  test('as many steps as time has gone by, whatever the frame rate', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.002, max: 0.2, noNaN: true }), { minLength: 1, maxLength: 40 }),
        (gaps) => {
          const live = new LiveRuntime(compile(blankEffect('x')));
          let now = 100;
          live.advance(now, frame);
          for (const gap of gaps) live.advance((now += gap), frame);
          const due = 1 + (now - 100) / STEP;
          return Math.abs(live.runtime.steps - due) <= 1.01;
        },
      ),
    );
  });
  test('after a long pause it does not run wild', () => {
    const live = new LiveRuntime(compile(blankEffect('x')));
    live.advance(0, frame);
    live.advance(3600, frame);
    expect(live.runtime.steps).toBeLessThanOrEqual(17);
  });
  test('the same states as the plain runtime', () => {
    const program = compile(sampleEffect(3, 6));
    const live = new LiveRuntime(program);
    const plain = new Runtime(program);
    for (let i = 0; i < 90; i++) {
      const at = FIRST_TAKE.frameAt(5.5 + i * STEP);
      live.advance(i * STEP, at);
      plain.step(at);
    }
    expect(live.runtime.save()).toEqual(plain.save());
  });
  test('a tap counts once, in the next step, even when no step is due yet', () => {
    const live = new LiveRuntime(compile(tapToggles()));
    live.advance(0, frame);
    live.tap(0.5, 0.5);
    live.advance(0.001, frame);
    expect(live.runtime.values(0).visible).toBe(true);
    live.advance(0.04, frame);
    expect(live.runtime.values(0).visible).toBe(false);
    live.advance(0.2, frame);
    expect(live.runtime.values(0).visible).toBe(false);
  });
});
