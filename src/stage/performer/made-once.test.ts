import { expect, test } from '@jest/globals';
import { BoxGeometry } from 'three';
import { buffersOf, MadeOnce, madeGeometry, madeOfPeople, type Sheet } from './made-once';

const sheet = (bytes: number): Sheet => ({
  pixels: new Uint8ClampedArray(bytes),
  width: bytes / 4,
  height: 1,
});

test('made once for each key, and anew when it was forgotten: the oldest go when there is too much', () => {
  const store = new MadeOnce(100);
  const made: string[] = [];
  const get = (key: string, bytes: number) =>
    store.get(key, () => {
      made.push(key);
      return sheet(bytes);
    });
  const first = get('a', 40);
  get('b', 40);
  expect(get('a', 40)).toBe(first);
  get('c', 40);
  // `b` was asked for longest ago.
  get('a', 40);
  get('b', 40);
  expect(made).toEqual(['a', 'b', 'c', 'b']);
  // What is larger than all there is room for is kept until the next comes.
  const huge = get('d', 400);
  expect(get('d', 400)).toBe(huge);
  get('a', 40);
  expect(made).toEqual(['a', 'b', 'c', 'b', 'd', 'a']);
});

test('handed over, all of it goes, and nothing is left', () => {
  const store = new MadeOnce();
  store.put('a', sheet(8));
  const [[key, made] = []] = store.handOver();
  expect([key, made && buffersOf(made)[0]!.byteLength]).toEqual(['a', 8]);
  expect(store.handOver()).toEqual([]);
});

test('a mesh comes back as it was made, each time as a geometry of its own', () => {
  const box = new BoxGeometry(1, 2, 3);
  let times = 0;
  const make = () => {
    times++;
    return box;
  };
  const [one, other] = [madeGeometry('box', make), madeGeometry('box', make)];
  expect(times).toBe(1);
  expect(one).not.toBe(other);
  for (const name of ['position', 'normal', 'uv'])
    expect([...one.getAttribute(name).array]).toEqual([...box.getAttribute(name).array]);
  expect(one.getAttribute('uv').itemSize).toBe(2);
  expect([...one.index!.array]).toEqual([...box.index!.array]);
  const made = madeOfPeople.handOver();
  expect(made).toHaveLength(1);
  // Position, normal, UV, index.
  expect(buffersOf(made[0]![1])).toHaveLength(4);
});
