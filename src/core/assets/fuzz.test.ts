/**
 * Thousands of damaged files of every format. Whatever comes, the answer is an asset or a sentence that names the
 * file, and it comes soon. The seed is printed; `FUZZ_SEED=n` repeats a run.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, jest, test } from '@jest/globals';
import { writePsdUint8Array } from 'ag-psd';
import draco3d from 'draco3dgltf';
import { strToU8, zipSync } from 'fflate';
import { MeshoptDecoder } from 'meshoptimizer';
import sharp from 'sharp';
import { Random } from '../maths/random';
import { readCube, writeCube } from './colour/cube';
import { identityTable } from './colour/table';
import { readFont } from './fonts/font';
import { decodeAnimatedPng, decodeGif } from './frames/animated';
import { planImport, referredFiles } from './import-plan';
import { checkKeptFile } from './kept-file';
import { readOpenRaster } from './layered/openraster';
import { readPsd } from './layered/psd';
import { checkGlb } from './models/glb';
import { inspectModel } from './models/inspect';
import { readObj } from './models/obj';
import { NO_COMPANIONS } from './models/companions';
import { openGlb, openGltf, writeGlb } from './models/open-model';
import { plainDocument } from './models/plain-model';
import { settleModel } from './models/settle';
import { readStl } from './models/stl';
import { decodePng } from './pictures/decode-png';
import { inspectPicture } from './pictures/picture';
import { readSvg } from './pictures/svg';
import { readZip } from './archive/zip';
import { sharpCodec } from '../../../scripts/sharp-codec';
import { sniff, type FileKind } from './sniff';
import { writeWav } from './sounds/wav';
import { readExrHeader } from './surroundings/exr-header';
import { readRadiance, writeRadiance } from './surroundings/radiance';
import { apng, disc, gif, join, painted, plain, png, text, u32, u32le } from './testing';

jest.setTimeout(240_000);
// A decoder talks to the console about what it meets.
jest.spyOn(console, 'log').mockImplementation(() => undefined);

const SEED = Number(process.env.FUZZ_SEED ?? 20_261_125);
const RUNS = 4_000;
/** Of this process: a machine that stands still for a while is no fault of a file. */
const cpuMilliseconds = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
};
/** One damaged file may take this long; what hangs takes for ever. */
const MOST_MILLISECONDS = 3000;

const decoders = {
  draco: () => draco3d.createDecoderModule(),
  meshopt: async () => {
    await MeshoptDecoder.ready;
    return MeshoptDecoder;
  },
};
const settle = { codec: sharpCodec, ktx2: () => Promise.reject(new Error('none here')) };

/** Reads a file as the intake would, as far as no browser is needed. */
const read = async (bytes: Uint8Array, name: string): Promise<void> => {
  const kind: FileKind = sniff(bytes);
  planImport([{ path: name, kind, frames: 1, refers: referredFiles(kind, bytes), inZip: false }]);
  switch (kind) {
    case 'png':
      if (inspectPicture(bytes, name).frames > 1) decodeAnimatedPng(bytes, name);
      else decodePng(bytes, name);
      return;
    case 'gif':
      decodeGif(bytes, name);
      return;
    case 'jpeg':
    case 'webp':
    case 'avif':
      inspectPicture(bytes, name);
      return;
    case 'svg':
      readSvg(bytes, name);
      return;
    case 'openraster':
      for (const layer of readOpenRaster(bytes, name).layers) layer.pixels();
      return;
    case 'psd':
      for (const layer of readPsd(bytes, name).layers) layer.pixels();
      return;
    case 'zip': {
      const zip = readZip(bytes, name);
      for (const entry of zip.entries) zip.read(entry);
      return;
    }
    case 'glb': {
      const document = await openGlb(bytes, name, decoders);
      await settleModel(document, name, settle);
      inspectModel(document);
      return;
    }
    case 'gltf': {
      const { document } = await openGltf(bytes, name, NO_COMPANIONS, decoders);
      await settleModel(document, name, settle);
      return;
    }
    case 'obj': {
      const model = readObj(bytes, name);
      plainDocument(model.meshes, model.materials);
      return;
    }
    case 'stl':
      plainDocument(readStl(bytes, name).meshes, new Map());
      return;
    case 'cube':
      readCube(bytes, name);
      return;
    case 'radiance':
      readRadiance(bytes, name);
      return;
    case 'openexr':
      readExrHeader(bytes, name);
      return;
    case 'ttf':
    case 'otf':
    case 'woff':
    case 'woff2':
      readFont(bytes, name);
      return;
    default:
      checkKeptFile(bytes, name);
  }
};

const image = (side: number) => {
  const r = disc(side, side / 3, [200, 90, 40, 255]);
  return { width: side, height: side, data: new Uint8ClampedArray(r.data) };
};
const triangle = {
  part: 'a',
  material: 'm',
  positions: [0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1, 1, 0, 0, 0, 1, 1],
  uvs: [],
  normals: [],
};

const originals = async (): Promise<Record<string, Uint8Array>> => {
  const photo = sharp(Buffer.from(painted(24, 16, (x, y) => [x * 9, y * 14, 90, 255]).data), {
    raw: { width: 24, height: 16, channels: 4 },
  });
  const glb = await writeGlb(plainDocument([triangle], new Map()));
  const { json, bin } = checkGlb(glb, 'x.glb');
  (json.buffers as { uri?: string }[])[0]!.uri =
    `data:application/octet-stream;base64,${Buffer.from(bin!).toString('base64')}`;
  const box = (kind: string, body: string) => join(u32(8 + body.length), kind, body);
  return {
    'kelp.png': png(disc(16, 6, [10, 200, 90, 255])),
    'photo.jpg': new Uint8Array(await photo.clone().jpeg().toBuffer()),
    'photo.webp': new Uint8Array(await photo.clone().webp().toBuffer()),
    'photo.avif': new Uint8Array(await photo.clone().avif({ effort: 0 }).toBuffer()),
    'wave.gif': gif(
      8,
      8,
      [1, 2, 3].map((n) => ({ indices: Array<number>(64).fill(n) })),
    ),
    'spin.png': apng([plain(6, 6, [1, 2, 3, 255]), plain(6, 6, [9, 2, 3, 128])], 40),
    'tide.svg': text(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g><path d="M0 0L9 9" style="fill:red"/></g></svg>',
    ),
    'crown.ora': zipSync({
      mimetype: [strToU8('image/openraster'), { level: 0 }],
      'stack.xml': strToU8(
        '<image w="20" h="20"><stack><layer name="a" src="data/a.png" x="2" y="3"/><stack name="g"><layer name="b" src="data/a.png"/></stack></stack></image>',
      ),
      'data/a.png': png(disc(8, 3, [9, 9, 9, 255])),
    }),
    'crown.psd': writePsdUint8Array({
      width: 20,
      height: 20,
      children: [
        { name: 'a', left: 2, top: 2, imageData: image(8) },
        { name: 'g', children: [{ name: 'b', imageData: image(6), clipping: true }] },
      ],
      imageData: image(20),
    }),
    'frames.zip': zipSync({
      'f/a_1.png': png(plain(2, 2, [1, 2, 3, 255])),
      'f/a_2.txt': strToU8('x'.repeat(400)),
    }),
    'shell.glb': glb,
    'shell.gltf': text(JSON.stringify(json)),
    'shell.obj': text(
      'mtllib a.mtl\no s\nv 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nvt 0 0\nvn 0 0 1\nusemtl m\nf 1/1/1 2/1/1 3/1/1 4/1/1\n',
    ),
    'coral.stl': join(new Uint8Array(80), u32le(2), new Uint8Array(100).fill(62)),
    'coral-text.stl': text(
      'solid s\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid s\n',
    ),
    'lap.wav': writeWav({ rate: 8000, channels: [new Float32Array(60).fill(0.3)] }),
    'lap.ogg': join(
      'OggS',
      [0, 0],
      u32le(0),
      u32le(0),
      u32le(1),
      u32le(0),
      u32le(0),
      [1, 4],
      'head',
      'OggS',
      [0, 0],
      u32le(960),
      u32le(0),
      u32le(1),
      u32le(1),
      u32le(0),
      [1, 5],
      'sound',
    ),
    'lap.mp3': join('ID3', [3, 0, 0, 0, 0, 0, 4], 'tags', [0xff, 0xfb, 0x90, 0], new Uint8Array(200)),
    'lap.flac': join('fLaC', [0x80, 0, 0, 2], [1, 2], [0xff, 0xf8, 0, 0]),
    'tide.mp4': join(box('ftyp', 'isommp42'), box('mdat', 'x'.repeat(40)), box('moov', 'avc1'.repeat(10))),
    'tide.webm': join(
      [0x1a, 0x45, 0xdf, 0xa3],
      [0x87],
      [0x42, 0x82, 0x84],
      'webm',
      [0x18, 0x53, 0x80, 0x67],
      [0x83],
      [1, 2, 3],
    ),
    'deep.cube': writeCube(identityTable(3)),
    'dusk.hdr': writeRadiance({
      width: 16,
      height: 4,
      data: new Float32Array(192).map((_, i) => (i * 7) % 13),
    }),
    'dusk.exr': join(
      [0x76, 0x2f, 0x31, 1],
      u32le(2),
      'dataWindow',
      [0],
      'box2i',
      [0],
      u32le(16),
      u32le(0),
      u32le(0),
      u32le(9),
      u32le(4),
      [0],
    ),
    'tide.woff2': new Uint8Array(
      readFileSync(
        'node_modules/@fontsource-variable/jetbrains-mono/files/jetbrains-mono-latin-wght-normal.woff2',
      ),
    ),
  };
};

/** Damages a copy: bits, lengths, cuts, doubles, gaps. */
const mutate = (whole: Uint8Array, random: Random): Uint8Array => {
  let bytes: Uint8Array = whole.slice();
  const below = (n: number): number => Math.floor(random.next() * Math.max(1, n));
  for (let hits = 1 + below(4); hits > 0; hits--) {
    const at = below(bytes.length);
    switch (below(8)) {
      case 0:
        bytes[at] = below(256);
        break;
      case 1:
        bytes[at] = bytes[at]! ^ (1 << below(8));
        break;
      case 2:
        // Lengths and counts that lie.
        for (let i = 0; i < 4 && at + i < bytes.length; i++) bytes[at + i] = [0, 0xff, 0x7f, 0x80][below(4)]!;
        break;
      case 3:
        bytes = bytes.slice(0, at);
        break;
      case 4:
        bytes = join(bytes.subarray(0, at), bytes.subarray(Math.min(bytes.length, at + 1 + below(16))));
        break;
      case 5:
        bytes = join(bytes.subarray(0, at), bytes.subarray(at, at + 1 + below(32)), bytes.subarray(at));
        break;
      case 6:
        bytes = join(
          bytes.subarray(0, at),
          Array.from({ length: 1 + below(8) }, () => below(256)),
          bytes.subarray(at),
        );
        break;
      default:
        bytes.fill(below(256), at, at + 1 + below(24));
    }
    if (bytes.length === 0) break;
  }
  return bytes;
};

/** Parts in another order, lengths beyond all measure, nesting without end: what damage by single bytes seldom makes. */
const mutateWhole = (whole: Uint8Array, random: Random): Uint8Array => {
  const below = (n: number): number => Math.floor(random.next() * Math.max(1, n));
  const [a, b] = [below(whole.length), below(whole.length)].sort((x, y) => x - y) as [number, number];
  switch (below(5)) {
    case 0:
      return join(whole.subarray(b), whole.subarray(a, b), whole.subarray(0, a));
    case 1: {
      // A length of four bytes, of either end, beyond what there is.
      const bytes = whole.slice();
      const length = [0x7fffffff, 0xffffffff, 0x10000000, 0x00ffffff][below(4)]!;
      new DataView(bytes.buffer).setUint32(
        Math.max(0, Math.min(a, bytes.length - 4)),
        length,
        below(2) === 0,
      );
      return bytes.length >= 4 ? bytes : whole;
    }
    case 2: {
      // A part within itself, a thousand times.
      const part = whole.subarray(a, Math.min(b, a + 40));
      return join(whole.subarray(0, a), ...Array<Uint8Array>(1000).fill(part), whole.subarray(b));
    }
    case 3: {
      // Brackets of text formats that open and never close, and numbers of many digits.
      const text_ = new TextDecoder('latin1').decode(whole);
      const nested = text_.replace(/[[{<(]/, (m) => m.repeat(1 + below(5000)));
      const long = nested.replace(/\d+/, (m) => m.repeat(1 + below(400)));
      return Uint8Array.from(long, (c) => c.charCodeAt(0) & 255);
    }
    default:
      return join(whole, whole.subarray(a), whole);
  }
};

const attempt = async (bytes: Uint8Array, name: string): Promise<'read' | 'refused'> => {
  try {
    await read(bytes, name);
    return 'read';
  } catch (error) {
    expect(error).toMatchObject({
      name: 'IconiaError',
      message: expect.stringContaining(name),
      code: expect.stringMatching(/^[a-z]+\./),
    });
    return 'refused';
  }
};

describe('damaged files', () => {
  test('the undamaged ones are read', async () => {
    const ready = await originals();
    for (const [name, bytes] of Object.entries(ready))
      expect([name, await attempt(bytes, name)]).toEqual([name, 'read']);
  });

  test(`${RUNS} of them: an asset or a sentence, and soon (seed ${SEED})`, async () => {
    const files = Object.entries(await originals());
    const random = new Random(SEED);
    const seen = { read: 0, refused: 0 };
    for (let run = 0; run < RUNS; run++) {
      const [name, whole] = files[run % files.length]!;
      const bytes = run % 5 === 4 ? mutateWhole(whole, random) : mutate(whole, random);
      const began = cpuMilliseconds();
      try {
        seen[await attempt(bytes, name)]++;
      } catch (error) {
        throw new Error(`FUZZ_SEED=${SEED}, run ${run}, ${name}: ${String(error)}`, { cause: error });
      }
      const took = cpuMilliseconds() - began;
      if (took > MOST_MILLISECONDS)
        throw new Error(`FUZZ_SEED=${SEED}, run ${run}, ${name} took ${Math.round(took)} ms.`);
    }
    // Neither all let through nor all turned away.
    expect(seen.read).toBeGreaterThan(RUNS * 0.05);
    expect(seen.refused).toBeGreaterThan(RUNS * 0.3);
  });

  test('cut off at every length', async () => {
    for (const [name, whole] of Object.entries(await originals())) {
      const step = Math.max(1, Math.floor(whole.length / 160));
      for (let end = 0; end < whole.length; end += step) await attempt(whole.slice(0, end), name);
    }
  });
});
