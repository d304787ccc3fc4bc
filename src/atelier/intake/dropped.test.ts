/** Drops: loose files, folders by handle and by entry, and what cannot be read. */
import { expect, test } from '@jest/globals';
import { carriesFiles, filesOfDrop } from './dropped';

const file = (name: string): File => new File([name], name);
const gone = () => Promise.reject(new DOMException('gone', 'NotFoundError'));

const fileHandle = (name: string, broken = false) => ({
  kind: 'file',
  name,
  getFile: broken ? gone : () => Promise.resolve(file(name)),
});
const folderHandle = (name: string, inside: readonly object[]) => ({
  kind: 'directory',
  name,
  async *values() {
    await Promise.resolve();
    yield* inside;
  },
});
const fileEntry = (name: string, broken = false) => ({
  isFile: true,
  name,
  file: (done: (f: File) => void, fail: (e: Error) => void) =>
    broken ? fail(new DOMException('gone')) : done(file(name)),
});
/** Gives what is inside in two portions, as browsers do with large folders. */
const folderEntry = (name: string, inside: readonly object[]) => ({
  isFile: false,
  name,
  createReader: () => {
    const portions = [inside.slice(0, 1), inside.slice(1), []].filter((p, i) => i === 2 || p.length > 0);
    return { readEntries: (done: (e: readonly object[]) => void) => done(portions.shift()!) };
  },
});
const transfer = (items: readonly object[], files: readonly File[] = []): DataTransfer =>
  ({ items, files, types: ['Files'] }) as unknown as DataTransfer;
const item = (more: object) => ({ kind: 'file', getAsFile: () => null, ...more });
const byHandle = (handle: object) => item({ getAsFileSystemHandle: () => Promise.resolve(handle) });
const byEntry = (entry: object) => item({ webkitGetAsEntry: () => entry });
const paths = async (dropped: DataTransfer) => (await filesOfDrop(dropped)).files.map((f) => f.path);

test('folders come with all that is in them, under their paths, with handles to read them again', async () => {
  const { files, lost } = await filesOfDrop(
    transfer([
      byHandle(folderHandle('set', [fileHandle('a.png'), folderHandle('deep', [fileHandle('b.png')])])),
      byHandle(fileHandle('c.png')),
    ]),
  );
  expect(files.map((f) => f.path)).toEqual(['set/a.png', 'set/deep/b.png', 'c.png']);
  expect(files.every((f) => f.handle !== null)).toBe(true);
  expect(lost).toEqual([]);
});
test('browsers without handles give entries; large folders in portions', async () => {
  const folder = folderEntry(
    'set',
    ['a', 'b', 'c'].map((n) => fileEntry(`${n}.png`)),
  );
  expect(await paths(transfer([byEntry(folder), byEntry(fileEntry('d.png'))]))).toEqual([
    'set/a.png',
    'set/b.png',
    'set/c.png',
    'd.png',
  ]);
});
test('one that is gone is named and does not keep the rest away', async () => {
  const handles = folderHandle('set', [
    fileHandle('a.png'),
    fileHandle('gone.png', true),
    fileHandle('b.png'),
  ]);
  const entries = folderEntry('more', [fileEntry('c.png'), fileEntry('lost.png', true)]);
  const { files, lost } = await filesOfDrop(transfer([byHandle(handles), byEntry(entries)]));
  expect(files.map((f) => f.path)).toEqual(['set/a.png', 'set/b.png', 'more/c.png']);
  expect(lost).toEqual(['set/gone.png', 'more/lost.png']);
});
test('folders inside each other without end are left at some depth', async () => {
  const endless: { kind: string; name: string; values: () => AsyncGenerator<object> } = {
    kind: 'directory',
    name: 'again',
    async *values() {
      await Promise.resolve();
      yield fileHandle('a.png');
      yield endless;
    },
  };
  const found = await paths(transfer([byHandle(endless)]));
  expect(found.length).toBeGreaterThan(10);
  expect(found.length).toBeLessThan(30);
});
test('what a program drops has files only; text is no file', async () => {
  expect(await paths(transfer([], [file('a.png')]))).toEqual(['a.png']);
  expect(await paths(transfer([{ kind: 'string' }, item({ getAsFile: () => file('b.png') })]))).toEqual([
    'b.png',
  ]);
  expect(carriesFiles({ dataTransfer: { types: ['text/plain'] } } as unknown as DragEvent)).toBe(false);
  expect(carriesFiles({ dataTransfer: { types: ['Files'] } } as unknown as DragEvent)).toBe(true);
});
