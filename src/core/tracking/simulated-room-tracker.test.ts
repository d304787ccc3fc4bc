/** A room as a phone would measure it: wrong by as much as real ones are, the same whenever it is tried. */
import { describe, expect, test } from '@jest/globals';
import { angleBetween, fromAngles } from '../maths/quaternion';
import type { Vec3 } from '../maths/vec3';
import { SHIPPED_TAKES } from '../takes/library';
import { surfaceError } from './compare';
import { SimulatedRoomTracker } from './simulated-room-tracker';
import type { TrackFrame } from './track-frame';

const take = SHIPPED_TAKES.find((t) => t.id === 'walk-floor')!;
const trackerOf = (seed: number) => new SimulatedRoomTracker(take.sceneAt, take.duration, seed);
const SEEDS = Array.from({ length: 40 }, (_, i) => i + 1);
const mean = (of: readonly number[]): number => of.reduce((sum, x) => sum + x, 0) / of.length;

/** A floor 1.4 m below a camera that is where `at` says, turned about the upright axis by `yaw`. */
const truthOf =
  (at: (time: number) => Vec3, yaw: (time: number) => number = () => 0) =>
  (time: number): Pick<TrackFrame, 'camera' | 'surfaces'> => ({
    camera: {
      pose: { position: at(time), rotation: fromAngles([0, yaw(time), 0]) },
      fovY: 60,
      aspect: 9 / 16,
    },
    surfaces: [
      { id: 1, kind: 'floor', pose: { position: [0, -1.4, -1], rotation: [0, 0, 0, 1] }, extent: [6, 6] },
    ],
  });
/** How far off what stands on the floor is seen at a moment, with each seed. */
const offAt = (truth: ReturnType<typeof truthOf>, time: number, duration = 20): (number | null)[] =>
  SEEDS.map((seed) => {
    const sight = new SimulatedRoomTracker(truth, duration, seed).at(time);
    const { camera, surfaces } = truth(time);
    return sight.surfaces[0]
      ? surfaceError(surfaces[0]!, camera.pose, sight.surfaces[0], sight.camera).position
      : null;
  });

describe('what it takes until a floor is found', () => {
  test('a phone that moves finds it at once, one that is held still later', () => {
    const found = (truth: ReturnType<typeof truthOf>): number => {
      const tracker = new SimulatedRoomTracker(truth, 10, 1);
      return Array.from({ length: 300 }, (_, i) => i / 30).find((t) => tracker.at(t).surfaces.length > 0)!;
    };
    expect(found(truthOf((t) => [0.3 * t, 0, 0]))).toBeCloseTo(0.5, 1);
    expect(found(truthOf(() => [0, 0, 0]))).toBeCloseTo(2.5, 1);
  });
  test('nothing is seen of it before, and the take as it is drawn stays as it is', () => {
    expect(trackerOf(1).at(0.1).surfaces).toEqual([]);
    expect(take.frameAt(0.1).surfaces).toHaveLength(1);
  });
});

describe('how far off it is', () => {
  test('some centimetres on a walk, never exact, and never far', () => {
    for (const seed of SEEDS) {
      const tracker = trackerOf(seed);
      for (const time of [3, 6, 9, 12]) {
        const { camera, surfaces } = take.frameAt(time);
        const sight = tracker.at(time);
        const { position, angle } = surfaceError(surfaces[0]!, camera.pose, sight.surfaces[0]!, sight.camera);
        expect(position).toBeGreaterThan(0.0005);
        expect(position).toBeLessThan(0.15);
        expect(angle).toBeGreaterThan(0.02);
        expect(angle).toBeLessThan(4);
      }
    }
  });
  test('the more is walked the more it has drifted: about one part in a hundred', () => {
    // To and fro, so that both end as far from where they began.
    const off = (metres: number): number =>
      mean(
        offAt(
          truthOf((t) => [(metres / 20) * (t % 2 < 1 ? t % 2 : 2 - (t % 2)), 0, 0]),
          16,
        ).map((x) => x!),
      );
    const [still, far] = [off(1), off(60)];
    expect(far).toBeGreaterThan(1.5 * still);
    expect(far).toBeLessThan(0.3);
  });
  test('a trembling from picture to picture of about a millimetre', () => {
    const tracker = new SimulatedRoomTracker(
      truthOf(() => [0, 0, 0]),
      20,
      3,
    );
    const steps = Array.from({ length: 300 }, (_, i) => {
      const [a, b] = [tracker.at(5 + i / 30), tracker.at(5 + (i + 1) / 30)];
      return Math.abs(a.camera.position[0] - b.camera.position[0]);
    });
    expect(mean(steps)).toBeGreaterThan(0.0005);
    expect(mean(steps)).toBeLessThan(0.002);
  });
  test('a wrong scale moves camera and floor alike: what is near one is seen where it is', () => {
    const sight = new SimulatedRoomTracker(
      truthOf((t) => [0.2 * t, 0, 0]),
      20,
      7,
    ).at(2);
    // The floor is as much too far below as all is too large; the height by itself is within 3 cm.
    const height = sight.camera.position[1] - sight.surfaces[0]!.pose.position[1];
    expect(Math.abs(height - 1.4)).toBeLessThan(0.2);
    expect(Math.abs(height - 1.4)).toBeGreaterThan(1e-4);
  });
});

describe('turned too fast', () => {
  const turning = truthOf(
    (t) => [0.2 * t, 0, 0],
    (t) => (t < 5 ? 0 : t < 5.4 ? 200 * (t - 5) : 80),
  );
  test('it is lost while pictures are blurred, and comes back with a jump', () => {
    const tracker = new SimulatedRoomTracker(turning, 20, 2);
    const seen = (t: number): boolean => tracker.at(t).surfaces.length > 0;
    expect([seen(4.9), seen(5.2), seen(5.7), seen(6.2)]).toEqual([true, false, false, true]);
    // Meanwhile it knows how it is turned, not where it is.
    const [a, b] = [tracker.at(5.3).camera, tracker.at(5.8).camera];
    expect(b.position).toEqual(a.position);
    expect(angleBetween(a.rotation, b.rotation)).toBeGreaterThan(15);
    const slowly = truthOf(
      (t) => [0.2 * t, 0, 0],
      (t) => Math.min(80, 16 * t),
    );
    const off = (truth: ReturnType<typeof truthOf>): number => mean(offAt(truth, 6.2).map((x) => x!));
    expect(off(turning)).toBeGreaterThan(off(slowly) + 0.003);
  });
  test('slowly turned it stays', () => {
    const tracker = new SimulatedRoomTracker(
      truthOf(
        (t) => [0.2 * t, 0, 0],
        (t) => 40 * t,
      ),
      9,
      2,
    );
    for (let t = 1; t < 9; t += 0.1) expect(tracker.at(t).surfaces).toHaveLength(1);
  });
});

describe('the same errors whenever it is tried', () => {
  test('in whatever order moments are asked for', () => {
    const [forth, back] = [trackerOf(5), trackerOf(5)];
    const times = [0.2, 3, 7.5, 11, 13.9];
    const there = times.map((t) => forth.at(t));
    expect([...times].reverse().map((t) => back.at(t))).toEqual([...there].reverse());
    expect(trackerOf(6).at(7.5)).not.toEqual(there[2]);
  });
  test('a take that goes round again is seen as at first', () => {
    const tracker = trackerOf(5);
    expect(tracker.at(take.duration + 3)).toBe(tracker.at(3));
  });
});
