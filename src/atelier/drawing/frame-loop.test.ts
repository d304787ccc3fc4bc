import { expect, test } from '@jest/globals';
import { FrameLoop, type Frames } from './frame-loop';

/** Frames that come when the test says so. */
class ByHand implements Frames {
  private calls = new Map<number, (now: number) => void>();
  private next = 1;
  request(call: (now: number) => void): number {
    this.calls.set(this.next, call);
    return this.next++;
  }
  cancel(handle: number): void {
    this.calls.delete(handle);
  }
  get asked(): number {
    return this.calls.size;
  }
  come(now: number): void {
    const calls = [...this.calls.values()];
    this.calls.clear();
    calls.forEach((call) => call(now));
  }
}

test('goes on while it is told to, rests, and is woken; a rest is no time that has passed', () => {
  const frames = new ByHand();
  const elapsed: number[] = [];
  let goesOn = true;
  const loop = new FrameLoop((seconds) => (elapsed.push(seconds), goesOn), frames);
  expect(frames.asked).toBe(0);
  loop.wake();
  loop.wake();
  expect(frames.asked).toBe(1);
  frames.come(1000);
  frames.come(1020);
  goesOn = false;
  frames.come(1040);
  expect(frames.asked).toBe(0);
  loop.wake();
  frames.come(9000);
  expect(elapsed).toEqual([0, 0.02, 0.02, 0]);
});

test('woken within a frame there is one more, with the time in between', () => {
  const frames = new ByHand();
  const elapsed: number[] = [];
  const loop: FrameLoop = new FrameLoop((seconds) => {
    elapsed.push(seconds);
    if (elapsed.length < 3) loop.wake();
    return false;
  }, frames);
  loop.wake();
  for (const now of [0, 50, 100, 150]) frames.come(now);
  expect(elapsed).toEqual([0, 0.05, 0.05]);
});

test('stopped it never comes again', () => {
  const frames = new ByHand();
  const loop = new FrameLoop(() => true, frames);
  loop.wake();
  loop.stop();
  loop.wake();
  expect(frames.asked).toBe(0);
});
