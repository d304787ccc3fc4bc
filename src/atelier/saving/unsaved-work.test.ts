import 'fake-indexeddb/auto';
import { expect, test } from '@jest/globals';
import { browserWork } from './unsaved-work';

const work = {
  revision: 3,
  patch: [{ op: 'replace' as const, path: '/name', value: 'Kelp' }],
  at: 1_700_000_000_000,
};

test('is kept by effect, read by the next window, and forgotten', async () => {
  await browserWork().write('one', work);
  expect(await browserWork().read('one')).toEqual(work);
  expect(await browserWork().read('two')).toBeNull();
  await browserWork().forget('one');
  expect(await browserWork().read('one')).toBeNull();
});

test('what is no work of ours is none, and hurts nobody', async () => {
  const { createStore, set } = await import('idb-keyval');
  const store = createStore('iconia-unsaved', 'work');
  for (const [id, nonsense] of [
    ['text', 'x'],
    ['old', { revision: 1, base: {}, mine: {} }],
    ['copies', { ...work, patch: [{ op: 'copy', from: '/a', path: '/b' }] }],
  ] as const) {
    await set(id, nonsense, store);
    expect([id, await browserWork().read(id)]).toEqual([id, null]);
  }
});

test('a browser that keeps nothing says so when it is written to', async () => {
  const real = globalThis.indexedDB;
  Object.assign(globalThis, {
    indexedDB: {
      open: () => {
        throw new DOMException('no room', 'QuotaExceededError');
      },
    },
  });
  await expect(browserWork().write('one', work)).rejects.toThrow();
  expect(await browserWork().read('one')).toBeNull();
  Object.assign(globalThis, { indexedDB: real });
});
