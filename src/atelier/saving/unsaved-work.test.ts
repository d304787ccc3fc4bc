import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { beforeEach, expect, test } from '@jest/globals';
import { browserWork, type WindowLocks } from './unsaved-work';

const work = {
  revision: 3,
  patch: [{ op: 'replace' as const, path: '/name', value: 'Kelp' }],
  at: 1_700_000_000_000,
};

/** Locks as a browser has them; `close` lets go what a window holds. */
const browser = () => {
  const held = new Set<string>();
  const waiting = new Map<string, (() => void)[]>();
  const locks = {
    request: async (
      name: string,
      ...more: [hold: () => unknown] | [options: { signal: AbortSignal }, hold: () => unknown]
    ) => {
      const [options, hold] = more.length === 2 ? more : [null, more[0]];
      if (held.has(name))
        await new Promise<void>((free, refuse) => {
          waiting.set(name, [...(waiting.get(name) ?? []), free]);
          options?.signal.addEventListener('abort', () => refuse(new DOMException('late', 'AbortError')));
        });
      if (options) return hold();
      held.add(name);
      return hold();
    },
    query: async () => ({ held: [...held].map((name) => ({ name })) }),
  } as unknown as WindowLocks;
  return {
    open: (window: string) => browserWork(window, locks),
    close: (window: string) => {
      const name = `iconia-window ${window}`;
      held.delete(name);
      for (const free of waiting.get(name) ?? []) free();
    },
  };
};
beforeEach(() => {
  Object.assign(globalThis, { indexedDB: new IDBFactory() });
});

test('is kept by effect, is for the next window when this one has gone, and forgotten', async () => {
  const { open, close } = browser();
  await open('a').of('one').write(work);
  const next = open('b').of('one');
  expect(await next.left()).toEqual([]);
  close('a');
  const left = await next.left();
  expect(left).toEqual([{ ...work, key: 'one a 1' }]);
  expect(await open('c').of('two').left()).toEqual([]);
  await next.forget(left.map((l) => l.key));
  expect(await next.left()).toEqual([]);
});

test('a window that is being reloaded holds its lock a moment longer: what it left is found all the same', async () => {
  const { open, close } = browser();
  await open('a').of('one').write(work);
  const left = open('b').of('one').left();
  setTimeout(() => close('a'), 50);
  expect(await left).toEqual([{ ...work, key: 'one a 1' }]);
});

test('two windows that are cut off keep both; the oldest comes first', async () => {
  const { open, close } = browser();
  await open('a')
    .of('one')
    .write({ ...work, at: 20 });
  await open('b')
    .of('one')
    .write({ ...work, at: 10 });
  for (const window of ['a', 'b']) close(window);
  expect((await open('c').of('one').left()).map((l) => l.key)).toEqual(['one b 1', 'one a 1']);
});

test('what a session has left is for the next one in the same window, which writes beside it', async () => {
  const window = browser().open('a');
  await window.of('one').write(work);
  const next = window.of('one');
  await next.write({ ...work, at: 5 });
  expect((await next.left()).map((l) => [l.key, l.at])).toEqual([['one a 1', work.at]]);
});

test.each([
  ['has no locks', undefined],
  [
    'refuses them',
    {
      request: () => Promise.reject(new DOMException('no', 'SecurityError')),
      query: () => Promise.reject(new DOMException('no', 'SecurityError')),
    } as unknown as WindowLocks,
  ],
])(
  'where the browser %s work is kept all the same, and every other window is taken for gone',
  async (_, locks) => {
    await browserWork('a', locks).of('one').write(work);
    expect(await browserWork('b', locks).of('one').left()).toHaveLength(1);
  },
);

test('what is no work of ours is none, and hurts nobody', async () => {
  const { createStore, set } = await import('idb-keyval');
  const store = createStore('iconia-unsaved', 'work');
  for (const [id, nonsense] of [
    ['text', 'x'],
    ['old', { revision: 1, base: {}, mine: {} }],
    ['copies', { ...work, patch: [{ op: 'copy', from: '/a', path: '/b' }] }],
  ] as const) {
    await set(`${id} a 1`, nonsense, store);
    expect([id, await browser().open('b').of(id).left()]).toEqual([id, []]);
  }
});

test('a browser that keeps nothing says so when it is written to', async () => {
  Object.assign(globalThis, {
    indexedDB: {
      open: () => {
        throw new DOMException('no room', 'QuotaExceededError');
      },
    },
  });
  const kept = browser().open('a').of('one');
  await expect(kept.write(work)).rejects.toThrow();
  expect(await kept.left()).toEqual([]);
});
