import { beforeEach, describe, expect, test } from '@jest/globals';
import type { FromPersonWorker, ToPersonWorker } from './person-messages';
import { PersonFinder } from './person-finder';

/** Stands in for the worker: keeps what it was sent, answers when the test says so. */
class FakeWorker {
  static last: FakeWorker;
  onmessage: ((event: { data: FromPersonWorker }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;
  readonly sent: ToPersonWorker[] = [];
  ended = false;
  constructor(readonly script: string) {
    FakeWorker.last = this;
  }
  postMessage(message: ToPersonWorker): void {
    this.sent.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
  say(message: FromPersonWorker): void {
    this.onmessage?.({ data: message });
  }
}
const image = {} as ImageBitmap;
beforeEach(() => {
  Object.assign(globalThis, { Worker: FakeWorker });
});

describe('the person finder as a promise', () => {
  const started = async (): Promise<PersonFinder> => {
    const finder = new PersonFinder();
    const ready = finder.start();
    FakeWorker.last.say({ kind: 'ready' });
    await ready;
    return finder;
  };
  test('a picture in, where people are out', async () => {
    const finder = await started();
    expect(FakeWorker.last.script).toBe('/trackers/person-worker.js');
    expect(FakeWorker.last.sent).toEqual([{ kind: 'start', base: '/trackers/selfie_segmentation/' }]);
    const waiting = finder.look(image);
    const mask = { width: 2, height: 1, alpha: new Uint8Array([0, 255]) };
    FakeWorker.last.say({ kind: 'found', mask });
    expect(await waiting).toBe(mask);
  });
  test('a failure says what has stopped and what to do, and ends the worker', async () => {
    const finder = await started();
    const waiting = finder.look(image);
    FakeWorker.last.say({ kind: 'failed', message: 'out of memory' });
    await expect(waiting).rejects.toMatchObject({
      code: 'tracker.failed',
      message: 'The search for people stopped: out of memory. Reload the page to start it again.',
    });
    expect(FakeWorker.last.ended).toBe(true);
  });
  test('a worker that cannot be loaded refuses the start', async () => {
    const finder = new PersonFinder();
    const ready = finder.start();
    FakeWorker.last.onerror?.({ preventDefault: () => undefined });
    await expect(ready).rejects.toMatchObject({ code: 'tracker.failed' });
  });
});
