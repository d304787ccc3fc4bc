/** Bringing in, preparing and undoing, with a reader and a server that answer as told. */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { createPinia, setActivePinia } from 'pinia';
import { IconiaError } from '../../core/errors';
import { result, type ReadResult } from '../../intake/drafts';
import {
  blankRecord,
  dropped,
  keep,
  pictureDraft,
  pictureFile,
  pretendBrowser,
  pretendReaderAndServer,
  reader,
} from './testing';

pretendBrowser();
await pretendReaderAndServer();
const { useImportsStore } = await import('./imports');
const { usePreparingStore } = await import('./preparing');
const { useEffectStore } = await import('./effect');
const { useAssetsStore } = await import('./assets');
const { stackOrder } = await import('../../core/document/queries');

beforeEach(() => {
  setActivePinia(createPinia());
  useEffectStore().begin(blankRecord());
  reader.reset();
  keep.mockClear();
});
const bring = async (...names: string[]) => {
  const imports = useImportsStore();
  await imports.bringInFiles(names.map(dropped), { place: true });
  return imports;
};
const assetNames = () => Object.values(useEffectStore().effect.assets).map((a) => a.name);
const objectNames = () => stackOrder(useEffectStore().effect).map((o) => o.name);

describe('bringing in', () => {
  test('each file becomes an asset and a card, and one drop is one step', async () => {
    reader.files.set('fish.png', pictureFile('fish.png')).set('sand.png', pictureFile('sand.png'));
    const { items } = await bring('fish.png', 'sand.png');
    expect(items.map((i) => [i.name, i.state])).toEqual([
      ['fish.png', 'done'],
      ['sand.png', 'done'],
    ]);
    expect(objectNames()).toEqual(['sand', 'fish']);
    const effect = useEffectStore();
    expect(effect.undoLabel).toBe('Bring in 2 files');
    effect.undo();
    expect([assetNames(), objectNames()]).toEqual([[], []]);
    effect.redo();
    expect(objectNames()).toEqual(['sand', 'fish']);
  });
  test('one that cannot be read is explained, and the others come in', async () => {
    reader.files
      .set('a.png', pictureFile('a.png'))
      .set('b.psd', new IconiaError('psd.cut-off', 'b.psd ends too early.'))
      .set('c.png', pictureFile('c.png'));
    reader.refusals = [{ path: 'x/d.zip', code: 'zip.bomb', message: 'd.zip unpacks to far too much.' }];
    const { items, summary } = await bring('a.png', 'b.psd', 'c.png');
    expect(items.map((i) => [i.name, i.state, i.message])).toEqual([
      ['d.zip', 'refused', 'd.zip unpacks to far too much.'],
      ['a.png', 'done', null],
      ['b.psd', 'refused', 'b.psd ends too early.'],
      ['c.png', 'done', null],
    ]);
    expect(summary).toEqual({ all: 4, done: 2, refused: 2, cancelled: 0 });
    expect(assetNames()).toEqual(['a.png', 'c.png']);
  });
  test('one that was gone before it could be read is named too', async () => {
    reader.files.set('a.png', pictureFile('a.png'));
    const item = (name: string, getFile: () => Promise<File>) => ({
      kind: 'file',
      getAsFile: () => null,
      getAsFileSystemHandle: () => Promise.resolve({ kind: 'file', name, getFile }),
    });
    const items = [
      item('gone.png', () => Promise.reject(new DOMException('gone'))),
      item('a.png', () => Promise.resolve(dropped('a.png').file)),
    ];
    const imports = useImportsStore();
    await imports.bringInDrop({ items, files: [] } as unknown as DataTransfer, { place: true });
    expect(imports.items.map((i) => [i.name, i.state])).toEqual([
      ['gone.png', 'refused'],
      ['a.png', 'done'],
    ]);
    expect(imports.items[0]!.message).toMatch(/^gone\.png could not be read/);
  });
  test('an error that is no sentence is not shown as one', async () => {
    reader.files.set('a.png', new TypeError("Cannot read properties of undefined (reading 'x')"));
    const { items } = await bring('a.png');
    expect(items[0]!.state).toBe('refused');
    expect(items[0]!.message).toMatch(/^Iconia itself made a mistake here .*Try again/);
  });
  test('the same content is kept once, and both cards show it', async () => {
    reader.files
      .set('fish.png', pictureFile('fish.png'))
      .set('copy.png', pictureFile('copy.png', 'fish.png'));
    const { items } = await bring('fish.png', 'copy.png');
    expect(assetNames()).toEqual(['fish.png']);
    expect(items[1]!.message).toContain('fish.png');
    expect(objectNames()).toHaveLength(2);
  });
  test('another content under the same name gets a name of its own and is offered as a replacement', async () => {
    reader.files.set('fish.png', pictureFile('fish.png', 'old'));
    await bring('fish.png');
    reader.files.set('fish.png', pictureFile('fish.png', 'new'));
    const { items } = await bring('fish.png');
    expect(assetNames()).toEqual(['fish.png', 'fish 2.png']);
    const [first] = Object.keys(useEffectStore().effect.assets);
    expect(items.at(-1)!.namesake).toBe(first);
  });
  test('of more than four at once none is heaped onto the face', async () => {
    const names = ['a.png', 'b.png', 'c.png', 'd.png', 'e.png'];
    for (const name of names) reader.files.set(name, pictureFile(name));
    const imports = await bring(...names);
    expect(imports.items.every((i) => i.state === 'done')).toBe(true);
    expect(assetNames()).toEqual(names);
    expect(objectNames()).toEqual([]);
  });
});

describe('cancelling', () => {
  test('one line: it leaves nothing, the rest comes in', async () => {
    reader.files.set('slow.psd', 'never').set('b.png', pictureFile('b.png'));
    const imports = useImportsStore();
    const all = imports.bringInFiles([dropped('slow.psd'), dropped('b.png')], { place: true });
    while (!reader.asked.includes('slow.psd')) await new Promise((r) => setTimeout(r, 1));
    expect(imports.busy).toBe(true);
    imports.cancel(imports.items[0]!.key);
    await all;
    expect(imports.items.map((i) => i.state)).toEqual(['cancelled', 'done']);
    expect(assetNames()).toEqual(['b.png']);
    expect(imports.busy).toBe(false);
  });
  test('all: what waits is never read', async () => {
    reader.files.set('slow.psd', 'never').set('b.png', pictureFile('b.png'));
    const imports = useImportsStore();
    const all = imports.bringInFiles([dropped('slow.psd'), dropped('b.png')], { place: true });
    while (!reader.asked.includes('slow.psd')) await new Promise((r) => setTimeout(r, 1));
    imports.cancelAll();
    await all;
    expect(imports.items.map((i) => i.state)).toEqual(['cancelled', 'cancelled']);
    expect(reader.asked).toEqual(['slow.psd']);
    expect(assetNames()).toEqual([]);
  });
  test('all: a second drop that waits for its turn is not begun, so nothing lands in the next effect', async () => {
    reader.files.set('slow.psd', 'never').set('b.png', pictureFile('b.png'));
    const imports = useImportsStore();
    const first = imports.bringInFiles([dropped('slow.psd')], { place: true });
    const second = imports.bringInFiles([dropped('b.png')], { place: true });
    while (!reader.asked.includes('slow.psd')) await new Promise((r) => setTimeout(r, 1));
    imports.cancelAll();
    await Promise.all([first, second]);
    expect(reader.asked).toEqual(['slow.psd']);
    expect(assetNames()).toEqual([]);
    // What comes after that is taken again.
    await bring('b.png');
    expect(assetNames()).toEqual(['b.png']);
  });
  test('between two files of one asset: nothing half comes in', async () => {
    reader.files.set(
      'two.png',
      result([{ ...pictureDraft('two.png'), original: [{ bytes: new Uint8Array(3), mime: 'image/png' }] }]),
    );
    const imports = useImportsStore();
    keep.mockImplementationOnce((file) => {
      imports.cancelAll();
      return Promise.resolve({ sha256: 'a'.repeat(64), bytes: file.bytes.length, mime: file.mime });
    });
    await imports.bringInFiles([dropped('two.png')], { place: true });
    expect(imports.items[0]!.state).toBe('cancelled');
    expect([assetNames(), objectNames()]).toEqual([[], []]);
  });
  test('a second drop waits for the first', async () => {
    reader.files.set('a.png', pictureFile('a.png')).set('b.png', pictureFile('b.png'));
    const imports = useImportsStore();
    await Promise.all([
      imports.bringInFiles([dropped('a.png')], { place: true }),
      imports.bringInFiles([dropped('b.png')], { place: true }),
    ]);
    expect(assetNames()).toEqual(['a.png', 'b.png']);
    expect(reader.asked).toEqual(['a.png', 'b.png']);
  });
});

describe('layered files', () => {
  const artwork = (layers: readonly [string, string][]): ReadResult => ({
    ...result(
      layers.map(([key, paint]) => ({
        ...pictureDraft(key, paint, {
          layer: { canvas: [100, 100], left: 0, top: 0, width: 40, height: 20 },
        }),
        from: { file: 'reef.psd', layer: key },
      })),
    ),
    artwork: {
      width: 100,
      height: 100,
      layers: layers.map(([key], draft) => ({
        key,
        name: key,
        opacity: 1,
        blend: 'normal',
        visible: true,
        draft,
      })),
    },
  });
  const bringReef = async (): Promise<void> => {
    const layers = ['fish', 'sand'].map((key) => [key, '1'] as [string, string]);
    reader.files.set('reef.psd', artwork(layers));
    await bring('reef.psd');
  };
  test('come as a group in one step; the edited file changes pictures in one step', async () => {
    await bringReef();
    const effect = useEffectStore();
    expect(objectNames()).toEqual(['reef', 'fish', 'sand']);
    const before = effect.effect;
    reader.files.set(
      'reef.psd',
      artwork([
        ['fish', '2'],
        ['weed', '1'],
        ['sand', '1'],
      ]),
    );
    const { items } = await bring('reef.psd');
    expect(items.at(-1)!.message).toBe('1 layer updated, 1 added, placement kept.');
    expect(objectNames()).toEqual(['reef', 'fish', 'weed', 'sand']);
    effect.undo();
    expect(effect.effect).toEqual(before);
  });
  test('a layer that is gone is named, and stays', async () => {
    await bringReef();
    reader.files.set('reef.psd', artwork([['fish', '1']]));
    const { items } = await bring('reef.psd');
    expect(items.at(-1)!.notes.join()).toContain('sand');
    expect(objectNames()).toEqual(['reef', 'fish', 'sand']);
  });
});

describe('replacing', () => {
  test('the content changes, id, name and all uses stay', async () => {
    reader.files.set('fish.png', pictureFile('fish.png', 'old'));
    await bring('fish.png');
    const effect = useEffectStore();
    const [before] = Object.values(effect.effect.assets);
    const objects = effect.effect.objects;
    reader.files.set('salmon.png', pictureFile('salmon.png', 'new'));
    await useImportsStore().replaceWith(before!.id, dropped('salmon.png'));
    const [after] = Object.values(effect.effect.assets);
    expect([after!.id, after!.name]).toEqual([before!.id, 'fish.png']);
    expect(after!.files).not.toEqual(before!.files);
    expect(effect.effect.objects).toEqual(objects);
    effect.undo();
    expect(Object.values(effect.effect.assets)).toEqual([before]);
  });
  test('a file of another kind is refused with both names, and nothing changes', async () => {
    reader.files.set('fish.png', pictureFile('fish.png'));
    await bring('fish.png');
    const before = useEffectStore().effect;
    const sound = pictureDraft('lap.wav');
    reader.files.set('lap.wav', result([{ ...sound, facts: { ...sound.facts, kind: 'sound' } as never }]));
    const [id] = Object.keys(before.assets);
    await expect(useImportsStore().replaceWith(id as never, dropped('lap.wav'))).rejects.toThrow(
      /lap\.wav cannot stand in for fish\.png/,
    );
    expect(useEffectStore().effect).toBe(before);
  });
  test('what was prepared is prepared again the same way', async () => {
    reader.files.set('fish.png', pictureFile('fish.png', 'old'));
    await bring('fish.png');
    const effect = useEffectStore();
    const preparing = usePreparingStore();
    useAssetsStore().originalsOf = () => Promise.resolve([{ bytes: new Uint8Array(9), mime: 'image/png' }]);
    const prep = { longest: 10, format: 'webp', quality: 80 } as const;
    reader.prepare = ({ name, originals }) => ({
      draft: {
        ...pictureDraft(name, `small ${originals[0]!.bytes.length}`, { width: 10, height: 5, prep }),
        original: null,
      },
      deviation: null,
    });
    const [asset] = Object.values(effect.effect.assets);
    await preparing.apply(asset!, { kind: 'picture', prep } as never, 'Make smaller');
    const small = Object.values(effect.effect.assets)[0]!;
    expect(small).toMatchObject({ width: 10, height: 5, original: asset!.files });
    reader.files.set('salmon.png', pictureFile('salmon.png', 'a larger fish'));
    await useImportsStore().replaceWith(small.id, dropped('salmon.png'));
    const after = Object.values(effect.effect.assets)[0]!;
    expect(after).toMatchObject({ width: 10, height: 5, name: 'fish.png' });
    expect(after.original![0]!.bytes).toBe('a larger fish'.length);
  });
});

describe('preparing', () => {
  test('what goes wrong is kept beside the asset until it is tried again, and changes nothing', async () => {
    reader.files.set('fish.png', pictureFile('fish.png'));
    await bring('fish.png');
    const effect = useEffectStore();
    const preparing = usePreparingStore();
    useAssetsStore().originalsOf = () => Promise.resolve([{ bytes: new Uint8Array(9), mime: 'image/png' }]);
    const before = effect.effect;
    const [asset] = Object.values(before.assets);
    reader.prepare = () => new IconiaError('picture.broken', 'fish.png cannot be made smaller.');
    expect(await preparing.apply(asset!, { kind: 'picture', prep: {} } as never, 'Shrink')).toBeNull();
    expect(preparing.failures[asset!.id]).toBe('fish.png cannot be made smaller.');
    expect(effect.effect).toBe(before);
    expect(preparing.under).toEqual({});
    preparing.dismiss(asset!.id);
    expect(preparing.failures).toEqual({});
  });
});
