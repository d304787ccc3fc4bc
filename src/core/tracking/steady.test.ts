/** What jitters is smoothed, what moves is hardly late, and what is lost fades: in figures. */
import { describe, expect, test } from '@jest/globals';
import { angleBetween, fromAngles } from '../maths/quaternion';
import { Random } from '../maths/random';
import { FIRST_TAKE } from '../takes/library';
import { OneEuro } from './one-euro';
import { Steady } from './steady';
import type { TrackedFace } from './track-frame';

/** As a tracker gives pictures on a good phone. */
const RATE = 30;
const deviation = (list: readonly number[]): number => {
  const mean = list.reduce((a, b) => a + b, 0) / list.length;
  return Math.sqrt(list.reduce((sum, v) => sum + (v - mean) ** 2, 0) / list.length);
};
const someone = FIRST_TAKE.frameAt(0).faces[0]!;
const faceAt = (x: number, more: Partial<TrackedFace> = {}): TrackedFace => ({
  ...someone,
  pose: { ...someone.pose, position: [x, 0, -0.5] },
  ...more,
});

describe('the filter', () => {
  test('what is still jitters by less than half', () => {
    const random = new Random(4);
    const filter = new OneEuro(1, { still: 2.2, rise: 40 });
    const [raw, out]: [number[], number[]] = [[], []];
    for (let i = 0; i < 400; i++) {
      raw.push(0.0015 * random.normal());
      out.push(filter.filter([raw.at(-1)!], i === 0 ? 0 : 1 / RATE)[0]!);
    }
    expect(deviation(out.slice(50))).toBeLessThan(0.5 * deviation(raw.slice(50)));
  });
  test('the formula of the paper: one step, worked out by hand', () => {
    const filter = new OneEuro(1, { still: 1, rise: 0.5 });
    filter.filter([0], 0);
    // Speed 10 a second; at 1 Hz and a tenth of a second its share is 1 / (1 + 1 / (2 pi 0.1)) = 0.3859.
    const alpha = (cutoff: number) => 1 / (1 + 1 / (2 * Math.PI * cutoff * 0.1));
    expect(filter.filter([1], 0.1)[0]).toBeCloseTo(alpha(1 + 0.5 * alpha(1) * 10), 12);
  });
  test('points move by themselves: one that is still stays smooth beside one that runs', () => {
    const filter = new OneEuro(3, { still: 1, rise: 50 });
    filter.filter([0, 0, 0, 0, 0, 0], 0);
    for (let i = 1; i <= 10; i++) filter.filter([i / 10, 0, 0, 0, 0, 0], 1 / RATE);
    const [runs, , , still] = filter.filter([1.1, 0, 0, 0.01, 0, 0], 1 / RATE);
    expect(runs).toBeGreaterThan(1.09);
    expect(still).toBeLessThan(0.005);
  });
});

describe('faces made steady', () => {
  test('a head that moves at 30 cm a second lags by less than 25 ms, one that turns at 90 degrees a second too', () => {
    const steady = new Steady<TrackedFace>();
    let last = steady.next([faceAt(0)], 0)[0]!;
    for (let i = 1; i <= 60; i++) {
      const t = i / RATE;
      const rotation = fromAngles([0, 90 * t - 90, 0]);
      [last] = steady.next([faceAt(0, { pose: { position: [0.3 * t, 0, -0.5], rotation } })], t) as [
        TrackedFace,
      ];
    }
    expect((0.6 - last.pose.position[0]) / 0.3).toBeLessThan(0.025);
    expect(angleBetween(last.pose.rotation, fromAngles([0, 90, 0])) / 90).toBeLessThan(0.025);
  });
  test('trembling of 1.5 mm and of half a degree is halved at least', () => {
    const random = new Random(9);
    const steady = new Steady<TrackedFace>();
    const [raw, out, turned, smooth]: number[][] = [[], [], [], []] as never;
    for (let i = 0; i < 300; i++) {
      raw!.push(0.0015 * random.normal());
      turned!.push(0.5 * random.normal());
      const rotation = fromAngles([0, turned!.at(-1)!, 0]);
      const [face] = steady.next(
        [faceAt(0, { pose: { position: [raw!.at(-1)!, 0, -0.5], rotation } })],
        i / RATE,
      );
      out!.push(face!.pose.position[0]);
      smooth!.push(angleBetween(face!.pose.rotation, [0, 0, 0, 1]));
    }
    expect(deviation(out!.slice(30))).toBeLessThan(0.5 * deviation(raw!.slice(30)));
    const mean = (list: readonly number[]) => list.reduce((a, b) => a + Math.abs(b), 0) / list.length;
    expect(mean(smooth!.slice(30))).toBeLessThan(0.6 * mean(turned!.slice(30)));
  });
  test('a blink of a fifth of a second is seen whole', () => {
    const steady = new Steady<TrackedFace>();
    const blink = [0, 0.4, 1, 1, 0.4, 0, 0];
    const seen = [...Array.from({ length: 10 }, () => 0), ...blink].map(
      (v, i) =>
        steady.next([faceAt(0, { expressions: { eyeBlinkLeft: v } })], i / RATE)[0]!.expressions
          .eyeBlinkLeft!,
    );
    expect(Math.max(...seen)).toBeGreaterThan(0.85);
    expect(seen.at(-1)).toBeLessThan(0.2);
  });
  test('landmarks that jitter by a millimetre are calmer; the other way round of a turn is the same turn', () => {
    const random = new Random(3);
    const steady = new Steady<TrackedFace>();
    const [raw, out]: [number[], number[]] = [[], []];
    for (let i = 0; i < 60; i++) {
      const landmarks = someone.landmarks.slice(0, 30).map((v) => v + 0.001 * random.normal());
      const sign = i % 2 ? 1 : -1;
      const rotation = fromAngles([0, 10, 0]).map((v) => sign * v) as never;
      const [face] = steady.next(
        [faceAt(0, { landmarks, pose: { position: [0, 0, -0.5], rotation } })],
        i / RATE,
      );
      raw.push(landmarks[0]!);
      out.push(face!.landmarks[0]!);
      expect(angleBetween(face!.pose.rotation, fromAngles([0, 10, 0]))).toBeLessThan(1e-4);
    }
    expect(deviation(out.slice(10))).toBeLessThan(0.6 * deviation(raw.slice(10)));
  });
});

describe('coming and going', () => {
  test('whoever is there at the beginning is there at once; whoever comes fades in, whoever is lost fades out', () => {
    const steady = new Steady<TrackedFace>();
    expect(steady.next([faceAt(0)], 0)[0]!.fade).toBeUndefined();
    const comes = faceAt(0.3, { id: 8 });
    const fades = [0.04, 0.08, 0.16].map(
      (t) => steady.next([faceAt(0), comes], t).find((f) => f.id === 8)!.fade,
    );
    expect(fades[0]).toBeCloseTo(0.04 / 0.12, 6);
    expect(fades[1]).toBeCloseTo(0.08 / 0.12, 6);
    expect(fades[2]).toBeUndefined();
    const goes = [0.2, 0.3, 0.38].map((t) => steady.next([faceAt(0)], t).find((f) => f.id === 8)?.fade);
    expect(goes[0]).toBeCloseTo(1 - 0.04 / 0.25, 6);
    expect(goes[1]).toBeCloseTo(1 - 0.14 / 0.25, 6);
    expect(steady.next([faceAt(0)], 0.5).map((f) => f.id)).toEqual([someone.id]);
  });
  test('one that is lost for a picture does not flicker', () => {
    const steady = new Steady<TrackedFace>();
    for (let i = 0; i < 10; i++) steady.next([faceAt(0)], i / RATE);
    const [held] = steady.next([], 10 / RATE);
    expect(held!.fade).toBeGreaterThan(0.8);
    expect(held!.pose.position[0]).toBeCloseTo(0, 6);
    expect(steady.next([faceAt(0)], 11 / RATE)[0]!.fade).toBeUndefined();
  });
  test('a time that goes back, or a long gap, begins anew', () => {
    const steady = new Steady<TrackedFace>();
    for (let i = 0; i < 10; i++) steady.next([faceAt(0)], 5 + i / RATE);
    const [back] = steady.next([faceAt(0.2, { id: 9 })], 1);
    expect([back!.pose.position[0], back!.fade]).toEqual([0.2, undefined]);
    expect(steady.next([], 3)).toEqual([]);
  });
  test('the same moment again is taken as it is seen', () => {
    const steady = new Steady<TrackedFace>();
    steady.next([faceAt(0)], 1);
    expect(steady.next([faceAt(0.1)], 1)[0]!.pose.position[0]).toBe(0.1);
  });
});
