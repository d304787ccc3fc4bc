import { describe, expect, test } from '@jest/globals';
import { recogniseSet, sameShape, slotsOfName } from './texture-sets';

const picture = (name: string, width = 512, height = 512) => ({ id: name, name, width, height });

describe('what a picture is for, by its name', () => {
  test.each([
    ['crab_basecolor.png', ['base']],
    ['Crab_BaseColor-2K.png', ['base']],
    ['crab base colour.jpg', ['base']],
    ['crab_albedo_1024.webp', ['base']],
    ['folder/crab_diff.png', ['base']],
    ['crab_normal.png', ['normal']],
    ['metal_crab_normal.png', ['normal']],
    ['crabNormalGL.png', ['normal']],
    ['crab_orm.png', ['occlusion', 'roughness', 'metalness']],
    ['crab_OcclusionRoughnessMetallic.png', ['occlusion', 'roughness', 'metalness']],
    ['crab_metallicRoughness.png', ['roughness', 'metalness']],
    ['crab_ambient_occlusion.png', ['occlusion']],
    ['crab_AO.png', ['occlusion']],
    ['crab_rough.png', ['roughness']],
    ['crab_Metallic.png', ['metalness']],
    ['crab_emissive.png', ['glow']],
    ['crab_opacity.png', ['mask']],
  ])('%s', (name, slots) => {
    expect(slotsOfName(name)?.slots).toEqual(slots);
  });
  test.each(['crab.png', 'IMG_2041.jpg', 'collar.png', 'normality.png'])('%s does not tell', (name) => {
    expect(slotsOfName(name)).toBeNull();
  });
  test('normal pictures whose green points down say so in their name', () => {
    expect(slotsOfName('crab_normal_dx.png')?.normalDown).toBe(true);
    expect(slotsOfName('crab_NormalDX.png')?.normalDown).toBe(true);
    expect(slotsOfName('crab_normal_gl.png')?.normalDown).toBe(false);
  });
});

describe('a set', () => {
  test('four files find their slots', () => {
    const set = recogniseSet(
      ['c_basecolor.png', 'c_normal.png', 'c_orm.png', 'c_emissive.png'].map((n) => picture(n)),
    );
    expect(set.maps).toEqual({
      base: 'c_basecolor.png',
      normal: 'c_normal.png',
      occlusion: 'c_orm.png',
      roughness: 'c_orm.png',
      metalness: 'c_orm.png',
      glow: 'c_emissive.png',
    });
    expect([...set.unknown, ...set.spare, ...set.odd]).toEqual([]);
  });
  test('a roughness of its own goes before the shared picture, in any order of the files', () => {
    for (const names of [
      ['c_orm.png', 'c_roughness.png'],
      ['c_roughness.png', 'c_orm.png'],
    ]) {
      const { maps } = recogniseSet(names.map((n) => picture(n)));
      expect(maps).toMatchObject({
        roughness: 'c_roughness.png',
        metalness: 'c_orm.png',
        occlusion: 'c_orm.png',
      });
    }
  });
  test('what cannot be laid is named, and nothing of it is lost', () => {
    const set = recogniseSet([
      picture('c_base.png', 1024, 512),
      picture('c_normal.png', 512, 512),
      picture('c_color.png', 1024, 512),
      picture('holiday.png'),
    ]);
    expect(set.spare.map((p) => p.name)).toEqual(['c_color.png']);
    expect(set.unknown.map((p) => p.name)).toEqual(['holiday.png']);
    expect(set.odd.map((p) => p.name)).toEqual(['c_normal.png']);
  });
  test('one picture whose name says nothing is the base', () => {
    expect(recogniseSet([picture('shell.png'), picture('shell_normal.png')]).maps).toEqual({
      base: 'shell.png',
      normal: 'shell_normal.png',
    });
    expect(recogniseSet([picture('a.png'), picture('b.png')]).maps).toEqual({});
  });
  test('shapes count, sizes do not', () => {
    expect(sameShape({ width: 2048, height: 1024 }, { width: 512, height: 256 })).toBe(true);
    expect(sameShape({ width: 2048, height: 1024 }, { width: 512, height: 512 })).toBe(false);
  });
});
