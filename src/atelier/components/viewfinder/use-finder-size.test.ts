import { expect, test } from '@jest/globals';
import { ref } from 'vue';
import { useFinderSize } from './use-finder-size';

let changed = (): void => {};
let watched: unknown[] = [];
Object.assign(globalThis, {
  ResizeObserver: class {
    constructor(call: () => void) {
      changed = call;
    }
    observe(element: unknown): void {
      watched.push(element);
    }
    disconnect(): void {
      watched = [];
    }
  },
});

test('upright, as large as the box allows, told once for each size', () => {
  let told = 0;
  const box = { width: 1000, height: 664 };
  const element = { getBoundingClientRect: () => box } as unknown as HTMLElement;
  const { size, start, stop } = useFinderSize(ref(element), () => told++);
  expect([size.value, told]).toEqual([{ width: 0, height: 0 }, 0]);
  start();
  expect([size.value, told, watched.length]).toEqual([{ width: 360, height: 640 }, 1, 1]);
  changed();
  expect(told).toBe(1);
  // Narrow: the width decides.
  box.width = 204;
  changed();
  expect([size.value, told]).toEqual([{ width: 180, height: 320 }, 2]);
  // There is a picture, however small the box.
  box.height = 10;
  changed();
  expect(size.value).toEqual({ width: 45, height: 80 });
  stop();
  expect(watched).toEqual([]);
});
