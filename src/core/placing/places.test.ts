import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { firstValues } from '../program/first-values';
import { compile } from '../program/program';
import { newTarget } from '../document/defaults';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { newHandOccluder } from '../kinds/objects/occluder';
import { newGroup } from '../kinds/objects/group';
import {
  FRONTS,
  type Anchor,
  type Effect,
  type EffectObject,
  type LookAt,
  type TargetId,
} from '../document/schema';
import { featurePoint } from '../face/feature-points';
import { spotNear, spotOnFace } from '../face/skin-spot';
import { NEUTRAL_FACE, UV } from '../face/neutral';
import { column, transformDirection, composeMatrix, positionOf, transformPoint } from '../maths/matrix';
import { toOuter } from '../maths/pose';
import { fromAngles, rotate } from '../maths/quaternion';
import { distance, dot, normalise, pointAt, subtract, type Vec3 } from '../maths/vec3';
import type { TrackFrame } from '../tracking/track-frame';
import { headFactor } from '../face/head-factor';
import { localMatrix, lookingAt } from './local';
import { placesOf, type ObjectPlaces } from './places';
import { nextPresence, NOBODY } from './presence';
import { restState } from './rest';
import { handPoint } from '../hand/points';
import { box, effectWith, faceAt, frameOf, handAt, id, poseAt } from './testing';

const placesIn = (effect: Effect, frames: readonly TrackFrame[], aspect = 9 / 16): ObjectPlaces[] => {
  const program = compile(effect);
  const presence = frames.reduce((p, f) => nextPresence(p, f, program.targets), NOBODY);
  const here = { frame: frames.at(-1)!, presence, targets: program.targets, aspect };
  return placesOf(program, { ...restState(program), values: visibleOf(effect, program) }, here);
};
const visibleOf = (effect: Effect, program: ReturnType<typeof compile>) => (i: number) =>
  firstValues(effect, effect.objects[program.objects[i]!.id]!);
const at = (effect: Effect, frame: TrackFrame): Vec3[] =>
  placesIn(effect, [frame])[0]!.places.map((p) => positionOf(p.matrix));
const near = (a: Vec3, b: Vec3) => expect(distance(a, b)).toBeLessThan(1e-6);

const HEAD = poseAt([0.02, 0.01, -0.6], [5, 30, -8]);

describe('where anchors are', () => {
  test('on the head: at the feature point, turned with the head', () => {
    const effect = effectWith([box('a', headAnchor('chin'))]);
    const face = faceAt(3, HEAD);
    near(at(effect, frameOf({ faces: [face] }))[0]!, toOuter(HEAD, featurePoint(face.landmarks, 'chin')));
    expect(at(effect, frameOf())).toEqual([]);
  });
  test('on a hand: at the fingertip, turned with it, as large as the hand; on every hand, at each', () => {
    const pose = poseAt([0.1, -0.05, -0.5], [10, 40, -20]);
    const hand = handAt(5, pose, 1.3);
    const tip = handPoint(hand.landmarks, 'indexTip');
    const [place] = placesIn(effectWith([box('a', handAnchor('indexTip'))]), [frameOf({ hands: [hand] })])[0]!
      .places;
    near(positionOf(place!.matrix), toOuter(pose, tip.position));
    const along = transformDirection(place!.matrix, [0, 1, 0]);
    near(
      along,
      [0, 1, 2].map((k) => 1.3 * rotate(pose.rotation, rotate(tip.rotation, [0, 1, 0]))[k]!) as never,
    );
    const two = frameOf({ hands: [hand, handAt(6, poseAt([-0.2, 0, -0.5]))] });
    expect(at(effectWith([box('a', handAnchor('palm'))]), two)).toHaveLength(1);
    expect(at(effectWith([box('a', handAnchor('palm', 'every'))]), two)).toHaveLength(2);
    expect(at(effectWith([box('a', handAnchor('palm'))]), frameOf())).toEqual([]);
  });
  test('a hand keeps its place when another one goes or comes', () => {
    const [left, right] = [handAt(4, poseAt([-0.2, 0, -0.5])), handAt(7, poseAt([0.2, 0, -0.5]))];
    const effect = effectWith([box('a', handAnchor('wrist', 'every'))]);
    const instances = (...frames: TrackFrame[]) =>
      placesIn(effect, frames)[0]!.places.map((p) => [p.instance, p.hand!.id]);
    const both = frameOf({ hands: [left, right] });
    expect(instances(both)).toEqual([
      [0, 4],
      [1, 7],
    ]);
    expect(instances(both, frameOf({ hands: [right] }))).toEqual([[1, 7]]);
    expect(
      instances(both, frameOf({ hands: [right] }), frameOf({ hands: [right, handAt(9, left.pose)] })),
    ).toEqual([
      [0, 9],
      [1, 7],
    ]);
  });
  test('what hides as a hand lies where the hand is, whichever point it names', () => {
    const hand = handAt(5, poseAt([0.1, 0, -0.5], [0, 60, 0]), 1.2);
    const occluder = { ...newHandOccluder(id('hides'), 0), anchor: handAnchor('indexTip', 'every') };
    const [place] = placesIn(effectWith([occluder]), [frameOf({ hands: [hand] })])[0]!.places;
    near(positionOf(place!.matrix), hand.pose.position);
    expect(place!.hand).toBe(hand);
  });
  test('what grows with the head is as large as the head asks for', () => {
    const face = faceAt(1, HEAD, 1.2);
    expect(headFactor(face.landmarks)).toBeCloseTo(1.2, 6);
    const grows = headAnchor('crown');
    for (const [anchor, k] of [
      [grows, 1.2],
      [{ ...grows, grows: false } as Anchor, 1],
    ] as const) {
      const [place] = placesIn(effectWith([box('a', anchor)]), [frameOf({ faces: [face] })])[0]!.places;
      expect(Math.hypot(...column(place!.matrix, 0))).toBeCloseTo(k, 6);
    }
  });
  test('face 2, any face, every face', () => {
    const two = frameOf({ faces: [faceAt(5, poseAt([-0.1, 0, -0.7])), faceAt(6, poseAt([0.1, 0, -0.7]))] });
    const xs = (face: 1 | 2 | 3 | 'any' | 'every', frame = two) =>
      at(effectWith([box('a', { kind: 'head', face, point: 'headCentre', grows: false })]), frame).map(
        (p) => p[0],
      );
    expect(xs(1)).toEqual([-0.1]);
    expect(xs(2)).toEqual([0.1]);
    expect(xs(3)).toEqual([]);
    expect(xs('any')).toEqual([-0.1]);
    expect(xs('every')).toEqual([-0.1, 0.1]);
  });
  test('any face follows whoever is left', () => {
    const effect = effectWith([box('a', { kind: 'head', face: 'any', point: 'headCentre', grows: false })]);
    const first = frameOf({ faces: [faceAt(5, poseAt([-0.1, 0, -0.7])), faceAt(6, poseAt([0.1, 0, -0.7]))] });
    const left = frameOf({ faces: [faceAt(6, poseAt([0.1, 0, -0.7]))] });
    const { places } = placesIn(effect, [first, left])[0]!;
    expect(places.map((p) => [p.instance, positionOf(p.matrix)[0]])).toEqual([[0, 0.1]]);
  });
  test('on the skin: at the spot, out of the skin, and along when the mouth opens', () => {
    const spot = [0.5, 0.6] as const;
    const pose = spotOnFace(NEUTRAL_FACE, spot);
    expect(rotate(pose.rotation, [0, 0, 1])[2]).toBeGreaterThan(0.5);
    const open = Float32Array.from(NEUTRAL_FACE);
    for (let i = 1; i < open.length; i += 3) if (open[i]! < -0.03) open[i]! -= 0.02;
    const chin = [UV[2 * 152]!, UV[2 * 152 + 1]!] as const;
    near(spotOnFace(NEUTRAL_FACE, chin).position, pointAt(NEUTRAL_FACE, 152));
    near(spotOnFace(open, chin).position, pointAt(open, 152));
  });
  test('a spot is found again from its place', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.double({ min: 0.25, max: 0.8, noNaN: true }),
        (u, v) => {
          const { position } = spotOnFace(NEUTRAL_FACE, [u, v]);
          near(spotOnFace(NEUTRAL_FACE, spotNear(NEUTRAL_FACE, position)).position, position);
        },
      ),
      { numRuns: 40 },
    ));
  test('in the world: on the floor; on a wall upright and facing away from it', () => {
    const wall = {
      id: 2,
      kind: 'wall' as const,
      pose: poseAt([0, 0, -3], [90, 0, 0]),
      extent: [4, 2] as const,
    };
    const frame = frameOf({ surfaces: [...frameOf().surfaces, wall] });
    near(at(effectWith([box('a', { kind: 'world', surface: 'floor' })]), frame)[0]!, [0, -1.3, -2]);
    const hung = placesIn(effectWith([box('a', { kind: 'world', surface: 'wall' })]), [frame])[0]!.places[0]!;
    near(transformDirection(hung.matrix, [0, 0, 1]), [0, 0, 1]);
    near(transformDirection(hung.matrix, [0, 1, 0]), [0, 1, 0]);
    expect(at(effectWith([box('a', { kind: 'world', surface: 'table' })]), frame)).toEqual([]);
  });
  test('on the screen: pinned to its edges whatever its shape; the backdrop leaves nothing bare', () => {
    const on = (anchor: Anchor, aspect: number) =>
      placesIn(effectWith([box('a', anchor)]), [frameOf()], aspect)[0]!;
    near(positionOf(on({ kind: 'screen', pin: 'top' }, 0.5).places[0]!.matrix), [0, 0.08, 0]);
    near(positionOf(on({ kind: 'screen', pin: 'right' }, 0.5).places[0]!.matrix), [0.04, 0, 0]);
    expect(on({ kind: 'screen', pin: 'left' }, 0.5).layering).toBe('screen');
    for (const aspect of [0.4, 9 / 16, 1, 1.6]) {
      const { places, layering } = on({ kind: 'backdrop' }, aspect);
      expect(layering).toBe('backdrop');
      const k = column(places[0]!.matrix, 0)[0];
      expect(0.09 * k).toBeGreaterThanOrEqual(0.16 * aspect - 1e-9);
      expect(0.16 * k).toBeGreaterThanOrEqual(0.16 - 1e-9);
    }
  });
});

describe('a printed picture that is not seen', () => {
  const target = newTarget('target_card' as TargetId, 'Card', 0, null);
  const lies: Anchor = { kind: 'picture', target: target.id };
  const seen = frameOf({
    pictures: [{ id: 1, pose: poseAt([0.1, 0, -0.5]), width: 0.15, height: 0.2, confidence: 1 }],
  });
  const shown = (more: Partial<typeof target>, frames: TrackFrame[]) =>
    placesIn(effectWith([box('a', lies)], [{ ...target, ...more }]), frames)[0]!.places.map((p) =>
      positionOf(p.matrix),
    );
  test('before it was found: nothing, or its content in the middle of the view', () => {
    expect(shown({ beforeFound: 'nothing' }, [frameOf()])).toEqual([]);
    expect(shown({ beforeFound: 'hint' }, [frameOf()])).toEqual([]);
    const [floats] = shown({ beforeFound: 'content' }, [frameOf()]);
    expect(floats![0]).toBeCloseTo(0, 9);
    // 15 cm wide and 62 per cent of the view's width there.
    const across = 2 * Math.tan(Math.PI / 6) * (9 / 16) * -floats![2];
    expect(0.15 / across).toBeCloseTo(0.62, 6);
  });
  test('after it was lost: nothing, where it was, or in the middle of the view', () => {
    expect(shown({ afterLost: 'nothing' }, [seen, frameOf()])).toEqual([]);
    near(shown({ afterLost: 'stays' }, [seen, frameOf()])[0]!, [0.1, 0, -0.5]);
    expect(shown({ afterLost: 'content' }, [seen, frameOf()])[0]![0]).toBeCloseTo(0, 9);
    near(shown({ afterLost: 'nothing' }, [seen, frameOf(), seen])[0]!, [0.1, 0, -0.5]);
  });
});

describe('groups', () => {
  const floor: Anchor = { kind: 'world', surface: 'floor' };
  const group = (more: Partial<EffectObject>) =>
    ({ ...newGroup(id('group'), 'G', 0, floor), move: [0, 0, 0], ...more }) as EffectObject;
  test('carry what hangs in them, fade it, hide it, and decide its anchor', () => {
    const g = group({ move: [1, 0, 0], turn: [0, 90, 0], scale: [2, 2, 2], opacity: 0.5 } as never);
    const child = box('child', headAnchor('chin'), { parent: g.id, move: [0, 0, 1], opacity: 0.5 } as never);
    const [, place] = placesIn(effectWith([g, child]), [frameOf()]);
    near(positionOf(place!.places[0]!.matrix), [1 + 2, -1.3, -2]);
    expect(place!.places[0]!.opacity).toBe(0.25);
    const [, hidden] = placesIn(effectWith([{ ...g, visible: false }, child]), [frameOf()]);
    expect(hidden!.places).toEqual([]);
  });
  test('about its pivot an object turns and grows, and the pivot stays where it is placed', () =>
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -3, max: 3, noNaN: true }))), (v) => {
        const pivot = v as unknown as Vec3;
        const m = localMatrix({ move: [1, 2, 3], turn: [10, 200, -30], scale: [2, 3, 0.5] }, pivot);
        near(transformPoint(m, pivot), [1, 2, 3]);
      }),
    ));
});

describe('looking at the viewer', () => {
  const world = composeMatrix([1, 0.5, -2], fromAngles([30, 50, 10]), [2, 1, 1]);
  const eye: Vec3 = [0.3, 1, 0.5];
  const front = (look: LookAt['front']): Vec3 => {
    const v: [number, number, number] = [0, 0, 0];
    v['xyz'.indexOf(look[1]!)] = look[0] === '-' ? -1 : 1;
    return v;
  };
  test.each(FRONTS.map((f) => [f]))('with %s as its front, freely: it points at the eye', (f) => {
    const m = lookingAt(world, [0, 0, 0], { front: f, about: 'any' }, eye);
    const looks = normalise(transformDirection(m, front(f)));
    near(looks, normalise(subtract(eye, [1, 0.5, -2])));
    near(positionOf(m), positionOf(world));
  });
  test('about its own y alone: upright stays upright, and no turn brings it nearer', () => {
    const m = lookingAt(world, [0, 0, 0], { front: '+z', about: 'y' }, eye);
    near(normalise(column(m, 1)), normalise(column(world, 1)));
    const towards = subtract(eye, positionOf(m));
    expect(dot(column(m, 0), towards)).toBeCloseTo(0, 9);
    expect(dot(column(m, 2), towards)).toBeGreaterThan(0);
  });
  test('about its pivot: the pivot stays', () => {
    const pivot: Vec3 = [0.2, -0.4, 0.1];
    const m = lookingAt(world, pivot, { front: '+z', about: 'any' }, eye);
    near(transformPoint(m, pivot), transformPoint(world, pivot));
  });
  test('right at the eye, or straight along the axis, it stays as it is', () => {
    expect(lookingAt(world, [0, 0, 0], { front: '+z', about: 'any' }, [1, 0.5, -2])).toBe(world);
    expect(lookingAt(world, [0, 0, 0], { front: '+y', about: 'y' }, eye)).toBe(world);
  });
});
