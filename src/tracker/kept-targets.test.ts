/** A target is made once for each picture, and anew where what was kept is not one. */
import 'fake-indexeddb/auto';
import { beforeEach, expect, jest, test } from '@jest/globals';
import { clear, createStore, entries, set } from 'idb-keyval';
import { testPoster } from '../core/vision/testing';

const real = await import('../core/vision/picture-target');
const made = jest.fn(real.makePictureTarget);
jest.unstable_mockModule('../core/vision/picture-target', () => ({ ...real, makePictureTarget: made }));
const { keptTarget } = await import('./kept-targets');

const store = createStore('iconia-targets', 'targets');
const poster = testPoster(3, 20, 120, 160);
beforeEach(async () => {
  made.mockClear();
  await clear(store);
});

test('made at first, read afterwards: the same', async () => {
  const first = await keptTarget('abc', poster);
  const second = await keptTarget('abc', poster);
  expect(made).toHaveBeenCalledTimes(1);
  expect(second.described.count).toBe(first.described.count);
  expect(second.described.words).toEqual(first.described.words);
  await keptTarget('other', poster);
  expect(made).toHaveBeenCalledTimes(2);
});
test('what is damaged, or of a picture of another size, is made anew', async () => {
  await keptTarget('abc', poster);
  const [[name, bytes]] = (await entries<string, Uint8Array>(store)) as [[string, Uint8Array]];
  await set(name, bytes.slice(0, 100), store);
  expect((await keptTarget('abc', poster)).described.count).toBeGreaterThan(0);
  expect((await keptTarget('abc', testPoster(3, 20, 90, 120))).aspect).toBeCloseTo(4 / 3, 6);
  expect(made).toHaveBeenCalledTimes(3);
});
test('a browser that keeps nothing makes it each time', async () => {
  await keptTarget('abc', poster);
  const put = IDBObjectStore.prototype.put;
  const read = IDBObjectStore.prototype.get;
  IDBObjectStore.prototype.put = IDBObjectStore.prototype.get = () => {
    throw new DOMException('No.', 'QuotaExceededError');
  };
  expect((await keptTarget('abc', poster)).described.count).toBeGreaterThan(0);
  Object.assign(IDBObjectStore.prototype, { put, get: read });
  expect(made).toHaveBeenCalledTimes(2);
});
test('there are never many', async () => {
  for (let n = 0; n < 30; n++) await set(`old ${n}`, new Uint8Array(3), store);
  await keptTarget('abc', poster);
  expect(await entries(store)).toHaveLength(1);
});
