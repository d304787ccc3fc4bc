/** Expressions are recovered from landmarks that tremble, and none is seen on a face that only turns. */
import { describe, expect, test } from '@jest/globals';
import { fromAngles } from '../maths/quaternion';
import { Random } from '../maths/random';
import { FITTED_EXPRESSIONS } from '../tracking/expression-names';
import type { Expressions } from '../tracking/track-frame';
import { ExpressionFit } from './expression-fit';
import { unpackExpressionModel } from './expression-model';
import { EXPRESSION_MODEL } from './expression-model.data';
import { displacementOf, type MovableExpression } from './expressions';
import { ALL_LANDMARKS, FACE_LANDMARKS } from './landmarks';
import { NEUTRAL_FACE } from './neutral';

const model = unpackExpressionModel(EXPRESSION_MODEL);
const AHEAD = fromAngles([0, 0, 0]);
const RESTS: Expressions = { jawOpen: 0, eyeBlinkLeft: 0.1, eyeBlinkRight: 0.05 };

/** The tracker's landmarks follow a face about half of the way. */
const FOLLOWS = 0.55;
/** A face that is broader than most, with expressions; each landmark trembles by `noise` metres. */
const landmarks = (face: Expressions, noise: number, random: Random): Float32Array => {
  const points = new Float32Array(3 * ALL_LANDMARKS);
  for (let i = 0; i < 3 * FACE_LANDMARKS; i++)
    points[i] = NEUTRAL_FACE[i]! * (i % 3 === 0 ? 1.06 : 1) + noise * (random.next() + random.next() - 1);
  for (const [name, strength] of Object.entries(face)) {
    const moves = displacementOf(name as MovableExpression);
    for (let i = 0; i < 3 * FACE_LANDMARKS; i++) points[i]! += FOLLOWS * strength * moves[i]!;
  }
  return points;
};
const NOISE = 0.0003;
/** A face that was seen at rest for a while. */
const known = (random: Random): ExpressionFit => {
  const fit = new ExpressionFit(model);
  for (let n = 0; n < 20; n++) fit.next(landmarks({}, NOISE, random), AHEAD, RESTS);
  return fit;
};

describe('a face that is known at rest', () => {
  test.each([
    ['eyeBlinkLeft'],
    ['browInnerUp'],
    ['browDownLeft', 'browDownRight'],
    ['mouthFrownLeft', 'mouthFrownRight'],
    ['mouthRight'],
    ['jawLeft'],
  ] as const)('%s %s is told, and hardly anything else', (...names) => {
    const random = new Random(4);
    const fit = known(random);
    const strengths = [0.4, 0.8].map((strength) => {
      const face = Object.fromEntries(names.map((name) => [name, strength]));
      return fit.next(landmarks(face, NOISE, random), AHEAD, RESTS);
    });
    for (const name of names) {
      const [weak, strong] = strengths.map((told) => told[name]!);
      expect(strong).toBeGreaterThan(0.45);
      expect(weak).toBeLessThan(strong! - 0.1);
      expect(Math.abs(strong! - 0.8)).toBeLessThan(0.35);
    }
    // The tracker's landmarks do not quite move as the face does here.
    for (const other of FITTED_EXPRESSIONS)
      if (!names.some((name) => name === other))
        expect([other, strengths[1]![other]! < 0.4]).toEqual([other, true]);
  });
  test('at rest nothing is seen, and what distances tell of the jaw stays', () => {
    const random = new Random(5);
    const told = known(random).next(landmarks({}, NOISE, random), AHEAD, { ...RESTS, jawOpen: 0.6 });
    expect(told.jawOpen).toBe(0.6);
    for (const name of FITTED_EXPRESSIONS) expect(told[name]).toBeLessThan(0.1);
  });
  test('the more a head is turned, the more it takes to be believed', () => {
    const random = new Random(6);
    // What a turn does to landmarks is left out, so that only the doubt differs.
    const fit = new ExpressionFit({ ...model, turned: new Float64Array(model.turned.length) });
    for (let n = 0; n < 20; n++) fit.next(landmarks({}, NOISE, random), AHEAD, RESTS);
    const [ahead, aside] = [0, 35].map(
      (yaw) =>
        fit.next(landmarks({ browDownLeft: 0.6 }, 0, random), fromAngles([0, yaw, 0]), RESTS).browDownLeft!,
    );
    expect(ahead).toBeGreaterThan(0.25);
    expect(aside).toBeLessThan(ahead! - 0.1);
  });
  test('values stay between 0 and 1, whatever is seen', () => {
    const random = new Random(7);
    const fit = known(random);
    for (let n = 0; n < 10; n++)
      for (const value of Object.values(fit.next(landmarks({}, 0.02, random), AHEAD, RESTS))) {
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(1);
      }
  });
  test('who is seen another way from then on is known again after a while', () => {
    const random = new Random(8);
    const fit = known(random);
    const look = (): number =>
      fit.next(landmarks({ mouthFrownLeft: 0.7 }, NOISE, random), AHEAD, RESTS).mouthFrownLeft!;
    const first = look();
    for (let n = 0; n < 900; n++) look();
    expect(first).toBeGreaterThan(0.3);
    expect(look()).toBeLessThan(0.5 * first);
  });
});

describe('a face that is not known yet', () => {
  test('is read by distances alone, and what they do not tell is not there', () => {
    const random = new Random(9);
    const told = new ExpressionFit(model).next(landmarks({ browDownLeft: 1 }, 0, random), AHEAD, RESTS);
    expect(told).toMatchObject({ ...RESTS, browDownLeft: 0, jawLeft: 0 });
  });
  test('one that never rests, or only turned away, never is', () => {
    const random = new Random(10);
    const fit = new ExpressionFit(model);
    for (let n = 0; n < 30; n++) {
      fit.next(landmarks({}, NOISE, random), AHEAD, { ...RESTS, mouthSmileLeft: 0.8 });
      fit.next(landmarks({}, NOISE, random), fromAngles([0, 25, 0]), RESTS);
    }
    expect(fit.isCalibrated).toBe(false);
  });
});
