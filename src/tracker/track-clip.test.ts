/** A clip is tracked picture by picture; whatever breaks is said, and nothing of it is kept then. */
import { beforeEach, expect, test } from '@jest/globals';
import { CLIP_RATE, LONGEST_CLIP } from '../core/takes/clip';
import { IconiaError } from '../core/errors';
import { FIRST_TAKE } from '../core/takes/library';
import { trackClip, type ClipSource } from './track-clip';
import type { Tracker } from './tracker';
import type { TrackedFace } from '../core/tracking/track-frame';

const face = FIRST_TAKE.frameAt(0).faces[0]!;
const NEEDS = { faces: 1, hands: 0, pictures: [], people: false };
const unwanted = (): never => {
  throw new Error('Nobody needs it.');
};
let looks: number[];
let stopped: number;
beforeEach(() => {
  looks = [];
  stopped = 0;
  Object.assign(globalThis, { createImageBitmap: () => Promise.resolve({}) });
});
const makers = (look: (time: number) => readonly TrackedFace[]) => ({
  faces: (): Tracker<readonly TrackedFace[]> => ({
    start: () => Promise.resolve(),
    look: (_image, { time }) => {
      looks.push(time);
      return Promise.resolve().then(() => look(time));
    },
    stop: () => stopped++,
  }),
  hands: unwanted,
  pictures: unwanted,
});
const sourceOf = (duration: number, gives = Infinity): ClipSource => ({
  width: 480,
  height: 640,
  duration,
  pictures: async function* (times) {
    for (const time of times.slice(0, gives)) yield { time } as unknown as OffscreenCanvas;
  },
});
const keep = (picture: unknown): Promise<Blob> => Promise.resolve({ of: picture } as unknown as Blob);

test('each picture in its turn, with what was in it, and how far it is', async () => {
  const shares: number[] = [];
  const { frames, pictures } = await trackClip(sourceOf(1), NEEDS, {
    signal: new AbortController().signal,
    onProgress: (share) => shares.push(share),
    make: makers((time) => (time < 0.5 ? [] : [face])),
    keep,
  });
  expect([frames.length, pictures.length]).toEqual([CLIP_RATE, CLIP_RATE]);
  expect(looks).toEqual(Array.from({ length: CLIP_RATE }, (_, i) => i / CLIP_RATE));
  expect(frames.map((f) => f.faces.length)).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1]);
  expect(frames[3]!.camera.aspect).toBe(0.75);
  expect(shares.at(-1)).toBe(1);
  expect(stopped).toBe(1);
});
test('of twenty minutes the first minute; of a moment one picture', async () => {
  let asked = 0;
  const long: ClipSource = {
    ...sourceOf(20 * 60),
    pictures: async function* (times) {
      asked = times.length;
      yield {} as OffscreenCanvas;
    },
  };
  const options = {
    signal: new AbortController().signal,
    onProgress: () => {},
    make: makers(() => []),
    keep,
  };
  await trackClip(long, NEEDS, options);
  expect(asked).toBe(LONGEST_CLIP * CLIP_RATE);
  expect((await trackClip(sourceOf(0.01), NEEDS, options)).frames).toHaveLength(1);
});
test('cancelled, it ends at once and lets the trackers go', async () => {
  const abort = new AbortController();
  const waiting = trackClip(sourceOf(10), NEEDS, {
    signal: abort.signal,
    onProgress: (share) => {
      if (share > 0.1) abort.abort();
    },
    make: makers(() => [face]),
    keep,
  });
  await expect(waiting).rejects.toMatchObject({ code: 'clip.cancelled' });
  expect(looks.length).toBeLessThan(20);
  expect(stopped).toBeGreaterThan(0);
});
test('a tracker that stops ends it with its sentence', async () => {
  const waiting = trackClip(sourceOf(2), NEEDS, {
    signal: new AbortController().signal,
    onProgress: () => {},
    make: makers((time) => {
      if (time > 0.5) throw new IconiaError('tracker.failed', 'The face tracker stopped.');
      return [];
    }),
    keep,
  });
  await expect(waiting).rejects.toMatchObject({ code: 'tracker.failed' });
});
test('people are looked for where they are needed, in every picture', async () => {
  let searches = 0;
  let finderStopped = false;
  const options = {
    signal: new AbortController().signal,
    onProgress: () => {},
    make: makers(() => []),
    makeFinder: () => ({
      start: () => Promise.resolve(),
      look: () => Promise.resolve({ width: 1, height: 1, alpha: Uint8Array.of(searches++) }),
      stop: () => void (finderStopped = true),
    }),
    keep,
    keepMask: keep,
  };
  expect((await trackClip(sourceOf(1), NEEDS, options)).people).toBe(null);
  expect(searches).toBe(0);
  const { people } = await trackClip(sourceOf(1), { ...NEEDS, people: true }, options);
  expect(people!.map((m) => (m as unknown as { of: { alpha: Uint8Array } }).of.alpha[0])).toEqual(
    Array.from({ length: CLIP_RATE }, (_, i) => i),
  );
  expect(finderStopped).toBe(true);
});
test('a clip without a picture says so', async () => {
  const waiting = trackClip(sourceOf(2, 0), NEEDS, {
    signal: new AbortController().signal,
    onProgress: () => {},
    make: makers(() => []),
    keep,
  });
  await expect(waiting).rejects.toMatchObject({ code: 'clip.empty' });
});
