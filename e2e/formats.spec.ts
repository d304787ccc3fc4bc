/** One file of every other format, through the readers as they ship: the decoders load, the facts are right. */
import type { Browser, Page } from '@playwright/test';
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { readCube } from '../src/core/assets/colour/cube';
import { lookUp } from '../src/core/assets/colour/table';
import { readRadiance } from '../src/core/assets/surroundings/radiance';
import type { Asset, Effect } from '../src/core/document/schema';
import { openBlank } from './harness/blank-page';
import { chosen } from './harness/drop';
import { artworkPsd, fontFile, type MadeFile } from './harness/files';
import {
  avif,
  dracoGlb,
  exr,
  FBX,
  ktx2Glb,
  meshoptGlb,
  objZip,
  silentMp3,
  STL,
  strip,
} from './harness/formats';
import type { Media } from './harness/media-page';
import { createEffect, pixelsWhere, saved, serverEffect, tileOf } from './harness/pages';

const bringIn = async (page: Page, name: string, files: readonly MadeFile[]): Promise<Effect> => {
  const id = await createEffect(page, name);
  await page.goto(`/effects/${id}/place`);
  await page.getByLabel('Choose files').setInputFiles(files.map(chosen));
  const report = page.getByRole('region', { name: 'Import report' });
  await expect(report.getByRole('status')).toHaveText(/came in|refused/, { timeout: 120_000 });
  expect(await report.getByRole('alert').allTextContents()).toEqual([]);
  await saved(page);
  return serverEffect(page, id);
};
const named = <K extends Asset['kind']>(
  effect: Effect,
  kind: K,
  name: RegExp,
): Extract<Asset, { kind: K }> => {
  const found = Object.values(effect.assets).find((a) => a.kind === kind && name.test(a.name));
  expect([name.source, found?.kind]).toEqual([name.source, kind]);
  return found as Extract<Asset, { kind: K }>;
};
const fileOf = async (page: Page, asset: Asset): Promise<Uint8Array> =>
  new Uint8Array(await (await page.request.get(`/api/files/${asset.files[0]!.sha256}`)).body());

const mediaFiles = async (browser: Browser): Promise<MadeFile[]> => {
  const blank = await openBlank(browser, 'e2e/harness/media-page.ts');
  const make = async (kind: keyof Media, name: string): Promise<MadeFile> => ({
    name,
    bytes: Uint8Array.from(
      await blank.evaluate((k) => (window as unknown as { media: Media }).media[k](), kind),
    ),
  });
  const files = [
    await make('ogg', 'lap.ogg'),
    await make('m4a', 'lap.m4a'),
    await make('webm', 'tide.webm'),
    await make('mp4', 'tide.mp4'),
  ];
  await blank.close();
  return files;
};

test('compressed and foreign models: Draco, meshopt, KTX2, OBJ with materials, FBX, STL', async ({
  page,
}) => {
  const effect = await bringIn(page, 'Models', [
    await dracoGlb('draco.glb'),
    await meshoptGlb('packed.glb'),
    await ktx2Glb('board.glb', [250, 0, 210, 255]),
    await objZip('shell.zip'),
    { name: 'leaf.fbx', bytes: Buffer.from(FBX) },
    { name: 'coral.stl', bytes: Buffer.from(STL) },
  ]);
  const model = (name: RegExp) => named(effect, 'model', name);
  // Decoded once, here: what ships needs no decoder.
  for (const name of [/draco/, /packed/]) {
    const { triangles, low, high } = model(name);
    expect(triangles).toBe(48 * 8 * 2);
    expect(high[0]! - low[0]!).toBeCloseTo(0.21, 1);
    const text = Buffer.from(await fileOf(page, model(name))).toString('latin1');
    expect(text).not.toContain('KHR_draco_mesh_compression');
    expect(text).not.toContain('EXT_meshopt_compression');
  }
  // The KTX2 texture has become a picture that every browser opens, in its colour.
  const board = Buffer.from(await fileOf(page, model(/board/)));
  const at = board.indexOf('RIFF', 0, 'latin1');
  expect(at).toBeGreaterThan(0);
  const { data, info } = await sharp(board.subarray(at))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([8, 8]);
  [250, 0, 210, 255].forEach((value, c) => expect(Math.abs(data[c]! - value)).toBeLessThan(8));
  // Five corners make three triangles; four make two.
  expect(model(/shell/)).toMatchObject({ triangles: 3, textures: 1, materials: 1 });
  const leaf = model(/leaf/);
  expect(leaf.triangles).toBe(2);
  // FBX counts in centimetres.
  expect(leaf.high[1]! - leaf.low[1]!).toBeCloseTo(0.2, 5);
  expect(model(/coral/).triangles).toBe(1);
});

test('pictures and light: AVIF, a PSD, OpenEXR, a colour strip, a font', async ({ page }) => {
  const effect = await bringIn(page, 'Pictures', [
    await avif('foam.avif'),
    artworkPsd('scales.psd', 3),
    await exr('dusk.exr'),
    strip('swap.png'),
    fontFile('hanken.woff2'),
  ]);
  expect(named(effect, 'picture', /foam/)).toMatchObject({ width: 64, height: 48 });
  expect(Object.values(effect.assets).filter((a) => a.from?.layer)).toHaveLength(3);
  const dusk = named(effect, 'surroundings', /dusk/);
  expect(dusk).toMatchObject({ width: 32, height: 16 });
  expect(dusk.peak).toBeGreaterThan(35);
  const light = readRadiance(await fileOf(page, dusk), 'dusk.hdr');
  // The bright pixel is the 70th of the rows from the top or from the bottom, but only one of them.
  expect(light.data.filter((v) => v > 30)).toHaveLength(1);
  const table = readCube(await fileOf(page, named(effect, 'table', /swap/)), 'swap.cube');
  expect(table.size).toBe(4);
  expect(lookUp(table, [1, 0, 0]).map((v) => Math.round(v))).toEqual([0, 0, 1]);
  expect(named(effect, 'font', /hanken/i).files[0]!.mime).toBe('font/woff2');
});

test('sounds and videos: OGG, MP3, M4A, WebM with alpha, MP4', async ({ page, browser }) => {
  const effect = await bringIn(page, 'Media', [...(await mediaFiles(browser)), silentMp3('quiet.mp3')]);
  for (const name of [/lap\.ogg/, /lap\.m4a/]) {
    const sound = named(effect, 'sound', name);
    expect(sound.duration).toBeCloseTo(1, 1);
    expect(Math.max(...sound.peaks)).toBeGreaterThan(0.3);
    // Whatever came in, one format ships; what came in is kept.
    expect(sound.files[0]!.mime).toBe('audio/webm');
    expect(sound.original![0]!.mime).not.toBe('audio/webm');
  }
  expect(named(effect, 'sound', /quiet/).duration).toBeCloseTo((60 * 1152) / 44_100, 1);
  expect(named(effect, 'video', /tide\.webm/)).toMatchObject({
    width: 64,
    height: 48,
    alpha: true,
    audible: false,
  });
  expect(named(effect, 'video', /tide\.mp4/)).toMatchObject({ width: 64, height: 48, alpha: false });
  // Its tile shows a picture out of it.
  await page.getByRole('button', { name: 'Library', exact: true }).click();
  const tile = tileOf(page, 'tide.mp4');
  await expect
    .poll(async () => (await pixelsWhere(tile, (r, g, b) => g > 80 && r < 60 && b > 70 && b < 130)).share)
    .toBeGreaterThan(0.02);
});
