import { describe, expect, test } from '@jest/globals';
import { writePsdUint8Array, type Layer } from 'ag-psd';
import { strToU8, zipSync } from 'fflate';
import { disc, join, painted, plain, png, u16, u32, type Rgba } from '../testing';
import type { Raster } from '../raster';
import { readOpenRaster } from './openraster';
import { readPsd } from './psd';

const RED: Rgba = [255, 0, 0, 255];
const BLUE: Rgba = [0, 0, 255, 255];
const refusal = (code: string, name = 'crown') =>
  expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining(name) });
const pixel = (r: Raster, x: number, y: number) => [
  ...r.data.subarray((y * r.width + x) * 4, (y * r.width + x) * 4 + 4),
];

const ora = (stack: string, files: Record<string, Uint8Array>): Uint8Array =>
  zipSync({
    mimetype: [strToU8('image/openraster'), { level: 0 }],
    'stack.xml': strToU8(stack),
    ...files,
  });

describe('OpenRaster', () => {
  const stack = `<?xml version='1.0'?><image w="64" h="48" version="0.0.3"><stack>
    <layer name="Glow &amp; foam" src="data/a.png" x="5" y="7" opacity="0.5" composite-op="svg:screen"/>
    <stack name="Kelp" opacity="0.8" visibility="visible">
      <layer name="Leaf" src="data/b.png"/>
      <layer name="Leaf" src="data/b.png" x="-4" visibility="hidden" composite-op="odd:mode"/>
    </stack></stack></image>`;
  const files = { 'data/a.png': png(disc(20, 6, RED)), 'data/b.png': png(plain(10, 10, BLUE)) };

  test('layers come from the top, with names, offsets, opacity and blend mode; groups are opened', () => {
    const art = readOpenRaster(ora(stack, files), 'crown.ora');
    expect(art).toMatchObject({ width: 64, height: 48 });
    expect(
      art.layers.map(({ key, name, opacity, blend, visible }) => ({ key, name, opacity, blend, visible })),
    ).toEqual([
      { key: 'Glow & foam', name: 'Glow & foam', opacity: 0.5, blend: 'screen', visible: true },
      { key: 'Kelp/Leaf', name: 'Leaf', opacity: 0.8, blend: 'normal', visible: true },
      { key: 'Kelp/Leaf (2)', name: 'Leaf', opacity: 0.8, blend: 'normal', visible: false },
    ]);
    // Cut to what is painted: a disc of radius 6 in the middle of 20 pixels.
    const glow = art.layers[0]!.pixels()!;
    expect(glow).toMatchObject({ left: 5 + 4, top: 7 + 4, raster: { width: 12, height: 12 } });
    expect(art.layers[2]!.pixels()).toMatchObject({ left: -4, top: 0 });
    expect(art.notes).toEqual([expect.stringContaining('odd:mode')]);
  });
  test.each<[string, Uint8Array, string]>([
    ['no list of layers', zipSync({ mimetype: strToU8('image/openraster') }), 'artwork.broken'],
    ['a list that is no XML', ora('<image', files), 'artwork.broken'],
    ['entities', ora(`<!DOCTYPE x [<!ENTITY a "b">]>${stack}`, files), 'artwork.broken'],
    ['a missing picture', ora(stack, { 'data/a.png': files['data/a.png'] }), 'artwork.broken'],
    ['no layers', ora('<image w="4" h="4"><stack></stack></image>', {}), 'artwork.empty'],
    ['an absurd canvas', ora(stack.replace('w="64"', 'w="9999999"'), files), 'artwork.broken'],
    [
      'too many layers',
      ora(
        `<image w="4" h="4"><stack>${'<layer name="a" src="data/b.png"/>'.repeat(501)}</stack></image>`,
        files,
      ),
      'artwork.layers',
    ],
  ])('%s is a sentence', (_what, bytes, code) => {
    expect(() => readOpenRaster(bytes, 'crown.ora')).toThrow(refusal(code));
  });
});

const image = (r: Raster) => ({ width: r.width, height: r.height, data: new Uint8ClampedArray(r.data) });
const psd = (children: Layer[], width = 100, height = 80): Uint8Array =>
  writePsdUint8Array({ width, height, children, imageData: image(plain(width, height, BLUE)) });

describe('PSD', () => {
  const leaf = (more: Partial<Layer> = {}): Layer => ({
    name: 'Leaf',
    left: 10,
    top: 20,
    imageData: image(plain(12, 8, RED)),
    blendMode: 'multiply',
    opacity: 0.5,
    ...more,
  });

  test('layers come from the top with offsets, opacity and blend mode; groups are opened', () => {
    const art = readPsd(
      psd([
        leaf(),
        {
          name: 'Kelp',
          opacity: 0.5,
          children: [leaf({ name: 'Tip', left: -3, hidden: true, blendMode: 'linear dodge' })],
        },
      ]),
      'crown.psd',
    );
    expect(art.layers.map(({ name, blend, visible }) => ({ name, blend, visible }))).toEqual([
      { name: 'Tip', blend: 'plus-lighter', visible: false },
      { name: 'Leaf', blend: 'multiply', visible: true },
    ]);
    expect(art.layers[0]!.opacity).toBeCloseTo(0.25, 1);
    expect(art.layers[1]!.pixels()).toMatchObject({ left: 10, top: 20, raster: { width: 12, height: 8 } });
    expect(pixel(art.layers[1]!.pixels()!.raster, 3, 3)).toEqual(RED);
  });
  test('what could not be kept is said', () => {
    const art = readPsd(
      psd([
        leaf({ name: 'Odd', blendMode: 'vivid light' }),
        { name: 'Curves', adjustment: { type: 'invert' } },
        { name: 'Wash', blendMode: 'multiply', children: [leaf()] },
      ]),
      'crown.psd',
    );
    expect(art.layers.map((l) => l.name)).toEqual(['Leaf', 'Odd']);
    expect(art.layers[1]!.blend).toBe('hard-light');
    const notes = art.notes.join(' ');
    for (const name of ['Odd', 'Curves', 'Wash']) expect(notes).toContain(name);
  });
  test('masks and clipping are worked into the pixels', () => {
    const half = painted(12, 8, (x) => (x < 6 ? [255, 255, 255, 255] : [0, 0, 0, 255]));
    const art = readPsd(
      psd([
        leaf({ name: 'Base', left: 10, top: 20, imageData: image(plain(4, 8, RED)) }),
        leaf({ name: 'Clipped', clipping: true, imageData: image(plain(12, 8, BLUE)) }),
        leaf({ name: 'Masked', mask: { left: 10, top: 20, defaultColor: 0, imageData: image(half) } }),
      ]),
      'crown.psd',
    );
    const by = (name: string) => art.layers.find((l) => l.name === name)!.pixels()!;
    expect(by('Clipped')).toMatchObject({ left: 10, raster: { width: 4, height: 8 } });
    expect(by('Masked')).toMatchObject({ left: 10, raster: { width: 6, height: 8 } });
  });
  test('without layers the picture itself is the one layer', () => {
    const header = join('8BPS', u16(1), [0, 0, 0, 0, 0, 0], u16(3), u32(20), u32(30), u16(8), u16(3));
    const channels = [255, 0, 0].map((value) => new Uint8Array(600).fill(value));
    const art = readPsd(join(header, u32(0), u32(0), u32(0), u16(0), ...channels), 'art/flat.psd');
    expect(art.layers.map((l) => l.name)).toEqual(['flat']);
    expect(art.layers[0]!.pixels()!.raster).toMatchObject({ width: 30, height: 20 });
  });
  test('a layer on which nothing is painted has no pixels', () => {
    const art = readPsd(psd([leaf({ imageData: image(plain(5, 5, [9, 9, 9, 0])) }), leaf()]), 'crown.psd');
    expect(art.layers.map((l) => l.pixels() === null)).toEqual([false, true]);
  });

  const whole = psd([leaf(), leaf({ name: 'Two' })]);
  const layerCountAt = (): number => {
    const view = new DataView(whole.buffer, whole.byteOffset);
    let at = 26;
    at += 4 + view.getUint32(at);
    at += 4 + view.getUint32(at);
    return at + 8;
  };
  const changed = (at: number, bytes: readonly number[]): Uint8Array => {
    const copy = whole.slice();
    copy.set(bytes, at);
    return copy;
  };
  test.each<[string, Uint8Array]>([
    ['an absurd number of layers', changed(layerCountAt(), u16(32_000))],
    ['a layer larger than the world', changed(layerCountAt() + 2 + 8, u32(0x7fffffff))],
    ['a canvas of nothing', changed(14, u32(0))],
    ['a channel longer than the file', changed(layerCountAt() + 2 + 18 + 2, u32(0x7fffffff))],
    ['a section that leads out', changed(26 + 4, u32(0xfffffff0))],
    ['another version', changed(4, u16(9))],
    ['CIE Lab', changed(24, u16(9))],
    ['a header alone', join('8BPS', u16(1), [0, 0, 0, 0, 0, 0], u16(3), u32(4), u32(4), u16(8), u16(3))],
  ])('%s is a sentence', (_what, bytes) => {
    expect(() => readPsd(bytes, 'crown.psd')).toThrow(
      expect.objectContaining({ name: 'IconiaError', message: expect.stringContaining('crown.psd') }),
    );
  });
  test('cut off anywhere, it is a sentence or what is left', () => {
    for (let end = 4; end < whole.length; end += 7)
      try {
        for (const layer of readPsd(whole.slice(0, end), 'crown.psd').layers) layer.pixels();
      } catch (error) {
        expect(error).toMatchObject({ name: 'IconiaError', message: expect.stringContaining('crown.psd') });
      }
  });
});
