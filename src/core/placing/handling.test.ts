/** Fingers on the picture: what they touch, and what comes of dragging, pinching and twisting. */
import { describe, expect, test } from '@jest/globals';
import { compile, type Program } from '../program/program';
import { Runtime } from '../behave/runtime';
import type { Finger, Inputs } from '../program/inputs';
import { headAnchor } from '../kinds/objects/placed';
import { newGroup } from '../kinds/objects/group';
import type { Anchor, EffectObject } from '../document/schema';
import { positionOf } from '../maths/matrix';
import { distance, type Vec3 } from '../maths/vec3';
import { projectPoint } from '../tracking/project';
import type { TrackFrame } from '../tracking/track-frame';
import { HANDLED } from './handled';
import { placesOf } from './places';
import { touchedAt, viewOf } from './touch';
import { box, effectWith, faceAt, frameOf, id, looksDown, poseAt } from './testing';

const FLOOR: Anchor = { kind: 'world', surface: 'floor' };
const frame = frameOf({ camera: looksDown(30) });
const seen = (at: Vec3, f: TrackFrame = frame): { x: number; y: number } => {
  const [x, y] = projectPoint(f.camera, f.camera.fovY, f.camera.aspect, at)!;
  return { x, y };
};
const touching = (...points: { x: number; y: number }[]): Inputs => ({
  taps: [],
  fingers: points.map((p, i): Finger => ({ id: i, ...p })),
});
const onFloor = (more: Partial<EffectObject> = {}): EffectObject =>
  box('crate', FLOOR, { byViewer: HANDLED, ...more } as Partial<EffectObject>);
const runtimeOf = (
  ...objects: EffectObject[]
): { runtime: Runtime; program: Program; at: (i?: number) => Vec3 } => {
  const program = compile(effectWith(objects));
  const runtime = new Runtime(program);
  runtime.step(frame);
  const at = (i = 0): Vec3 => {
    const here = { frame, presence: runtime.presence, targets: program.targets, aspect: 9 / 16 };
    return positionOf(placesOf(program, runtime, here)[i]!.places[0]!.matrix);
  };
  return { runtime, program, at };
};

describe('what a finger touches', () => {
  const touched = (objects: EffectObject[], p: { x: number; y: number }, f = frame): string | null => {
    const program = compile(effectWith(objects));
    const runtime = new Runtime(program);
    runtime.step(f);
    const here = { frame: f, presence: runtime.presence, targets: program.targets, aspect: 9 / 16 };
    const hit = touchedAt(program, placesOf(program, runtime, here), f, viewOf(f), p);
    return hit && program.objects[hit.object]!.name;
  };
  const there: Vec3 = [0, -1.3, -2];
  test('the object whose box the ray meets; beside it nothing', () => {
    expect(touched([onFloor()], seen(there))).toBe('crate');
    expect(touched([onFloor()], seen([0.4, -1.3, -2]))).toBeNull();
  });
  test('a touch area of its own takes the place of its box', () => {
    const wide = onFloor({ touchArea: { shape: 'ball', centre: [0.4, 0, 0], size: [0.2, 0.2, 0.2] } });
    expect(touched([wide], seen([0.4, -1.3, -2]))).toBe('crate');
    expect(touched([wide], seen(there))).toBeNull();
  });
  test('the nearer one; what lies on the screen before both', () => {
    const near = box('near', FLOOR, { move: [0, 0.15, 0.3] });
    expect(touched([onFloor(), near], seen([0, -1.15, -1.7]))).toBe('near');
    const p = seen([0, -1.15, -1.7]);
    const label = box(
      'label',
      { kind: 'screen', pin: 'centre' },
      {
        move: [(p.x - 0.5) * 0.09, (0.5 - p.y) * 0.16, 0],
      },
    );
    expect(touched([onFloor(), near, label], p)).toBe('label');
  });
  test('what is hidden is not touched, and on every face each copy is', () => {
    expect(touched([onFloor({ visible: false })], seen(there))).toBeNull();
    const faces = frameOf({ faces: [faceAt(1, poseAt([-0.1, 0, -0.7])), faceAt(2, poseAt([0.1, 0, -0.7]))] });
    const nose = box('nose', { ...headAnchor('headCentre', 'every'), grows: false } as Anchor);
    for (const x of [-0.1, 0.1]) expect(touched([nose], seen([x, 0, -0.7], faces), faces)).toBe('nose');
  });
});

describe('one finger', () => {
  test('drags along the floor: the object stays under it and on the ground', () => {
    const { runtime, at } = runtimeOf(onFloor());
    const goal: Vec3 = [0.35, -1.3, -2.4];
    runtime.step(frame, touching(seen([0, -1.3, -2])));
    runtime.step(frame, touching(seen(goal)));
    expect(distance(at(), goal)).toBeLessThan(1e-6);
    runtime.step(frame);
    expect(distance(at(), goal)).toBeLessThan(1e-6);
    // The next drag goes on from there.
    runtime.step(frame, touching(seen(goal)));
    runtime.step(frame, touching(seen([0, -1.3, -2])));
    expect(distance(at(), [0, -1.3, -2])).toBeLessThan(1e-6);
  });
  test('no farther than its reach', () => {
    const { runtime, at } = runtimeOf(onFloor({ byViewer: { ...HANDLED, reach: 0.2 } }));
    runtime.step(frame, touching(seen([0, -1.3, -2])));
    runtime.step(frame, touching(seen([1, -1.3, -2])));
    expect(distance(at(), [0.2, -1.3, -2])).toBeLessThan(1e-6);
  });
  test('over the horizon it does not fling the object away', () => {
    const { runtime, at } = runtimeOf(onFloor({ byViewer: { ...HANDLED, reach: 50 } }));
    runtime.step(frame, touching(seen([0, -1.3, -2])));
    runtime.step(frame, touching({ x: 0.5, y: 0.0 }));
    expect(distance(at(), [0, -1.3, -2])).toBeLessThan(60);
  });
  test('where dragging is switched off, and for objects that were not handed over, nothing moves', () => {
    for (const object of [onFloor({ byViewer: { ...HANDLED, drag: false } }), onFloor({ byViewer: null })]) {
      const { runtime, at } = runtimeOf(object);
      runtime.step(frame, touching(seen([0, -1.3, -2])));
      runtime.step(frame, touching(seen([0.3, -1.3, -2])));
      expect(distance(at(), [0, -1.3, -2])).toBeLessThan(1e-9);
    }
  });
  test('on something in a group it drags the group that was handed over', () => {
    const group = {
      ...newGroup(id('group'), 'G', 0, FLOOR),
      move: [0, 0, 0],
      byViewer: HANDLED,
    } as EffectObject;
    const { runtime, at } = runtimeOf(group, box('crate', FLOOR, { parent: group.id }));
    runtime.step(frame, touching(seen([0, -1.3, -2])));
    runtime.step(frame, touching(seen([0.3, -1.3, -2])));
    expect(distance(at(1), [0.3, -1.3, -2])).toBeLessThan(1e-6);
  });
});

describe('two fingers', () => {
  const middle = seen([0, -1.3, -2]);
  const pair = (apart: number, degrees: number) => {
    const a = (degrees * Math.PI) / 180;
    return [-1, 1].map((s) => ({
      x: middle.x + (s * apart * Math.cos(a)) / 2 / (9 / 16),
      y: middle.y - (s * apart * Math.sin(a)) / 2,
    }));
  };
  test('pinch and twist, within limits, round and round', () => {
    const { runtime } = runtimeOf(onFloor({ byViewer: { ...HANDLED, least: 0.5, most: 3 } }));
    runtime.step(frame, touching(...pair(0.1, 0)));
    runtime.step(frame, touching(...pair(0.2, 40)));
    expect(runtime.byHand(0)!.factor).toBeCloseTo(2, 6);
    expect(runtime.byHand(0)!.twist).toBeCloseTo(40, 6);
    for (let a = 60; a <= 400; a += 20) runtime.step(frame, touching(...pair(0.9, a)));
    expect(runtime.byHand(0)!.factor).toBe(3);
    expect(runtime.byHand(0)!.twist).toBeCloseTo(400, 6);
    runtime.step(frame, touching(...pair(0.001, 400)));
    expect(runtime.byHand(0)!.factor).toBe(0.5);
  });
  test('each can be switched off', () => {
    const { runtime } = runtimeOf(onFloor({ byViewer: { ...HANDLED, pinch: false } }));
    runtime.step(frame, touching(...pair(0.1, 0)));
    runtime.step(frame, touching(...pair(0.3, 30)));
    expect(runtime.byHand(0)).toMatchObject({ factor: 1 });
    expect(runtime.byHand(0)!.twist).toBeCloseTo(30, 6);
  });
  test('a second finger that comes down later goes on from what the first has done', () => {
    const { runtime } = runtimeOf(onFloor());
    runtime.step(frame, touching(middle));
    runtime.step(frame, touching(seen([0.2, -1.3, -2])));
    const before = runtime.byHand(0)!.offset;
    const second = { x: 0.9, y: 0.9 };
    runtime.step(frame, touching(seen([0.2, -1.3, -2]), second));
    runtime.step(frame, touching(seen([0.2, -1.3, -2]), second));
    expect(runtime.byHand(0)!.offset).toEqual(before);
    expect(runtime.byHand(0)!.factor).toBeCloseTo(1, 9);
  });
  test('saved and restored, it goes on exactly from there', () => {
    const { runtime, at } = runtimeOf(onFloor());
    runtime.step(frame, touching(middle));
    runtime.step(frame, touching(seen([0.2, -1.3, -2])));
    const saved = runtime.save();
    runtime.step(frame, touching(seen([0.3, -1.3, -2])));
    const there = at();
    runtime.restore(saved);
    runtime.step(frame, touching(seen([0.3, -1.3, -2])));
    expect(at()).toEqual(there);
  });
});
