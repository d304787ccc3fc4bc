/** Files as creators have them, made by rule: for the interface tests, the bench and the pictures in the docs. */
import { readFileSync } from 'node:fs';
import { Document } from '@gltf-transform/core';
import { writePsdUint8Array } from 'ag-psd';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { writeCube } from '../../src/core/assets/colour/cube';
import { tableOf } from '../../src/core/assets/colour/table';
import { writeGlb } from '../../src/core/assets/models/open-model';
import { plainDocument, PLAIN_MATERIAL } from '../../src/core/assets/models/plain-model';
import { blank, blit, type Raster } from '../../src/core/assets/raster';
import { writeWav } from '../../src/core/assets/sounds/wav';
import { writeRadiance } from '../../src/core/assets/surroundings/radiance';
import {
  apng,
  crownMesh,
  glassesMesh,
  disc,
  gif,
  painted,
  plain,
  png,
  type Rgba,
} from '../../src/core/assets/testing';

export interface MadeFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}
const made = (name: string, bytes: Uint8Array | Buffer): MadeFile => ({ name, bytes: new Uint8Array(bytes) });

export const svgPng = (svg: string): Promise<Buffer> => sharp(Buffer.from(svg)).png().toBuffer();

const KELP = { ...PLAIN_MATERIAL, name: 'Kelp', colour: [0.02, 0.6, 0.12] as const, roughness: 0.5 };

/** A head piece in metres, or 100 times too large with its pivot at a corner. */
export const crownGlb = async (name: string, wrong: boolean): Promise<MadeFile> =>
  made(name, await writeGlb(plainDocument(crownMesh(wrong ? 100 : 1, wrong), new Map([['Kelp', KELP]]))));

/** Glasses in centimetres. */
export const glassesGlb = async (name: string): Promise<MadeFile> =>
  made(name, await writeGlb(plainDocument(glassesMesh(100), new Map([['Kelp', KELP]]))));

/** A dense, bumpy ball with about `triangles` triangles. */
export const denseModel = (triangles: number): Document => {
  const rows = Math.round(Math.sqrt(triangles / 4));
  const columns = rows * 2;
  const positions: number[] = [];
  const point = (i: number, j: number): [number, number, number] => {
    const [u, v] = [(i / columns) * 2 * Math.PI, (j / rows) * Math.PI];
    const r =
      0.1 + 0.006 * Math.sin(7 * u) * Math.sin(6 * v) + 0.002 * Math.sin(23 * u + 11 * v) * Math.sin(v);
    return [r * Math.sin(v) * Math.cos(u), r * Math.cos(v) + 0.1, r * Math.sin(v) * Math.sin(u)];
  };
  for (let i = 0; i < columns; i++)
    for (let j = 0; j < rows; j++) {
      const [a, b, c, d] = [point(i, j), point(i, j + 1), point(i + 1, j), point(i + 1, j + 1)];
      if (j > 0) positions.push(...a, ...c, ...b);
      if (j < rows - 1) positions.push(...b, ...c, ...d);
    }
  return plainDocument([{ part: 'Pearl', material: 'Pearl', positions, uvs: [], normals: [] }], new Map());
};

/** A board with `count` large textures that weigh much: a texture set. */
export const texturedGlb = async (name: string, count: number, side: number): Promise<MadeFile> => {
  const document = new Document();
  const buffer = document.createBuffer();
  const scene = document.createScene();
  for (let n = 0; n < count; n++) {
    const noise = painted(side, side, (x, y) => {
      const v = (x * 73 + y * 151 + ((x * y * 31) % 97) * 3 + n * 40) % 256;
      // Noise about one colour: it weighs much and still has a colour from far.
      return [128 + (v >> 1), ((v * 3 + x) % 256) >> 1, ((v + y) % 256) >> 1, 255];
    });
    const image = await sharp(Buffer.from(noise.data), { raw: { width: side, height: side, channels: 4 } })
      .removeAlpha()
      .png()
      .toBuffer();
    const texture = document
      .createTexture(`scales ${n + 1}`)
      .setImage(new Uint8Array(image))
      .setMimeType('image/png');
    const material = document
      .createMaterial(`Scales ${n + 1}`)
      .setBaseColorTexture(texture)
      .setRoughnessFactor(0.8);
    const at = (values: number[], type: 'VEC2' | 'VEC3') =>
      document.createAccessor().setType(type).setArray(Float32Array.from(values)).setBuffer(buffer);
    const x = n * 0.06 - ((count - 1) * 0.06) / 2;
    const s = 0.028;
    const primitive = document
      .createPrimitive()
      .setAttribute(
        'POSITION',
        at(
          [x - s, 0, 0, x + s, 0, 0, x + s, 2 * s, 0, x - s, 0, 0, x + s, 2 * s, 0, x - s, 2 * s, 0],
          'VEC3',
        ),
      )
      .setAttribute('NORMAL', at([0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1], 'VEC3'))
      .setAttribute('TEXCOORD_0', at([0, 1, 1, 1, 1, 0, 0, 1, 1, 0, 0, 0], 'VEC2'))
      .setMaterial(material);
    scene.addChild(
      document.createNode(`Scale ${n + 1}`).setMesh(document.createMesh().addPrimitive(primitive)),
    );
  }
  return made(name, await writeGlb(document));
};

const layer = (name: string, source: string, x: number, y: number, more = ''): string =>
  `<layer name="${name}" src="${source}" x="${x}" y="${y}" ${more}/>`;

/** Five layers on a canvas of 400 x 300; `edited` changes two of them and moves one. */
export const artworkOra = (name: string, edited = false): MadeFile => {
  const square = (colour: Rgba, size: number) => png(plain(size, size, colour));
  const stack = `<?xml version='1.0'?><image w="400" h="300"><stack>${[
    layer('Sparkle', 'data/sparkle.png', edited ? 200 : 180, 20, 'composite-op="svg:screen"'),
    layer('Pearl', 'data/pearl.png', 60, 120),
    layer('Leaf left', 'data/left.png', 20, 60, 'opacity="0.8"'),
    layer('Leaf right', 'data/right.png', 300, 60),
    layer('Band', 'data/band.png', 0, 200, 'composite-op="svg:multiply"'),
  ].join('')}</stack></image>`;
  return made(
    name,
    zipSync({
      mimetype: [strToU8('image/openraster'), { level: 0 }],
      'stack.xml': strToU8(stack),
      'data/sparkle.png': png(disc(40, 18, [255, 255, 180, 255])),
      'data/pearl.png': square(edited ? [255, 0, 220, 255] : [230, 230, 250, 255], 60),
      'data/left.png': square([30, 140, 60, 255], 80),
      'data/right.png': square([40, 160, 80, 255], 80),
      'data/band.png': png(plain(400, 60, [90, 60, 30, 255])),
    }),
  );
};

/** PSD with `count` layers. */
export const artworkPsd = (name: string, count: number, side = 160): MadeFile => {
  const image = (r: Raster) => ({ width: r.width, height: r.height, data: new Uint8ClampedArray(r.data) });
  const children = Array.from({ length: count }, (_, i) => ({
    name: `Scale ${i + 1}`,
    id: i + 1,
    left: (i % 20) * 40,
    top: Math.floor(i / 20) * 40,
    imageData: image(disc(side, side * 0.4, [(i * 37) % 256, (i * 91) % 256, 160, 255])),
  }));
  return made(
    name,
    writePsdUint8Array({ width: 1000, height: 1000, children, imageData: image(blank(1000, 1000)) }),
  );
};

/** Frame `i` of `count`: a bubble that rises. */
export const bubble = (i: number, count: number, side = 96, colour: Rgba = [120, 200, 255, 255]): Raster =>
  disc(side, side * (0.12 + (0.2 * i) / count), colour, 0, side * (0.25 - (0.5 * i) / count));

export const framesZip = (name: string, count: number, side = 96, drawn = count): MadeFile => {
  const pictures = Array.from({ length: drawn }, (_, i) => png(bubble(i, drawn, side)));
  return made(
    name,
    zipSync(
      Object.fromEntries(
        Array.from({ length: count }, (_, i) => [
          `bubbles/bubble_${String(i + 1).padStart(3, '0')}.png`,
          [pictures[i % drawn]!, { level: 0 as const }],
        ]),
      ),
    ),
  );
};

/** A sprite sheet of rising bubbles. */
export const sheetPng = (
  name: string,
  columns: number,
  rows: number,
  cell: number,
  frames = columns * rows,
): MadeFile => {
  const sheet = blank(columns * cell, rows * cell);
  for (let i = 0; i < frames; i++)
    blit(bubble(i, frames, cell), sheet, (i % columns) * cell, Math.floor(i / columns) * cell);
  return made(name, png(sheet));
};

const tone = (seconds: number): Float32Array =>
  Float32Array.from({ length: seconds * 22_050 }, (_, i) => {
    const t = i / 22_050;
    const heard = t > 0.2 && t < seconds - 0.2;
    return heard ? 0.6 * Math.sin(2 * Math.PI * 330 * t) * Math.exp(-2 * (t - 0.2)) : 0;
  });

export const wav = (name: string, seconds = 1.5): MadeFile =>
  made(name, writeWav({ rate: 22_050, channels: [tone(seconds)] }));

export const hdr = (name: string, width = 128): MadeFile => {
  const height = width / 2;
  const data = new Float32Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const sun = Math.hypot(x / width - 0.3, y / height - 0.25) < 0.04 ? 60 : 0;
      for (let c = 0; c < 3; c++)
        data[(y * width + x) * 3 + c] = 0.2 + 0.6 * (1 - y / height) * [0.6, 0.8, 1][c]! + sun;
    }
  return made(name, writeRadiance({ width, height, data }));
};

export const OBJ = `mtllib shell.mtl
o Shell
v -0.05 0 0\nv 0.05 0 0\nv 0.08 0.08 0\nv 0 0.14 0.02\nv -0.08 0.08 0
vt 0 0\nvt 1 0\nvt 1 1\nvt 0.5 1\nvt 0 1
usemtl Pearl
f 1/1 2/2 3/3 4/4 5/5
`;
export const MTL = 'newmtl Pearl\nKd 0.9 0.8 0.7\nmap_Kd pearl.png\n';

/** Twelve files of twelve kinds; one of them is a text that calls itself a picture. */
export const mixedFolder = async (): Promise<MadeFile[]> => [
  made(
    'kelp.png',
    await svgPng(
      '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><ellipse cx="150" cy="100" rx="140" ry="60" fill="#2a8a4a"/></svg>',
    ),
  ),
  made(
    'beach.jpg',
    await sharp({ create: { width: 400, height: 300, channels: 3, background: '#c8b48a' } })
      .jpeg()
      .toBuffer(),
  ),
  made(
    'foam.webp',
    await sharp({ create: { width: 200, height: 200, channels: 4, background: '#ffffff80' } })
      .webp()
      .toBuffer(),
  ),
  made(
    'wink.gif',
    gif(
      16,
      16,
      [1, 2, 3].map((n) => ({ indices: Array<number>(256).fill(n) })),
    ),
  ),
  made(
    'spin.png',
    apng(
      [0, 1, 2, 3].map((i) => bubble(i, 4, 48)),
      80,
    ),
  ),
  made(
    'tide.svg',
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><path d="M0 30 Q25 0 50 30 T100 30 V60 H0Z" fill="#0f6b62"/></svg>',
    ),
  ),
  artworkOra('crown.ora'),
  await crownGlb('crown.glb', false),
  wav('lap.wav'),
  made('deep.cube', writeCube(tableOf('Deep', 5, ([r, g, b]) => [r * 0.6, g * 0.85, Math.min(1, b * 1.15)]))),
  hdr('dusk.hdr'),
  made('letter.png', Buffer.from('Dear creator, I am no picture.')),
];

export const fontFile = (name: string): MadeFile =>
  made(
    name,
    readFileSync(
      'node_modules/@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
    ),
  );
