/** What actions do to objects: where they are, what they are like, and how long. */
import { describe, expect, test } from '@jest/globals';
import { newMorph as freshMorph } from '../kinds/objects/morph';
import { headAnchor } from '../kinds/objects/placed';
import { newFountain as freshFountain } from '../kinds/objects/fountain';
import { newGroup } from '../kinds/objects/group';
import { newSolid } from '../kinds/objects/solid';
import { newText as freshText } from '../kinds/objects/text';
import type { EffectObject, ObjectId } from '../document/schema';
import { multiplyQuaternions, fromAngles, angleBetween, fromAxisAngle } from '../maths/quaternion';
import { distance } from '../maths/vec3';
import { positionOf } from '../maths/matrix';
import { STEP } from '../units';
import { compile } from '../program/program';
import { Runtime } from './runtime';
import { CARD, card, cueOf, effectOf, pass, STILL, TAP, type Told, started } from './testing';

const CROWN = headAnchor('crown');
const newText = (id: ObjectId) => freshText(id, 'Low tide', 0, CROWN);
const newMorph = (id: ObjectId) => freshMorph(id, 0);
const newFountain = (id: ObjectId) => freshFountain(id, 0, CROWN);
const FLAT = { anchor: { kind: 'screen', pin: 'centre' } } as Partial<EffectObject>;

describe('moving', () => {
  test('to, by and from', () => {
    const at: Partial<EffectObject> = { move: [0.1, 0, 0] };
    const half = (mode: 'to' | 'by' | 'from') =>
      pass(started({ kind: 'move', mode, by: [0, 0.2, 0], duration: 1 } as Told, card(CARD, at)), 0.5 + STEP)
        .move;
    expect(half('to').map((x) => x + 0)).toEqual([0.05, 0.1, 0].map((x) => expect.closeTo(x, 9)));
    expect(half('by')).toEqual([0.1, 0.1, 0].map((x) => expect.closeTo(x, 9)));
    expect(half('from')).toEqual([0.05, 0.1, 0].map((x) => expect.closeTo(x, 9)));
  });
  test('by its own axes: along where it is turned', () => {
    const object = card(CARD, { turn: [0, 0, 90] });
    const end = pass(
      started({ kind: 'move', mode: 'by', by: [0.1, 0, 0], axes: 'own' } as Told, object),
      1,
    ).move;
    expect(end).toEqual([0, 0.1, 0].map((x) => expect.closeTo(x, 9)));
  });
  test("by the viewer's axes: to the viewer's right, however the head is turned", () => {
    const [face] = STILL.faces;
    const turned = {
      ...STILL,
      faces: [
        {
          ...face!,
          pose: {
            ...face!.pose,
            rotation: multiplyQuaternions(face!.pose.rotation, fromAxisAngle([0, 1, 0], 60)),
          },
        },
      ],
    };
    const object = card(CARD, { anchor: headAnchor('noseTip') } as never);
    const runtime = started(
      { kind: 'move', mode: 'by', by: [0.1, 0, 0], axes: 'viewer', duration: 0.5 } as Told,
      object,
    );
    runtime.step(turned);
    const before = positionOf(runtime.places()[0]!.places[0]!.matrix);
    pass(runtime, 1, turned);
    const after = positionOf(runtime.places()[0]!.places[0]!.matrix);
    const way = after.map((x, i) => x - before[i]!);
    expect(way[0]).toBeCloseTo(0.1, 3);
    expect(Math.hypot(way[1]!, way[2]!)).toBeLessThan(1e-3);
  });
  test('a captured pose is reached exactly, in move, turn and size', () => {
    const runtime = started({
      kind: 'pose',
      move: [0.1, 0.2, 0.3],
      turn: [10, 190, -30],
      scale: [2, 2, 2],
      way: 'short',
      duration: 1,
    } as Told);
    const half = pass(runtime, 0.5 + STEP);
    // The short way: half-way it is half as far from both ends.
    const whole = angleBetween(fromAngles([0, 0, 0]), fromAngles([10, 190, -30]));
    expect(angleBetween(fromAngles(half.turn), fromAngles([0, 0, 0]))).toBeCloseTo(whole / 2, 3);
    const end = pass(runtime, 1);
    expect([end.move, end.turn, end.scale]).toEqual([
      [0.1, 0.2, 0.3],
      [10, 190, -30],
      [2, 2, 2],
    ]);
  });
  test('turns the short way or by the angles as typed', () => {
    const mid = (way: 'typed' | 'short') =>
      pass(started({ kind: 'turn', mode: 'to', by: [0, 0, 300], way, duration: 1 } as Told), 0.5 + STEP)
        .turn[2];
    expect(mid('typed')).toBeCloseTo(150, 6);
    expect(mid('short')).toBeCloseTo(-30, 6);
  });
  test('turns about its own axes by more than a turn', () => {
    const object = card(CARD, { turn: [90, 0, 0] });
    const runtime = started(
      { kind: 'turn', mode: 'by', by: [0, 450, 0], axes: 'own', duration: 1 } as Told,
      object,
    );
    const end = pass(runtime, 1.1).turn;
    const expected = multiplyQuaternions(fromAngles([90, 0, 0]), fromAngles([0, 90, 0]));
    expect(angleBetween(fromAngles(end), expected)).toBeLessThan(1e-3);
  });
  test('sizes from nothing to what it is', () => {
    const runtime = started(
      { kind: 'size', mode: 'from', factor: 0, duration: 1 } as Told,
      card(CARD, { scale: [2, 2, 2] }),
    );
    expect(pass(runtime, STEP).scale[0]).toBeCloseTo(0, 9);
    expect(pass(runtime, 0.5).scale[0]).toBeCloseTo(1, 6);
    expect(pass(runtime, 1).scale[0]).toBe(2);
  });
});

describe('what goes on', () => {
  test('circles its middle: keeps its height and distance, a turn in its duration, turned along', () => {
    const object = card(CARD, { move: [0.1, 0.05, 0] });
    const runtime = started({ kind: 'circle', axis: 'y', duration: 2 } as Told, object);
    for (let i = 0; i < 8; i++) {
      const { move } = pass(runtime, 0.25);
      expect(Math.hypot(move[0], move[2])).toBeCloseTo(0.1, 6);
      expect(move[1]).toBeCloseTo(0.05, 9);
    }
    const quarter = started({ kind: 'circle', axis: 'y', duration: 2 } as Told, object);
    const at = pass(quarter, 0.5 + STEP);
    expect(at.move).toEqual([0, 0.05, -0.1].map((x) => expect.closeTo(x, 6)));
    expect(at.turn[1]).toBeCloseTo(90, 4);
    const other = started({ kind: 'circle', axis: 'y', duration: 2, clockwise: true } as Told, object);
    expect(pass(other, 0.5 + STEP).move[2]).toBeCloseTo(0.1, 6);
  });
  test('circles another object, wherever that goes, with a radius of its own', () => {
    const sun = 'obj_sun1' as ObjectId;
    const middle = card(sun, { move: [0.2, 0, 0], ...FLAT });
    const runtime = started(
      { kind: 'circle', around: 'object', object: sun, axis: 'z', radius: 0.05, duration: 1 } as Told,
      card(CARD, { move: [0, 0, 0], ...FLAT }),
      [middle],
    );
    pass(runtime, 0.4);
    for (let i = 0; i < 5; i++) expect(distance(pass(runtime, 0.13).move, [0.2, 0, 0])).toBeCloseTo(0.05, 6);
  });
  test('follows with a lag: 63 % nearer after it, and by a spring over it', () => {
    const leader = 'obj_lead1' as ObjectId;
    const object = card(CARD, { move: [0, 0, 0], ...FLAT });
    const jump = cueOf(
      'screenTapped',
      [[{ kind: 'move', targets: [leader], mode: 'by', by: [0.1, 0, 0], duration: 0 } as Told]],
      {
        id: 'cue_jump' as never,
      },
    );
    const run = (more: object) => {
      const follow = cueOf('effectStarts', [[{ kind: 'follow', object: leader, lag: 0.5, ...more } as Told]]);
      const runtime = new Runtime(
        compile(effectOf([follow, jump], [object, card(leader, { move: [0.2, 0, 0], order: 1, ...FLAT })])),
      );
      pass(runtime, 0.1);
      runtime.step(STILL, TAP);
      return runtime;
    };
    // It sees the leader as the step before left it.
    const lagged = run({});
    pass(lagged, 0.5);
    expect(lagged.values(0).move[0]).toBeCloseTo(0.1 * (1 - Math.exp(-1)), 3);
    const sprung = run({ swings: 2 });
    const seen = Array.from({ length: 60 }, () => pass(sprung, STEP).move[0]);
    expect(Math.max(...seen)).toBeGreaterThan(0.11);
    expect(pass(sprung, 5).move[0]).toBeCloseTo(0.1, 3);
  });
  test('sways, shakes and bounces lie over what else moves it, and leave nothing behind', () => {
    const both = cueOf('effectStarts', [
      [
        { kind: 'move', mode: 'by', by: [0.1, 0, 0], duration: 1, easing: 'steady' } as Told,
        { kind: 'bounce', height: 0.05, duration: 0.5, repeat: 2 } as Told,
        { kind: 'sway', axis: 'z', angle: 10, duration: 1, repeat: 1 } as Told,
        { kind: 'shake', distance: 0.01, angle: 0, rate: 20, duration: 1, repeat: 1 } as Told,
      ],
    ]);
    const runtime = new Runtime(compile(effectOf([both])));
    const seen = Array.from({ length: 60 }, () => ({ ...pass(runtime, STEP) }));
    expect(Math.max(...seen.map((v) => v.move[1]))).toBeGreaterThan(0.045);
    expect(Math.max(...seen.map((v) => v.turn[2]))).toBeCloseTo(10, 0);
    expect(seen.some((v, i) => Math.abs(v.move[0] - (0.1 * i) / 60) > 0.002)).toBe(true);
    const end = pass(runtime, 0.2);
    expect(end.move).toEqual([0.1, 0, 0].map((x) => expect.closeTo(x, 9)));
    expect(end.turn).toEqual([0, 0, 0]);
  });
  test('keeps its front to the viewer while it lasts', () => {
    const runtime = started({ kind: 'face' } as Told);
    expect(runtime.values(0).facing).toBe(false);
    expect(pass(runtime, 0.1).facing).toBe(true);
  });
});

describe('values', () => {
  test('colour, mixed as light, ends exactly', () => {
    const solid = { ...newSolid(CARD, 'box', 0, headAnchor('crown')), colour: '#000000' };
    const runtime = started({ kind: 'colour', colour: '#ffffff', duration: 1 } as Told, solid);
    pass(runtime, 0.5 + STEP);
    // Half as much light is 188 of 255 in sRGB.
    expect(runtime.objectNow(0)).toMatchObject({ colour: '#bcbcbc' });
    pass(runtime, 1);
    expect(runtime.objectNow(0)).toMatchObject({ colour: '#ffffff' });
    expect(solid.colour).toBe('#000000');
  });
  test.each([
    ['size', newText(CARD), 0.04],
    ['sliders.chin', newMorph(CARD), 0.5],
    ['rate', newFountain(CARD), 90],
    ['opacity', card(), 0.25],
    ['moveY', card(), 0.3],
  ] as const)('the number %s of an object, to and within its bounds', (property, object, value) => {
    const of = (runtime: Runtime): unknown =>
      property === 'opacity'
        ? runtime.values(0).opacity
        : property === 'moveY'
          ? runtime.values(0).move[1]
          : property
              .split('.')
              .reduce<unknown>((o, k) => (o as Record<string, unknown>)[k], runtime.objectNow(0));
    const to = started(
      { kind: 'number', property, mode: 'to', value, duration: 0.5 } as Told,
      object as EffectObject,
    );
    pass(to, 1);
    expect(of(to)).toBeCloseTo(value, 9);
    const wild = started(
      { kind: 'number', property, mode: 'to', value: 1e6, duration: 0 } as Told,
      object as EffectObject,
    );
    pass(wild, 0.1);
    expect(of(wild)).toBeLessThanOrEqual(1e4);
  });
  test('an object nobody changes is the one of the document itself', () => {
    const object = card();
    const runtime = started({ kind: 'move' } as Told, object);
    pass(runtime, 1);
    expect(runtime.objectNow(0)).toBe(object);
  });
});

describe('stay, return, there and back', () => {
  test('then as before: shown for a second, then hidden again', () => {
    const runtime = started({ kind: 'show', duration: 1, after: 'return' }, card(CARD, { visible: false }));
    expect(pass(runtime, 0.9).visible).toBe(true);
    expect(pass(runtime, 0.2).visible).toBe(false);
  });
  test('a move that returns is where it was, at once', () => {
    const runtime = started({
      kind: 'move',
      mode: 'by',
      by: [0.1, 0, 0],
      duration: 0.5,
      after: 'return',
    } as Told);
    expect(pass(runtime, 0.4).move[0]).toBeGreaterThan(0.07);
    expect(pass(runtime, 0.2).move[0]).toBe(0);
  });
});

describe('groups', () => {
  test('what acts on a group carries what hangs in it', () => {
    const group = { ...newGroup('obj_grp1' as ObjectId, 'G', 0, { kind: 'screen', pin: 'centre' }) };
    const inside = card(CARD, { parent: group.id, order: 1 });
    const cue = cueOf('effectStarts', [
      [{ kind: 'move', targets: [group.id], mode: 'by', by: [0.03, 0, 0], duration: 0 } as Told],
    ]);
    const runtime = new Runtime(compile(effectOf([cue], [group, inside])));
    pass(runtime, 0.2);
    expect(positionOf(runtime.places()[1]!.places[0]!.matrix)[0]).toBeCloseTo(0.03, 9);
  });
});
