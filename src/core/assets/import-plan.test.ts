import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isClutter, planImport, referredFiles, sequenceRemarks, type PlanFile } from './import-plan';
import { FILE_KINDS, sniff, type FileKind } from './sniff';
import { text } from './testing';

const file = (path: string, kind: FileKind, more: Partial<PlanFile> = {}): PlanFile => ({
  path,
  kind,
  frames: 1,
  refers: [],
  inZip: false,
  ...more,
});
const kinds = (files: readonly PlanFile[]) => planImport(files).jobs.map((j) => `${j.kind} ${j.name}`);

describe('what is made of a heap of files', () => {
  test('each by its kind, in the order it was dropped', () => {
    expect(
      kinds([
        file('a/kelp.png', 'png'),
        file('a/wave.gif', 'gif', { frames: 8 }),
        file('a/still.gif', 'gif'),
        file('a/spin.png', 'png', { frames: 3 }),
        file('a/tide.svg', 'svg'),
        file('a/crown.ora', 'openraster'),
        file('a/lap.wav', 'wav'),
        file('a/deep.cube', 'cube'),
        file('a/sky.exr', 'openexr'),
        file('a/tide.ttf', 'ttf'),
      ]),
    ).toEqual([
      'picture kelp.png',
      'animation wave.gif',
      'picture still.gif',
      'animation spin.png',
      'drawing tide.svg',
      'artwork crown.ora',
      'media lap.wav',
      'table deep.cube',
      'surroundings sky.exr',
      'font tide.ttf',
    ]);
  });
  test('numbered pictures are one sequence; gaps and doubles are said', () => {
    const { jobs } = planImport([1, 2, 4, 5].map((n) => file(`fx/b${n}.png`, 'png')));
    expect(jobs).toHaveLength(1);
    expect(jobs[0]).toMatchObject({ kind: 'sequence', name: 'b', gaps: [3] });
    expect(sequenceRemarks(jobs[0]!)).toEqual([expect.stringContaining('Frame 3 of b is missing')]);
    expect(sequenceRemarks({ name: 'b', gaps: [], doubles: [1, 2] })[0]).toContain('1, 2');
  });
  test('a model takes along what it refers to, and only that', () => {
    const { jobs, refusals } = planImport([
      file('m/shell.obj', 'obj', { refers: ['shell.mtl'] }),
      file('m/shell.mtl', 'mtl', { refers: ['C:\\old\\Pearl.PNG'] }),
      file('tex/pearl.png', 'png'),
      file('tex/other.png', 'png'),
      file('m/scan.gltf', 'gltf', { refers: ['scan.bin'] }),
      file('m/scan.bin', 'unknown'),
    ]);
    expect(jobs.map((j) => [j.name, j.others])).toEqual([
      ['shell.obj', ['m/shell.mtl', 'tex/pearl.png']],
      ['other.png', []],
      ['scan.gltf', ['m/scan.bin']],
    ]);
    expect(refusals).toEqual([]);
  });
  test('what cannot come in is named with a way out; clutter is passed over', () => {
    const { jobs, refusals } = planImport([
      file('nothing.png', 'empty'),
      file('letter.png', 'text'),
      file('in.zip', 'zip', { inZip: true }),
      file('shell.mtl', 'mtl'),
      file('rock.ktx2', 'ktx2'),
      file('data.bin', 'unknown'),
      file('__MACOSX/a.png', 'png'),
      file('a/.DS_Store', 'unknown'),
    ]);
    expect(jobs).toEqual([]);
    expect(refusals.map((r) => r.code)).toEqual([
      'file.empty',
      'file.unknown',
      'zip.nested',
      'file.alone',
      'file.alone',
      'file.unknown',
    ]);
    for (const { path, message } of refusals) {
      expect(message).toContain(path);
      expect(message.endsWith('.')).toBe(true);
    }
    expect(['a/b.png', 'Thumbs.db', '.git/x', 'a/._b.png'].map(isClutter)).toEqual([false, true, true, true]);
  });
  test('that a name says otherwise is said only where it does', () => {
    const { refusals } = planImport([file('letter.png', 'text'), file('notes.txt', 'text')]);
    expect(refusals.map((r) => r.message.split('.').slice(0, 2).join('.'))).toEqual([
      'letter.png is a text file, whatever its name says',
      'notes.txt is a text file',
    ]);
  });
  test('every file is in a job, refused, or clutter', () => {
    const path = fc.stringMatching(/^[a-c]{1,2}\/[a-d]{0,2}[0-9]{0,2}\.(png|obj|txt)$/);
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(path, fc.constantFrom(...FILE_KINDS)), {
          selector: ([p]) => p,
          maxLength: 30,
        }),
        (list) => {
          const files = list.map(([p, kind]) => file(p, kind));
          const { jobs, refusals } = planImport(files);
          const seen = new Set([
            ...jobs.flatMap((j) => [j.path, ...j.others]),
            ...refusals.map((r) => r.path),
          ]);
          return files.every((f) => seen.has(f.path) || isClutter(f.path));
        },
      ),
    );
  });
  test('more than can be looked through', () => {
    const files = Array.from({ length: 5001 }, (_, i) => file(`p/${i}x.png`, 'png'));
    expect(planImport(files).refusals).toEqual([expect.objectContaining({ code: 'drop.too-many' })]);
  });
});

test('names that models refer to', () => {
  expect(
    referredFiles(
      'gltf',
      text('{"buffers":[{"uri":"a%20b.bin"}],"images":[{"uri" : "t.png"},{"uri":"data:x"}]}'),
    ),
  ).toEqual(['a b.bin', 't.png']);
  expect(referredFiles('obj', text('mtllib a b.mtl\nv 0 0 0\n'))).toEqual(['a b.mtl']);
  expect(referredFiles('mtl', text('map_Kd -s 1 1 1 tex/wood.png\nnorm n.png\n'))).toEqual([
    'tex/wood.png',
    'n.png',
  ]);
  expect(referredFiles('fbx', text('\0\0C:\\art\\scales.png\0S'))).toEqual(['scales.png']);
});

describe('files are known by their bytes', () => {
  test.each<[string, FileKind]>([
    ['solid s\nfacet normal 0 0 1\n', 'stl'],
    ['# made\nv 0 0 0\n', 'obj'],
    ['newmtl a\nKd 1 1 1\n', 'mtl'],
    ['; FBX 7.4.0 project file\n', 'fbx'],
    ['{ "asset": { "version": "2.0" } }', 'gltf'],
    ['TITLE "x"\nLUT_3D_SIZE 2\n', 'cube'],
    ['<?xml version="1.0"?>\n<!-- x -->\n<svg/>', 'svg'],
    ['<!DOCTYPE svg PUBLIC "x" "y">\n<svg/>', 'svg'],
    ['#?RADIANCE\n', 'radiance'],
    ['Dear creator', 'text'],
    ['\0\u0001\u0002', 'unknown'],
    ['', 'empty'],
  ])('%j is %s', (head, kind) => expect(sniff(text(head))).toBe(kind));
  test('a binary STL by its length, also when only its head is read', () => {
    const head = new Uint8Array(84);
    head[80] = 2;
    expect(sniff(head, 184)).toBe('stl');
    expect(sniff(head)).toBe('unknown');
  });
});
