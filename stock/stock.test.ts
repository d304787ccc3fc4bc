/** Every file of the stock is opened with the readers that open a creator's files, and is what its card says. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { readCube } from '../src/core/assets/colour/cube';
import { readFont } from '../src/core/assets/fonts/font';
import { cellBox } from '../src/core/assets/frames/sheets';
import { guessGrid } from '../src/core/assets/frames/guess-grid';
import { checkKeptFile } from '../src/core/assets/kept-file';
import { inspectModel, worldTriangles } from '../src/core/assets/models/inspect';
import { openGlb } from '../src/core/assets/models/open-model';
import { decoders } from '../src/core/assets/models/testing';
import { notesOn } from '../src/core/assets/notes';
import { inspectPicture } from '../src/core/assets/pictures/picture';
import { crop, type Raster } from '../src/core/assets/raster';
import { peakOf } from '../src/core/assets/surroundings/float-raster';
import { readRadiance } from '../src/core/assets/surroundings/radiance';
import { newPicture } from '../src/core/document/defaults';
import { sampleModel } from '../src/core/document/sample-assets';
import { regionMask } from '../src/core/face/region-mask';
import { MASKED } from './make/face-layout';
import { cross, dot, subtract, type Vec3 } from '../src/core/maths/vec3';
import { catalogueSchema, STOCK_GROUPS, type StockGroup, type StockItem } from '../src/core/stock/catalogue';
import { sharpCodec } from '../scripts/sharp-codec';
import { REGION_LABELS } from './make/face-layout';

const at = (path: string): URL => new URL(path, import.meta.url);
const bytesOf = (path: string): Uint8Array => new Uint8Array(readFileSync(at(path)));
const items = catalogueSchema.parse(JSON.parse(readFileSync(at('catalogue.json'), 'utf8')));
const of = (...groups: StockGroup[]): StockItem[] => items.filter((i) => groups.includes(i.group));
const named = (list: readonly StockItem[]): [string, StockItem][] => list.map((i) => [i.id, i]);
const models = [
  ...of('Solids', 'Jewellery', 'Sea creatures'),
  ...items.filter((i) => i.id === 'layout-neutral-head'),
];
const openItem = (item: StockItem) => openGlb(bytesOf(item.file), item.file, decoders);

describe('the catalogue', () => {
  test('has every group, no name twice, and the size that each file has', () => {
    expect(new Set(items.map((i) => i.group))).toEqual(new Set(STOCK_GROUPS));
    expect(new Set(items.map((i) => i.id)).size).toBe(items.length);
    for (const item of items) expect([item.id, bytesOf(item.file).length]).toEqual([item.id, item.bytes]);
  });
  test('lists every file that ships, and no preview is missing or left over', () => {
    const folders = new Set(items.map((i) => i.file.split('/')[0]!));
    const files = [...folders].flatMap((folder) => readdirSync(at(folder)).map((f) => `${folder}/${f}`));
    const known = new Set(items.map((i) => i.file));
    expect(files.filter((f) => !known.has(f))).toEqual([]);
    for (const { preview } of items)
      if (preview) expect([preview, existsSync(at(preview))]).toEqual([preview, true]);
    const previews = new Set(items.map((i) => i.preview));
    expect(readdirSync(at('previews')).filter((f) => !previews.has(`previews/${f}`))).toEqual([]);
  });
  test.each(named(items.filter((i) => !i.download)))('%s may be kept on the server', (_id, item) => {
    expect(checkKeptFile(bytesOf(item.file), item.file)).toMatch(/^[a-z]+\/[a-z0-9.-]+$/);
  });
});

describe('models', () => {
  test.each(named(models))('%s has real size, a material, and nothing odd about it', async (_id, item) => {
    const facts = inspectModel(await openItem(item));
    expect(facts.materials).toBeGreaterThan(0);
    expect(facts.triangles).toBeLessThanOrEqual(10_000);
    const asset = { ...sampleModel(1), ...facts };
    expect(notesOn(asset).map((n) => n.code)).toEqual([]);
  });
  test.each(named(models))('%s: triangles face the way their normals do', async (_id, item) => {
    const document = await openItem(item);
    let along = 0;
    let against = 0;
    for (const mesh of document.getRoot().listMeshes())
      for (const primitive of mesh.listPrimitives()) {
        const positions = primitive.getAttribute('POSITION')!;
        const normals = primitive.getAttribute('NORMAL')!;
        const indices = primitive.getIndices();
        const count = indices ? indices.getCount() : positions.getCount();
        const point = (k: number): [Vec3, Vec3] => {
          const i = indices ? indices.getScalar(k) : k;
          return [
            positions.getElement(i, []) as unknown as Vec3,
            normals.getElement(i, []) as unknown as Vec3,
          ];
        };
        for (let k = 0; k < count; k += 3) {
          const [[a, n], [b], [c]] = [point(k), point(k + 1), point(k + 2)];
          const facing = cross(subtract(b, a), subtract(c, a));
          if (dot(facing, facing) < 1e-18) continue;
          if (dot(facing, n) > 0) along++;
          else against++;
        }
      }
    expect(along).toBeGreaterThan(0);
    // A vertex on a sharp fold (eyelids, corners of the mouth) may lean away from one of its small triangles.
    expect(against / (along + against)).toBeLessThan(0.015);
  });
  test.each(named(of('Sea creatures')))(
    '%s moves: each clip has a length and shifts points',
    async (_id, item) => {
      const document = await openItem(item);
      const { clips } = inspectModel(document);
      expect(clips.length).toBeGreaterThan(0);
      for (const clip of clips) expect(clip.duration).toBeGreaterThan(0.3);
      for (const animation of document.getRoot().listAnimations()) {
        const moves = animation.listChannels().some((channel) => {
          const out = channel.getSampler()!.getOutput()!;
          const [first, later]: [number[], number[]] = [[], []];
          out.getElement(0, first);
          for (let i = 1; i < out.getCount(); i++)
            if (out.getElement(i, later).some((x, k) => Math.abs(x - first[k]!) > 1e-3)) return true;
          return false;
        });
        expect([animation.getName(), moves]).toEqual([animation.getName(), true]);
      }
    },
  );
  test('crowns and tiaras go around a head; earrings are as small as earrings', async () => {
    const width = async (id: string): Promise<number> => {
      const { low, high } = inspectModel(await openItem(items.find((i) => i.id === id)!));
      return high[0] - low[0];
    };
    for (const id of ['jewellery-tide-tiara', 'jewellery-kelp-crown']) {
      expect(await width(id)).toBeGreaterThan(0.12);
      expect(await width(id)).toBeLessThan(0.3);
    }
    for (const id of ['jewellery-hoop-earring', 'jewellery-pearl-drop'])
      expect(await width(id)).toBeLessThan(0.06);
  });
  test('the neutral head has the width of a head in metres and looks along +z', async () => {
    const document = await openItem(items.find((i) => i.id === 'layout-neutral-head')!);
    const points = worldTriangles(document);
    let nose: Vec3 = [0, 0, -1];
    for (let i = 0; i < points.length; i += 3)
      if (points[i + 2]! > nose[2]) nose = [points[i]!, points[i + 1]!, points[i + 2]!];
    expect(Math.abs(nose[0])).toBeLessThan(0.01);
    const { low, high } = inspectModel(document);
    expect(high[0] - low[0]).toBeGreaterThan(0.13);
    expect(high[0] - low[0]).toBeLessThan(0.18);
  });
});

/** Share of the frames' pixels that are not empty, by frame. */
const cover = (raster: Raster): number => {
  let sum = 0;
  for (let i = 3; i < raster.data.length; i += 4) sum += raster.data[i]!;
  return sum / 255 / (raster.width * raster.height);
};

describe('sequences and sheets', () => {
  test.each(named(of('Sequences')))(
    '%s: its grid fits its sheet, frames differ, none is empty',
    async (_id, item) => {
      const sheet = await sharpCodec.decode(bytesOf(item.file), 'image/webp');
      const { grid, frames } = item.sheet!;
      const cells = Array.from({ length: frames }, (_, i) => cellBox(grid, [sheet.width, sheet.height], i));
      expect(frames).toBeLessThanOrEqual(grid.columns * grid.rows);
      const pictures = cells.map((cell) => crop(sheet, cell));
      const seen = new Set(pictures.map((p) => Buffer.from(p.data).toString('base64')));
      expect(seen.size).toBeGreaterThan(frames * 0.9);
      expect(pictures.filter((p) => cover(p) > 0).length).toBeGreaterThanOrEqual(frames - 1);
    },
  );
  test.each(named(of('Sprite sheets')))(
    '%s: the grid that its name says is the grid that is guessed',
    async (_id, item) => {
      const [, columns, rows] = /(\d+)x(\d+)/.exec(item.file)!;
      // Without its name: from transparency alone.
      const guess = guessGrid(await sharpCodec.decode(bytesOf(item.file), 'image/png'));
      expect([guess.grid.columns, guess.grid.rows]).toEqual([Number(columns), Number(rows)]);
    },
  );
});

describe('make-up masks', () => {
  test('there is one for every region of the face', () => {
    const names = new Set(of('Make-up masks').map((i) => i.name));
    for (const region of MASKED) expect([region, names.has(REGION_LABELS[region])]).toEqual([region, true]);
  });
  test.each(MASKED.map((r) => [r]))(
    '%s: it is the mask that the region has in the application',
    async (name) => {
      const item = of('Make-up masks').find((i) => i.name === REGION_LABELS[name])!;
      const picture = await sharpCodec.decode(bytesOf(item.file), 'image/webp');
      expect(picture.width).toBe(picture.height);
      const wanted = regionMask(name, picture.width);
      let [apart, all] = [0, 0];
      wanted.forEach((alpha, i) => {
        apart += Math.abs(alpha - picture.data[4 * i + 3]!);
        all += alpha;
      });
      // Its transparency is kept with some loss.
      expect(apart / all).toBeLessThan(0.03);
    },
  );
});

describe('textures, light, sounds, tables, fonts', () => {
  test.each(named(of('Textures')))('%s repeats without a seam', async (_id, item) => {
    const picture = await sharpCodec.decode(bytesOf(item.file), 'image/webp');
    const { width, height, data } = picture;
    expect(Math.log2(width) % 1).toBe(0);
    const step = (a: number, b: number): number => {
      let most = 0;
      for (let c = 0; c < 4; c++) most += Math.abs(data[a * 4 + c]! - data[b * 4 + c]!);
      return most;
    };
    let [seam, inner] = [0, 0];
    for (let y = 0; y < height; y++) {
      seam += step(y * width + width - 1, y * width);
      for (let x = 0; x + 1 < width; x++) inner += step(y * width + x, y * width + x + 1) / (width - 1);
    }
    // Neighbours across the edge differ hardly more than neighbours do elsewhere.
    expect(seam).toBeLessThan(inner * 1.6 + 4 * height);
  });
  test.each(named(of('Textures')))('%s is no heavier than a phone likes', (_id, item) => {
    const { width, height } = inspectPicture(bytesOf(item.file), item.file);
    const asset = {
      ...newPicture(
        'asset_1' as never,
        item.name,
        { sha256: 'a'.repeat(64), bytes: item.bytes, mime: 'image/webp' },
        width,
        height,
      ),
    };
    expect(notesOn(asset).map((n) => n.code)).toEqual([]);
  });
  test.each(named(of('Light surroundings')))(
    '%s is twice as wide as high and brighter than paper',
    (_id, item) => {
      const light = readRadiance(bytesOf(item.file), item.file);
      expect(light.width).toBe(light.height * 2);
      expect(peakOf(light)).toBeGreaterThan(1);
      for (const x of light.data)
        if (!(x >= 0 && Number.isFinite(x))) throw new Error(`${item.id} holds ${x}`);
    },
  );
  test.each(named(of('Sounds')))('%s says it is WebM with Opus', (_id, item) => {
    const bytes = bytesOf(item.file);
    expect(checkKeptFile(bytes, item.file)).toBe('audio/webm');
    expect(Buffer.from(bytes).includes('A_OPUS')).toBe(true);
  });
  test.each(named(of('Colour tables')))('%s changes colours, and grey stays in order', (_id, item) => {
    const { dimensions, size, data: values } = readCube(bytesOf(item.file), item.file);
    expect(dimensions).toBe(3);
    const grey = Array.from({ length: size }, (_, i) => {
      const k = (i * size * size + i * size + i) * 3;
      return (values[k]! + values[k + 1]! + values[k + 2]!) / 3;
    });
    for (let i = 1; i < size; i++) expect(grey[i]!).toBeGreaterThanOrEqual(grey[i - 1]! - 1e-6);
    let change = 0;
    for (let i = 0; i < values.length; i += 3) {
      const n = i / 3;
      const was = [n % size, Math.floor(n / size) % size, Math.floor(n / size ** 2)].map(
        (x) => x / (size - 1),
      );
      for (let c = 0; c < 3; c++) change = Math.max(change, Math.abs(values[i + c]! - was[c]!));
    }
    expect(change).toBeGreaterThan(0.05);
  });
  test.each(named(of('Fonts')))('%s may be shipped and has letters', (_id, item) => {
    const font = readFont(bytesOf(item.file), item.file);
    expect(font.embedding).toBe('free');
    expect(font.glyphs).toBeGreaterThan(90);
  });
});

describe('the face layout', () => {
  test('names every region in its SVG, and holds no script', () => {
    const svg = readFileSync(at('layout/face-template-svg.svg'), 'utf8');
    for (const region of MASKED)
      if (region !== 'skin') expect(svg.toLowerCase()).toContain(REGION_LABELS[region].toLowerCase());
    expect(svg).not.toMatch(/<script|onload|href="http/i);
  });
  test('its PNG is square and large enough to paint on', () => {
    const { width, height } = inspectPicture(bytesOf('layout/face-template-png.png'), 'template.png');
    expect(width).toBe(height);
    expect(width).toBeGreaterThanOrEqual(1024);
  });
});
