import { describe, expect, test } from '@jest/globals';
import { sampleAsset } from '../document/sample';
import { sampleAssets, sampleModel, sampleSequence } from '../document/sample-assets';
import type { Asset, ModelAsset } from '../document/schema';
import { renamePlan, NO_CHANGE } from './names';
import { headsWide, notesOn } from './notes';

const codes = (asset: Asset) => notesOn(asset).map((n) => n.code);
const mends = (asset: Asset) => notesOn(asset).flatMap((n) => n.mends.map((m) => m.code));
const model = (change: Partial<ModelAsset>): ModelAsset => ({ ...sampleModel(0), ...change });

describe('what is odd about an asset', () => {
  test('nothing about ordinary ones', () => {
    for (const asset of sampleAssets()) expect([asset.kind, codes(asset)]).toEqual([asset.kind, []]);
  });
  test('a head piece in centimetres with its pivot at a corner: two notes, each with its way out', () => {
    const crown = model({ low: [0, 0, 0], high: [20, 12, 20] });
    expect(codes(crown)).toEqual(['model-huge', 'model-pivot']);
    expect(mends(crown)).toEqual(['fit-head', 'centimetres', 'inches', 'pivot-base', 'pivot-centre']);
    expect(headsWide(crown)).toBeGreaterThan(100);
    const [fit] = notesOn(crown)[0]!.mends;
    expect(fit!.prep).toMatchObject({
      kind: 'model',
      prep: { size: { kind: 'head' }, pivot: { kind: 'kept' } },
    });
    // A second click keeps what the first has done.
    const fitted = model({
      low: [0, 0, 0],
      high: [0.2, 0.12, 0.2],
      prep: fit!.prep.prep as ModelAsset['prep'],
    });
    expect(codes(fitted)).toEqual(['model-pivot']);
    expect(notesOn(fitted)[0]!.mends[0]!.prep).toMatchObject({
      prep: { size: { kind: 'head' }, pivot: { kind: 'base' } },
    });
  });
  test('what stands in a room may be as large as a wardrobe, and is not measured in heads', () => {
    const boat = model({ low: [-1, 0, -1], high: [1, 1.4, 1] });
    expect(notesOn(boat, 'worn').map((n) => n.code)).toEqual(['model-huge']);
    expect(notesOn(boat, 'elsewhere')).toEqual([]);
    const [note] = notesOn(model({ low: [-70, 0, -70], high: [70, 90, 70] }), 'elsewhere');
    expect(note!.code).toBe('model-vast');
    expect(note!.mends.map((m) => m.code)).not.toContain('fit-head');
  });
  test('a pivot at the base or in the middle is fine; far outside is not', () => {
    expect(codes(model({ low: [-0.1, 0, -0.1], high: [0.1, 0.2, 0.1] }))).toEqual([]);
    expect(codes(model({ low: [-0.1, -0.1, -0.1], high: [0.1, 0.1, 0.1] }))).toEqual([]);
    expect(codes(model({ low: [1, 0, -0.1], high: [1.2, 0.2, 0.1] }))).toEqual(['model-pivot']);
    expect(codes(model({ low: [-0.1, 3, -0.1], high: [0.1, 3.2, 0.1] }))).toEqual(['model-pivot']);
  });
  test('too many triangles, too large textures, too small, no material', () => {
    expect(mends(model({ triangles: 60_000 }))).toEqual(['simplify']);
    expect(mends(model({ texturePixels: 4096 }))).toEqual(['shrink-textures']);
    expect(codes(model({ low: [0, 0, 0], high: [0.001, 0.001, 0.001] }))).toContain('model-tiny');
    expect(codes(model({ materials: 0 }))).toEqual(['model-no-material']);
  });
  test('pictures, sequences, sounds and the rest', () => {
    expect(mends({ ...sampleAsset(0), width: 4000, height: 300 })).toEqual(['shrink']);
    const heavy = [{ ...sampleAsset(0).files[0]!, bytes: 3_000_000 }];
    expect(mends({ ...sampleAsset(0), files: heavy })).toEqual(['lighter']);
    expect(mends({ ...sampleSequence(0), files: heavy, frames: 48 })).toEqual(['shrink', 'halve-frames']);
    const [, , , sound, video, table, surroundings, font] = sampleAssets();
    expect(mends({ ...sound!, files: heavy } as Asset)).toEqual(['lighter']);
    expect(codes({ ...video!, duration: 90 } as Asset)).toEqual(['video-long']);
    expect(codes({ ...table!, size: 129 } as Asset)).toEqual(['table-large']);
    expect(codes({ ...surroundings!, width: 4096, height: 1024 } as Asset)).toEqual([
      'surroundings-large',
      'surroundings-shape',
    ]);
    expect(codes({ ...font!, embedding: 'restricted' } as Asset)).toEqual(['font-restricted']);
  });
});

describe('renaming many', () => {
  const assets = ['Kelp fan.png', 'kelp band.png', 'kelp band.glb', 'README'].map((name, n) => ({
    ...sampleAsset(n),
    name,
  }));
  const names = (plan: Partial<typeof NO_CHANGE>, others?: Set<string>) => [
    ...renamePlan(assets, { ...NO_CHANGE, ...plan }, others).values(),
  ];
  test('finds and replaces in the name, not in the ending', () => {
    expect(names({ find: 'kelp', replace: 'weed' })).toEqual(['weed band.png', 'weed band.glb']);
    expect(names({ find: 'png', replace: 'x' })).toEqual([]);
  });
  test('letters, prefix, suffix and numbers', () => {
    expect(names({ letters: 'title', prefix: 'TN ' })).toEqual([
      'TN Kelp Fan.png',
      'TN Kelp Band.png',
      'TN Kelp Band.glb',
      'TN README',
    ]);
    expect(names({ letters: 'upper', suffix: '_v2', numbered: true })[0]).toBe('KELP FAN 1_v2.png');
  });
  test('no two are called the same, and none is left without a name', () => {
    expect(names({ find: 'kelp band', replace: 'Kelp fan' })).toEqual(['Kelp fan 2.png', 'Kelp fan.glb']);
    expect(names({ prefix: 'a ' }, new Set(['a README']))).toContain('a README 2');
    expect(names({ find: 'README', replace: '' })).toEqual([]);
  });
});
