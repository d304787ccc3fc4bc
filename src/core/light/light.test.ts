import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blankEffect } from '../document/defaults';
import { newLight } from '../kinds/objects/light';
import { after, FLOOR } from '../edits/testing';
import type { Light, ObjectId } from '../document/schema';
import { NEUTRAL_FACE } from '../face/neutral';
import { fromAngles, rotate } from '../maths/quaternion';
import { dot, normalise, type Vec3 } from '../maths/vec3';
import { estimateOf, levelOf, shadeOf, slopeOf, type ShadeSample } from './camera-shade';
import { anglesOf, directionFrom, turnTowards } from './direction';
import { SteadyLight, type FoundLight } from './steady-light';
import { faceSamples, meanOf, type SmallPicture } from './face-samples';
import { landmarkNormals } from '../face/landmark-normals';
import { matchLight } from '../edits/match-light';

const unitVector = fc
  .tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }))
  .map(([z, turn]): Vec3 => {
    const r = Math.sqrt(1 - z * z);
    return [r * Math.cos(turn), z, r * Math.sin(turn)];
  });

describe('where a light comes from', () => {
  test.each([
    [0, 0, [0, 0, 1]],
    [90, 0, [1, 0, 0]],
    [-90, 0, [-1, 0, 0]],
    [30, 90, [0, 1, 0]],
    [180, 0, [0, 0, -1]],
  ])('side %d, height %d', (side, height, wanted) => {
    directionFrom({ side, height }).forEach((x, i) => expect(x).toBeCloseTo(wanted[i]!, 9));
  });
  test('angles and turns lead back to the direction', () => {
    fc.assert(
      fc.property(unitVector, (direction) => {
        const back = directionFrom(anglesOf(direction));
        const turned = rotate(fromAngles(turnTowards(direction)), [0, 1, 0]);
        direction.forEach((x, i) => {
          expect(back[i]).toBeCloseTo(x, 5);
          expect(turned[i]).toBeCloseTo(x, 5);
        });
      }),
    );
  });
});

/** What a half of a ball that faces the viewer sends under a light. */
const ballUnder = (light: Vec3, all: number): ShadeSample[] => {
  const samples: ShadeSample[] = [];
  for (let i = 0; i < 300; i++) {
    const [u, v] = [((i * 0.618034) % 1) * 2 * Math.PI, (i + 0.5) / 300];
    const r = Math.sqrt(1 - v * v);
    const normal: Vec3 = [r * Math.cos(u), r * Math.sin(u), v];
    samples.push({ normal, light: 0.4 * (all + Math.max(0, dot(normal, light))) });
  }
  return samples;
};

describe('the light of the camera picture', () => {
  test('a lamp is found where it is, within 15 degrees, on the half that is seen', () => {
    for (const [side, height] of [
      [60, 20],
      [-70, 40],
      [0, 65],
      [35, -30],
    ] as const) {
      const light = directionFrom({ side, height });
      const found = normalise(slopeOf(ballUnder(light, 0.4)));
      expect((Math.acos(Math.min(1, dot(found, light))) * 180) / Math.PI).toBeLessThan(20);
    }
  });
  test.each([
    ['from before', 10, 10],
    ['from the side', 75, 15],
    ['from above', -20, 60],
    ['from the other side, low', -60, -10],
  ])('on a face a lamp %s is found within 20 degrees', (_, side, height) => {
    const light = directionFrom({ side, height });
    const normals = landmarkNormals(Float32Array.from({ length: 478 * 3 }, (_, i) => NEUTRAL_FACE[i] ?? 0));
    const samples = Array.from({ length: 468 }, (_, i): ShadeSample => {
      const normal = normalise([normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!]);
      return { normal, light: 0.35 + 0.5 * Math.max(0, dot(normal, light)) };
    }).filter(({ normal }) => normal[2] > 0.25);
    const { direction } = estimateOf(slopeOf(samples), [0.5, 0.5, 0.5]);
    expect((Math.acos(Math.min(1, dot(direction, light))) * 180) / Math.PI).toBeLessThan(20);
  });
  test('even light has no side; too few samples give the usual', () => {
    const even = ballUnder([0, 0, 1], 0).map((s) => ({ ...s, light: 0.3 }));
    expect(Math.hypot(...slopeOf(even))).toBeLessThan(0.02);
    expect(slopeOf(even.slice(0, 10))[1]).toBeGreaterThan(0);
  });
  test('brows and glints do not turn it', () => {
    const light = directionFrom({ side: 60, height: 20 });
    const clean = slopeOf(ballUnder(light, 0.4));
    const dirty = slopeOf(
      ballUnder(light, 0.4).map((s, i) => (i % 14 === 0 ? { ...s, light: i % 28 === 0 ? 3 : 0 } : s)),
    );
    expect(dot(normalise(clean), normalise(dirty))).toBeGreaterThan(0.97);
  });
  test('dark pictures are dim, warm ones warm; a white sheet stays below white', () => {
    expect(levelOf([0.2, 0.2, 0.2]).brightness).toBeLessThan(levelOf([0.5, 0.5, 0.5]).brightness);
    const { tint } = levelOf([0.6, 0.5, 0.35]);
    expect(tint[0]).toBeGreaterThan(tint[2]);
    expect(estimateOf([0.3, 0.2, 0.1], [0.6, 0.5, 0.35]).colour).toMatch(/^#ff/);
    const { all } = shadeOf([0, 0, 0], [0.5, 0.5, 0.5]);
    expect(Math.max(...all)).toBeLessThan(1);
  });
});

describe('a face as samples', () => {
  const landmarks = Float32Array.from({ length: 478 * 3 }, (_, i) => NEUTRAL_FACE[i] ?? 0);
  const face = {
    id: 1,
    pose: { position: [0, 0, -0.5], rotation: [0, 0, 0, 1] },
    landmarks,
    expressions: {},
    confidence: 1,
  } as const;
  test('its tip of the nose faces the viewer, its cheeks aside', () => {
    const normals = landmarkNormals(landmarks);
    const of = (i: number): Vec3 => normalise([normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!]);
    expect(of(1)[2]).toBeGreaterThan(0.6);
    expect(of(234)[0] * of(454)[0]).toBeLessThan(0);
  });
  test('each sample holds what the picture has there', () => {
    // White on its right half, black on the left.
    const [width, height] = [32, 32];
    const data = new Uint8Array(4 * width * height);
    for (let i = 0; i < width * height; i++) data.fill(i % width < width / 2 ? 0 : 255, 4 * i, 4 * i + 4);
    const picture: SmallPicture = { width, height, data };
    const samples = faceSamples(face, picture, [0, 0, 0], ([x, y]) => [0.5 + 3 * x, 0.5 + 3 * y]);
    expect(samples.length).toBeGreaterThan(200);
    expect(slopeOf(samples)[0]).toBeGreaterThan(0.2);
    expect(meanOf(picture)).toEqual([0.5, 0.5, 0.5]);
  });
});

describe('matching', () => {
  const estimate = {
    direction: directionFrom({ side: -40, height: 35 }),
    colour: '#ffe8cc',
    brightness: 0.3,
  };
  const ids = () => {
    let n = 0;
    return (): ObjectId => `obj_light${n++}` as ObjectId;
  };
  const lightsOf = (effect: ReturnType<typeof blankEffect>) =>
    Object.values(effect.objects).filter((o): o is Light => o.kind === 'light');
  test('adds what is missing, half as bright in a dim room, from where the light comes', () => {
    const effect = after(blankEffect('x'), matchLight(blankEffect('x'), estimate, ids()));
    const lights = lightsOf(effect);
    expect(lights.map((l) => l.light).sort()).toEqual(['ambient', 'directional', 'surroundings']);
    const sun = lights.find((l) => l.light === 'directional')!;
    expect(sun).toMatchObject({ strength: 0.5, colour: '#ffe8cc' });
    rotate(fromAngles(sun.turn), [0, 1, 0]).forEach((x, i) =>
      expect(x).toBeCloseTo(estimate.direction[i]!, 5),
    );
  });
  test('changes those that are there, and adds no second', () => {
    const own = { ...newLight('obj_mine' as ObjectId, 'directional', 0, FLOOR), name: 'Mine', shadows: true };
    const before = { ...blankEffect('x'), objects: { [own.id]: own } };
    const once = after(before, matchLight(before, estimate, ids()));
    expect(lightsOf(once)).toHaveLength(3);
    expect(once.objects[own.id]).toMatchObject({ name: 'Mine', shadows: true, anchor: FLOOR, strength: 0.5 });
    const twice = after(once, matchLight(once, { ...estimate, brightness: 0.6 }, ids()));
    expect(lightsOf(twice)).toHaveLength(3);
    expect(twice.objects[own.id]).toMatchObject({ strength: 1 });
  });
});

describe('light over time', () => {
  const left: FoundLight = { slope: [-0.6, 0.2, 0.1], mean: [0.4, 0.4, 0.4] };
  const right: FoundLight = { slope: [0.6, 0.2, 0.1], mean: [0.6, 0.5, 0.4] };
  test('trembles by less than a third of what single pictures say, and is there in a second when a lamp is switched', () => {
    const steady = new SteadyLight();
    const noise = (i: number) => (i % 2 === 0 ? 0.1 : -0.1);
    const seen = Array.from({ length: 60 }, (_, i) =>
      steady.next({ ...left, slope: [-0.6 + noise(i), 0.2, 0.1] }, i / 15),
    ).slice(30);
    const xs = seen.map((f) => f.slope[0]);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(0.2 / 3);
    let last = steady.next(left, 4);
    for (let i = 1; i <= 15; i++) last = steady.next(right, 4 + i / 15);
    expect(last.slope[0]).toBeGreaterThan(0.45);
    expect(last.mean[0]).toBeGreaterThan(0.57);
  });
  test('the pace is the same at any frame rate', () => {
    const after = (rate: number): number => {
      const steady = new SteadyLight();
      let last = steady.next(left, 0);
      for (let i = 1; i <= rate / 2; i++) last = steady.next(right, i / rate);
      return last.slope[0];
    };
    expect(after(5 * 2)).toBeCloseTo(after(60), 6);
  });
  test('another picture begins anew: after a pause, back in time, or when it is said', () => {
    const steady = new SteadyLight();
    steady.next(left, 5);
    expect(steady.next(right, 6.5)).toEqual(right);
    expect(steady.next(left, 2)).toEqual(left);
    steady.forget();
    expect(steady.next(right, 2.1)).toEqual(right);
    expect(steady.next(left, 2.1)).toEqual(right);
  });
});
