/**
 * What moves, where the system asks for little motion.
 * @jest-environment ./scripts/jest-page.mjs
 */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { effectScope, nextTick } from 'vue';
import { themeFor } from './theme';

const listeners: (() => void)[] = [];
const query = { matches: false, addEventListener: (_: string, listen: () => void) => listeners.push(listen) };
globalThis.matchMedia = (() => query) as unknown as typeof matchMedia;
const { reducedMotion, useTurns } = await import('./reduced-motion');
const ask = async (matches: boolean): Promise<void> => {
  query.matches = matches;
  for (const listen of listeners) listen();
  await nextTick();
};

beforeEach(() => void jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick'] }));
afterEach(() => void jest.useRealTimers());

test('pictures go on in turn, stand still when the system says so, and stop with what shows them', async () => {
  const scope = effectScope();
  const turn = scope.run(useTurns)!;
  jest.advanceTimersByTime(1500);
  expect([reducedMotion.value, turn.value]).toEqual([false, 2]);
  await ask(true);
  jest.advanceTimersByTime(5000);
  expect([reducedMotion.value, turn.value]).toEqual([true, 2]);
  await ask(false);
  jest.advanceTimersByTime(700);
  expect(turn.value).toBe(3);
  scope.stop();
  jest.advanceTimersByTime(5000);
  expect([turn.value, jest.getTimerCount()]).toEqual([3, 0]);
});

test.each([true, false])('panels open at once; dark: %s', (dark) => {
  const durations = (still: boolean) =>
    Object.entries(themeFor(dark, still).token).flatMap(([name, value]) =>
      name.startsWith('motionDuration') ? [value] : [],
    );
  expect(durations(true)).toEqual(['0s', '0s', '0s']);
  expect(durations(false)).not.toContain('0s');
});
