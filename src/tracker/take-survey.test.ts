/** Every moment of a take is looked at once, in order; it can be ended, and lets go of what it made. */
import { beforeEach, expect, test } from '@jest/globals';
import { IconiaError } from '../core/errors';
import { SHIPPED_TAKES } from '../core/takes/library';
import { summaryOf, type SurveyMoment } from '../core/tracking/survey';
import type { TrackedPicture } from '../core/tracking/track-frame';
import { surveyTake, surveyTakes } from './take-survey';
import type { Tracker } from './tracker';

const take = SHIPPED_TAKES.find((t) => t.id === 'picture-leaving')!;
/** Trackers that nobody asks for. */
const unwanted = (): never => {
  throw new Error('Nobody needs it.');
};
const NONE = { faces: unwanted, hands: unwanted };
const PICTURE = { id: 1, name: 'Card', key: 'card', load: () => Promise.resolve(new Blob()), made: null };
beforeEach(() => void Object.assign(globalThis, { createImageBitmap: () => Promise.resolve({}) }));

const setup = () => {
  const drawn: number[] = [];
  const abort = new AbortController();
  const state = { disposed: 0, stopped: 0, failAfter: Infinity };
  const tracker: Tracker<readonly TrackedPicture[]> = {
    start: () => Promise.resolve(),
    // It says what is there, at rest before the camera.
    look: (_image, { time }) =>
      drawn.length > state.failAfter
        ? Promise.reject(new IconiaError('tracker.failed', 'It stopped.'))
        : Promise.resolve(take.frameAt(time).pictures),
    stop: () => void state.stopped++,
  };
  const moments: SurveyMoment[] = [];
  const shares: number[] = [];
  const run = (onMoment: () => void = () => {}) =>
    surveyTake(
      take,
      {
        draw: (frame) => {
          drawn.push(frame.time);
          return { width: 36, height: 64 } as OffscreenCanvas;
        },
        dispose: () => void state.disposed++,
      },
      { faces: 0, hands: 0, pictures: [PICTURE], surfaces: [] },
      {
        signal: abort.signal,
        onMoment: (moment, share) => {
          moments.push(moment);
          shares.push(share);
          onMoment();
        },
        make: { ...NONE, pictures: () => tracker },
      },
    );
  return { run, drawn, moments, shares, state, abort };
};

test('from the beginning to the end, found wherever it is in sight', async () => {
  const { run, moments, shares, state } = setup();
  await run();
  expect(moments).toHaveLength(72);
  expect(moments.map((m) => m.time)).toEqual([...moments].map((m) => m.time).sort((a, b) => a - b));
  expect(shares.at(-1)).toBe(1);
  for (const { pictures } of moments) expect(pictures.found).toBe(pictures.inSight);
  expect(moments.some((m) => m.pictures.inSight === 0)).toBe(true);
  expect([state.disposed, state.stopped > 0]).toEqual([1, true]);
});
test('a room is measured by the simulated tracker, without a picture drawn: not found at first, then a little off', async () => {
  const walk = SHIPPED_TAKES.find((t) => t.id === 'walk-floor')!;
  const moments: SurveyMoment[] = [];
  await surveyTake(
    walk,
    { draw: () => unwanted(), dispose: () => {} },
    { faces: 0, hands: 0, pictures: [], surfaces: ['floor'] },
    { signal: new AbortController().signal, onMoment: (moment) => moments.push(moment) },
  );
  expect(moments).toHaveLength(84);
  for (const { surfaces } of moments) expect(surfaces.inSight).toBe(1);
  const lost = moments.filter((m) => m.surfaces.found === 0).map((m) => m.time);
  expect([lost[0], lost.length > 2, Math.max(...lost) < 3]).toEqual([0, true, true]);
  const { median, worst } = summaryOf(moments, 'surfaces', 'position');
  expect(median).toBeGreaterThan(0.001);
  expect(worst).toBeLessThan(0.15);
});
test('ended half-way nothing more is looked at, and all is let go', async () => {
  const { run, moments, state, abort } = setup();
  await run(() => {
    if (moments.length === 5) abort.abort();
  });
  expect(moments).toHaveLength(5);
  expect([state.disposed, state.stopped > 0]).toEqual([1, true]);
});
test('a tracker that stops ends it with its sentence', async () => {
  const { run, moments, state } = setup();
  state.failAfter = 3;
  await expect(run()).rejects.toMatchObject({ code: 'tracker.failed', message: 'It stopped.' });
  expect([moments.length, state.disposed]).toEqual([3, 1]);
});

test('several takes by the same trackers: each is let go after it, each moment looked at until it is settled', async () => {
  const started: string[] = [];
  const drawings: string[] = [];
  let looks = 0;
  const tracker: Tracker<readonly TrackedPicture[]> = {
    start: () => Promise.resolve(void started.push('tracker')),
    look: () => Promise.resolve(void looks++).then(() => []),
    stop: () => {},
  };
  const done: [number, number][] = [];
  await surveyTakes(
    [take, take],
    ({ id }) => {
      drawings.push(`made ${id}`);
      return {
        draw: () => ({ width: 36, height: 64 }) as OffscreenCanvas,
        dispose: () => void drawings.push('let go'),
      };
    },
    { faces: 0, hands: 0, pictures: [PICTURE], surfaces: [] },
    {
      signal: new AbortController().signal,
      onTake: (index, moments) => done.push([index, moments.length]),
      make: { ...NONE, pictures: () => tracker },
    },
  );
  expect(started).toEqual(['tracker']);
  expect(drawings).toEqual(['made picture-leaving', 'let go', 'made picture-leaving', 'let go']);
  expect(done).toEqual([
    [0, 12],
    [1, 12],
  ]);
  expect(looks).toBe(2 * 12 * 3);
});
