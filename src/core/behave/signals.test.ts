import { describe, expect, test } from '@jest/globals';
import { newVariable } from '../document/new-cues';
import { newSolid } from '../kinds/objects/solid';
import type { CueId, ObjectId, SceneId, Signal, VariableId } from '../document/schema';
import { faceMeasure } from '../kinds/signals/face-measures';
import { pointAt, distance } from '../maths/vec3';
import { STEP } from '../units';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import type { SpeedMemory } from './signals';
import { CARD, card, cueOf, effectOf, faceWith, NOBODY_THERE, pass, STILL, TAP } from './testing';

const FLAT = { anchor: { kind: 'screen', pin: 'centre' } } as const;
const other = 'obj_other' as ObjectId;
const read = (signal: Signal, runtime = new Runtime(compile(effectOf([]))), frame = STILL): number => {
  runtime.step(frame);
  return runtime.signal(signal, frame, {});
};
const placed = (move: readonly [number, number, number], more: object = {}): Runtime =>
  new Runtime(compile(effectOf([], [card(CARD, { move: [...move], ...FLAT, ...more })])));
const of = (what: Extract<Signal, { kind: 'object' }>['of']): Signal => ({
  kind: 'object',
  object: CARD,
  of: what,
});

describe('faces', () => {
  test('a coefficient, a measure, and nothing where there is no face', () => {
    const frame = faceWith({ jawOpen: 0.4, mouthSmileLeft: 0.2, mouthSmileRight: 0.6 });
    expect(read({ kind: 'expression', face: 1, name: 'jawOpen' }, undefined, frame)).toBeCloseTo(0.4, 9);
    expect(read({ kind: 'expression', face: 1, name: 'smile' }, undefined, frame)).toBeCloseTo(0.4, 9);
    expect(read({ kind: 'expression', face: 2, name: 'jawOpen' }, undefined, frame)).toBeNaN();
    expect(read({ kind: 'expression', face: 1, name: 'jawOpen' }, undefined, NOBODY_THERE)).toBeNaN();
    expect(read({ kind: 'faces' }, undefined, NOBODY_THERE)).toBe(0);
    expect(read({ kind: 'facesApart', face: 1, other: 2 })).toBeNaN();
  });
  test('measures of a whole face', () => {
    const of = (measure: Parameters<typeof faceMeasure>[1], more: Parameters<typeof faceWith>[0]) =>
      faceMeasure(faceWith(more).faces[0], measure);
    expect(of('winkLeft', { eyeBlinkLeft: 0.9, eyeBlinkRight: 0.2 })).toBeCloseTo(0.7, 9);
    expect(of('winkRight', { eyeBlinkLeft: 0.9, eyeBlinkRight: 0.2 })).toBe(0);
    expect(of('eyesClosed', { eyeBlinkLeft: 0.9, eyeBlinkRight: 0.2 })).toBeCloseTo(0.2, 9);
    expect(of('frown', { mouthFrownLeft: 0.5, mouthFrownRight: 0.7, browDownLeft: 0.1 })).toBeCloseTo(0.6, 9);
    expect(of('browsRaised', { browInnerUp: 0.3, browOuterUpLeft: 0.8, browOuterUpRight: 0.8 })).toBeCloseTo(
      0.8,
      9,
    );
    expect(of('blow', { mouthFunnel: 0.5 })).toBeCloseTo(0.5, 9);
    expect(faceMeasure(undefined, 'smile')).toBe(0);
  });
  test('lengths of a face, by its landmarks', () => {
    const { landmarks } = STILL.faces[0]!;
    const apart = (a: number, b: number) => distance(pointAt(landmarks, a), pointAt(landmarks, b));
    expect(read({ kind: 'head', face: 1, of: 'mouthWidth' })).toBeCloseTo(apart(61, 291), 9);
    expect(read({ kind: 'head', face: 1, of: 'faceWidth' })).toBeGreaterThan(0.12);
    expect(read({ kind: 'head', face: 1, of: 'mouthOpening' })).toBeLessThan(0.01);
    const { position } = STILL.faces[0]!.pose;
    expect(read({ kind: 'head', face: 1, of: 'distance' })).toBeCloseTo(
      distance(position, STILL.camera.pose.position),
      9,
    );
  });
});

describe('objects', () => {
  test('values as cues have made them', () => {
    const fades = cueOf('effectStarts', [[{ kind: 'fade', opacity: 0.25, duration: 0 }]]);
    const runtime = new Runtime(compile(effectOf([fades], [card(CARD, { turn: [0, 0, 370], ...FLAT })])));
    expect(read(of('opacity'), runtime)).toBe(0.25);
    expect(read(of('turnZ'), runtime)).toBe(370);
    expect(read(of('visible'), runtime)).toBe(1);
    expect(read(of('size'), placed([0, 0, 0], { scale: [2, 4, 1] }))).toBeCloseTo(2, 9);
    expect(read({ kind: 'object', object: null, of: 'opacity' })).toBeNaN();
  });
  test('places on the screen: the middle is a half and a half, up is less', () => {
    expect(read(of('screenX'), placed([0, 0, 0]))).toBeCloseTo(0.5, 9);
    expect(read(of('screenY'), placed([0, 0, 0]))).toBeCloseTo(0.5, 9);
    // The screen is 16 cm high and 9 wide.
    expect(read(of('screenY'), placed([0, 0.08, 0]))).toBeCloseTo(0, 9);
    expect(read(of('screenX'), placed([0.045, 0, 0]))).toBeCloseTo(1, 9);
  });
  test('what is in the room is seen through the camera; behind it, it is nowhere on the picture', () => {
    const pose = { position: [0, 0, 0] as const, rotation: [0, 0, 0, 1] as const };
    const frame = {
      ...STILL,
      camera: { ...STILL.camera, pose },
      surfaces: [{ id: 1, kind: 'floor' as const, pose, extent: [9, 9] as const }],
    };
    const at = (
      move: readonly [number, number, number],
      what: 'screenX' | 'screenY' | 'distance' | 'worldZ',
    ): number => read(of(what), placed(move, { anchor: { kind: 'world', surface: 'floor' } }), frame);
    expect(at([0, 0, -2], 'screenX')).toBeCloseTo(0.5, 9);
    const half = Math.tan((frame.camera.fovY * Math.PI) / 360) * 2;
    expect(at([0, half, -2], 'screenY')).toBeCloseTo(0, 6);
    expect(at([0, 0, 2], 'screenX')).toBeNaN();
    expect(at([0, 3, -4], 'distance')).toBeCloseTo(5, 9);
    expect(at([0, 3, -4], 'worldZ')).toBeCloseTo(-4, 9);
  });
  test('distance and angle between two, and to the viewer', () => {
    const two = new Runtime(
      compile(
        effectOf(
          [],
          [
            card(CARD, { move: [0, 0, 0], ...FLAT }),
            card(other, { move: [0.03, 0.04, 0], order: 1, ...FLAT }),
          ],
        ),
      ),
    );
    expect(read({ kind: 'apart', object: CARD, from: other }, two)).toBeCloseTo(0.05, 9);
    expect(read({ kind: 'angle', object: CARD, from: other }, two)).toBeCloseTo(90, 6);
    expect(read({ kind: 'apart', object: CARD, from: 'obj_gone' as ObjectId }, two)).toBeNaN();
  });
  test('speed is metres a second, and 0 when it is first asked', () => {
    const moves = cueOf('effectStarts', [
      [{ kind: 'move', mode: 'by', by: [0.3, 0, 0], duration: 1, easing: 'steady', axes: 'parent' } as never],
    ]);
    const runtime = new Runtime(compile(effectOf([moves], [card(CARD, { move: [0, 0, 0], ...FLAT })])));
    const memory: SpeedMemory = {};
    runtime.step(STILL);
    expect(runtime.signal(of('speed'), STILL, memory)).toBe(0);
    for (let i = 0; i < 10; i++) {
      runtime.step(STILL);
      expect(runtime.signal(of('speed'), STILL, memory)).toBeCloseTo(0.3, 6);
    }
    // Asked twice in one step it is the same.
    expect(runtime.signal(of('speed'), STILL, memory)).toBeCloseTo(0.3, 6);
  });
});

describe('the rest', () => {
  test('time, progress and times of a cue', () => {
    const fades = cueOf('screenTapped', [[{ kind: 'fade', opacity: 0, duration: 2 }]]);
    const runtime = new Runtime(compile(effectOf([fades])));
    pass(runtime, 1);
    expect(runtime.signal({ kind: 'time' }, STILL, {})).toBeCloseTo(1 - STEP, 9);
    expect(runtime.signal({ kind: 'progress', cue: fades.id }, STILL, {})).toBe(0);
    runtime.step(STILL, TAP);
    pass(runtime, 1);
    expect(runtime.signal({ kind: 'progress', cue: fades.id }, STILL, {})).toBeCloseTo(0.5, 1);
    expect(runtime.signal({ kind: 'times', cue: fades.id }, STILL, {})).toBe(1);
    expect(runtime.signal({ kind: 'times', cue: 'cue_gone' as CueId }, STILL, {})).toBeNaN();
  });
  test('scenes, variables, loudness', () => {
    const scene = { id: 'scene_aaaa' as SceneId, name: 'A', order: 0 };
    const variable = { ...newVariable('variable_aaaa' as VariableId, 'V', 0), start: 7 };
    const runtime = new Runtime(
      compile(
        effectOf([], [newSolid(CARD, 'box', 0, { kind: 'screen', pin: 'centre' })], {
          scenes: { [scene.id]: scene },
          variables: { [variable.id]: variable },
        } as never),
      ),
    );
    expect(read({ kind: 'scene', scene: scene.id }, runtime)).toBe(1);
    expect(read({ kind: 'variable', variable: variable.id }, runtime)).toBe(7);
    runtime.step(STILL, { taps: [], fingers: [], loudness: 0.3 });
    expect(runtime.signal({ kind: 'loudness' }, STILL, {})).toBe(0.3);
  });
  test('random jumps as often as set, noise does not jump, both from 0 to 1 and the same by their seed', () => {
    const values = (kind: 'random' | 'noise', seed: number): number[] => {
      const runtime = new Runtime(compile(effectOf([])));
      return Array.from({ length: 120 }, () => {
        runtime.step(STILL);
        return runtime.signal({ kind, rate: 4, seed }, STILL, {});
      });
    };
    const jumps = values('random', 3);
    expect(new Set(jumps).size).toBe(8);
    expect(jumps).toEqual(values('random', 3));
    expect(jumps).not.toEqual(values('random', 4));
    const smooth = values('noise', 3);
    for (let i = 1; i < smooth.length; i++) expect(Math.abs(smooth[i]! - smooth[i - 1]!)).toBeLessThan(0.12);
    for (const v of [...jumps, ...smooth]) expect(v >= 0 && v <= 1).toBe(true);
  });
});
