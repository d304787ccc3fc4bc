/** Takes come from two places; what one of them cannot give keeps nothing of the other away. */
import { beforeEach, expect, jest, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { IconiaError } from '../../core/errors';
import { FIRST_TAKE } from '../../core/takes/library';
import type { Clip } from '../../core/takes/clip-data';
import type { TakeSpec } from '../../core/takes/take';

const clip: Clip = { id: 'clip-yard', name: 'Yard', width: 64, height: 48, frames: [], sought: [] };
const spec: TakeSpec = { ...FIRST_TAKE.spec, id: 'own-1', name: 'My own' };
const keptClips = jest.fn<() => Promise<readonly Clip[]>>();
const takes = jest.fn<() => Promise<TakeSpec[]>>();
jest.unstable_mockModule('../takes/clip-store', () => ({
  keptClips,
  keepClip: () => Promise.resolve(),
  keepFrames: () => Promise.resolve(),
  forgetClip: () => Promise.reject(new IconiaError('clip.not-kept', 'This browser keeps no clips.')),
}));
jest.unstable_mockModule('../api/client', () => ({ api: { takes } }));
const { useTakesStore } = await import('./takes');

beforeEach(() => {
  setActivePinia(createPinia());
  keptClips.mockResolvedValue([clip]);
  takes.mockResolvedValue([spec]);
});
const names = (store: ReturnType<typeof useTakesStore>): string[] =>
  [...store.clips, ...store.own].map(({ name }) => name);

test('a browser that keeps no clips says so; the own takes are there, and the clips when it is asked again', async () => {
  const store = useTakesStore();
  keptClips.mockRejectedValueOnce(new IconiaError('clip.not-kept', 'This browser keeps no clips.'));
  await store.load();
  expect([names(store), store.error]).toEqual([['My own'], 'This browser keeps no clips.']);
  await store.load();
  expect([names(store), store.error]).toEqual([['Yard', 'My own'], null]);
});
test('a server that does not answer keeps no clip away', async () => {
  const store = useTakesStore();
  takes.mockRejectedValueOnce(new IconiaError('server.unreachable', 'The server does not answer.'));
  await store.load();
  expect([names(store), store.error, store.loaded]).toEqual([['Yard'], 'The server does not answer.', true]);
});
test('a clip that cannot be deleted stays', async () => {
  const store = useTakesStore();
  await store.load();
  await expect(store.remove(store.clips[0]!)).rejects.toThrow('This browser keeps no clips.');
  expect(names(store)).toEqual(['Yard', 'My own']);
});
