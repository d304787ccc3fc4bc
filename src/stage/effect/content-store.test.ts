import { describe, expect, test } from '@jest/globals';
import { Arrivals, ContentStore } from './content-store';

const storeOf = (most?: number) => {
  const gone: string[] = [];
  let arrived = 0;
  const arrivals = new Arrivals(() => arrived++);
  const store = new ContentStore<string>(
    { dispose: (value) => gone.push(value), ...(most === undefined ? {} : { most }) },
    arrivals,
  );
  const load = (key: string, bytes = 10) => store.load(key, async () => ({ value: `made of ${key}`, bytes }));
  return { store, arrivals, gone, load, arrived: () => arrived };
};

describe('what files become', () => {
  test('is made once, however many ask, and counted while it is on its way', async () => {
    const { store, arrivals, arrived } = storeOf();
    let made = 0;
    const make = async () => ({ value: `${++made}`, bytes: 4 });
    const both = Promise.all([store.load('a', make), store.load('a', make)]);
    expect([store.get('a'), arrivals.count]).toEqual([null, 1]);
    expect(await both).toEqual(['1', '1']);
    expect([store.get('a'), arrivals.count, arrived(), made]).toEqual(['1', 0, 1, 1]);
  });
  test('what cannot be made is known to have failed, and tried again when it is asked for', async () => {
    const { store, load, arrivals } = storeOf();
    await expect(store.load('a', () => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    expect([store.failed('a'), store.get('a'), arrivals.count]).toEqual([true, null, 0]);
    expect(await load('a')).toBe('made of a');
    expect(store.failed('a')).toBe(false);
  });
  test('is let go with its effect; what is still on its way for it is not kept', async () => {
    const { store, load, gone } = storeOf();
    await load('a');
    await load('b');
    const late = load('c');
    store.keepOnly(new Set(['b']));
    expect(await late).toBe('made of c');
    expect(gone).toEqual(['made of a', 'made of c']);
    expect(store.size).toEqual({ things: 1, bytes: 10 });
    store.dispose();
    expect([gone.length, store.size]).toEqual([3, { things: 0, bytes: 0 }]);
  });
  test('beyond the bound what was asked for longest ago goes, but nothing that is in use', async () => {
    const { store, load, gone } = storeOf(25);
    await load('old');
    await load('used');
    // Thousands of drawings later, of which one asks for a picture each time.
    for (let i = 0; i < 6000; i++) store.get('used');
    await load('new');
    expect(gone).toEqual(['made of old']);
    expect([store.get('used'), store.get('new'), store.get('old')]).toEqual([
      'made of used',
      'made of new',
      null,
    ]);
    // In use, everything stays, however much it is.
    await load('more', 1000);
    expect(store.get('used')).toBe('made of used');
  });
});
