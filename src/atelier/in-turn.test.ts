import { describe, expect, jest, test } from '@jest/globals';
import { effectScope, nextTick, ref } from 'vue';
import { useInTurn } from './in-turn';

describe('parts that are mounted in turn', () => {
  test('come one a task, once there is something to show, and go with it', async () => {
    jest.useFakeTimers();
    const ready = ref(false);
    const scope = effectScope();
    const shown = scope.run(() => useInTurn(() => ready.value, 3))!;
    expect(shown.value).toBe(0);
    ready.value = true;
    await nextTick();
    expect(shown.value).toBe(1);
    jest.advanceTimersToNextTimer();
    expect(shown.value).toBe(2);
    jest.advanceTimersToNextTimer();
    expect(shown.value).toBe(3);
    expect(jest.getTimerCount()).toBe(0);
    ready.value = false;
    await nextTick();
    expect(shown.value).toBe(0);
    scope.stop();
    jest.useRealTimers();
  });

  test('nothing is mounted after the screen has gone', async () => {
    jest.useFakeTimers();
    const scope = effectScope();
    const shown = scope.run(() => useInTurn(() => true, 5))!;
    expect(shown.value).toBe(1);
    scope.stop();
    jest.runAllTimers();
    expect(shown.value).toBe(0);
    jest.useRealTimers();
  });
});
