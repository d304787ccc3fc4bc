import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { FIRST_TAKE, SHIPPED_TAKES } from '../core/takes/library';
import type { FromFaceWorker, ToFaceWorker } from './face-messages';
import { FaceTracker } from './face-tracker';
import { TakeTracker } from './take-tracker';

/** Stands in for the worker: keeps what it was sent, answers when the test says so. */
class FakeWorker {
  static last: FakeWorker;
  onmessage: ((event: { data: FromFaceWorker }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;
  readonly sent: ToFaceWorker[] = [];
  ended = false;
  constructor() {
    FakeWorker.last = this;
  }
  postMessage(message: ToFaceWorker): void {
    this.sent.push(message);
    if (message.kind === 'start') queueMicrotask(() => this.say({ kind: 'ready' }));
  }
  terminate(): void {
    this.ended = true;
  }
  say(message: FromFaceWorker): void {
    this.onmessage?.({ data: message });
  }
  answer(): void {
    this.say({ kind: 'seen', faces: [face] });
  }
}
const face = FIRST_TAKE.frameAt(0).faces[0]!;
const settled = () => new Promise((next) => setTimeout(next, 0));
const image = {} as ImageBitmap;

beforeEach(() => {
  Object.assign(globalThis, { Worker: FakeWorker, createImageBitmap: () => Promise.resolve(image) });
});

describe('the tracker as a promise', () => {
  test('a picture in, the faces in it out', async () => {
    const tracker = new FaceTracker(3);
    await tracker.start();
    expect(FakeWorker.last.sent[0]).toEqual({ kind: 'start', base: '/trackers/face_mesh/', faces: 3 });
    const waiting = tracker.look(image, { time: 1.5, fovY: 44 });
    FakeWorker.last.answer();
    expect(await waiting).toEqual([face]);
    expect(FakeWorker.last.sent[1]).toMatchObject({ kind: 'frame', fovY: 44 });
  });
  test('a failure refuses what is waited for and ends the worker', async () => {
    const tracker = new FaceTracker(1);
    await tracker.start();
    const waiting = tracker.look(image, { time: 0, fovY: 44 });
    FakeWorker.last.say({ kind: 'failed', message: 'out of memory' });
    await expect(waiting).rejects.toMatchObject({
      code: 'tracker.failed',
      message: expect.stringContaining('out of memory') as unknown,
    });
    expect(FakeWorker.last.ended).toBe(true);
  });
  test('a worker that its browser has ended is not waited for for ever', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask'] });
    try {
      const tracker = new FaceTracker(1);
      await tracker.start();
      const waiting = tracker.look(image, { time: 0, fovY: 44 });
      const refused = expect(waiting).rejects.toMatchObject({
        code: 'tracker.failed',
        message: expect.stringContaining('does not answer any more') as unknown,
      });
      jest.advanceTimersByTime(19_000);
      expect(FakeWorker.last.ended).toBe(false);
      jest.advanceTimersByTime(2000);
      await refused;
      expect(FakeWorker.last.ended).toBe(true);
      // One that answers is not ended later.
      const other = new FaceTracker(1);
      await other.start();
      const answered = other.look(image, { time: 0, fovY: 44 });
      FakeWorker.last.answer();
      await answered;
      jest.advanceTimersByTime(60_000);
      expect(FakeWorker.last.ended).toBe(false);
    } finally {
      jest.useRealTimers();
    }
  });
  test('a worker that cannot be loaded says so', async () => {
    const tracker = new FaceTracker(1);
    const starting = tracker.start();
    FakeWorker.last.onerror?.({ preventDefault: () => undefined });
    await expect(starting).rejects.toMatchObject({ code: 'tracker.failed' });
  });
});

describe('the tracker on a take', () => {
  const setup = async (take = FIRST_TAKE) => {
    const drawn: number[] = [];
    const frames: number[] = [];
    const errors: string[] = [];
    let disposed = 0;
    const tracker = new TakeTracker(
      take,
      {
        draw: (frame) => {
          drawn.push(frame.time);
          return {} as OffscreenCanvas;
        },
        dispose: () => disposed++,
      },
      { faces: take.performers.length, hands: 0, pictures: [], surfaces: [] },
      { onFrame: (frame) => frames.push(frame.time), onError: (error) => errors.push(error.message) },
    );
    await tracker.start();
    return { tracker, drawn, frames, errors, worker: FakeWorker.last, disposals: () => disposed };
  };
  test('it looks for as many faces as the take has people', async () => {
    await setup(SHIPPED_TAKES.find((t) => t.id === 'three-people')!);
    expect(FakeWorker.last.sent[0]).toMatchObject({ faces: 3 });
  });
  test('while it is at work only the newest wish is kept', async () => {
    const { tracker, drawn, frames, worker } = await setup();
    for (const time of [1, 2, 3, 4]) tracker.look(time);
    await settled();
    expect(drawn).toEqual([1]);
    worker.answer();
    await settled();
    expect(drawn).toEqual([1, 4]);
    worker.answer();
    await settled();
    expect(frames).toEqual([1, 4]);
  });
  test('the same moment is not looked at twice in a row', async () => {
    const { tracker, drawn, worker } = await setup();
    tracker.look(2);
    await settled();
    worker.answer();
    await settled();
    tracker.look(2);
    await settled();
    expect(drawn).toEqual([2]);
  });
  test('after it was stopped nothing comes any more, and its drawing is let go once', async () => {
    const { tracker, frames, errors, worker, disposals } = await setup();
    tracker.look(1);
    await settled();
    tracker.stop();
    tracker.stop();
    worker.answer();
    await settled();
    expect(frames).toEqual([]);
    expect(errors).toEqual([]);
    expect(worker.ended).toBe(true);
    expect(disposals()).toBe(1);
  });
  test('a failure is told in a sentence', async () => {
    const { tracker, errors, worker } = await setup();
    tracker.look(1);
    await settled();
    worker.say({ kind: 'failed', message: 'gone' });
    await settled();
    expect(errors[0]).toMatch(/face tracker stopped: gone/);
  });
});
