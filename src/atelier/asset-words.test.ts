import { describe, expect, test } from '@jest/globals';
import { notesOn, type Mend } from '../core/assets/notes';
import { sampleAsset } from '../core/document/sample';
import { sampleAssets, sampleModel, sampleSequence } from '../core/document/sample-assets';
import type { Asset, ModelAsset } from '../core/document/schema';
import {
  factLines,
  KIND_LABELS,
  MEND_WORDS,
  noteWords,
  secondsInWords,
  shortFacts,
  sizeInWords,
} from './asset-words';

const model = (change: Partial<ModelAsset>): ModelAsset => ({ ...sampleModel(0), ...change });
const fact = (asset: Asset, name: string) => factLines(asset).find(([label]) => label === name)?.[1];

describe('facts in words', () => {
  test.each(sampleAssets().map((a) => [a.kind, a] as const))(
    'a %s has a label, short facts and lines, none empty',
    (kind, asset) => {
      expect(KIND_LABELS[kind]).toMatch(/^[A-Z]/);
      expect(shortFacts(asset).length).toBeGreaterThan(3);
      const lines = factLines(asset);
      expect(lines.length).toBeGreaterThan(1);
      expect(new Set(lines.map(([label]) => label)).size).toBe(lines.length);
      for (const [, value] of lines) expect(value).not.toMatch(/undefined|NaN|^$/);
      expect(lines.at(-1)![0]).toBe('Weight');
    },
  );
  test('sizes in the unit a person would use', () => {
    expect(sizeInWords({ low: [0, 0, 0], high: [0.18, 0.092, 0.171] })).toBe('18.0 x 9.2 x 17.1 cm');
    expect(sizeInWords({ low: [-1, 0, 0], high: [1, 0.9, 0.5] })).toBe('2.0 x 0.9 x 0.5 m');
    expect(sizeInWords({ low: [0, 0, 0], high: [0.004, 0.002, 0.001] })).toBe('4.0 x 2.0 x 1.0 mm');
  });
  test('times', () => {
    expect([0.5, 9.994, 12.34, 60, 125.4].map(secondsInWords)).toEqual([
      '0.50 s',
      '9.99 s',
      '12.3 s',
      '1 min 0 s',
      '2 min 5 s',
    ]);
    // Never "1 min 60 s".
    expect(secondsInWords(119.7)).toBe('2 min 0 s');
    expect(secondsInWords(59.96)).toBe('1 min 0 s');
  });
  test('where the pivot lies', () => {
    const at = (low: [number, number, number], high: [number, number, number]) =>
      fact(model({ low, high }), 'Pivot');
    expect(at([-1, -1, -1], [1, 1, 1])).toBe('in the middle');
    expect(at([-1, 0, -1], [1, 2, 1])).toBe('middle of the base');
    expect(at([-1, -2, -1], [1, 0, 1])).toBe('middle of the top');
    expect(at([0, 0, 0], [2, 1, 2])).toBe('at a corner');
    expect(at([3, 0, 0], [4, 1, 1])).toBe('outside the model');
    expect(at([-1, -0.5, -1], [1, 1.5, 1])).toBe('inside');
    // A flat sheet has no thickness to be off the middle of.
    expect(at([-1, 0, 0], [1, 2, 0])).toBe('middle of the base');
  });
  test('one is one, more are more', () => {
    expect(shortFacts({ ...sampleSequence(0), frames: 1 })).toBe('1 frame, 100 x 80');
    expect(shortFacts(model({ triangles: 12_345 }))).toContain('12,345 triangles');
  });
  test('what it weighed before is said when it was made lighter', () => {
    const picture = sampleAsset(0);
    expect(fact(picture, 'Weight')).not.toContain('was');
    expect(fact({ ...picture, original: [{ ...picture.files[0]!, bytes: 4_200_000 }] }, 'Weight')).toMatch(
      /was 4\.\d MB/,
    );
  });
});

describe('what is odd, as sentences', () => {
  /** Assets that provoke every note. */
  const odd: Asset[] = [
    model({ low: [0, 0, 0], high: [20, 12, 20] }),
    model({ low: [0, 0, 0], high: [0.001, 0.001, 0.001] }),
    model({ triangles: 80_000, texturePixels: 8192, textureBytes: 9e6, materials: 0 }),
    { ...sampleAsset(0), width: 5000, height: 5000 },
    { ...sampleAsset(0), files: [{ ...sampleAsset(0).files[0]!, bytes: 5e6 }] },
    ...sampleAssets().map((asset): Asset => {
      const files = [{ ...asset.files[0]!, bytes: 9e6 }];
      switch (asset.kind) {
        case 'sound':
          return { ...asset, files, duration: 500 };
        case 'video':
          return { ...asset, files, duration: 400 };
        case 'table':
          return { ...asset, files, size: 129 };
        case 'surroundings':
          return { ...asset, files, width: 8192, height: 512 };
        case 'font':
          return { ...asset, files, embedding: 'restricted' };
        case 'sequence':
          return { ...asset, files, frames: 600 };
        default:
          return { ...asset, files };
      }
    }),
  ];
  const notes = odd.flatMap((asset) => notesOn(asset).map((note) => [asset, note] as const));
  test('every kind of asset has something that can be odd', () => {
    expect(new Set(notes.map(([asset]) => asset.kind))).toEqual(new Set(Object.keys(KIND_LABELS)));
  });
  test('each note is a sentence, and each mend has words', () => {
    for (const [asset, note] of notes) {
      expect(noteWords(asset, note)).toMatch(/^[A-Z].*\.$/s);
      expect(noteWords(asset, note)).not.toMatch(/undefined|NaN/);
      for (const { code } of note.mends) expect(MEND_WORDS[code].length).toBeGreaterThan(4);
    }
  });
  test('no two mends are called the same', () => {
    const words = Object.values(MEND_WORDS);
    expect(new Set(words).size).toBe(words.length);
    const offered = new Set<Mend['code']>(notes.flatMap(([, note]) => note.mends.map((m) => m.code)));
    expect(
      Object.keys(MEND_WORDS).filter((code) => !offered.has(code as Mend['code']) && code !== 'millimetres'),
    ).toEqual([]);
  });
  test('a crown in centimetres is told with its size and in heads', () => {
    const crown = odd[0]!;
    expect(noteWords(crown, notesOn(crown)[0]!)).toMatch(
      /^It is 20\.0 x 12\.0 x 20\.0 m, 1\d\d heads wide\./,
    );
  });
});
