/** Looking through what was dropped: loose files, folders, zips, clutter, and what cannot be opened. */
import { describe, expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { apng, disc, gif, png, text } from '../core/assets/testing';
import { IconiaError } from '../core/errors';
import { lookThrough, readSource, type DroppedFile } from './sources';

const picture = png(disc(16, 6, [200, 90, 20, 255]));
const dropped = (path: string, bytes: Uint8Array): DroppedFile => ({
  path,
  file: new File([bytes as Uint8Array<ArrayBuffer>], path.split('/').at(-1)!, { lastModified: 1000 }),
});
const look = async (files: readonly DroppedFile[]) => {
  const refused: [string, string][] = [];
  const shares: number[] = [];
  const looked = await lookThrough(
    files,
    (path, error) =>
      refused.push([path, error instanceof IconiaError ? error.message : `raw: ${String(error)}`]),
    (share) => shares.push(share),
  );
  return { looked, refused, shares, plans: looked.map((l) => l.plan) };
};

describe('looking through a drop', () => {
  test('kinds come from the bytes, whatever the name says', async () => {
    const { plans, refused } = await look([
      dropped('set/crown.jpg', picture),
      dropped('set/notes.png', text('buy more sea glass')),
      dropped('set/deep.txt', text('LUT_1D_SIZE 2\n0 0 0\n1 1 1\n')),
    ]);
    expect(plans.map((p) => [p.path, p.kind])).toEqual([
      ['set/crown.jpg', 'png'],
      ['set/notes.png', 'text'],
      ['set/deep.txt', 'cube'],
    ]);
    expect(refused).toEqual([]);
  });
  test('pictures that move are counted, still ones are not opened for it', async () => {
    const frames = [disc(16, 3, [9, 9, 9, 255]), disc(16, 5, [9, 9, 9, 255]), disc(16, 7, [9, 9, 9, 255])];
    const { plans } = await look([
      dropped('moves.png', apng(frames, 80)),
      dropped('still.png', picture),
      dropped('moves.gif', gif(2, 2, [{ indices: [1, 1, 2, 2] }, { indices: [2, 2, 1, 1] }])),
      dropped('cut.gif', gif(2, 2, [{ indices: [1, 1, 2, 2] }]).slice(0, 20)),
    ]);
    expect(plans.map((p) => [p.path, p.frames])).toEqual([
      ['moves.png', 3],
      ['still.png', 1],
      ['moves.gif', 2],
      ['cut.gif', 1],
    ]);
  });
  test('files inside zips stand beside loose ones, and are read one by one', async () => {
    const zip = zipSync({
      'glow/glow_1.png': picture,
      'glow/glow_2.png': png(disc(16, 7, [1, 2, 3, 255])),
      '__MACOSX/glow/._glow_1.png': strToU8('junk'),
      'glow/.DS_Store': strToU8('junk'),
    });
    const { looked, plans } = await look([dropped('pack.zip', zip), dropped('loose.png', picture)]);
    expect(plans.map((p) => [p.path, p.inZip])).toEqual([
      ['pack.zip/glow/glow_1.png', true],
      ['pack.zip/glow/glow_2.png', true],
      ['loose.png', false],
    ]);
    expect(await readSource(looked[1]!.source)).toEqual(png(disc(16, 7, [1, 2, 3, 255])));
    expect(await readSource(looked[2]!.source)).toEqual(picture);
  });
  test('two zips that share name, size and time are not taken for each other', async () => {
    const zipOf = (tone: number) =>
      zipSync({ 'a.txt': Uint8Array.of(tone, tone, tone) }, { level: 0, mtime: 1e12 });
    const { looked } = await look([dropped('one/a.zip', zipOf(65)), dropped('two/a.zip', zipOf(66))]);
    expect(looked.map((l) => l.source.file.size)).toEqual([
      looked[0]!.source.file.size,
      looked[0]!.source.file.size,
    ]);
    expect(await readSource(looked[0]!.source)).toEqual(Uint8Array.of(65, 65, 65));
    expect(await readSource(looked[1]!.source)).toEqual(Uint8Array.of(66, 66, 66));
    expect(await readSource(looked[0]!.source)).toEqual(Uint8Array.of(65, 65, 65));
  });
  test('models say which files they need', async () => {
    const { plans } = await look([
      dropped('m/box.obj', text('mtllib box.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n')),
      dropped('m/box.mtl', text('newmtl Shell\nmap_Kd shell.png\n')),
      dropped(
        'm/box.gltf',
        text(JSON.stringify({ asset: { version: '2.0' }, buffers: [{ uri: 'box.bin', byteLength: 4 }] })),
      ),
    ]);
    expect(plans.map((p) => p.refers)).toEqual([['box.mtl'], ['shell.png'], ['box.bin']]);
  });
  test('what computers leave behind is passed over, inside and outside of zips', async () => {
    const { plans, refused } = await look([
      dropped('set/.DS_Store', text('x')),
      dropped('set/Thumbs.db', text('x')),
      dropped('set/crown.png', picture),
    ]);
    expect(plans.map((p) => p.path)).toEqual(['set/crown.png']);
    expect(refused).toEqual([]);
  });
  test('a bad zip is refused with its name, and the others still come in', async () => {
    const good = zipSync({ 'a.png': picture });
    const { plans, refused } = await look([
      dropped('cut.zip', good.slice(0, good.length - 30)),
      dropped('empty.zip', zipSync({})),
      dropped('only-clutter.zip', zipSync({ '.DS_Store': strToU8('x') })),
      dropped('bomb.zip', zipSync({ 'a.bin': new Uint8Array(40_000_000) }, { level: 9 })),
      dropped('up.zip', zipSync({ '../../up.png': picture })),
      dropped('crown.png', picture),
    ]);
    expect(plans.map((p) => p.path)).toEqual(['crown.png']);
    expect(refused.map(([path]) => path)).toEqual([
      'cut.zip',
      'empty.zip',
      'only-clutter.zip',
      'bomb.zip',
      'up.zip',
    ]);
    for (const [path, message] of refused) {
      expect(message).toContain(path);
      expect(message).not.toMatch(/^raw:|undefined|Error/);
    }
  });
  test('how far it is goes up from nothing', async () => {
    const { shares } = await look([1, 2, 3, 4].map((n) => dropped(`${n}.png`, picture)));
    expect(shares).toEqual([0, 0.25, 0.5, 0.75]);
  });
  test('a file of a zip that is no longer there says so', async () => {
    const { looked } = await look([dropped('pack.zip', zipSync({ 'a.png': picture }))]);
    await expect(
      readSource({ ...looked[0]!.source, entry: 'b.png', path: 'pack.zip/b.png' }),
    ).rejects.toThrow('b.png is no longer in pack.zip');
  });
});
