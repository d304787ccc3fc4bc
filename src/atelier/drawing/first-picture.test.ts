import { expect, test } from '@jest/globals';
import { FirstPicture } from './first-picture';

const view = () => {
  const did: string[] = [];
  let [ready, fail] = [() => {}, () => {}];
  const first: FirstPicture = new FirstPicture({
    prepare: () => {
      did.push('prepare');
      return new Promise((done, failed) => ([ready, fail] = [done, () => failed(new Error('lost'))]));
    },
    draw: () => did.push('draw'),
    again: () => did.push('again'),
  });
  return { first, did, ready: () => ready(), fail: () => fail() };
};
const soon = () => new Promise((next) => setTimeout(next, 0));

test('made ready once, then asked for again; later pictures are drawn at once', async () => {
  const { first, did, ready } = view();
  expect(first.isComing).toBe(false);
  first.draw();
  first.draw();
  expect([did, first.isComing]).toEqual([['prepare'], true]);
  ready();
  await soon();
  expect([did, first.isComing]).toEqual([['prepare', 'again'], false]);
  first.draw();
  first.draw();
  expect(did).toEqual(['prepare', 'again', 'draw', 'draw']);
});

test('what cannot be made ready is drawn, where its fault is said', async () => {
  const { first, did, fail } = view();
  first.draw();
  fail();
  await soon();
  first.draw();
  expect(did).toEqual(['prepare', 'again', 'draw']);
});

test('given up, it is drawn without, and what comes late asks for nothing', async () => {
  const { first, did, ready } = view();
  first.draw();
  first.giveUp();
  first.draw();
  ready();
  await soon();
  expect(did).toEqual(['prepare', 'draw']);
});

test('a view that is gone draws nothing any more', async () => {
  const { first, did, ready } = view();
  first.draw();
  first.stop();
  ready();
  await soon();
  first.draw();
  first.giveUp();
  expect([did, first.isComing]).toEqual([['prepare'], false]);
});
