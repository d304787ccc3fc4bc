/** Assets linked to files on disk: read again when they are saved, never lost when they are not there. */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { nextTick } from 'vue';
import { IconiaError } from '../../core/errors';
import { blankRecord, dropped, pictureFile, pretendBrowser, pretendReaderAndServer, reader } from './testing';

pretendBrowser();
await pretendReaderAndServer();
const kept = new Map<string, unknown>();
jest.unstable_mockModule('idb-keyval', () => ({
  get: (key: string) => Promise.resolve(kept.get(key)),
  set: (key: string, value: unknown) => Promise.resolve(void kept.set(key, value)),
  del: (key: string) => Promise.resolve(void kept.delete(key)),
  delMany: (keys: string[]) => Promise.resolve(keys.forEach((key) => kept.delete(key))),
  entries: () => Promise.resolve([...kept]),
  createStore: () => null,
}));
const { useImportsStore } = await import('./imports');
const { useLinksStore } = await import('./links');
const { useEffectStore } = await import('./effect');

/** A file on the creator's disk. */
class Disk {
  saved = 1000;
  gone = false;
  permission: PermissionState = 'granted';
  asked = 0;
  readonly kind = 'file';
  constructor(readonly name: string) {}
  getFile(): Promise<File> {
    return this.gone
      ? Promise.reject(new DOMException('not found', 'NotFoundError'))
      : Promise.resolve(new File(['x'], this.name, { lastModified: this.saved }));
  }
  queryPermission(): Promise<PermissionState> {
    return Promise.resolve(this.permission);
  }
  requestPermission(): Promise<PermissionState> {
    this.asked++;
    this.permission = 'granted';
    return Promise.resolve(this.permission);
  }
  get handle(): FileSystemFileHandle {
    return this as unknown as FileSystemFileHandle;
  }
}

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask', 'setImmediate', 'setTimeout'] });
  setActivePinia(createPinia());
  useEffectStore().begin(blankRecord());
  reader.reset();
  kept.clear();
});
afterEach(() => {
  jest.clearAllTimers();
  jest.useRealTimers();
});

/** A picture that came with its handle, linked. */
const linked = async (disk: Disk) => {
  const effect = useEffectStore();
  effect.id = '00000000-0000-4000-8000-000000000001';
  const links = useLinksStore();
  await nextTick();
  await new Promise(setImmediate);
  reader.files.set(disk.name, pictureFile(disk.name, 'first'));
  await useImportsStore().bringInFiles([{ ...dropped(disk.name), handle: disk.handle }], { place: true });
  const [asset] = Object.values(effect.effect.assets);
  await links.link(asset!);
  return { effect, links, id: asset!.id, shaNow: () => effect.effect.assets[asset!.id]!.files[0]!.sha256 };
};

describe('an asset linked to its file', () => {
  test('nothing is read while the file stays as it is', async () => {
    const disk = new Disk('fish.png');
    const { links, id, shaNow } = await linked(disk);
    const before = shaNow();
    reader.asked = [];
    await links.lookAtAll();
    expect(links.states[id]).toMatchObject({ state: 'watching', file: 'fish.png' });
    expect(reader.asked).toEqual([]);
    expect(shaNow()).toBe(before);
  });
  test('saved outside: the asset follows, in one undo step, and says when', async () => {
    const disk = new Disk('fish.png');
    const { effect, links, id, shaNow } = await linked(disk);
    const before = shaNow();
    reader.files.set('fish.png', pictureFile('fish.png', 'second'));
    disk.saved = 2000;
    await links.lookAtAll();
    expect(shaNow()).not.toBe(before);
    expect(links.states[id]).toMatchObject({
      state: 'watching',
      message: expect.stringMatching(/^Read again: saved at \d\d:\d\d/),
    });
    effect.undo();
    expect(shaNow()).toBe(before);
  });
  test('saved half-way, then whole: the asset stays, then follows', async () => {
    const disk = new Disk('fish.png');
    const { links, id, shaNow } = await linked(disk);
    const before = shaNow();
    reader.files.set('fish.png', new IconiaError('picture.cut-off', 'fish.png ends too early.'));
    disk.saved = 2000;
    await links.lookAtAll();
    expect(shaNow()).toBe(before);
    expect(links.states[id]).toMatchObject({ state: 'watching', message: 'fish.png ends too early.' });
    reader.files.set('fish.png', pictureFile('fish.png', 'second'));
    disk.saved = 3000;
    await links.lookAtAll();
    expect(shaNow()).not.toBe(before);
  });
  test('moved away: the asset stays and says so', async () => {
    const disk = new Disk('fish.png');
    const { links, id, shaNow } = await linked(disk);
    const before = shaNow();
    disk.gone = true;
    await links.lookAtAll();
    expect(links.states[id]).toMatchObject({
      state: 'lost',
      message: expect.stringContaining('fish.png is no longer'),
    });
    expect(shaNow()).toBe(before);
  });
  test('the browser wants to be asked again: one click, and it is watched', async () => {
    const disk = new Disk('fish.png');
    const { links, id } = await linked(disk);
    disk.permission = 'prompt';
    await links.lookAtAll();
    expect(links.states[id]!.state).toBe('asleep');
    await links.wake(id);
    expect(disk.asked).toBe(1);
    expect(links.states[id]!.state).toBe('watching');
  });
  test('unlinked: the file is left alone', async () => {
    const disk = new Disk('fish.png');
    const { links, id, shaNow } = await linked(disk);
    const before = shaNow();
    await links.unlink(id);
    reader.files.set('fish.png', pictureFile('fish.png', 'second'));
    disk.saved = 2000;
    await links.lookAtAll();
    expect(shaNow()).toBe(before);
    expect(links.states[id]).toBeUndefined();
  });
  test('links are kept by effect, and found again after a reload', async () => {
    const disk = new Disk('fish.png');
    const { effect, id } = await linked(disk);
    expect([...kept.keys()]).toEqual([`iconia.links.${effect.id}`]);
    const before = effect.effect;
    setActivePinia(createPinia());
    const again = useEffectStore();
    again.effect = before;
    again.id = '00000000-0000-4000-8000-000000000001';
    const links = useLinksStore();
    for (let i = 0; i < 5; i++) await new Promise(setImmediate);
    expect(links.states[id]).toMatchObject({ file: 'fish.png', state: 'watching' });
  });
});
