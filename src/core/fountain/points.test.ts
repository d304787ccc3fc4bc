import { describe, expect, test } from '@jest/globals';
import { FIRST_TAKE } from '../takes/library';
import { pointAt, length, subtract, distance } from '../maths/vec3';
import { transformPoint } from '../maths/matrix';
import { NEUTRAL_FACE } from '../face/neutral';
import { FACE_AREAS } from '../document/schema';
import { facePoints, headBall } from './face-points';
import { lifeTable, LIFE_STEPS, lookAtAge } from './over-life';
import { MOST_POINTS, packPoints, unpackPoints } from './packed-points';
import { newParticles, stepParticles } from './particles';
import { surfacePoints } from './surface-points';
import { composeMatrix } from '../maths/matrix';
import { IDENTITY } from '../maths/quaternion';

describe('points on a surface', () => {
  // Two triangles of a square, and a sliver without area.
  const square = [0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 0, 0, 1, 1, 0, 0, 1, 0, 5, 5, 5, 5, 5, 5, 5, 5, 5];
  test('lie on it, evenly, the same every time', () => {
    const points = surfacePoints(square, 4000);
    expect(points).toEqual(surfacePoints(square, 4000));
    const quarters = [0, 0, 0, 0];
    for (let i = 0; i < 4000; i++) {
      const [x, y, z] = pointAt(points, i);
      expect(x >= 0 && x <= 1 && y >= 0 && y <= 1 && z === 0).toBe(true);
      quarters[(x > 0.5 ? 1 : 0) + (y > 0.5 ? 2 : 0)]!++;
    }
    for (const n of quarters) expect(Math.abs(n - 1000)).toBeLessThan(110);
  });
  test('none where there is no area', () => {
    expect(surfacePoints([], 5)).toHaveLength(0);
    expect(surfacePoints([1, 1, 1, 1, 1, 1, 1, 1, 1], 5)).toHaveLength(0);
    expect(surfacePoints([NaN, 0, 0, 1, 0, 0, 0, 1, 0], 5)).toHaveLength(0);
  });
  test('packed and unpacked they are the same to a thousandth of their reach', () => {
    const points = surfacePoints(square, 300);
    const back = unpackPoints(packPoints(points));
    expect(back).toHaveLength(900);
    points.forEach((x, i) => expect(Math.abs(x - back[i]!)).toBeLessThan(1e-3));
    expect(packPoints(surfacePoints(square, 5000)).length).toBeLessThan(20_000);
    expect(unpackPoints(packPoints(surfacePoints(square, 5000)))).toHaveLength(3 * MOST_POINTS);
  });
  test.each(['', '|', 'x|y', '1|%%%', '0.5', 'NaN|AAAA'])('what is no packed points is none: %j', (text) => {
    expect(unpackPoints(text)).toHaveLength(0);
  });
});

describe('points on a face', () => {
  test('every part has some, and they move with the face', () => {
    const moved = Float64Array.from(NEUTRAL_FACE, (x, i) => x + (i % 3 === 1 ? 0.5 : 0));
    for (const part of FACE_AREAS) {
      const points = facePoints(NEUTRAL_FACE, part);
      expect(points.length).toBeGreaterThan(100);
      const up = facePoints(moved, part);
      points.forEach((x, i) => expect(up[i]! - x).toBeCloseTo(i % 3 === 1 ? 0.5 : 0, 5));
    }
  });
  test('those of the mouth lie between the lips, those of the cheeks do not', () => {
    const lips = pointAt(NEUTRAL_FACE, 13);
    const far = (part: 'mouth' | 'cheeks'): number => {
      const points = facePoints(NEUTRAL_FACE, part);
      return Math.max(
        ...Array.from({ length: points.length / 3 }, (_, i) => length(subtract(pointAt(points, i), lips))),
      );
    };
    expect(far('mouth')).toBeLessThan(0.032);
    expect(far('cheeks')).toBeGreaterThan(0.05);
  });
});

describe('bouncing off the head', () => {
  const face = FIRST_TAKE.frameAt(0).faces[0]!;
  test('the ball holds the landmarks, about', () => {
    const ball = headBall(face)!;
    const nose = transformPoint(ball.into, transformPoint(ballOf(), pointAt(face.landmarks, 1)));
    expect(length(nose)).toBeGreaterThan(0.9);
    expect(length(nose)).toBeLessThan(1.5);
  });
  const ballOf = () => {
    const { position, rotation } = face.pose;
    return composeMatrix(position, rotation, [1, 1, 1]);
  };
  test('what falls on the crown never gets inside, and jumps', () => {
    const ball = headBall(face)!;
    const top = transformPoint(ball.matrix, [0, 1.6, 0]);
    const p = newParticles(4);
    const settings = {
      area: { kind: 'point' } as const,
      rate: 0,
      life: [9, 9] as const,
      speed: [0, 0] as const,
      spread: 0,
      gravity: 4,
      drag: 0,
      wind: [0, 0, 0] as const,
      turbulence: { strength: 0, size: 1 },
      spin: [0, 0] as const,
      bounce: null,
      faceBounce: 0.5,
      most: 4,
      seed: 1,
    };
    const now = {
      matrix: composeMatrix(top, IDENTITY, [1, 1, 1]),
      open: 0,
      burst: 1,
      points: null,
      floor: null,
      head: ball,
    };
    let rose = false;
    let before = Infinity;
    for (let i = 0; i < 200; i++) {
      stepParticles(p, settings, i === 0 ? now : { ...now, burst: 0 }, 1 / 60);
      const at = [p.x[0]!, p.y[0]!, p.z[0]!] as const;
      expect(length(transformPoint(ball.into, at))).toBeGreaterThan(0.999);
      if (at[1] > before + 1e-6) rose = true;
      before = at[1];
    }
    expect(rose).toBe(true);
    // Without it they fall through.
    const through = newParticles(4);
    let inside = false;
    for (let i = 0; i < 60; i++) {
      stepParticles(through, { ...settings, faceBounce: null }, i === 0 ? now : { ...now, burst: 0 }, 1 / 60);
      if (length(transformPoint(ball.into, [through.x[0]!, through.y[0]!, through.z[0]!])) < 0.9)
        inside = true;
    }
    expect(inside).toBe(true);
  });
});

describe('over the life of a particle', () => {
  const over = [
    { at: 0.25, size: 1, opacity: 0, colour: '#000000' },
    { at: 0.75, size: 3, opacity: 1, colour: '#ffffff' },
  ];
  test('straight between ages, colours as light, beyond the ends as there', () => {
    expect(lookAtAge(over, 0)).toMatchObject({ size: 1, opacity: 0, colour: '#000000' });
    expect(lookAtAge(over, 0.5)).toEqual({ size: 2, opacity: 0.5, colour: '#bcbcbc' });
    expect(lookAtAge(over, 1)).toMatchObject({ size: 3, opacity: 1 });
    expect(lookAtAge([...over].reverse(), 0.5)).toEqual(lookAtAge(over, 0.5));
  });
  test('two at one age: the later one counts from there', () => {
    const jump = [over[0]!, { ...over[1]!, at: 0.25 }, { ...over[1]!, size: 9 }];
    expect(lookAtAge(jump, 0.25)).toMatchObject({ size: 3 });
    for (let age = 0; age <= 1; age += 0.05) expect(Number.isFinite(lookAtAge(jump, age).size)).toBe(true);
  });
  test('the table says the same', () => {
    const table = lifeTable(over);
    expect(table.size[0]).toBe(1);
    expect(table.size[LIFE_STEPS - 1]).toBe(3);
    expect(distance([table.colour[0]!, table.colour[1]!, table.colour[2]!], [0, 0, 0])).toBe(0);
  });
});
