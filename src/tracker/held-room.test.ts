/** How a device is held, heard from the page; and what is done where it does not say so. */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { FIRST_TAKE } from '../core/takes/library';
import { HeldRoom } from './held-room';

type Listener = (event: object) => void;
let listeners: Listener[];
let asked: number;
const page = (more: object = {}): void => {
  listeners = [];
  asked = 0;
  Object.assign(globalThis, {
    window: {
      addEventListener: (_: string, listener: Listener) => listeners.push(listener),
      removeEventListener: (_: string, listener: Listener) => {
        listeners = listeners.filter((l) => l !== listener);
      },
      ...more,
    },
    screen: { orientation: { angle: 0 } },
  });
};
const say = (beta: number | null): void =>
  listeners.forEach((listener) => listener({ alpha: 0, beta, gamma: 0 }));
const seen = { ...FIRST_TAKE.frameAt(0), faces: [], surfaces: [] };
beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

test('the room follows how the device is held, and a device that says so is not called guessed', () => {
  page();
  let guessed = 0;
  const held = new HeldRoom(['floor'], () => guessed++);
  held.start();
  say(90);
  expect(held.frame(seen, false).surfaces).toEqual([]);
  say(60);
  expect(held.frame(seen, false).surfaces).toHaveLength(1);
  expect(held.room.state).toBe('placing');
  jest.advanceTimersByTime(5000);
  expect(guessed).toBe(0);
  held.stop();
  expect(listeners).toEqual([]);
});
test('a device that does not say how it is held: that is told once, and the floor is where it would be', () => {
  page();
  let guessed = 0;
  const held = new HeldRoom(['floor'], () => guessed++);
  held.start();
  // Some say so without knowing it.
  say(null);
  expect(held.frame(seen, false).surfaces).toEqual([]);
  jest.advanceTimersByTime(2000);
  expect(guessed).toBe(1);
  expect(held.frame(seen, false).surfaces).toHaveLength(1);
  // One that wakes up late is believed.
  say(90);
  expect(held.frame(seen, false).surfaces).toEqual([]);
  jest.advanceTimersByTime(5000);
  expect(guessed).toBe(1);
  held.stop();
});
test('a device that asks its owner is asked at once, and a refusal is a device that does not say', async () => {
  let refuse: (error: Error) => void = () => {};
  page({
    DeviceOrientationEvent: {
      requestPermission: () => {
        asked++;
        return new Promise((_, fail) => (refuse = fail));
      },
    },
  });
  let guessed = 0;
  const held = new HeldRoom(['floor'], () => guessed++);
  held.start();
  expect(asked).toBe(1);
  // Its owner takes their time.
  await jest.advanceTimersByTimeAsync(20_000);
  expect(guessed).toBe(0);
  refuse(new Error('denied'));
  await jest.advanceTimersByTimeAsync(2000);
  expect(guessed).toBe(1);
  held.stop();
});
test('an answer that comes when nobody listens any more is let go', async () => {
  let allow: (word: string) => void = () => {};
  page({
    DeviceOrientationEvent: { requestPermission: () => new Promise<string>((done) => (allow = done)) },
  });
  let guessed = 0;
  const held = new HeldRoom(['floor'], () => guessed++);
  held.start();
  held.stop();
  allow('granted');
  await jest.advanceTimersByTimeAsync(5000);
  expect(guessed).toBe(0);
});
