import { describe, expect, test } from '@jest/globals';
import { newControl } from '../document/new-cues';
import { newTarget } from '../document/defaults';
import type { ControlId, CueId, ObjectId, TargetId, Trigger } from '../document/schema';
import { fromAxisAngle, multiplyQuaternions } from '../maths/quaternion';
import { SHIPPED_TAKES } from '../takes/library';
import type { TrackFrame, TrackedHand } from '../tracking/track-frame';
import { STEP } from '../units';
import type { Inputs } from '../program/inputs';
import { compile } from '../program/program';
import { READY, READY_NAMES, readyNameOf, readyTrigger } from '../kinds/triggers/ready-triggers';
import { Runtime } from './runtime';
import { CARD, card, cueOf, CUE, effectOf, faceWith, NOBODY_THERE, STILL } from './testing';

const watching = (trigger: Trigger, more: Parameters<typeof effectOf>[2] = {}) =>
  new Runtime(
    compile(
      effectOf([cueOf('effectStarts', [[{ kind: 'toggle' }]], { triggers: [trigger] })], [card()], more),
    ),
  );
/** At which of the frames it goes off. */
const firedAt = (
  trigger: Trigger,
  frames: readonly TrackFrame[],
  inputs: readonly (Inputs | undefined)[] = [],
) => {
  const runtime = watching(trigger);
  return frames.flatMap((f, i) => (runtime.step(f, inputs[i]).length > 0 ? [i] : []));
};
const many = (frame: TrackFrame, seconds: number): TrackFrame[] =>
  Array.from({ length: Math.round(seconds / STEP) }, () => frame);
const level = (name: Parameters<typeof readyTrigger>[0], more: object): Trigger =>
  ({ ...readyTrigger(name), ...more }) as Trigger;

describe('time', () => {
  test('after so many seconds, once', () => {
    expect(firedAt({ kind: 'after', seconds: 0.5 }, many(STILL, 3))).toEqual([30]);
  });
  test('every so many seconds, without drifting', () => {
    const fired = firedAt({ kind: 'every', seconds: 0.7 }, many(STILL, 30));
    expect(fired).toHaveLength(Math.floor((30 - STEP) / 0.7 + 1e-9));
    fired.forEach((step, i) => expect(Math.abs(step * STEP - 0.7 * (i + 1))).toBeLessThan(STEP));
  });
});

describe('expressions', () => {
  test.each([
    ['mouthOpens', { jawOpen: 0.9 }],
    ['lipsPucker', { mouthPucker: 0.9 }],
    ['blows', { cheekPuff: 0.6 }],
    ['smiles', { mouthSmileLeft: 0.8, mouthSmileRight: 0.6 }],
    ['winksLeft', { eyeBlinkLeft: 0.9, eyeBlinkRight: 0.1 }],
    ['winksRight', { eyeBlinkLeft: 0.1, eyeBlinkRight: 0.9 }],
    ['browsRise', { browInnerUp: 0.7 }],
    ['frowns', { browDownLeft: 0.7, browDownRight: 0.7 }],
    ['tongueShows', { tongueOut: 0.8 }],
  ] as const)('%s when the face does so, and not before', (name, expressions) => {
    expect(firedAt(readyTrigger(name), [STILL, STILL, faceWith(expressions), faceWith(expressions)])).toEqual(
      [2],
    );
  });
  test('two closed eyes are no wink, and one closed eye closes no eyes', () => {
    const shut = faceWith({ eyeBlinkLeft: 0.95, eyeBlinkRight: 0.95 });
    expect(firedAt(readyTrigger('winksLeft'), many(shut, 1))).toEqual([]);
    expect(firedAt(readyTrigger('eyesClose'), many(faceWith({ eyeBlinkLeft: 0.95 }), 1))).toEqual([]);
    // Only once they have been closed for a quarter of a second: nobody means a blink.
    expect(firedAt(readyTrigger('eyesClose'), many(shut, 1))).toEqual([15]);
  });
  test('a hold has to be kept without a break', () => {
    const open = faceWith({ jawOpen: 0.8 });
    const trigger = level('mouthOpens', { hold: 0.2 });
    expect(firedAt(trigger, [...many(open, 0.15), STILL, ...many(open, 0.5)])).toEqual([9 + 1 + 12]);
  });
  test('the slack keeps it from fluttering, and where it is falls back it can go off again', () => {
    const jaw = (v: number) => faceWith({ jawOpen: v });
    const trigger = level('mouthOpens', { level: 0.5, slack: 0.2 });
    expect(firedAt(trigger, [0.6, 0.4, 0.6, 0.29, 0.6].map(jaw))).toEqual([0, 4]);
    const falling = level('mouthCloses', { level: 0.3, slack: 0.2 });
    expect(firedAt(falling, [0, 0.6, 0.25, 0.4, 0.2, 0.55, 0.1].map(jaw))).toEqual([2, 6]);
  });
  test('face 2 is asked by its number', () => {
    const [face] = STILL.faces;
    const two = {
      ...STILL,
      faces: [
        { ...face!, id: 1 },
        { ...face!, id: 2, expressions: { jawOpen: 1 } },
      ],
    };
    const of = (n: number) =>
      level('mouthOpens', { signal: { kind: 'expression', face: n, name: 'jawOpen' } });
    expect(firedAt(of(1), [two])).toEqual([]);
    expect(firedAt(of(2), [two])).toEqual([0]);
  });
});

describe('heads, faces, hands', () => {
  const on = (id: string) => {
    const take = SHIPPED_TAKES.find((t) => t.id === id)!;
    return Array.from({ length: Math.round(take.duration / STEP) }, (_, i) => take.frameAt(i * STEP));
  };
  test('a nod on the take with nods, and no shake', () => {
    const take = SHIPPED_TAKES.find((t) => t.marks.some((m) => m.kind === 'nodded'))!;
    const frames = on(take.id);
    expect(firedAt(readyTrigger('nods'), frames).length).toBeGreaterThan(0);
    expect(firedAt(readyTrigger('shakesHead'), frames)).toEqual([]);
  });
  test('turned to a side by the angle seen from the camera', () => {
    const turned = (angle: number): TrackFrame => {
      const [face] = STILL.faces;
      const rotation = multiplyQuaternions(STILL.camera.pose.rotation, fromAxisAngle([0, 1, 0], angle));
      return { ...STILL, faces: [{ ...face!, pose: { ...face!.pose, rotation } }] };
    };
    const frames = [0, 10, 25, 0, -10, -25].map(turned);
    expect(firedAt(readyTrigger('turnsLeft'), frames)).toEqual([2]);
    expect(firedAt(readyTrigger('turnsRight'), frames)).toEqual([5]);
  });
  test('a face appears and leaves', () => {
    const frames = [NOBODY_THERE, STILL, STILL, NOBODY_THERE, STILL];
    expect(firedAt(readyTrigger('faceAppears'), frames)).toEqual([1, 4]);
    expect(firedAt(readyTrigger('faceLeaves'), frames)).toEqual([3]);
  });
  test('hands by their shape', () => {
    const hand = (gesture: TrackedHand['gesture']): TrackFrame => ({
      ...STILL,
      hands: [{ gesture } as TrackedHand],
    });
    const frames = [STILL, hand(null), hand('palm'), hand('fist'), hand('thumb'), hand('point')];
    expect(
      (['handShown', 'palmOpens', 'fistCloses', 'thumbUp', 'handPoints'] as const).map((name) =>
        firedAt(readyTrigger(name), frames),
      ),
    ).toEqual([[1], [2], [3], [4], [5]]);
  });
  test('number of faces, and two faces that come near', () => {
    const [face] = STILL.faces;
    const apart = (metres: number): TrackFrame => ({
      ...STILL,
      faces: [
        face!,
        {
          ...face!,
          id: 99,
          pose: {
            ...face!.pose,
            position: [face!.pose.position[0] + metres, ...face!.pose.position.slice(1)] as never,
          },
        },
      ],
    });
    expect(firedAt(readyTrigger('facesCount'), [STILL, apart(0.6), apart(0.6), STILL, apart(1)])).toEqual([
      1, 4,
    ]);
    expect(firedAt(readyTrigger('facesNear'), [apart(0.6), apart(0.2), apart(0.28), apart(0.2)])).toEqual([
      1,
    ]);
  });
});

describe('touches', () => {
  const touch = (x: number, y: number): Inputs => ({ taps: [{ x, y }], fingers: [] });
  test('a double tap is two taps near each other within a third of a second', () => {
    const frames = many(STILL, 2);
    const at = (...steps: number[]) =>
      frames.map((_, i) => (steps.includes(i) ? touch(0.5, 0.5) : undefined));
    const trigger: Trigger = { kind: 'screen', gesture: 'doubleTap' };
    expect(firedAt(trigger, frames, at(5, 20))).toEqual([20]);
    expect(firedAt(trigger, frames, at(5, 40))).toEqual([]);
    // Three quick taps are one double tap and a tap.
    expect(firedAt(trigger, frames, at(5, 15, 25))).toEqual([15]);
  });
  test('held, dragged, pinched and twisted fingers', () => {
    const frames = many(STILL, 1);
    const one = (x: number): Inputs => ({ taps: [], fingers: [{ id: 1, x, y: 0.5 }] });
    const two = (d: number, turn = 0): Inputs => ({
      taps: [],
      fingers: [
        { id: 1, x: 0.5, y: 0.5 },
        { id: 2, x: 0.5 + d * Math.cos(turn), y: 0.5 + d * Math.sin(turn) * (9 / 16) },
      ],
    });
    const first = (gesture: 'hold' | 'drag' | 'pinch' | 'twist', input: (i: number) => Inputs) =>
      firedAt(
        { kind: 'screen', gesture },
        frames,
        frames.map((_, i) => input(i)),
      );
    expect(first('hold', () => one(0.5))).toHaveLength(1);
    expect(first('drag', (i) => one(0.3 + 0.004 * i))).toHaveLength(1);
    expect(first('pinch', (i) => two(0.1 + 0.003 * i))).toHaveLength(1);
    expect(first('twist', (i) => two(0.2, 0.02 * i))).toHaveLength(1);
    expect(first('hold', (i) => one(0.3 + 0.004 * i))).toEqual([]);
  });
  test('an object is tapped where it is seen, also by what hangs in it; beside it is not', () => {
    const object = card(CARD, { anchor: { kind: 'screen', pin: 'centre' }, extent: [0.02, 0.02] } as never);
    const run = (x: number, y: number) => {
      const cue = cueOf('effectStarts', [[{ kind: 'hide' }]], {
        triggers: [{ kind: 'touch', gesture: 'tap', object: CARD }],
      });
      return new Runtime(compile(effectOf([cue], [object]))).step(STILL, touch(x, y)).length;
    };
    expect(run(0.5, 0.5)).toBe(1);
    expect(run(0.9, 0.9)).toBe(0);
  });
});

describe('the camera application, controls, cues, variables', () => {
  test.each(['recordStarts', 'recordStops', 'photo', 'cameraFlips'] as const)('%s', (event) => {
    const inputs: Inputs = { taps: [], fingers: [], events: [event] };
    const other: Inputs = { taps: [], fingers: [], events: [event === 'photo' ? 'cameraFlips' : 'photo'] };
    expect(firedAt({ kind: 'viewer', event }, [STILL, STILL, STILL], [undefined, other, inputs])).toEqual([
      2,
    ]);
  });
  test('loudness crosses a level', () => {
    const loud = (loudness: number): Inputs => ({ taps: [], fingers: [], loudness });
    expect(firedAt(readyTrigger('loud'), many(STILL, 0.1), [0.1, 0.5, 0.5, 0.1, 0.6].map(loud))).toEqual([
      1, 4,
    ]);
  });
  test('a control is used; another one is not it', () => {
    const control = newControl('control_a1b2' as ControlId, 'button', 'Go', 0);
    const runtime = watching(
      { kind: 'control', control: control.id },
      { controls: { [control.id]: control } },
    );
    const press = (id: string): Inputs => ({
      taps: [],
      fingers: [],
      controls: [{ control: id as ControlId, value: 1 }],
    });
    expect(runtime.step(STILL)).toHaveLength(0);
    expect(runtime.step(STILL, press('control_other'))).toHaveLength(0);
    expect(runtime.step(STILL, press(control.id))).toHaveLength(1);
  });
  test('a printed picture is found and lost', () => {
    const target = newTarget('target_a1b2' as TargetId, 'Tide table', 0, null);
    const seen: TrackFrame = {
      ...STILL,
      pictures: [{ id: 1, pose: STILL.camera.pose, width: 0.15, height: 0.2, confidence: 1 }],
    };
    const run = (when: 'found' | 'lost') => {
      const runtime = watching(
        { kind: 'picture', target: target.id, when },
        { targets: { [target.id]: target } },
      );
      return [STILL, seen, seen, STILL, seen].flatMap((f, i) => (runtime.step(f).length > 0 ? [i] : []));
    };
    expect(run('found')).toEqual([1, 4]);
    expect(run('lost')).toEqual([3]);
  });
  test('a floor is found once, and what was dragged on it is placed when it is let go', () => {
    const pose = { position: [0, -1.2, 0] as const, rotation: [0, 0, 0, 1] as const };
    const floor: TrackFrame = { ...STILL, surfaces: [{ id: 1, kind: 'floor', pose, extent: [4, 4] }] };
    expect(firedAt(readyTrigger('surfaceFound'), [STILL, floor, floor, STILL, floor])).toEqual([1]);
    const object = card(CARD, {
      anchor: { kind: 'world', surface: 'floor' },
      move: [0, 0.5, -2],
      extent: [1, 1],
      byViewer: { drag: true, pinch: false, twist: false, reach: 5, least: 0.5, most: 2 },
    } as never);
    const cue = cueOf('effectStarts', [[{ kind: 'hide' }]], { triggers: [readyTrigger('surfacePlaced')] });
    const runtime = new Runtime(compile(effectOf([cue], [object])));
    const finger = (x: number, y: number): Inputs => ({ taps: [], fingers: [{ id: 1, x, y }] });
    runtime.step(floor);
    const seen = runtime.signal({ kind: 'object', object: CARD, of: 'screenX' }, floor, {});
    const down = runtime.signal({ kind: 'object', object: CARD, of: 'screenY' }, floor, {});
    expect(seen).toBeCloseTo(0.5, 1);
    const fired = [finger(seen, down), finger(seen + 0.05, down), undefined, undefined].map(
      (inputs) => runtime.step(floor, inputs).length,
    );
    expect(fired).toEqual([0, 0, 1, 0]);
  });
  test('another cue begins, passes a part and ends: a step later each', () => {
    const other = 'cue_other' as CueId;
    const at = (moment: 'begins' | 'ends' | 'passes') => {
      const first = cueOf('screenTapped', [[{ kind: 'fade', opacity: 0, duration: 1 }]], { id: other });
      const second = cueOf('effectStarts', [[{ kind: 'move' }]], {
        triggers: [{ kind: 'cue', cue: other, moment, share: 0.5 }],
      });
      const runtime = new Runtime(compile(effectOf([first, second])));
      return many(STILL, 3).flatMap((f, i) => {
        const fired = runtime.step(
          f,
          i === 6 || i === 90 ? { taps: [{ x: 0, y: 0 }], fingers: [] } : undefined,
        );
        return fired.some((x) => x.cue === CUE) ? [i] : [];
      });
    };
    expect(at('begins')).toEqual([7, 91]);
    expect(at('passes')).toEqual([6 + 31, 90 + 31]);
    expect(at('ends')).toEqual([6 + 61 + 1, 90 + 61 + 1]);
  });
});

describe('ready triggers', () => {
  test('each is told by its name again, whatever its amounts', () => {
    for (const name of READY_NAMES) {
      if (name === 'expression' || name === 'signalCrosses') continue;
      const trigger = readyTrigger(name);
      expect(readyNameOf(trigger)).toBe(name);
      if (trigger.kind === 'level')
        expect(readyNameOf({ ...trigger, level: trigger.level * 1.5, hold: 1 })).toBe(name);
    }
  });
  test('a copy can be changed without changing the original', () => {
    const trigger = readyTrigger('objectTapped');
    Object.assign(trigger, { object: 'obj_1234' as ObjectId });
    expect(READY.objectTapped.trigger.object).toBeNull();
  });
});
